/** Steps from one version of the document to the next, newest last; never edited after release. Each takes every entry and gives them
 *  back in the next version's form. */
import type { Entry } from './entry';
import { healedLooks } from './healedLooks';
import { hoursAsText } from './hoursAsText';
import { toWaters } from './toWaters';
import { COLLECTION_NAMES, VERSION } from './vocabulary';

export interface Migration {
  /** The version this step starts from. */
  from: number;
  reason: string;
  /** Collections that begin with the next version, and those that end with it. */
  adds: readonly string[];
  ends: readonly string[];
  up: (entries: readonly Entry[]) => Entry[];
}

export const MIGRATIONS: readonly Migration[] = [
  {
    from: 1,
    reason:
      'more parameters, calibrations, targets, tasks, setting up and equipment: all added, nothing to convert',
    adds: ['calibrations', 'targets', 'ownParameters', 'tasks', 'setup', 'equipment'],
    ends: [],
    up: (entries) => [...entries],
  },
  {
    from: 2,
    reason:
      'kind of rock, a whole old tank as a source, animals seen: all may be left out, nothing to convert',
    adds: [],
    ends: [],
    up: (entries) => [...entries],
  },
  {
    from: 3,
    reason: 'tanks and quarantines become waters; an animal is in a water, wished for, or gone for a reason',
    adds: ['waters'],
    ends: ['tanks', 'quarantines'],
    up: toWaters,
  },
  {
    from: 4,
    reason:
      'free ammonia as a quantity of its own, incidents, absences, what a change brought, holds: all added, nothing to convert',
    adds: [],
    ends: [],
    up: (entries) => [...entries],
  },
  {
    from: 5,
    reason:
      'what was forecast is kept day by day, what the person plans, treatments, purchases, looks that say healed or saw some: all added; the clear look that ended a sign says so',
    adds: ['forecasts', 'treatments', 'purchases'],
    ends: [],
    up: healedLooks,
  },
  {
    from: 6,
    reason:
      'names given for the time being, each animal looked at, dips, clean water on the way, whom a task is about: all added, nothing to convert',
    adds: [],
    ends: [],
    up: (entries) => [...entries],
  },
  {
    from: 7,
    reason:
      'kinds of one’s own, what a plan is made from and the plans themselves: all added, nothing to convert',
    adds: ['species', 'plans'],
    ends: [],
    up: (entries) => [...entries],
  },
  {
    from: 8,
    reason:
      'photos, what was put off or left out, how tables are read, tombstones, tasks that come again, what is switched off: all added, nothing to convert',
    adds: ['agenda', 'mappings', 'photos', 'tombstones'],
    ends: [],
    up: (entries) => [...entries],
  },
  {
    from: 9,
    reason:
      'cards that vials are read against, what a photo said beside a reading, what a corrected entry said before, ' +
      'salt mixes, stages of an RO/DI unit, own test plans, devices and their hours: all added, nothing to convert',
    adds: ['cards', 'mixes', 'monitors', 'monitorDays'],
    ends: [],
    up: (entries) => [...entries],
  },
  {
    from: 10,
    reason: 'the hours of a device’s day are one text: years of them open in a fraction of the time',
    adds: [],
    ends: [],
    up: hoursAsText,
  },
  {
    from: 11,
    reason:
      'whether animals that were told of have been named, and the load as a risk that was taken: all added, nothing to convert',
    adds: [],
    ends: [],
    up: (entries) => [...entries],
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

/** The collections a file of a version has. */
export function collectionsOf(version: number, steps: readonly Migration[] = MIGRATIONS): readonly string[] {
  const later = steps.slice(version - 1);
  const added = new Set(later.flatMap((m) => m.adds));
  return [...COLLECTION_NAMES.filter((name) => !added.has(name)), ...later.flatMap((m) => m.ends)];
}

/** Entries of an older version in today's form; unchecked. @param steps others than ours only in tests */
export const broughtUp = (
  entries: readonly Entry[],
  fromVersion: number,
  steps: readonly Migration[] = MIGRATIONS,
): readonly Entry[] => steps.slice(fromVersion - 1).reduce((es, step) => step.up(es), entries);
