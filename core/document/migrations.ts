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

MIGRATIONS.forEach((m, i) => {
  if (m.from !== i + 1) throw new Error(`migration ${i} must start from version ${i + 1}, got ${m.from}`);
});
if (MIGRATIONS.length !== VERSION - 1)
  throw new Error(`version ${VERSION} needs ${VERSION - 1} migrations, got ${MIGRATIONS.length}`);

/** One stored entity of an older version in today's form; unchecked. */
export const broughtUp = (collection: CollectionName, entity: unknown, fromVersion: number): unknown =>
  MIGRATIONS.slice(fromVersion - 1).reduce((e, step) => step.up(collection, e), entity);

/** A whole file of an older version in today's form; unchecked. What is no list is left for the check to name. */
export function fileBroughtUp(file: Record<string, unknown>, fromVersion: number): Record<string, unknown> {
  if (fromVersion === VERSION) return file;
  const next: Record<string, unknown> = { ...file, version: VERSION };
  const added = new Set(MIGRATIONS.slice(fromVersion - 1).flatMap((m) => m.adds));
  for (const name of COLLECTION_NAMES) {
    const list = file[name] ?? (added.has(name) ? [] : undefined);
    next[name] = Array.isArray(list) ? list.map((e) => broughtUp(name, e, fromVersion)) : list;
  }
  return next;
}
