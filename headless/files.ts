/** The commands that take files together and tables apart: merge, import-csv, export-csv. */
import { z } from 'zod';
import { guess, readTable, type Guess, type Table, type TableRead } from '../core/csv';
import { columnSchema, readDocument, writeDocument } from '../core/document/checks';
import { DATE_ORDERS, SEPARATORS, type Document } from '../core/document';
import { isZone } from '../core/time';
import { readingsCsv, TableError, tableIn } from '../formats/csv';
import { merged, type Conflict, type Versioned } from '../core/merge';
import { InputError, parsed } from './input';

/** What a command prints, and what it says beside it. */
export interface Told {
  out: string;
  err: string;
}

/** @throws InputError in one sentence, naming which file */
export function documentIn(text: string, name: string): Versioned {
  const read = readDocument(text);
  if (read.status === 'ok') return read;
  if (read.status !== 'invalid') throw new InputError(`${name}: ${read.message}`);
  const [first] = read.faults;
  const more = read.faults.length > 1 ? `, and ${read.faults.length - 1} more` : '';
  throw new InputError(`${name}: ${first?.path ?? ''}: ${first?.message ?? ''}${more}`);
}

/** Two files of two devices as one. */
export function merge(a: string, b: string): Told {
  const one = documentIn(a, 'the first file');
  const two = documentIn(b, 'the second file');
  try {
    const { document, revisions, conflicts } = merged(one, two);
    return {
      out: writeDocument(document, revisions),
      err: conflicts.map((c) => `${conflictLine(c)}\n`).join(''),
    };
  } catch (error) {
    throw new InputError(`the two do not fit together: ${error instanceof Error ? error.message : ''}`);
  }
}

const WHY: Record<Conflict['why'], (c: Conflict) => string> = {
  bothEdited: (c) => `edited in both, the later edit stands; the other was ${JSON.stringify(c.other)}`,
  editedAndDeleted: (c) =>
    c.kept
      ? 'deleted in one and edited in the other, the edit is later and stands'
      : `deleted in one and edited in the other, the deletion is later and stands; it was ${JSON.stringify(c.other)}`,
  stillNeeded: () => 'deleted in one, but the other refers to it: it stays',
};
const conflictLine = (c: Conflict): string => `${c.id} (${c.collection}): ${WHY[c.why](c)}`;

/** Faults by line, said as they are; what is printed all the same. */
export class Faulty extends InputError {
  constructor(
    readonly lines: readonly string[],
    readonly out = '',
  ) {
    super(lines[0] ?? '');
  }
}

const MOST_LINES = 20;
const most = (lines: readonly string[]): string[] =>
  lines.length > MOST_LINES
    ? [...lines.slice(0, MOST_LINES), `and ${lines.length - MOST_LINES} more`]
    : [...lines];

/** What a person says of a table; all of it may be left out. */
const mappingSchema = z.strictObject({
  separator: z.enum(SEPARATORS).optional(),
  decimal: z.enum(['.', ',']).optional(),
  dateOrder: z.enum(DATE_ORDERS).optional(),
  /** The water of readings that name none, by id or name. */
  water: z.string().min(1).optional(),
  /** By the names of the columns. */
  columns: z.record(z.string(), columnSchema).optional(),
  /** What a device shows is kept by the hour, not as tests by hand. */
  device: z.boolean().optional(),
});

export interface ImportOptions {
  mapping?: string | undefined;
  zone?: string | undefined;
  dry?: boolean | undefined;
}

