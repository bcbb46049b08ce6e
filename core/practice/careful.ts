/** What the careful course would have done from the same start. It sees the truth, doses when both are gone, keeps alkalinity up, changes out
 *  what is too much, and proves on the first evening on which the proof would pass. Away it is as long as anybody.
 *  The measure a run is held against, not a way anyone could play. */
import type { Document, WaterEvent } from '../document';
import { PROOF_MG_N } from '../forecast';
import { DAY_MS, UTC } from '../time';
import { begin, PRACTICE_WATER } from './begin';
import { isAway, type Scenario } from './scenario';
import { truthAt, type Truth } from './truth';

const START = Date.UTC(2026, 2, 1);
const EVENING = 19 / 24;
/** More ammonia than this is changed out, mg N/L. */
const TOO_MUCH = 3.5;

export interface CarefulCourse {
  /** The evening on which its proof has passed and the change after it is made; null where it does not within the scenario's days. With fish
   *  from the first day, or a transfer, the evening on which a day's ammonia would be gone. */
  readyDay: number | null;
  /** Its log, begun at `startMs`. */
  doc: Document;
  startMs: number;
  course: Truth['course'];
}

/** Lives it evening by evening; yields the day each has come to, so that a page stays free. */
export function* carefulSteps(scenario: Scenario, seed: number): Generator<number, CarefulCourse> {
  let doc: Document = begin(scenario, START, UTC.dayOf);
  let n = 0;
  const log = (day: number, event: object): void => {
    const id = `c${n++}`;
    const at = new Date(START + Math.round(day * DAY_MS)).toISOString();
    doc = {
      ...doc,
      events: {
        ...doc.events,
        [id]: { id, waterId: PRACTICE_WATER, at, note: '', ...event } as WaterEvent,
      },
    };
  };
  if (
    scenario.start.bacteriaSources.includes('bottle') &&
    scenario.start.done.every((d) => d.what !== 'bacteria')
  )
    log(EVENING, { kind: 'bacteria', seed: 'bottle', mL: null });
  const { litres } = scenario.start;
  let course: Truth['course'] = [];
  for (let d = 0; d < scenario.days; d++) {
    const day = d + EVENING;
    if (isAway(scenario, day)) continue;
    const truth = truthAt(scenario, seed, doc, PRACTICE_WATER, START, START + day * DAY_MS);
    course = truth.course;
    const { ammonium, nitrite, dkh } = truth.pools;
    // A day for the proof, one for the change after it.
    if (d > 0 && truth.passes()) return { readyDay: day + 2, doc, startMs: START, course };
    if (ammonium > TOO_MUCH) log(day, { kind: 'waterChange', litres: litres * (1 - PROOF_MG_N / ammonium) });
    if (dkh < 6) log(day + 0.001, { kind: 'dose', what: 'alkalinity', rise: 2, grams: null });
    if (ammonium < 0.1 && nitrite < 0.3 && truth.lost.length === 0 && scenario.school !== 'firstFish')
      log(day + 0.002, { kind: 'ammoniaDose', mgN: PROOF_MG_N * litres, mL: null });
    yield day;
  }
  return { readyDay: null, doc, startMs: START, course };
}

/** The same in one go, only its day. */
export function carefulDay(scenario: Scenario, seed: number): number | null {
  const steps = carefulSteps(scenario, seed);
  let step = steps.next();
  while (!step.done) step = steps.next();
  return step.value.readyDay;
}
