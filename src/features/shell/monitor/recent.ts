/** A device's last days, and the hand tests that stand beside it. */
import type { Monitor, MonitorDay } from '../../../../core/document';
import { lastOf, trusted, type WaterEvidence } from '../../../../core/evidence';
import { BY_HAND, dayId, MONITOR, MONITORED, type Monitored } from '../../../../core/monitor';
import { DAY_MS, HOUR_MS } from '../../../../core/time';

/** The devices of a water that may ask for an eye: the paired one, and each that was disconnected so lately that its last hours still
 *  speak of the water. What a table brought counts as disconnected after its last reading. */
export const devicesOf = (
  monitors: Readonly<Record<string, Monitor>>,
  waterId: string,
  nowMs: number,
): Monitor[] =>
  Object.values(monitors).filter(
    (m) =>
      m.waterId === waterId &&
      (m.revokedAt === null || nowMs - Date.parse(m.revokedAt) < MONITOR.silentHours * HOUR_MS),
  );

/** Looked for once for each state of the log. */
const NEWEST = new WeakMap<object, Map<string, Map<Monitored, MonitorDay>>>();

/** The newest day of each quantity that a device ever sent. */
export function newestDays(
  all: Readonly<Record<string, MonitorDay>>,
  monitorId: string,
): ReadonlyMap<Monitored, MonitorDay> {
  let devices = NEWEST.get(all);
  if (!devices) {
    devices = new Map();
    for (const id in all) {
      const day = all[id];
      if (!day) continue;
      let newest = devices.get(day.monitorId);
      if (!newest) devices.set(day.monitorId, (newest = new Map()));
      const before = newest.get(day.what);
      if (!before || before.day < day.day) newest.set(day.what, day);
    }
    NEWEST.set(all, devices);
  }
  return devices.get(monitorId) ?? new Map();
}

/** Years of them stand in the log. What is said is of the last three days (and of a clock a day ahead), which are found by their names, and of the
 *  newest of each quantity, however old: what fell silent is not forgotten. */
export function recentDays(
  all: Readonly<Record<string, MonitorDay>>,
  monitorId: string,
  nowMs: number,
): MonitorDay[] {
  const days = new Set(newestDays(all, monitorId).values());
  for (const back of [3, 2, 1, 0, -1])
    for (const what of MONITORED) {
      const day = all[dayId(monitorId, what, nowMs - back * DAY_MS)];
      if (day) days.add(day);
    }
  return [...days];
}

/** The newest trusted hand reading of what a device shows, too. */
export function handOf(e: WaterEvidence): Partial<Record<Monitored, { atMs: number; value: number }>> {
  return Object.fromEntries(
    MONITORED.flatMap((what) => {
      const parameter = BY_HAND[what];
      const point = parameter && lastOf(trusted(e.series[parameter]));
      return point ? [[what, { atMs: point.atMs, value: point.interval.mid }]] : [];
    }),
  );
}
