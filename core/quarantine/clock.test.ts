import fc from 'fast-check';
import { addDays, daysBetween } from '../time';
import { quarantineClock, type ClockFacts, type ClockLook } from './index';

const START = '2026-03-20';
const day = (offset: number): string => addDays(START, offset);
const look = (offset: number, result: ClockLook['result'] = 'clear'): ClockLook => ({
  day: day(offset),
  result,
  signs: result === 'sign' ? ['spots'] : [],
});
const clear = (from: number, to: number) => Array.from({ length: to - from + 1 }, (_, i) => look(from + i));
const run = (looks: ClockLook[], today: number, more: Partial<ClockFacts> = {}) =>
  quarantineClock({
    joins: [START],
    looks,
    losses: [],
    masked: () => false,
    clockDays: 28,
    today: day(today),
    ...more,
  });

test('free after 28 days that were seen clear, on the morning after, across the change of clocks', () => {
  expect(run(clear(0, 10), 10)).toMatchObject({
    status: 'running',
    clockDay: 11,
    releaseDay: day(28),
    lookedToday: true,
    missedDays: [],
    restarts: [],
    asks: false,
  });
  expect(run(clear(0, 27), 27).status).toBe('running');
  expect(run(clear(0, 27), 28).status).toBe('complete');
});

describe('a sign', () => {
  test('stops the clock for all, whatever the days before; a later clear look does not start it', () => {
    const clock = run([...clear(0, 20), look(21, 'sign'), ...clear(22, 25)], 25);
    expect(clock).toMatchObject({ status: 'signPresent', clockDay: 0, releaseDay: null, restarts: [] });
    expect(clock.strings[0]?.broken).toMatchObject({ by: 'sign', day: day(21), signs: ['spots'] });
  });
  test('starts again on the day on which all are healed, that day being the first', () => {
    const clock = run(
      [...clear(0, 4), look(5, 'sign'), look(6, 'sign'), look(9, 'healed'), ...clear(10, 12)],
      12,
    );
    expect(clock).toMatchObject({
      status: 'running',
      clockDay: 4,
      releaseDay: day(9 + 28),
      restarts: [{ day: day(9), because: 'healed', since: day(5) }],
    });
    expect(clock.strings).toHaveLength(2);
  });
  test('is never erased by a later look of the same day, in whatever order they were entered', () => {
    const both = [look(3, 'sign'), look(3), look(3, 'healed')];
    for (const order of [both, [...both].reverse()])
      expect(run([...clear(0, 2), ...order], 3).status).toBe('signPresent');
  });
  test('keeps all that was seen on its day', () => {
    const looks: ClockLook[] = [
      { day: day(1), result: 'sign', signs: ['spots'], note: 'two dots' },
      { day: day(1), result: 'sign', signs: ['scratching', 'spots'], note: 'the smaller one' },
    ];
    expect(run([look(0), ...looks], 1).strings[0]?.broken).toMatchObject({
      signs: ['spots', 'scratching'],
      note: 'two dots the smaller one',
    });
  });
  test('a death or a missing animal is one', () => {
    const clock = run(clear(0, 12), 12, { losses: [day(11)] });
    expect(clock).toMatchObject({ status: 'signPresent', clockDay: 0 });
    expect(clock.strings[0]?.broken?.by).toBe('lost');
  });
});

test('a newcomer starts it again for all; while a sign stands it adds nothing', () => {
  const clock = run(clear(0, 12), 12, { joins: [START, day(10)] });
  expect(clock).toMatchObject({
    clockDay: 3,
    restarts: [{ day: day(10), because: 'joined', since: day(10) }],
    releaseDay: day(38),
  });
  expect(clock.strings[0]?.broken?.by).toBe('joined');
  const sick = run([...clear(0, 4), look(5, 'sign'), look(8, 'healed')], 8, { joins: [START, day(6)] });
  expect(sick.restarts).toEqual([{ day: day(8), because: 'healed', since: day(5) }]);
});

