/** Tables of readings: what can be guessed and what is asked, cell by cell, and there and back again. */
import fc from 'fast-check';
import { emptyDocument, LIMITS, type Document, type Kit, type Reading, type Water } from '../document';
import { readingRows, COLUMNS, guess, readTable, type Table, type Told } from '.';
import { momentOf, orderShown } from './dates';
import { decimalShown, figuresOf, numberIn, valueIn, valueText } from './numbers';
import { unitOf } from './units';
import { documents } from '../testing/arbitraries';

const water = (id: string, name: string): Water =>
  ({
    id,
    name,
    startDay: '2026-01-01',
    kind: 'display',
    size: { kind: 'volume', volumeL: 100 },
    sumpL: 0,
    rockKg: 0,
    sandKg: 0,
    hasLid: true,
    ammoniaSource: 'bottled',
    bacteriaSources: ['bottle'],
    school: 'proof24',
  }) as Water;
const kit = (id: string, parameter: Kit['parameter'], basis: Kit['basis'] = null): Kit => ({
  id,
  name: id,
  parameter,
  scale: { kind: 'number', resolution: 0.1 },
  basis,
  salinityUnit: null,
  expires: null,
  waitMinutes: null,
  archived: false,
});
const docOf = (...kits: Kit[]): Document => ({
  ...emptyDocument(),
  waters: { reef: water('reef', 'Shelf Reef') },
  kits: Object.fromEntries(kits.map((k) => [k.id, k])),
});
const table = (header: string, ...lines: string[]): Table => ({
  separator: ';',
  header: header.split(';'),
  rows: lines.map((l, i) => ({ line: i + 2, cells: l.split(';') })),
});
const asked = (t: Table, told: Told = {}, doc = docOf()) => guess(t, doc, told).doubts.map((d) => d.message);
function read(t: Table, doc = docOf(), told: Told = {}, zone = 'UTC') {
  const g = guess(t, doc, told);
  expect(g.doubts).toEqual([]);
  return readTable(t, g.mapping, doc, { zone });
}
const readings = (t: Table, doc = docOf(), told: Told = {}) =>
  read(t, doc, told).samples.flatMap((s) => s.readings.map((r) => [r.parameter, r.value]));

describe('cells', () => {
  test.each([
    ['7,5', ',', 7.5],
    ['7.5', '.', 7.5],
    ['1.350,5', ',', 1350.5],
    ['1,350', '.', 1350],
    ['1,35', '.', null],
    ['-200', '.', -200],
    ['12mg', '.', null],
    ['', '.', null],
  ] as const)('%s with "%s" is %s', (text, decimal, number) => expect(numberIn(text, decimal)).toBe(number));
  test.each([
    [['0,05', '10'], ','],
    [['0.05', '1,350'], '.'],
    [['1,350'], null],
    [['0,5', '0.5'], 'both'],
    [['5', '10'], null],
    [['1.350,0'], ','],
  ] as const)('%j shows %s', (cells, decimal) => expect(decimalShown(cells)).toBe(decimal));
  test.each([
    ['<0.05', { kind: 'between', low: 0, high: 0.05 }],
    ['≤ 0.05', { kind: 'between', low: 0, high: 0.05 }],
    ['>4', { kind: 'over', low: 4 }],
    ['0.25-0.5', { kind: 'between', low: 0.25, high: 0.5 }],
    ['0.25..0.5', { kind: 'between', low: 0.25, high: 0.5 }],
    ['5 & 5.5 & 6', { kind: 'repeats', values: [5, 5.5, 6] }],
    ['-1.5', { kind: 'exact', value: -1.5 }],
    ['0.5-0.25', null],
    ['trace', null],
    ['<', null],
  ])('%s', (text, value) => expect(valueIn(text, '.')).toEqual(value));
  test('whatever a reading holds is read back from its cell', () => {
    const x = fc.double({ min: 0, max: 5000, noNaN: true });
    const value = fc.oneof(
      x.map((v) => ({ kind: 'exact' as const, value: v })),
      x.map((v) => ({ kind: 'over' as const, low: v })),
      fc
        .tuple(x, x)
        .filter(([a, b]) => a !== b)
        .map(([a, b]) => ({ kind: 'between' as const, low: Math.min(a, b), high: Math.max(a, b) })),
      fc.array(x, { minLength: 2, maxLength: 5 }).map((values) => ({ kind: 'repeats' as const, values })),
    );
    fc.assert(
      fc.property(
        value.filter((v) => !JSON.stringify(v).includes('e-')),
        (v) => expect(valueIn(valueText(v), '.')).toEqual(v),
      ),
      { seed: 3 },
    );
  });
  // 1 meq/L is 2.8 dKH; 100 mg/L CaCO3 is 2 meq/L of 50.04; SG 1.0264 at 25/25 is near 35.
  test.each([
    ['alkalinity', 'meq/L', 3, 8.4],
    ['alkalinity', 'mg/L CaCO3', 150.12, 8.4],
    ['alkalinity', 'dKH', 8.4, 8.4],
    ['temperature', '°F', 77, 25],
    ['temperature', 'Celsius', 25, 25],
    ['salinity', 'SG', 1.0264, 35],
    ['salinity', 'mS/cm', 53.06, 35],
    ['salinity', 'ppt', 35, 35],
    ['phosphate', 'ppb P', 10, 0.0307],
    ['nitrate', 'µg/L', 500, 0.5],
  ] as const)('%s in %s', (parameter, unit, x, stored) =>
    expect(unitOf(parameter, unit)!.toStored(x)).toBeCloseTo(stored, 1),
  );
  test.each([
    ['nitrate', 'NO3-N', 'N'],
    ['nitrate', 'mg/L as N', 'N'],
    ['nitrate', 'nitrate-N', 'N'],
    ['ammonia', 'ppm NH4-N', 'N'],
    ['nitrate', 'mg/L NO3', 'ion'],
    ['ammonia', 'ppm NH3', 'NH3'],
    ['ammonia', 'TAN', 'N'],
    ['nitrate', 'mg/L', null],
  ] as const)('%s in %s is counted as %s', (parameter, unit, basis) =>
    expect(unitOf(parameter, unit)?.basis).toBe(basis),
  );
  test('a unit of another parameter is none', () => {
    expect(unitOf('temperature', 'ppm')).toBeNull();
    expect(unitOf('nitrate', 'dKH')).toBeNull();
  });
});

