/** The check of everything stored, entry by entry, and of what refers to what. Loaded apart from the first screen. A damaged entry is moved
 *  under "aside/", kept word for word and reported; everything else opens. */
import {
  broughtUp,
  COLLECTION_NAMES,
  emptyDocument,
  VERSION,
  type AnyEntity,
  type Document,
} from '../../core/document';
import { brokenReferences, parseEntity } from '../../core/document/checks';
import { entryOf, entryText, FIRST, type Entry } from './acts';
import { ASIDE, entityKey, META, META_KEY } from './keys';
import { isCollection, type Aside, type Opened, type Stored } from './load';
import type { Storage } from './storage';

export interface Checked extends Opened {
  /** What did not pass, with why. */
  aside: Aside[];
}

/** Milliseconds of checking before the page may breathe. */
const SLICE_MS = 8;
const breathe = (): Promise<void> => new Promise((done) => setTimeout(done, 0));

/** Checks every stored entry, an older version's after bringing it up. Writes nothing. @param clock milliseconds from anywhere */
export async function checkEntries(stored: Stored, clock: () => number): Promise<Checked> {
  const document = emptyDocument();
  const revisions = new Map<string, string>();
  const aside: Aside[] = [];
  let sinceMs = clock();
  for (const [key, raw] of Object.entries(stored.entities)) {
    if (clock() - sinceMs > SLICE_MS) {
      await breathe();
      sinceMs = clock();
    }
    const problem = open({ document, revisions }, key, raw, stored.version);
    if (problem !== null) aside.push({ key, why: problem, raw });
  }
  aside.push(...dropBroken(document, stored));
  return { document, revisions, aside };
}

/** What a check leaves to write, in at most two writes: what goes aside; and today's form of what an older version wrote, or the mark
 *  that everything has passed. */
export async function writeChecked(storage: Storage, stored: Stored, checked: Checked): Promise<void> {
  if (checked.aside.length > 0) await storage.setMany(movedAside(checked.aside));
  if (stored.version < VERSION) await storage.setMany(storedForm(checked));
  else if (!stored.checked) await storage.setMany({ [META_KEY]: META });
}

/** What refers to something set aside cannot be shown either: repeat until all references hold. */
function dropBroken(document: Document, stored: Stored): Aside[] {
  const aside: Aside[] = [];
  for (let broken = brokenReferences(document); broken.length > 0; broken = brokenReferences(document)) {
    for (const { collection, id, fault } of broken) {
      if (!Object.hasOwn(document[collection], id)) continue;
      delete document[collection][id];
      const key = entityKey(collection, id);
      aside.push({ key, why: `${fault.path} ${fault.message}`, raw: stored.entities[key] ?? '' });
    }
  }
  return aside;
}

export const movedAside = (aside: readonly Aside[]): Record<string, string | null> =>
  Object.fromEntries(
    aside.flatMap((a) => [
      [ASIDE + a.key, a.raw],
      [a.key, null],
    ]),
  );

/** Everything as it is stored in this version, in one write. */
function storedForm({ document, revisions }: Opened): Record<string, string> {
  const entries: Record<string, string> = { [META_KEY]: META };
  for (const name of COLLECTION_NAMES) {
    for (const [id, entity] of Object.entries(document[name])) {
      const key = entityKey(name, id);
      entries[key] = entryText(entity, revisions.get(key) ?? FIRST);
    }
  }
  return entries;
}

/** Puts one stored entry into the document; the reason when it cannot be. */
function open({ document, revisions }: Opened, key: string, raw: string, version: number): string | null {
  const [, collection, id] = key.split('/');
  if (!isCollection(collection) || !id) return 'is of a kind this version does not know';
  let entry: Entry;
  try {
    entry = entryOf(raw);
  } catch {
    return 'is not readable as JSON';
  }
  const parsed = parseEntity(collection, broughtUp(collection, entry.entity, version));
  if (!parsed.ok) return parsed.faults.map((f) => `${f.path}: ${f.message}`).join('; ');
  if (parsed.entity.id !== id) return `carries the id "${parsed.entity.id}"`;
  (document[collection] as Record<string, AnyEntity>)[id] = parsed.entity;
  revisions.set(key, entry.rev);
  return null;
}
