/** What a file may hold: the published format, every rule the format cannot write down, and each kind of reference. */
import { readFileSync } from 'node:fs';
import { z } from 'zod';
import { COLLECTIONS } from './schema';
import { brokenReferences, fileSchema, parseEntity, readDocument, writeDocument } from './checks';
import {
  DRIP_CHECKS,
  emptyDocument,
  IN,
  isOwnParameter,
  kitExpired,
  lastMove,
  LIMITS,
  parameterName,
  parameterUnit,
  placeOf,
  plausibility,
  readingInterval,
  readingText,
  readsZero,
  nitrogenInterval,
  STARTER_KITS,
  type CollectionName,
  type Document,
  type Kit,
  type Place,
  WISHED,
} from './index';
import { documentAsOf } from './asOf';

test('the format is the one that was published: a number changed here is a new version', () => {
  const published = readFileSync('docs/file-format.schema.json', 'utf8');
  expect(z.toJSONSchema(fileSchema)).toEqual(JSON.parse(published));
});

const AT = '2026-01-31T20:15:00.000Z';
const GOOD = {
  waters: {
    id: 't',
    name: 'T',
    kind: 'display',
    startDay: '2026-01-01',
    size: { kind: 'volume', volumeL: 50 },
    sumpL: 0,
    rockKg: 0,
    sandKg: 0,
    hasLid: true,
    ammoniaSource: 'bottled',
    bacteriaSources: ['bottle'],
    school: 'proof24',
  },
  kits: STARTER_KITS.find((k) => k.parameter === 'ammonia') as Kit,
  samples: {
    id: 's',
    waterId: 't',
    at: AT,
    note: '',
    readings: [{ parameter: 'ammonia', kitId: 'kit-ammonia', value: { kind: 'exact', value: 1 } }],
  },
  events: { id: 'e', waterId: 't', at: AT, note: '', kind: 'note' },
  animals: {
    id: 'a',
    homeId: 't',
    speciesId: 'yellow-tang',
    count: 1,
    moves: [{ to: { kind: 'wish' }, at: AT, why: '' }],
    plannedDay: null,
  },
  looks: { id: 'l', waterId: 'q', day: '2026-01-02', result: 'sign', signs: ['spots'], note: '' },
  drips: {
    id: 'd',
    waterId: 't',
    animalIds: ['a'],
    bag: { salinity: 33, tempC: 22, litres: 1 },
    water: { salinity: 35, tempC: 25 },
    roomTempC: 21,
    floating: false,
    containerL: 4,
    dropsPerSecond: 2,
    dropsPerMl: 20,
    startedAt: null,
    finishedAt: null,
    checks: Object.fromEntries(DRIP_CHECKS.map((c) => [c, null])),
  },
  calibrations: {
    id: 'c',
    kitId: 'kit-ammonia',
    at: AT,
    standard: 1,
    reading: 1,
    tempC: null,
    adjusted: false,
    note: '',
  },
  targets: { id: 'g', waterId: 't', parameter: 'ph', alarmLow: 7, low: 8, high: 9, alarmHigh: 9 },
  ownParameters: { id: 'own1', name: 'Strontium', unit: 'mg/L', min: 0, max: 20 },
  tasks: { id: 'k', waterId: 't', day: '2026-02-01', title: 'Refill', note: '', doneAt: null },
  setup: { id: 'u', waterId: 't', item: 'leakTest', doneDay: '2026-01-01' },
  equipment: {
    id: 'p',
    waterId: 't',
    name: 'Pump',
    kind: 'pump',
    where: '',
    sinceDay: '2026-01-01',
    price: null,
    monthly: null,
    watts: null,
    breakInDays: 0,
    serviceEveryDays: null,
    services: [],
    settings: [],
    loan: null,
    endedDay: null,
  },
} as const;

const QUARANTINE = {
  id: 'q',
  name: 'Q',
  kind: 'quarantine',
  startDay: null,
  size: { kind: 'volume', volumeL: 60 },
  sumpL: 0,
  rockKg: 0,
  sandKg: 0,
  hasLid: true,
  line: 'fish',
  filter: 'cycled',
  clockDays: 28,
  serves: ['t'],
  runs: [{ openedDay: '2026-01-01', closedDay: null }],
};

/** A document of one of each and a quarantine, some of it put otherwise. */
function documentWith(
  patch: Partial<Record<keyof typeof GOOD, object>> = {},
  quarantine: object = {},
): Document {
  const doc = emptyDocument() as unknown as Record<string, Record<string, object>>;
  for (const [name, entity] of Object.entries({ ...GOOD, ...patch }))
    doc[name] = { [(entity as { id: string }).id]: entity };
  doc.waters = { ...doc.waters, q: { ...QUARANTINE, ...quarantine } };
  return doc as unknown as Document;
}

