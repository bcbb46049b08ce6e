/** Two devices' documents made one: the union by identity, the newer of two where one grew out of the other, and where both went their own way
 *  the later edit, with the other shown beside it. Nothing that only one of them holds is lost. The order of the two makes no difference, and
 *  merging the same again changes nothing. */
import {
  COLLECTION_NAMES,
  emptyDocument,
  type AnyEntity,
  type CollectionName,
  type Document,
} from '../document';
import {
  brokenInTurn,
  canonicalText,
  type Revision,
  type RevisionLookup,
  type Revisions,
} from '../document/checks';
import { TAKEN } from '../document/limits';
import { tombstoneId } from './tombstone';

export interface Versioned {
  document: Document;
  revisions: RevisionLookup;
}

/** Two that differ, neither out of the other; null for a deletion. */
export interface Conflict {
  collection: CollectionName;
  id: string;
  kept: AnyEntity | null;
  other: AnyEntity | null;
  /** Both were edited; one was edited, the other deleted; deleted, but the other document refers to it. */
  why: 'bothEdited' | 'editedAndDeleted' | 'stillNeeded';
}

export interface Merged extends Versioned {
  revisions: Revisions;
  conflicts: Conflict[];
}

type Tombstone = Document['tombstones'][string];

/** What one document says of one entity. */
interface Side {
  entity: AnyEntity | null;
  tombstone: Tombstone | null;
  revision: Revision | null;
  /** When it was last edited or deleted; empty where nobody knows. */
  at: string;
}

/** What comes of the two. */
interface Settled {
  entity: AnyEntity | null;
  tombstone: Tombstone | null;
  revision: Revision | null;
  conflict: Omit<Conflict, 'collection' | 'id'> | null;
}

/** Merges bit by bit, so that a page can breathe between.
 *  @throws Error where what stands in both does not fit together: a reading of one kit in one, the kit made another's in the other */
export function* merging(a: Versioned, b: Versioned): Generator<void, Merged> {
  const document = emptyDocument();
  const revisions = new Map<string, Revision>();
  const conflicts: Conflict[] = [];
  for (const collection of COLLECTION_NAMES) {
    if (collection === 'tombstones') continue;
    for (const id of idsOf(a, b, collection)) {
      yield;
      const { entity, tombstone, revision, conflict } = settle(
        sideOf(a, collection, id),
        sideOf(b, collection, id),
      );
      if (entity) put(document, collection, entity);
      if (tombstone) document.tombstones[tombstone.id] = tombstone;
      if (revision) revisions.set(`${collection}/${id}`, revision);
      if (conflict) conflicts.push({ collection, id, ...conflict });
    }
  }
  for (const c of yield* broughtBack(document, revisions, a, b)) conflicts.push(c);
  const [broken] = yield* brokenInTurn(document);
  if (broken) throw new Error(`${broken.fault.path} ${broken.fault.message}`);
  return { document, revisions, conflicts };
}

/** The same in one go. */
export function merged(a: Versioned, b: Versioned): Merged {
  const merge = merging(a, b);
  let step = merge.next();
  while (!step.done) step = merge.next();
  return step.value;
}

function put(document: Document, collection: CollectionName, entity: AnyEntity): void {
  (document[collection] as Record<string, AnyEntity>)[entity.id] = entity;
}

function idsOf(a: Versioned, b: Versioned, collection: CollectionName): string[] {
  const dead = [a, b].flatMap(({ document }) =>
    Object.values(document.tombstones).flatMap((t) => (t.collection === collection ? [t.of] : [])),
  );
  return [
    ...new Set([...Object.keys(a.document[collection]), ...Object.keys(b.document[collection]), ...dead]),
  ].sort();
}

function sideOf({ document, revisions }: Versioned, collection: CollectionName, id: string): Side {
  const entity = Object.hasOwn(document[collection], id) ? (document[collection][id] ?? null) : null;
  const tombstone = document.tombstones[tombstoneId(collection, id)] ?? null;
  const revision = revisions.get(`${collection}/${id}`) ?? null;
  const edited = entity && 'editedAt' in entity ? (entity.editedAt ?? '') : '';
  const known = revision?.at ?? '';
  const at = entity ? (known > edited ? known : edited) : (tombstone?.at ?? '');
  // Of one that stands its tombstone says nothing more.
  return { entity, tombstone: entity ? null : tombstone, revision, at };
}

