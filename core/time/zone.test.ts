import { isClockTime, isZone, momentIn } from './zone';

const at = (zone: string, text: string): string => {
  const [year, month, day, hour, minute] = text.split(/[- :]/).map(Number) as [
    number,
    number,
    number,
    number,
    number,
  ];
  return new Date(momentIn(zone, { year, month, day, hour, minute, second: 0 })).toISOString();
};

test.each([
  ['UTC', '2026-03-29 02:30', '2026-03-29T02:30:00.000Z'],
  ['Europe/Berlin', '2026-01-15 12:00', '2026-01-15T11:00:00.000Z'],
  ['Europe/Berlin', '2026-07-15 12:00', '2026-07-15T10:00:00.000Z'],
  // Clocks go from 2 to 3: half past two never comes, and is taken as half past three.
  ['Europe/Berlin', '2026-03-29 02:30', '2026-03-29T01:30:00.000Z'],
  ['Europe/Berlin', '2026-03-29 03:30', '2026-03-29T01:30:00.000Z'],
  // They go from 3 back to 2: half past two comes twice, and is the first.
  ['Europe/Berlin', '2026-10-25 02:30', '2026-10-25T00:30:00.000Z'],
  ['Europe/Berlin', '2026-10-25 03:30', '2026-10-25T02:30:00.000Z'],
  ['America/Los_Angeles', '2026-11-01 01:30', '2026-11-01T08:30:00.000Z'],
  ['Asia/Kolkata', '2026-02-28 00:10', '2026-02-27T18:40:00.000Z'],
  ['Pacific/Apia', '2011-12-31 08:00', '2011-12-30T18:00:00.000Z'],
])('in %s %s is %s', (zone, text, moment) => expect(at(zone, text)).toBe(moment));

test('a zone nobody knows is none', () => {
  expect(isZone('Europe/Lisbon')).toBe(true);
  expect(isZone('Europe/Atlantis')).toBe(false);
});
test('29 February is a day every fourth year', () => {
  const day = (year: number, month: number, d: number, hour = 0) =>
    isClockTime({ year, month, day: d, hour, minute: 0, second: 0 });
  expect([day(2028, 2, 29), day(2026, 2, 29), day(2100, 2, 29), day(2000, 2, 29)]).toEqual([
    true,
    false,
    false,
    true,
  ]);
  expect([day(2026, 4, 31), day(2026, 13, 1), day(2026, 1, 1, 24)]).toEqual([false, false, false]);
});
