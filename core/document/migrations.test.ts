/** Steps between versions: the machinery with steps of our own making, and the real ones on a file of each older version. */
import { readFileSync } from 'node:fs';
import { readDocument, writeDocument } from './checks';
import type { Entry } from './entry';
import { assertWhole, broughtUp, collectionsOf, MIGRATIONS, type Migration } from './migrations';
import { COLLECTION_NAMES, hoursFrom, type Document, type MonitorHour } from './index';

/** Version 2 renames what kits call their salt; version 3 doubles it and begins the tasks, in place of errands. */
const STEPS: readonly Migration[] = [
  {
    from: 1,
    reason: 'salt was called brine',
    adds: [],
    ends: [],
    up: (entries) =>
      entries.map((e) => {
        if (e.collection !== 'kits') return e;
        const { brine, ...rest } = e.entity as { brine: number };
        return { ...e, entity: { ...rest, salt: brine } };
      }),
  },
  {
    from: 2,
    reason: 'salt was counted by the half',
    adds: ['tasks'],
    ends: ['errands'],
    up: (entries) =>
      entries.map((e) =>
        e.collection === 'errands'
          ? { ...e, collection: 'tasks' }
          : { ...e, entity: { ...(e.entity as object), salt: (e.entity as { salt: number }).salt * 2 } },
      ),
  },
];
const entry = (collection: string, entity: object): Entry => ({
  collection,
  entity,
  from: `${collection}[0]`,
});

test('from the first version through both steps, in order; each entry keeps the place it came from', () => {
  expect(broughtUp([entry('kits', { id: 't', brine: 3 }), entry('errands', { id: 'e' })], 1, STEPS)).toEqual([
    { collection: 'kits', entity: { id: 't', salt: 6 }, from: 'kits[0]' },
    { collection: 'tasks', entity: { id: 'e' }, from: 'errands[0]' },
  ]);
});
test('from the second only the second; from the newest none', () => {
  expect(broughtUp([entry('kits', { salt: 3 })], 2, STEPS)).toMatchObject([{ entity: { salt: 6 } }]);
  const now = [entry('kits', { salt: 3 })];
  expect(broughtUp(now, 3, STEPS)).toBe(now);
});
test('the lists of a version: without what began later, with what ended later', () => {
  expect(collectionsOf(3, STEPS)).toEqual(COLLECTION_NAMES);
  for (const version of [1, 2]) {
    const names = collectionsOf(version, STEPS);
    expect([names.includes('tasks'), names.includes('errands')]).toEqual([false, true]);
  }
  expect(collectionsOf(1)).not.toContain('calibrations');
  expect(collectionsOf(2)).toContain('calibrations');
  expect(collectionsOf(3)).toEqual(expect.arrayContaining(['tanks', 'quarantines']));
  const since10 = ['cards', 'mixes', 'monitors', 'monitorDays'];
  const since9 = ['agenda', 'mappings', 'photos', 'tombstones', ...since10];
  const since8 = ['species', 'plans', ...since9];
  expect(collectionsOf(5)).toEqual(
    COLLECTION_NAMES.filter((name) => !['forecasts', 'treatments', 'purchases', ...since8].includes(name)),
  );
  expect(collectionsOf(7)).toEqual(COLLECTION_NAMES.filter((name) => !since8.includes(name)));
  expect(collectionsOf(8)).toEqual(COLLECTION_NAMES.filter((name) => !since9.includes(name)));
  expect(collectionsOf(9)).toEqual(COLLECTION_NAMES.filter((name) => !since10.includes(name)));
  for (const version of [10, 11, 12]) expect(collectionsOf(version)).toEqual(COLLECTION_NAMES);
});
test('steps missing, doubled or out of order are refused at once', () => {
  const [one, two] = STEPS as [Migration, Migration];
  expect(() => assertWhole(STEPS, 3)).not.toThrow();
  expect(() => assertWhole([one], 3)).toThrow('version 3 needs 2 migrations, got 1');
  expect(() => assertWhole([two, one], 3)).toThrow('migration 0 must start from version 1, got 2');
  expect(() => assertWhole([one, one], 3)).toThrow('migration 1 must start from version 2, got 1');
});

