/** How a stored value is drawn and written, in the person's units. */
import { isNitrogen, type Parameter } from '../document';
import { fromMgNPerL, toUnit, unitLabel, type UnitPreferences } from '../units';

export interface ShownScale {
  /** Empty where the parameter's own unit or basis says it. */
  label: string;
  /** NaN for what the unit cannot say. */
  show: (stored: number) => number;
  decimals: number;
}

/** Values as shown: nitrogen on the ion basis, temperature and salinity in the person's units. */
export function shownScale(p: Parameter, units: UnitPreferences): ShownScale {
  if (isNitrogen(p)) return { label: '', show: (x) => fromMgNPerL(p, 'ion', x), decimals: 2 };
  const unit = p === 'temperature' ? units.temperature : p === 'salinity' ? units.salinity : null;
  if (unit === null) return { label: '', show: (x) => x, decimals: p === 'ph' || p === 'phosphate' ? 2 : 1 };
  return {
    label: unitLabel(unit),
    show: (x) => {
      try {
        return toUnit(unit, x);
      } catch {
        return NaN;
      }
    },
    decimals: unit.startsWith('sg') ? 4 : 1,
  };
}
