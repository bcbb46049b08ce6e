/** The whole question in one call: a tank of a document at a moment, under a plan, to dates and bands. The screen's worker and the
 *  headless face both come through here, so that both say the same. */
import { documentAsOf, type Document, type Display } from '../document';
import { gatherEvidence, lastOf, proofState, type Point } from '../evidence';
import { DAY_MS } from '../time';
import type { CannotCode, StatementOf } from '../statements';
import type { AdditionPeaks } from '../stocking/peaks';
import { netVolume } from '../volume';
import { additionPeaks } from './additions';
import { forecastWith, type Forecast, type Quantiles } from './forecast';
import {
  DEFAULT_OPTIONS,
  inferIsland,
  pooled,
  type InferOptions,
  type Island,
  type Posterior,
  type Progress,
} from './infer';
import { targetOf, type Target } from './likelihood';
import { TAKEN } from './limits';
import { defaultPlan, type CarePlan, type PlanChoice } from './plan';
import { fitBands, fittedNumbers, type FitDay, type Fitted } from './fit';
import { surprises, type Surprise } from './surprise';
import { nextTest, volumeDoubt, type NextTest, type WidthThen } from './teaching';
import { timelineOf, type Timeline } from './timeline';

export interface Question {
  waterId: string;
  atMs: number;
  seed: number;
  horizonDays: number;
  plan: PlanChoice;
  /** Daily nitrogen of the first animals meant, mg N; null without. */
  loadMgN: number | null;
  options?: Partial<InferOptions>;
}

export type Answer =
  | { status: 'cannotSay'; because: StatementOf<CannotCode> }
  | {
      status: 'ok';
      atMs: number;
      startMs: number;
      plan: CarePlan;
      forecast: Forecast;
      proved: boolean;
      readings: number;
      acceptance: number;
      surprises: Surprise[];
      fit: FitDay[];
      fitted: Fitted;
      loadMgN: number | null;
      nextTest: NextTest | null;
      /** Width of the date as it is and were the real volume known, days; null where that would settle little. */
      volumeDoubt: WidthThen | null;
      /** Ammonia after the next addition, for loads of several sizes. */
      additions: AdditionPeaks;
    };

/** A question with everything that is read from the document for it. */
export interface Asked {
  question: Question;
  water: Display;
  target: Target;
  /** The log holds a proof that passed. */
  proved: boolean;
  /** Ammonia and nitrite read zero so lately that it stands for today. */
  zeroNow: { ammonia: boolean; nitrite: boolean };
}

/** Reads the document for a question; what cannot be answered is said at once. @throws RangeError for a tank that is not there. */
export function read(doc: Document, q: Question): Asked | Extract<Answer, { status: 'cannotSay' }> {
  const known = documentAsOf(doc, q.atMs);
  const water = known.waters[q.waterId];
  if (water?.kind !== 'display') throw new RangeError(`there is no display "${q.waterId}" in the document`);
  const evidence = gatherEvidence(known, q.waterId, q.atMs);
  const volume = netVolume(water);
  const timeline = timelineOf(evidence, volume.sdL / volume.netL);
  const silent = whySilent(water, timeline);
  if (silent) return { status: 'cannotSay', because: silent };
  const zero = (p: Point | undefined) =>
    p !== undefined && p.zero && q.atMs - p.atMs <= TAKEN.freshDays * DAY_MS;
  return {
    question: q,
    water,
    target: targetOf(water, timeline),
    proved: proofState(evidence).status === 'passed',
    zeroNow: {
      ammonia: zero(lastOf(evidence.series.ammonia)),
      nitrite: zero(lastOf(evidence.series.nitrite)),
    },
  };
}

/** Options of island `i`, counted from 0, of a question's fit. */
export const islandOptions = (q: Question, i: number): InferOptions => ({
  ...DEFAULT_OPTIONS,
  ...q.options,
  seed: q.seed * 1009 + i,
});

