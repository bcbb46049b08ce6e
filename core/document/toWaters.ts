/** The step from version 3 to 4: tanks and quarantine systems become waters, and an animal's place is one of them, the wish list, or gone.
 *  What is no entity of version 3 is left as it is, for the check to name. */
import type { Entry } from './entry';

type Fields = Record<string, unknown>;
const isFields = (value: unknown): value is Fields =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

export function toWaters(entries: readonly Entry[]): Entry[] {
  const taken = new Set(idsIn(entries, 'tanks'));
  const newIds = new Map<string, string>();
  for (const id of idsIn(entries, 'quarantines')) {
    const free = freeId(id, taken);
    taken.add(free);
    newIds.set(id, free);
  }
  const waterOf = (quarantineId: unknown): unknown =>
    typeof quarantineId === 'string' ? (newIds.get(quarantineId) ?? quarantineId) : quarantineId;
  /** An animal could be in quarantine without a system being named: each tank with such animals gets one. */
  const unnamed = new Map<unknown, { id: string; sinceDay: string }>();
  const unnamedOf = (tankId: unknown, day: string): string => {
    const known = unnamed.get(tankId);
    const id = known?.id ?? freeId('quarantine', taken);
    taken.add(id);
    unnamed.set(tankId, { id, sinceDay: known && known.sinceDay < day ? known.sinceDay : day });
    return id;
  };
  const changed = entries.map(({ collection, entity, from }): Entry => {
    if (!isFields(entity)) return { collection: ENDED.has(collection) ? 'waters' : collection, entity, from };
    switch (collection) {
      case 'tanks':
        return { collection: 'waters', entity: displayOf(entity), from };
      case 'quarantines':
        return { collection: 'waters', entity: quarantineOf(entity, waterOf), from };
      case 'animals':
        return { collection, entity: placed(entity, waterOf, unnamedOf), from };
      case 'looks':
        return { collection, entity: renamed(entity, 'quarantineId', 'waterId', waterOf), from };
      case 'drips':
        return { collection, entity: renamed(renamed(entity, 'tankId', 'waterId'), 'tank', 'water'), from };
      default:
        return { collection, entity: renamed(entity, 'tankId', 'waterId'), from };
    }
  });
  const begun = [...unnamed].map(([tankId, { id, sinceDay }]): Entry => ({
    collection: 'waters',
    entity: unnamedQuarantine(id, tankId, sinceDay),
    from: '',
  }));
  return [...changed, ...begun];
}

const ENDED = new Set(['tanks', 'quarantines']);

const idsIn = (entries: readonly Entry[], collection: string): string[] =>
  entries.flatMap((e) =>
    e.collection === collection && isFields(e.entity) && typeof e.entity.id === 'string' ? [e.entity.id] : [],
  );

/** The id itself where it is free; else with the first number that makes it so, within the length an id may have. */
function freeId(id: string, taken: ReadonlySet<string>): string {
  for (let n = 1; ; n++) {
    const candidate = n === 1 ? id : `${id.slice(0, 60)}-${n}`;
    if (!taken.has(candidate)) return candidate;
  }
}

/** A field under its new name; unchanged where it is absent. */
function renamed(entity: Fields, was: string, is: string, value = (v: unknown): unknown => v): Fields {
  if (!Object.hasOwn(entity, was)) return entity;
  const { [was]: old, ...rest } = entity;
  return { ...rest, [is]: value(old) };
}

function displayOf(tank: Fields): Fields {
  const { display, bacteriaSource, ...rest } = tank;
  return {
    ...rest,
    kind: 'display',
    size: display,
    bacteriaSources: bacteriaSource === 'none' ? [] : [bacteriaSource],
  };
}

function quarantineOf(system: Fields, waterOf: (id: unknown) => unknown): Fields {
  const { id, tankId, group, volumeL, openedDay, closedDay, ...rest } = system;
  return {
    ...rest,
    id: waterOf(id),
    kind: 'quarantine',
    startDay: openedDay,
    size: { kind: 'volume', volumeL },
    sumpL: 0,
    rockKg: 0,
    sandKg: 0,
    hasLid: false,
    line: group,
    serves: [tankId],
    runs: [{ openedDay, closedDay }],
  };
}

const unnamedQuarantine = (id: string, tankId: unknown, sinceDay: string): Fields => ({
  id,
  name: 'Quarantine without a name',
  kind: 'quarantine',
  startDay: sinceDay,
  size: { kind: 'volume', volumeL: 60 },
  sumpL: 0,
  rockKg: 0,
  sandKg: 0,
  hasLid: false,
  line: 'fish',
  filter: 'uncycled',
  clockDays: 28,
  serves: [tankId],
  runs: [{ openedDay: sinceDay, closedDay: null }],
});

/** The animal with places for its moves; only the last system it was in was ever named. */
function placed(
  animal: Fields,
  waterOf: (id: unknown) => unknown,
  unnamedOf: (tankId: unknown, sinceDay: string) => string,
): Fields {
  const { tankId, quarantineId, moves, ...rest } = animal;
  const placeOf = (to: unknown, at: unknown): unknown => {
    switch (to) {
      case 'wish':
        return { kind: 'wish' };
      case 'gone':
        return { kind: 'gone', reason: 'notSaid' };
      case 'display':
        return { kind: 'water', waterId: tankId };
      case 'quarantine':
        return {
          kind: 'water',
          waterId: waterOf(quarantineId) ?? unnamedOf(tankId, String(at).slice(0, 10)),
        };
      default:
        return to;
    }
  };
  return {
    ...rest,
    homeId: tankId,
    moves: Array.isArray(moves)
      ? moves.map((m: unknown) => (isFields(m) ? { ...m, to: placeOf(m.to, m.at) } : m))
      : moves,
  };
}
