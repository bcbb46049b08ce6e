/** The check of everything stored, entry by entry, and of what refers to what. Loaded apart from the first screen. A damaged entry is moved
 *  under "aside/", kept word for word and reported; everything else opens. */
import {
  COLLECTION_NAMES,
  emptyDocument,
  VERSION,
  type AnyEntity,
  type CollectionName,
  type Document,
  type Entry as DocumentEntry,
} from '../../core/document';
// By path: the first screen needs no step of an older version.
import { broughtUp, collectionsOf } from '../../core/document/migrations';
import { brokenInTurn, parseEntity, type Broken } from '../../core/document/checks';
import { PARTS_IN_TURN } from '../../core/document/schema/inTurn';
import { ACTS, entryOf, entryText, FIRST } from './acts';
import { ASIDE, entityKey, META, META_KEY } from './keys';
import type { Aside, Opened, Stored } from './load';
import { eachInSlices } from './slices';
import type { Storage } from './storage';

export interface Checked extends Opened {
  /** What did not pass, with why. */
  aside: Aside[];
}

/** What is stored, each entry with its revision and the key it was read from. */
interface Read {
  entries: DocumentEntry[];
  revisions: Map<string, string>;
  aside: Aside[];
}

/** Checks every stored entry, those of an older version after bringing them up. Writes nothing. @param clock milliseconds from anywhere */
export async function checkEntries(stored: Stored, clock: () => number): Promise<Checked> {
  const document = emptyDocument();
  const revisions = new Map<string, string>();
  const keys = new Map<string, string>();
  const read = await readEntries(stored, clock);
  await eachInSlices(PARTS_IN_TURN, (part) => void part(), clock);
  const { aside } = read;
  const check = ({ collection, entity, from }: DocumentEntry) => {
    const problem = open(document, collection as CollectionName, entity, from);
    if (typeof problem === 'string')
      aside.push({ key: from, why: problem, raw: stored.entities.get(from) ?? '' });
    else {
      const key = entityKey(collection as CollectionName, problem.id);
      revisions.set(key, read.revisions.get(from) ?? FIRST);
      keys.set(key, from);
    }
  };
  await eachInSlices(broughtUp(read.entries, stored.version), check, clock);
  for (const a of await dropBroken(document, keys, stored, clock)) aside.push(a);
  return { document, revisions, aside };
}

/** The entries as entries of a document; what cannot be one goes aside. */
async function readEntries({ entities, version }: Stored, clock: () => number): Promise<Read> {
  const known = new Set(collectionsOf(version));
  const read: Read = { entries: [], revisions: new Map(), aside: [] };
  const readOne = ([key, raw]: [string, string]) => {
    const [, collection, id] = key.split('/');
    const bad = (why: string) => read.aside.push({ key, why, raw });
    if (collection === undefined || !known.has(collection) || !id) {
      bad('is of a kind this version does not know');
      return;
    }
    try {
      const { entity, rev } = entryOf(raw);
      const said = (entity as { id?: unknown } | null)?.id;
      if (typeof said === 'string' && said !== id) bad(`carries the id "${said}"`);
      else {
        read.entries.push({ collection, entity, from: key });
        read.revisions.set(key, rev);
      }
    } catch {
      bad('is not readable as JSON');
    }
  };
  await eachInSlices(entities, readOne, clock);
  return read;
}

/** What a check leaves to write, in at most two writes: what goes aside; and today's form of what an older version wrote, or the mark
 *  that everything has passed. */
export async function writeChecked(storage: Storage, stored: Stored, checked: Checked): Promise<void> {
  if (checked.aside.length > 0) await storage.setMany(movedAside(checked.aside));
  if (stored.version < VERSION) await storage.setMany(await newForm(storage, stored, checked));
  else if (!stored.checked) await storage.setMany({ [META_KEY]: META });
}

/** What refers to something set aside cannot be shown either: repeat until all references hold. */
async function dropBroken(
  document: Document,
  keys: ReadonlyMap<string, string>,
  stored: Stored,
  clock: () => number,
): Promise<Aside[]> {
  const aside: Aside[] = [];
  for (;;) {
    const broken: Broken[] = [];
    await eachInSlices(filling(broken, document), () => undefined, clock);
    if (broken.length === 0) return aside;
    for (const { collection, id, fault } of broken) {
      if (!Object.hasOwn(document[collection], id)) continue;
      delete document[collection][id];
      const key = keys.get(entityKey(collection, id)) ?? entityKey(collection, id);
      aside.push({ key, why: `${fault.path} ${fault.message}`, raw: stored.entities.get(key) ?? '' });
    }
  }
}

/** One by one: more than a hundred thousand are too many arguments. */
function* filling(broken: Broken[], document: Document): Generator<void, void> {
  for (const b of yield* brokenInTurn(document)) broken.push(b);
}

export const movedAside = (aside: readonly Aside[]): Record<string, string | null> =>
  Object.fromEntries(
    aside.flatMap((a) => [
      [ASIDE + a.key, a.raw],
      [a.key, null],
    ]),
  );

/** Everything as it is stored in this version, in one write. What stood under keys of older versions goes, and so do their acts: they could
 *  only be taken back into the older form. */
async function newForm(
  storage: Storage,
  stored: Stored,
  { document, revisions }: Opened,
): Promise<Record<string, string | null>> {
  const past = [...stored.entities.keys(), ...(await storage.entries(ACTS)).keys()];
  const entries: Record<string, string | null> = Object.fromEntries(past.map((key) => [key, null]));
  entries[META_KEY] = META;
  for (const name of COLLECTION_NAMES) {
    for (const [id, entity] of Object.entries(document[name])) {
      const key = entityKey(name, id);
      entries[key] = entryText(entity, revisions.get(key) ?? FIRST);
    }
  }
  return entries;
}

/** Puts one entry into the document; the reason when it cannot be. */
function open(
  document: Document,
  collection: CollectionName,
  entity: unknown,
  from: string,
): AnyEntity | string {
  const parsed = parseEntity(collection, entity);
  if (!parsed.ok) return parsed.faults.map((f) => `${f.path}: ${f.message}`).join('; ');
  if (Object.hasOwn(document[collection], parsed.entity.id) && from !== '')
    return `"${parsed.entity.id}" stands twice`;
  (document[collection] as Record<string, AnyEntity>)[parsed.entity.id] = parsed.entity;
  return parsed.entity;
}
