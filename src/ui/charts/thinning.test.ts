import fc from 'fast-check';
import { apart, firstAt, inWindow, thinned, thinnedBy, type TimePoint } from './thinning';

const series = fc
  .array(fc.tuple(fc.integer({ min: 0, max: 10_000 }), fc.double({ min: 0, max: 50, noNaN: true })), {
    minLength: 1,
    maxLength: 600,
  })
  .map((list): TimePoint[] =>
    list
      .sort((a, b) => a[0] - b[0])
      .map(([atMs, mid]) => ({ atMs, low: mid, mid, high: mid, doubted: false })),
  );

test('the window is found as a plain search finds it', () => {
  fc.assert(
    fc.property(series, fc.integer({ min: -100, max: 10_100 }), (points, at) => {
      const plain = points.findIndex((p) => p.atMs >= at);
      expect(firstAt(points, at)).toBe(plain === -1 ? points.length : plain);
    }),
    { seed: 1 },
  );
});
test('thinning keeps order, extremes and its bound', () => {
  fc.assert(
    fc.property(series, fc.integer({ min: 20, max: 300 }), (points, pixels) => {
      const out = thinned(points, 0, 10_000, pixels);
      expect(out.length).toBeLessThanOrEqual(
        Math.max(points.length <= pixels ? points.length : pixels + 4, 1),
      );
      expect(Math.max(...out.map((p) => p.mid))).toBe(Math.max(...points.map((p) => p.mid)));
      expect(Math.min(...out.map((p) => p.mid))).toBe(Math.min(...points.map((p) => p.mid)));
      out.slice(1).forEach((p, i) => expect(p.atMs).toBeGreaterThanOrEqual(out[i]?.atMs ?? 0));
    }),
    { seed: 2 },
  );
});
test('one neighbour stays on each side', () => {
  const points = [0, 10, 20, 30, 40].map((atMs): TimePoint => ({
    atMs,
    low: 0,
    mid: 0,
    high: 0,
    doubted: false,
  }));
  expect(inWindow(points, 15, 25).map((p) => p.atMs)).toEqual([10, 20, 30]);
});

test('of a step the foot stays before its head, also at one moment', () => {
  const steps = Array.from({ length: 400 }, (_, i) => ({ atMs: Math.floor(i / 2) * 10, mgN: i }));
  const out = thinnedBy(steps, 0, 2000, 40, (p) => p.mgN);
  expect(out.length).toBeLessThanOrEqual(44);
  out.slice(1).forEach((p, i) => expect(p.mgN).toBeGreaterThan(out[i]?.mgN ?? -1));
});
test('marks that would cover one another are one', () => {
  const marks = [0, 1, 2, 50, 50, 99].map((atMs) => ({ atMs }));
  expect(apart(marks, 0, 100, 10).map((m) => m.atMs)).toEqual([0, 50, 99]);
  expect(apart(marks.slice(3), 0, 100, 1000).map((m) => m.atMs)).toEqual([50, 99]);
  expect(apart([], 0, 100, 10)).toEqual([]);
});
