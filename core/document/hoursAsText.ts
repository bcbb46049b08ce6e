/** From version 11 on: the hours of a device's day are one text. */
import type { Entry } from './entry';
import { hoursText, type MonitorHour } from './hours';

/** What is not of the older form is left for the check to name. */
export const hoursAsText = (entries: readonly Entry[]): Entry[] =>
  entries.map((entry) => {
    if (entry.collection !== 'monitorDays') return entry;
    const { hours } = (entry.entity ?? {}) as { hours?: unknown };
    return Array.isArray(hours) && hours.every(isHour)
      ? { ...entry, entity: { ...(entry.entity as object), hours: hoursText(hours) } }
      : entry;
  });

const isHour = (hour: unknown): hour is MonitorHour | null =>
  hour === null ||
  (typeof hour === 'object' &&
    Object.keys(hour).length === 4 &&
    ['n', 'mean', 'low', 'high'].every((k) => typeof (hour as Record<string, unknown>)[k] === 'number'));
