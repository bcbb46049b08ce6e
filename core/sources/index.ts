/** Where the water comes from: five sources for one tank, side by side. Costs and litres are the person's; the rest is what keepers know of each. */
import { assertPositive, assertRange } from '../check';

export const WATER_SOURCES = ['ownRodi', 'boughtRodi', 'boughtSalt', 'natural', 'tap'] as const;
export type WaterSource = (typeof WATER_SOURCES)[number];

/** What stands against a source, worst first. */
export type SourceRisk =
  'chlorine' | 'chloramine' | 'storm' | 'unknownSolids' | 'nutrients' | 'noSalinityOfOnesOwn';

export interface SourceNeed {
  /** To fill, and a month afterwards: changes and, of fresh water, top-off. */
  fillL: number;
  monthL: number;
  months: number;
}

export interface SourceTerms {
  /** Money for a litre of it, salt counted where the source has none. */
  perL: number;
  /** Money once: a unit, containers. */
  once: number;
  /** Litres a trip brings; null where it comes out of the wall. */
  perTripL: number | null;
  /** Hours a trip takes, or an hour of making brings so many litres. */
  hoursPerTrip: number;
  litresPerHour: number | null;
}

export interface SourceSum {
  litres: number;
  money: number;
  trips: number;
  hours: number;
}

/** Litres, money, trips and the person's own hours until the end of the months. What a unit makes by itself takes no hours of theirs.
 *  Check by hand: 200 L and 60 a month for 12 months are 920 L; at 25 L a trip 37 trips. @throws RangeError */
export function sourceSum(need: SourceNeed, terms: SourceTerms): SourceSum {
  assertRange('fillL', need.fillL, 0, 100000, 'L');
  assertRange('monthL', need.monthL, 0, 100000, 'L');
  assertPositive('months', need.months, 'months');
  const litres = need.fillL + need.monthL * need.months;
  const trips = terms.perTripL === null ? 0 : Math.ceil(litres / terms.perTripL - 1e-9);
  return { litres, money: terms.once + litres * terms.perL, trips, hours: trips * terms.hoursPerTrip };
}

/** May this source be used as it is, and what stands against it? Another keeper's water is no source: what lives in it comes along.
 *  @param o.tds of the fresh water, mg/L; null unmeasured  @param o.holds what the supplier adds; null for a source that is not from a main */
export function sourceRisks(
  source: WaterSource,
  o: {
    tds: number | null;
    holds: 'chlorine' | 'chloramine' | 'neither' | 'unknown' | null;
    afterRain: boolean;
  },
): SourceRisk[] {
  switch (source) {
    case 'natural':
      return [...(o.afterRain ? (['storm'] as const) : []), 'noSalinityOfOnesOwn'];
    case 'boughtSalt':
      return ['noSalinityOfOnesOwn'];
    case 'tap':
      return [
        ...(o.holds === 'chloramine' || o.holds === 'unknown' ? (['chloramine'] as const) : []),
        ...(o.holds === 'chlorine' ? (['chlorine'] as const) : []),
        ...(o.tds === null || o.tds > 5 ? (['unknownSolids'] as const) : []),
        'nutrients',
      ];
    default:
      return o.tds === null || o.tds > 5 ? ['unknownSolids'] : [];
  }
}