test('one of each is a whole document, and comes back from a file', () => {
  expect(brokenReferences(documentWith())).toEqual([]);
  const read = readDocument(writeDocument(documentWith()));
  expect(read).toMatchObject({ status: 'ok' });
  expect(read.status === 'ok' && read.document).toEqual({ ...documentWith(), settings: {} });
});

const NH3_OF = (parameter: string) => ({ parameter, basis: 'NH3' });
const parse = (name: CollectionName, patch: object) =>
  parseEntity(name, { ...GOOD[name as keyof typeof GOOD], ...patch });

test.each<[CollectionName, object, object, RegExp]>([
  ['kits', { scale: steps([0, 1]) }, { scale: steps([1, 1]) }, /rising steps/],
  ['kits', { scale: steps([0, 1, 2]) }, { scale: steps([0, 2, 1]) }, /rising steps/],
  ['kits', NH3_OF('ammonia'), NH3_OF('nitrite'), /only ammonia is counted as NH3/],
  ['kits', NH3_OF('freeAmmonia'), NH3_OF('nitrate'), /only ammonia is counted as NH3/],
  ['samples', reading(between(1, 2)), reading(between(1, 1)), /"high" above "low"/],
  [
    'samples',
    { readings: [GOOD.samples.readings[0], { ...GOOD.samples.readings[0], parameter: 'nitrite' }] },
    { readings: [GOOD.samples.readings[0], GOOD.samples.readings[0]] },
    /each parameter once/,
  ],
  ['targets', { alarmLow: 8, alarmHigh: 9 }, { alarmLow: 8.1 }, /alarmLow <= low/],
  ['targets', { low: 8.9 }, { low: 9 }, /low < high/],
  ['targets', { alarmHigh: 9 }, { alarmHigh: 8.9 }, /high <= alarmHigh/],
  ['ownParameters', { max: 0.1 }, { max: 0 }, /"max" above "min"/],
  ['looks', { result: 'clear', signs: [] }, { result: 'clear' }, /no signs on a clear look/],
  [
    'animals',
    { moves: [move(WISHED, AT), move(IN('t'), AT)] },
    { moves: [move(WISHED, AT), move(IN('t'), '2026-01-31T20:14:59.999Z')] },
    /time order/,
  ],
  ['waters', { name: ' a ' }, { name: '   ' }, /only blanks/],
  ['waters', { name: 'a b' }, { name: 'a\u001fb' }, /one line/],
  ['waters', { id: 'A-1_b' }, { id: '-a' }, /letter or digit first/],
  ['waters', { startDay: '2026-02-28' }, { startDay: '2026-02-30' }, /a date like/],
  ['events', { at: AT }, { at: '2026-01-31T20:15:00Z' }, /a time like/],
])('%s: %j is taken, %j is not', (name, good, bad, message) => {
  expect(parse(name, good)).toMatchObject({ ok: true });
  const refused = parse(name, bad);
  expect(refused).toMatchObject({ ok: false });
  expect(!refused.ok && refused.faults[0]?.message).toMatch(message);
});
test.each(Object.keys(GOOD) as (keyof typeof GOOD)[])('%s with a key nobody knows is refused', (name) => {
  expect(parse(name, {})).toMatchObject({ ok: true });
  expect(parse(name, { whoKnows: 1 })).toMatchObject({ ok: false });
  expect(Object.keys(COLLECTIONS)).toContain(name);
});
test('a fault names its place, lists by number', () => {
  const refused = parse('samples', reading({ kind: 'exact', value: 1e9 }));
  expect(!refused.ok && refused.faults[0]?.path).toBe('readings[0].value.value');
  const whole = parseEntity('samples', 'none');
  expect(!whole.ok && whole.faults[0]?.path).toBe('the file');
});

