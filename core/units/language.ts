/** What a person's language tells of their units and of the order in which they write a date: a first guess, changed with one tap. */
import { METRIC, type UnitPreferences } from './preferences';

export const US_CUSTOMARY: UnitPreferences = {
  volume: 'gal',
  temperature: 'F',
  salinity: 'sg2525',
  length: 'in',
  mass: 'lb',
};

/** Lands that measure in gallons, inches and degrees Fahrenheit (CLDR, measurementSystem US). */
const US_LANDS = new Set(['US', 'LR', 'PW', 'FM', 'MH']);

/** The land of a language tag ("en-US", "zh-Hant-TW"); empty where it names none. */
const landOf = (tag: string): string =>
  tag.split(/[-_]/).find((part, i) => i > 0 && /^[A-Z]{2}$/.test(part)) ?? '';

/** @param tag a BCP 47 language tag, as the browser gives it */
export const unitsOfLanguage = (tag: string): UnitPreferences =>
  US_LANDS.has(landOf(tag)) ? US_CUSTOMARY : METRIC;
