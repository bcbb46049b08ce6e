/** Judges the forecast on tanks of another making (core/testing/otherTank.ts): `npm run accuracy -- [tanks] [seed]`. Prints the table of
 *  docs/forecast-accuracy.md. */
import { DAY_MS } from '../core/time';
import { answerNow, type Quantiles } from '../core/forecast';
import type { Parameter } from '../core/document';
import { assessWater } from '../core/readiness';
import { gatherEvidence } from '../core/evidence';
import { seededRandom } from '../core/random';
import { METHODS, OTHER_START, otherTank, type OtherTank } from '../core/testing/otherTank';

const waters = Number(process.argv[2] ?? 200);
const firstSeed = Number(process.argv[3] ?? 1);
const END = 90;

/** Dates from what was logged by a day; where nothing can be said, none is in sight. */
export function forecastAt(water: OtherTank, cutDay: number, seed: number) {
  const nowMs = OTHER_START + cutDay * DAY_MS;
  const a = answerNow(water.doc, {
    waterId: 't',
    atMs: nowMs,
    seed,
    horizonDays: Math.ceil(END - cutDay + 5),
    plan: 'asSoFar',
    loadMgN: null,
  });
  const none: Quantiles = { p10: null, p50: null, p90: null };
  const out =
    a.status === 'ok'
      ? a.forecast
      : { ready: none, readyNowShare: 0, readyDays: new Float64Array(1).fill(Infinity) };
  return { out, nowMs };
}

/** Was a "go" of that day wrong? An empty tank must be able to clear the proof; one with fish in is judged by what it carries: no more ammonia than
 *  a kit cannot see. */
const wrongGo = (water: OtherTank, day: number): boolean =>
  water.method === 'fish'
    ? (water.capacities[Math.round(day * 10)]?.ammonia ?? 0) > 0.1
    : day < water.readyDay - 0.01;

interface Row {
  third: 0 | 1 | 2;
  method: string;
  covered: boolean;
  rank: number;
  pinball: number;
  thumb: number;
  line: number;
  error: number;
  width: number;
  go: boolean;
  above: boolean;
  dated: boolean;
  /** Loss of those futures alone that get ready by day 90. */
  there: number;
  own: Own;
}
/** The same sums, were the truth one of the forecast's own futures: per future, over those that get ready by day 90. */
interface Own {
  pinball: number;
  thumb: number;
  there: number;
}
const rows: Row[] = [];
const hold = (day: number, cut: number) => Math.min(END, Math.max(cut, day));
const pin = (truth: number, q: readonly [number, number, number]) =>
  [0.1, 0.5, 0.9].reduce(
    (s, p, i) => s + (truth >= (q[i] ?? 0) ? p * (truth - (q[i] ?? 0)) : (1 - p) * ((q[i] ?? 0) - truth)),
    0,
  ) / 3;
/** The rule of thumb, days after the beginning; none lies behind the cut. */
const THUMB = [21, 31, 42] as const;
const thumbAt = (cut: number) => THUMB.map((d) => hold(d, cut)) as [number, number, number];
/** @param q what the forecast said, held within the days judged */
function ownOf(days: Float64Array, cut: number, q: [number, number, number]): Own {
  const there = quantilesThere(days, cut);
  const thumb = thumbAt(cut);
  const own = { pinball: 0, thumb: 0, there: 0 };
  for (const d of days) {
    if (!(cut + d < END)) continue;
    own.pinball += pin(cut + d, q) / days.length;
    own.thumb += pin(cut + d, thumb) / days.length;
    own.there += pin(cut + d, there) / days.length;
  }
  return own;
}
/** Where the truth falls among the futures, 0 to 1, a tie at "now" or "not by day 90" broken by lot: even if the chances said are true, while an
 *  interval that ends in such a tie holds the truth more often than it says. */
