/** A device's hours over any span of time, as much of them as a drawing has room for. */
import { hoursFrom, type MonitorDay } from '../document';
import { compared, DAY_MS, HOUR_MS } from '../time';
import type { Monitored } from './readings';

/** What a device showed in a stretch of time: the mean of its readings, the lowest and the highest, stored units. */
export interface Stretch {
  fromMs: number;
  toMs: number;
  /** Readings in it. */
  n: number;
  mean: number;
  low: number;
  high: number;
}

/** A water's days of one quantity in time order; of two devices on one day both. */
export function daysOf(
  all: Readonly<Record<string, MonitorDay>>,
  waterId: string,
  what: Monitored,
): MonitorDay[] {
  const out: MonitorDay[] = [];
  for (const id in all) {
    const day = all[id];
    if (day && day.what === what && day.waterId === waterId) out.push(day);
  }
  return out.sort((a, b) => compared(a.day, b.day));
}

const dayStartMs = (day: MonitorDay): number => Date.parse(day.day);

/** The hours of a day that have readings. */
function stretchesOf(day: MonitorDay): Stretch[] {
  const startMs = dayStartMs(day);
  return hoursFrom(day.hours).flatMap((hour, h) =>
    hour ? [{ ...hour, fromMs: startMs + h * HOUR_MS, toMs: startMs + (h + 1) * HOUR_MS }] : [],
  );
}

/** From the first to the last hour of days in time order; null where they hold none. */
export function spanOf(days: readonly MonitorDay[]): { firstMs: number; lastMs: number } | null {
  const first = days.find((day) => dayStretch(day));
  let end = days.length - 1;
  while (end >= 0 && !dayStretch(days[end] as MonitorDay)) end--;
  const last = days[end];
  if (!first || !last) return null;
  return {
    firstMs: stretchesOf(first)[0]?.fromMs ?? dayStartMs(first),
    lastMs: stretchesOf(last).at(-1)?.toMs ?? dayStartMs(last) + DAY_MS,
  };
}

/** A whole day as one stretch; null without a reading. */
export function dayStretch(day: MonitorDay): Stretch | null {
  const startMs = dayStartMs(day);
  return merged(stretchesOf(day), startMs, startMs + DAY_MS);
}

/** Several stretches as one: each reading weighs the same. */
function merged(parts: readonly Stretch[], fromMs: number, toMs: number): Stretch | null {
  let n = 0;
  let sum = 0;
  let low = Infinity;
  let high = -Infinity;
  for (const part of parts) {
    n += part.n;
    sum += part.mean * part.n;
    low = Math.min(low, part.low);
    high = Math.max(high, part.high);
  }
  return n > 0 ? { fromMs, toMs, n, mean: sum / n, low, high } : null;
}

/** Lengths of the stretches that are drawn below a day. A third or half of one would make a saw of what goes by day and night. */
const STEPS_MS = [1, 2, 3].map((h) => h * HOUR_MS);

/** The shortest stretches of which at most so many lie in a span. */
export function stepFor(spanMs: number, most: number): number {
  const short = STEPS_MS.find((step) => spanMs / step <= most);
  if (short !== undefined) return short;
  let step = DAY_MS;
  while (spanMs / step > most) step *= 2;
  return step;
}

/** The stretches of a span, in time order, those without a reading left out. They begin at whole multiples of their length, so that a moving
 *  window shows the same ones.
 *  @param days of one quantity, in time order
 *  @param wholeDays of each of these days the day as one stretch; undefined where that is not known yet: it is left out of stretches of a day or more
 *  @param most how many there may be */
export function course(
  days: readonly MonitorDay[],
  wholeDays: readonly (Stretch | null | undefined)[],
  fromMs: number,
  toMs: number,
  most: number,
): { stepMs: number; stretches: Stretch[] } {
  const stepMs = stepFor(toMs - fromMs, most);
  const firstMs = Math.floor(fromMs / stepMs) * stepMs;
  const gathered = new Map<number, Stretch[]>();
  for (let i = firstDayAt(days, firstMs); i < days.length; i++) {
    const day = days[i];
    if (!day || dayStartMs(day) > toMs) break;
    const whole = wholeDays[i];
    const parts = stepMs < DAY_MS ? stretchesOf(day) : whole ? [whole] : [];
    for (const part of parts) {
      if (part.toMs <= firstMs || part.fromMs > toMs) continue;
      const cell = Math.floor(part.fromMs / stepMs);
      const there = gathered.get(cell);
      if (there) there.push(part);
      else gathered.set(cell, [part]);
    }
  }
  const stretches = [...gathered]
    .sort(([a], [b]) => a - b)
    .flatMap(([cell, parts]) => merged(parts, cell * stepMs, (cell + 1) * stepMs) ?? []);
  return { stepMs, stretches };
}

/** Index of the first day that ends after a moment, by halving. */
function firstDayAt(days: readonly MonitorDay[], atMs: number): number {
  let low = 0;
  let high = days.length;
  while (low < high) {
    const mid = (low + high) >> 1;
    const day = days[mid];
    if (day && dayStartMs(day) + DAY_MS <= atMs) low = mid + 1;
    else high = mid;
  }
  return low;
}