const fixture = (version: number): Record<string, { id: string }[]> & { version: number } =>
  JSON.parse(readFileSync(`core/document/fixtures/version${version}.json`, 'utf8'));
function opened(file: object): Document {
  const read = readDocument(JSON.stringify(file));
  if (read.status !== 'ok') throw new Error(JSON.stringify(read));
  return read.document;
}

describe.each([1, 2, 3])('a file of version %i', (version) => {
  const file = fixture(version);
  const doc = opened(file);
  test('opens, every entity of it, and is written as a file of today', () => {
    expect(readDocument(JSON.stringify(file))).toMatchObject({ fromVersion: version });
    const again = readDocument(writeDocument(doc));
    expect(again.status === 'ok' && again.document).toEqual(doc);
    for (const name of collectionsOf(version).filter((n) => n !== 'tanks' && n !== 'quarantines'))
      expect(Object.keys(doc[name as keyof Document]).sort()).toEqual(
        (file[name] ?? []).map((e) => e.id).sort(),
      );
  });
  test('keeps what it held of samples, events and kits as it was written', () => {
    for (const name of ['samples', 'events'] as const)
      for (const was of file[name] ?? []) {
        const { tankId, ...rest } = was as { tankId?: string; id: string };
        expect(doc[name][was.id]).toEqual({ ...rest, waterId: tankId });
      }
    for (const kit of file.kits ?? []) expect(doc.kits[kit.id]).toEqual(kit);
  });
  test('tanks and quarantines are waters, also where two bear the same id', () => {
    expect(doc.waters['north-window']).toMatchObject({
      kind: 'display',
      size: { kind: 'dimensions', lengthCm: 100 },
      bacteriaSources: ['bottle'],
    });
    expect(doc.waters['pantry-cube']?.kind).toBe('display');
    expect(doc.waters['pantry-cube-2']).toMatchObject({
      kind: 'quarantine',
      name: 'Coral tub',
      line: 'coral',
      serves: ['pantry-cube'],
      size: { kind: 'volume', volumeL: 20 },
      runs: [{ openedDay: '2026-02-20', closedDay: '2026-03-10' }],
    });
    expect(doc.looks['l-tub']?.waterId).toBe('pantry-cube-2');
  });
  test('an animal is where it was, by every step of its way', () => {
    const { homeId, moves } = doc.animals['a-through']!;
    expect(homeId).toBe('pantry-cube');
    expect(moves.map((m) => m.to)).toEqual([
      { kind: 'wish' },
      { kind: 'water', waterId: 'pantry-cube-2' },
      { kind: 'water', waterId: 'pantry-cube' },
      { kind: 'gone', reason: 'notSaid' },
    ]);
    expect(moves[3]?.why).toBe('melted');
    expect(doc.animals['north-cardinals']?.moves[1]?.to).toEqual({ kind: 'water', waterId: 'north-qt' });
  });
  test('animals in a quarantine that was never named get one, open since the first of them', () => {
    expect(doc.waters.quarantine).toMatchObject({
      kind: 'quarantine',
      serves: ['north-window'],
      runs: [{ openedDay: '2026-03-01', closedDay: null }],
    });
    expect(doc.animals['a-nowhere']?.moves[0]?.to).toEqual({ kind: 'water', waterId: 'quarantine' });
  });
  test('a drip keeps the water it goes into', () =>
    expect(doc.drips.d1).toMatchObject({
      waterId: 'north-window',
      water: { salinity: 35, tempC: 25.5 },
    }));
  test('a fault in it is named by its place in that file', () => {
    const bad = { ...file, tanks: [{ ...file.tanks?.[0], sumpL: -3 }, ...(file.tanks ?? []).slice(1)] };
    const read = readDocument(JSON.stringify(bad));
    expect(read.status === 'invalid' && read.faults[0]?.path).toBe('tanks[0].sumpL');
    for (const list of ['none', undefined])
      expect(readDocument(JSON.stringify({ ...file, quarantines: list }))).toMatchObject({
        status: 'invalid',
        faults: [{ path: 'quarantines' }],
      });
    // What is no entity at all is named too, not swallowed.
    const odd = readDocument(JSON.stringify({ ...file, animals: ['fish'] }));
    expect(odd.status === 'invalid' && odd.faults[0]?.path).toBe('animals[0]');
  });
});

