import fc from 'fast-check';
import {
  formatDecimal,
  fromMgNPerL,
  fromUnit,
  parseDecimal,
  readEntry,
  SALINITY_UNITS,
  toMgNPerL,
  toUnit,
} from './index';

describe('numbers as typed', () => {
  test.each([
    ['7.5', 7.5],
    ['7,5', 7.5],
    [' 0,25 ', 0.25],
    ['.5', 0.5],
    ['-3', -3],
    ['−3', -3],
    ['12', 12],
  ])('%p reads %d', (text, value) => {
    expect(parseDecimal(text)).toEqual({ ok: true, value });
  });
  test.each([
    ['', 'empty'],
    ['  ', 'empty'],
    ['1,234.5', 'two-separators'],
    ['12mg', 'not-a-number'],
    ['1e3', 'not-a-number'],
    ['NaN', 'not-a-number'],
    ['Infinity', 'not-a-number'],
    ['9'.repeat(50), 'too-long'],
  ])('%p is refused: %s', (text, why) => {
    expect(parseDecimal(text)).toEqual({ ok: false, why });
  });
  test('what is shown reads back', () => {
    fc.assert(
      fc.property(fc.double({ min: -1e6, max: 1e6, noNaN: true }), (x) => {
        const read = parseDecimal(formatDecimal(x, 3));
        expect(read.ok && Math.abs(read.value - x) <= 0.0005 + 1e-9).toBe(true);
      }),
      { seed: 21 },
    );
  });
});

describe('nitrogen bases', () => {
  test.each([
    ['ammonia', 'ion', 1.2878],
    ['ammonia', 'NH3', 1.2159],
    ['nitrite', 'ion', 3.2844],
    ['nitrate', 'ion', 4.4266],
    ['nitrate', 'N', 1],
  ] as const)('1 mg N of %s as %s is %d mg', (s, b, x) => {
    expect(fromMgNPerL(s, b, 1)).toBeCloseTo(x, 4);
  });
  test('the factors follow from molar masses', () => {
    expect(fromMgNPerL('nitrite', 'ion', 1)).toBeCloseTo((14.007 + 2 * 15.999) / 14.007, 3);
    expect(fromMgNPerL('nitrate', 'ion', 1)).toBeCloseTo((14.007 + 3 * 15.999) / 14.007, 3);
  });
  test('there and back', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 100, noNaN: true }), (x) => {
        expect(toMgNPerL('nitrate', 'ion', fromMgNPerL('nitrate', 'ion', x))).toBeCloseTo(x, 9);
      }),
      { seed: 22 },
    );
  });
  test('NH3 is no basis for nitrite', () => expect(() => toMgNPerL('nitrite', 'NH3', 1)).toThrow(RangeError));
});

describe('units of the person', () => {
  test.each([
    ['gal', 3.785411784, 1],
    ['F', 25, 77],
    ['in', 2.54, 1],
    ['lb', 453.59237, 1],
    ['sg2525', 35, 1.02637],
    ['mScm', 35, 53.065],
  ])('%s', (unit, stored, shown) => {
    expect(toUnit(unit, stored)).toBeCloseTo(shown, 3);
  });
  test('every salinity scale gives the same water back', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 3, max: 41, noNaN: true }),
        fc.constantFrom(...SALINITY_UNITS),
        (s, unit) => {
          expect(fromUnit(unit, toUnit(unit, s))).toBeCloseTo(s, 5);
        },
      ),
      { seed: 23 },
    );
  });
});

describe('entries', () => {
  const rule = { name: 'Salinity', unit: 'ppt', min: 2, max: 42, hint: 'Check the unit.' };
  test('out of limits says the limits, the value and what to do', () => {
    expect(readEntry('350', rule)).toEqual({
      ok: false,
      message: 'Salinity must be between 2 and 42 ppt, not 350. Check the unit.',
    });
  });
  test('off the scale of the unit is a sentence, not a crash', () => {
    const read = readEntry('35', { ...rule, unit: 'sg2525' });
    expect(read).toEqual({
      ok: false,
      message: 'Salinity of 35 is off the scale of SG 25/25. Check the unit.',
    });
  });
  test('empty is a fault unless a value stands for it', () => {
    expect(readEntry('', rule)).toEqual({ ok: false, message: 'Salinity is missing: enter a number.' });
    expect(readEntry(' ', { ...rule, whenEmpty: 35 })).toEqual({ ok: true, value: 35 });
  });
});
