/** A device's table: told from a person's by how often it reads, and kept by the hour. */
import fc from 'fast-check';
import { hoursFrom, type Document, type Kit } from '../document';
import { brokenReferences, parseEntity } from '../document/checks';
import { oneDisplay } from '../testing/display';
import { PRECISE_KITS } from '../testing/precise';
import { HOUR_MS } from '../time';
import { guess, readAsItComes, readTable, type Table, type TableRead } from '.';

const START = Date.parse('2026-03-01T00:00:00.000Z');
const THERMOMETER = PRECISE_KITS.find((k) => k.parameter === 'temperature') as Kit;
const home = (): Document => ({
  ...oneDisplay([THERMOMETER], 100),
  samples: {
    hand: {
      id: 'hand',
      waterId: 't',
      at: new Date(START + 10 * HOUR_MS).toISOString(),
      note: '',
      readings: [{ parameter: 'temperature', kitId: THERMOMETER.id, value: { kind: 'exact', value: 26 } }],
    },
  },
});

/** Rows of a time and some cells. */
type Row = readonly [ms: number, ...cells: (number | string)[]];
const tableOf = (header: string, rows: readonly Row[]): Table => ({
  separator: ',',
  header: ['when', ...header.split(',')],
  rows: rows.map(([ms, ...cells], i) => ({
    line: i + 2,
    cells: [new Date(ms).toISOString(), ...cells.map(String)],
  })),
});
const everyHours = (n: number, of: (h: number) => (number | string)[], stepMs = HOUR_MS): Row[] =>
  Array.from({ length: n }, (_, h): Row => [START + h * stepMs, ...of(h)]);
function read(table: Table, doc = home(), fromDevice?: boolean): TableRead {
  const g = guess(table, doc);
  expect(g.doubts).toEqual([]);
  return readAsItComes(table, g.mapping, doc, { zone: 'UTC', fromDevice });
}
const after = (doc: Document, r: TableRead): Document => ({
  ...doc,
  kits: { ...doc.kits, ...Object.fromEntries(r.kits.map((k) => [k.id, k])) },
  samples: { ...doc.samples, ...Object.fromEntries(r.samples.map((s) => [s.id, s])) },
  monitors: { ...doc.monitors, ...Object.fromEntries((r.device?.monitors ?? []).map((m) => [m.id, m])) },
  monitorDays: { ...doc.monitorDays, ...Object.fromEntries((r.device?.days ?? []).map((d) => [d.id, d])) },
});
const warm = (h: number): number => 25 + (h % 24) / 10;

describe('told from a person’s', () => {
  /** So many readings on each of so many days. */
  const daily = (days: number, each: number): Row[] =>
    Array.from({ length: days * each }, (_, i): Row => {
      const day = Math.floor(i / each);
      return [START + day * 24 * HOUR_MS + (i % each) * HOUR_MS + 60_000, 25];
    });
  test.each([
    [3, 12, true],
    [3, 11, false],
    [2, 24, false],
    [400, 4, false],
  ])('%i days with %i readings each: %s', (days, each, is) => {
    const r = read(tableOf('temperature C', daily(days, each)));
    expect([r.often, r.device !== null]).toEqual([is, is]);
  });
  test('what no device shows here is tested by hand, however often', () => {
    const r = read(
      tableOf(
        'nitrite mg/L',
        everyHours(100, () => [0.1]),
      ),
    );
    expect(r).toMatchObject({ often: false, device: null, readings: 100 });
  });
  test('the person says otherwise, either way', () => {
    const often = tableOf(
      'temperature C',
      everyHours(100, (h) => [warm(h)]),
    );
    // As tests by hand one of them meets the hand test of that minute.
    expect(read(often, home(), false)).toMatchObject({ device: null, readings: 99, often: true });
    const seldom = tableOf(
      'temperature C',
      everyHours(3, (h) => [warm(h)], 24 * HOUR_MS),
    );
    expect(read(seldom, home(), true)).toMatchObject({ readings: 0, device: { readings: 3 } });
  });
});

