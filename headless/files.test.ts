import { makeDemo } from '../demo';
import { emptyDocument, type Document } from '../core/document';
import { readDocument, writeDocument } from '../core/document/checks';
import { InputError } from './input';
import { exportCsv, Faulty, importCsv, merge } from './files';

const NOW = Date.UTC(2026, 5, 1, 18);
const demo = (): Document => makeDemo(NOW, (ms) => new Date(ms).toISOString().slice(0, 10));
const file = writeDocument(demo());

describe('merge', () => {
  test('a file with itself is itself, and nobody is asked', () =>
    expect(merge(file, file)).toEqual({ out: file, err: '' }));
  test('what both edited is a line that begins with its id, and the later edit stands', () => {
    const [id] = Object.keys(demo().samples) as [string];
    const noted = (note: string, editedAt: string) => {
      const doc = demo();
      doc.samples[id] = { ...doc.samples[id]!, note, editedAt };
      return writeDocument(doc);
    };
    const told = merge(
      noted('first', '2026-06-01T10:00:00.000Z'),
      noted('second', '2026-06-01T11:00:00.000Z'),
    );
    expect(told.err).toMatch(new RegExp(`^${id} \\(samples\\): edited in both, the later edit stands`));
    const read = readDocument(told.out);
    expect(read.status === 'ok' && read.document.samples[id]?.note).toBe('second');
  });
  test('a deletion is remembered by its tombstone', () => {
    const doc = demo();
    const [id] = Object.keys(doc.samples) as [string];
    delete doc.samples[id];
    doc.tombstones[`samples-${id}`] = {
      id: `samples-${id}`,
      collection: 'samples',
      of: id,
      revision: '',
      at: new Date(NOW).toISOString(),
    };
    const told = merge(file, writeDocument(doc));
    expect(told.err).toBe('');
    const read = readDocument(told.out);
    expect(read.status === 'ok' && read.document.samples[id]).toBeUndefined();
  });
  test('with a file that is none: which, and why, in a sentence', () => {
    expect(() => merge('{', file)).toThrow(InputError);
    expect(() => merge('{', file)).toThrow(/^the first file: /);
    expect(() =>
      merge(writeDocument(emptyDocument()), file.replace('"north-window"', '"elsewhere"')),
    ).toThrow(/^the second file: .*refers to waters/);
  });
});

