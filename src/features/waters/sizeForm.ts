/** How large a water is, as texts, and from texts to what is stored: shared by displays and by what serves them. */
import { MAX_NAME, type Water } from '../../../core/document';
import { formatDecimal, readEntry, toUnit, type UnitPreferences } from '../../../core/units';

export interface SizeTexts {
  sizeKind: 'dimensions' | 'volume';
  length: string;
  width: string;
  height: string;
  volume: string;
}
export type SizeFaults = Partial<Record<keyof SizeTexts, string>>;

export const NO_SIZE: SizeTexts = { sizeKind: 'dimensions', length: '', width: '', height: '', volume: '' };

export function textsOfSize(size: Water['size'], units: UnitPreferences): SizeTexts {
  const show = (unit: string, stored: number) => formatDecimal(toUnit(unit, stored), 2);
  return size.kind === 'dimensions'
    ? {
        ...NO_SIZE,
        sizeKind: 'dimensions',
        length: show(units.length, size.lengthCm),
        width: show(units.length, size.widthCm),
        height: show(units.length, size.waterHeightCm),
      }
    : { ...NO_SIZE, sizeKind: 'volume', volume: show(units.volume, size.volumeL) };
}

/** The most a measure may be, in cm and litres: beyond it a digit too many was typed. */
const MOST = { sideCm: 2000, heightCm: 500, litres: 100000 };

/** The size, with a fault for each field that cannot be read. */
export function readSize(
  t: SizeTexts,
  units: UnitPreferences,
): { size: Water['size'] | null; faults: SizeFaults } {
  const faults: SizeFaults = {};
  const number = (
    field: 'length' | 'width' | 'height' | 'volume',
    name: string,
    unit: string,
    max: number,
  ) => {
    const entry = readEntry(t[field], { name, unit, min: 0, max, above: true });
    if (entry.ok) return entry.value;
    faults[field] = entry.message;
    return NaN;
  };
  const size: Water['size'] =
    t.sizeKind === 'dimensions'
      ? {
          kind: 'dimensions',
          lengthCm: number('length', 'Length', units.length, MOST.sideCm),
          widthCm: number('width', 'Width', units.length, MOST.sideCm),
          waterHeightCm: number('height', 'Water height', units.length, MOST.heightCm),
        }
      : { kind: 'volume', volumeL: number('volume', 'Volume', units.volume, MOST.litres) };
  return { size: Object.keys(faults).length > 0 ? null : size, faults };
}

/** Name faults as sentences; null when the name will do. Emoji are letters like any other. */
export function nameFault(name: string): string | null {
  if (name.trim() === '') return 'Give it a name.';
  if (name.length > MAX_NAME) return `The name is too long: ${MAX_NAME} characters is the most.`;
  if (/[\u0000-\u001f]/.test(name)) return 'The name must be one line without control characters.';
  return null;
}

/** What is wrong with a day of filling; null when it will do, also when it is left open. */
export function startFault(day: string, today: string): string | null {
  if (day === '') return null;
  if (!/^\d{4}-\d{2}-\d{2}$/.test(day)) return 'Choose the day it was first filled, or leave it open.';
  if (day > today) return 'The start lies in the future. Enter it on the day, or choose today.';
  return day < '1980-01-01' ? 'That start is too long ago. Check the year.' : null;
}