test.each<[string, Partial<Record<keyof typeof GOOD, object>>, string]>([
  ['a sample of no tank', { samples: { ...GOOD.samples, waterId: 'x' } }, 'samples "s".waterId'],
  [
    'a reading by no kit',
    { samples: { ...GOOD.samples, readings: [{ ...GOOD.samples.readings[0], kitId: 'x' }] } },
    'samples "s".readings[0].kitId',
  ],
  [
    'a reading by a kit for something else',
    { samples: { ...GOOD.samples, readings: [{ ...GOOD.samples.readings[0], parameter: 'ph' }] } },
    'samples "s".readings[0]',
  ],
  ['an event of no tank', { events: { ...GOOD.events, waterId: 'x' } }, 'events "e".waterId'],
  ['a look at no quarantine', { looks: { ...GOOD.looks, waterId: 'x' } }, 'looks "l".waterId'],
  ['an animal at home nowhere', { animals: { ...GOOD.animals, homeId: 'x' } }, 'animals "a".homeId'],
  [
    'an animal that was in no water',
    { animals: { ...GOOD.animals, moves: [move(WISHED, AT), move(IN('x'), AT)] } },
    'animals "a".moves[1].to.waterId',
  ],
  ['an animal of no kind', { animals: { ...GOOD.animals, speciesId: 'x' } }, 'animals "a".speciesId'],
  [
    'a calibration of no kit',
    { calibrations: { ...GOOD.calibrations, kitId: 'x' } },
    'calibrations "c".kitId',
  ],
  ['a target of no tank', { targets: { ...GOOD.targets, waterId: 'x' } }, 'targets "g".waterId'],
  ['a task of no tank', { tasks: { ...GOOD.tasks, waterId: 'x' } }, 'tasks "k".waterId'],
  ['setting up of no tank', { setup: { ...GOOD.setup, waterId: 'x' } }, 'setup "u".waterId'],
  ['a part of no tank', { equipment: { ...GOOD.equipment, waterId: 'x' } }, 'equipment "p".waterId'],
  ['a drip into no tank', { drips: { ...GOOD.drips, waterId: 'x' } }, 'drips "d".waterId'],
  ['a drip of no animal', { drips: { ...GOOD.drips, animalIds: ['a', 'x'] } }, 'drips "d".animalIds[1]'],
])('%s is named, and refused in a file', (_what, patch, path) => {
  const doc = documentWith(patch);
  const broken = brokenReferences(doc);
  expect(broken.map((b) => b.fault.path)).toEqual([path]);
  expect(path.startsWith(`${broken[0]?.collection} "${broken[0]?.id}"`)).toBe(true);
  expect(readDocument(writeDocument(doc))).toMatchObject({ status: 'invalid', faults: [{ path }] });
});

test('a quarantine serves displays that are there, and its times in use follow one another', () => {
  const doc = documentWith({}, { serves: ['t', 'x'] });
  expect(brokenReferences(doc).map((b) => b.fault.path)).toEqual(['waters "q".serves[1]']);
  const run = (openedDay: string, closedDay: string | null) => ({ openedDay, closedDay });
  const taken = (runs: object[]) => parseEntity('waters', { ...QUARANTINE, runs }).ok;
  expect(taken([run('2026-01-01', '2026-01-01'), run('2026-01-01', null)])).toBe(true);
  expect(taken([])).toBe(false);
  expect(taken([run('2026-01-01', null), run('2026-02-01', null)])).toBe(false);
  expect(taken([run('2026-01-02', '2026-01-01')])).toBe(false);
  expect(taken([run('2026-01-01', '2026-01-09'), run('2026-01-08', null)])).toBe(false);
  expect(parseEntity('waters', { ...QUARANTINE, serves: ['t', 't'] }).ok).toBe(false);
  const told = { stage: 'animalsIn', day: '2026-01-01' };
  expect(parseEntity('waters', { ...GOOD.waters, told }).ok).toBe(true);
  expect(parseEntity('waters', { ...GOOD.waters, bacteriaSources: ['media', 'media'] }).ok).toBe(false);
  expect(parseEntity('waters', { ...QUARANTINE, told }).ok).toBe(false);
});

test('the text of a file does not depend on how it was put together', () => {
  const turned = Object.fromEntries(Object.entries(GOOD.waters).reverse());
  expect(writeDocument(documentWith({ waters: turned }))).toBe(writeDocument(documentWith()));
  const two = { ...documentWith(), kits: { b: { ...GOOD.kits, id: 'b' }, a: { ...GOOD.kits, id: 'a' } } };
  const text = writeDocument(two as unknown as Document);
  expect(text.indexOf('"id": "a"')).toBeLessThan(text.indexOf('"id": "b"'));
  expect(text.endsWith('}\n')).toBe(true);
});
test('moments of a drip’s checks are read in other forms as well, other texts are not touched', () => {
  const [first = ''] = DRIP_CHECKS;
  const drips = {
    ...GOOD.drips,
    startedAt: '2026-01-31T21:15:00+01:00',
    checks: { ...GOOD.drips.checks, [first]: '2026-01-31T21:15:00.5+01:00' },
  };
  const read = readDocument(writeDocument(documentWith({ drips })));
  expect(read.status === 'ok' && read.document.drips.d).toMatchObject({
    startedAt: AT,
    checks: { [first]: '2026-01-31T20:15:00.500Z' },
  });
});
test.each([
  ['{"format":"zoarium","version":0}', 'not-ours'],
  ['{"format":"zoarium","version":1.5}', 'not-ours'],
  ['{"version":1}', 'not-ours'],
])('%s is %s', (text, status) =>
  expect(readDocument(text)).toMatchObject({ status, message: expect.any(String) }),
);

