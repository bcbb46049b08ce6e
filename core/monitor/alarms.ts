/** What a device's hours say that needs an eye: a fast rise, a value that never moves, silence, and a hand test that says otherwise. A device closes
 *  no gate: it can only make somebody test. */
import { FREE_AMMONIA } from '../seawater';
import { HOUR_MS } from '../time';
import { MONITOR } from './limits';
import type { MonitorDay } from '../document';
import { hoursOf, MONITORED, type Monitored } from './readings';

export type MonitorAlarm =
  | { kind: 'high'; what: Monitored; value: number; limit: number }
  | { kind: 'rise'; what: Monitored; by: number; hours: number }
  | { kind: 'stuck'; what: Monitored; value: number; hours: number }
  | { kind: 'silent'; sinceMs: number }
  | { kind: 'missing'; what: Monitored; sinceMs: number }
  | { kind: 'disagrees'; what: Monitored; device: number; hand: number };

/** From here on it is high. */
const HIGH: Partial<Record<Monitored, number>> = {
  freeAmmonia: FREE_AMMONIA.act,
  totalAmmonia: MONITOR.totalHigh,
};
/** A rise within some hours that is fast for it. */
const FAST: Partial<Record<Monitored, number>> = {
  freeAmmonia: 0.02,
  totalAmmonia: 0.3,
  temperature: 1,
  salinity: 1,
  ph: 0.4,
};
/** How far a device and a hand test may lie apart. */
const APART: Partial<Record<Monitored, number>> = {
  freeAmmonia: 0.02,
  totalAmmonia: 0.3,
  temperature: 1,
  salinity: 1.2,
  ph: 0.3,
};

/** @param days of one device: the last three, and the newest of each quantity, however old
 *  @param hand the newest trusted hand reading of each, where there is one
 *  @param animalsIn then total ammonia, too, is high from a level on; without animals it may be dosed */
export function monitorAlarms(
  days: readonly MonitorDay[],
  hand: Partial<Record<Monitored, { atMs: number; value: number }>>,
  nowMs: number,
  animalsIn: boolean,
): MonitorAlarm[] {
  const alarms: MonitorAlarm[] = [];
  const ends: { what: Monitored; atMs: number }[] = [];
  const isSilent = (atMs: number) => nowMs - atMs > MONITOR.silentHours * HOUR_MS;
  for (const what of MONITORED) {
    const hours = hoursOf(days, what).filter((x) => x.atMs <= nowMs);
    const last = hours[hours.length - 1];
    if (!last) continue;
    ends.push({ what, atMs: last.atMs + HOUR_MS });
    // What is old is told as silence, not as water.
    if (isSilent(last.atMs + HOUR_MS)) continue;
    const limit = what === 'totalAmmonia' && !animalsIn ? undefined : HIGH[what];
    if (limit !== undefined && last.hour.high >= limit)
      alarms.push({ kind: 'high', what, value: last.hour.high, limit });
    const before = hours.filter((x) => last.atMs - x.atMs <= MONITOR.riseHours * HOUR_MS);
    const least = Math.min(...before.map((x) => x.hour.low));
    if (last.hour.high - least > (FAST[what] ?? Infinity))
      alarms.push({ kind: 'rise', what, by: last.hour.high - least, hours: MONITOR.riseHours });
    const long = hours.filter((x) => last.atMs - x.atMs < MONITOR.stuckHours * HOUR_MS);
    if (
      what !== 'level' &&
      what !== 'freeAmmonia' &&
      long.length >= MONITOR.stuckHours - 2 &&
      long.every((x) => x.hour.low === last.hour.low && x.hour.high === last.hour.low)
    )
      alarms.push({ kind: 'stuck', what, value: last.hour.low, hours: MONITOR.stuckHours });
    const by = hand[what];
    const near = by && hours.find((x) => Math.abs(x.atMs + HOUR_MS / 2 - by.atMs) <= 2 * HOUR_MS);
    if (by && near && Math.abs(near.hour.mean - by.value) > (APART[what] ?? Infinity))
      alarms.push({ kind: 'disagrees', what, device: near.hour.mean, hand: by.value });
  }
  const newest = Math.max(...ends.map((end) => end.atMs));
  if (ends.length > 0 && isSilent(newest)) return [{ kind: 'silent', sinceMs: newest }];
  const missing = ends
    .filter((end) => isSilent(end.atMs))
    .map((end): MonitorAlarm => ({ kind: 'missing', what: end.what, sinceMs: end.atMs }));
  return [...alarms.filter((a) => a.kind === 'high'), ...missing, ...alarms.filter((a) => a.kind !== 'high')];
}

/** Is the device held against a hand test freshly enough to be believed? */
export const isChecked = (handAtMs: number | undefined, nowMs: number): boolean =>
  handAtMs !== undefined && nowMs - handAtMs <= MONITOR.checkedDays * 24 * HOUR_MS;
