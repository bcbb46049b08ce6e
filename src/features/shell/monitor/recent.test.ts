import type { Monitor, MonitorDay } from '../../../../core/document';
import { dayId, type Monitored } from '../../../../core/monitor';
import { DAY_MS, HOUR_MS } from '../../../../core/time';
import { devicesOf, newestDays, recentDays } from './recent';

const NOW = Date.UTC(2026, 4, 20, 18);
const log = (...of: [monitorId: string, what: Monitored, daysAgo: number][]): Record<string, MonitorDay> =>
  Object.fromEntries(
    of.map(([monitorId, what, ago]) => {
      const id = dayId(monitorId, what, NOW - ago * DAY_MS);
      return [id, { id, monitorId, waterId: 't', what, day: id.slice(-10), hours: ';'.repeat(23) }];
    }),
  );
const ids = (days: readonly MonitorDay[]) => days.map((d) => d.id).sort();

test('the last three days, a clock a day ahead, and the newest of what fell silent', () => {
  const all = log(
    ['dev', 'temperature', -1],
    ['dev', 'temperature', 0],
    ['dev', 'temperature', 3],
    ['dev', 'temperature', 4],
    ['dev', 'freeAmmonia', 40],
    ['dev', 'freeAmmonia', 41],
    ['other', 'ph', 0],
  );
  expect(ids(recentDays(all, 'dev', NOW))).toEqual(
    ids(
      Object.values(
        log(
          ['dev', 'temperature', -1],
          ['dev', 'temperature', 0],
          ['dev', 'temperature', 3],
          ['dev', 'freeAmmonia', 40],
        ),
      ),
    ),
  );
  expect([...newestDays(all, 'dev').keys()].sort()).toEqual(['freeAmmonia', 'temperature']);
});

test('a log that goes on is looked through anew; a device that sent nothing has nothing', () => {
  const all = log(['dev', 'ph', 9]);
  expect(ids(recentDays(all, 'dev', NOW))).toEqual([dayId('dev', 'ph', NOW - 9 * DAY_MS)]);
  const more = { ...all, ...log(['dev', 'ph', 8]) };
  expect(ids(recentDays(more, 'dev', NOW))).toEqual([dayId('dev', 'ph', NOW - 8 * DAY_MS)]);
  expect(recentDays(more, 'none', NOW)).toEqual([]);
});

test('the paired device may ask for an eye, and one whose last hours are as fresh as those of one that is not silent', () => {
  const device = (id: string, revokedAgoMs: number | null, waterId = 't'): Monitor => ({
    id,
    waterId,
    name: id,
    pairedAt: new Date(NOW - DAY_MS).toISOString(),
    revokedAt: revokedAgoMs === null ? null : new Date(NOW - revokedAgoMs).toISOString(),
  });
  const all = [
    device('paired', null),
    device('fresh', 3 * HOUR_MS - 1),
    device('old', 3 * HOUR_MS),
    device('elsewhere', null, 'u'),
  ];
  const monitors = Object.fromEntries(all.map((m) => [m.id, m]));
  expect(devicesOf(monitors, 't', NOW).map((m) => m.id)).toEqual(['paired', 'fresh']);
});