describe('days and times', () => {
  test.each([
    ['2026-06-01T20:15:30.250Z', null, '2026-06-01T20:15:30.250Z'],
    ['2026-06-01T20:15+02:00', null, '2026-06-01T18:15:00.000Z'],
    ['2026-06-01 20:15', null, '2026-06-01T20:15:00.000Z'],
    ['01.06.2026 20.15', null, '2026-06-01T20:15:00.000Z'],
    ['1/6/26 8:15 pm', 'dmy', '2026-06-01T20:15:00.000Z'],
    ['6/1/2026', 'mdy', '2026-06-01T12:00:00.000Z'],
    ['1 June 2026', null, '2026-06-01T12:00:00.000Z'],
    ['Jun 1, 2026 12:05 am', null, '2026-06-01T00:05:00.000Z'],
    ['29/02/2028', 'dmy', '2028-02-29T12:00:00.000Z'],
  ] as const)('%s', (cell, order, at) =>
    expect(momentOf(cell, null, order, 'UTC')).toEqual({ ok: true, at }),
  );
  test.each(['29/02/2026', '31.04.2026', 'yesterday', '2026-06-01 25:00', '2026-06-01 8 pm'])(
    '%s is said to be none',
    (cell) => expect(momentOf(cell, null, 'dmy', 'UTC').ok).toBe(false),
  );
  test('a day by itself is noon where the person is', () =>
    expect(momentOf('2026-07-01', null, null, 'Europe/Berlin')).toEqual({
      ok: true,
      at: '2026-07-01T10:00:00.000Z',
    }));
  test('which comes first is told by figures over twelve, and by points', () => {
    expect(orderShown(['03/04/2026', '13/04/2026'])).toBe('dmy');
    expect(orderShown(['03/04/2026', '04/13/2026'])).toBe('mdy');
    expect(orderShown(['03.04.2026'])).toBe('dmy');
    expect(orderShown(['03/04/2026'])).toBeNull();
    expect(orderShown(['13/04/2026', '04/13/2026'])).toBe('both');
  });
});

