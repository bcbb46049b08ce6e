/** What the equipment asks for: services due, break-in, loans, and money. Days are written calendar days. */
import { addDays, daysBetween } from '../time';
import type { Equipment } from '../document';

export interface Due {
  equipmentId: string;
  name: string;
  kind: 'service' | 'loanBack';
  day: string;
  /** Positive when late. */
  lateDays: number;
}

/** The day a part is next to be served; null when it has no interval or is gone. */
export function nextService(e: Equipment): string | null {
  if (e.serviceEveryDays === null || e.endedDay !== null) return null;
  const last = e.services.reduce((day, s) => (s.day > day ? s.day : day), e.sinceDay);
  return addDays(last, e.serviceEveryDays);
}

/** Services and returns due by today, the latest first. */
export function dueUpkeep(equipment: readonly Equipment[], today: string): Due[] {
  const due: Due[] = [];
  for (const e of equipment) {
    const service = nextService(e);
    if (service !== null && service <= today)
      due.push({
        equipmentId: e.id,
        name: e.name,
        kind: 'service',
        day: service,
        lateDays: daysBetween(service, today),
      });
    if (e.loan && e.loan.returnedDay === null && e.loan.dueDay <= today)
      due.push({
        equipmentId: e.id,
        name: e.name,
        kind: 'loanBack',
        day: e.loan.dueDay,
        lateDays: daysBetween(e.loan.dueDay, today),
      });
  }
  return due.sort((a, b) => b.lateDays - a.lateDays);
}

/** True while a part is still breaking in: a poor skimmer in its first week is no fault. */
export const breakingIn = (e: Equipment, today: string): boolean =>
  e.endedDay === null && daysBetween(e.sinceDay, today) < e.breakInDays;

/** What was spent, and what a month costs: stated running costs plus current at a price. */
export function money(
  equipment: readonly Equipment[],
  pricePerKWh: number,
): { spent: number; perMonth: number; watts: number } {
  const running = equipment.filter((e) => e.endedDay === null);
  const watts = running.reduce((s, e) => s + (e.watts ?? 0), 0);
  return {
    spent: equipment.reduce((s, e) => s + (e.price ?? 0), 0),
    perMonth: running.reduce((s, e) => s + (e.monthly ?? 0), 0) + ((watts * 24 * 30) / 1000) * pricePerKWh,
    watts,
  };
}
