import fc from 'fast-check';
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

/** By the tables alone, asked anew each time. */
function twin(zone: string, t: Parameters<typeof momentIn>[1]): number {
  const format = new Intl.DateTimeFormat('en-US', {
    timeZone: zone,
    hourCycle: 'h23',
    year: 'numeric',
    month: 'numeric',
    day: 'numeric',
    hour: 'numeric',
    minute: 'numeric',
    second: 'numeric',
  });
  const shownAt = (ms: number): number => {
    const part = Object.fromEntries(format.formatToParts(ms).map((p) => [p.type, Number(p.value)]));
    const { year = 0, month = 1, day = 1, hour = 0, minute = 0, second = 0 } = part;
    return Date.UTC(year, month - 1, day, hour, minute, second);
  };
  const DAY = 86_400_000;
  const shown = Date.UTC(t.year, t.month - 1, t.day, t.hour, t.minute, t.second);
  const before = shown - (shownAt(shown - DAY) - (shown - DAY));
  if (shownAt(before) === shown) return before;
  const after = shown - (shownAt(shown + DAY) - (shown + DAY));
  return shownAt(after) === shown ? after : before;
}

test('what is remembered by the day is what the tables say, in every zone and on the days clocks change', () => {
  const zones = Intl.supportedValuesOf('timeZone');
  const year = fc.integer({ min: 1971, max: 2037 });
  const zone = fc.oneof(
    fc.constantFrom(...zones),
    // Half an hour of summer, a day left out, summer time away in Ramadan, three quarters of an hour.
    fc.constantFrom(
      'Australia/Lord_Howe',
      'Pacific/Apia',
      'Africa/Casablanca',
      'Pacific/Chatham',
      'Asia/Gaza',
    ),
  );
  fc.assert(
    fc.property(
      zone,
      year,
      fc.integer({ min: 1, max: 12 }),
      fc.integer({ min: 1, max: 28 }),
      fc.nat(95),
      (z, y, month, first, quarter) => {
        // Days on end, so that what is remembered is used.
        for (let day = first; day < Math.min(first + 3, 29); day++) {
          const [hour, minute] = [Math.floor(quarter / 4), 15 * (quarter % 4)];
          const t = { year: y, month, day, hour, minute, second: 0 };
          expect(momentIn(z, t)).toBe(twin(z, t));
        }
      },
    ),
    { seed: 29, numRuns: 400 },
  );
});
test.each([
  ['Europe/Berlin', 2026, 3, 29],
  ['Europe/Berlin', 2026, 10, 25],
  ['America/New_York', 2026, 11, 1],
  ['Australia/Lord_Howe', 2026, 4, 5],
  ['Pacific/Apia', 2011, 12, 31],
  ['America/Caracas', 2016, 5, 1],
])('every quarter of an hour around %s, %i-%i-%i', (zone, year, month, on) => {
  for (let q = -96; q < 192; q++) {
    const at = new Date(Date.UTC(year, month - 1, on) + q * 900_000);
    const t = {
      year: at.getUTCFullYear(),
      month: at.getUTCMonth() + 1,
      day: at.getUTCDate(),
      hour: at.getUTCHours(),
      minute: at.getUTCMinutes(),
      second: 0,
    };
    expect(momentIn(zone, t)).toBe(twin(zone, t));
  }
});