describe('what cannot be guessed is asked, with the column', () => {
  test.each([
    [
      'day or month first',
      'date;nitrate',
      '03/04/2026;5',
      /^"date": 03\/04\/2026 may have the day or the month first: .*"dateOrder"/,
    ],
    ['dates of both kinds', 'date;nitrate', '13/04/2026;5|04/13/2026;5', /^"date": some dates/],
    ['a unit', 'date;alkalinity', '2026-04-03;5', /^"alkalinity": the unit .* one of dKH, meq\/L/],
    ['a temperature', 'date;temp', '2026-04-03;50', /^"temp": the unit of temperature/],
    ['two alike', 'date;nitrate;NO3', '2026-04-03;5;5', /^"nitrate" and "NO3" both look like nitrate/],
    [
      'point or comma',
      'date;magnesium',
      '2026-04-03;1,350',
      /^"magnesium": 1,350 may be a fraction or thousands/,
    ],
    ['both of them', 'date;nitrate', '2026-04-03;0,5|2026-04-04;0.5', /decimal point and some a comma/],
    ['a unit that is none', 'date;nitrate (dKH)', '2026-04-03;5', /nitrate is not measured in "dKH"/],
    ['no date', 'water;nitrate', 'reef;5', /^no column holds the date/],
    ['no reading', 'date;water', '2026-04-03;reef', /^no column holds readings/],
  ])('%s', (_, header, lines, message) => {
    const doubts = asked(table(header, ...lines.split('|')));
    expect(doubts).toHaveLength(1);
    expect(doubts[0]).toMatch(message);
  });
  test('of several waters which, and what the person says ends every doubt', () => {
    const doc = docOf();
    doc.waters.cube = water('cube', 'Cube');
    const t = table('date;alkalinity', '03/04/2026;5');
    expect(asked(t, {}, doc)).toHaveLength(3);
    const told: Told = {
      dateOrder: 'mdy',
      waterId: 'cube',
      columns: { alkalinity: { as: 'reading', parameter: 'alkalinity', unit: 'meq/L' } },
    };
    const [sample] = read(t, doc, told).samples;
    expect(sample).toMatchObject({ waterId: 'cube', at: '2026-03-04T12:00:00.000Z' });
    expect(sample?.readings[0]?.value).toEqual({ kind: 'exact', value: 14 });
  });
});

describe('names with their units', () => {
  const columnOf = (name: string) =>
    guess(table(`date;${name};x`, '2026-01-01;9;9'), docOf()).mapping.columns[1];
  test.each([
    ['NO3-N (mg/L)', { parameter: 'nitrate', unit: 'mg/L', basis: 'N' }],
    ['Nitrate-N [ppm]', { parameter: 'nitrate', unit: 'ppm', basis: 'N' }],
    ['nitrate (as N)', { parameter: 'nitrate', unit: 'as N', basis: 'N' }],
    ['Ammonia (NH3)', { parameter: 'ammonia' }],
    ['Ammonia (NH3/NH4)', { parameter: 'ammonia' }],
    ['NH3/NH4+ mg/L', { parameter: 'ammonia', unit: 'mg/l' }],
    ['Total ammonia [NH3 + NH4]', { parameter: 'ammonia' }],
    ['nitrite ppm NH3', { parameter: 'nitrite', unit: 'ppm nh3', basis: 'NH3' }],
    ['ammonia mg/L NH4', { parameter: 'ammonia', unit: 'mg/l nh4', basis: 'ion' }],
    ['PO4-P (ppb)', { parameter: 'phosphate', unit: 'ppb p' }],
    ['Phosphate ppb', { parameter: 'phosphate', unit: 'ppb' }],
    ['Alk meq/L', { parameter: 'alkalinity', unit: 'meq/l' }],
    ['Alkalinity (ppm CaCO3)', { parameter: 'alkalinity', unit: 'ppm CaCO3' }],
    ['Temperature °F', { parameter: 'temperature', unit: '°f' }],
    ['Water temp (C)', { parameter: 'temperature', unit: 'C' }],
    ['Ca', { parameter: 'calcium' }],
    ['Mg (mg/L)', { parameter: 'magnesium', unit: 'mg/L' }],
    ['pH', { parameter: 'ph' }],
    ['Karbonathärte (°dKH)', { parameter: 'alkalinity', unit: '°dKH' }],
    ['Salinité (ppt)', { parameter: 'salinity', unit: 'ppt' }],
  ])('%s', (name, column) => expect(columnOf(name)).toEqual({ as: 'reading', ...column }));
});

