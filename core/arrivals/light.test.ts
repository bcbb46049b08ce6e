import fc from 'fast-check';
import { dailyLight, lightSteps } from './light';

test('150 umol for nine hours are 4.86 mol a day (science notes 8)', () =>
  expect(dailyLight(150, 9)).toBeCloseTo(4.86, 9));
test('equal ratios, each at most 1.2-fold, a week apart, from first to last', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 20, max: 400, noNaN: true }),
      fc.double({ min: 20, max: 600, noNaN: true }),
      (fromPar, toPar) => {
        const steps = lightSteps({ fromPar, toPar, hours: 9 });
        const ratios = steps.slice(1).map((s, i) => s.dli / steps[i]!.dli);
        for (const r of ratios) {
          expect(r).toBeLessThanOrEqual(1.2 + 1e-9);
          expect(r).toBeCloseTo(ratios[0]!, 9);
        }
        steps.forEach((s, i) => expect(s.day).toBe(7 * i));
        expect(steps[steps.length - 1]!.par).toBeCloseTo(toPar, 6);
        expect(steps[0]!.par).toBeCloseTo(Math.min(fromPar, toPar), 6);
      },
    ),
    { seed: 6 },
  );
});
test('by hand: from 60 to 150 six steps (2.5-fold, 1.2 to the sixth is 2.99, to the fifth 2.49)', () => {
  expect(lightSteps({ fromPar: null, toPar: 150, hours: 9 })).toHaveLength(7);
  expect(lightSteps({ fromPar: 200, toPar: 150, hours: 9 })).toEqual([
    { day: 0, par: expect.closeTo(150, 9), dli: expect.closeTo(4.86, 9) },
  ]);
});
test.each([
  [{ fromPar: 0, toPar: 100, hours: 9 }, '"par"'],
  [{ fromPar: 100, toPar: 9000, hours: 9 }, '"par"'],
  [{ fromPar: 100, toPar: 100, hours: 0 }, '"hours"'],
])('%j is refused by name', (o, says) => expect(() => lightSteps(o)).toThrow(says));
