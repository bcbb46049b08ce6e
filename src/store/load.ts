/** From stored entries to a document. Nothing is written here but entries brought up from an older version and what is set aside: a damaged entry is moved under
 *  "aside/", kept word for word and reported; everything else opens. */
import {
  broughtUp, brokenReferences, COLLECTION_NAMES, emptyDocument, parseEntity, VERSION,
  type AnyEntity, type CollectionName, type Document,
} from '../../core/document';
import type { Storage } from './storage';

export const META_KEY = 'meta';
export const entityKey = (collection: CollectionName, id: string): string => `e/${collection}/${id}`;
const ASIDE = 'aside/';
export const DRAFT = 'draft/';

export interface Aside {
  key: string;
  why: string;
  raw: string;
}

export type Loaded =
  | { status: 'absent'; drafts: Record<string, string> }
  | { status: 'ok'; document: Document; aside: Aside[]; drafts: Record<string, string> }
  | { status: 'too-new'; version: number };

const CHUNK = 400;
const breathe = (): Promise<void> => new Promise((done) => setTimeout(done, 0));

/** Reads everything in chunks, letting the page breathe between them. Rejects only when storage itself does. */
export async function loadDocument(storage: Storage): Promise<Loaded> {
  const keys = await storage.getAllKeys();
  const raws: Record<string, string> = {};
  for (let i = 0; i < keys.length; i += CHUNK) {
    const part = await storage.getMany(keys.slice(i, i + CHUNK));
    for (const [key, raw] of Object.entries(part)) if (raw !== null) raws[key] = raw;
  }
  const drafts = Object.fromEntries(Object.entries(raws).filter(([k]) => k.startsWith(DRAFT)));
  const version = versionOf(raws[META_KEY]);
  if (version > VERSION) return { status: 'too-new', version };
  const entityKeys = Object.keys(raws).filter((k) => k.startsWith('e/'));
  const asideBefore = Object.entries(raws).filter(([k]) => k.startsWith(ASIDE)).map(([key, raw]): Aside => ({ key, why: 'set aside earlier', raw }));
  if (entityKeys.length === 0 && asideBefore.length === 0) return { status: 'absent', drafts };

  const document = emptyDocument();
  const aside: Aside[] = [];
  for (let i = 0; i < entityKeys.length; i++) {
    if (i > 0 && i % CHUNK === 0) await breathe();
    const key = entityKeys[i] ?? '';
    const raw = raws[key] ?? '';
    const problem = open(document, key, raw, version);
    if (problem) aside.push({ key, why: problem, raw });
  }
  // What refers to something set aside cannot be shown either: repeat until all references hold.
  for (let broken = brokenReferences(document); broken.length > 0; broken = brokenReferences(document)) {
    for (const { collection, id, fault } of broken) {
      if (!Object.hasOwn(document[collection], id)) continue;
      delete document[collection][id];
      const key = entityKey(collection, id);
      aside.push({ key, why: `${fault.path} ${fault.message}`, raw: raws[key] ?? '' });
    }
  }
  if (aside.length > 0) {
    await storage.setMany(Object.fromEntries(aside.flatMap((a) => [[ASIDE + a.key, a.raw], [a.key, null]])));
  }
  if (version < VERSION) await storage.setMany(storedForm(document));
  return { status: 'ok', document, aside: [...aside, ...asideBefore], drafts };
}

/** Everything as it is stored in this version, in one write. */
function storedForm(document: Document): Record<string, string> {
  const entries: Record<string, string> = { [META_KEY]: JSON.stringify({ version: VERSION }) };
  for (const name of COLLECTION_NAMES) {
    for (const [id, entity] of Object.entries(document[name])) entries[entityKey(name, id)] = JSON.stringify(entity);
  }
  return entries;
}

/** Puts one stored entry into the document; the reason when it cannot be. */
function open(document: Document, key: string, raw: string, version: number): string | null {
  const [, collection, id] = key.split('/');
  if (!COLLECTION_NAMES.includes(collection as CollectionName) || !id) return 'is of a kind this version does not know';
  let value: unknown;
  try {
    value = JSON.parse(raw);
  } catch {
    return 'is not readable as JSON';
  }
  const parsed = parseEntity(collection as CollectionName, broughtUp(collection as CollectionName, value, version));
  if (!parsed.ok) return parsed.faults.map((f) => `${f.path}: ${f.message}`).join('; ');
  if (parsed.entity.id !== id) return `carries the id "${parsed.entity.id}"`;
  (document[collection as CollectionName] as Record<string, AnyEntity>)[id] = parsed.entity;
  return null;
}

function versionOf(meta: string | undefined): number {
  if (meta === undefined) return VERSION;
  try {
    const value: unknown = JSON.parse(meta);
    return typeof value === 'object' && value !== null && 'version' in value && typeof value.version === 'number' ? value.version : VERSION;
  } catch {
    return VERSION;
  }
}
