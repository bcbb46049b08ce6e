/** Tables as text: lines, marks, quotes, formulas. */
import { makeDemo } from '../demo';
import { readingsCsv, TableError, tableIn } from './csv';

test.each([
  ['commas', 'a,b,c\n1,2,3\n4,5,6', ','],
  ['semicolons with decimal commas', 'a;b;c\n1,5;2,5;3\n4;5,25;6', ';'],
  ['tabs', 'a\tb, or so\n1\t2, 3\n4\t5', '\t'],
  ['bars', 'a|b\n1|2', '|'],
])('the separator is found: %s', (_, text, separator) => expect(tableIn(text).separator).toBe(separator));

test('each row bears the line it begins on, over quoted line breaks, blank lines and all three ends of line', () => {
  const lines = (text: string) => tableIn(text).rows.map((r) => r.line);
  expect(lines('a,b\r\n1,"x\r\ny\r\nz"\r\n\r\n2,3\r\n4,5')).toEqual([2, 6, 7]);
  expect(lines('a,b\n"1\n1",2\n3,4')).toEqual([2, 4]);
  expect(lines('a,b\r1,2\r3,4')).toEqual([2, 3]);
});
test('a mark at the beginning of the file is no part of the first name', () =>
  expect(tableIn('\uFEFFdate,nitrate\n2026-01-01,5').header).toEqual(['date', 'nitrate']));
test.each([
  ['nothing', '', /is empty/],
  ['one column', 'date\n2026-01-01', /one column only/],
  ['no text', 'a,b\n\0\0,2', /is no text/],
  ['an open quotation mark', 'a,b\n1,2\n3,"4\n5,6', /^line 3: a quotation mark/],
])('%s is said', (_, text, message) => {
  expect(() => tableIn(text)).toThrow(TableError);
  expect(() => tableIn(text)).toThrow(message);
});

describe('readings as a table', () => {
  const NOW = Date.UTC(2026, 5, 1, 18);
  const doc = makeDemo(NOW, (ms) => new Date(ms).toISOString().slice(0, 10));
  const [sample] = Object.values(doc.samples);
  const written = (note: string) =>
    tableIn(readingsCsv({ ...doc, samples: { [sample!.id]: { ...sample!, note } } }));
  test('one row a reading, lines ended as RFC 4180 has it', () => {
    const text = readingsCsv(doc);
    const readings = Object.values(doc.samples).reduce((n, s) => n + s.readings.length, 0);
    expect(tableIn(text).rows).toHaveLength(readings);
    expect(text.endsWith('\r\n')).toBe(true);
    expect(text.split('\r\n')[0]).toContain('mg_N_per_L');
  });
  test.each(['=1+1', '+1', '-1', '@SUM(A1)', "'=1", '\t=1'])('%j is no formula in it', (note) => {
    const at = written(note).header.indexOf('note');
    for (const row of written(note).rows) expect(row.cells[at]).toBe(`'${note}`);
  });
  test('commas, quotation marks and line breaks stay what they are', () => {
    const note = 'a, "b"\r\nc\nd';
    const at = written(note).header.indexOf('note');
    expect(written(note).rows[0]?.cells[at]).toBe(note);
  });
});
