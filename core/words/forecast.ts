/** The forecast in words. The person's calendar comes in as a function, so that nothing here knows a locale. */
import {
  PROOF_MG_N,
  type Answer,
  type CarePlan,
  type PlanChoice,
  type Quantiles,
  type Surprise,
  type WidthThen,
} from '../forecast';
import type { WaterEvent } from '../document';
import type { WaterEvidence } from '../evidence';
import { DAY_MS } from '../time';
import { PRINTED_PER_N, showQuantity, type UnitPreferences } from '../units';
import { bandWords, spanWords } from './teaching';

const NH4_PER_N = PRINTED_PER_N.ammonia.ion;

/** A likely day is said only as finely as it is known: a standard error above this, in days, makes it a stretch. */
const FINE_DAYS = 1;

/** "4 Dec"; "between 1 Dec and 7 Dec" where the luck of the draw leaves more than a day open. */
function likelyDay(p50: number, luckDays: number, date: (d: number) => string): string {
  if (luckDays <= FINE_DAYS) return date(p50);
  const [from, to] = [date(Math.max(0, p50 - 2 * luckDays)), date(p50 + 2 * luckDays)];
  return from === to ? from : `between ${from} and ${to}`;
}

/** "2 to 6 Dec, most likely the 4th"; "not within 90 days"; "now". `luckDays`: standard error of the middle. */
export function dateWords(
  q: Quantiles,
  atMs: number,
  horizonDays: number,
  day: (ms: number) => string,
  luckDays = 0,
): string {
  if (q.p50 === 0 && (q.p90 ?? 1) < 0.6) return 'now';
  const date = (d: number) => day(atMs + d * DAY_MS);
  if (q.p50 === null)
    return q.p10 === null
      ? `not within ${horizonDays} days`
      : `hardly within ${horizonDays} days, ${date(q.p10)} at the earliest`;
  const from = q.p10 === null || q.p10 === 0 ? 'now' : date(q.p10);
  const mid = likelyDay(q.p50, luckDays, date);
  if (q.p90 === null)
    return `from ${from}, most likely ${luckDays > FINE_DAYS ? '' : 'about '}${mid}, perhaps not within ${horizonDays} days`;
  const high = date(q.p90);
  return from === high ? mid : `${from} to ${high}, most likely ${mid}`;
}

/** The same in a breath, for a label: "2 to 6 Dec, likely the 4 Dec", "from 3 Dec, likely 11 Dec". Null when no date is in sight. */
export function shortDates(
  q: Quantiles,
  atMs: number,
  day: (ms: number) => string,
  luckDays = 0,
): string | null {
  const date = (d: number) => day(atMs + d * DAY_MS);
  if (q.p50 === null) return null;
  const mid = q.p50 < 0.6 ? 'now' : likelyDay(q.p50, luckDays, date);
  const low = q.p10 === null || q.p10 < 0.6 ? 'now' : date(q.p10);
  if (q.p90 === null) return low === mid ? `likely ${mid}, or much later` : `from ${low}, likely ${mid}`;
  const high = q.p90 < 0.6 ? 'now' : date(q.p90);
  return low === high ? mid : `${low} to ${high}, likely ${mid}`;
}

type Ok = Extract<Answer, { status: 'ok' }>;

/** The first thing to read. */
/** @param animalsIn no sentence then speaks of dosing: what matters is when both read zero */
export function headline(
  a: Ok,
  day: (ms: number) => string,
  animalsIn: boolean,
): { word: string; text: string } {
  if (animalsIn) return stockedHeadline(a, day);
  const q = a.forecast.ready;
  if (a.proved)
    return {
      word: 'Proved',
      text: 'The proof is in your log. The dates below say what the filter does next.',
    };
  if (q.p50 === null)
    return {
      word: 'Not yet in sight',
      text: `On this plan a proof would ${q.p10 === null ? 'not' : 'hardly'} pass within ${a.forecast.horizonDays} days. ${whyLong(a)}`,
    };
  const luck = a.forecast.luck.ready;
  const words = dateWords(q, a.atMs, a.forecast.horizonDays, day, luck);
  if (words === 'now')
    return { word: 'Now', text: 'A proof dose would most likely be cleared in a day: dose it and test.' };
  return {
    word: q.p50 < 0.6 ? 'Likely now' : capital(likelyDay(q.p50, luck, (d) => day(a.atMs + d * DAY_MS))),
    text: `A proof would pass ${words}.${q.p10 === 0 ? ' It may be ready today: a proof dose, once both read zero, would tell.' : ''}`,
  };
}

