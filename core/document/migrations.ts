/** Steps from one version of the document to the next, newest last; never edited after release. Each brings up one entity; a
 *  collection an older version did not have starts empty. */
import { COLLECTION_NAMES, VERSION, type CollectionName } from './vocabulary';

export interface Migration {
  /** The version this step starts from. */
  from: number;
  reason: string;
  /** Collections that begin with the next version. */
  adds: readonly CollectionName[];
  /** The entity in the next version's form. */
  up: (collection: CollectionName, entity: unknown) => unknown;
}

export const MIGRATIONS: readonly Migration[] = [
  {
    from: 1,
    reason:
      'more parameters, calibrations, targets, tasks, setting up and equipment: all added, nothing to convert',
    adds: ['calibrations', 'targets', 'ownParameters', 'tasks', 'setup', 'equipment'],
    up: (_collection, entity) => entity,
  },
  {
    from: 2,
    reason:
      'kind of rock, a whole old tank as a source, animals seen: all may be left out, nothing to convert',
    adds: [],
    up: (_collection, entity) => entity,
  },
];

/** @throws Error where a step is missing, doubled or out of order. */
export function assertWhole(steps: readonly Migration[], version: number): void {
  steps.forEach((m, i) => {
    if (m.from !== i + 1) throw new Error(`migration ${i} must start from version ${i + 1}, got ${m.from}`);
  });
  if (steps.length !== version - 1)
    throw new Error(`version ${version} needs ${version - 1} migrations, got ${steps.length}`);
}
assertWhole(MIGRATIONS, VERSION);

/** One stored entity of an older version in today's form; unchecked. @param steps others than ours only in tests */
export const broughtUp = (
  collection: CollectionName,
  entity: unknown,
  fromVersion: number,
  steps: readonly Migration[] = MIGRATIONS,
): unknown => steps.slice(fromVersion - 1).reduce((e, step) => step.up(collection, e), entity);

/** A whole file of an older version in today's form; unchecked. What is no list is left for the check to name. */
export function fileBroughtUp(
  file: Record<string, unknown>,
  fromVersion: number,
  steps: readonly Migration[] = MIGRATIONS,
): Record<string, unknown> {
  const missing = steps.slice(fromVersion - 1);
  if (missing.length === 0) return file;
  const next: Record<string, unknown> = { ...file, version: steps.length + 1 };
  const added = new Set(missing.flatMap((m) => m.adds));
  for (const name of COLLECTION_NAMES) {
    const list = file[name] ?? (added.has(name) ? [] : undefined);
    next[name] = Array.isArray(list) ? list.map((e) => broughtUp(name, e, fromVersion, steps)) : list;
  }
  return next;
}
