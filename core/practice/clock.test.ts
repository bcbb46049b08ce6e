/** Where the clock stops next; a run as a file; what the careful course does where nobody is at home. */
import type { Document, WaterEvent } from '../document';
import { DAY_MS, UTC } from '../time';
import {
  begin,
  carefulDay,
  carefulSteps,
  claimsRun,
  lastEntryMs,
  nextEvent,
  PRACTICE_WATER,
  runFrom,
  scenarioFrom,
  SCENARIOS,
  sitting,
  truthAt,
  writeRun,
  type Lost,
  type Scenario,
} from '.';

const START = Date.UTC(2026, 2, 1, 7);
const scenario = (id: string): Scenario => SCENARIOS.find((s) => s.id === id)!;
const evenings = (from: number, many = 15): number[] =>
  Array.from({ length: many }, (_, i) => START + (from + i + 0.5) * DAY_MS);

/** Everything due is read off the kits on the evening of a day. */
function tested(s: Scenario, doc: Document, day: number): Document {
  const atMs = START + (day + 0.5) * DAY_MS;
  const truth = truthAt(s, 1, doc, PRACTICE_WATER, START, atMs);
  const all = ['ammonia', 'nitrite', 'nitrate', 'salinity', 'temperature', 'alkalinity', 'ph'] as const;
  const sample = {
    id: `s${day}`,
    waterId: PRACTICE_WATER,
    at: new Date(atMs).toISOString(),
    readings: sitting(doc, truth, all, day),
    note: '',
  };
  return { ...doc, samples: { ...doc.samples, [sample.id]: sample } };
}
function logged(doc: Document, day: number, event: object): Document {
  const id = `e${day}`;
  const at = new Date(START + (day + 0.501) * DAY_MS).toISOString();
  const entry = { id, waterId: PRACTICE_WATER, at, note: '', ...event } as WaterEvent;
  return { ...doc, events: { ...doc.events, [id]: entry } };
}

describe('the next event', () => {
  const s = scenario('patient-dry-rock');
  const fresh = begin(s, START, UTC.dayOf);
  const next = (
    doc: Document,
    from: number,
    { of = s, lost = [] as Lost[], many = 15 }: { of?: Scenario; lost?: Lost[]; many?: number } = {},
  ) => {
    const play = { scenario: of, doc, startMs: START, nowMs: START + (from - 0.5) * DAY_MS };
    const { atMs, why, due } = nextEvent(play, evenings(from, many), lost, UTC);
    return { day: (atMs - START) / DAY_MS, why, due: due.map((d) => d.says.code) };
  };
  test('at first the water is to be tested, that evening', () => {
    expect(next(fresh, 0)).toEqual({ day: 0.5, why: 'due', due: ['tests'] });
  });
  test('after a test and a dose the day after is looked at; what was tested then is not due before its time', () => {
    const dosed = logged(tested(s, fresh, 0), 0, { kind: 'ammoniaDose', mgN: 180, mL: null });
    expect(next(dosed, 1)).toMatchObject({ day: 1.5, why: 'due' });
    const seen = tested(s, dosed, 1);
    expect(next(seen, 2)).toMatchObject({ day: 3.5, why: 'due' });
  });
  test('what happens, who dies, and leaving come before; nobody is there while away', () => {
    const away = { kind: 'away', day: 4, days: 3 } as const;
    const of = (mishaps: Scenario['mishaps']): Scenario => ({ ...s, mishaps });
    const doc = tested(s, logged(tested(s, fresh, 0), 0, { kind: 'ammoniaDose', mgN: 180, mL: null }), 1);
    expect(next(doc, 2, { of: of([{ kind: 'heater', day: 2.2 }]) })).toMatchObject({ day: 2.5, why: 'seen' });
    expect(next(doc, 2, { lost: [{ animalId: 'a', day: 2.3, why: 'ammonia' }] })).toMatchObject({
      day: 2.5,
      why: 'lost',
    });
    expect(next(doc, 2, { of: of([{ ...away, day: 3 }]) })).toMatchObject({ day: 2.5, why: 'leaving' });
    expect(next(doc, 4, { of: of([away]) })).toMatchObject({ day: 7.5, why: 'seen' });
  });
  test('where nothing comes it is the last evening looked at', () => {
    const doc = tested(s, logged(tested(s, fresh, 0), 0, { kind: 'ammoniaDose', mgN: 180, mL: null }), 1);
    expect(next(doc, 2, { many: 1 })).toEqual({ day: 2.5, why: 'nothing', due: [] });
  });
});

describe('a run as a file', () => {
  const s = scenario('overdosed');
  const document = tested(s, begin(s, START, UTC.dayOf), 2);
  const file = { scenario: s, seed: 7, startMs: START, document };
  const raw = (): Record<string, unknown> => JSON.parse(writeRun(file)) as Record<string, unknown>;
  test('comes back as it was, and goes on at its newest entry', () => {
    expect(claimsRun(raw())).toBe(true);
    expect(runFrom(raw())).toEqual(file);
    expect(lastEntryMs(file)).toBe(START + 2.5 * DAY_MS);
    expect(lastEntryMs({ ...file, document: { ...document, samples: {}, events: {}, animals: {} } })).toBe(
      START,
    );
  });
  test.each([
    ['another format', { format: 'zoarium-practice' }, /^format: /],
    ['a seed that is none', { seed: -1 }, /^seed: /],
    ['a scenario that is none', { scenario: { ...s, days: 3 } }, /^days: /],
    ['a document that is none', { document: {} }, /^document: /],
    ['something more', { more: 1 }, /more/],
  ])('%s is named by its place', (_, patch, message) => {
    expect(() => runFrom({ ...raw(), ...patch })).toThrow(message);
  });
  test('a fault in the document, and one without the tank, are named', () => {
    const held = raw().document as { waters: { name: unknown }[] };
    held.waters[0]!.name = 3;
    expect(() => runFrom({ ...raw(), document: held })).toThrow(/^document\.waters\[0\]\.name: /);
    const without = { ...document, waters: {}, samples: {}, events: {}, animals: {} };
    expect(() => runFrom(JSON.parse(writeRun({ ...file, document: without })))).toThrow(
      /^document\.waters: there is no water/,
    );
  });
  test('what is a scenario claims no run', () => {
    for (const it of [s, null, 'run', 3]) expect(claimsRun(it)).toBe(false);
    expect(scenarioFrom(raw().scenario)).toEqual(s);
  });
});

describe('the careful course', () => {
  test('does nothing while nobody is there', () => {
    const s: Scenario = {
      ...scenario('patient-dry-rock'),
      mishaps: [{ kind: 'away', day: 10, days: 8 }],
      days: 40,
    };
    const days: number[] = [];
    const steps = carefulSteps(s, 3);
    let step = steps.next();
    for (; !step.done; step = steps.next()) days.push(step.value);
    expect(days.filter((d) => d >= 10 && d < 18)).toEqual([]);
    expect(days.some((d) => d > 9 && d < 10) && days.some((d) => d >= 18)).toBe(true);
    const { doc, startMs } = step.value;
    for (const e of Object.values(doc.events)) {
      const day = (Date.parse(e.at) - startMs) / DAY_MS;
      expect(day < 10 || day >= 18).toBe(true);
    }
  });
  test('in one go it comes to the same day', () => {
    const s = scenario('transfer');
    const steps = carefulSteps(s, 1);
    let step = steps.next();
    while (!step.done) step = steps.next();
    expect(carefulDay(s, 1)).toBe(step.value.readyDay);
    expect(step.value.course.length).toBeGreaterThan(0);
  });
});