/** With animals in: ammonia is never added, whatever the filter could clear. */
function stockedHeadline(a: Ok, day: (ms: number) => string): { word: string; text: string } {
  const q = a.forecast.nitriteClear;
  const luck = a.forecast.luck.bothClear;
  const words = dateWords(q, a.atMs, a.forecast.horizonDays, day, luck);
  const date = (d: number) => day(a.atMs + d * DAY_MS);
  return {
    word:
      q.p50 === null
        ? 'Not yet in sight'
        : q.p50 < 0.6
          ? 'Likely clear'
          : capital(likelyDay(q.p50, luck, date)),
    text: `Both likely read zero: ${words}. Animals are in: add no ammonia.`,
  };
}

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

/** Entries that may move a date, in words and in order: "nitrite 5, ammonia 0", "a dose of ammonia". */
export function movingEntries(e: WaterEvidence): { atMs: number; text: string }[] {
  const readings = new Map<number, string[]>();
  for (const name of ['ammonia', 'nitrite'] as const)
    for (const p of e.series[name]) {
      if (p.doubts.length > 0) continue;
      readings.set(p.atMs, [...(readings.get(p.atMs) ?? []), `${name} ${p.text}`]);
    }
  const acts = e.events.flatMap((x) => {
    const text = MOVING_ACTS[x.kind];
    return text ? [{ atMs: Date.parse(x.at), text }] : [];
  });
  return [...Array.from(readings, ([atMs, texts]) => ({ atMs, text: texts.join(', ') })), ...acts].sort(
    (a, b) => a.atMs - b.atMs,
  );
}

const MOVING_ACTS: Partial<Record<WaterEvent['kind'], string>> = {
  ammoniaDose: 'a dose of ammonia',
  food: 'food',
  seafoodOut: 'the seafood out',
  bacteria: 'bacteria added',
  waterChange: 'a water change',
};

/** "On 3 Dec the likely date moved from 9 to 20 Dec, after nitrite 5." */
export function moveWords(
  m: { atMs: number; fromMs: number; toMs: number; because: string | null },
  day: (ms: number) => string,
): string {
  const why =
    m.because === null ? 'nothing was logged in between: time passed without clearing' : `after ${m.because}`;
  return `On ${day(m.atMs)} the likely date moved from ${day(m.fromMs)} to ${day(m.toMs)}, ${why}.`;
}

/** "On 20 Nov: 3 days too late, inside the band." */
export function heldWords(
  h: { atMs: number; offDays: number; inside: boolean },
  day: (ms: number) => string,
): string {
  const off = Math.round(Math.abs(h.offDays));
  const how =
    off === 0
      ? 'right to the day'
      : `${off} day${off === 1 ? '' : 's'} too ${h.offDays > 0 ? 'late' : 'early'}`;
  return `On ${day(h.atMs)}: ${how}, ${h.inside ? 'inside the band' : 'outside the band'}.`;
}

/** What settles the doubt of how much water there is, where that makes up much of the date's. */
export function volumeDoubtWords(doubt: WidthThen, animalsIn: boolean): string {
  const [now, then] = [spanWords(doubt.widthNow), spanWords(doubt.widthThen)];
  const how = animalsIn
    ? 'Measure the litres with the next water change.'
    : 'Test ammonia an hour after the next weighed dose: the rise tells the litres.';
  return `Much of this doubt is how much water there really is: knowing it would narrow ${bandWords(doubt.of)} from ${now} to ${then}. ${how}`;
}

/** Courses as a person says them, and what each costs. */
export const COURSE_NAMES: Record<PlanChoice, string> = {
  asSoFar: 'As so far',
  dose: 'Dose 2 mg/L again whenever ammonia is clear',
  wait: 'Wait and add nothing',
  feed: 'Feed a little daily instead',
  bottle: 'A new bottle of bacteria',
  media: 'Media from a running tank',
  warmer: '{temperature:27:0} warm',
  change: 'Half the water changed now',
};

