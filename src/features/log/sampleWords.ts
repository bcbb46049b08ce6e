/** A sample in words. */
import { parameterName, type Kit, type OwnParameterSpec, type Sample } from '../../../core/document';
import type { UnitPreferences } from '../../../core/units';
import { dayAndHour } from '../../store';
import { shownValue, typedUnit } from './sampleForm';

/** "ammonia 0.25 mg/L NH₄, nitrite 1–2 mg/L NO₂ …" */
export function sampleWords(
  sample: Sample,
  kits: Record<string, Kit>,
  units: UnitPreferences,
  own: Record<string, OwnParameterSpec> = {},
): string {
  return sample.readings
    .map((r) => {
      const kit = kits[r.kitId];
      const name = parameterName(r.parameter, own);
      return kit
        ? `${name} ${shownValue(r.value, kit, units)}${r.doubted ? ' (not trusted)' : ''} ${typedUnit(kit, units, own).label}`.trimEnd()
        : name;
    })
    .join(', ');
}

/** The whole of it, to be kept when it is corrected. */
export const whatItSaid = (
  sample: Sample,
  kits: Record<string, Kit>,
  units: UnitPreferences,
  own: Record<string, OwnParameterSpec>,
): string =>
  [dayAndHour(Date.parse(sample.at)), sampleWords(sample, kits, units, own), sample.note]
    .filter(Boolean)
    .join(' · ');
