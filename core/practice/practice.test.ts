import { IN, type Document, type WaterEvent } from '../document';
import { DAY_MS, UTC } from '../time';
import {
  begin,
  carefulDay,
  play,
  PRACTICE_WATER,
  scenarioFrom,
  SCENARIOS,
  sitting,
  truthAt,
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
    for (let seed = 1; seed <= 3; seed++) {
      const { doc } = play(s, seed);
      const moves = doc.animals.first?.moves ?? [];
      const [into, out] = moves.map((m) => (Date.parse(m.at) - START) / DAY_MS);
      const signs = Object.values(doc.looks).filter((l) => l.result === 'sign');
      if (into === undefined || out === undefined) continue;
      expect(out - into).toBeGreaterThanOrEqual(28);
      for (const l of signs) expect(out - (Date.parse(l.day) - START) / DAY_MS).toBeGreaterThanOrEqual(28);
    }
  });
  test('the careful course of an easy tank is soon ready, and the same again', () => {
    const s = scenario('transfer');
    const day = carefulDay(s, 1);
    expect(day).toBe(carefulDay(s, 1));
    expect(day === null || day > 1).toBe(true);
  });
});