const lot = seededRandom(firstSeed);
const rankOf = (truth: number, days: Float64Array, cut: number): number => {
  const held = Array.from(days, (d) => hold(Number.isFinite(d) ? cut + d : END, cut));
  const below = held.filter((d) => d < truth - 0.26).length;
  const same = held.filter((d) => Math.abs(d - truth) <= 0.26).length;
  return (below + lot() * same) / held.length;
};
let ms = 0;
for (let i = 0; i < waters; i++) {
  const seed = firstSeed + i;
  const water = otherTank(seed);
  const third = (i % 3) as 0 | 1 | 2;
  const end = Math.min(water.readyDay, 60);
  const cut = Math.max(3, end * [0.25, 0.5, 0.8][third]!);
  const begun = performance.now();
  const { out, nowMs } = forecastAt(water, cut, seed);
  ms += performance.now() - begun;
  const truth = hold(water.readyDay, cut);
  const of = (q: Quantiles): [number, number, number] =>
    [q.p10, q.p50, q.p90].map((d) => hold(d === null ? END : cut + d, cut)) as [number, number, number];
  const q = of(out.ready);
  const assessment = assessWater(water.doc, 't', nowMs);
  rows.push({
    third,
    method: water.method,
    rank: rankOf(truth, out.readyDays, cut),
    covered: truth >= q[0] - 0.01 && truth <= q[2] + 0.01,
    pinball: pin(truth, q),
    thumb: pin(truth, thumbAt(cut)),
    line: pin(truth, lineThrough(water, cut)),
    error: Math.abs(q[1] - truth),
    width: q[2] - q[0],
    go: ['go', 'goSmall'].includes(assessment.fish.word) && wrongGo(water, cut),
    above: truth > q[2] + 0.01,
    dated: water.readyDay < END,
    there: pin(truth, quantilesThere(out.readyDays, cut)),
    own: ownOf(out.readyDays, cut, q),
  });
}

/** Of the futures that get ready by day 90: on a tank that does, a fair question is when, not whether. Day 90 where there are none. */
function quantilesThere(days: Float64Array, cut: number): [number, number, number] {
  const there = days.filter((d) => cut + d < END).sort();
  const at = (p: number) => hold(cut + (there[Math.round(p * (there.length - 1))] ?? END), cut);
  return [at(0.1), at(0.5), at(0.9)];
}

/** A straight line through the last two readings of the sum of ammonia and nitrite, to zero. */
function lineThrough(water: OtherTank, cut: number): [number, number, number] {
  const e = gatherEvidence(water.doc, 't', OTHER_START + cut * DAY_MS);
  const sum = e.series.ammonia.map((a, i) => ({
    day: (a.atMs - OTHER_START) / DAY_MS,
    v: a.interval.mid + (e.series.nitrite[i]?.interval.mid ?? 0),
  }));
  const [p, r] = sum.slice(-2);
  if (!p || !r || r.v >= p.v) return [END, END, END];
  const at = hold(r.day + (r.v * (r.day - p.day)) / (p.v - r.v), cut);
  return [at, at, at];
}
/** Tanks that got ready: is that recognised at the first or second test taken while they are? Firmly: most futures ready now, or within a day. As worth
 *  a proof dose: one future in ten is. */
