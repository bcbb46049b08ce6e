/** Readings of a table that come as often as only a device reads: by the hour, as those of a paired device are kept. */
import {
  hoursFrom,
  hoursText,
  type Document,
  type Monitor,
  type MonitorDay,
  type MonitorHour,
  type Parameter,
} from '../document';
import { folded, MONITOR, monitoredAs, type Monitored, type MonitorReading } from '../monitor';

/** Counts how often in a day each thing was read. */
export class HowOften {
  private readonly byDay = new Map<string, number>();
  private readonly daysOf = new Map<string, number>();
  /** Anything is read as often as only a device reads. */
  isADevice = false;

  add(waterId: string, parameter: Parameter, at: string): void {
    if (!monitoredAs(parameter)) return;
    const thing = `${waterId} ${parameter}`;
    const day = `${thing} ${at.slice(0, 10)}`;
    const count = (this.byDay.get(day) ?? 0) + 1;
    this.byDay.set(day, count);
    if (count !== MONITOR.oftenInADay) return;
    const days = (this.daysOf.get(thing) ?? 0) + 1;
    this.daysOf.set(thing, days);
    if (days >= MONITOR.oftenDays) this.isADevice = true;
  }
}

export interface DeviceRead {
  /** The devices and their days that are not in the log as they are here. */
  monitors: Monitor[];
  days: MonitorDay[];
  /** Readings in those days that the log has not, and those that it has. */
  readings: number;
  duplicates: number;
  /** Hours that the log has with other values; they stay as they are. */
  otherHours: number;
}

/** What a device read, on its way to hours. */
export class DeviceHours {
  private readonly byWater = new Map<string, MonitorReading[]>();
  private readonly seen = new Map<string, number>();
  private repeated = 0;

  /** @param value in stored units: mg N/L, degrees C, practical salinity
   *  @returns false where it is nothing that a device shows here */
  take(waterId: string, parameter: Parameter, at: string, value: number): boolean {
    const what = monitoredAs(parameter);
    if (!what) return false;
    const key = `${waterId} ${what} ${at}`;
    if (this.seen.get(key) === value) this.repeated++;
    else this.put(waterId, what, at, value);
    this.seen.set(key, value);
    return true;
  }

  private put(waterId: string, what: Monitored, at: string, value: number): void {
    const here = this.byWater.get(waterId) ?? [];
    this.byWater.set(waterId, here);
    here.push({ seq: here.length, device: '', atMs: Date.parse(at), what, value });
  }

  /** A device for each water, the same for the same columns, so that a longer table of it goes on where the last ended and the same again changes
   *  nothing. It sends nothing itself: it counts as one that was disconnected after its last reading.
   *  @param idFor an id for a text, the same each time */
  end(doc: Pick<Document, 'monitors' | 'monitorDays'>, idFor: (text: string) => string): DeviceRead {
    const read: DeviceRead = {
      monitors: [],
      days: [],
      readings: 0,
      duplicates: this.repeated,
      otherHours: 0,
    };
    for (const [waterId, readings] of this.byWater) {
      const id = idFor(waterId);
      const mine = folded(readings, { id, waterId }, () => undefined);
      let isNew = false;
      for (const day of mine) {
        const { hours, added, stood, other } = joined(day, doc.monitorDays[day.id]);
        read.otherHours += other;
        read.readings += added;
        read.duplicates += stood;
        if (added === 0) continue;
        isNew = true;
        read.days.push({ ...day, hours });
      }
      if (isNew) read.monitors.push(deviceOf(id, waterId, readings, doc.monitors[id]));
    }
    return read;
  }
}

function deviceOf(
  id: string,
  waterId: string,
  readings: readonly MonitorReading[],
  before: Monitor | undefined,
): Monitor {
  let first = before ? Date.parse(before.pairedAt) : Infinity;
  let last = before?.revokedAt ? Date.parse(before.revokedAt) : -Infinity;
  for (const { atMs } of readings) {
    first = Math.min(first, atMs);
    last = Math.max(last, atMs);
  }
  return {
    id,
    waterId,
    name: before?.name ?? 'A device, from a table',
    pairedAt: new Date(first).toISOString(),
    revokedAt: new Date(last).toISOString(),
  };
}

/** A day of the table over the day that stands: of each hour the one with more readings, so that an hour cut off at the end of one table
 *  is made whole by the next. */
function joined(
  day: MonitorDay,
  standing: MonitorDay | undefined,
): { hours: string; added: number; stood: number; other: number } {
  const before = standing ? hoursFrom(standing.hours) : [];
  let added = 0;
  let stood = 0;
  let other = 0;
  const hours = hoursFrom(day.hours).map((hour, h) => {
    const old = before[h] ?? null;
    if (!hour) return old;
    if (old && old.n >= hour.n) {
      stood += hour.n;
      if (old.n === hour.n && !isSame(old, hour)) other++;
      return old;
    }
    added += hour.n - (old?.n ?? 0);
    stood += old?.n ?? 0;
    return hour;
  });
  return { hours: hoursText(hours), added, stood, other };
}

const isSame = (a: MonitorHour, b: MonitorHour): boolean =>
  a.mean === b.mean && a.low === b.low && a.high === b.high;
