/** The import of a table as plain data: what a column may be, how that is chosen, and what the act is. */
import { UNIT_CHOICES, type TableMapping, type TableRead, type Told } from '../../../core/csv';
import {
  isNitrogen,
  parameterName,
  PARAMETERS,
  type Column,
  type Document,
  type Edit,
  type Mapping,
  type Parameter,
} from '../../../core/document';
import type { TableTold } from '../../workers';

export type TableHere = Extract<TableTold, { kind: 'table' }>;

const ROLE_WORDS: Partial<Record<Column['as'], string>> = {
  ignore: 'not read',
  when: 'date and time',
  day: 'date',
  clock: 'time of day',
  water: 'water, by name',
  parameter: 'what was measured',
  value: 'the reading',
  unit: 'its unit',
  basis: 'what it is counted as',
  kit: 'kit, by name',
  note: 'note',
};

/** What a column may be, the readings last. */
export const columnOptions = (doc: Document): { value: string; label: string }[] => [
  ...Object.entries(ROLE_WORDS).map(([value, label]) => ({ value, label })),
  ...PARAMETERS.filter(
    (p) => !p.startsWith('own') || doc.ownParameters[p as keyof typeof doc.ownParameters],
  ).map((p) => ({ value: `reading ${p}`, label: parameterName(p, doc.ownParameters) })),
];

export const optionOf = (c: Column): string => (c.as === 'reading' ? `reading ${c.parameter ?? ''}` : c.as);
export const columnOf = (option: string): Column => {
  const [as, parameter] = option.split(' ');
  return parameter === undefined
    ? { as: as as Column['as'] }
    : { as: 'reading', parameter: parameter as Parameter };
};

export const unitChoices = (c: Column): readonly string[] =>
  c.as === 'reading' && c.parameter ? (UNIT_CHOICES[c.parameter] ?? []) : [];
export const hasBasis = (c: Column): boolean =>
  c.as === 'reading' && c.parameter !== undefined && isNitrogen(c.parameter);

/** How such a table was read before, by the names of its columns. */
export const knownMapping = (doc: Document, header: readonly string[]): Mapping | undefined =>
  Object.values(doc.mappings).find((m) => JSON.stringify(m.header) === JSON.stringify(header));

export const toldBy = (m: Mapping): Told => ({
  decimal: m.decimal,
  dateOrder: m.dateOrder,
  waterId: m.waterId,
  columns: Object.fromEntries(m.header.map((name, i) => [name, m.columns[i] as Column])),
});

/** All of it as one act: kits, samples, and the way the table was read. */
export function editsToImport(
  doc: Document,
  table: TableHere,
  read: TableRead,
  mapping: TableMapping,
  newId: () => string,
): Edit[] {
  const header = [...table.header];
  const kept: Mapping = {
    id: knownMapping(doc, header)?.id ?? newId(),
    header,
    separator: table.separator as Mapping['separator'],
    decimal: mapping.decimal,
    dateOrder: mapping.dateOrder,
    columns: [...mapping.columns],
    waterId: mapping.waterId,
  };
  return [
    ...read.kits.map((entity): Edit => ({ put: 'kits', entity })),
    ...read.samples.map((entity): Edit => ({ put: 'samples', entity })),
    ...(read.device?.monitors ?? []).map((entity): Edit => ({ put: 'monitors', entity })),
    ...(read.device?.days ?? []).map((entity): Edit => ({ put: 'monitorDays', entity })),
    { put: 'mappings', entity: kept },
  ];
}

const several = (n: number, one: string, many: string): string => `${n} ${n === 1 ? one : many}`;

/** Readings that the log has not. */
export const newIn = (read: TableRead): number => read.readings + (read.device?.readings ?? 0);

export function titleOf(read: TableRead): string {
  const { device } = read;
  const parts = [
    ...(device && device.readings > 0
      ? [
          `${several(device.readings, 'reading', 'readings')} of a device on ${several(daysIn(device.days), 'day', 'days')}`,
        ]
      : []),
    ...(read.readings > 0
      ? [
          `${several(read.readings, 'reading', 'readings')} in ${several(read.samples.length, 'sitting', 'sittings')}`,
        ]
      : []),
  ];
  return parts.length === 0 ? 'Nothing new in it' : parts.join(', and ');
}

const daysIn = (days: readonly { day: string }[]): number => new Set(days.map((d) => d.day)).size;

export const otherHoursWords = (hours: number): string =>
  hours === 1
    ? 'One hour of it stands in the log with other values, and stays as it is.'
    : `${hours} hours of it stand in the log with other values, and stay as they are.`;