function recognised(): string {
  let firmly = 0;
  let worth = 0;
  let of = 0;
  for (let i = 0; i < waters && of < 60; i++) {
    const water = otherTank(firstSeed + i);
    const tests = water.testDays.filter((d, k) => d >= water.readyDay && water.readyAtTest[k]).slice(0, 2);
    if (!(water.readyDay < 80) || tests.length < 2) continue;
    of++;
    const said = tests.map((d) => forecastAt(water, d + 0.01, 1).out);
    if (said.some((o) => o.readyNowShare >= 0.5 || (o.ready.p50 ?? 99) <= 1)) firmly++;
    if (said.some((o) => o.ready.p10 === 0)) worth++;
  }
  return `${firmly} of ${of} firmly, ${worth} of ${of} as worth a proof dose now`;
}
/** False words at any test of any tank, with the water tests a "go" asks for always at hand: harder than a cut. */
function falseGoes(): string {
  const exact = (parameter: Parameter, value: number) => ({
    parameter,
    kitId: `kit-${parameter}`,
    value: { kind: 'exact' as const, value },
  });
  let wrong = 0;
  let said = 0;
  for (let i = 0; i < waters; i++) {
    const water = otherTank(firstSeed + i);
    for (const s of Object.values(water.doc.samples)) {
      const more = [
        exact('salinity', 35),
        exact('temperature', 25),
        exact('alkalinity', 8.5),
        exact('nitrate', 10),
      ].filter((r) => !s.readings.some((x) => x.parameter === r.parameter));
      water.doc.samples[s.id] = { ...s, readings: [...s.readings, ...more] };
    }
    const goes = water.testDays
      .filter((d) => d < END)
      .filter((d) =>
        ['go', 'goSmall'].includes(assessWater(water.doc, 't', OTHER_START + (d + 0.02) * DAY_MS).fish.word),
      );
    if (goes.length > 0) said++;
    if (goes.some((d) => wrongGo(water, d))) wrong++;
  }
  return `${wrong} of ${waters} tanks; "go" was said at some test of ${said}`;
}
const mean = (xs: number[]) => xs.reduce((a, b) => a + b, 0) / Math.max(1, xs.length);
const median = (xs: number[]) => [...xs].sort((a, b) => a - b)[Math.floor(xs.length / 2)] ?? NaN;
const line = (name: string, r: Row[]) =>
  console.log(
    `| ${name} | ${r.length} | ${(100 * mean(r.map((x) => Number(x.covered)))).toFixed(0)} % | ${(mean(r.map((x) => x.pinball)) / mean(r.map((x) => x.thumb))).toFixed(2)} | ${(mean(r.map((x) => x.pinball)) / mean(r.map((x) => x.line))).toFixed(2)} | ${median(r.map((x) => x.error)).toFixed(1)} | ${median(r.map((x) => x.width)).toFixed(1)} | ${(100 * mean(r.map((x) => Number(x.above)))).toFixed(0)} % | ${(100 * mean(r.map((x) => Number(x.rank >= 0.1 && x.rank <= 0.9)))).toFixed(0)} % | ${r.filter((x) => x.go).length} |`,
  );
console.log(
  '| | tanks | inside 80 % | pinball / rule of thumb | pinball / straight line | median error, d | median width, d | later than p90 | rank 10-90 % | false go |\n|---|---|---|---|---|---|---|---|---|---|',
);
line('all', rows);
(['early', 'middle', 'late'] as const).forEach((name, i) =>
  line(
    name,
    rows.filter((r) => r.third === i),
  ),
);
const dated = rows.filter((r) => r.dated);
const thereOf = (mean(dated.map((x) => x.there)) / mean(dated.map((x) => x.thumb))).toFixed(2);
line(
  'ready by day 90',
  rows.filter((r) => r.dated),
);
(['early', 'middle', 'late'] as const).forEach((name, i) =>
  line(
    `${name}, ready by day 90`,
    rows.filter((r) => r.dated && r.third === i),
  ),
);
for (const m of METHODS)
  line(
    m,
    rows.filter((r) => r.method === m),
  );
console.log(`\nReady tanks recognised by the forecast within two tests: ${recognised()}.`);
console.log(
  `\nOn tanks ready by day 90, of the futures that get ready by then: pinball ${thereOf} of the rule of thumb.`,
);
const ownSum = (part: keyof Own) => rows.reduce((sum, r) => sum + r.own[part], 0);
const ownOfThumb = (part: keyof Own) => (ownSum(part) / ownSum('thumb')).toFixed(2);
console.log(
  `\nWere the truth one of its own futures: ${ownOfThumb('pinball')} of the rule of thumb on those ready by day 90;` +
    ` told beforehand that they get ready, ${ownOfThumb('there')}.`,
);
console.log(`\n"Go" for fish before the tank was ready, at any test: ${falseGoes()}.`);
console.log(`\n${(ms / waters).toFixed(0)} ms a forecast, one core.`);
