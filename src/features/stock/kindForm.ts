/** A kind of one's own as texts, and from texts to it or to faults. Plain functions. */
import { MAX_NAME } from '../../../core/document';
import type { OwnSpecies } from '../../../core/species';
import { formatDecimal, readEntry, toUnit, unitDecimals, type UnitPreferences } from '../../../core/units';

export interface KindTexts {
  common: string;
  likeId: string;
  scientific: string;
  adult: string;
  arrival: string;
  minTank: string;
  minLength: string;
  temperament: NonNullable<OwnSpecies['temperament']> | '';
  reefSafe: NonNullable<OwnSpecies['reefSafe']> | '';
  jumps: 'yes' | 'no' | '';
  most: string;
  age: string;
}
export type KindFaults = Partial<Record<keyof KindTexts, string>>;

/** @param common what was looked for */
export const newKind = (common: string): KindTexts => ({
  common,
  likeId: '',
  scientific: '',
  adult: '',
  arrival: '',
  minTank: '',
  minLength: '',
  temperament: '',
  reefSafe: '',
  jumps: '',
  most: '',
  age: '',
});

export function kindTexts(own: OwnSpecies, units: UnitPreferences): KindTexts {
  const shown = (unit: string, value: number | undefined) =>
    value === undefined ? '' : formatDecimal(toUnit(unit, value), unitDecimals(unit));
  return {
    common: own.common,
    likeId: own.likeId,
    scientific: own.scientific ?? '',
    adult: shown(units.length, own.adultCm),
    arrival: shown(units.length, own.arrivalCm),
    minTank: shown(units.volume, own.minTankL),
    minLength: shown(units.length, own.minTankCm),
    temperament: own.temperament ?? '',
    reefSafe: own.reefSafe ?? '',
    jumps: own.jumps === undefined ? '' : own.jumps ? 'yes' : 'no',
    most: own.maxPerTank === undefined ? '' : String(own.maxPerTank),
    age: own.minTankAgeDays === undefined ? '' : String(own.minTankAgeDays),
  };
}

/** Name, adult size and nearest relative are needed; what is left empty stays the relative's. */
export function readKind(
  t: KindTexts,
  units: UnitPreferences,
): { ok: true; kind: Omit<OwnSpecies, 'id'> } | { ok: false; faults: KindFaults } {
  const faults: KindFaults = {};
  const common = t.common.trim();
  const scientific = t.scientific.trim();
  if (common === '' || common.length > MAX_NAME)
    faults.common = `Give it a name of 1 to ${MAX_NAME} characters.`;
  if (t.likeId === '')
    faults.likeId = 'Choose its nearest relative in the list: what you leave empty is taken from it.';
  if (scientific.length > MAX_NAME) faults.scientific = `At most ${MAX_NAME} characters.`;
  const optional = (field: keyof KindTexts, rule: Parameters<typeof readEntry>[1]): number | undefined => {
    if (t[field].trim() === '') return undefined;
    const entry = readEntry(t[field], rule);
    if (entry.ok) return entry.value;
    faults[field] = entry.message;
    return undefined;
  };
  const length = (name: string, max: number) => ({ name, unit: units.length, min: 0.1, max });
  const adult = readEntry(t.adult, length('Grown-up size', 100));
  if (!adult.ok)
    faults.adult =
      t.adult.trim() === '' ? 'Say how large it grows: everything else is judged by it.' : adult.message;
  const arrivalCm = optional('arrival', length('Size when bought', 100));
  const minTankL = optional('minTank', { name: 'Least tank', unit: units.volume, min: 1, max: 20000 });
  const minTankCm = optional('minLength', length('Least length of the glass', 1000));
  const maxPerTank = optional('most', { name: 'Most in a tank', unit: null, min: 1, max: 100, whole: true });
  const minTankAgeDays = optional('age', {
    name: 'Age of the tank',
    unit: null,
    min: 0,
    max: 1000,
    whole: true,
  });
  if (adult.ok && arrivalCm !== undefined && arrivalCm > adult.value)
    faults.arrival = 'It is not bought larger than it grows.';
  if (Object.keys(faults).length > 0 || !adult.ok) return { ok: false, faults };
  return {
    ok: true,
    kind: {
      common,
      likeId: t.likeId,
      adultCm: adult.value,
      ...(scientific === '' ? {} : { scientific }),
      ...(arrivalCm === undefined ? {} : { arrivalCm }),
      ...(minTankL === undefined ? {} : { minTankL }),
      ...(minTankCm === undefined ? {} : { minTankCm }),
      ...(t.temperament ? { temperament: t.temperament } : {}),
      ...(t.reefSafe ? { reefSafe: t.reefSafe } : {}),
      ...(t.jumps === '' ? {} : { jumps: t.jumps === 'yes' }),
      ...(maxPerTank === undefined ? {} : { maxPerTank }),
      ...(minTankAgeDays === undefined ? {} : { minTankAgeDays }),
    },
  };
}
