import { applyChanges, changesOf, emptyDocument, type Document, type Said } from '../document';
import { DAY_MS } from '../time';
import { editsToSay, heldAgainst, movesOf, saidOf } from './lookBack';

const said = (day: number, p10: number | null, p50: number | null, p90: number | null): Said => ({
  id: `s${day}`,
  waterId: 't',
  day: `2026-12-${String(day).padStart(2, '0')}`,
  at: new Date(day * DAY_MS).toISOString(),
  p10,
  p50,
  p90,
  horizonDays: 90,
  plan: '',
});

const saying = (list: readonly Said[]): Document =>
  list.reduce(
    (doc, s, i) => applyChanges(doc, changesOf(doc, editsToSay(doc, s, `new${i}`))),
    emptyDocument(),
  );

test('one forecast a day: the last one stands under its id, in order of time', () => {
  const doc = saying([said(2, 1, 5, 9), said(1, 2, 6, 10), said(2, 1, 4, 8)]);
  expect(saidOf(doc, 't').map((s) => [s.id, s.day, s.p50])).toEqual([
    ['new1', '2026-12-01', 6],
    ['new0', '2026-12-02', 4],
  ]);
  expect(saidOf(doc, 'another')).toEqual([]);
});

test('of two that two tabs kept on one day the later counts', () => {
  const early = { ...said(3, 1, 2, 3), id: 'a' };
  const late = { ...early, id: 'b', at: new Date(3.5 * DAY_MS).toISOString(), p50: 9 };
  const doc = { ...emptyDocument(), forecasts: { b: late, a: early } };
  expect(saidOf(doc, 't').map((s) => s.p50)).toEqual([9]);
});

test('the oldest give way once there are too many', () => {
  const many = Array.from({ length: 402 }, (_, i) => ({
    ...said(1, 1, 2, 3),
    id: `s${i}`,
    day: new Date(i * DAY_MS).toISOString().slice(0, 10),
    at: new Date(i * DAY_MS).toISOString(),
  }));
  const doc = saying(many);
  const kept = saidOf(doc, 't');
  expect(kept.length).toBe(Object.keys(doc.forecasts).length);
  expect(kept.length).toBeLessThan(402);
  expect(kept[kept.length - 1]?.day).toBe(many[401]?.day);
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
