import { IN, type Document, type WaterEvent } from '../document';
import { DAY_MS, UTC } from '../time';
import { dailyLoadMgN } from '../stocking';
import { speciesById } from '../species';
import {
  atWork,
  begin,
  carefulDay,
  costOf,
  daysToShop,
  decisionsOf,
  PRICES,
  purse,
  sittingMinutes,
  truthOfRun,
  play,
  PRACTICE_WATER,
  scenarioFrom,
  SCENARIOS,
  sitting,
  truthAt,
  truthBeside,
  type Scenario,
} from '.';

const START = Date.UTC(2026, 2, 1);
const scenario = (id: string): Scenario => SCENARIOS.find((s) => s.id === id)!;
const fresh = (s: Scenario) => begin(s, START, UTC.dayOf);
const truth = (s: Scenario, seed: number, doc: Document, day: number) =>
  truthAt(s, seed, doc, PRACTICE_WATER, START, START + day * DAY_MS);
let n = 0;
function logged(doc: Document, day: number, event: object): Document {
  const id = `x${n++}`;
  const at = new Date(START + Math.round(day * DAY_MS)).toISOString();
  return {
    ...doc,
    events: { ...doc.events, [id]: { id, waterId: PRACTICE_WATER, at, note: '', ...event } as WaterEvent },
  };
}