test.each([4, 5, 6, 7, 8, 9, 10, 11])(
  'a file of version %i opens, every entity of it, and is the same in today’s form',
  (version) => {
    const file = fixture(version);
    expect(readDocument(JSON.stringify(file))).toMatchObject({ status: 'ok', fromVersion: version });
    const doc = opened(file);
    for (const name of COLLECTION_NAMES.filter((n) => n !== 'monitorDays'))
      expect(Object.values(doc[name])).toEqual(file[name] ?? []);
    const again = readDocument(writeDocument(doc));
    expect(again.status === 'ok' && again.document).toEqual(doc);
  },
);
test('of looks of version 5 the first clear one after a sign says healed, in each water for itself', () => {
  const look = (id: string, waterId: string, day: string, result: string) => ({
    id,
    waterId,
    day,
    result,
    signs: result === 'sign' ? ['spots'] : [],
    note: '',
  });
  const file = fixture(5);
  const [water] = (file.waters ?? []).filter((w) => (w as { kind?: string }).kind === 'quarantine');
  const q = water!.id;
  const looks = [
    look('e', q, '2026-03-06', 'clear'),
    look('a', q, '2026-03-01', 'clear'),
    look('b', q, '2026-03-02', 'sign'),
    look('c', q, '2026-03-03', 'sign'),
    // A clear look of the sign's own day never ended it.
    look('c2', q, '2026-03-03', 'clear'),
    look('d', q, '2026-03-05', 'clear'),
    look('x', file.waters![0]!.id === q ? file.waters![1]!.id : file.waters![0]!.id, '2026-03-04', 'clear'),
  ];
  const doc = opened({ ...file, looks });
  expect(Object.fromEntries(Object.values(doc.looks).map((l) => [l.id, l.result]))).toEqual({
    a: 'clear',
    b: 'sign',
    c: 'sign',
    c2: 'clear',
    d: 'healed',
    e: 'clear',
    x: 'clear',
  });
});
test('the hours of a device’s day of version 10 are the same as one text; what is none is named', () => {
  const file = fixture(10);
  const days = (file.monitorDays ?? []) as unknown as { id: string; hours: (MonitorHour | null)[] }[];
  expect(days.length).toBe(2);
  const doc = opened(file);
  for (const { id, hours, ...rest } of days) {
    const { hours: text, ...now } = doc.monitorDays[id]!;
    expect(hoursFrom(text)).toEqual(hours);
    expect(now).toEqual({ id, ...rest });
  }
  for (const hours of [
    days[0]!.hours.slice(1),
    [{ n: 0, mean: 1, low: 1, high: 1 }, ...days[0]!.hours.slice(1)],
    [{ n: 1, mean: 1, low: 1, high: 1, more: 2 }, ...days[0]!.hours.slice(1)],
    [{ n: 1, mean: '1', low: 1, high: 1 }, ...days[0]!.hours.slice(1)],
    'none',
  ])
    expect(readDocument(JSON.stringify({ ...file, monitorDays: [{ ...days[0]!, hours }] }))).toMatchObject({
      status: 'invalid',
      faults: [{ path: 'monitorDays[0].hours' }],
    });
});
test('a tank without bacteria had no source', () => {
  const file = fixture(3);
  const [first] = file.tanks ?? [];
  const doc = opened({ ...file, tanks: [{ ...first, bacteriaSource: 'none' }, ...file.tanks!.slice(1)] });
  expect(doc.waters[first!.id]).toMatchObject({ bacteriaSources: [] });
});
test('a step that fails is said, and nothing is opened', () => {
  expect(MIGRATIONS.map((m) => m.from)).toEqual([1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11]);
  expect(readDocument('{"format":"zoarium","version":13}')).toMatchObject({
    status: 'too-new',
    version: 13,
  });
});
