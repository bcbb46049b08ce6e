/** Which sitting teaches most: what each reading to come would narrow the likely date by, worked out from the futures themselves. A reading is
 *  simulated by the kit's own steps and its reader's error, the futures are weighted by how well they foresaw it, and the width of what is
 *  left is averaged over all readings (expected reduction of a quantile range; a preposterior analysis, Raiffa & Schlaifer 1961). */
import type { Forecast, Shown } from './forecast';
import { sittingsOf } from './habits';
import { EVIDENCE } from '../evidence/limits';
import { TAKEN } from './limits';
import { ACT } from './acts';
import { type KitCells, type Timeline } from './timeline';

type Taught = 'ammonia' | 'nitrite' | 'nitrate' | 'alkalinity';

/** What a date's width would come to. */
export interface WidthThen {
  /** Of which band of the proof's dates the width is told: eight tenths of the futures, or the middle half where the ninetieth of a hundred lies
   *  beyond the horizon, so that no reading could bring the end of the wider one closer. */
  of: BandOf;
  /** Its width, days: as it is, and as it would be on average. */
  widthNow: number;
  widthThen: number;
}

/** A sitting, and the width after it. */
export interface NextTest extends WidthThen {
  parameters: Taught[];
  /** Days from now. */
  day: number;
  /** It teaches; or it is simply as long as one may go without a test. */
  why: 'teaches' | 'safe';
}

type BandOf = 'eightTenths' | 'half';

/** Where each begins and ends among the futures. */
const ENDS = { eightTenths: [0.1, 0.9], half: [0.25, 0.75] } as const;

/** Sittings that are weighed, and what each costs in effort: the walk to the tank, then every kit. */
const SITTINGS: readonly { parameters: Taught[]; effort: number }[] = [
  { parameters: ['ammonia'], effort: 1.5 },
  { parameters: ['nitrite'], effort: 1.5 },
  { parameters: ['ammonia', 'nitrite'], effort: 2.5 },
  { parameters: ['nitrate'], effort: 2 },
  { parameters: ['alkalinity'], effort: 1.5 },
];

/** The sitting that teaches most for its effort, never later than may be waited. Null where no date is waited for and none is due. */
export function nextTest(f: Forecast, shown: Shown, t: Timeline): NextTest | null {
  const latest = latestDay(f, t);
  const order = Array.from({ length: shown.futures }, (_, i) => i).sort(
    (a, b) => (shown.ready[a] as number) - (shown.ready[b] as number),
  );
  const even = new Float64Array(shown.futures).fill(1);
  const of = bandToTell(shown, order, f.horizonDays);
  const widthNow = widthOf(shown, order, even, f.horizonDays, of);
  let best: NextTest | null = null;
  let most = 0;
  const days = Array.from({ length: Math.floor(latest) + 1 }, (_, day) => day).filter(
    (day) => day >= earliestDay(t) && day <= f.horizonDays,
  );
  for (const day of days)
    for (const { parameters, effort } of SITTINGS) {
      if (!parameters.every((p) => canTell(p, day, shown, t))) continue;
      const widthThen = expectedWidth(shown, order, parameters, day, t, f.horizonDays, of);
      // Later tests teach later.
      const worth = ((widthNow - widthThen) / effort) * (1 - TAKEN.laterCosts) ** day;
      if (worth > most && widthThen < (1 - TAKEN.teachesShare) * widthNow) {
        most = worth;
        best = { parameters, day, of, widthNow, widthThen, why: 'teaches' };
      }
    }
  if (best) return best;
  const [early] = days;
  if (early === undefined && latest < earliestDay(t)) return null;
  return {
    parameters: ['ammonia', 'nitrite'],
    day: Math.floor(latest),
    of,
    widthNow,
    widthThen: widthNow,
    why: 'safe',
  };
}

/** The widest band that ends before the horizon; the eight tenths where none does. */
function bandToTell(shown: Shown, order: readonly number[], horizonDays: number): BandOf {
  const endsBefore = (of: BandOf) =>
    (shown.ready[order[Math.floor(ENDS[of][1] * order.length)] as number] as number) < horizonDays;
  return !endsBefore('eightTenths') && endsBefore('half') ? 'half' : 'eightTenths';
}

/** The person has a kit for it, and it can be believed: one for nitrate sees nitrite as nitrate. */
function canTell(parameter: Taught, day: number, shown: Shown, t: Timeline): boolean {
  if (t.cells[parameter] === null) return false;
  if (parameter !== 'nitrate') return true;
  const n = shown.futures;
  const nitrite = shown.nitrite.subarray(day * n, (day + 1) * n);
  const clear = nitrite.reduce((sum, v) => sum + (v < EVIDENCE.nitriteInterferesMgN ? 1 : 0), 0);
  return clear > TAKEN.clearShare * n;
}