describe('kept by the hour', () => {
  test('each hour has its count, mean and span; a hand test of that minute stands beside it; no kit comes with it', () => {
    // Every quarter of an hour.
    const table = tableOf(
      'temperature C,pH',
      everyHours(24 * 4 * 3, (q) => [25 + (q % 4) / 10, 8.1], HOUR_MS / 4),
    );
    const doc = home();
    const r = read(table, doc);
    expect(r).toMatchObject({ faults: [], samples: [], kits: [], readings: 0, duplicates: 0 });
    expect(r.device).toMatchObject({ readings: 2 * 24 * 4 * 3, duplicates: 0, otherHours: 0 });
    const day = r.device?.days.find((d) => d.what === 'temperature' && d.day === '2026-03-02');
    const hours = hoursFrom(day?.hours ?? '');
    expect(hours).toHaveLength(24);
    for (const hour of hours)
      expect(hour).toEqual({ n: 4, mean: expect.closeTo(25.15, 5), low: 25, high: 25.3 });
    // It sends nothing itself.
    expect(r.device?.monitors).toMatchObject([
      { waterId: 't', pairedAt: '2026-03-01T00:00:00.000Z', revokedAt: '2026-03-03T23:45:00.000Z' },
    ]);
    const next = after(doc, r);
    expect(brokenReferences(next)).toEqual([]);
    for (const entity of Object.values(next.monitorDays))
      expect(parseEntity('monitorDays', entity)).toMatchObject({ ok: true });
    for (const entity of Object.values(next.monitors))
      expect(parseEntity('monitors', entity)).toMatchObject({ ok: true });
  });
  test('ammonia is kept as nitrogen, Fahrenheit as Celsius; what only hands test stays a test, with its kit', () => {
    const table = tableOf(
      'ammonia mg/L NH4,temperature F,nitrate mg/L',
      everyHours(72, (h) => [1.2878, 77, h === 5 ? 10 : '']),
    );
    const r = read(table);
    const hourOf = (what: string) => hoursFrom(r.device?.days.find((d) => d.what === what)?.hours ?? '')[0];
    // 18.039/14.007 = 1.2878.
    expect(hourOf('totalAmmonia')?.mean).toBeCloseTo(1, 4);
    expect(hourOf('temperature')?.mean).toBeCloseTo(25, 9);
    expect(r.samples).toMatchObject([
      { readings: [{ parameter: 'nitrate', value: { kind: 'exact', value: 10 } }] },
    ]);
    expect(r.kits.map((k) => k.parameter)).toEqual(['nitrate']);
  });
  test('a note, or less than a figure, is a test by hand', () => {
    const table = tableOf(
      'pH,ammonia mg/L,note',
      everyHours(72, (h) => [8.1, h === 1 ? '<0.05' : '', h === 2 ? 'probe cleaned' : '']),
    );
    const r = read(table);
    expect(r.device?.readings).toBe(71);
    expect(r.samples).toMatchObject([
      { readings: [{ parameter: 'ammonia', value: { kind: 'between', low: 0, high: 0.05 } }] },
      { note: 'probe cleaned', readings: [{ parameter: 'ph' }] },
    ]);
  });
  test('what the log itself gave out, doubted or of a sitting, comes back as tests by hand', () => {
    const table = tableOf(
      'parameter,value,doubted,sample',
      everyHours(72, (h) => ['pH', 8.1, h === 1 ? 'yes' : '', h === 2 ? 'evening' : '']),
    );
    const r = read(table);
    expect(r.device?.readings).toBe(70);
    expect(r.samples.map((s) => s.readings[0]?.doubted ?? s.id)).toEqual([true, 'evening']);
  });
  test('two values of one moment both count', () => {
    const table = tableOf('pH', [[START, 8], [START, 8.2], ...everyHours(72, () => [8.1]).slice(1)]);
    const [hour] = hoursFrom(read(table).device?.days[0]?.hours ?? '');
    expect(hour).toEqual({ n: 2, mean: expect.closeTo(8.1, 9), low: 8, high: 8.2 });
  });
  test('what cannot be is a fault by line, what is rare is asked', () => {
    const table = tableOf(
      'pH',
      everyHours(72, (h) => [h === 3 ? 88 : h === 4 ? 9.4 : 8.1]),
    );
    const r = read(table);
    expect(r.faults).toMatchObject([{ line: 5, message: expect.stringMatching(/cannot be/) }]);
    expect(r.questioned).toMatchObject([{ line: 6, message: expect.stringMatching(/9.4 is rare/) }]);
  });
});