export function courseCost(id: PlanChoice, plan: CarePlan, litres: number, units: UnitPreferences): string {
  switch (id) {
    case 'asSoFar':
    case 'wait':
      return 'It costs nothing but time';
    case 'dose':
      return `${((plan.doseMgNPerL * litres) / 1000).toFixed(2)} g N of ammonia each time, a test a day`;
    case 'feed':
      return `Food worth ${plan.feedMgNPerDay.toFixed(0)} mg N a day`;
    case 'bottle':
      return 'A bottle; one in five is dead';
    case 'media':
      return 'A healthy tank to take them from; pests may come along';
    case 'warmer':
      return 'Heat, and less oxygen; back again before animals come';
    case 'change':
      return `${showQuantity('volume', (plan.changeShare ?? 0) * litres, units, 0)} of new salt water`;
  }
}

const doses = (p: CarePlan): boolean => p.doseMgNPerL > 0 && p.when.never < 0.9;

/** When the plan itself is why it takes long. Growth is bought with nitrogen: a proof of 2 mg/L needs several doses' worth of bacteria. */
export function whyLong(a: Ok): string {
  // Most futures without another dose: that is why, not the pace of the doses.
  const dosing = doses(a.plan) && a.plan.when.never < 0.5;
  if (!dosing && a.plan.feedMgNPerDay === 0)
    return 'Nothing more goes in, so the bacteria stop growing: clearing 2 mg/L in a day needs several doses’ worth of them. Small animals may be carried sooner.';
  if (a.plan.feedMgNPerDay > 0 && !dosing)
    return 'Light feeding keeps the bacteria small: enough for what is fed, not for 2 mg/L in a day.';
  return 'The doses are too far apart, or the second bacteria too few, to grow into 2 mg/L a day.';
}

/** What the fit expected where a reading surprises, as most kits would print it. */
export function expectedWords(s: Surprise): string {
  const mid = s.expected[1];
  if (s.what === 'alkalinity') return `${mid.toFixed(1)} dKH`;
  const printed = mid * PRINTED_PER_N[s.what].ion;
  return `${printed.toFixed(printed < 10 ? 1 : 0)} mg/L ${{ ammonia: 'NH₄', nitrite: 'NO₂', nitrate: 'NO₃' }[s.what]}`;
}

/** A reading the model did not expect. @param day of it; @param expected as `expectedWords` says it; @param first whether it is to be acted upon
 *  before it is doubted */
export const surpriseWords = (what: string, day: string, expected: string, first: boolean): string =>
  `The ${what} reading of ${day} surprises: about ${expected} was expected. ` +
  `${first ? 'Act by what was read, then' : 'Before believing it:'} repeat the test, check basis and date, ` +
  'and whether a dose or change is missing from the log.';

export type Derived =
  'ammoniaClear' | 'bothClear' | 'ready' | 'load' | 'doublingA' | 'doublingN' | 'alkalinity';

