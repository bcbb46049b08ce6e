/** The forecast in words. The person's calendar comes in as a function, so that nothing here knows a locale. */
import { NH4_PER_N } from './plan';
import type { Answer } from './answer';
import type { Quantiles } from './forecast';
import type { CarePlan } from './plan';

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

/** The same in a breath, for a label: "2 to 6 Dec, likely the 4 Dec", "from 3 Dec, likely 11 Dec". Null when no date is in sight. */
export function shortDates(q: Quantiles, atMs: number, day: (ms: number) => string): string | null {
  const date = (d: number) => day(atMs + d * DAY);
  if (q.p50 === null) return null;
  const mid = q.p50 < 0.6 ? 'now' : date(q.p50);
  const low = q.p10 === null || q.p10 < 0.6 ? 'now' : date(q.p10);
  if (q.p90 === null) return low === mid ? `likely ${mid}, or much later` : `from ${low}, likely ${mid}`;
  const high = q.p90 < 0.6 ? 'now' : date(q.p90);
  return low === high ? mid : `${low} to ${high}, likely ${mid}`;
}

type Ok = Extract<Answer, { status: 'ok' }>;

/** The first thing to read. */
export function headline(a: Ok, day: (ms: number) => string): { word: string; text: string } {
  const q = a.forecast.ready;
  if (a.proved) return { word: 'Proved', text: 'The proof is in your log. The dates below say what the filter does next.' };
  if (q.p50 === null) return { word: 'Not yet in sight', text: `On this plan a proof would ${q.p10 === null ? 'not' : 'hardly'} pass within ${a.forecast.horizonDays} days. ${whyLong(a)}` };
  const words = dateWords(q, a.atMs, a.forecast.horizonDays, day);
  if (words === 'now') return { word: 'Now', text: 'A proof dose would most likely be cleared in a day: dose it and test.' };
  return { word: q.p50 < 0.6 ? 'Likely now' : day(a.atMs + q.p50 * DAY), text: `A proof would pass ${words}.${q.p10 === 0 ? ' It may be ready today: a proof dose, once both read zero, would tell.' : ''}` };
}

const doses = (p: CarePlan): boolean => p.doseMgNPerL > 0 && p.when.never < 0.9;

/** When the plan itself is why it takes long. Growth is bought with nitrogen: a proof of 2 mg/L needs several doses' worth of bacteria. */
export function whyLong(a: Ok): string {
  if (!doses(a.plan) && a.plan.feedMgNPerDay === 0) return 'Nothing more goes in, so the bacteria stop growing: clearing 2 mg/L in a day needs several doses’ worth of them. Small animals may be carried sooner.';
  if (a.plan.feedMgNPerDay > 0 && !doses(a.plan)) return 'Light feeding keeps the bacteria small: enough for what is fed, not for 2 mg/L in a day.';
  return 'The doses are too far apart, or the second bacteria too few, to grow into 2 mg/L a day.';
}

const span = ([low, high]: readonly [number, number]): string => {
  const [a, b] = [Math.round(low * 2) / 2, Math.round(high * 2) / 2];
  return b <= 1 && a >= 0.5 ? 'daily' : a === b ? `every ${a} days` : `every ${a || 'half'} to ${b} days`;
};

/** What the forecast takes the person to go on doing, in a sentence or two. */
export function planWords(p: CarePlan): string {
  const parts: string[] = [];
  if (doses(p)) {
    const habits = [
      { share: p.when.ammoniaClear, text: 'as soon as ammonia reads zero' }, { share: p.when.bothClear, text: 'once ammonia and nitrite both read zero' },
      { share: p.when.clock, text: `${span(p.rhythm.clockDays)}, whatever the test says` }, { share: p.when.never, text: 'never again' },
    ].filter((h) => h.share >= 0.1).sort((x, y) => y.share - x.share);
    const said = habits.map((h) => (habits.length === 1 ? h.text : `${h.text} in ${Math.round(h.share * 10)} of 10 futures`));
    parts.push(`Doses of ${(p.doseMgNPerL * NH4_PER_N).toFixed(1)} mg/L: ${said.join(', ')}.`, `Tests ${span(p.rhythm.testGapDays)}.`);
  }
  if (p.feedMgNPerDay > 0) parts.push(`Food worth ${p.feedMgNPerDay.toFixed(0)} mg N a day.`);
  return parts.length > 0 ? parts.join(' ') : 'Nothing more goes in.';
}
