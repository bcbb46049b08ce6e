/** Tables of readings, as text and as what they say. */
import type { Column, Parameter } from '../document';
import type { NitrogenBasis } from '../units';

export type { Column };

/** One record, and the line of the file it begins on; the header is 1. */
export interface TableRow {
  line: number;
  cells: readonly string[];
}

/** A table as it stands in the file. */
export interface Table {
  separator: string;
  header: readonly string[];
  rows: readonly TableRow[];
}

export type DateOrder = 'ymd' | 'dmy' | 'mdy';

/** How a table is read: its columns in order, and what is the same for all of it. */
export interface Mapping {
  decimal: '.' | ',';
  /** Null where every date says by itself which is the month. */
  dateOrder: DateOrder | null;
  columns: readonly Column[];
  /** The water of readings that name none. */
  waterId: string | null;
  /** Of one reading a row, by what was measured: the unit of figures that name none. */
  units?: Partial<Record<Parameter, string>>;
}

/** What cannot be guessed, with the column and what has to be said. */
export interface Doubt {
  column: string | null;
  message: string;
}

export interface Guess {
  mapping: Mapping;
  doubts: Doubt[];
  /** What was taken for granted, in sentences. */
  assumed: string[];
}

/** A unit and basis as a table may write them, with the way to what is stored. */
export interface UnitOf {
  unit: string;
  basis: NitrogenBasis | null;
  toStored: (x: number) => number;
}