/** How a number of the forecast came about: the rule, then the same with the numbers of this tank in it. */
export function derivation(what: Derived, a: Ok, units: UnitPreferences): string[] {
  const f = a.fitted;
  const nh4 = (x: number) => `${(x * NH4_PER_N).toFixed(2)} mg/L NH₄`;
  const no2 = (x: number) => `${(x * PRINTED_PER_N.nitrite.ion).toFixed(2)} mg/L NO₂`;
  const range = ([low, mid, high]: readonly [number, number, number], digits = 2) =>
    `${mid.toFixed(digits)} (${low.toFixed(digits)} to ${high.toFixed(digits)})`;
  const futures = `${f.particles} tanks that fit your ${a.readings} readings run on under the plan. The dates are those by which 10, 50 and 90 of 100 of them get there, stretched a little for what the model cannot know.`;
  const doubling = (mu: readonly [number, number, number], group: string) => [
    `Doubling = ln 2 / (μ · 1.1^(T − 25) · this week’s growth), for the ${group} bacteria with plenty to eat.`,
    `ln 2 / (${mu[1].toFixed(2)} a day × ${f.warmth.toFixed(2)}) = ${((Math.LN2 * 24) / (mu[1] * f.warmth)).toFixed(0)} h at ${showQuantity('temperature', f.tempC, units)}, before the week’s wandering. μ is ${range(mu)} mg N/L a day for each mg N/L oxidised.`,
  ];
  switch (what) {
    case 'ammoniaClear':
      return [
        `The first half day on which your kit would read zero: under ${nh4(f.zeroAmmonia)}, half its lowest step.`,
        `Uptake = X · A / (Ka + A): X now ${range(f.capacityA)} mg N/L a day, Ka ${range(f.ka)} mg N/L.`,
        futures,
      ];
    case 'bothClear':
      return [
        `The first half day on which both would read zero: ammonia under ${nh4(f.zeroAmmonia)}, nitrite under ${no2(f.zeroNitrite)}.`,
        `Nitrite goes by Y · N / (Kn + N): Y now ${range(f.capacityN)} mg N/L a day, Kn ${range(f.kn)} mg N/L.`,
        futures,
      ];
    case 'ready':
      return [
        `On each half day 2 mg/L NH₄ (${PROOF_MG_N.toFixed(3)} mg N/L in ${showQuantity('volume', f.believedL, units, 0)}) are put into each tank on trial. It passes when a day later both would read zero.`,
        `Capacities now: first group ${range(f.capacityA)}, second ${range(f.capacityN)} mg N/L a day; about twice the dose a day is needed, because uptake slackens as little is left.`,
        futures,
      ];
    case 'load':
      return a.loadMgN === null
        ? []
        : [
            `The load must be taken up with ammonia at 0.05 and nitrite at 0.1 mg N/L: X · 0.05 / (Ka + 0.05) and Y · 0.1 / (Kn + 0.1).`,
            `${a.loadMgN.toFixed(0)} mg N a day in ${showQuantity('volume', f.believedL * f.volume[1], units, 0)} is ${(a.loadMgN / (f.believedL * f.volume[1])).toFixed(3)} mg N/L a day; today’s middle is ${((f.capacityA[1] * 0.05) / (f.ka[1] + 0.05)).toFixed(3)} and ${((f.capacityN[1] * 0.1) / (f.kn[1] + 0.1)).toFixed(3)}.`,
            futures,
          ];
    case 'doublingA':
      return doubling(f.muA, 'first');
    case 'doublingN':
      return doubling(f.muN, 'second');
    case 'alkalinity':
      return [
        'Each mg N/L of ammonia oxidised uses 0.400 dKH; buffer that the plan would add is left out here.',
        `Now ${a.forecast.bands[0]?.alkalinity[1].toFixed(1) ?? '–'} dKH in the middle of the fit.`,
      ];
  }
}

const span = ([low, high]: readonly [number, number]): string => {
  const [a, b] = [Math.round(low * 2) / 2, Math.round(high * 2) / 2];
  return b <= 1 && a >= 0.5 ? 'daily' : a === b ? `every ${a} days` : `every ${a || 'half'} to ${b} days`;
};

/** What the person has said they will do, in their units; what the futures do where nothing was said. */
export function plannedWords(p: CarePlan, units: UnitPreferences): string {
  const temperature =
    p.tempC === undefined
      ? 'Temperature as it was measured.'
      : `Held at ${showQuantity('temperature', p.tempC, units, 1)}.`;
  const alkalinity =
    p.alkalinityDkh === undefined
      ? 'Alkalinity buffered when it falls under 6 dKH.'
      : `Alkalinity kept up to ${p.alkalinityDkh.toFixed(1)} dKH.`;
  const change = p.change
    ? `${Math.round(p.change.share * 100)} % of the water changed ${p.change.everyDays === 1 ? 'every day' : `every ${p.change.everyDays} days`}.`
    : 'No water changes ahead.';
  return `${temperature} ${alkalinity} ${change}`;
}

/** What the forecast takes the person to go on doing, in a sentence or two. */
export function planWords(p: CarePlan): string {
  const parts: string[] = p.bottle ? ['A new bottle of bacteria now.'] : [];
  if (doses(p)) {
    const habits = [
      { share: p.when.ammoniaClear, text: 'as soon as ammonia reads zero' },
      { share: p.when.bothClear, text: 'once ammonia and nitrite both read zero' },
      { share: p.when.clock, text: `${span(p.rhythm.clockDays)}, whatever the test says` },
      { share: p.when.never, text: 'never again' },
    ]
      .filter((h) => h.share >= 0.1)
      .sort((x, y) => y.share - x.share);
    const said = habits.map((h) =>
      habits.length === 1 ? h.text : `${h.text} in ${Math.round(h.share * 10)} of 10 futures`,
    );
    parts.push(
      `Doses of ${(p.doseMgNPerL * NH4_PER_N).toFixed(1)} mg/L: ${said.join(', ')}.`,
      `Tests ${span(p.rhythm.testGapDays)}.`,
    );
  }
  if (p.feedMgNPerDay > 0) parts.push(`Food worth ${p.feedMgNPerDay.toFixed(0)} mg N a day.`);
  if (!doses(p) && p.feedMgNPerDay === 0) parts.push('Nothing more goes in.');
  return parts.join(' ');
}
