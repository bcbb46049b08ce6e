/** The fit: the same log says the same dates, and a reading more carries it on instead of starting over. */
import { DAY, History, START_MS } from '../testing/history';
import {
  answerFrom,
  inferIsland,
  islandOptions,
  narrowing,
  pooled,
  read,
  refreshIsland,
  type Answer,
  type Asked,
  type Island,
  type Progress,
} from '.';

const log = () =>
  new History()
    .test(0, { ammonia: 0, nitrite: 0 })
    .dose(1, 2)
    .test(2, { ammonia: 2, nitrite: 0 })
    .test(8, { ammonia: 1, nitrite: 0.5 })
    .test(12, { ammonia: 0.25, nitrite: 2 })
    .test(15, { ammonia: 0, nitrite: 5 });
function ask(h: History, day: number, seed = 1): Asked {
  const asked = read(h.doc, {
    waterId: 't',
    atMs: START_MS + day * DAY,
    seed,
    horizonDays: 60,
    plan: 'dose',
    loadMgN: null,
  });
  if ('status' in asked) throw new Error('nothing to fit');
  return asked;
}
function through<T>(run: Generator<Progress, T>): T {
  let next = run.next();
  while (!next.done) next = run.next();
  return next.value;
}
const fitted = (asked: Asked, islands = 4): Island[] =>
  Array.from({ length: islands }, (_, i) =>
    through(inferIsland(asked.target, islandOptions(asked.question, i))),
  );
const said = (asked: Asked, islands: readonly Island[]): Extract<Answer, { status: 'ok' }> => {
  const answer = answerFrom(asked, pooled(asked.target, islands, asked.question.seed));
  if (answer.status !== 'ok') throw new Error('no dates');
  return answer;
};
const middle = (a: Extract<Answer, { status: 'ok' }>) => a.forecast.ready.p50 ?? NaN;
/** From the tenth of a hundred dates to the middle one: the ninetieth lies beyond the horizon, since daily doses may hold nitrite up for good. */
const widthOf = (a: Extract<Answer, { status: 'ok' }> | undefined) =>
  (a?.forecast.ready.p50 ?? NaN) - (a?.forecast.ready.p10 ?? NaN);

test('another seed says the same date, to a tenth of half its band', () => {
  const dates = [1, 2, 3, 4].map((seed) => {
    const asked = ask(log(), 16, seed);
    return said(asked, fitted(asked));
  });
  const width = widthOf(dates[0]);
  expect(width).toBeGreaterThan(3);
  const middles = dates.map(middle);
  expect(Math.max(...middles) - Math.min(...middles)).toBeLessThan(0.1 * width + 0.5);
});

test('a reading more, carried on from the fit before, says what a fit anew says', () => {
  const before = fitted(ask(log(), 16));
  const after = ask(log().test(17, { ammonia: 0, nitrite: 2 }), 17.2);
  const carried = before.map((island, i) =>
    through(refreshIsland(island, after.target, islandOptions(after.question, i))),
  );
  if (carried.some((island) => island === null)) throw new Error('too few still count');
  const one = said(after, carried as Island[]);
  const anew = said(after, fitted(after));
  expect(Math.abs(middle(one) - middle(anew))).toBeLessThan(0.15 * widthOf(anew) + 0.5);
  for (const key of ['capacityA', 'capacityN', 'muN'] as const)
    expect(Math.abs(Math.log(one.fitted[key][1] / anew.fitted[key][1]))).toBeLessThan(0.12);
});

test('a week later two more wanderings of growth are as believed, until readings speak of them', () => {
  const [island] = fitted(ask(log(), 16), 1);
  const later = ask(log(), 22);
  if (!island) throw new Error('no island');
  expect(later.target.dims.length).toBe(island.dims.length + 2);
  const carried = through(refreshIsland(island, later.target, islandOptions(later.question, 0)));
  expect(carried?.dims).toEqual(later.target.dims);
});

test('where the log speaks of less, or says something else, the fit begins anew', () => {
  const bottle = log().event(1.2, { kind: 'bacteria', seed: 'bottle', mL: 10 });
  const [island] = fitted(ask(bottle, 16), 1);
  if (!island) throw new Error('no island');
  const less = ask(log(), 16);
  expect(through(refreshIsland(island, less.target, islandOptions(less.question, 0)))).toBeNull();
  const otherwise = ask(
    new History()
      .event(1.2, { kind: 'bacteria', seed: 'bottle', mL: 10 })
      .dose(1, 2)
      .test(3, { ammonia: 0, nitrite: 0 })
      .dose(4, 2)
      .test(5, { ammonia: 0, nitrite: 0 })
      .dose(7, 2)
      .test(8, { ammonia: 0, nitrite: 0 }),
    16,
  );
  expect(through(refreshIsland(island, otherwise.target, islandOptions(otherwise.question, 0)))).toBeNull();
});

test('more is fitted while a date owes more than it may to luck, and few islands are trusted less', () => {
  const asked = ask(log(), 16);
  const a = said(asked, fitted(asked, 2));
  const band = { p10: 10, p50: 20, p90: 30 };
  const owing = (ready: number): Answer => ({
    ...a,
    forecast: { ...a.forecast, ready: band, luck: { ...a.forecast.luck, ready } },
  });
  // Three in a hundred of twenty days are 0.6; four islands' 0.5 counts for 0.67, twenty islands' for 0.53.
  expect(narrowing(owing(0.5), 4)).toBe(true);
  expect(narrowing(owing(0.5), 20)).toBe(false);
  expect(narrowing(owing(0.61), 20)).toBe(true);
  expect(narrowing(owing(0.4), 4)).toBe(false);
});
