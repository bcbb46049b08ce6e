/** A device's last days, and the hand tests that stand beside it. */
import type { Document, Monitor, MonitorDay } from '../../../../core/document';
import { lastOf, trusted, type WaterEvidence } from '../../../../core/evidence';
import { dayId, MONITORED, type Monitored } from '../../../../core/monitor';
import { DAY_MS } from '../../../../core/time';

/** The paired device of a water; undefined where there is none. */
export const deviceOf = (doc: Pick<Document, 'monitors'>, waterId: string): Monitor | undefined =>
  Object.values(doc.monitors).find((m) => m.revokedAt === null && m.waterId === waterId);

/** Years of them stand in the log; what is said is of the last three days (and of a clock a day ahead), which are found by their names. */
export function recentDays(
  all: Readonly<Record<string, MonitorDay>>,
  monitorId: string,
  nowMs: number,
): MonitorDay[] {
  return [3, 2, 1, 0, -1].flatMap((back) =>
    MONITORED.flatMap((what) => all[dayId(monitorId, what, nowMs - back * DAY_MS)] ?? []),
  );
}

/** The newest trusted hand reading of what a device shows, too. */
export function handOf(e: WaterEvidence): Partial<Record<Monitored, { atMs: number; value: number }>> {
  const of = (p: 'freeAmmonia' | 'ammonia' | 'ph' | 'temperature' | 'salinity') => {
    const point = lastOf(trusted(e.series[p]));
    return point ? { atMs: point.atMs, value: point.interval.mid } : undefined;
  };
  const all = {
    freeAmmonia: of('freeAmmonia'),
    totalAmmonia: of('ammonia'),
    ph: of('ph'),
    temperature: of('temperature'),
    salinity: of('salinity'),
  };
  return Object.fromEntries(Object.entries(all).filter(([, v]) => v !== undefined));
}
