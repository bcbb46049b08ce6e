/** What a device may send, and what becomes of it: hours of a day, each with how many readings it held, their mean and their span. */
import { z } from 'zod';
import { hoursFrom, hoursText, type MonitorDay, type MonitorHour, type Parameter } from '../document';
import { compared, DAY_MS, HOUR_MS } from '../time';

/** Free ammonia and total are different things and bear different names. A device's own pH stands beside them. */
export type Monitored = MonitorDay['what'];
export const MONITORED: readonly Monitored[] = [
  'freeAmmonia',
  'totalAmmonia',
  'ph',
  'temperature',
  'level',
  'salinity',
];

/** What is tested by hand, too, by the name it bears there. */
export const BY_HAND: Partial<Record<Monitored, Parameter>> = {
  freeAmmonia: 'freeAmmonia',
  totalAmmonia: 'ammonia',
  ph: 'ph',
  temperature: 'temperature',
  salinity: 'salinity',
};

/** What a device calls a parameter; undefined where none shows it. */
export const monitoredAs = (parameter: Parameter): Monitored | undefined =>
  MONITORED.find((what) => BY_HAND[what] === parameter);

/** What can be, in stored units: mg N/L, degrees C, percent of the reservoir, practical salinity. */
const POSSIBLE: Record<Monitored, readonly [number, number]> = {
  freeAmmonia: [0, 20],
  totalAmmonia: [0, 50],
  ph: [3, 12],
  temperature: [-2, 50],
  level: [0, 100],
  salinity: [0, 60],
};

const MOST_AT_ONCE = 500;

const reading = z
  .strictObject({
    at: z.iso.datetime({ offset: true }),
    what: z.enum(MONITORED as [Monitored, ...Monitored[]]),
    value: z.number(),
  })
  .refine((r) => r.value >= POSSIBLE[r.what][0] && r.value <= POSSIBLE[r.what][1], {
    error: 'lies outside what can be',
    path: ['value'],
  });
/** One request of a device. */
export const postSchema = z.strictObject({
  device: z.string().regex(/^[A-Za-z0-9][A-Za-z0-9 _-]{0,39}$/),
  readings: z.array(reading).min(1).max(MOST_AT_ONCE),
});

export interface MonitorReading {
  seq: number;
  device: string;
  atMs: number;
  what: Monitored;
  value: number;
}

const dayKey = (atMs: number): string => new Date(atMs).toISOString().slice(0, 10);
/** The name of a device's day of one quantity, by a moment in it. */
export const dayId = (monitorId: string, what: Monitored, atMs: number): string =>
  `${monitorId}-${what}-${dayKey(atMs)}`;
const rounded = (x: number): number => Math.round(x * 1e5) / 1e5;

/** Days with readings folded in; those that did not change are left out. The readings must be new ones: each counts once.
 *  @param standing the day as it stands, undefined where there is none */
export function folded(
  readings: readonly MonitorReading[],
  monitor: { id: string; waterId: string },
  standing: (id: string) => MonitorDay | undefined,
): MonitorDay[] {
  const days = new Map<string, { entity: MonitorDay; hours: (MonitorHour | null)[] }>();
  for (const r of readings) {
    const day = dayKey(r.atMs);
    const id = dayId(monitor.id, r.what, r.atMs);
    let open = days.get(id);
    if (!open) {
      const before = standing(id);
      open = {
        entity: { id, monitorId: monitor.id, waterId: monitor.waterId, what: r.what, day, hours: '' },
        hours: before ? hoursFrom(before.hours) : Array.from({ length: 24 }, () => null),
      };
      days.set(id, open);
    }
    const h = Math.floor((((r.atMs % DAY_MS) + DAY_MS) % DAY_MS) / HOUR_MS);
    const old = open.hours[h] ?? null;
    open.hours[h] = old
      ? {
          n: old.n + 1,
          mean: rounded(old.mean + (r.value - old.mean) / (old.n + 1)),
          low: Math.min(old.low, r.value),
          high: Math.max(old.high, r.value),
        }
      : { n: 1, mean: r.value, low: r.value, high: r.value };
  }
  return [...days.values()].map(({ entity, hours }) => ({ ...entity, hours: hoursText(hours) }));
}

/** Hours of one quantity in time order, gaps left out. */
export function hoursOf(days: readonly MonitorDay[], what: Monitored): { atMs: number; hour: MonitorHour }[] {
  return days
    .filter((d) => d.what === what)
    .sort((a, b) => compared(a.day, b.day))
    .flatMap((d) =>
      hoursFrom(d.hours).flatMap((hour, h) =>
        hour ? [{ atMs: Date.parse(d.day) + h * HOUR_MS, hour }] : [],
      ),
    );
}
