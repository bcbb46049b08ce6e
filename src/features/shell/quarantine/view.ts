/** A quarantine as plain data: its clock, its beads, and both in words. */
import { membersOf, ofTheStay, standingTank, type Finding } from '../../../../core/company';
import {
  livingIn,
  type Animal,
  type Document,
  type Quarantine,
  type QuarantineLine,
  type Sign,
} from '../../../../core/document';
import { clockOf, homeFallowOf, type Fallow, type QuarantineClock } from '../../../../core/quarantine';
import type { BeadLane } from '../../../ui/charts/BeadLanes';

export const SIGN_WORDS: Record<Sign, string> = {
  spots: 'Spots',
  fastBreathing: 'Fast breathing',
  scratching: 'Scratching',
  notEating: 'Not eating',
  clampedFins: 'Clamped fins',
  cloudyEyes: 'Cloudy eyes',
  sores: 'Sores',
  hiding: 'Hiding',
  pests: 'Pests',
  eggs: 'Eggs',
  slime: 'Slime',
  recession: 'Tissue recedes',
  notOpening: 'Does not open',
  notMoving: 'Does not move',
  overturned: 'Lies on its back',
};

/** The signs that fit a line. */
export const SIGNS_OF: Record<QuarantineLine, readonly Sign[]> = {
  fish: [
    'spots',
    'fastBreathing',
    'scratching',
    'notEating',
    'clampedFins',
    'cloudyEyes',
    'sores',
    'hiding',
    'pests',
  ],
  invertebrate: ['notMoving', 'overturned', 'notEating', 'sores', 'pests', 'eggs', 'slime'],
  coral: ['pests', 'eggs', 'slime', 'recession', 'notOpening'],
  anemone: ['notOpening', 'notMoving', 'notEating', 'recession', 'slime', 'pests', 'eggs'],
};

export interface QuarantineView {
  quarantine: Quarantine;
  clock: QuarantineClock;
  animals: Animal[];
  /** Who of them cannot be together for weeks. */
  together: Finding[];
  lanes: BeadLane[];
  toCome: number;
  /** The display its fish go back to, or are meant for, stands without fish. */
  fallow: Fallow | null;
}

const ordinal = (n: number): string =>
  `${n}${n % 100 >= 11 && n % 100 <= 13 ? 'th' : (['th', 'st', 'nd', 'rd'][n % 10] ?? 'th')}`;

/** A quarantine system with its clock and bead lanes. */
export function quarantineView(
  doc: Document,
  quarantine: Quarantine,
  nowMs: number,
  dayOfMs: (ms: number) => string,
): QuarantineView {
  const animals = livingIn(doc, quarantine.id);
  const clock = clockOf(doc, quarantine, nowMs, dayOfMs);
  const lanes = clock.strings.map((s): BeadLane => ({
    beads: s.beads,
    brokenBy:
      s.broken === null
        ? null
        : s.broken.by === 'joined'
          ? 'newcomer: again from day 1'
          : `${s.broken.by === 'lost' ? 'a loss' : 'sign'}, ${ordinal(s.beads.length)} day`,
  }));
  const open = clock.strings[clock.strings.length - 1];
  const toCome =
    clock.releaseDay && open && open.broken === null
      ? Math.max(0, quarantine.clockDays - clock.clockDay - (clock.lookedToday ? 0 : 1))
      : 0;
  const together = ofTheStay(standingTank(quarantine, dayOfMs(nowMs)), membersOf(doc, quarantine));
  const fallow = homeFallowOf(doc, quarantine, nowMs, dayOfMs);
  return { quarantine, clock, animals, together, lanes, toCome, fallow };
}

/** The clock in words. */
export function clockWords(
  view: QuarantineView,
  day: (written: string) => string,
): { title: string; text: string } {
  const { clock, fallow } = view;
  switch (clock.status) {
    case 'empty':
      return { title: 'Empty', text: 'The clock starts when animals go in.' };
    case 'signPresent': {
      const last = clock.strings[clock.strings.length - 1]?.broken;
      return {
        title: 'The clock stands still',
        text: `${last?.by === 'lost' ? 'One died or was missing' : 'A sign was seen'} on ${last ? day(last.day) : 'the last look'}. It starts again at day 1 once all are seen healed.`,
      };
    }
    case 'complete':
      return {
        title: `${clock.clockDays} days clear`,
        text: fallow ? fallowWords(fallow, day) : 'Free to move on, all together.',
      };
    case 'running': {
      const free = clock.releaseDay ? day(clock.releaseDay) : '';
      const waits = fallow && (fallow.overDay ?? '9999') > (clock.releaseDay ?? '') ? fallow : null;
      return {
        title: `${clock.clockDay} of ${clock.clockDays} days clear`,
        text: waits
          ? `Its clock is full on ${free} if every day is looked at and clear. ${fallowWords(waits, day)}`
          : `Free on ${free} if every day is looked at and clear.`,
      };
    }
  }
}

/** Why fish wait for their display, whatever their own clock says. */
export const fallowWords = ({ overDay }: Fallow, day: (written: string) => string): string =>
  overDay === null
    ? 'An outbreak is logged in their display, and fish are still in it: nobody goes back before it has lain fallow.'
    : `Their display lies fallow until ${day(overDay)}: no fish goes in before.`;

/** Reasons of the resets, oldest first. */
export const resetWords = (clock: QuarantineClock, day: (written: string) => string): string[] =>
  clock.strings.flatMap(({ broken }) => {
    if (!broken) return [];
    if (broken.by === 'joined')
      return [`${day(broken.day)}: an animal joined; the clock began again for all.`];
    if (broken.by === 'lost') return [`${day(broken.day)}: one died or was missing, which counts as a sign.`];
    const signs = broken.signs.map((s) => SIGN_WORDS[s].toLowerCase()).join(', ') || 'a sign';
    return [
      `${day(broken.day)}: ${signs}.${broken.note ? ` ${broken.note}` : ''} The string begins again once all are healed.`,
    ];
  });