describe('again, and further', () => {
  const rows = everyHours(24 * 5 * 2, (q) => [warm(q)], HOUR_MS / 2);
  test('the same table changes nothing', () => {
    const table = tableOf('temperature C', rows);
    const doc = after(home(), read(table));
    expect(read(table, doc)).toMatchObject({
      readings: 0,
      duplicates: rows.length,
      device: { readings: 0, days: [], monitors: [], otherHours: 0 },
    });
    // A row that stands twice in it counts once.
    const twice = read(
      tableOf(
        'temperature C',
        rows.flatMap((r) => [r, r]),
      ),
    );
    expect(twice.device?.days).toEqual(read(table).device?.days);
    expect(twice.duplicates).toBe(rows.length);
  });
  test('cut anywhere, also within an hour, the rest with the hour begun is the whole, in either order', () => {
    const whole = after(home(), read(tableOf('temperature C', rows), home(), true));
    fc.assert(
      fc.property(fc.integer({ min: 1, max: rows.length - 1 }), fc.boolean(), (cut, swapped) => {
        const begun = cut - (cut % 2);
        const parts = [rows.slice(0, cut), rows.slice(begun)];
        let doc = home();
        for (const part of swapped ? parts.reverse() : parts)
          doc = after(doc, read(tableOf('temperature C', part), doc, true));
        expect(doc.monitorDays).toEqual(whole.monitorDays);
        expect(doc.monitors).toEqual(whole.monitors);
      }),
      { seed: 5, numRuns: 60 },
    );
  });
  test('an hour that was begun counts what is new in it', () => {
    const doc = after(home(), read(tableOf('temperature C', rows.slice(0, 101)), home(), true));
    const r = read(tableOf('temperature C', rows.slice(100, 160)), doc, true);
    // Of hour 50 the log has one of two.
    expect(r.device).toMatchObject({ readings: 59, duplicates: 1, otherHours: 0 });
    // An hour of which the table has less is no other hour.
    const less = read(tableOf('temperature C', rows.slice(101, 102)), after(doc, r), true);
    expect(less.device).toMatchObject({ readings: 0, duplicates: 1, otherHours: 0 });
  });
  test('an hour that stands with other values stays, and is counted', () => {
    const doc = after(home(), read(tableOf('temperature C', rows)));
    const other = rows.map(([ms, t], i): Row => [ms, i === 7 ? 30 : (t as number)]);
    const r = read(tableOf('temperature C', other), doc);
    expect(r.device).toMatchObject({ days: [], otherHours: 1 });
  });
  test('another table of columns is another device', () => {
    const one = read(tableOf('temperature C', rows)).device?.monitors[0]?.id;
    const other = read(
      tableOf(
        'temperature C,pH',
        rows.map(([ms, t]): Row => [ms, t as number, 8]),
      ),
    ).device;
    expect(other?.monitors.map((m) => m.id)).not.toContain(one);
  });
});

test('without a word readTable takes all of it as tests by hand', () => {
  const table = tableOf(
    'pH',
    everyHours(72, () => [8.1]),
  );
  const doc = home();
  expect(readTable(table, guess(table, doc).mapping, doc, { zone: 'UTC' })).toMatchObject({
    device: null,
    readings: 72,
    often: true,
  });
});
