/** What a reading says: an interval, as text, and whether it may be called zero. */
import { formatDecimal } from '../units/number';
import { toMgNPerL, type NitrogenSpecies } from '../units/nitrogen';
import { TAKEN } from './limits';
import { type Kit, type ReadingValue } from './types';
import { type Parameter } from './vocabulary';

export interface Interval {
  low: number;
  mid: number;
  /** Infinity over the top step. */
  high: number;
}

/** Interval of a reading in the kit's printed unit. On a chart of steps the truth lies between the neighbouring
 *  half-steps; a meter is good to its reader's share and half its resolution. */
export function readingInterval(value: ReadingValue, kit: Kit): Interval {
  if (value.kind === 'repeats') return repeatsInterval(value.values, kit);
  if (value.kind === 'between')
    return { low: value.low, mid: (value.low + value.high) / 2, high: value.high };
  if (value.kind === 'over') return { low: value.low, mid: value.low * TAKEN.overTopTimes, high: Infinity };
  if (kit.scale.kind === 'number') {
    const spread = Math.abs(value.value) * readerShare(kit) + kit.scale.resolution / 2;
    return { low: value.value - spread, mid: value.value, high: value.value + spread };
  }
  const steps = kit.scale.steps;
  const below = [...steps].reverse().find((s) => s < value.value);
  const above = steps.find((s) => s > value.value);
  return {
    low: below === undefined ? value.value : (below + value.value) / 2,
    mid: value.value,
    high: above === undefined ? value.value : (above + value.value) / 2,
  };
}

/** A meter or titration is good to 5 % of what it shows unless its register says otherwise; thermometers, salinity meters and pH pens,
 *  whose scales do not start at nothing, to about half a degree, half a part and a tenth. */
export const readerShare = (kit: Kit): number =>
  kit.readerShare ?? USUAL_SHARE[kit.parameter] ?? TAKEN.meterShare;
const USUAL_SHARE: Partial<Record<Parameter, number>> = {
  temperature: TAKEN.thermometerShare,
  salinity: TAKEN.salinityShare,
  ph: TAKEN.phShare,
};

/** Mean of repeats; the half-width is that of one reading over the root of their number, and at least half their spread. */
function repeatsInterval(values: readonly number[], kit: Kit): Interval {
  const mid = mean(values);
  const one = readingInterval({ kind: 'exact', value: mid }, kit);
  const half = Math.max(
    (Math.max(...values) - Math.min(...values)) / 2,
    (one.high - one.low) / 2 / Math.sqrt(values.length),
  );
  return { low: mid - half, mid, high: mid + half };
}

const mean = (values: readonly number[]): number => values.reduce((a, b) => a + b, 0) / values.length;

/** Zero as a kit can say it: the zero step, or a meter within its own error around nothing. "Between 0 and 0.25" is a trace, not a zero. */
export function readsZero(value: ReadingValue, kit: Kit): boolean {
  if (value.kind === 'repeats') return value.values.every((x) => readsZero({ kind: 'exact', value: x }, kit));
  if (value.kind !== 'exact') return false;
  return kit.scale.kind === 'steps' ? value.value === 0 : value.value <= meterZero(kit, kit.scale.resolution);
}

/** Where a meter's noise ends. Of ammonia and nitrite its error is coarser than its last digit. */
function meterZero(kit: Kit, resolution: number): number {
  if (kit.parameter === 'ammonia') return TAKEN.ammoniaMeterZero;
  if (kit.parameter === 'nitrite') return TAKEN.nitriteMeterZero;
  return Math.min(resolution, TAKEN.meterZero);
}

/** "0.5", "0.5–1" or "over 4"; no unit. */
export function readingText(value: ReadingValue, decimals = 2): string {
  switch (value.kind) {
    case 'exact':
      return formatDecimal(value.value, decimals);
    case 'between':
      return `${formatDecimal(value.low, decimals)}–${formatDecimal(value.high, decimals)}`;
    case 'repeats':
      return `${formatDecimal(mean(value.values), decimals)} (mean of ${value.values.length})`;
    case 'over':
      return `over ${formatDecimal(value.low, decimals)}`;
  }
}

export const isNitrogen = (p: Parameter): p is NitrogenSpecies =>
  p === 'ammonia' || p === 'nitrite' || p === 'nitrate';

/** Interval in mg N/L of a nitrogen reading. */
export function nitrogenInterval(value: ReadingValue, kit: Kit, species: NitrogenSpecies): Interval {
  const printed = readingInterval(value, kit);
  const toN = (x: number) => toMgNPerL(species, kit.basis ?? 'ion', x);
  return { low: Math.max(0, toN(printed.low)), mid: Math.max(0, toN(printed.mid)), high: toN(printed.high) };
}

/** Interval in mg NH3-N/L of what a kit for free ammonia shows: as NH3, unless it prints N. */
export function freeAmmoniaInterval(value: ReadingValue, kit: Kit): Interval {
  return nitrogenInterval(value, { ...kit, basis: kit.basis === 'N' ? 'N' : 'NH3' }, 'ammonia');
}

/** True when the kit's expiry day lies before the day of the reading. Days compare as text. */
export const kitExpired = (kit: Kit, atIso: string): boolean =>
  kit.expires !== null && atIso.slice(0, 10) > kit.expires;