describe('one reading a row, without units', () => {
  const long = (...rows: [what: string, value: string, unit?: string][]) =>
    table('date;test;result;unit', ...rows.map(([what, v, u = '']) => `2026-06-01;${what};${v};${u}`));
  test('each is told by all its own figures, and that is said', () => {
    const t = long(
      ['Temp', '77'],
      ['Specific gravity', '1.0255'],
      ['KH', '8.3'],
      ['PO4', '40'],
      ['pH', '8.1'],
    );
    expect(readings(t)).toEqual([
      ['temperature', { kind: 'exact', value: expect.closeTo(25, 3) }],
      ['salinity', { kind: 'exact', value: expect.closeTo(34, 0) }],
      ['alkalinity', { kind: 'exact', value: 8.3 }],
      ['phosphate', { kind: 'exact', value: 0.04 }],
      ['ph', { kind: 'exact', value: 8.1 }],
    ]);
    expect(guess(t, docOf()).assumed).toEqual([
      'temperature without a unit: taken as F, by its figures.',
      'salinity without a unit: taken as SG 25/25, by its figures; without temperatures it is 25/25.',
      'alkalinity without a unit: taken as dKH, by its figures.',
      'phosphate without a unit: taken as ppb, by its figures.',
    ]);
  });
  test('what two units would fit is a fault by line; a row that names its unit has it', () => {
    const result = read(
      long(['alkalinity', '4.8'], ['alkalinity', '3', 'meq/L'], ['Temp', '25'], ['Temp', '77']),
    );
    expect(result.faults.map((f) => [f.line, f.message])).toEqual([
      [2, 'alkalinity needs its unit, which its figures do not tell: a column of units must say it'],
      [4, 'temperature needs its unit, which its figures do not tell: a column of units must say it'],
      [5, 'temperature needs its unit, which its figures do not tell: a column of units must say it'],
    ]);
    // Only rows without a unit are looked at for one; 77 F is the same once more.
    expect(readings(long(['Temp', '25'], ['Temp', '77', 'F']))).toEqual([
      ['temperature', { kind: 'exact', value: 25 }],
    ]);
  });
});

describe('tables as people keep them', () => {
  test('any order of columns, a comma for the decimal, time apart, several waters by name', () => {
    const doc = docOf(kit('no3', 'nitrate', 'ion'));
    doc.waters.cube = water('cube', 'Cube');
    const t = table(
      'Note;Tank;NO3 (mg/l);Time;Temp °F;Date',
      'first;Shelf Reef;5,5;20:15;77,0;1.6.2026',
      ';cube;<2,5;;;2.6.2026',
    );
    const { samples, faults } = read(t, doc);
    expect(faults).toEqual([]);
    expect(samples).toMatchObject([
      {
        waterId: 'reef',
        at: '2026-06-01T20:15:00.000Z',
        note: 'first',
        readings: [
          { parameter: 'nitrate', kitId: 'no3', value: { kind: 'exact', value: 5.5 } },
          { parameter: 'temperature', value: { kind: 'exact', value: 25 } },
        ],
      },
      {
        waterId: 'cube',
        at: '2026-06-02T12:00:00.000Z',
        readings: [{ value: { kind: 'between', low: 0, high: 2.5 } }],
      },
    ]);
  });
  test('one reading a row, each with its unit', () => {
    const t = table(
      'timestamp;parameter;value;unit',
      '2026-06-01T20:00Z;Alkalinity;3;meq/L',
      '2026-06-01T20:00Z;Salinity;1.0264;SG',
      '2026-06-01T20:00Z;pH;8.1;',
    );
    const result = read(t);
    expect(result.samples).toHaveLength(1);
    expect(result.samples[0]?.readings[0]?.value).toEqual({ kind: 'exact', value: 8.4 });
    expect(result.assumed).toContain('A specific gravity without its temperatures is taken as 25/25.');
  });
  test('what a kit prints as N is not what a table counts as the ion: 4.43 to one', () => {
    const doc = docOf(kit('photometer', 'nitrate', 'N'));
    expect(readings(table('date;nitrate mg/L NO3', '2026-06-01;44.27'), doc)).toEqual([
      ['nitrate', { kind: 'exact', value: expect.closeTo(10, 2) }],
    ]);
    // Without a basis it is as the person's kit prints it.
    const t = table('date;NO3', '2026-06-01;10');
    expect(readings(t, doc)).toEqual([['nitrate', { kind: 'exact', value: 10 }]]);
    expect(read(t, doc).assumed).toEqual([
      'nitrate without a basis is taken as N, as "photometer" prints it.',
    ]);
    expect(read(t).assumed).toEqual(['nitrate without a basis is taken as NO3, as most kits print it.']);
  });
  test('free ammonia as N is not what a kit prints as NH3: 1.216 to one, either way', () => {
    const doc = docOf(kit('badge', 'freeAmmonia', 'NH3'), kit('probe', 'freeAmmonia', 'N'));
    const line = (value: string, basis: string, by: string) =>
      table('date;parameter;value;unit;basis;kit id', `2026-06-01;free ammonia;${value};mg/L;${basis};${by}`);
    const NH3_PER_N = 17.031 / 14.007;
    const of = (t: Table) => readings(t, doc)[0]?.[1];
    expect(of(line('0.05', 'N', 'badge'))).toEqual({
      kind: 'exact',
      value: expect.closeTo(0.05 * NH3_PER_N, 5),
    });
    expect(of(line('0.05', 'NH3', 'probe'))).toEqual({
      kind: 'exact',
      value: expect.closeTo(0.05 / NH3_PER_N, 5),
    });
    expect(of(line('0.05', 'NH3', 'badge'))).toEqual({ kind: 'exact', value: 0.05 });
    expect(read(table('date;free ammonia mg/L', '2026-06-01;0.01')).assumed).toEqual([
      'free ammonia without a basis is taken as NH3, as most kits print it.',
    ]);
  });
  test('nitrite is never counted as NH3', () => {
    const t = table('date;parameter;value;unit;basis', '2026-06-01;nitrite;0.5;mg/L;NH3');
    expect(read(t).faults).toEqual([{ line: 2, message: 'nitrite is not counted as NH3' }]);
  });
  test('the same again is left out; another value of that minute is a fault', () => {
    const doc = docOf();
    const t = table('date;nitrate', '2026-06-01;5');
    const first = read(t, doc);
    const after: Document = {
      ...doc,
      kits: Object.fromEntries(first.kits.map((k) => [k.id, k])),
      samples: Object.fromEntries(first.samples.map((s) => [s.id, s])),
    };
    expect(read(t, after)).toMatchObject({ samples: [], duplicates: 1, faults: [] });
    expect(read(table('date;nitrate', '2026-06-01;10'), after).faults).toMatchObject([
      { line: 2, message: expect.stringMatching(/stands already with another value/) },
    ]);
    expect(read(table('date;nitrate', '2026-06-01;5', '2026-06-01;5'), doc)).toMatchObject({
      readings: 1,
      duplicates: 1,
    });
  });
  test('faults bear their lines: dates, figures, waters, fields, values that cannot be', () => {
    const doc = docOf();
    doc.waters.cube = water('cube', 'Cube');
    const { faults } = read(
      table(
        'date;water;nitrate;pH',
        '2026-06-01;cube;5;8.1',
        '2026-13-01;cube;5;8.1',
        '2026-06-02;attic;5;8.1',
        '2026-06-03;cube;lots;8.1',
        '2026-06-04;cube;5;81',
        '2026-06-05;cube;5',
        '2026-06-06;cube;;',
      ),
      doc,
    );
    expect(faults.map((f) => f.line)).toEqual([3, 4, 5, 6, 7]);
    expect(faults.map((f) => f.message).join('\n')).toMatch(
      /no day of the calendar\nthere is no water called "attic"\n"nitrate": "lots" is no reading\n"pH": pH of 81 cannot be: .*\nhas 3 fields, the header has 4/,
    );
  });
  test('what can be and is rare is questioned, not refused', () => {
    const result = read(table('date;pH', '2026-06-01;9.5'));
    expect(result.faults).toEqual([]);
    expect(result.questioned).toMatchObject([{ line: 2, message: expect.stringMatching(/^pH 9.5 is rare/) }]);
  });
});

