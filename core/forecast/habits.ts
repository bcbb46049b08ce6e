/** What a person's log tells of their habit of dosing ammonia: when they dose again, how often they test, how long they wait. A forecast
 *  depends on it more than on anything else that is not in the water. */
import { ACT } from './acts';
import { READ, type Timeline } from './timeline';

/** Chances, adding up to one, of when the next dose comes. */
export interface DoseHabit {
  /** As soon as a test shows ammonia at zero. */
  ammoniaClear: number;
  /** Once ammonia and nitrite both read zero, as a proof is asked for. */
  bothClear: number;
  /** By the clock, whatever the test says. */
  clock: number;
  never: number;
}

export interface Rhythm {
  /** Days between tests, shortest and longest. */
  testGapDays: readonly [number, number];
  /** Days from the test that says "ammonia clear", or "both clear", to the dose. */
  waitDays: readonly [number, number];
  bothWaitDays: readonly [number, number];
  /** Days between doses by the clock. */
  clockDays: readonly [number, number];
}

/** A sitting with both read; a missing nitrite counts as not known. */
interface Sitting {
  day: number;
  ammoniaZero: boolean;
  nitriteZero: boolean | null;
}

export function sittingsOf(t: Timeline): Sitting[] {
  const nitrites = t.observations.filter((o) => o.what === READ.nitrite);
  return t.observations
    .filter((o) => o.what === READ.ammonia)
    .map((a) => {
      const n = nitrites.find((o) => Math.abs(o.day - a.day) < 0.05);
      return {
        day: a.day,
        ammoniaZero: a.mid <= t.zeroAmmonia,
        nitriteZero: n ? n.mid <= t.zeroNitrite : null,
      };
    });
}

const doseDaysOf = (t: Timeline): number[] => t.acts.filter((a) => a.code === ACT.ammonia).map((a) => a.day);

/** A stretch from a first clear test until the next dose, a test that is clear no more, or now. */
interface Stretch {
  days: number;
  dosed: boolean;
}

/** Stretches in which a condition held since the last dose. */
function stretches(
  sittings: readonly Sitting[],
  doses: readonly number[],
  nowDay: number,
  holds: (s: Sitting) => boolean,
): Stretch[] {
  const out: Stretch[] = [];
  let since: number | null = null;
  let d = 0;
  const close = (day: number, dosed: boolean) => {
    if (since !== null) out.push({ days: day - since, dosed });
    since = null;
  };
  for (const s of sittings) {
    while (d < doses.length && (doses[d] as number) < s.day) close(doses[d++] as number, true);
    if (holds(s)) since ??= s.day;
    else close(s.day, false);
  }
  while (d < doses.length) close(doses[d++] as number, true);
  close(nowDay, false);
  return out;
}

const quantile = (sorted: readonly number[], q: number): number =>
  sorted[Math.min(sorted.length - 1, Math.max(0, Math.round(q * (sorted.length - 1))))] ?? NaN;
const span = (
  values: readonly number[],
  otherwise: readonly [number, number],
  bounds: readonly [number, number],
): readonly [number, number] => {
  if (values.length === 0) return otherwise;
  const sorted = [...values].sort((a, b) => a - b);
  const [low, high] = bounds;
  const clip = (x: number) => Math.max(low, Math.min(high, x));
  const [a, b] = [clip(quantile(sorted, 0.15)), clip(quantile(sorted, 0.85))];
  // One or two gaps say little of how they vary.
  return values.length < 3 ? [clip(a * 0.7), clip(b * 1.4)] : [a, b];
};

const gapsOf = (days: readonly number[]): number[] =>
  days
    .slice(1)
    .map((d, i) => d - (days[i] ?? d))
    .filter((g) => g > 0.15);

export function rhythmOf(t: Timeline): Rhythm {
  const sittings = sittingsOf(t);
  const doses = doseDaysOf(t);
  const waits = (holds: (s: Sitting) => boolean) =>
    stretches(sittings, doses, t.nowDay, holds)
      .filter((s) => s.dosed)
      .map((s) => s.days)
      .slice(-6);
  return {
    testGapDays: span(gapsOf(sittings.map((s) => s.day)).slice(-12), [1, 3], [0.5, 7]),
    waitDays: span(
      waits((s) => s.ammoniaZero),
      [0, 1.5],
      [0, 5],
    ),
    bothWaitDays: span(
      waits((s) => s.ammoniaZero && s.nitriteZero !== false),
      [0, 1.5],
      [0, 5],
    ),
    clockDays: span(gapsOf(doses).slice(-6), [2, 5], [0.8, 10]),
  };
}

/** Chance that someone who doses when clear has not done so `days` after the first clear test. */
const stillWaiting = (days: number, usualDays: number): number =>
  Math.exp(-((Math.max(0, days) / (2 * usualDays)) ** 2));

/** Which habit explains the doses so far, and their absence. `prior` is believed before the log speaks. */
export function habitOf(t: Timeline, prior: DoseHabit): DoseHabit {
  const sittings = sittingsOf(t);
  const doses = doseDaysOf(t);
  const usual = 1 + (rhythmOf(t).testGapDays[1] + rhythmOf(t).waitDays[1]) / 2;
  const chance = { ...prior };
  const times = (key: keyof DoseHabit, factor: number) => {
    chance[key] *= Math.max(0.02, factor);
  };
  // Each dose after the first: what did the test before it say?
  for (const day of doses.slice(1)) {
    const before = sittings.filter((s) => s.day <= day && day - s.day < 5).pop();
    if (!before) continue;
    const both = before.ammoniaZero && before.nitriteZero === true;
    times('ammoniaClear', before.ammoniaZero ? 1 : 0.1);
    times('bothClear', both ? 1 : 0.1);
    times('clock', before.ammoniaZero ? 0.4 : 1);
    times('never', 0.1);
  }
  // Each stretch that was clear and was not used.
  for (const s of stretches(sittings, doses, t.nowDay, (x) => x.ammoniaZero && x.nitriteZero === false))
    if (!s.dosed) times('ammoniaClear', stillWaiting(s.days, usual));
  for (const s of stretches(sittings, doses, t.nowDay, (x) => x.ammoniaZero && x.nitriteZero !== false)) {
    if (s.dosed) continue;
    times('ammoniaClear', stillWaiting(s.days, usual));
    times('bothClear', stillWaiting(s.days, usual));
  }
  const last = doses[doses.length - 1];
  if (last !== undefined)
    times('clock', stillWaiting(t.nowDay - last, doses.length > 1 ? rhythmOf(t).clockDays[1] : 4));
  const sum = chance.ammoniaClear + chance.bothClear + chance.clock + chance.never;
  return {
    ammoniaClear: chance.ammoniaClear / sum,
    bothClear: chance.bothClear / sum,
    clock: chance.clock / sum,
    never: chance.never / sum,
  };
}
