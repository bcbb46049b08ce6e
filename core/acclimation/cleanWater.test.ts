import fc from 'fast-check';
import { cleanWaterDays } from '.';

test('by hand: from 30 to 35 in 60 L with water of 38: an eighth, a seventh ... a fourth', () => {
  const days = cleanWaterDays({ fromPpt: 30, toPpt: 35, litres: 60 });
  expect(days.map((d) => d.salinity)).toEqual([31, 32, 33, 34, 35]);
  expect(days.map((d) => d.litres)).toEqual([
    expect.closeTo(7.5, 9),
    expect.closeTo(60 / 7, 9),
    expect.closeTo(10, 9),
    expect.closeTo(12, 9),
    expect.closeTo(15, 9),
  ]);
  expect(days.map((d) => d.with)).toEqual([38, 38, 38, 38, 38]);
});
test('mixing what it says, day by day, ends at the tank, never by more than a part a day', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 15, max: 40, noNaN: true }),
      fc.double({ min: 15, max: 39, noNaN: true }),
      fc.double({ min: 1, max: 200, noNaN: true }),
      (fromPpt, toPpt, litres) => {
        let salinity = fromPpt;
        for (const d of cleanWaterDays({ fromPpt, toPpt, litres })) {
          const before = salinity;
          salinity += (d.litres / litres) * (d.with - salinity);
          expect(salinity).toBeCloseTo(d.salinity, 6);
          expect(Math.abs(salinity - before)).toBeLessThanOrEqual(1 + 1e-6);
          expect(d.litres).toBeGreaterThanOrEqual(0);
          expect(d.litres).toBeLessThan(litres);
        }
        expect(Math.abs(salinity - toPpt)).toBeLessThan(1e-6);
      },
    ),
    { seed: 11 },
  );
});
test.each([
  [{ fromPpt: 1, toPpt: 35, litres: 60 }, '"fromPpt"'],
  [{ fromPpt: 30, toPpt: 45, litres: 60 }, '"toPpt"'],
  [{ fromPpt: 30, toPpt: 35, litres: 0 }, '"litres"'],
])('%j is refused by name', (o, says) => expect(() => cleanWaterDays(o)).toThrow(says));
