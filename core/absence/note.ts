/** One page for whoever looks after a tank meanwhile: plain words, few numbers, nothing to decide. As data; the words stand in core/words. */
import { feedingOf, openTasks } from '../arrivals';
import {
  aimOf,
  isIn,
  isOpen,
  quarantinesOf,
  type Animal,
  type Display,
  type Document,
  type WaterEvent,
} from '../document';
import type { WaterEvidence } from '../evidence';
import { speciesOf } from '../species';
import { addDays, daysBetween, type LocalTime } from '../time';

export type Away = Extract<WaterEvent, { kind: 'away' }>;

export interface CarerNote {
  water: Display;
  away: Away;
  fromDay: string;
  untilDay: string;
  days: number;
  animals: Animal[];
  /** Dry food a day for all as the absence begins, g; null where no fish lives there. */
  foodG: number | null;
  /** What is normal: between these, stored units. */
  tempC: readonly [number, number];
  /** Quarantines with somebody in them: nobody else's to look after. */
  quarantines: { name: string; bare: boolean }[];
  /** Own tasks that fall into these days, by day. */
  tasks: { day: string; title: string }[];
  hasTopOff: boolean;
  jumpers: boolean;
}

export function carerNote(
  doc: Document,
  water: Display,
  away: Away,
  e: WaterEvidence,
  local: LocalTime,
): CarerNote {
  const fromDay = local.dayOf(Date.parse(away.at));
  const untilDay = local.dayOf(Date.parse(away.until));
  const animals = Object.values(doc.animals).filter((a) => isIn(a, water.id));
  const aim = aimOf(
    Object.values(doc.targets).filter((t) => t.waterId === water.id),
    'temperature',
  );
  return {
    water,
    away,
    fromDay,
    untilDay,
    days: Math.max(1, daysBetween(fromDay, untilDay)),
    animals,
    foodG: feedingOf(e, Math.max(e.nowMs, Date.parse(away.at)))?.nowG ?? null,
    tempC: aim ? [aim.alarmLow, aim.alarmHigh] : [22.5, 27.5],
    quarantines: quarantinesOf(doc, water.id)
      .filter((q) => isOpen(q) && Object.values(doc.animals).some((a) => isIn(a, q.id)))
      .map((q) => ({ name: q.name, bare: q.filter === 'uncycled' })),
    tasks: openTasks(doc, water.id, fromDay)
      .filter((t) => t.day >= fromDay && t.day <= untilDay)
      .map((t) => ({ day: t.day, title: t.title })),
    hasTopOff: Object.values(doc.equipment).some(
      (x) => x.waterId === water.id && x.kind === 'topOff' && x.endedDay === null,
    ),
    jumpers: animals.some((a) => speciesOf(doc, a.speciesId).jumps),
  };
}

/** Days before leaving on which something is done, and what: from a week ahead to the day itself. */
export const BEFORE_LEAVING = [
  { daysBefore: 7, what: 'noNewcomers' },
  { daysBefore: 3, what: 'testAll' },
  { daysBefore: 2, what: 'service' },
  { daysBefore: 1, what: 'change' },
  { daysBefore: 0, what: 'fill' },
] as const;
export type BeforeLeaving = (typeof BEFORE_LEAVING)[number]['what'];

export const leavingDays = (fromDay: string): { day: string; what: BeforeLeaving }[] =>
  BEFORE_LEAVING.map(({ daysBefore, what }) => ({ day: addDays(fromDay, -daysBefore), what }));
