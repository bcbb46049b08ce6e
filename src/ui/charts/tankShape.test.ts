import fc from 'fast-check';
import { tankShape, type TankMeasures } from './tankShape';

const typed: TankMeasures = { lengthCm: 80, widthCm: 45, waterHeightCm: 40, sandCm: 5, rockHeapL: 18 };
const side = fc.double({ min: 5, max: 400, noNaN: true });

test('80 by 40 cm in 320 px: four pixels to the centimetre', () => {
  const { glass, waterY, sandY, guessed } = tankShape(typed, 320, 999);
  expect(glass).toEqual({ x: 0, y: 0, width: 320, height: 44 * 4 });
  expect([waterY, sandY, guessed]).toEqual([4 * 4, 39 * 4, false]);
});
test('a tank too high for the room is as high as the room, and stands in its middle', () => {
  const { glass } = tankShape({ ...typed, lengthCm: 40 }, 320, 88);
  expect(glass).toEqual({ x: 120, y: 0, width: 80, height: 88 });
});
test('nothing leaves the glass, whatever is typed', () => {
  fc.assert(
    fc.property(
      fc.record({
        lengthCm: fc.option(side),
        widthCm: fc.option(side),
        waterHeightCm: fc.option(side),
        sandCm: fc.double({ min: 0, max: 500, noNaN: true }),
        rockHeapL: fc.option(fc.double({ min: 0, max: 5000, noNaN: true })),
      }),
      (m) => {
        const s = tankShape(m, 326, 230);
        const foot = s.glass.y + s.glass.height;
        expect(s.glass.width).toBeLessThanOrEqual(326 + 1e-9);
        expect(foot).toBeLessThanOrEqual(230 + 1e-9);
        for (const y of [s.waterY ?? 0, s.sandY]) {
          expect(y).toBeGreaterThanOrEqual(0);
          expect(y).toBeLessThanOrEqual(foot + 1e-9);
        }
        for (const [x, y] of s.heaps.flatMap((h) => [...h.points])) {
          expect(x).toBeGreaterThanOrEqual(s.glass.x);
          expect(x).toBeLessThanOrEqual(s.glass.x + s.glass.width);
          expect(y).toBeGreaterThanOrEqual(0);
          expect(y).toBeLessThanOrEqual(foot + 1e-9);
        }
      },
    ),
    { seed: 80 },
  );
});
test('no rock, no heap; rock nobody has told is drawn as a guess', () => {
  expect(tankShape({ ...typed, rockHeapL: 0 }, 320, 200).heaps).toEqual([]);
  expect(tankShape({ ...typed, rockHeapL: null }, 320, 200).heaps.map((h) => h.guessed)).toEqual([
    true,
    true,
  ]);
  const higher = (litres: number) =>
    Math.min(
      ...tankShape({ ...typed, rockHeapL: litres }, 320, 200).heaps.flatMap((h) => h.points.map((p) => p[1])),
    );
  expect(higher(30)).toBeLessThan(higher(10));
});
test('until both sides are typed the glass is a guess, and dry', () => {
  const none = { lengthCm: null, widthCm: null, waterHeightCm: null, sandCm: 0, rockHeapL: null };
  expect(tankShape(none, 320, 200)).toMatchObject({ waterY: null, guessed: true });
  expect(tankShape({ ...none, lengthCm: 80 }, 320, 200)).toMatchObject({ waterY: null, guessed: true });
  expect(tankShape({ ...none, waterHeightCm: 40 }, 320, 200).waterY).not.toBeNull();
});
