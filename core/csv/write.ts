/** Readings as rows of a table: one each, with all that is needed to read them back as they were. */
import { isNitrogen, kitExpired, nitrogenInterval, type Document } from '../document';
import { photoText, valueText } from './numbers';
import { guarded } from './read';
import { compared } from '../time';

export const COLUMNS = [
  'sample',
  'time',
  'water',
  'water_id',
  'parameter',
  'value',
  'unit',
  'basis',
  'kit',
  'kit_id',
  'doubted',
  'corrected',
  'photo',
  'note',
  'mg_N_per_L',
  'kit_expired',
] as const;

const UNITS: Partial<Record<string, string>> = {
  temperature: 'C',
  salinity: 'ppt',
  ph: '',
  alkalinity: 'dKH',
  orp: 'mV',
  par: 'PAR',
};

/** Every reading of every water, oldest first, cells as they stand under COLUMNS. */
export function* readingRows(doc: Document): Generator<string[], void, undefined> {
  const samples = Object.values(doc.samples).sort((a, b) => compared(a.at, b.at) || compared(a.id, b.id));
  for (const s of samples)
    for (const r of s.readings) {
      const kit = doc.kits[r.kitId];
      const water = doc.waters[s.waterId];
      if (!kit || !water) continue;
      const n = isNitrogen(r.parameter) ? nitrogenInterval(r.value, kit, r.parameter) : null;
      const counted = isNitrogen(r.parameter) || r.parameter === 'freeAmmonia';
      yield [
        s.id,
        s.at,
        guarded(water.name),
        water.id,
        r.parameter,
        valueText(r.value),
        r.parameter.startsWith('own') ? '' : (UNITS[r.parameter] ?? 'mg/L'),
        counted ? (kit.basis ?? 'ion') : '',
        guarded(kit.name),
        kit.id,
        r.doubted ? 'yes' : '',
        s.editedAt ?? '',
        photoText(r.photo),
        guarded(s.note),
        n ? String(Number(n.mid.toFixed(5))) : '',
        kitExpired(kit, s.at) ? 'yes' : 'no',
      ];
    }
}
