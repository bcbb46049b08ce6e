/** Alkalinity, calcium and magnesium: what is used a day, whether the three fit together, and what to add. */
import { assertPositive, assertRange } from '../check';
import type { Dosed, WaterEvent } from '../document';
import { DAY_MS } from '../time';
import { DOSING } from './limits';

/** Pure compounds, mg for one litre and one unit (dKH or mg/L) raised. From molar masses: 1 dKH = 0.35663 meq/L; NaHCO3 84.007 -> 29.96;
 *  Na2CO3 105.988/2 -> 18.90; CaCl2.2H2O 147.014/40.078 = 3.668; CaCl2 110.98/40.078 = 2.769; MgCl2.6H2O 203.30/24.305 = 8.365. */
export const COMPOUNDS = {
  bicarbonate: { what: 'alkalinity', mgPerUnit: 29.96, title: 'Sodium bicarbonate (baking soda)' },
  carbonate: { what: 'alkalinity', mgPerUnit: 18.9, title: 'Sodium carbonate (soda ash)' },
  calciumDihydrate: { what: 'calcium', mgPerUnit: 3.668, title: 'Calcium chloride dihydrate' },
  calciumAnhydrous: { what: 'calcium', mgPerUnit: 2.769, title: 'Calcium chloride, anhydrous' },
  magnesiumHexahydrate: { what: 'magnesium', mgPerUnit: 8.365, title: 'Magnesium chloride hexahydrate' },
} as const satisfies Record<string, { what: Dosed; mgPerUnit: number; title: string }>;
export type Compound = keyof typeof COMPOUNDS;

/** Usual ceilings a day with animals in the tank: dKH, mg/L, mg/L. */
export const DAILY_CEILING: Record<Dosed, number> = {
  alkalinity: DOSING.alkalinityPerDay,
  calcium: DOSING.calciumPerDay,
  magnesium: DOSING.magnesiumPerDay,
};

/** Grams of a compound for a rise (dKH or mg/L) in a volume. Check by hand: 1 dKH in 100 L bicarbonate = 2.996 g. */
export function compoundGrams(compound: Compound, rise: number, netL: number): number {
  assertPositive('rise', rise, 'dKH or mg/L');
  assertPositive('netL', netL, 'L');
  return (COMPOUNDS[compound].mgPerUnit * rise * netL) / 1000;
}

/** Millilitres of a product that raises `perMl` units in 100 L a millilitre. */
export function productMl(risesPerMlIn100L: number, rise: number, netL: number): number {
  assertPositive('risesPerMlIn100L', risesPerMlIn100L, 'units a mL in 100 L');
  assertPositive('rise', rise, 'dKH or mg/L');
  assertPositive('netL', netL, 'L');
  return (rise * netL) / (100 * risesPerMlIn100L);
}

/** A rise split into equal days, none above the ceiling. */
export function doseDays(what: Dosed, rise: number, animalsIn: boolean): { days: number; perDay: number } {
  assertPositive('rise', rise, 'dKH or mg/L');
  const days = animalsIn ? Math.max(1, Math.ceil(rise / DAILY_CEILING[what] - 1e-9)) : 1;
  return { days, perDay: rise / days };
}

export interface MineralPoint {
  atMs: number;
  value: number;
}

/** What moved the parameter besides use: a dose adds `rise`; a change keeps `keep` of what was there and brings in `incoming` for the rest. */
export type MineralMove = { atMs: number; rise: number } | { atMs: number; keep: number; incoming: number };

/** What fresh salt water is taken to bring where nobody measured it: dKH, mg/L, mg/L. */
export const USUAL_IN_NEW_WATER: Record<Dosed, number> = {
  alkalinity: DOSING.newWaterAlkalinity,
  calcium: DOSING.newWaterCalcium,
  magnesium: DOSING.newWaterMagnesium,
};

/** What new water brought of one of the three, as noted with the change nearest to a moment; what the mix holds, or the usual, where none was. */
export function newWaterOf(
  events: readonly WaterEvent[],
  what: Dosed,
  atMs: number,
  usual: number = USUAL_IN_NEW_WATER[what],
): number {
  let nearest: { gap: number; value: number } | null = null;
  for (const e of events) {
    const value = e.kind === 'waterChange' ? e[what] : undefined;
    if (value === undefined) continue;
    const gap = Math.abs(Date.parse(e.at) - atMs);
    if (!nearest || gap < nearest.gap) nearest = { gap, value };
  }
  return nearest?.value ?? usual;
}

