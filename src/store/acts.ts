/** What can be taken back: acts as they are stored, and how an entity's revision tells whether one still can. */
import type { AnyEntity, Change } from '../../core/document';
import type { Revisions } from '../../core/document/checks';
import { entityKey } from './keys';

export interface Act {
  /** Sorts by time. */
  id: string;
  /** What was done, in the past tense, for the notice: "Sample logged". */
  label: string;
  changes: Change[];
  /** The revision of each entity before the act, by its key. */
  was: Record<string, string>;
  /** Of entities taken from another device's file, the revisions they had there, by key. */
  elsewhere?: Record<string, string>;
  /** Kept without a word, and not to be taken back: nobody did it. */
  quiet?: true;
}

/** The three ways of an act: done, taken back, done again. */
export type Way = 'done' | 'undone' | 'redone';

/** A revision names what an entity is: the act that wrote it, and those that wrote what it grew out of, so that another device's copy can be
 *  told for older or for different. Nothing there has the empty one; what stood before acts were kept, '0'. */
export const ABSENT = '';
export const FIRST = '0';

/** An entity as it is stored. */
export interface Entry {
  rev: string;
  entity: unknown;
}
export const entryText = (entity: AnyEntity, rev: string): string => JSON.stringify({ rev, entity });

/** Reads a stored entry, an early one without a revision too. @throws when it is no JSON */
export function entryOf(raw: string): Entry {
  const value: unknown = JSON.parse(raw);
  const wrapped = typeof value === 'object' && value !== null && 'rev' in value && 'entity' in value;
  return wrapped && typeof value.rev === 'string'
    ? { rev: value.rev, entity: value.entity }
    : { rev: FIRST, entity: value };
}

/** The entity that stands in the storage; null where nothing readable does. */
export function standingIn(raw: string | null | undefined): AnyEntity | null {
  if (raw === null || raw === undefined) return null;
  try {
    return entryOf(raw).entity as AnyEntity;
  } catch {
    return null;
  }
}

export function revisionOf(raw: string | null | undefined): string {
  if (raw === null || raw === undefined) return ABSENT;
  try {
    return entryOf(raw).rev;
  } catch {
    return FIRST;
  }
}

/** One entity on its way to the storage: written only where its expected revision still stands. */
export interface Step {
  change: Change;
  key: string;
  expected: string;
  rev: string;
}

/** So many revisions of an entity are kept. */
const KEPT = 8;

/** The revision an act gives an entity: its own name, then what was before, here and elsewhere. */
function lineage(actId: string, ...before: readonly string[]): string {
  const known = before.flatMap((r) => r.split(' ')).filter((r) => r !== ABSENT && r !== FIRST);
  return [...new Set([actId, ...known])].slice(0, KEPT).join(' ');
}

/** Of what an act changes, the revisions it had in the file it was taken from, by the keys of the storage. */
export function elsewhereOf(changes: readonly Change[], revisions: Revisions): Record<string, string> {
  const known: Record<string, string> = {};
  for (const { collection, id } of changes) {
    const revision = revisions.get(`${collection}/${id}`);
    if (revision) known[entityKey(collection, id)] = revision.revisions.join(' ');
  }
  return known;
}

/** The steps of an act in one of its ways. */
export const stepsOf = (act: Act, way: Way): Step[] =>
  act.changes.map((done) => {
    const key = entityKey(done.collection, done.id);
    const before = act.was[key] ?? ABSENT;
    const after = done.after === null ? ABSENT : lineage(act.id, act.elsewhere?.[key] ?? '', before);
    return way === 'undone'
      ? { change: { ...done, before: done.after, after: done.before }, key, expected: after, rev: before }
      : { change: done, key, expected: before, rev: after };
  });

const ACT = 'act/';
export const actKey = (id: string): string => ACT + id;
/** Acts hold what they changed, twice: they sort before all else and are read when there is time. */
export const ACTS = { from: ACT, below: 'act0' };
export const ALL_BUT_ACTS = { from: ACTS.below };

/** The moment an act was made, by its name; null for what stood before acts were kept. */
export function actMoment(name: string): string | null {
  const ms = parseInt(name.slice(0, 9), 36);
  return name.length > 10 && name[9] === '-' && Number.isFinite(ms) ? new Date(ms).toISOString() : null;
}

/** An id that sorts by the moment it was made. */
export const actId = (nowMs: number, unique: string): string =>
  `${nowMs.toString(36).padStart(9, '0')}-${unique}`;
