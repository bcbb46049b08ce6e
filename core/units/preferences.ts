/** What the person sees against what is stored. Stored: litres, C, practical salinity, cm, g. Converted here, at the edge. */
import {
  conductivityMSPerCm,
  salinityFromConductivity,
  salinityFromSpecificGravity,
  specificGravity,
} from '../seawater';

export const VOLUME_UNITS = ['L', 'gal'] as const;
export const TEMPERATURE_UNITS = ['C', 'F'] as const;
export const SALINITY_UNITS = ['ppt', 'sg2525', 'sg2020', 'mScm'] as const;
export const LENGTH_UNITS = ['cm', 'in'] as const;
export const MASS_UNITS = ['g', 'lb'] as const;

export interface UnitPreferences {
  volume: (typeof VOLUME_UNITS)[number];
  temperature: (typeof TEMPERATURE_UNITS)[number];
  salinity: (typeof SALINITY_UNITS)[number];
  length: (typeof LENGTH_UNITS)[number];
  mass: (typeof MASS_UNITS)[number];
}

export type Quantity = keyof UnitPreferences;

export const METRIC: UnitPreferences = {
  volume: 'L',
  temperature: 'C',
  salinity: 'ppt',
  length: 'cm',
  mass: 'g',
};

/** One unit: its label, decimals shown, and the two ways between shown and stored. */
interface UnitRule {
  label: string;
  decimals: number;
  toStored: (shown: number) => number;
  toShown: (stored: number) => number;
}

const scaled = (label: string, decimals: number, storedPerShown: number): UnitRule => ({
  label,
  decimals,
  toStored: (x) => x * storedPerShown,
  toShown: (x) => x / storedPerShown,
});

/** US gallon 3.785411784 L, inch 2.54 cm, pound 453.59237 g: exact by definition. Hobby conductivity is stated at 25 C. */
const RULES: Record<string, UnitRule> = {
  L: scaled('L', 1, 1),
  gal: scaled('gal', 1, 3.785411784),
  C: scaled('°C', 1, 1),
  F: { label: '°F', decimals: 1, toStored: (x) => ((x - 32) * 5) / 9, toShown: (x) => (x * 9) / 5 + 32 },
  ppt: scaled('ppt', 1, 1),
  sg2525: {
    label: 'SG 25/25',
    decimals: 4,
    toStored: (x) => salinityFromSpecificGravity(x, '25/25'),
    toShown: (s) => specificGravity(s, '25/25'),
  },
  sg2020: {
    label: 'SG 20/20',
    decimals: 4,
    toStored: (x) => salinityFromSpecificGravity(x, '20/20'),
    toShown: (s) => specificGravity(s, '20/20'),
  },
  mScm: {
    label: 'mS/cm',
    decimals: 1,
    toStored: (x) => salinityFromConductivity(x, 25),
    toShown: (s) => conductivityMSPerCm(s, 25),
  },
  cm: scaled('cm', 1, 1),
  in: scaled('in', 1, 2.54),
  g: scaled('g', 1, 1),
  lb: scaled('lb', 2, 453.59237),
};

function rule(unit: string): UnitRule {
  const found = RULES[unit];
  if (!found) throw new RangeError(`"unit" must be one of ${Object.keys(RULES).join(', ')}, got "${unit}"`);
  return found;
}

/** Label of a unit, e.g. "°C". */
export const unitLabel = (unit: string): string => rule(unit).label;
/** Stored value -> value in the given unit. @throws RangeError when the stored value is outside the scale. */
export const toUnit = (unit: string, stored: number): number => rule(unit).toShown(stored);
/** Value in the given unit -> stored value. @throws RangeError when the value is outside the scale. */
export const fromUnit = (unit: string, shown: number): number => rule(unit).toStored(shown);
/** Decimals a unit is shown with. */
export const unitDecimals = (unit: string): number => rule(unit).decimals;

/** A shown number as text; one that would round to nothing keeps two significant digits ("0.04", not "0.0"). */
function shownText(shown: number, decimals: number): string {
  const text = shown.toFixed(decimals);
  return Number(text) === 0 && shown !== 0 ? String(Number(shown.toPrecision(2))) : text;
}

/** The unit a stored value is shown in: the person's, or the stored one where the value is off that scale. */
function shownIn(
  quantity: Quantity,
  stored: number,
  prefs: UnitPreferences,
): { unit: string; value: number } {
  const unit = prefs[quantity];
  try {
    return { unit, value: toUnit(unit, stored) };
  } catch {
    return { unit: METRIC[quantity], value: stored };
  }
}

/** "25.2 °C" from a stored value, in the person's unit. Values off the scale fall back to the stored unit. */
export function showQuantity(
  quantity: Quantity,
  stored: number,
  prefs: UnitPreferences,
  decimals?: number,
): string {
  const { unit, value } = shownIn(quantity, stored, prefs);
  return `${shownText(value, decimals ?? unitDecimals(unit))} ${unitLabel(unit)}`;
}

/** "24 to 26 °C" from two stored values. */
export function showRange(
  quantity: Quantity,
  [low, high]: readonly [number, number],
  prefs: UnitPreferences,
  decimals?: number,
): string {
  const from = shownIn(quantity, low, prefs);
  const places = decimals ?? unitDecimals(from.unit);
  const to = shownIn(quantity, high, prefs);
  // "33 to 36" rather than "33.0 to 36.0"; a fine scale such as specific gravity keeps its places.
  const text = (x: number) => (places > 1 ? x.toFixed(places) : String(Number(shownText(x, places))));
  return `${text(from.value)} to ${text(to.value)} ${unitLabel(to.unit)}`;
}

/** A difference between two values of a scale, e.g. "3.6 °F" for 2 K; salinity is taken around 35. */
export function showDifference(
  quantity: Quantity,
  stored: number,
  prefs: UnitPreferences,
  decimals?: number,
): string {
  const unit = prefs[quantity];
  const around = quantity === 'salinity' ? 35 : 0;
  const shown = toUnit(unit, around + stored) - toUnit(unit, around);
  return `${shownText(shown, decimals ?? unitDecimals(unit))} ${unitLabel(unit)}`;
}
