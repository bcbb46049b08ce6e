import { bendCm, pipeLossCm, pumpGives, riseCm, workingPoint } from '.';

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
test('a curve by points: through each of them, straight between, and never above a curve that bulges', () => {
  const pump = { ratedLPerH: 3000, maxHeadCm: 300 };
  const points = [
    { headCm: 200, flowLPerH: 1400 },
    { headCm: 100, flowLPerH: 2300 },
  ];
  const given = (cm: number) => pumpGives({ ...pump, points }, cm);
  expect([0, 50, 100, 150, 200, 250, 300, 301].map(given)).toEqual([3000, 2650, 2300, 1850, 1400, 700, 0, 0]);
  const onParabola = [60, 120, 180, 240].map((headCm) => ({ headCm, flowLPerH: pumpGives(pump, headCm) }));
  for (let cm = 0; cm <= 300; cm += 7)
    expect(pumpGives({ ...pump, points: onParabola }, cm)).toBeLessThanOrEqual(pumpGives(pump, cm) + 1e-9);
  const way = { liftCm: 120, pipeCm: 200, bends: 4, insideMm: 20 };
  const at = workingPoint({ ...pump, ...way, points });
  expect(given(at.headCm)).toBeCloseTo(at.flowLPerH, 3);
});
test.each([
  ['as high as the greatest', [{ headCm: 300, flowLPerH: 100 }]],
  ['as much as without height', [{ headCm: 10, flowLPerH: 3000 }]],
  [
    'rising',
    [
      { headCm: 100, flowLPerH: 1000 },
      { headCm: 200, flowLPerH: 1200 },
    ],
  ],
  [
    'two at one height',
    [
      { headCm: 100, flowLPerH: 1000 },
      { headCm: 100, flowLPerH: 900 },
    ],
  ],
])('a curve that does not fall is refused: %s', (_, points) =>
  expect(() => pumpGives({ ratedLPerH: 3000, maxHeadCm: 300, points }, 50)).toThrow(/must fall/),
);
test('a sump rises by what drains into it', () => {
  expect(riseCm(15, 1000)).toBe(15);
  expect(() => riseCm(15, 0)).toThrow(/"chamberCm2"/);
});
