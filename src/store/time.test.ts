/** Times as people see them, in whatever zone the machine has. */
import { DAY_MS, MINUTE_MS } from '../../core/time';
import {
  agoWords,
  clockTime,
  dayAndHour,
  fieldTime,
  isoOf,
  localDay,
  localMidnight,
  readFieldTime,
  shortDay,
  shortWrittenDay,
  weekdayHour,
  weekdayShort,
} from './time';

/** Friday, 4 December 2026, ten past nine in the evening where the person is. */
const FRIDAY = new Date(2026, 11, 4, 21, 10).getTime();

test.each([
  [localDay, '2026-12-04'],
  [shortDay, '4 Dec'],
  [dayAndHour, 'Fri 4 Dec, 21:10'],
  [weekdayHour, 'Fri 21:10'],
  [clockTime, '21:10'],
  [weekdayShort, 'Fri 4 Dec'],
  [fieldTime, '2026-12-04T21:10'],
])('%p', (words, said) => expect(words(FRIDAY)).toBe(said));

test('a written day, a moment in UTC, and the midnight before', () => {
  expect(shortWrittenDay('2026-12-04')).toBe('4 Dec');
  expect(isoOf(Date.UTC(2026, 11, 4, 20, 10))).toBe('2026-12-04T20:10:00.000Z');
  expect(localMidnight(FRIDAY)).toBe(new Date(2026, 11, 4).getTime());
  expect(localMidnight(localMidnight(FRIDAY))).toBe(localMidnight(FRIDAY));
});
test('a field reads back what it was given, and nothing else', () => {
  expect(readFieldTime(fieldTime(FRIDAY))).toBe(FRIDAY);
  for (const none of ['', '2026-12-04', '2026-13-04T21:10', '2026-02-30T10:00', 'soon'])
    expect(readFieldTime(none)).toBeNull();
});
test.each([
  ['the same day', new Date(2026, 11, 4, 0, 1), '00:01'],
  ['the day before', new Date(2026, 11, 3, 23, 59), 'yesterday'],
  ['two days before', new Date(2026, 11, 2, 22, 0), 'Wednesday'],
  ['just under six days', new Date(FRIDAY - 6 * DAY_MS + MINUTE_MS), 'Saturday'],
  ['six days', new Date(FRIDAY - 6 * DAY_MS), '28 Nov'],
])('%s: %p is %s', (_what, then, said) => expect(agoWords(then.getTime(), FRIDAY)).toBe(said));