describe('tables', () => {
  const csv = 'date,time,NO3,pH,note\n01/06/2026,20:15,5,8.1,"one\ntwo"\n13/06/2026,,<2,8.2,\n';
  const north = JSON.stringify({ water: 'north-window' });
  const samplesIn = (text: string) => {
    const read = readDocument(text);
    return read.status === 'ok' ? Object.values(read.document.samples) : [];
  };
  const faulty = (run: () => unknown): Faulty => {
    try {
      run();
    } catch (error) {
      return error as Faulty;
    }
    throw new Error('nothing was wrong');
  };
  test('into a document, in the zone that is named, with what was taken for granted', () => {
    const told = importCsv(csv, file, { mapping: north, zone: 'Europe/Berlin' });
    const added = samplesIn(told.out).filter((s) => s.id.startsWith('table-'));
    expect(added.map((s) => s.at).sort()).toEqual(['2026-06-01T18:15:00.000Z', '2026-06-13T10:00:00.000Z']);
    expect(told.err).toMatch(/^nitrate without a basis is taken as NO3, as "Nitrate drops" prints it\.$/m);
    // Once more, nothing comes.
    const again = importCsv(csv, told.out, { mapping: north, zone: 'Europe/Berlin' });
    expect(again.out).toBe(told.out);
    expect(again.err).toMatch(/4 readings stand in the log already/);
  });
  test('--dry says how it would be read, and changes nothing', () => {
    const { out, err } = importCsv(csv, file, { mapping: north, dry: true });
    expect(err).toBe('');
    expect(JSON.parse(out)).toMatchObject({
      separator: ',',
      dateOrder: 'dmy',
      zone: 'UTC',
      water: 'north-window',
      columns: { NO3: { as: 'reading', parameter: 'nitrate' }, note: { as: 'note' } },
      readings: 4,
      samples: 2,
      duplicates: 0,
    });
  });
  test('a device’s table is kept by the hour where the mapping says so, and asked for where it does not', () => {
    const rows = Array.from({ length: 72 }, (_, h) => `${new Date(NOW + h * 3_600_000).toISOString()},8.1`);
    const table = `time,pH\n${rows.join('\n')}\n`;
    const byHand = importCsv(table, file, { mapping: north });
    expect(byHand.err).toMatch(/^So many a day come from a device: with "device": true/m);
    expect(samplesIn(byHand.out)).toHaveLength(samplesIn(file).length + 72);
    const mapping = '{"water":"north-window","device":true}';
    expect(JSON.parse(importCsv(table, file, { mapping, dry: true }).out)).toMatchObject({
      readings: 0,
      samples: 0,
      ofDevice: 72,
      daysOfDevice: 4,
    });
    const told = importCsv(table, file, { mapping });
    expect(told.err).toBe('');
    const read = readDocument(told.out);
    expect(read.status === 'ok' && Object.keys(read.document.monitorDays)).toHaveLength(4);
    expect(samplesIn(told.out)).toEqual(samplesIn(file));
    const again = importCsv(table, told.out, { mapping });
    expect([again.out, again.err]).toEqual([
      told.out,
      '72 readings stand in the log already and were left out.\n',
    ]);
  });
  test('faults by the line a record begins on, twenty and how many more; nothing is printed', () => {
    const rows = Array.from({ length: 25 }, (_, i) => `${i + 1}.6.2026,20:15,lots,8.1,"a\nb"`);
    const told = faulty(() =>
      importCsv(`date,time,NO3,pH,note\n${rows.join('\n')}\n`, file, { mapping: north }),
    );
    expect(told).toBeInstanceOf(InputError);
    expect(told.out).toBe('');
    expect(told.lines).toHaveLength(21);
    expect(told.lines[0]).toBe('line 2: "NO3": "lots" is no reading');
    expect(told.lines[1]).toBe('line 4: "NO3": "lots" is no reading');
    expect(told.lines[20]).toBe('and 5 more');
  });
  test('what cannot be guessed is refused, naming the column; with --dry the preview is printed all the same', () => {
    const told = faulty(() =>
      importCsv('date,alkalinity\n03/04/2026,5\n', file, { mapping: north, dry: true }),
    );
    expect(told.lines).toMatchObject([
      expect.stringMatching(/^"date": .*"dateOrder"/),
      expect.stringMatching(/^"alkalinity": .*"unit"/),
    ]);
    expect(JSON.parse(told.out)).toMatchObject({ rows: 1, readings: 0, columns: { date: { as: 'day' } } });
  });
  test.each([
    ['a zone nobody knows', { zone: 'Europe/Atlantis' }, /--zone/],
    ['a mapping that is none', { mapping: '{"decimals":","}' }, /decimals/],
    ['a column the table has not', { mapping: '{"columns":{"KH":{"as":"note"}}}' }, /a column "KH"/],
    ['a water that is not there', { mapping: '{"water":"attic"}' }, /no water "attic"/],
  ])('%s is one sentence', (_, o, message) => {
    expect(() => importCsv(csv, file, o)).toThrow(InputError);
    expect(() => importCsv(csv, file, o)).toThrow(message);
  });
  test('out and in again is the same', () => {
    const doc = demo();
    const bare = writeDocument({ ...doc, samples: {} });
    const back = importCsv(exportCsv(file), bare, {});
    expect(samplesIn(back.out)).toEqual(samplesIn(file));
    expect(back.err).toBe('Not read: "mg_N_per_L", "kit_expired".\n');
  });
});
