/** Cells with figures: decimal points and commas, thousands, and what a kit prints that is no plain number. */
import type { Reading, ReadingValue } from '../document';

export type Decimal = '.' | ',';

const THOUSANDS = { '.': /^[+-]?\d{1,3}(,\d{3})+(\.\d+)?$/, ',': /^[+-]?\d{1,3}(\.\d{3})+(,\d+)?$/ };
const PLAIN = {
  '.': /^[+-]?(\d+(\.\d*)?|\.\d+)(e[+-]?\d{1,3})?$/i,
  ',': /^[+-]?(\d+(,\d*)?|,\d+)(e[+-]?\d{1,3})?$/i,
};

/** A number as a cell has it; null where it is none. */
export function numberIn(text: string, decimal: Decimal): number | null {
  const trimmed = text.trim().replace(/^[−–]/, '-');
  if (trimmed.length > 40) return null;
  if (PLAIN[decimal].test(trimmed)) return Number(trimmed.replace(',', '.'));
  if (THOUSANDS[decimal].test(trimmed))
    return Number(trimmed.replaceAll(decimal === '.' ? ',' : '.', '').replace(',', '.'));
  return null;
}

/** What decides between point and comma. Null where no cell shows it, 'both' where they contradict each other. */
export function decimalShown(cells: readonly string[]): Decimal | 'both' | null {
  let comma = false;
  let point = false;
  for (const cell of cells) {
    const text = cell.trim().replace(/^[<>≤≥+\-−–~\s]+/, '');
    if (!/^[\d.,]+$/.test(text)) continue;
    if (/^\d{1,3}(\.\d{3})+,\d+$/.test(text) || /^\d{1,3}(\.\d{3}){2,}$/.test(text)) comma = true;
    else if (/^\d{1,3}(,\d{3})+\.\d+$/.test(text) || /^\d{1,3}(,\d{3}){2,}$/.test(text)) point = true;
    else if (/^\d*,\d+$/.test(text) && !/^[1-9]\d{0,2},\d{3}$/.test(text)) comma = true;
    else if (/^\d*\.\d+$/.test(text) && !/^[1-9]\d{0,2}\.\d{3}$/.test(text)) point = true;
  }
  if (comma && point) return 'both';
  return comma ? ',' : point ? '.' : null;
}

/** Figures that are thousands with one mark and a fraction with the other: "1,025". */
export const isEither = (cell: string): boolean => /^\s*[<>]?\s*[1-9]\d{0,2}[.,]\d{3}\s*$/.test(cell);

/** Nothing was measured. */
export const isBlank = (cell: string): boolean => /^\s*(|-|–|—|n\/?a|null|none|\?)\s*$/i.test(cell);

/** What a cell says was read, before its unit; null where it says nothing a kit could show. "<0.05" is between 0 and 0.05. */
export function valueIn(text: string, decimal: Decimal): ReadingValue | null {
  const trimmed = text.trim();
  const number = (t: string) => numberIn(t, decimal);
  const below = /^(?:<|<=|≤|under|below)\s*(.+)$/i.exec(trimmed);
  if (below) {
    const high = number(below[1] as string);
    return high !== null && high > 0 ? { kind: 'between', low: 0, high } : null;
  }
  const over = /^(?:>|>=|≥|over|above)\s*(.+)$/i.exec(trimmed);
  if (over) {
    const low = number(over[1] as string);
    return low !== null && low >= 0 ? { kind: 'over', low } : null;
  }
  if (trimmed.includes('&')) {
    const values = trimmed.split('&').map(number);
    return values.length <= 5 && values.every((v) => v !== null)
      ? { kind: 'repeats', values: values as number[] }
      : null;
  }
  const between = /^([^\s–-]+)\s*(?:\.\.|–|-|to)\s*([^\s–-]+)$/i.exec(trimmed);
  if (between) {
    const low = number(between[1] as string);
    const high = number(between[2] as string);
    return low !== null && high !== null && high > low && low >= 0 ? { kind: 'between', low, high } : null;
  }
  const exact = number(trimmed);
  return exact === null ? null : { kind: 'exact', value: exact };
}

/** A value in another unit. What a conversion leaves in the twelfth digit is its own doing. */
export function converted(value: ReadingValue, to: (x: number) => number): ReadingValue {
  const turn = (x: number): number => (to(x) === x ? x : Number(to(x).toPrecision(10)));
  switch (value.kind) {
    case 'exact':
      return { kind: 'exact', value: turn(value.value) };
    case 'over':
      return { kind: 'over', low: turn(value.low) };
    case 'repeats':
      return { kind: 'repeats', values: value.values.map(turn) };
    case 'between':
      return { kind: 'between', low: turn(value.low), high: turn(value.high) };
  }
}

/** As a cell: what `valueIn` reads back as the same. */
export function valueText(value: ReadingValue): string {
  switch (value.kind) {
    case 'exact':
      return String(value.value);
    case 'over':
      return `>${value.low}`;
    case 'between':
      return `${value.low}..${value.high}`;
    case 'repeats':
      return value.values.join(' & ');
  }
}

/** What a photo said beside a reading, as a cell: lowest, most likely and highest; no highest where the card ends. */
export const photoText = (photo: Reading['photo']): string =>
  photo ? `${photo.low}..${photo.best}..${photo.high ?? ''}` : '';

/** The way back; null where the cell says nothing of the kind. */
export function photoIn(cell: string): NonNullable<Reading['photo']> | null {
  const parts = cell.trim().split('..');
  const [low, best, high] = parts.map((part) => (part === '' ? null : Number(part)));
  const isAmount = (x: number | null | undefined): x is number =>
    typeof x === 'number' && x >= 0 && Number.isFinite(x);
  if (parts.length !== 3 || !isAmount(low) || !isAmount(best) || high === undefined) return null;
  return high === null || isAmount(high) ? { low, best, high } : null;
}

/** Every figure a value holds. */
export const figuresOf = (value: ReadingValue): number[] => {
  switch (value.kind) {
    case 'exact':
      return [value.value];
    case 'over':
      return [value.low];
    case 'between':
      return [value.low, value.high];
    case 'repeats':
      return value.values;
  }
};
