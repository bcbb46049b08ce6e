import { fireEvent, screen, waitFor } from '@testing-library/react';
import { guess, readAsItComes } from '../../../core/csv';
import { TableError, tableIn } from '../../../formats/csv';
import type { TableAsk } from '../../workers/messages';
import { choose, demo, flush, onScreen, press, says, submit } from '../shell/testing';
import { FilesScreen } from './FilesScreen';

/** Reads as the worker does, in the page. */
class TableWorker {
  onmessage: ((event: { data: unknown }) => void) | null = null;
  ended = false;
  postMessage({ file, doc, told }: TableAsk): void {
    void file.text().then((text) => {
      if (this.ended) return;
      try {
        const table = tableIn(text);
        const g = guess(table, doc, told);
        const how = { zone: 'UTC', fromDevice: told.fromDevice };
        const read = g.doubts.length > 0 ? null : readAsItComes(table, g.mapping, doc, how);
        const { separator, header, rows } = table;
        const shown = rows.slice(0, 3).map((r) => r.cells);
        this.onmessage?.({
          data: { kind: 'table', separator, header, rows: rows.length, shown, ...g, read },
        });
      } catch (error) {
        if (!(error instanceof TableError)) throw error;
        this.onmessage?.({ data: { kind: 'none', message: error.message } });
      }
    });
  }
  terminate(): void {
    this.ended = true;
  }
}
beforeEach(() => Object.assign(globalThis, { Worker: TableWorker }));

const give = async (text: string) => {
  const file = Object.assign(new File([text], 'log.csv', { type: 'text/csv' }), { text: async () => text });
  fireEvent.change(screen.getByLabelText('File to import'), { target: { files: [file] } });
  await flush();
};
const pick = (label: string, value: string) =>
  fireEvent.change(screen.getByLabelText(label), { target: { value } });

const CSV = 'Datum;Alk;NO3\n03/04/2026;3;5,5\n04/04/2026;2,9;<2,5\n';

test('what is not clear is asked, then shown, then taken in one act; the next table like it is read as this one', async () => {
  const { doc, went } = onScreen(<FilesScreen />, { doc: demo() });
  const before = Object.keys(doc().samples).length;
  await give(CSV);
  await waitFor(() => expect(says('Not clear yet')).toBe(true));
  expect(says(/^"Datum": 03\/04\/2026 may have the day or the month first: say it below/)).toBe(true);
  choose('the day');
  pick('All of it was measured in', 'north-window');
  await waitFor(() => expect(says('4 readings in 2 sittings')).toBe(true));
  expect(says('"Alk": taken as meq/L, by its figures.')).toBe(true);
  await submit('Take them into the log');
  expect(went()).toEqual(['/waters']);
  expect(Object.keys(doc().samples)).toHaveLength(before + 2);
  const added = Object.values(doc().samples).find((s) => s.at === '2026-04-03T12:00:00.000Z');
  expect(added?.readings.map((r) => r.value)).toEqual([
    { kind: 'exact', value: 8.4 },
    { kind: 'exact', value: 5.5 },
  ]);
  await give(CSV);
  await waitFor(() => expect(says('Nothing new in it')).toBe(true));
  expect(says(/read as last time/)).toBe(true);
  expect(screen.queryByRole('button', { name: 'Take them into the log' })).toBeNull();
});
test('a device’s table is kept by the hour, in one act, unless the person says they are tests by hand', async () => {
  const rows = Array.from({ length: 72 }, (_, h) => {
    const at = new Date(Date.UTC(2026, 1, 10) + h * 3_600_000).toISOString();
    return `${at},North Window,8.${h % 3},${h === 4 ? '5' : ''}`;
  });
  const table = `time,water,pH,nitrate\n${rows.join('\n')}\n`;
  const { doc } = onScreen(<FilesScreen />, { doc: demo() });
  const before = doc();
  await give(table);
  await waitFor(() =>
    expect(says('72 readings of a device on 3 days, and 1 reading in 1 sitting')).toBe(true),
  );
  choose('tests by hand');
  await waitFor(() => expect(says('73 readings in 72 sittings')).toBe(true));
  choose('a device’s, by the hour');
  await waitFor(() => expect(says(/^72 readings of a device/)).toBe(true));
  await submit('Take them into the log');
  expect(Object.keys(doc().samples)).toHaveLength(Object.keys(before.samples).length + 1);
  expect(Object.values(doc().monitorDays).map((d) => [d.what, d.day])).toEqual(
    ['2026-02-10', '2026-02-11', '2026-02-12'].map((day) => ['ph', day]),
  );
  expect(Object.values(doc().monitors)).toMatchObject([
    { waterId: 'north-window', revokedAt: '2026-02-12T23:00:00.000Z' },
  ]);
  await give(table.replace('8.0', '9.0'));
  await waitFor(() => expect(says('Nothing new in it')).toBe(true));
  expect(says('One hour of it stands in the log with other values, and stays as it is.')).toBe(true);
});
test('a column is something else than was guessed', async () => {
  const { doc } = onScreen(<FilesScreen />, { doc: demo() });
  await give('date;water;first;second\n2026-04-03;North Window;5;8,1\n');
  await waitFor(() => expect(says('Not clear yet')).toBe(true));
  pick('first is', 'reading nitrate');
  await waitFor(() => expect(says('1 reading in 1 sitting')).toBe(true));
  pick('first is counted as', 'N');
  await flush();
  await waitFor(() => expect(screen.getByRole('button', { name: 'Take them into the log' })).toBeTruthy());
  await submit('Take them into the log');
  const added = Object.values(doc().samples).find((s) => s.at === '2026-04-03T12:00:00.000Z');
  // The kit prints NO3: 5 as N are 22.1.
  expect(added?.readings[0]?.value).toEqual({ kind: 'exact', value: expect.closeTo(22.13, 2) });
});
test('faults stand by their lines, and nothing can be taken', async () => {
  const { doc } = onScreen(<FilesScreen />, { doc: demo() });
  const before = doc();
  await give('date;water;nitrate\n2026-04-03;North Window;5\n2026-04-04;Attic;5\n');
  await waitFor(() => expect(says(/^1 fault: nothing is taken/)).toBe(true));
  expect(says('line 3: there is no water called "Attic"')).toBe(true);
  expect(screen.queryByRole('button', { name: 'Take them into the log' })).toBeNull();
  press('Leave everything as it is');
  expect(says(/^1 fault/)).toBe(false);
  expect(doc()).toEqual(before);
});
test('a file that is no table says so', async () => {
  onScreen(<FilesScreen />, { doc: demo() });
  await give('hello');
  await waitFor(() =>
    expect(says(/^log\.csv: the first line has one column only.*Nothing was changed/)).toBe(true),
  );
});