/** Days from now to which one may go without a test. */
function latestDay(f: Forecast, t: Timeline): number {
  const last = sittingsOf(t).pop();
  const dosed = t.acts.filter((a) => a.code === ACT.ammonia).pop()?.day ?? -Infinity;
  const since = last?.day ?? 0;
  const ahead = (from: number, days: number) => Math.max(0, from + days - t.nowDay);
  const { ammoniaTest, nitriteTest, proofTest, animalTests } = TAKEN;
  if (t.joinedDay !== null && t.nowDay - t.joinedDay < animalTests[2]) {
    const joined = t.joinedDay;
    const due = animalTests.find((d) => joined + d > Math.max(since, joined));
    return ahead(joined, due ?? animalTests[2]);
  }
  // A dose into clear water is meant as a proof: the day after it says.
  const proof = last !== undefined && dosed > last.day && last.ammoniaZero && last.nitriteZero === true;
  if (proof) return ahead(dosed, proofTest);
  const expected =
    dosed > since || last?.ammoniaZero !== true || (f.bands[1]?.ammonia[1] ?? 0) > t.zeroAmmonia;
  return ahead(since, expected ? ammoniaTest : nitriteTest);
}

/** Not again within the same half day. */
function earliestDay(t: Timeline): number {
  const last = sittingsOf(t).pop();
  return last === undefined || t.nowDay - last.day > 0.6 ? 0 : 1;
}

/** Chance of each cell of a kit in one future. */
function chancesOf(cells: KitCells, value: number, out: Float64Array): void {
  const s = 0.58 * Math.hypot(cells.share * value, cells.floor);
  let below = 0;
  cells.edges.forEach((edge, k) => {
    const under = 1 / (1 + Math.exp((value - edge) / s));
    out[k] = under - below;
    below = under;
  });
  out[cells.edges.length] = 1 - below;
}

/** Mean width after a sitting on a day. */
function expectedWidth(
  shown: Shown,
  order: readonly number[],
  parameters: readonly Taught[],
  day: number,
  t: Timeline,
  horizonDays: number,
  of: BandOf,
): number {
  const n = shown.futures;
  const chances = parameters.map((p) => {
    const cells = t.cells[p] as KitCells;
    const many = cells.edges.length + 1;
    const one = new Float64Array(many);
    const all = new Float64Array(n * many);
    for (let i = 0; i < n; i++) {
      chancesOf(cells, shown[p][day * n + i] as number, one);
      all.set(one, i * many);
    }
    return { many, all };
  });
  const [first, second] = chances;
  const weights = new Float64Array(n);
  let mean = 0;
  for (let a = 0; a < (first?.many ?? 1); a++)
    for (let b = 0; b < (second?.many ?? 1); b++) {
      let sum = 0;
      for (let i = 0; i < n; i++) {
        const w =
          (first ? (first.all[i * first.many + a] as number) : 1) *
          (second ? (second.all[i * second.many + b] as number) : 1);
        weights[i] = w;
        sum += w;
      }
      // A reading that hardly any future foresees counts for as little.
      if (sum / n > 1e-3) mean += (sum / n) * widthOf(shown, order, weights, horizonDays, of);
    }
  return mean;
}

/** From where a band of weighted futures begins to where it ends, days; never counts as the horizon. */
function widthOf(
  shown: Shown,
  order: readonly number[],
  weights: Float64Array,
  horizonDays: number,
  of: BandOf,
): number {
  const [from, to] = ENDS[of];
  const sum = weights.reduce((a, b) => a + b, 0);
  let so = 0;
  let low: number | null = null;
  for (const i of order) {
    so += weights[i] as number;
    const held = Math.min(shown.ready[i] as number, horizonDays);
    if (low === null && so >= from * sum) low = held;
    if (so >= to * sum) return held - (low ?? held);
  }
  return 0;
}

/** What the doubt of the real water volume alone does to the date: the width of the same band as it is, and as it would be were the volume known. */
export function volumeDoubt(shown: Shown, horizonDays: number): WidthThen {
  const order = Array.from({ length: shown.futures }, (_, i) => i).sort(
    (a, b) => (shown.ready[a] as number) - (shown.ready[b] as number),
  );
  const of = bandToTell(shown, order, horizonDays);
  const byVolume = [...order].sort((a, b) => (shown.volume[a] as number) - (shown.volume[b] as number));
  const parts = 5;
  const weights = new Float64Array(shown.futures);
  let widthThen = 0;
  for (let part = 0; part < parts; part++) {
    weights.fill(0);
    const from = Math.floor((part * byVolume.length) / parts);
    const to = Math.floor(((part + 1) * byVolume.length) / parts);
    for (const i of byVolume.slice(from, to)) weights[i] = 1;
    widthThen += widthOf(shown, order, weights, horizonDays, of) / parts;
  }
  const widthNow = widthOf(shown, order, weights.fill(1), horizonDays, of);
  return { of, widthNow, widthThen };
}
