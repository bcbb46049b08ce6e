/** How quantities, names and lists are said: what all sentences share. Ammonia is stated as NH4, nitrate as NO3, free ammonia as NH3-N. */
import { PARAMETER_NAMES, type Parameter } from '../document';
import { formatDecimal, showDifference, showQuantity, type UnitPreferences } from '../units';
import { fromMgNPerL } from '../units/nitrogen';
import type { StatementCode, StatementOf } from '../statements';

export interface WordsContext {
  units: UnitPreferences;
  /** "4 Dec" of a time. */
  day: (ms: number) => string;
  /** "4 Dec" of a written day. */
  written: (day: string) => string;
  /** "Fri 21:10" of a time. */
  hour: (ms: number) => string;
}

export type Sentences = { [C in StatementCode]: (s: StatementOf<C>, w: WordsContext) => string };

/** "a", "a and b", "a, b and c". */
export const listed = (names: readonly string[]): string =>
  names.length < 2 ? (names[0] ?? '') : `${names.slice(0, -1).join(', ')} and ${names[names.length - 1]}`;
export const named = (parameters: readonly Parameter[]): string =>
  listed(parameters.map((p) => PARAMETER_NAMES[p]));
export const capital = (s: string): string => s.charAt(0).toUpperCase() + s.slice(1);
export const plural = (n: number, one: string, many: string): string => (n === 1 ? one : many);

export const salt = (salinity: number, w: WordsContext): string =>
  showQuantity('salinity', salinity, w.units);
export const heat = (tempC: number, w: WordsContext): string => showQuantity('temperature', tempC, w.units);
export const warmer = (byC: number, w: WordsContext, decimals = 1): string =>
  showDifference('temperature', byC, w.units, decimals);
export const volume = (litres: number, w: WordsContext): string =>
  showQuantity('volume', litres, w.units, litres < 20 ? 1 : 0);
export const dkh = (alkalinity: number): string => `${alkalinity.toFixed(1)} dKH`;
export const nh4 = (mgN: number): string => `${fromMgNPerL('ammonia', 'ion', mgN).toFixed(1)} mg/L`;
/** "0.47": two figures, where a decision hangs on them. */
export const nh4Fine = (mgN: number): string => formatDecimal(fromMgNPerL('ammonia', 'ion', mgN), 2);
/** "5 mg/L" rather than "5.0 mg/L": an amount that is reckoned, not measured. */
export const nh4Trimmed = (mgN: number): string =>
  `${formatDecimal(fromMgNPerL('ammonia', 'ion', mgN), 1)} mg/L`;
export const no2 = (mgN: number): string => formatDecimal(fromMgNPerL('nitrite', 'ion', mgN), 1);
export const no3 = (mgN: number): string => `${fromMgNPerL('nitrate', 'ion', mgN).toFixed(0)} mg/L`;
export const nh3 = (mgN: number): string => mgN.toFixed(3);
export const hours = (h: number): string => `${Math.round(h)} h`;
export const days = (n: number): string => `${Math.round(n)} ${plural(Math.round(n), 'day', 'days')}`;
