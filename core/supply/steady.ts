/** Where a parameter comes to rest under changes, and what food makes. Mass balances, with their few constants named. */
import { assertPositive, assertRange } from '../check';
import { fromMgNPerL } from '../units';
import { SUPPLY } from './limits';

/** The levels just before and just after each change once nothing moves any more: what is used between two changes is what a change brings.
 *  C+ = (1 - f) C- + f Cn, C- = C+ - u n, so C- = Cn - u n / f. Check by hand: 10 % a week of 12 dKH at 0.1 dKH a day: 12 - 0.7 / 0.1 = 5.
 *  @param o.usePerDay below zero where it is made @throws RangeError */
export function steadyState(o: {
  incoming: number;
  fraction: number;
  everyDays: number;
  usePerDay: number;
}): {
  before: number;
  after: number;
} {
  assertRange('fraction', o.fraction, 0.001, 1, 'of the water');
  assertPositive('everyDays', o.everyDays, 'days');
  const used = o.usePerDay * o.everyDays;
  const before = o.incoming - used / o.fraction;
  return { before, after: before + used };
}

/** The share that must be changed each time for a level never to fall under (or, of what is made, rise over) a limit; null where no change can.
 *  The same balance solved for f. */
export function fractionToHold(o: {
  incoming: number;
  limit: number;
  everyDays: number;
  usePerDay: number;
}): number | null {
  assertPositive('everyDays', o.everyDays, 'days');
  const used = o.usePerDay * o.everyDays;
  const room = o.incoming - o.limit;
  if (used === 0) return 0;
  const fraction = used / room;
  return fraction > 0 && fraction <= 1 ? fraction : null;
}

export interface Feed {
  /** Dry grams a day, or wet. */
  gramsPerDay: number;
  /** Percent. */
  protein: number;
  phosphorus: number;
}

/** Nitrate and phosphate from a day's food, mg/L a day in the water. Nitrogen: ammonia by feed x protein x 0.092 (Timmons & Ebeling), all of it nitrified;
 *  phosphorus: what of the feed's is not built into the fish. Check by hand: 1 g of 45 % protein a day in 100 L: 41.4 mg N, 1.83 mg/L nitrate. */
export function madeByFeed(
  { gramsPerDay, protein, phosphorus }: Feed,
  netL: number,
): {
  nitrate: number;
  phosphate: number;
} {
  assertRange('gramsPerDay', gramsPerDay, 0, 10000, 'g');
  assertPositive('netL', netL, 'L');
  const nitrogenMg = gramsPerDay * (protein / 100) * SUPPLY.tanPerProtein * 1000;
  const phosphorusMg = gramsPerDay * (phosphorus / 100) * SUPPLY.phosphorusReleased * 1000;
  return {
    nitrate: fromMgNPerL('nitrate', 'ion', nitrogenMg / netL),
    phosphate: (phosphorusMg * SUPPLY.po4PerP) / netL,
  };
}

/** Days until a level that is made reaches a limit; zero where it is there, null where it never does. */
export function daysUntil(now: number, limit: number, perDay: number): number | null {
  if (now >= limit) return 0;
  return perDay > 0 ? (limit - now) / perDay : null;
}
