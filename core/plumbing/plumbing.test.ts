import { bendCm, pipeLossCm, riseCm, workingPoint } from '.';

test('Hazen-Williams by hand, and within a tenth of Darcy and Weisbach with Blasius’ friction for smooth pipe', () => {
  expect(pipeLossCm({ flowLPerH: 36000, lengthCm: 10000, insideMm: 100 })).toBeCloseTo(146.0, 0);
  expect(pipeLossCm({ flowLPerH: 0, lengthCm: 100, insideMm: 20 })).toBe(0);
  for (const [flowLPerH, insideMm] of [
    [36000, 100],
    [2000, 20],
    [4000, 30],
  ] as const) {
    const d = insideMm / 1000;
    const speed = flowLPerH / 3.6e6 / (Math.PI * (d / 2) ** 2);
    const friction = 0.316 / ((speed * d) / 1e-6) ** 0.25;
    const darcyCm = (100 * friction * (10 / d) * speed ** 2) / (2 * 9.81);
    const ours = pipeLossCm({ flowLPerH, lengthCm: 1000, insideMm });
    expect(Math.abs(ours / darcyCm - 1)).toBeLessThan(0.12);
  }
});
test('where the curves meet, the pump gives what the pipe lets through', () => {
  const o = { ratedLPerH: 3000, maxHeadCm: 300, liftCm: 120, pipeCm: 200, bends: 4, insideMm: 20 };
  const { flowLPerH, headCm, lossCm } = workingPoint(o);
  expect(headCm).toBeCloseTo(120 + lossCm, 9);
  expect(3000 * Math.sqrt(1 - headCm / 300)).toBeCloseTo(flowLPerH, 3);
  expect(lossCm).toBeCloseTo(pipeLossCm({ flowLPerH, lengthCm: 200 + 4 * bendCm(20), insideMm: 20 }), 9);
  expect(workingPoint({ ...o, liftCm: 300 }).flowLPerH).toBe(0);
  expect(() => workingPoint({ ...o, maxHeadCm: 0 })).toThrow(/"maxHeadCm"/);
});
test('a sump rises by what drains into it', () => {
  expect(riseCm(15, 1000)).toBe(15);
  expect(() => riseCm(15, 0)).toThrow(/"chamberCm2"/);
});
