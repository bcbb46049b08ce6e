/** What must hold of every log, however it came about. */
import fc from 'fast-check';
import { SCHOOLS, type Parameter } from '../document';
import { lastOf } from '../evidence';
import { URGENCY } from '../living';
import { DAY, History, START_MS, type Readings } from '../testing/history';
import { METRIC } from '../units';
import { sentence } from '../words';
import { assessWater, type Assessment } from './index';

/** One thing that may happen in a tank's life. */
type Act =
  | { kind: 'test'; readings: Readings }
  | { kind: 'dose'; mg: number }
  | { kind: 'food' }
  | { kind: 'media' }
  | { kind: 'change'; litres: number; salinity: number }
  | { kind: 'spill' }
  | { kind: 'fish' }
  | { kind: 'coral' };
type Step = { after: number; act: Act };

const CHART = [0, 0, 0, 0.2, 0.5, 1, 2] as const;
const readingsArb: fc.Arbitrary<Readings> = fc
  .record(
    {
      ammonia: fc.constantFrom(...CHART),
      nitrite: fc.constantFrom(...CHART),
      nitrate: fc.constantFrom(0, 5, 10, 20, 50),
      salinity: fc.constantFrom(35, 35, 34, 31, 29, 38),
      temperature: fc.constantFrom(25, 25, 25.5, 28.2, 31, 19),
      alkalinity: fc.constantFrom(8, 8.3, 7, 6, 4.5),
      ph: fc.constantFrom(8.1, 8.2, 7.8, 7.5, 8.6),
    },
    { requiredKeys: [] },
  )
  .filter((r) => Object.keys(r).length > 0) as fc.Arbitrary<Readings>;
const actArb: fc.Arbitrary<Act> = fc.oneof(
  { weight: 8, arbitrary: readingsArb.map((readings): Act => ({ kind: 'test', readings })) },
  { weight: 2, arbitrary: fc.constantFrom(1, 2).map((mg): Act => ({ kind: 'dose', mg })) },
  {
    weight: 4,
    arbitrary: fc.constantFrom<Act>(
      { kind: 'food' },
      { kind: 'media' },
      { kind: 'spill' },
      { kind: 'change', litres: 50, salinity: 35 },
      { kind: 'change', litres: 90, salinity: 29 },
    ),
  },
  { weight: 2, arbitrary: fc.constantFrom<Act>({ kind: 'fish' }, { kind: 'coral' }) },
);
const lifeArb = fc.record({
  school: fc.constantFrom(...SCHOOLS),
  steps: fc.array(fc.record({ after: fc.constantFrom(0.04, 0.5, 1, 2, 5, 12), act: actArb }), {
    minLength: 1,
    maxLength: 18,
  }),
});
type Life = { school: (typeof SCHOOLS)[number]; steps: Step[] };

function lived({ school, steps }: Life): { h: History; day: number } {
  const h = new History(school);
  let day = 0;
  for (const { after, act } of steps) {
    day += after;
    if (act.kind === 'test') h.test(day, act.readings);
    else if (act.kind === 'dose') h.dose(day, act.mg);
    else if (act.kind === 'food') h.event(day, { kind: 'food', food: 'pellets', grams: 0.1 });
    else if (act.kind === 'media') h.event(day, { kind: 'bacteria', seed: 'media', mL: null });
    else if (act.kind === 'spill') h.event(day, { kind: 'incident', what: 'foodSpilled' });
    else if (act.kind === 'change')
      h.event(day, { kind: 'waterChange', litres: act.litres, salinity: act.salinity });
    else h.animal(day, act.kind === 'fish' ? 'ocellaris-clownfish' : 'zoanthid');
  }
  return { h, day };
}
const judge = (h: History, day: number): Assessment => assessWater(h.doc, 't', START_MS + day * DAY);
const goes = (word: string): boolean => word === 'go' || word === 'goSmall';
const RUNS = { numRuns: 300, seed: 20260301 };

const words = { units: METRIC, day: String, written: (d: string) => d, hour: String };
const saidOf = (a: Assessment): string[] =>
  [
    ...[a.fish, a.crew, a.coral, ...(a.living ? [a.living] : [])].flatMap((j) => [j.reason, j.opens]),
    ...a.alarms,
    ...(a.living?.also ?? []).map((f) => f.opens),
    ...(a.living?.plan?.steps ?? []),
    ...a.gates.map((g) => g.finding),
  ].map((s) => sentence(s, words));

test('with animals in, no statement anywhere asks for a dose of ammonia', () => {
  fc.assert(
    fc.property(lifeArb, fc.constantFrom(0.1, 1, 4, 20), (life, later) => {
      const { h, day } = lived(life);
      const a = judge(h, day + later);
      if (!a.living) return;
      for (const text of saidOf(a))
        expect(text).not.toMatch(/\bdose (2|again)|dose ammonia|ammonia source|add and log/i);
    }),
    RUNS,
  );
});

test('a living water is never without a word, a reason and a next step; act now never without steps', () => {
  fc.assert(
    fc.property(lifeArb, (life) => {
      const { h, day } = lived(life);
      const { living, fish } = judge(h, day + 0.01);
      if (!living) return;
      if (living.word !== 'steady') expect(goes(fish.word)).toBe(false);
      if (living.word === 'actNow') expect(living.plan?.steps.length).toBeGreaterThan(1);
      else expect(living.plan).toBeNull();
    }),
    RUNS,
  );
});