describe('what is believed', () => {
  test.each(Object.entries(LIMITS))(
    '%s: refused outside what is possible, questioned outside what is usual',
    (p, l) => {
      const judge = (x: number) => plausibility(p as keyof typeof LIMITS, x);
      const step = 1e-6;
      for (const [edge, out] of [
        [l.possible[0], -step],
        [l.possible[1], step],
      ] as const) {
        expect(judge(edge)).not.toBe('impossible');
        expect(judge(edge + out * Math.max(1, Math.abs(edge)))).toBe('impossible');
      }
      for (const [edge, out] of [
        [l.usual[0], -step],
        [l.usual[1], step],
      ] as const) {
        expect(judge(edge)).toBe('fine');
        expect(judge(edge + out * Math.max(1, Math.abs(edge)))).not.toBe('fine');
      }
      expect(judge(NaN)).toBe('impossible');
      expect(l.possible[0]).toBeLessThanOrEqual(l.usual[0]);
      expect(l.possible[1]).toBeGreaterThanOrEqual(l.usual[1]);
    },
  );
  test('the scale of salinity is that of the equations, 2 to 42; a pond is not a reef', () => {
    expect(LIMITS.salinity.possible).toEqual([2, 42]);
    expect(plausibility('salinity', 29.9)).toBe('unusual');
    expect(plausibility('ph', 3.9)).toBe('impossible');
    expect(plausibility('temperature', 46)).toBe('impossible');
    expect(plausibility('ammonia', 51)).toBe('impossible');
  });
});

describe('readings, by hand', () => {
  const chart = GOOD.kits;
  const meter = (share?: number): Kit => ({
    ...chart,
    parameter: 'alkalinity',
    basis: null,
    scale: { kind: 'number', resolution: 0.2 },
    ...(share === undefined ? {} : { readerShare: share }),
  });
  test('the lowest and the highest step have one neighbour', () => {
    const all = chart.scale.kind === 'steps' ? chart.scale.steps : [];
    const top = all[all.length - 1] ?? 0;
    const below = all[all.length - 2] ?? 0;
    expect(readingInterval({ kind: 'exact', value: 0 }, chart)).toMatchObject({ low: 0, mid: 0 });
    expect(readingInterval({ kind: 'exact', value: top }, chart)).toEqual({
      low: (below + top) / 2,
      mid: top,
      high: top,
    });
  });
  test('over the top step it is a quarter more, and open', () =>
    expect(readingInterval({ kind: 'over', low: 4 }, chart)).toEqual({ low: 4, mid: 5, high: Infinity }));
  test('a meter by its own error, or 5 %', () => {
    expect(readingInterval({ kind: 'exact', value: 10 }, meter())).toEqual({ low: 9.4, mid: 10, high: 10.6 });
    expect(readingInterval({ kind: 'exact', value: 10 }, meter(0.01))).toEqual({
      low: 9.8,
      mid: 10,
      high: 10.2,
    });
    expect(readingInterval({ kind: 'exact', value: -10 }, meter(0.01)).high).toBeCloseTo(-9.8, 12);
  });
  test.each([
    ['temperature', 25, 0.5],
    ['salinity', 35, 0.49],
    ['ph', 8, 0.096],
  ] as const)('%s at %f is good to %f beside its step', (parameter, value, spread) => {
    const kit: Kit = { ...meter(), parameter };
    expect(readingInterval({ kind: 'exact', value }, kit).high).toBeCloseTo(value + spread + 0.1, 9);
  });
  test('repeats: a narrower mean, never narrower than half their spread', () => {
    const near = readingInterval({ kind: 'repeats', values: [10, 10, 10, 10] }, meter());
    expect([near.low, near.mid, near.high]).toEqual([9.7, 10, 10.3]);
    const far = readingInterval({ kind: 'repeats', values: [8, 12] }, meter());
    expect([far.low, far.mid, far.high]).toEqual([8, 10, 12]);
    expect(readingText({ kind: 'repeats', values: [8, 12] })).toBe('10 (mean of 2)');
  });
  test('zero by a meter is its resolution, 0.05 at most', () => {
    const at = (resolution: number, value: number) =>
      readsZero({ kind: 'exact', value }, { ...meter(), scale: { kind: 'number', resolution } });
    expect([at(0.02, 0.02), at(0.02, 0.021), at(0.1, 0.05), at(0.1, 0.051)]).toEqual([
      true,
      false,
      true,
      false,
    ]);
    expect(readsZero({ kind: 'exact', value: 0.25 }, chart)).toBe(false);
    expect(readsZero({ kind: 'repeats', values: [0, 0] }, chart)).toBe(true);
    expect(readsZero({ kind: 'repeats', values: [0, 0.25] }, chart)).toBe(false);
  });
  test('nitrogen is never below nothing', () => {
    const printed: Kit = { ...meter(), parameter: 'ammonia', basis: 'N' };
    expect(nitrogenInterval({ kind: 'exact', value: 0.05 }, printed, 'ammonia').low).toBe(0);
    expect(nitrogenInterval({ kind: 'exact', value: -1 }, printed, 'ammonia').mid).toBe(0);
    const unsaid: Kit = { ...printed, basis: null };
    expect(nitrogenInterval({ kind: 'exact', value: 1.2878 }, unsaid, 'ammonia').mid).toBeCloseTo(1, 3);
  });
  test('a kit is past its date the day after it', () => {
    const kit: Kit = { ...chart, expires: '2026-01-31' };
    expect([kitExpired(kit, AT), kitExpired(kit, '2026-02-01T00:00:00.000Z')]).toEqual([false, true]);
    expect(kitExpired(chart, AT)).toBe(false);
  });
});