test('nine scenarios, each with a lesson of its own; what is none is named by its place', () => {
  expect(SCENARIOS).toHaveLength(9);
  expect(new Set(SCENARIOS.map((s) => s.id)).size).toBe(9);
  expect(new Set(SCENARIOS.map((s) => s.lesson)).size).toBe(9);
  const [one] = SCENARIOS;
  expect(() => scenarioFrom({ ...one, truth: { ...one!.truth, volumeShare: 9 } })).toThrow(
    /^truth\.volumeShare: /,
  );
  expect(() => scenarioFrom({ ...one, more: 1 })).toThrow(/more/);
  expect(() => scenarioFrom(null)).toThrow(/^the file: /);
  expect(scenarioFrom(JSON.parse(JSON.stringify(one)))).toEqual(one);
});
test('scenario, seed and log give one truth; another seed another; what is logged later changes nothing before', () => {
  const s = scenario('patient-dry-rock');
  const doc = logged(fresh(s), 1, { kind: 'ammoniaDose', mgN: 150, mL: null });
  const later = logged(doc, 20, { kind: 'waterChange', litres: 60 });
  const pools = (seed: number, d: Document, day: number) => truth(s, seed, d, day).pools;
  expect(pools(3, doc, 15)).toEqual(pools(3, doc, 15));
  expect(pools(3, later, 15)).toEqual(pools(3, doc, 15));
  expect(pools(4, doc, 15)).not.toEqual(pools(3, doc, 15));
  expect(truth(s, 3, doc, 30).course.slice(0, 150)).toEqual(truth(s, 3, doc, 15).course);
});
test('a dose is felt in the real volume, a change thins it, a bottle that is dead brings nothing', () => {
  const s = scenario('dead-bottle');
  const empty = fresh(s);
  const { trueL } = truth(s, 1, empty, 1);
  const dosed = logged(empty, 1, { kind: 'ammoniaDose', mgN: 150, mL: null });
  const rise = truth(s, 1, dosed, 1.02).pools.ammonium - truth(s, 1, empty, 1.02).pools.ammonium;
  expect(rise).toBeCloseTo(150 / trueL, 2);
  const changed = logged(dosed, 1.05, { kind: 'waterChange', litres: trueL / 2 });
  expect(truth(s, 1, changed, 1.07).pools.ammonium).toBeCloseTo(
    truth(s, 1, dosed, 1.07).pools.ammonium / 2,
    2,
  );
  const bottle = logged(dosed, 1.01, { kind: 'bacteria', seed: 'bottle', mL: null });
  expect(truth(s, 1, bottle, 3).pools.first).toBeCloseTo(truth(s, 1, dosed, 3).pools.first, 9);
  const media = logged(dosed, 1.01, { kind: 'bacteria', seed: 'media', mL: null });
  expect(truth(s, 1, media, 3).pools.first).toBeGreaterThan(truth(s, 1, dosed, 3).pools.first + 0.3);
});
test('free ammonia kills after half a day, and whoever is dead makes no more', () => {
  const s = scenario('fish-on-the-first-day');
  const doc = logged(fresh(s), 2, { kind: 'ammoniaDose', mgN: 900, mL: null });
  expect(truth(s, 1, doc, 2.45).lost).toEqual([]);
  const { lost, peakFree } = truth(s, 1, doc, 4);
  expect(lost).toEqual([{ animalId: 'start-1', day: expect.closeTo(2.5, 1), why: 'ammonia' }]);
  expect(peakFree).toBeGreaterThan(0.2);
});
test('a heater that sticks warms until somebody switches it off', () => {
  const s: Scenario = { ...scenario('patient-dry-rock'), mishaps: [{ kind: 'heater', day: 3 }] };
  const doc = fresh(s);
  expect(truth(s, 1, doc, 2.9).heaterStuck).toBe(false);
  expect(truth(s, 1, doc, 4.5)).toMatchObject({ heaterStuck: true, tempC: expect.closeTo(33.5, 1) });
  const off = logged(doc, 3.2, { kind: 'switchedOff', parts: ['heater'], onAt: null });
  expect(truth(s, 1, off, 4.5).tempC).toBeLessThan(27);
});
test('a kit shows the same to the same eye at the same moment', () => {
  const s = scenario('overdosed');
  const doc = fresh(s);
  const t = truth(s, 2, doc, 5);
  const seen = sitting(doc, t, ['ammonia', 'nitrite', 'ph'], 9);
  expect(seen).toEqual(sitting(doc, t, ['ammonia', 'nitrite', 'ph'], 9));
  expect(seen.map((r) => r.parameter)).toEqual(['ammonia', 'nitrite', 'ph']);
  expect(seen[0]!.value).toEqual({ kind: 'over', low: 5 });
});
test('animals in another water are not felt here', () => {
  const s = scenario('patient-dry-rock');
  const doc = fresh(s);
  const at = new Date(START + DAY_MS).toISOString();
  const fish = (waterId: string): Document => ({
    ...doc,
    animals: {
      f: {
        id: 'f',
        homeId: PRACTICE_WATER,
        speciesId: 'ocellaris-clownfish',
        count: 2,
        moves: [{ to: IN(waterId), at, why: '' }],
        plannedDay: null,
      },
    },
  });
  expect(truth(s, 1, fish('elsewhere'), 4).pools).toEqual(truth(s, 1, doc, 4).pools);
  expect(truth(s, 1, fish(PRACTICE_WATER), 4).pools.ammonium).toBeGreaterThan(
    truth(s, 1, doc, 4).pools.ammonium,
  );
});
describe('a quarantine beside the tank', () => {
  const s = scenario('quarantine-flares-up');
  const withFish = (filter: 'uncycled' | 'cycled', count = 2): Document => {
    const doc = fresh(s);
    const at = new Date(START + DAY_MS).toISOString();
    return {
      ...doc,
      waters: {
        ...doc.waters,
        q: {
          id: 'q',
          kind: 'quarantine',
          name: 'Bin',
          startDay: '2026-03-02',
          line: 'fish',
          filter,
          clockDays: 28,
          serves: [PRACTICE_WATER],
          runs: [{ openedDay: '2026-03-02', closedDay: null }],
          size: { kind: 'volume', volumeL: 40 },
          sumpL: 0,
          rockKg: 0,
          sandKg: 0,
          hasLid: true,
        },
      },
      animals: {
        f: {
          id: 'f',
          homeId: PRACTICE_WATER,
          speciesId: 'ocellaris-clownfish',
          count,
          moves: [{ to: IN('q'), at, why: '' }],
          plannedDay: null,
        },
      },
    };
  };
  const there = (doc: Document, day: number) => truthBeside(s, 1, doc, 'q', START, START + day * DAY_MS);
  test('bare, its ammonia is what the fish give off, and half of it goes with half of the water', () => {
    const doc = withFish('uncycled');
    const { trueL, pools } = there(doc, 3);
    const species = speciesById('ocellaris-clownfish');
    const load = 2 * dailyLoadMgN(species, species.arrivalCm);
    // Two days of it; what clings to bare glass takes next to nothing.
    expect((pools.ammonium * trueL) / (2 * load)).toBeCloseTo(1, 1);
    const id = 'half';
    const at = new Date(START + 3 * DAY_MS).toISOString();
    const change = { id, waterId: 'q', at, note: '', kind: 'waterChange', litres: trueL / 2 } as WaterEvent;
    const changed = { ...doc, events: { ...doc.events, [id]: change } };
    expect(there(changed, 3.02).pools.ammonium).toBeCloseTo(there(doc, 3.02).pools.ammonium / 2, 2);
  });
  test('too many, left alone, it costs them; a cycled filter or the tank’s own mishaps do not', () => {
    const bare = there(withFish('uncycled', 8), 40);
    expect(bare.lost).toMatchObject([{ animalId: 'f', why: 'ammonia' }]);
    expect(there(withFish('cycled', 8), 40).lost).toEqual([]);
    expect(bare.heaterStuck).toBe(false);
    expect(() => truthBeside(s, 1, fresh(s), 'q', START, START + DAY_MS)).toThrow(/"q"/);
  });
});
describe('what a decision cost', () => {
  const cost = (s: Scenario, seed: number, doc: Document, days: number) => {
    const now = START + days * DAY_MS;
    const was = truthOfRun(s, seed, doc, PRACTICE_WATER, START, now);
    return decisionsOf(doc, PRACTICE_WATER, now).map((d) => ({
      kind: d.what.kind,
      ...costOf(was, d, s, seed, doc, PRACTICE_WATER, START, now),
    }));
  };
  test('it is the run without it: media bring the day nearer, a dose onto fish costs them, a change takes nitrogen out', () => {
    const s = scenario('patient-dry-rock');
    let doc = logged(fresh(s), 1, { kind: 'ammoniaDose', mgN: 200, mL: null });
    doc = logged(doc, 2, { kind: 'bacteria', seed: 'media', mL: null });
    const before = truth(s, 1, doc, 3).pools;
    doc = logged(doc, 3, { kind: 'waterChange', litres: 20 });
    for (let day = 8; day < 60; day += 6) doc = logged(doc, day, { kind: 'ammoniaDose', mgN: 200, mL: null });
    const [dose, media, change] = cost(s, 1, doc, 60);
    expect([dose?.kind, media?.kind, change?.kind]).toEqual(['ammoniaDose', 'bacteria', 'waterChange']);
    expect(dose?.nitrogenMg).toBe(200);
    expect(change?.nitrogenMg).toBeCloseTo(-20 * (before.ammonium + before.nitrite + before.nitrate), 0);
    // By hand: the first evening of each, looked at one by one.
    const first = (d: Document) => {
      for (let day = 0; day < 60; day++) if (truth(s, 1, d, day + 0.79 + 1e-6).passes()) return day + 0.79;
      return null;
    };
    const { [Object.keys(doc.events).find((id) => doc.events[id]?.kind === 'bacteria')!]: _, ...rest } =
      doc.events;
    expect(media?.readyWith).toBeCloseTo(first(doc)!, 1);
    expect(media?.readyWithout ?? 99).toBeCloseTo(first({ ...doc, events: rest }) ?? 99, 1);
    expect(media!.readyWith!).toBeLessThan(media!.readyWithout ?? 99);
  });
  test('animals: lost by it, or saved by it; what stood in the log at the start is no decision', () => {
    const s = scenario('fish-on-the-first-day');
    const dosed = logged(fresh(s), 2, { kind: 'ammoniaDose', mgN: 900, mL: null });
    expect(cost(s, 1, dosed, 5)).toMatchObject([{ kind: 'ammoniaDose', lost: 1, saved: 0 }]);
    const rescued = logged(dosed, 2.2, { kind: 'waterChange', litres: 500 });
    expect(cost(s, 1, rescued, 5)).toMatchObject([
      { kind: 'ammoniaDose', lost: 0 },
      { kind: 'waterChange', saved: 1 },
    ]);
    expect(decisionsOf(fresh(s), PRACTICE_WATER, START + 9 * DAY_MS)).toEqual([]);
  });
});
test('the purse is what the log says was used, and hours are a working week’s', () => {
  const s = scenario('patient-dry-rock');
  let doc = logged(fresh(s), 1, { kind: 'bacteria', seed: 'bottle', mL: null });
  doc = logged(doc, 2, { kind: 'waterChange', litres: 40 });
  const sample = {
    id: 'mine',
    waterId: PRACTICE_WATER,
    at: new Date(START).toISOString(),
    readings: [],
    note: '',
  };
  const beside = { ...sample, id: 'theirs', waterId: 'q' };
  doc = { ...doc, samples: { mine: sample, theirs: beside, 'start-1': { ...sample, id: 'start-1' } } };
  const paid = purse(s, doc);
  expect(paid).toMatchObject({ tests: 2, water: 4, bacteria: PRICES.bottle, animals: 0, spent: 21 });
  expect(paid.left).toBe(s.budget - 21);
  const wait = doc.kits['kit-ammonia']!.waitMinutes ?? 0;
  expect(sittingMinutes(doc.kits, ['ammonia', 'ph'])).toBe(
    6 + Math.max(wait, doc.kits['kit-ph']!.waitMinutes ?? 0),
  );
  expect(sittingMinutes(doc.kits, [])).toBe(0);
  expect([0, 1, 5, 6].map((day) => atWork(day, 12))).toEqual([false, true, true, false]);
  expect([7.9, 8, 17.4, 17.5].map((hour) => atWork(3, hour))).toEqual([false, true, true, false]);
  expect([0, 1, 5, 6].map(daysToShop)).toEqual([6, 5, 1, 0]);
});
describe('played by the app’s advice alone', () => {
  test.each(['fish-on-the-first-day', 'transfer', 'overdosed'])(
    '%s: nobody is lost, and the water is begun',
    (id) => {
      const run = play(scenario(id), 1);
      expect(run.lost).toEqual([]);
      expect(run.sittings).toBeGreaterThan(10);
      // In the log nothing stands that the advice did not ask for.
      expect(run.doc.events).not.toEqual({});
    },
  );
  test('a quarantine that flares up lets nobody through before its days have run again', () => {
    const s = { ...scenario('quarantine-flares-up'), days: 110 };
    const { doc } = play(s, 1);
    const [into, out] = (doc.animals.first?.moves ?? []).map((m) => (Date.parse(m.at) - START) / DAY_MS);
    const signs = Object.values(doc.looks).filter((l) => l.result === 'sign');
    expect(signs.length).toBeGreaterThan(0);
    expect(out! - into!).toBeGreaterThanOrEqual(28);
    for (const l of signs) expect(out! - (Date.parse(l.day) - START) / DAY_MS).toBeGreaterThanOrEqual(28);
  });
  test('the careful course of an easy tank is soon ready, and the same again', () => {
    const s = scenario('transfer');
    const day = carefulDay(s, 1);
    expect(day).toBe(carefulDay(s, 1));
    expect(day === null || day > 1).toBe(true);
  });
});