const withoutReadings = (life: Life, parameter: Parameter): Life => ({
  ...life,
  steps: life.steps.map((s) => {
    if (s.act.kind !== 'test' || !(parameter in s.act.readings)) return s;
    const { [parameter]: _, ...readings } = s.act.readings;
    return Object.keys(readings).length > 0
      ? { ...s, act: { kind: 'test', readings } }
      : { ...s, act: { kind: 'food' } };
  }),
});

/** Readings ordered from good to bad. */
const WORSE: Partial<Record<Parameter, readonly number[]>> = {
  ammonia: [0, 0.2, 0.5, 1, 2, 5],
  nitrite: [0, 0.5, 1, 2, 5, 40],
  temperature: [26, 27.4, 28.2, 29.5, 30.5, 33],
  salinity: [33, 32, 31, 29, 27],
  oxygen: [6.5, 5.5, 5, 4],
};

test('a worse reading never makes the word of the water milder, nor lets something in', () => {
  const parameter = fc.constantFrom(...(Object.keys(WORSE) as Parameter[]));
  fc.assert(
    fc.property(lifeArb, parameter, fc.nat(4), (life, p, at) => {
      const course = WORSE[p] ?? [];
      const [good, bad] = [
        course[Math.min(at, course.length - 2)],
        course[Math.min(at, course.length - 2) + 1],
      ];
      const read = (value: number | undefined) => {
        // Movement by the same instrument is judged apart: here the value alone is.
        const { h, day } = lived(withoutReadings(life, p));
        return judge(h.animal(-5, 'ocellaris-clownfish').test(day + 0.3, { [p]: value }), day + 0.31);
      };
      const [better, worse] = [read(good), read(bad)];
      expect(URGENCY[worse.living?.word ?? 'steady']).toBeLessThanOrEqual(
        URGENCY[better.living?.word ?? 'steady'],
      );
      if (!goes(better.fish.word)) expect(goes(worse.fish.word)).toBe(false);
    }),
    RUNS,
  );
});

test('an unrelated entry changes nothing', () => {
  fc.assert(
    fc.property(lifeArb, fc.double({ min: 0, max: 1, noNaN: true }), (life, share) => {
      const { h, day } = lived(life);
      const before = judge(h, day + 0.1);
      h.event(day * share, { kind: 'note' });
      h.event(day * share, { kind: 'film', film: 'coralline', extent: 1 });
      h.event(day * share, { kind: 'topOff', litres: 1 });
      h.doc.samples.elsewhere = {
        ...Object.values(h.doc.samples)[0],
        id: 'elsewhere',
        waterId: 'other',
        at: h.at(day),
        note: '',
        readings: [{ parameter: 'ammonia', kitId: 'kit-ammonia', value: { kind: 'exact', value: 5 } }],
      };
      expect(judge(h, day + 0.1)).toEqual(before);
    }),
    RUNS,
  );
});

test('what speaks for the tank taken away never turns a wait into a go', () => {
  fc.assert(
    fc.property(lifeArb, fc.nat(20), (life, which) => {
      const { h, day } = lived(life);
      const before = judge(h, day + 0.1);
      if (goes(before.fish.word)) return;
      // A sample that found nothing bad, or a dose, food or media that fed the bacteria.
      const good = Object.values(h.doc.samples).filter((s) =>
        s.readings.every(
          (r) =>
            r.value.kind === 'exact' &&
            (r.parameter === 'ammonia' || r.parameter === 'nitrite'
              ? r.value.value === 0
              : r.parameter === 'nitrate'),
        ),
      );
      const fed = Object.values(h.doc.events).filter((e) => e.kind === 'food' || e.kind === 'bacteria');
      const gone = [...good, ...fed][which % Math.max(1, good.length + fed.length)];
      if (!gone) return;
      h.doc.samples = Object.fromEntries(Object.entries(h.doc.samples).filter(([id]) => id !== gone.id));
      delete h.doc.events[gone.id];
      expect(goes(judge(h, day + 0.1).fish.word)).toBe(false);
    }),
    RUNS,
  );
});

test('a gate passed before the animals came is passed for good', () => {
  fc.assert(
    fc.property(lifeArb, lifeArb, (life, after) => {
      const steps = life.steps.filter((s) => s.act.kind !== 'fish' && s.act.kind !== 'coral');
      const { h, day } = lived({ ...life, steps });
      h.animal(day + 0.1, 'ocellaris-clownfish');
      const passedAt = (d: number) =>
        judge(h, d)
          .gates.filter((g) => g.status === 'passed' && g.id !== 'nextStep')
          .map((g) => `${g.id} ${g.passedMs}`);
      const then = passedAt(day + 0.11);
      let later = day + 0.2;
      for (const { after: wait, act } of after.steps) {
        later += wait;
        if (act.kind === 'test') h.test(later, act.readings);
        if (act.kind === 'spill') h.event(later, { kind: 'incident', what: 'foodSpilled' });
      }
      const now = passedAt(later + 0.1);
      expect(now).toEqual(expect.arrayContaining(then));
      expect(lastOf(judge(h, later + 0.1).gates)?.status).not.toBe('passed');
    }),
    RUNS,
  );
});
