import { DAY_MS } from '../time';
import { heldAgainst, movesOf, remembered, type Said } from './lookBack';

const said = (day: number, p10: number | null, p50: number | null, p90: number | null): Said => ({
  day: `2026-12-${String(day).padStart(2, '0')}`,
  atMs: day * DAY_MS,
  p10,
  p50,
  p90,
  horizonDays: 90,
  plan: '',
});

test('one forecast a day: the last one stands, in order of time', () => {
  const list = remembered(remembered([said(2, 1, 5, 9)], said(1, 2, 6, 10)), said(2, 1, 4, 8));
  expect(list.map((s) => [s.atMs / DAY_MS, s.p50])).toEqual([
    [1, 6],
    [2, 4],
  ]);
  expect(remembered(list, { ...said(2, 1, 3, 7), atMs: 2.4 * DAY_MS })).toHaveLength(2);
});

test('a date that moves by more than a third of its band names the last entry between', () => {
  const list = [said(1, 4, 10, 16), said(2, 3, 9, 15), said(3, 8, 14, 20), said(4, 7, 13, 19)];
  const entries = [
    { atMs: 0.5 * DAY_MS, text: 'a dose' },
    { atMs: 2.5 * DAY_MS, text: 'nitrite 5' },
    { atMs: 3.2 * DAY_MS, text: 'ammonia 0' },
  ];
  // From day 11 it moves to day 17: more than four of twelve days. A day later it stays.
  expect(movesOf(list, entries)).toEqual([
    { atMs: 3 * DAY_MS, fromMs: 11 * DAY_MS, toMs: 17 * DAY_MS, because: 'nitrite 5' },
  ]);
  expect(movesOf(list, [])[0]?.because).toBeNull();
  // Exactly a third is no news; a little more is.
  const third = (by: number) => movesOf([said(1, 4, 10, 16), said(2, 3, 9 + by, 15)], []).length;
  expect([third(4), third(4.1)]).toEqual([0, 1]);
});

test('a narrow band counts as five days, a date beyond the horizon as its end', () => {
  expect(movesOf([said(1, 3, 3, 3), said(2, 3, 3.6, 4)], [])).toEqual([]);
  const [gone] = movesOf([said(1, 3, 5, 9), said(2, null, null, null)], []);
  expect(gone?.toMs).toBe(92 * DAY_MS);
});

test('once ready each forecast is held against the day', () => {
  const list = [said(1, 4, 10, 16), said(5, 1, 2, 3), said(9, 0, 0, 0)];
  expect(heldAgainst(list, 8 * DAY_MS)).toEqual([
    { atMs: 1 * DAY_MS, offDays: 3, inside: true },
    { atMs: 5 * DAY_MS, offDays: -1, inside: true },
  ]);
  expect(heldAgainst(list, 8.6 * DAY_MS)[1]?.inside).toBe(false);
});
