import fc from 'fast-check';
import { netVolume } from './index';

const base = { sumpL: 0, rockKg: 0, sandKg: 0 };

test('100 x 50 x 48 cm with 24 kg rock and 28 kg sand holds 220 L (by hand)', () => {
  const v = netVolume({
    size: { kind: 'dimensions', lengthCm: 100, widthCm: 50, waterHeightCm: 48 },
    sumpL: 0,
    rockKg: 24,
    sandKg: 28,
  });
  expect(v.netL).toBeCloseTo(220, 9);
  expect(v.lines.map((l) => [l.part, Math.round(l.litres)])).toEqual([
    ['display', 240],
    ['rock', -10],
    ['sand', -10],
  ]);
});
test('the lines add up to the net, and the uncertainty is never below the largest part', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 20, max: 2000, noNaN: true }),
      fc.double({ min: 0, max: 200, noNaN: true }),
      fc.double({ min: 0, max: 20, noNaN: true }),
      (volumeL, sumpL, rockKg) => {
        const v = netVolume({ ...base, size: { kind: 'volume', volumeL }, sumpL, rockKg });
        expect(v.lines.reduce((s, l) => s + l.litres, 0)).toBeCloseTo(v.netL, 9);
        expect(v.sdL).toBeGreaterThanOrEqual(Math.max(...v.lines.map((l) => l.sdL)) - 1e-12);
      },
    ),
    { seed: 51 },
  );
});
test('refuses more rock than water', () => {
  expect(() => netVolume({ ...base, size: { kind: 'volume', volumeL: 10 }, rockKg: 100 })).toThrow(
    'displace more than the tank holds',
  );
});
test('refuses a height of zero', () => {
  expect(() =>
    netVolume({ ...base, size: { kind: 'dimensions', lengthCm: 10, widthCm: 10, waterHeightCm: 0 } }),
  ).toThrow('"waterHeightCm" must be above 0 cm, got 0');
});
test('rock and sand not said: a tenth of the glass is taken off, and the doubt is wider than with them said', () => {
  const size = { kind: 'dimensions' as const, lengthCm: 80, widthCm: 45, waterHeightCm: 43 };
  const unsaid = netVolume({ size, sumpL: 0, rockKg: null, sandKg: null });
  // By hand: 154.8 L less 10 % is 139.3 L.
  expect(unsaid.netL).toBeCloseTo(139.32, 2);
  expect(unsaid.from).toMatch(/not said yet/);
  const said = netVolume({ size, sumpL: 0, rockKg: 26, sandKg: 13 });
  expect(said.netL).toBeCloseTo(139.3, 0);
  expect(unsaid.sdL).toBeGreaterThan(said.sdL * 1.2);
  const half = netVolume({ size, sumpL: 0, rockKg: 0, sandKg: null });
  expect(half.netL).toBeCloseTo(154.8 * 0.97, 2);
});