function settle(a: Side, b: Side): Settled {
  const revision = joined(a.revision, b.revision);
  if (a.entity && b.entity) return bothStand(a, b, a.entity, b.entity, revision);
  const [standing, other] = a.entity ? [a, b] : [b, a];
  if (!standing.entity)
    return { entity: null, tombstone: laterTombstone(a.tombstone, b.tombstone), revision, conflict: null };
  const { tombstone } = other;
  if (!tombstone) return { entity: standing.entity, tombstone: null, revision, conflict: null };
  if (isOf(tombstone, standing)) return { entity: null, tombstone, revision, conflict: null };
  // Edited since, or side by side with the deletion: what is later stands, and in doubt the animal's log.
  const deleted = tombstone.at > standing.at && standing.at !== '';
  return {
    entity: deleted ? null : standing.entity,
    tombstone: deleted ? tombstone : null,
    revision,
    conflict: {
      kept: deleted ? null : standing.entity,
      other: deleted ? standing.entity : null,
      why: 'editedAndDeleted',
    },
  };
}

/** Was just this deleted? */
const isOf = (tombstone: Tombstone, { revision, at }: Side): boolean =>
  revision === null || tombstone.revision === ''
    ? at <= tombstone.at
    : heads(tombstone.revision).includes(revision.revisions[0] ?? '');

/** A tombstone names the revision that was deleted, and those before it. */
const heads = (revision: string): string[] => revision.split(' ');

function bothStand(a: Side, b: Side, one: AnyEntity, two: AnyEntity, revision: Revision | null): Settled {
  const [textA, textB] = [canonicalText(one), canonicalText(two)];
  const settled = (entity: AnyEntity, conflict: Settled['conflict']): Settled => ({
    entity,
    tombstone: null,
    revision,
    conflict,
  });
  if (textA === textB) return settled(one, null);
  if (grewOutOf(a, b)) return settled(one, null);
  if (grewOutOf(b, a)) return settled(two, null);
  const later = a.at === b.at ? textA > textB : a.at > b.at;
  const [kept, other] = later ? [one, two] : [two, one];
  return settled(kept, { kept, other, why: 'bothEdited' });
}

/** Is a what b was, edited since? By the revisions; without any, one that says when it was corrected grew out of one that says nothing. */
function grewOutOf(a: Side, b: Side): boolean {
  if (!a.revision && !b.revision) return a.at !== '' && b.at === '';
  const before = b.revision?.revisions[0];
  return before !== undefined && (a.revision?.revisions.slice(1).includes(before) ?? false);
}

/** The revisions of both: those of the later first. */
function joined(a: Revision | null, b: Revision | null): Revision | null {
  if (!a || !b) return a ?? b;
  const aFirst = (a.at ?? '') === (b.at ?? '') ? order(a) > order(b) : (a.at ?? '') > (b.at ?? '');
  const [first, second] = aFirst ? [a, b] : [b, a];
  const all = [...new Set([...first.revisions, ...second.revisions])];
  return { revisions: all.slice(0, TAKEN.revisions), at: first.at };
}

const order = (r: Revision): string => r.revisions.join(' ');

function laterTombstone(a: Tombstone | null, b: Tombstone | null): Tombstone | null {
  if (!a || !b) return a ?? b;
  return a.at === b.at ? (canonicalText(a) > canonicalText(b) ? a : b) : a.at > b.at ? a : b;
}

/** Whatever was deleted in one and is referred to in the other comes back, until nothing is missing. */
function* broughtBack(
  document: Document,
  revisions: Map<string, Revision>,
  a: Versioned,
  b: Versioned,
): Generator<void, Conflict[]> {
  const conflicts: Conflict[] = [];
  for (;;) {
    const missing = yield* missingOf(document);
    if (missing.length === 0) return conflicts;
    let found = false;
    for (const { collection, id } of missing) {
      const sides = [sideOf(a, collection, id), sideOf(b, collection, id)].filter((s) => s.entity);
      const [side, other] = sides;
      if (!side?.entity) continue;
      const entity = other?.entity ? settle(side, other).entity : side.entity;
      if (!entity) continue;
      put(document, collection, entity);
      delete document.tombstones[tombstoneId(collection, id)];
      const revision = joined(side.revision, other?.revision ?? null);
      if (revision) revisions.set(`${collection}/${id}`, revision);
      conflicts.push({ collection, id, kept: entity, other: null, why: 'stillNeeded' });
      found = true;
    }
    if (!found) return conflicts;
  }
}

/** What is referred to and not there. */
function* missingOf(document: Document): Generator<void, { collection: CollectionName; id: string }[]> {
  const missing = new Map<string, { collection: CollectionName; id: string }>();
  for (const { target } of yield* brokenInTurn(document))
    if (target) missing.set(`${target.collection}/${target.id}`, target);
  return [...missing.values()].sort((x, y) =>
    `${x.collection}/${x.id}` < `${y.collection}/${y.id}` ? -1 : 1,
  );
}
