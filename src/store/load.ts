/** From storage to a document that can be shown at once. What has passed every check before, and was written by this version, is read
 *  as it stands and checked again when the page is idle (check.ts); anything else is checked before it is shown. */
import {
  COLLECTION_NAMES,
  emptyDocument,
  VERSION,
  type AnyEntity,
  type CollectionName,
  type Document,
} from '../../core/document';
import { readingAhead } from '../../core/evidence';
import { ALL_BUT_ACTS, entryOf } from './acts';
import { ASIDE, DRAFT, META_KEY, readMeta } from './keys';
import { eachInSlices } from './slices';
import type { Storage } from './storage';

export interface Aside {
  key: string;
  why: string;
  raw: string;
}

/** What storage holds, sorted but not read. */
export interface Stored {
  version: number;
  /** True when all of it passed the checks of this version before. */
  checked: boolean;
  entities: Map<string, string>;
  drafts: Record<string, string>;
  asideBefore: Aside[];
}

/** Everything in storage but the acts. Rejects only when storage itself does. @param clock milliseconds from anywhere */
export async function readStored(storage: Storage, clock: () => number): Promise<Stored> {
  const stored: Stored = {
    version: VERSION,
    checked: false,
    entities: new Map(),
    drafts: {},
    asideBefore: [],
  };
  let meta: string | undefined;
  const sort = ([key, raw]: [string, string]) => {
    if (key === META_KEY) meta = raw;
    else if (key.startsWith(DRAFT)) stored.drafts[key] = raw;
    else if (key.startsWith(ASIDE)) stored.asideBefore.push({ key, why: 'set aside earlier', raw });
    else if (key.startsWith('e/')) stored.entities.set(key, raw);
  };
  await eachInSlices(await storage.entries(ALL_BUT_ACTS), sort, clock);
  return { ...stored, ...readMeta(meta) };
}

export const isEmpty = (stored: Stored): boolean =>
  stored.entities.size === 0 && stored.asideBefore.length === 0;

/** A document and the revision of each of its entities, by key. */
export interface Opened {
  document: Document;
  revisions: Map<string, string>;
}

/** The document as stored, without a check of its contents; null when an entry is no JSON, of an unknown kind or under a wrong key: then
 *  everything is checked before anything is shown. @param clock milliseconds from anywhere */
export async function readUnchecked(stored: Stored, clock: () => number): Promise<Opened | null> {
  const document = emptyDocument();
  const revisions = new Map<string, string>();
  let whole = true;
  const readOne = ([key, raw]: [string, string]) => {
    const [, collection, id] = key.split('/');
    const entry = asEntry(raw);
    if (!isCollection(collection) || !id || entry?.entity.id !== id) {
      whole = false;
      return;
    }
    (document[collection] as Record<string, AnyEntity>)[id] = entry.entity;
    revisions.set(key, entry.rev);
  };
  await eachInSlices(stored.entities, readOne, clock);
  if (!whole) return null;
  await eachInSlices(readingAhead(document), () => undefined, clock);
  return { document, revisions };
}

export const isCollection = (name: string | undefined): name is CollectionName =>
  (COLLECTION_NAMES as readonly (string | undefined)[]).includes(name);

function asEntry(raw: string): { entity: AnyEntity; rev: string } | null {
  try {
    const { entity, rev } = entryOf(raw);
    return typeof entity === 'object' && entity !== null && 'id' in entity
      ? { entity: entity as AnyEntity, rev }
      : null;
  } catch {
    return null;
  }
}
