/** Reads tables off the main thread: text, columns, rows. Stopped by being terminated. */
import { guess, readAsItComes } from '../../core/csv';
import { TableError, tableIn } from '../../formats/csv';
import type { TableAsk, TableTold } from './messages';

/** Rows shown beside the names of the columns. */
const SHOWN = 3;

self.onmessage = async ({ data }: MessageEvent<TableAsk>) => {
  const tell = (told: TableTold): void => self.postMessage(told);
  try {
    const table = tableIn(await data.file.text());
    const { mapping, doubts, assumed } = guess(table, data.doc, data.told);
    const how = { zone: data.zone, fromDevice: data.told.fromDevice };
    const read = doubts.length > 0 ? null : readAsItComes(table, mapping, data.doc, how);
    const { separator, header, rows } = table;
    const shown = rows.slice(0, SHOWN).map((r) => r.cells);
    tell({ kind: 'table', separator, header, rows: rows.length, shown, mapping, doubts, assumed, read });
  } catch (error) {
    tell({
      kind: 'none',
      message: error instanceof TableError ? error.message : 'the file cannot be read as a table',
    });
  }
};