/** From a fit to dates and bands, under a plan. */
export function answerFrom(asked: Asked, posterior: Posterior, choice = asked.question.plan): Answer {
  const { question: q, target, proved, zeroNow } = asked;
  const { timeline } = target;
  const surprising = surprises(posterior);
  if (surprising.share > TAKEN.unexplainedShare)
    return { status: 'cannotSay', because: { code: 'readingsContradict' } };
  const plan = defaultPlan(asked.water, timeline, choice);
  const { forecast: out, shown } = forecastWith(posterior, plan, q);
  const doubt = volumeDoubt(shown, out.horizonDays);
  const now: Quantiles = { p10: 0, p50: 0, p90: 0 };
  return {
    status: 'ok',
    atMs: q.atMs,
    startMs: timeline.startMs,
    plan,
    proved,
    readings: timeline.observations.length,
    acceptance: posterior.acceptance,
    surprises: surprising.recent,
    fit: fitBands(posterior),
    fitted: fittedNumbers(posterior),
    loadMgN: q.loadMgN,
    nextTest: nextTest(out, shown, timeline),
    volumeDoubt: doubt.widthThen < (1 - TAKEN.volumeSettles) * doubt.widthNow ? doubt : null,
    additions: additionPeaks(posterior, plan, { seed: q.seed, readsZero: zeroNow.ammonia }),
    // What a proof has shown is not forecast any more.
    forecast: proved
      ? {
          ...out,
          ready: now,
          luck: { ...out.luck, ready: 0 },
          readyNowShare: 1,
          neverShare: 0,
          readyDays: new Float64Array(out.readyDays.length),
          ammoniaClear: zeroNow.ammonia ? now : out.ammoniaClear,
          nitriteClear: zeroNow.nitrite ? now : out.nitriteClear,
        }
      : out,
  };
}

/** Does the likely date still depend on the luck of the draw more than it may? Few islands may agree by chance: theirs is held for larger. */
export function narrowing(a: Answer, islands: number): boolean {
  if (a.status === 'cannotSay' || islands < 2) return false;
  const { ready, luck, horizonDays } = a.forecast;
  const width = (ready.p90 ?? horizonDays) - (ready.p10 ?? horizonDays);
  return luck.ready * (1 + 1 / (islands - 1)) > TAKEN.luckShare * Math.max(TAKEN.luckFloorDays, width);
}

/** Fits and forecasts; yields progress. The posterior is handed out for other courses.
 *  @throws RangeError for a tank that is not there. */
export function* answer(
  doc: Document,
  q: Question,
): Generator<Progress, { answer: Answer; posterior: Posterior | null }> {
  const asked = read(doc, q);
  if ('status' in asked) return { answer: asked, posterior: null };
  const [usual, most] = islandOptions(q, 0).islands;
  const islands: Island[] = [];
  for (;;) {
    const goal = islands.length === 0 ? usual : Math.min(most, islands.length + usual);
    while (islands.length < goal) {
      const run = inferIsland(asked.target, islandOptions(q, islands.length));
      let next = run.next();
      while (!next.done) {
        yield { done: Math.min(0.95, (islands.length + next.value.done) / Math.max(usual, goal)) };
        next = run.next();
      }
      islands.push(next.value);
    }
    const posterior = pooled(asked.target, islands, q.seed);
    const said = answerFrom(asked, posterior);
    if (islands.length >= most || !narrowing(said, islands.length)) return { answer: said, posterior };
  }
}

/** What forbids a forecast before anything is fitted; null when there is something to fit. */
function whySilent(water: Display, timeline: Timeline): StatementOf<CannotCode> | null {
  const nothingGiven = timeline.acts.length === 0;
  if (!timeline.observations.some((o) => o.what < 2)) {
    return { code: nothingGiven ? 'nothingLogged' : 'noTrustedNitrogen' };
  }
  if (timeline.nowDay > TAKEN.longestDays) return { code: 'logTooLong' };
  const neverFound = timeline.observations.every((o) => o.what > 1 || o.low <= 0);
  return nothingGiven && water.ammoniaSource !== 'dieOff' && neverFound ? { code: 'onlyZeros' } : null;
}

/** Runs a question to its end without pauses. */
export function answerNow(doc: Document, q: Question): Answer {
  const run = answer(doc, q);
  let next = run.next();
  while (!next.done) next = run.next();
  return next.value.answer;
}
