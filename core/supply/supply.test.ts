/** Use a day by regression: exact on a straight log, inside its band on simulated ones with rich salt; balances against arithmetic by hand. */
import { seededRandom, type Random } from '../random';
import { DAY_MS } from '../time';
import { daysUntil, fractionToHold, madeByFeed, steadyState, studentT90, uptake, type Move } from '.';

const at = (day: number) => day * DAY_MS;
const normal = (random: Random): number =>
  Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());

test('a straight fall is its slope, with changes of richer water and doses taken out exactly', () => {
  // 0.2 dKH a day from 9; on day 4 a fifth of 12 dKH: 8.2 becomes 8.96; on day 6 a dose of 1: 8.56 becomes 9.56.
  const points = [
    [0, 9],
    [2, 8.6],
    [5, 8.76],
    [7, 9.36],
    [9, 8.96],
  ].map(([d, value]) => ({ atMs: at(d!), value: value! }));
  const moves: Move[] = [
    { atMs: at(4), keep: 0.8, incoming: 12 },
    { atMs: at(6), rise: 1 },
  ];
  const used = uptake(points, moves)!;
  expect(used.perDay).toBeCloseTo(0.2, 9);
  expect(used.high - used.low).toBeCloseTo(0, 6);
  // Were the change taken for water of the tank's own alkalinity, half of the use would be lost.
  expect(uptake(points, [moves[1]!])!.perDay).toBeLessThan(0.15);
});
test('what new water brought in doubt widens the band', () => {
  const points = [0, 3, 6, 9].map((d) => ({ atMs: at(d), value: 9 - 0.1 * d }));
  const sure = uptake(points, [{ atMs: at(4), keep: 0.7, incoming: 8.5 }])!;
  const unsure = uptake(points, [{ atMs: at(4), keep: 0.7, incoming: 8.5, incomingSd: 1 }])!;
  expect(unsure.high - unsure.low).toBeGreaterThan(sure.high - sure.low);
  expect(unsure.perDay).toBeCloseTo(sure.perDay, 12);
});
test('too little to say is nothing', () => {
  const p = (d: number) => ({ atMs: at(d), value: 8 });
  expect(uptake([p(0), p(9)], [])).toBeNull();
  expect(uptake([p(0), p(1), p(2.9)], [])).toBeNull();
  expect(uptake([p(0), p(1), p(3)], [])?.perDay).toBeCloseTo(0, 12);
  expect(uptake([], [])).toBeNull();
});

/** A month of a tank kept with salt of 12 dKH: believed volume off by some, a kit with an error of its own and steps of a tenth or of half a degree. */
function month(
  random: Random,
  step: number,
): { truth: number; points: { atMs: number; value: number }[]; moves: Move[] } {
  const truth = 0.02 + 0.5 * random();
  const volumeOff = Math.exp(0.05 * normal(random));
  const bag = 12 * (1 + 0.03 * normal(random));
  const kitBias = 0.1 * normal(random);
  let level = 7.5 + 3 * random();
  const points: { atMs: number; value: number }[] = [];
  const moves: Move[] = [];
  const every = 2 + Math.floor(3 * random());
  const rhythm = 5 + Math.floor(5 * random());
  const fraction = 0.08 + 0.17 * random();
  for (let day = 0; day <= 30; day++) {
    if (day % every === 0)
      points.push({
        atMs: at(day),
        value: Math.round((level + kitBias + 0.12 * normal(random)) / step) * step,
      });
    if (day > 0 && day % rhythm === 0) {
      level += fraction * (bag - level);
      moves.push({
        atMs: at(day + 0.1),
        keep: 1 - Math.min(1, fraction * volumeOff),
        incoming: 12,
        incomingSd: 0.48,
      });
    }
    level -= truth * (1 + 0.1 * normal(random));
  }
  return { truth, points, moves };
}
test.each([0.1, 0.5])(
  'of 400 months kept with 12 dKH salt the band holds the truth in at least 8 of 10, read to %d',
  (step) => {
    const random = seededRandom(17);
    const all = Array.from({ length: 400 }, () => {
      const { truth, points, moves } = month(random, step);
      const u = uptake(points, moves)!;
      return { held: u.low <= truth && truth <= u.high, width: u.high - u.low, off: u.perDay - truth };
    });
    expect(all.filter((a) => a.held).length / all.length).toBeGreaterThanOrEqual(0.8);
    // Not bought with a band that says nothing: under 0.25 dKH a day in the middle.
    expect(all.map((a) => a.width).sort((a, b) => a - b)[200]!).toBeLessThan(0.25);
    expect(Math.abs(all.reduce((s, a) => s + a.off, 0) / all.length)).toBeLessThan(0.02);
  },
);

test('balances by hand', () => {
  expect(steadyState({ incoming: 12, fraction: 0.1, everyDays: 7, usePerDay: 0.1 })).toEqual({
    before: 5,
    after: expect.closeTo(5.7, 12),
  });
  expect(steadyState({ incoming: 0, fraction: 0.2, everyDays: 7, usePerDay: -0.5 }).before).toBeCloseTo(
    17.5,
    12,
  );
  expect(fractionToHold({ incoming: 12, limit: 7, everyDays: 7, usePerDay: 0.1 })).toBeCloseTo(0.14, 12);
  expect(fractionToHold({ incoming: 7, limit: 8, everyDays: 7, usePerDay: 0.1 })).toBeNull();
  expect(fractionToHold({ incoming: 8, limit: 7, everyDays: 7, usePerDay: 1 })).toBeNull();
  expect(fractionToHold({ incoming: 8, limit: 7, everyDays: 7, usePerDay: 0 })).toBe(0);
  const made = madeByFeed({ gramsPerDay: 1, protein: 45, phosphorus: 1 }, 100);
  expect(made.nitrate).toBeCloseTo(1.8326, 3);
  expect(made.phosphate).toBeCloseTo(0.184, 3);
  expect([daysUntil(5, 20, 1.5), daysUntil(20, 20, 1), daysUntil(5, 20, 0), daysUntil(5, 20, -1)]).toEqual([
    10,
    0,
    null,
    null,
  ]);
  expect([studentT90(1), studentT90(12), studentT90(29), studentT90(500)]).toEqual([
    6.314, 1.812, 1.725, 1.671,
  ]);
});
