/** The quarantine clock. It belongs to the whole system and counts only days on which somebody saw the whole group clear.
 *  - A day keeps its worst look: a sign is never erased by a later one of the same day. A death or a missing animal is a sign.
 *  - A sign breaks the string; the next begins on the day on which all are said to be healed, and an animal that joins begins it again.
 *  - A day nobody looked, or only some were seen, is hollow and does not count; nor does a day under a medicine that may hide signs.
 *  - It is full on the morning after the last day it asks for, once the last week is without a missed look. */
import { addDays } from '../time';
import { QUARANTINE } from './limits';
import type { Sign } from '../document';

export interface ClockLook {
  day: string;
  result: 'clear' | 'sign' | 'healed';
  signs?: readonly Sign[];
  note?: string;
  /** Only some of the group were seen. */
  part?: boolean | undefined;
}

export interface ClockFacts {
  /** Days on which animals joined, any order; the first opens the clock. */
  joins: readonly string[];
  looks: readonly ClockLook[];
  /** Days on which an animal died or was missing. */
  losses: readonly string[];
  /** Does this day lie under a medicine that may hide signs, or is it not to count for another reason? */
  masked: (day: string) => boolean;
  clockDays: number;
  today: string;
}

type BeadKind = 'clear' | 'missed' | 'sign' | 'pending' | 'masked';
export type Bead = { day: string; kind: BeadKind; today: boolean };

export interface BeadString {
  beads: Bead[];
  /** Why the string ends, if it broke. */
  broken: { day: string; by: 'sign' | 'lost' | 'joined'; signs: readonly Sign[]; note: string } | null;
}

export interface Restart {
  day: string;
  /** A newcomer, or all healed after what broke the string on `since`. */
  because: 'joined' | 'healed';
  since: string;
}

export interface QuarantineClock {
  status: 'running' | 'signPresent' | 'complete' | 'empty';
  /** Closed strings oldest first, then the present one. */
  strings: BeadString[];
  /** Clear days counted so far, 0 while a sign lasts. */
  clockDay: number;
  clockDays: number;
  /** Earliest day of release if every day to come is looked at and clear; null while a sign lasts. */
  releaseDay: string | null;
  lookedToday: boolean;
  restarts: Restart[];
  /** Days since the first joined on which nobody looked. */
  missedDays: string[];
  /** The last two days before today were missed: it is asked what happened. */
  asks: boolean;
}

/** What a day amounts to. */
interface Day {
  sign: { by: 'sign' | 'lost'; signs: readonly Sign[]; note: string } | null;
  /** Somebody looked at the whole group. */
  whole: boolean;
  healed: boolean;
  looked: boolean;
}

const NOTHING: Day = { sign: null, whole: false, healed: false, looked: false };

export function quarantineClock(facts: ClockFacts): QuarantineClock {
  const { clockDays, today, masked } = facts;
  const joins = [...new Set(facts.joins)].sort().filter((d) => d <= today);
  const first = joins[0];
  const clock: QuarantineClock = {
    status: 'empty',
    strings: [],
    clockDay: 0,
    clockDays,
    releaseDay: null,
    lookedToday: false,
    restarts: [],
    missedDays: [],
    asks: false,
  };
  if (first === undefined) return clock;
  const days = daysOf(facts);
  let beads: Bead[] = [];
  /** Since when a sign stands. */
  let standing: string | null = null;
  for (let day = first; day <= today; day = addDays(day, 1)) {
    const said = days.get(day) ?? NOTHING;
    const isToday = day === today;
    if (!said.looked && !said.sign && !isToday) clock.missedDays.push(day);
    if (day !== first && joins.includes(day) && standing === null) {
      clock.strings.push({ beads, broken: { day, by: 'joined', signs: [], note: '' } });
      clock.restarts.push({ day, because: 'joined', since: day });
      beads = [];
    }
    if (said.sign) {
      if (standing === null)
        clock.strings.push({
          beads: [...beads, { day, kind: 'sign', today: isToday }],
          broken: { day, ...said.sign },
        });
      beads = [];
      standing ??= day;
      continue;
    }
    if (standing !== null) {
      if (!said.healed) continue;
      clock.restarts.push({ day, because: 'healed', since: standing });
      standing = null;
    }
    beads.push({ day, kind: kindOf(said, isToday, masked(day)), today: isToday });
  }
  clock.lookedToday = days.get(today)?.looked ?? false;
  clock.asks = clock.missedDays.slice(-2).join() === [addDays(today, -2), addDays(today, -1)].join();
  if (standing !== null) return { ...clock, status: 'signPresent' };
  const counted = beads.filter((b) => b.kind === 'clear').map((b) => b.day);
  const releaseDay = releaseOf(beads, counted, facts);
  const full = counted.length >= clockDays && today >= releaseDay;
  return {
    ...clock,
    status: full ? 'complete' : 'running',
    strings: [...clock.strings, { beads, broken: null }],
    clockDay: counted.length,
    releaseDay,
  };
}

function kindOf(said: Day, isToday: boolean, masked: boolean): BeadKind {
  if (!said.whole) return isToday ? 'pending' : 'missed';
  return masked ? 'masked' : 'clear';
}

/** The morning after the last day that is asked for, the days to come looked at and clear; and a week after the last missed look. */
function releaseOf(beads: readonly Bead[], counted: readonly string[], facts: ClockFacts): string {
  const { clockDays, today, masked } = facts;
  const missed = beads.filter((b) => b.kind === 'missed').pop()?.day;
  const afterMissed = missed === undefined ? '' : addDays(missed, QUARANTINE.unbrokenDays + 1);
  const last = counted[clockDays - 1];
  const later = (a: string, b: string) => (a > b ? a : b);
  if (last !== undefined) return later(addDays(last, 1), afterMissed);
  let left = clockDays - counted.length;
  let day = beads[beads.length - 1]?.kind === 'pending' ? today : addDays(today, 1);
  for (let ahead = 0; left > 0 && ahead < QUARANTINE.farthestDays; ahead++) {
    if (!masked(day)) left--;
    day = addDays(day, 1);
  }
  return later(day, afterMissed);
}

/** Looks and losses day by day. */
function daysOf({ looks, losses }: ClockFacts): Map<string, Day> {
  const days = new Map<string, Day>();
  const change = (day: string, next: (d: Day) => Day) => days.set(day, next(days.get(day) ?? NOTHING));
  for (const look of looks) {
    const { result, signs = [], note = '', part = false } = look;
    change(look.day, (d) => ({
      looked: true,
      whole: d.whole || !part,
      healed: d.healed || (result === 'healed' && !part),
      sign:
        result === 'sign'
          ? {
              by: 'sign',
              signs: [...new Set([...(d.sign?.signs ?? []), ...signs])],
              note: [d.sign?.note, note].filter(Boolean).join(' '),
            }
          : d.sign,
    }));
  }
  for (const day of losses)
    change(day, (d) => ({ ...d, sign: d.sign ?? { by: 'lost', signs: [], note: '' } }));
  return days;
}
