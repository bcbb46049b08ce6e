import { METRIC } from '../units';
import { fitWords } from '../words/quarantine';
import type { Quarantine } from '../document';
import { fitOf } from './index';

test('the largest fish sets the least volume (by hand: 12 cm, 72 L), never under 40', () => {
  expect(fitOf({ largestCm: 12 }, 60).leastL).toBe(72);
  expect(fitOf({ largestCm: 3 }, 60).leastL).toBe(40);
  expect(fitOf({}, 60)).toEqual({ leastL: null, turnover: null });
});
test('the pump turns it over five to ten times an hour (by hand: 400 L/h through 60 L, 6.7)', () => {
  expect(fitOf({ pumpLPerHour: 400 }, 60).turnover).toMatchObject({
    perHour: expect.closeTo(6.67, 2),
    fits: true,
  });
  for (const [pumpLPerHour, fits] of [
    [299, false],
    [300, true],
    [600, true],
    [601, false],
  ] as const)
    expect(fitOf({ pumpLPerHour }, 60).turnover?.fits).toBe(fits);
});
test('both are said, and what is short is said with what it wants', () => {
  const q = { largestCm: 12, pumpLPerHour: 100 } as Quarantine;
  expect(fitWords(q, 60, METRIC)).toEqual([
    { fits: false, text: 'An animal of 12 cm wants 72 L at least; this holds 60 L.' },
    {
      fits: false,
      text: expect.stringMatching(/^The pump turns it over 1\.7 times an hour; 5 to 10 is usual/),
    },
  ]);
  expect(fitWords({} as Quarantine, 60, METRIC)).toEqual([]);
});