describe('a day that does not count', () => {
  test('nobody looked: hollow, and the release is a day later', () => {
    const clock = run([...clear(0, 9), ...clear(11, 14)], 14);
    expect(clock).toMatchObject({ clockDay: 14, missedDays: [day(10)], releaseDay: day(29) });
    expect(clock.strings[0]?.beads[10]?.kind).toBe('missed');
  });
  test('only some were seen', () => {
    const clock = run([...clear(0, 9), { ...look(10), part: true }], 11);
    expect(clock).toMatchObject({ clockDay: 10, missedDays: [] });
    expect(clock.strings[0]?.beads[10]?.kind).toBe('missed');
    // Together with a look at all of them it does.
    expect(run([...clear(0, 10), { ...look(10), part: true }], 10).clockDay).toBe(11);
    // "Healed" of a part heals nobody else.
    const part = run([look(0, 'sign'), { ...look(1, 'healed'), part: true }], 1);
    expect(part.status).toBe('signPresent');
  });
  test('it lies under a medicine that may hide signs', () => {
    const masked = (d: string) => d >= day(5) && d <= day(9);
    const clock = run(clear(0, 12), 12, { masked });
    expect(clock).toMatchObject({ clockDay: 8, releaseDay: day(33) });
    expect(clock.strings[0]?.beads.map((b) => b.kind).filter((k) => k === 'masked')).toHaveLength(5);
    // Days of the course that lie ahead do not count either.
    expect(run(clear(0, 6), 6, { masked }).releaseDay).toBe(day(33));
  });
});

test('two days missed in a row are asked about; one, or two that lie apart, are not', () => {
  expect(run(clear(0, 4), 7).asks).toBe(true);
  expect(run(clear(0, 5), 7).asks).toBe(false);
  expect(run([...clear(0, 3), look(5)], 7).asks).toBe(false);
});

test('the last week before release is without a missed look', () => {
  const late = [...clear(0, 24), ...clear(26, 28)];
  expect(run(late, 29)).toMatchObject({ clockDay: 28, status: 'running', releaseDay: day(33) });
  expect(run([...late, ...clear(29, 32)], 32).status).toBe('running');
  expect(run([...late, ...clear(29, 32)], 33).status).toBe('complete');
  expect(run([...clear(0, 20), ...clear(22, 28)], 29)).toMatchObject({
    status: 'complete',
    releaseDay: day(29),
  });
});

test('full, it still breaks', () =>
  expect(run([...clear(0, 29), look(30, 'sign')], 30).status).toBe('signPresent'));
test('an empty system has no clock', () => expect(run([], 3, { joins: [] }).status).toBe('empty'));
test('today without a look is pending, neither counted nor missed', () => {
  const clock = run(clear(0, 9), 10);
  expect(clock).toMatchObject({ clockDay: 10, missedDays: [], lookedToday: false, releaseDay: day(28) });
  expect(clock.strings[0]?.beads[10]).toEqual({ day: day(10), kind: 'pending', today: true });
});

/** A slow twin that reads the rules day by day, backwards. */
function slowly(kinds: readonly ('none' | 'clear' | 'sign' | 'healed')[], clockDays: number) {
  const today = kinds.length - 1;
  let standing = false;
  let from = 0;
  kinds.forEach((k, d) => {
    if (k === 'sign') standing = true;
    if (k === 'healed' && standing) {
      standing = false;
      from = d;
    }
  });
  if (standing) return { status: 'signPresent', clockDay: 0 };
  const counted = kinds.slice(from).filter((k) => k === 'clear' || k === 'healed').length;
  const before = kinds.slice(from, today);
  const enough = before.filter((k) => k !== 'none').length >= clockDays;
  const week = before.slice(-7).every((k) => k !== 'none');
  return { status: enough && week ? 'complete' : 'running', clockDay: counted };
}
test('any sixty days give what the rules say, read day by day', () => {
  const kinds = fc.array(fc.constantFrom('none', 'clear', 'clear', 'clear', 'clear', 'sign', 'healed'), {
    minLength: 1,
    maxLength: 60,
  });
  fc.assert(
    fc.property(kinds, fc.integer({ min: 7, max: 12 }), (said, clockDays) => {
      const looks = said.flatMap((k, i) => (k === 'none' ? [] : [look(i, k as ClockLook['result'])]));
      const clock = run(looks, said.length - 1, { clockDays });
      const { status, clockDay } = clock;
      expect({ status, clockDay }).toEqual(slowly(said as never, clockDays));
      // The day of release keeps its promise: with a clear look every day from now on it is full then and not before.
      if (clock.releaseDay === null) return;
      const until = daysBetween(START, clock.releaseDay);
      const now = said.length - 1;
      const first = said[now] === 'none' ? now : now + 1;
      const on = (d: number) =>
        run([...looks, ...clear(first, Math.max(first, d) - 1)], d, { clockDays }).status;
      if (until > now) {
        expect(on(until)).toBe('complete');
        expect(on(until - 1)).toBe('running');
      }
    }),
    { seed: 81, numRuns: 300 },
  );
});
