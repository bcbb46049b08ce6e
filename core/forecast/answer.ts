/** The whole question in one call: a tank of a document at a moment, under a plan, to dates and bands. The screen's worker and the
 *  headless face both come through here, so that both say the same. */
import { documentAsOf, type Document, type Display } from '../document';
import { gatherEvidence, lastOf, proofState } from '../evidence';
import { DAY_MS } from '../time';
import type { CannotCode, StatementOf } from '../statements';
import { netVolume } from '../volume';
import { forecast, type Forecast, type Quantiles } from './forecast';
import { DEFAULT_OPTIONS, infer, type InferOptions, type Posterior, type Progress } from './infer';
import { TAKEN } from './limits';
import { defaultPlan, type CarePlan, type PlanChoice } from './plan';
import { fitBands, fittedNumbers, nextTest, type FitDay, type Fitted, type NextTest } from './fit';
import { surprises, type Surprise } from './surprise';
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
    };

/** Fits and forecasts; yields progress. The posterior is handed out for what-ifs, and for the same question under another plan: given
 *  back as `fitted`, nothing is fitted anew. @throws RangeError for a tank that is not there. */
export function* answer(
  doc: Document,
  q: Question,
  fitted: Posterior | null = null,
): Generator<Progress, { answer: Answer; posterior: Posterior | null }> {
  const known = documentAsOf(doc, q.atMs);
  const water = known.waters[q.waterId];
  if (water?.kind !== 'display') throw new RangeError(`there is no display "${q.waterId}" in the document`);
  const evidence = gatherEvidence(known, q.waterId, q.atMs);
  const volume = netVolume(water);
  const timeline = timelineOf(evidence, volume.sdL / volume.netL);
  const silent = whySilent(water, timeline);
  if (silent) return { answer: { status: 'cannotSay', because: silent }, posterior: null };
  const posterior =
    fitted ?? (yield* infer(water, timeline, { ...DEFAULT_OPTIONS, ...q.options, seed: q.seed }));
  const surprising = surprises(posterior);
  if (surprising.share > TAKEN.unexplainedShare) {
    return { answer: { status: 'cannotSay', because: { code: 'readingsContradict' } }, posterior: null };
  }
  const plan = defaultPlan(water, timeline, q.plan);
  const out = forecast(posterior, plan, { horizonDays: q.horizonDays, seed: q.seed, loadMgN: q.loadMgN });
  const proved = proofState(evidence).status === 'passed';
  const now: Quantiles = { p10: 0, p50: 0, p90: 0 };
  const lastA = lastOf(evidence.series.ammonia);
  const lastN = lastOf(evidence.series.nitrite);
  const fresh = (p: { atMs: number } | undefined) =>
    p !== undefined && q.atMs - p.atMs <= TAKEN.freshDays * DAY_MS;
  return {
    answer: {
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
      nextTest: nextTest(out, timeline),
      // What a proof has shown is not forecast any more.
      forecast: proved
        ? {
            ...out,
            ready: now,
            readyNowShare: 1,
            neverShare: 0,
            readyDays: new Float64Array(out.readyDays.length),
            ammoniaClear: lastA?.zero && fresh(lastA) ? now : out.ammoniaClear,
            nitriteClear: lastN?.zero && fresh(lastN) ? now : out.nitriteClear,
          }
        : out,
    },
    posterior,
  };
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
