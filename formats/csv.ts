/** Tables as text, after RFC 4180; papaparse does the quoting. */
import Papa from 'papaparse';
import { COLUMNS, readingRows, type Table, type TableRow } from '../core/csv';
import type { Document } from '../core/document';

const SEPARATORS = [',', ';', '\t', '|'] as const;
/** Rows that are looked at to find the separator. */
const PROBED = 40;
/** Larger than any table of readings we know; a file that is none is refused before it fills the memory. */
const MOST_ROWS = 400_000;

export class TableError extends Error {}

/** The text of a table in its rows, each with the line it begins on; blank lines are left out.
 *  @throws TableError where it holds no table */
export function tableIn(text: string, separator?: string): Table {
  const plain = text.replace(/^\uFEFF/, '');
  if (plain.includes('\0')) throw new TableError('the file is no text');
  const by = separator ?? separatorOf(plain);
  const rows = rowsOf(plain, by);
  const [head, ...rest] = rows;
  if (!head) throw new TableError('the file is empty');
  if (head.cells.length < 2)
    throw new TableError(
      'the first line has one column only: it should name the columns, and a date and a reading take two',
    );
  return { separator: by, header: head.cells.map((h) => h.trim()), rows: rest };
}

function rowsOf(text: string, separator: string): TableRow[] {
  const rows: TableRow[] = [];
  let line = 1;
  let from = 0;
  Papa.parse<string[]>(text, {
    delimiter: separator,
    step: ({ data, errors, meta }, parser) => {
      const began = line;
      const to = meta.cursor;
      line += linesIn(text, from, to);
      from = to;
      if (errors.some((e) => e.type === 'Quotes'))
        throw new TableError(
          `line ${began}: a quotation mark is not closed, or stands in the middle of a field`,
        );
      if (data.every((cell) => cell.trim() === '')) return;
      rows.push({ line: began, cells: data });
      if (rows.length > MOST_ROWS) {
        parser.abort();
        throw new TableError(`the table has more than ${MOST_ROWS} rows: split it`);
      }
    },
  });
  return rows;
}

/** Ends of lines between two places: of any of the three kinds. */
function linesIn(text: string, from: number, to: number): number {
  let n = 0;
  for (let i = from; i < to; i++) {
    const c = text.charCodeAt(i);
    if (c === 10 || (c === 13 && text.charCodeAt(i + 1) !== 10)) n++;
  }
  return n;
}

/** The mark that cuts most lines into as many fields as the first, the most fields of those. */
function separatorOf(text: string): string {
  let best = { separator: ',', share: 0, fields: 0 };
  for (const separator of SEPARATORS) {
    const { data } = Papa.parse<string[]>(text, {
      delimiter: separator,
      preview: PROBED,
      skipEmptyLines: 'greedy',
    });
    const fields = data[0]?.length ?? 0;
    if (fields < 2) continue;
    const share = data.filter((row) => row.length === fields).length / data.length;
    if (share > best.share + 0.2 || (share > best.share - 0.2 && fields > best.fields))
      best = { separator, share, fields };
  }
  return best.separator;
}

/** Rows written in one go. */
const AT_ONCE = 200;

/** Every reading as a table, bit by bit. */
export function* writingReadings(doc: Document): Generator<string, void, undefined> {
  const lines = (rows: readonly (readonly string[])[]): string =>
    `${Papa.unparse(rows as string[][], { newline: '\r\n' })}\r\n`;
  let rows: (readonly string[])[] = [COLUMNS];
  for (const row of readingRows(doc)) {
    if (rows.push(row) < AT_ONCE) continue;
    yield lines(rows);
    rows = [];
  }
  if (rows.length > 0) yield lines(rows);
}

/** Every reading as a table. */
export const readingsCsv = (doc: Document): string => [...writingReadings(doc)].join('');
