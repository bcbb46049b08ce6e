import fc from 'fast-check';
import { layoutFacts } from '.';

const glass = { lengthCm: 100, widthCm: 50, waterCm: 45 };
const block = (xCm: number, yCm: number, widthCm: number, depthCm: number, heightCm = 10) => ({
  xCm,
  yCm,
  widthCm,
  depthCm,
  heightCm,
});

test('by hand: two pieces, one on the other’s edge, and the ways around them', () => {
  const facts = layoutFacts([block(10, 10, 20, 20, 30), block(60, 15, 30, 20, 12)], glass)!;
  expect(facts.share).toBeCloseTo((400 + 600) / 5000, 9);
  expect(facts).toMatchObject({
    freeAboveCm: 15,
    gapCm: { left: 10, right: 10, front: 10, back: 15 },
    narrowestCm: 30,
  });
  // Corner to corner: 3, 4, 5.
  expect(layoutFacts([block(0, 0, 10, 10), block(13, 14, 10, 10)], glass)?.narrowestCm).toBeCloseTo(5, 9);
  expect(layoutFacts([block(0, 0, 10, 10), block(10, 0, 10, 10)], glass)?.narrowestCm).toBeNull();
  expect(layoutFacts([], glass)).toBeNull();
});
test('the ground covered is what a count of its square centimetres says, beyond the glass left out', () => {
  const whole = (max: number) => fc.integer({ min: 0, max });
  const blocks = fc.array(
    fc
      .record({
        x: whole(100),
        y: whole(50),
        w: fc.integer({ min: 1, max: 60 }),
        d: fc.integer({ min: 1, max: 40 }),
      })
      .map(({ x, y, w, d }) => block(x, y, w, d)),
    { minLength: 1, maxLength: 6 },
  );
  fc.assert(
    fc.property(blocks, (rocks) => {
      let counted = 0;
      for (let x = 0; x < 100; x++)
        for (let y = 0; y < 50; y++)
          if (rocks.some((b) => x >= b.xCm && x < b.xCm + b.widthCm && y >= b.yCm && y < b.yCm + b.depthCm))
            counted++;
      expect(layoutFacts(rocks, glass)!.share * 5000).toBeCloseTo(counted, 6);
    }),
    { seed: 7, numRuns: 60 },
  );
});