/** A table's readings into a document: all of them, or the faults by line. */
export function importCsv(csv: string, into: string, o: ImportOptions): Told {
  const { document, revisions } = documentIn(into, 'the document');
  const told = o.mapping === undefined ? {} : parsed(mappingSchema, o.mapping);
  const zone = o.zone ?? 'UTC';
  if (!isZone(zone)) throw new InputError(`--zone "${zone}" is no zone, such as Europe/Lisbon`);
  const table = inTable(csv, told.separator);
  const unknown = Object.keys(told.columns ?? {}).find((name) => !table.header.includes(name));
  if (unknown !== undefined)
    throw new InputError(`the mapping names a column "${unknown}", which the table has not`);
  const guessed = guess(table, document, { ...told, waterId: waterNamed(document, told.water) });
  const how = { zone, fromDevice: told.device ?? false };
  const read = guessed.doubts.length > 0 ? null : readTable(table, guessed.mapping, document, how);
  const preview = o.dry ? `${JSON.stringify(previewOf(table, guessed, read, zone), null, 1)}\n` : '';
  const faults = [
    ...guessed.doubts.map((d) => d.message),
    ...(read?.faults ?? []).map((f) => `line ${f.line}: ${f.message}`),
  ];
  if (faults.length > 0 || !read) throw new Faulty(most(faults), preview);
  if (o.dry) return { out: preview, err: '' };
  const next: Document = {
    ...document,
    kits: { ...document.kits, ...byId(read.kits) },
    samples: { ...document.samples, ...byId(read.samples) },
    monitors: { ...document.monitors, ...byId(read.device?.monitors ?? []) },
    monitorDays: { ...document.monitorDays, ...byId(read.device?.days ?? []) },
  };
  const said = [
    ...guessed.assumed,
    ...read.assumed,
    ...(read.duplicates > 0
      ? [`${read.duplicates} readings stand in the log already and were left out.`]
      : []),
    ...(read.device && read.device.otherHours > 0
      ? [`${read.device.otherHours} hours stand in the log with other values and stay as they are.`]
      : []),
    ...(read.often && !told.device
      ? ['So many a day come from a device: with "device": true in the mapping they are kept by the hour.']
      : []),
  ];
  return { out: writeDocument(next, revisions), err: said.map((l) => `${l}\n`).join('') };
}

const byId = <T extends { id: string }>(list: readonly T[]): Record<string, T> =>
  Object.fromEntries(list.map((e) => [e.id, e]));

function inTable(csv: string, separator: string | undefined): Table {
  try {
    return tableIn(csv, separator);
  } catch (error) {
    if (error instanceof TableError) throw new InputError(error.message);
    throw error;
  }
}

function waterNamed({ waters }: Document, name: string | undefined): string | null {
  if (name === undefined) return null;
  const found = Object.hasOwn(waters, name)
    ? waters[name]
    : Object.values(waters).find((w) => w.name.trim().toLowerCase() === name.trim().toLowerCase());
  if (!found)
    throw new InputError(
      `"water": there is no water "${name}"; there are ${Object.keys(waters).join(', ') || 'none'}`,
    );
  return found.id;
}

function previewOf(
  table: Table,
  { mapping, doubts, assumed }: Guess,
  read: TableRead | null,
  zone: string,
): object {
  return {
    separator: table.separator,
    decimal: mapping.decimal,
    dateOrder: mapping.dateOrder,
    zone,
    water: mapping.waterId,
    columns: Object.fromEntries(table.header.map((name, i) => [name, mapping.columns[i]])),
    ...(Object.keys(mapping.units ?? {}).length > 0 ? { units: mapping.units } : {}),
    rows: table.rows.length,
    readings: read?.readings ?? 0,
    samples: read?.samples.length ?? 0,
    ...(read?.device ? { ofDevice: read.device.readings, daysOfDevice: read.device.days.length } : {}),
    duplicates: read?.duplicates ?? 0,
    newKits: (read?.kits ?? []).map((k) => ({ name: k.name, parameter: k.parameter, basis: k.basis })),
    assumed: [...assumed, ...(read?.assumed ?? [])],
    questioned: (read?.questioned ?? []).map((q) => `line ${q.line}: ${q.message}`),
    doubts: doubts.map((d) => d.message),
    faults: (read?.faults ?? []).length,
  };
}

/** Every reading of a document as a table. */
export const exportCsv = (file: string): string => readingsCsv(documentIn(file, 'the file').document);
