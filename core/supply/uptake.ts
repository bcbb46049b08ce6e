/** What a tank uses a day, as its readings tell once changes and doses are taken out. */
import { DAY_MS } from '../time';

export interface TimedValue {
  atMs: number;
  value: number;
}

/** What happened to a parameter between readings: a change that keeps a share and brings in water of a value, or a rise by a dose. */
export type Move =
  { atMs: number; keep: number; incoming: number; incomingSd?: number } | { atMs: number; rise: number };

export interface Uptake {
  /** Used a day; below zero where it is made. */
  perDay: number;
  /** Standard error of that, the doubt of what new water brought in it. */
  se: number;
  /** Nine in ten lie in here. */
  low: number;
  high: number;
  points: number;
  days: number;
}

/** Least readings and days that tell anything. */
const LEAST = { points: 3, days: 3 };

/** Student's t for 90 % two-sided, by degrees of freedom (Fisher & Yates 1963, table III). */
const T90: readonly (readonly [number, number])[] = [
  [1, 6.314],
  [2, 2.92],
  [3, 2.353],
  [4, 2.132],
  [5, 2.015],
  [6, 1.943],
  [7, 1.895],
  [8, 1.86],
  [9, 1.833],
  [10, 1.812],
  [15, 1.753],
  [20, 1.725],
  [30, 1.697],
  [60, 1.671],
];
/** The value of the nearest row at or below: never too narrow. */
export const studentT90 = (degrees: number): number =>
  [...T90].reverse().find(([df]) => df <= degrees)?.[1] ?? Infinity;

/** Each reading as a straight function of the level at the start and of the use: value = keep * start + brought - use * days. */
interface Row {
  keep: number;
  brought: number;
  days: number;
  value: number;
}

function rowsOf(points: readonly TimedValue[], moves: readonly Move[], richer: number): Row[] {
  const first = points[0] as TimedValue;
  const sorted = [...moves].filter((m) => m.atMs > first.atMs).sort((a, b) => a.atMs - b.atMs);
  let [keep, brought, days, atMs, next] = [1, 0, 0, first.atMs, 0];
  return points.map((p) => {
    for (; next < sorted.length && (sorted[next] as Move).atMs <= p.atMs; next++) {
      const move = sorted[next] as Move;
      days += (move.atMs - atMs) / DAY_MS;
      atMs = move.atMs;
      if ('rise' in move) brought += move.rise;
      else {
        keep *= move.keep;
        days *= move.keep;
        brought = brought * move.keep + (1 - move.keep) * (move.incoming + richer * (move.incomingSd ?? 0));
      }
    }
    days += (p.atMs - atMs) / DAY_MS;
    atMs = p.atMs;
    return { keep, brought, days, value: p.value };
  });
}

/** Use and its standard error by least squares in two unknowns, the level at the start and the use a day. */
function solved(rows: readonly Row[]): { perDay: number; se: number } | null {
  let [kk, kd, dd, ky, dy] = [0, 0, 0, 0, 0];
  for (const r of rows) {
    const y = r.value - r.brought;
    kk += r.keep * r.keep;
    kd -= r.keep * r.days;
    dd += r.days * r.days;
    ky += r.keep * y;
    dy -= r.days * y;
  }
  const det = kk * dd - kd * kd;
  if (Math.abs(det) < 1e-9) return null;
  const start = (ky * dd - kd * dy) / det;
  const perDay = (kk * dy - kd * ky) / det;
  const left = rows.reduce(
    (sum, r) => sum + (r.value - r.brought - start * r.keep + perDay * r.days) ** 2,
    0,
  );
  return { perDay, se: Math.sqrt((left / Math.max(1, rows.length - 2)) * (kk / det)) };
}

/** Use a day over readings in time order. What changes kept and brought, and what doses added, is carried through from the first reading to each, so
 *  that water of another alkalinity is not taken for use. Null with fewer than three readings, or within less than three days. */
export function uptake(points: readonly TimedValue[], moves: readonly Move[]): Uptake | null {
  const [first, last] = [points[0], points[points.length - 1]];
  if (!first || !last || points.length < LEAST.points || last.atMs - first.atMs < LEAST.days * DAY_MS)
    return null;
  const found = solved(rowsOf(points, moves, 0));
  const richer = solved(rowsOf(points, moves, 1));
  if (!found || !richer) return null;
  const half = studentT90(points.length - 2) * found.se;
  const brought = richer.perDay - found.perDay;
  const band = Math.hypot(half, 1.645 * brought);
  return {
    perDay: found.perDay,
    se: Math.hypot(found.se, brought),
    low: found.perDay - band,
    high: found.perDay + band,
    points: points.length,
    days: (last.atMs - first.atMs) / DAY_MS,
  };
}
