/** The forecast in words, and what of the document its worker needs. */
import { emptyDocument, type Document } from '../../../core/document';
import type { Answer, PlanChoice, Quantiles } from '../../../core/forecast';
import { groupLoadMgN } from '../../../core/stocking';
import { currentPlace } from '../../../core/readiness';

export const PLAN_WORDS: Record<PlanChoice, { label: string; note: string }> = {
  asSoFar: { label: 'As so far', note: 'what the log shows goes on' },
  dose: { label: 'Dose again when clear', note: 'grows most bacteria' },
  feed: { label: 'Feed a little daily', note: 'slow, gentle' },
  wait: { label: 'Wait', note: 'nothing more goes in' },
};

/** The part of a document that a forecast of one tank rests on. Nothing of other tanks goes to the worker. */
export function sliceFor(doc: Document, tankId: string): Document {
  const of = <T extends { tankId: string }>(list: Record<string, T>): Record<string, T> => Object.fromEntries(Object.entries(list).filter(([, e]) => e.tankId === tankId));
  const tank = doc.tanks[tankId];
  return { ...emptyDocument(), tanks: tank ? { [tankId]: tank } : {}, kits: doc.kits, samples: of(doc.samples), events: of(doc.events), animals: of(doc.animals), calibrations: doc.calibrations };
}

/** The daily load of the first animals meant: those wished for and in quarantine, or two small fish on light feed. */
export function plannedLoad(doc: Document, tankId: string): { mgN: number; words: string } {
  const meant = Object.values(doc.animals).filter((a) => a.tankId === tankId && (currentPlace(a).to === 'wish' || currentPlace(a).to === 'quarantine'));
  const mgN = meant.reduce((sum, a) => sum + groupLoadMgN(a), 0);
  return mgN > 0.5 ? { mgN, words: `the ${meant.length === 1 ? 'animal' : 'animals'} you mean to add (${mgN.toFixed(0)} mg N a day)` } : { mgN: 12, words: 'two small fish on light feed (12 mg N a day)' };
}

const DAY = 86_400_000;

/** "2 to 6 Dec, most likely the 4th"; "not within 90 days"; "now". */
export function dateWords(q: Quantiles, atMs: number, horizonDays: number, day: (ms: number) => string): string {
  if (q.p50 === 0 && (q.p90 ?? 1) < 0.6) return 'now';
  const date = (d: number) => day(atMs + d * DAY);
  if (q.p50 === null) return q.p10 === null ? `not within ${horizonDays} days` : `hardly within ${horizonDays} days, ${date(q.p10)} at the earliest`;
  const from = q.p10 === null || q.p10 === 0 ? 'now' : date(q.p10);
  if (q.p90 === null) return `from ${from}, most likely about ${date(q.p50)}, perhaps not within ${horizonDays} days`;
  const [low, mid, high] = [from, date(q.p50), date(q.p90)];
  return low === high ? mid : `${low} to ${high}, most likely ${mid}`;
}

/** The first thing to read. */
export function headline(a: Extract<Answer, { status: 'ok' }>, day: (ms: number) => string): { word: string; text: string } {
  const q = a.forecast.ready;
  if (a.proved) return { word: 'Proved', text: 'The proof is in your log. The dates below say what the filter does next.' };
  if (q.p50 === null) return { word: 'Not yet in sight', text: `On this plan a proof would ${q.p10 === null ? 'not' : 'hardly'} pass within ${a.forecast.horizonDays} days. ${whyLong(a)}` };
  const words = dateWords(q, a.atMs, a.forecast.horizonDays, day);
  return { word: words === 'now' ? 'Now' : day(a.atMs + q.p50 * DAY), text: words === 'now' ? 'A proof dose would most likely be cleared in a day: dose it and test.' : `A proof would pass ${words}.` };
}

/** When the plan itself is why it takes long. Growth is bought with nitrogen: a proof of 2 mg/L needs several doses' worth of bacteria. */
export function whyLong(a: Extract<Answer, { status: 'ok' }>): string {
  const fed = a.plan.doseMgNPerL > 0 || a.plan.feedMgNPerDay > 0;
  if (!fed) return 'Nothing more goes in, so the bacteria stop growing: clearing 2 mg/L in a day needs several doses’ worth of them. Small animals may be carried sooner.';
  if (a.plan.feedMgNPerDay > 0 && a.plan.doseMgNPerL === 0) return 'Light feeding keeps the bacteria small: enough for what is fed, not for 2 mg/L in a day.';
  return 'The doses are too far apart, or the second bacteria too few, to grow into 2 mg/L a day.';
}
