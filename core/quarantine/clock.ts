/** The quarantine clock. It belongs to the whole system: it counts days without any sign in any animal, stops at a sign,
 *  starts again at day one when the next look is clear, and starts again when an animal joins.
 *  A day nobody looked counts as passed but stays visible; too many of them (over one in four) and as many days are added,
 *  since "no sign seen" needs someone to have looked. */
import { addDays, daysBetween } from '../time';
import { QUARANTINE } from './limits';
import {
  lastRun,
  waterOf,
  type Animal,
  type Document,
  type Look,
  type Quarantine,
  type Sign,
} from '../document';

export type Bead = { day: string; kind: 'clear' | 'missed' | 'sign' | 'pending'; today: boolean };

export interface BeadString {
  beads: Bead[];
  /** Why the string ends, if it broke. */
  broken: { day: string; by: 'sign' | 'joined'; signs: Sign[]; note: string } | null;
}

export interface QuarantineClock {
  status: 'running' | 'signPresent' | 'complete' | 'empty';
  /** Closed strings oldest first, then the present one. */
  strings: BeadString[];
  /** Which day of the clock it is today, 0 while a sign lasts. */
  clockDay: number;
  clockDays: number;
  /** Days added for days nobody looked. */
  addedDays: number;
  /** Earliest day of release if it stays clear; null while a sign lasts. */
  releaseDay: string | null;
  lookedToday: boolean;
}

/** @param joinDays days on which animals joined, any order; the first opens the clock.
 *  @param looks looks of this system; the last of a day counts, a sign outweighs a clear on the same day. */
export function quarantineClock(
  joinDays: readonly string[],
  looks: readonly Look[],
  clockDays: number,
  today: string,
): QuarantineClock {
  const joins = [...new Set(joinDays)].sort().filter((d) => d <= today);
  const first = joins[0];
  if (first === undefined)
    return {
      status: 'empty',
      strings: [],
      clockDay: 0,
      clockDays,
      addedDays: 0,
      releaseDay: null,
      lookedToday: false,
    };
  const byDay = new Map<string, Look>();
  for (const look of looks) {
    const present = byDay.get(look.day);
    if (!present || present.result === 'clear') byDay.set(look.day, look);
  }
  const strings: BeadString[] = [];
  let beads: Bead[] = [];
  let inSign = false;
  for (let day = first; day <= today; day = addDays(day, 1)) {
    const look = byDay.get(day);
    if (day !== first && joins.includes(day) && beads.length > 0 && !inSign) {
      strings.push({ beads, broken: { day, by: 'joined', signs: [], note: '' } });
      beads = [];
    }
    if (look?.result === 'sign') {
      if (!inSign || beads.length > 0) {
        strings.push({
          beads: [...beads, { day, kind: 'sign', today: day === today }],
          broken: { day, by: 'sign', signs: look.signs, note: look.note },
        });
      }
      beads = [];
      inSign = true;
      continue;
    }
    if (inSign && look?.result !== 'clear') continue;
    inSign = false;
    if (day === today && !look) beads.push({ day, kind: 'pending', today: true });
    else beads.push({ day, kind: look ? 'clear' : 'missed', today: day === today });
  }
  const lookedToday = byDay.has(today);
  if (inSign)
    return {
      status: 'signPresent',
      strings,
      clockDay: 0,
      clockDays,
      addedDays: 0,
      releaseDay: null,
      lookedToday,
    };
  const start = beads[0]?.day ?? today;
  const missed = beads.filter((b) => b.kind === 'missed').length;
  const addedDays = Math.max(0, missed - Math.floor(clockDays * QUARANTINE.missedShare));
  const releaseDay = addDays(start, clockDays + addedDays);
  const clockDay = daysBetween(start, today) + 1;
  // Free the morning after the last clear day, and only after a look on that day or the one before.
  const lately = byDay.get(today)?.result === 'clear' || byDay.get(addDays(today, -1))?.result === 'clear';
  const status = today >= releaseDay && lately ? 'complete' : 'running';
  return {
    status,
    strings: [...strings, { beads, broken: null }],
    clockDay,
    clockDays,
    addedDays,
    releaseDay,
    lookedToday,
  };
}

/** Days on which animals joined a quarantine in its present time in use: every move of one of them into it. */
export function quarantineJoinDays(
  quarantine: Quarantine,
  animals: readonly Animal[],
  dayOfMs: (ms: number) => string,
): string[] {
  const { openedDay } = lastRun(quarantine);
  return animals
    .flatMap((a) => a.moves.filter((m) => waterOf(m.to) === quarantine.id))
    .map((m) => dayOfMs(Date.parse(m.at)))
    .filter((day) => day >= openedDay);
}

/** The clock of a quarantine as the document has it; one that is closed stands where it stood. @param dayOfMs calendar day of a time where
 *  the person is */
export function clockOf(
  doc: Document,
  quarantine: Quarantine,
  nowMs: number,
  dayOfMs: (ms: number) => string,
): QuarantineClock {
  const joins = quarantineJoinDays(quarantine, Object.values(doc.animals), dayOfMs);
  const looks = Object.values(doc.looks).filter((l) => l.waterId === quarantine.id);
  const today = lastRun(quarantine).closedDay ?? dayOfMs(nowMs);
  return quarantineClock(joins, looks, quarantine.clockDays, today);
}
