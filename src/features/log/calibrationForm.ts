/** A calibration as texts, and from texts to what it found. Plain functions. */
import type { Calibration } from '../../../core/document';
import { readEntry } from '../../../core/units';

interface CalibrationTexts {
  standard: string;
  reading: string;
  temp: string;
  adjusted: boolean;
}
type Faults = Partial<Record<keyof CalibrationTexts, string>>;

/** @param of the instrument, the unit its values are typed in (null: as printed), the person's unit of temperature */
export function readCalibration(
  t: CalibrationTexts,
  of: { kitId: string; unit: string | null; heat: string },
): { ok: true; calibration: Omit<Calibration, 'id' | 'at'> } | { ok: false; faults: Faults } {
  const value = { unit: of.unit, min: -5, max: 100000 };
  const standard = readEntry(t.standard, { ...value, name: 'Standard' });
  const reading = readEntry(t.reading, { ...value, name: 'What it shows' });
  const temp = readEntry(t.temp, { name: 'Temperature', unit: of.heat, min: -5, max: 60, whenEmpty: NaN });
  if (standard.ok && reading.ok && temp.ok)
    return {
      ok: true,
      calibration: {
        kitId: of.kitId,
        standard: standard.value,
        reading: reading.value,
        tempC: Number.isNaN(temp.value) ? null : temp.value,
        adjusted: t.adjusted,
        note: '',
      },
    };
  const faults: Faults = {};
  if (!standard.ok) faults.standard = standard.message;
  if (!reading.ok) faults.reading = reading.message;
  if (!temp.ok) faults.temp = temp.message;
  return { ok: false, faults };
}