/** What doses and water changes did to one of the three, in order. */
export function movesOf(
  events: readonly WaterEvent[],
  what: Dosed,
  netL: number,
  usual: number = USUAL_IN_NEW_WATER[what],
): MineralMove[] {
  assertPositive('netL', netL, 'L');
  return events
    .flatMap((e): MineralMove[] => {
      if (e.kind === 'dose' && e.what === what) return [{ atMs: Date.parse(e.at), rise: e.rise }];
      if (e.kind === 'waterChange')
        return [
          {
            atMs: Date.parse(e.at),
            keep: 1 - Math.min(1, e.litres / netL),
            incoming: e[what] ?? newWaterOf(events, what, Date.parse(e.at), usual),
          },
        ];
      return [];
    })
    .sort((a, b) => a.atMs - b.atMs);
}

export interface DailyUse {
  perDay: number;
  /** Standard error of that; the range is twice it either way. */
  se: number;
  points: number;
  days: number;
}

/** Each reading as it would be had nothing been added or changed since the first: days from the first, and the value.
 *  The level just before a change is taken as the last reading. */
export function withoutMoves(
  points: readonly MineralPoint[],
  moves: readonly MineralMove[],
): { day: number; value: number }[] {
  const first = points[0];
  if (!first) return [];
  const sorted = [...moves].sort((a, b) => a.atMs - b.atMs);
  let added = 0;
  let next = 0;
  let previous = first;
  return points.map((p) => {
    for (; next < sorted.length && (sorted[next]?.atMs ?? Infinity) <= p.atMs; next++) {
      const move = sorted[next];
      if (!move || move.atMs <= first.atMs) continue;
      added += 'rise' in move ? move.rise : (1 - move.keep) * (move.incoming - previous.value);
    }
    previous = p;
    return { day: (p.atMs - first.atMs) / DAY_MS, value: p.value - added };
  });
}

/** Use a day from readings, with doses and changes taken out: a straight line through what they would be without them.
 *  Null with fewer than three readings or less than three days: too little to say. */
export function dailyUse(points: readonly MineralPoint[], moves: readonly MineralMove[]): DailyUse | null {
  const first = points[0];
  const last = points[points.length - 1];
  if (!first || !last || points.length < 3 || last.atMs - first.atMs < 3 * DAY_MS) return null;
  const bare = withoutMoves(points, moves);
  const { slope, se } = straightLine(
    bare.map((p) => p.day),
    bare.map((p) => p.value),
  );
  return { perDay: -slope, se, points: points.length, days: (last.atMs - first.atMs) / DAY_MS };
}

/** Least squares with the standard error of the slope (n - 2 degrees of freedom). */
export function straightLine(
  xs: readonly number[],
  ys: readonly number[],
): { slope: number; intercept: number; se: number } {
  const n = xs.length;
  const mx = xs.reduce((a, b) => a + b, 0) / n;
  const my = ys.reduce((a, b) => a + b, 0) / n;
  const sxx = xs.reduce((s, x) => s + (x - mx) ** 2, 0);
  if (n < 2 || sxx === 0) return { slope: 0, intercept: my, se: Infinity };
  const slope = xs.reduce((s, x, i) => s + (x - mx) * ((ys[i] ?? 0) - my), 0) / sxx;
  const intercept = my - slope * mx;
  const rss = ys.reduce((s, y, i) => s + (y - intercept - slope * (xs[i] ?? 0)) ** 2, 0);
  return { slope, intercept, se: n > 2 ? Math.sqrt(rss / (n - 2) / sxx) : Infinity };
}

export type Balance = 'together' | 'calciumFast' | 'alkalinityFast' | 'noUse';

/** Do calcium and alkalinity fall together as skeletons take them? Departures of over half point to a test error, a change or precipitation. */
export function mineralBalance(
  alkPerDay: number,
  calciumPerDay: number,
): { balance: Balance; expectedCalcium: number } {
  const expectedCalcium = alkPerDay * DOSING.calciumPerDkh;
  if (alkPerDay < DOSING.noUseBelowDkh) return { balance: 'noUse', expectedCalcium };
  const ratio = calciumPerDay / expectedCalcium;
  return {
    balance: ratio > 1.5 ? 'calciumFast' : ratio < 0.5 ? 'alkalinityFast' : 'together',
    expectedCalcium,
  };
}

/** What a reading would be at another salinity: minerals scale with it. */
export function atSalinity(value: number, salinity: number, to: number): number {
  assertRange('salinity', salinity, 2, 42, 'practical salinity');
  return (value * to) / salinity;
}
