import { movePlan, type Move } from '.';

const move = (more: Partial<Move> = {}): Move => ({
  oldNetL: 100,
  newNetL: 300,
  keptShare: 1,
  reusedShare: 0.5,
  loadMgN: 20,
  carriesMgN: 30,
  nitrate: 30,
  ...more,
});

test('water: half of 100 L again, 250 to be made; nitrate thinned to a sixth', () =>
  expect(movePlan(move())).toMatchObject({ reusedL: 50, newWaterL: 250, nitrate: 5 }));
test('never more old water than the new glass holds', () =>
  expect(movePlan(move({ newNetL: 40, reusedShare: 1 }))).toMatchObject({
    reusedL: 40,
    newWaterL: 0,
    nitrate: 30,
  }));
test('all rock and media carry four fifths: the load of before is borne; without them it is not', () => {
  const whole = movePlan(move());
  expect(whole.carriesMgN).toBeCloseTo(24, 9);
  expect(whole.bearable).toBe(true);
  // Nothing carried and 20 mg N a day into 300 L: a week makes 0.47 mg/L.
  const bare = movePlan(move({ keptShare: 0 }));
  expect(bare.totalMgN!).toBeGreaterThan(0.4);
  expect(bare.bearable).toBe(false);
});
test('the less comes along the higher it goes', () => {
  const peaks = [1, 0.6, 0.3, 0.1, 0].map((keptShare) => movePlan(move({ keptShare })).totalMgN!);
  expect(peaks).toEqual([...peaks].sort((a, b) => a - b));
});
test('nothing proved, nothing predicted; wrong shares are refused by name', () => {
  expect(movePlan(move({ carriesMgN: null }))).toMatchObject({
    carriesMgN: null,
    freeMgN: null,
    bearable: null,
  });
  expect(() => movePlan(move({ keptShare: 1.2 }))).toThrow('shares must be within 0 and 1');
  expect(() => movePlan(move({ newNetL: 0 }))).toThrow('"newNetL" and "oldNetL" must be above 0 L');
});