test('what is written as a table is read back as it was: values, kits, notes, doubts, repeats, corrections', () => {
  // What no form would take, no table brings either.
  const can = ({ parameter, value }: Reading): boolean => {
    const [low, high] = LIMITS[parameter].possible;
    return figuresOf(value).every((x) => x >= low && x <= high);
  };
  const own = documents.map((doc): Document => {
    const samples = Object.values(doc.samples)
      .map((s) => ({ ...s, readings: s.readings.filter(can) }))
      .filter((s) => s.readings.length > 0);
    return { ...doc, samples: Object.fromEntries(samples.map((s) => [s.id, s])) };
  });
  fc.assert(
    fc.property(own, (doc) => {
      const rows = [...readingRows(doc)].map((cells, i) => ({ line: i + 2, cells }));
      if (rows.length === 0) return;
      const t: Table = { separator: ',', header: [...COLUMNS], rows };
      const bare: Document = { ...doc, samples: {} };
      const g = guess(t, bare);
      expect(g.doubts).toEqual([]);
      const back = readTable(t, g.mapping, bare, { zone: 'UTC' });
      expect(back.faults).toEqual([]);
      expect(back.duplicates).toBe(0);
      const was = Object.fromEntries(Object.values(doc.samples).map((s) => [s.id, s]));
      expect(Object.fromEntries(back.samples.map((s) => [s.id, s]))).toEqual(was);
      // And read into the document it came from, it changes nothing.
      const again = readTable(t, guess(t, doc).mapping, doc, { zone: 'UTC' });
      expect(again).toMatchObject({ samples: [], faults: [] });
    }),
    { numRuns: 150, seed: 20261127 },
  );
});
