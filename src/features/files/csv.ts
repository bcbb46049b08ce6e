/** Readings as CSV: one row a reading, in the units the kit prints and as stored; papaparse does the quoting. */
import Papa from 'papaparse';
import {
  isNitrogen,
  nitrogenInterval,
  readingInterval,
  readingText,
  kitExpired,
  type Document,
} from '../../../core/document';

/** Every reading of every tank, oldest first. Nitrogen carries both the printed text and mg N/L. */
export function readingsCsv(doc: Document): string {
  const samples = Object.values(doc.samples).sort((a, b) => (a.at < b.at ? -1 : 1));
  const rows = samples.flatMap((s) =>
    s.readings.flatMap((r) => {
      const kit = doc.kits[r.kitId];
      const water = doc.waters[s.waterId];
      if (!kit || !water) return [];
      const printed = readingInterval(r.value, kit);
      const n = isNitrogen(r.parameter) ? nitrogenInterval(r.value, kit, r.parameter) : null;
      const number = (x: number) => (Number.isFinite(x) ? Number(x.toFixed(5)) : '');
      return [
        {
          time: s.at,
          water: safe(water.name),
          parameter: r.parameter,
          reading: readingText(r.value, 4),
          low: number(printed.low),
          middle: number(printed.mid),
          high: number(printed.high),
          unit: unitOf(r.parameter),
          basis: kit.basis ?? '',
          mg_N_per_L: n ? number(n.mid) : '',
          kit: safe(kit.name),
          kit_expired: kitExpired(kit, s.at) ? 'yes' : 'no',
          note: safe(s.note),
        },
      ];
    }),
  );
  return Papa.unparse(rows, {
    columns: [
      'time',
      'water',
      'parameter',
      'reading',
      'low',
      'middle',
      'high',
      'unit',
      'basis',
      'mg_N_per_L',
      'kit',
      'kit_expired',
      'note',
    ],
    newline: '\r\n',
  });
}

/** A text that a spreadsheet would run as a formula is led by an apostrophe. */
const safe = (text: string): string => (/^[=+\-@\t\r]/.test(text) ? `'${text}` : text);

function unitOf(parameter: string): string {
  switch (parameter) {
    case 'temperature':
      return 'C';
    case 'salinity':
      return 'practical salinity';
    case 'ph':
      return 'pH';
    case 'alkalinity':
      return 'dKH';
    default:
      return 'mg/L';
  }
}
