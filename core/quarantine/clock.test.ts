import fc from 'fast-check';
import { addDays } from '../time';
import type { Look } from '../document';
import { quarantineClock } from './index';

const START = '2026-03-20';
const look = (offset: number, result: 'clear' | 'sign' = 'clear'): Look => ({
  id: `l${offset}`,
  waterId: 'q',
  day: addDays(START, offset),
  result,
  signs: result === 'sign' ? ['spots'] : [],
  note: '',
});
const clear = (from: number, to: number) => Array.from({ length: to - from + 1 }, (_, i) => look(from + i));
const run = (looks: Look[], today: number, joins = [START], days = 28) =>
  quarantineClock(joins, looks, days, addDays(START, today));

test('day one is the day of joining; free after 28 clear days, across the change of clocks', () => {
  const clock = run(clear(0, 10), 10);
  expect(clock).toMatchObject({
    status: 'running',
    clockDay: 11,
    releaseDay: addDays(START, 28),
    lookedToday: true,
  });
  expect(run(clear(0, 28), 28).status).toBe('complete');
  expect(run(clear(0, 27), 27).status).toBe('running');
});
test('a sign stops the clock for all, whatever the days before', () => {
  const clock = run([...clear(0, 20), look(21, 'sign')], 22);
  expect(clock).toMatchObject({ status: 'signPresent', clockDay: 0, releaseDay: null });
  expect(clock.strings[0]?.broken).toMatchObject({ by: 'sign', day: addDays(START, 21), signs: ['spots'] });
});
test('the full clock starts again with the first clear look, not before', () => {
  const clock = run([...clear(0, 4), look(5, 'sign'), look(6, 'sign'), ...clear(9, 12)], 12);
  expect(clock).toMatchObject({ status: 'running', clockDay: 4, releaseDay: addDays(START, 9 + 28) });
  expect(clock.strings).toHaveLength(2);
});
test('a newcomer starts it again for all', () => {
  const clock = run(clear(0, 12), 12, [START, addDays(START, 10)]);
  expect(clock.clockDay).toBe(3);
  expect(clock.strings[0]?.broken?.by).toBe('joined');
});
test('days nobody looked stay hollow; over one in four are added', () => {
  const sparse = Array.from({ length: 14 }, (_, i) => look(2 * i));
  const clock = run(sparse, 26);
  expect(clock.strings[0]?.beads.filter((b) => b.kind === 'missed')).toHaveLength(13);
  expect(clock.addedDays).toBe(13 - 7);
});
test('no release without a look on the last day or the one before', () => {
  expect(run(clear(0, 24), 28).status).toBe('running');
});
test('a sign outweighs a clear look of the same day, in either order', () => {
  const both = [look(3), { ...look(3, 'sign'), id: 'x' }];
  expect(run([...clear(0, 2), ...both], 3).status).toBe('signPresent');
  expect(run([...clear(0, 2), ...both.reverse()], 3).status).toBe('signPresent');
});
test('an empty system has no clock', () => expect(quarantineClock([], [], 28, START).status).toBe('empty'));

/** Slow twin for looks on every day: days since the last sign. */
test('with a look every day it counts the days since the last sign', () => {
  fc.assert(
    fc.property(fc.array(fc.boolean(), { minLength: 1, maxLength: 60 }), (signs) => {
      const clock = run(
        signs.map((s, i) => look(i, s ? 'sign' : 'clear')),
        signs.length - 1,
      );
      const sinceSign = signs.length - 1 - signs.lastIndexOf(true);
      expect(clock.clockDay).toBe(sinceSign);
      expect(clock.status).toBe(sinceSign === 0 ? 'signPresent' : sinceSign > 28 ? 'complete' : 'running');
    }),
    { seed: 81 },
  );
});
