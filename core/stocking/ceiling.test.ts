import { DAY_MS } from '../time';
import { ceilingOf } from './ceiling';
import type { Capacity } from './load';
import type { WaterEvidence } from '../evidence';

const NOW = Date.UTC(2026, 2, 3);
const evidence = { nowMs: NOW, doses: [], joined: [], events: [] } as unknown as WaterEvidence;
const capacity = (mgN: number, daysAgo = 0): Capacity => ({
  atDoseMgN: 10 * mgN,
  nearZeroProvedMgN: mgN,
  nearZeroNowMgN: mgN * Math.exp(-0.05 * daysAgo),
  provedMs: NOW - daysAgo * DAY_MS,
  x: 1,
  by: 'proof',
});
const ahead = (mgN: number, days = 30) =>
  ceilingOf(evidence, capacity(40), [{ atMs: NOW, mgN }], NOW + days * DAY_MS);
const at = (points: ReturnType<typeof ahead>, days: number) =>
  points.find((p) => p.atMs === NOW + days * DAY_MS)!;

describe('the ceiling', () => {
  test('today it is the figure everything else is judged by, a fifth either way', () => {
    expect(at(ahead(4), 0)).toEqual({ atMs: NOW, mgN: 40, lowMgN: 32, highMgN: 48 });
  });
  // By hand: kept 1.5 x 4 = 6; 6 + 34 exp(-0.05 x 10) = 26.62; low 4 + 28 exp(-1) = 14.30; high 8 + 40 exp(-0.2) = 40.75.
  test('over a small load it fades towards what that keeps alive', () => {
    const p = at(ahead(4), 10);
    expect(p.mgN).toBeCloseTo(26.62, 2);
    expect(p.lowMgN).toBeCloseTo(14.3, 2);
    expect(p.highMgN).toBeCloseTo(40.75, 2);
  });
  // By hand: kept 90; 90 - 50 exp(-0.5) = 59.67. Low holds 60 at 0.02 a day from 32: 60 - 28 exp(-0.2) = 37.08.
  test('under a large one it grows into it, slowly', () => {
    const p = at(ahead(60), 10);
    expect(p.mgN).toBeCloseTo(59.67, 2);
    expect(p.lowMgN).toBeCloseTo(37.08, 2);
  });
  test('a step counts from its day on', () => {
    const steps = [
      { atMs: NOW, mgN: 0 },
      { atMs: NOW + 5 * DAY_MS, mgN: 20 },
    ];
    const points = ceilingOf(evidence, capacity(40), steps, NOW + 6 * DAY_MS);
    expect(at(points, 5).mgN).toBeCloseTo(40 * Math.exp(-0.25), 6);
    // 30 + 1.152 exp(-0.05): kept 1.5 x 20.
    expect(at(points, 6).mgN).toBeCloseTo(30 + (40 * Math.exp(-0.25) - 30) * Math.exp(-0.05), 6);
  });
  test('behind it starts at the proof and only fades; the band holds the line', () => {
    const points = ceilingOf(evidence, capacity(40, 10), [], NOW + 20 * DAY_MS);
    expect(points[0]).toMatchObject({ atMs: NOW - 10 * DAY_MS, mgN: 40 });
    expect(at(points, 0).mgN).toBeCloseTo(24.26, 2);
    for (const p of points) {
      expect(p.lowMgN).toBeLessThanOrEqual(p.mgN);
      expect(p.highMgN).toBeGreaterThanOrEqual(p.mgN);
    }
  });
  test('it ends where it is asked to end', () => {
    const points = ceilingOf(evidence, capacity(40), [], NOW + 2.5 * DAY_MS);
    expect(points[points.length - 1]?.atMs).toBe(NOW + 2.5 * DAY_MS);
  });
});
