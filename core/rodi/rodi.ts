/** Reverse osmosis and resin: how pure, how fast, how long the stages last. */
import { assertPositive, assertRange } from '../check';

/** Share of dissolved solids the membrane holds back: 1 - after/before. Check by hand: 300 -> 6 is 0.98. */
export function rejection(sourceTds: number, membraneTds: number): number {
  assertPositive('sourceTds', sourceTds, 'mg/L');
  assertRange(
    'membraneTds',
    membraneTds,
    0,
    sourceTds,
    'mg/L, not above the source: the probes may be swapped',
  );
  return 1 - membraneTds / sourceTds;
}

/** Output at a pressure and temperature other than the rated ones: straight with pressure, 3 % a kelvin from 25 C (membrane data sheets).
 *  Check by hand: 190 L/day at 4.1 bar, 25 C -> at 3 bar, 15 C: 190 x 3/4.1 x 0.97^10 = 102.5. */
export function production(o: { ratedLPerDay: number; ratedBar: number; bar: number; tempC: number }): {
  litresPerDay: number;
  extrapolated: boolean;
} {
  assertPositive('ratedLPerDay', o.ratedLPerDay, 'L a day');
  assertPositive('ratedBar', o.ratedBar, 'bar');
  assertPositive('bar', o.bar, 'bar');
  assertRange('tempC', o.tempC, 1, 45, 'C');
  const litresPerDay = ((o.ratedLPerDay * o.bar) / o.ratedBar) * 0.97 ** (25 - o.tempC);
  return {
    litresPerDay,
    extrapolated: o.tempC < 5 || o.tempC > 35 || o.bar < o.ratedBar * 0.4 || o.bar > o.ratedBar * 1.6,
  };
}

/** Litres a mixed-bed resin can still polish. It takes about 0.5 equivalents a litre of resin, 29 g of solids counted as salt (makers'
 *  data sheets for mixed bed); what has passed is litres x TDS into it. Check by hand: 1 L of resin at TDS 6: 29000/6 = 4833 L. */
export function resinLitresLeft(o: { resinL: number; membraneTds: number; madeL: number }): number {
  assertPositive('resinL', o.resinL, 'L of resin');
  assertPositive('membraneTds', o.membraneTds, 'mg/L');
  assertRange('madeL', o.madeL, 0, 1e7, 'L');
  return Math.max(0, (o.resinL * RESIN_MG_PER_L) / o.membraneTds - o.madeL);
}
export const RESIN_MG_PER_L = 29_000;
