import { History, START_MS, DAY } from '../testing/history';
import { absencesAhead, leftAlone } from '.';

const away = (h: History, from: number, days: number) =>
  h.event(from, { kind: 'away', until: new Date(START_MS + (from + days) * DAY).toISOString() } as never);
const ahead = (h: History, day: number) =>
  absencesAhead(h.doc, START_MS + day * DAY, START_MS + (day + 28) * DAY);

test('absences that are on or ahead, soonest first; what is over or far off is not told', () => {
  const h = away(away(away(new History(), 30, 4), 10, 2), 80, 3);
  expect(ahead(h, 9).map((a) => (a.fromMs - START_MS) / DAY)).toEqual([10, 30]);
  expect(ahead(h, 11).map((a) => (a.fromMs - START_MS) / DAY)).toEqual([10, 30]);
  expect(ahead(h, 12.5).map((a) => (a.fromMs - START_MS) / DAY)).toEqual([30]);
});
test('the first that is longer than the tank may go without a change', () => {
  const h = away(away(new History(), 10, 2), 20, 3);
  expect(leftAlone(ahead(h, 9), 2)).toMatchObject({ days: 3, fromMs: START_MS + 20 * DAY });
  expect(leftAlone(ahead(h, 9), 1)).toMatchObject({ days: 2 });
  expect(leftAlone(ahead(h, 9), 3)).toBeNull();
});