test('a parameter of one’s own goes by the name and unit given to it', () => {
  const own = { own1: GOOD.ownParameters };
  expect([isOwnParameter('own1'), isOwnParameter('ph')]).toEqual([true, false]);
  expect([parameterName('own1', own), parameterUnit('own1', own)]).toEqual(['Strontium', 'mg/L']);
  expect([parameterName('own2', own), parameterUnit('own2', own)]).toEqual(['own 2', '']);
  expect([parameterName('ph', own), parameterUnit('alkalinity', own)]).toEqual(['pH', 'dKH']);
});
test('an animal is where its last move put it', () => {
  const animal = { ...GOOD.animals, moves: [move(WISHED, AT), move(IN('t'), AT)] };
  expect(placeOf(animal as never)).toEqual(IN('t'));
  expect(() => lastMove({ ...animal, moves: [] } as never)).toThrow('must not be empty');
});

describe('as it stood', () => {
  const ms = Date.parse(AT);
  const later = '2026-01-31T20:15:00.001Z';
  test('what was logged at that moment counts, a thousandth later it does not', () => {
    const doc = documentWith({
      animals: { ...GOOD.animals, moves: [move(WISHED, AT), move(IN('t'), later)] },
      drips: { ...GOOD.drips, startedAt: later },
    });
    const then = documentAsOf(doc, ms);
    expect([then.samples, then.events, then.calibrations].map((l) => Object.keys(l).length)).toEqual([
      1, 1, 1,
    ]);
    expect(then.animals.a?.moves).toHaveLength(1);
    expect(then.drips).toEqual({});
    const before = documentAsOf(doc, ms - 1);
    expect([before.samples, before.events, before.calibrations, before.animals]).toEqual([{}, {}, {}, {}]);
    expect(documentAsOf(doc, ms + 1).drips).toHaveProperty('d');
    expect(documentAsOf(documentWith(), ms).drips).toHaveProperty('d');
  });
  test('a day counts once it has begun anywhere', () => {
    const looks = { ...GOOD.looks, day: '2026-02-01' };
    const setup = { ...GOOD.setup, doneDay: '2026-02-02' };
    const then = documentAsOf(documentWith({ looks, setup }), ms);
    expect([Object.keys(then.looks), Object.keys(then.setup)]).toEqual([['l'], []]);
  });
});

function steps(list: number[]) {
  return { kind: 'steps', steps: list, topOpen: true };
}
function between(low: number, high: number) {
  return { kind: 'between', low, high };
}
function reading(value: object) {
  return { readings: [{ parameter: 'ammonia', kitId: 'kit-ammonia', value }] };
}
function move(to: Place, at: string) {
  return { to, at, why: '' };
}
