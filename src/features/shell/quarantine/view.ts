/** A quarantine as plain data: its clock, its beads, and both in words. */
import { livingIn, type Animal, type Document, type Quarantine, type Sign } from '../../../../core/document';
import { clockOf, type QuarantineClock } from '../../../../core/quarantine';
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
  pests: 'Pests or eggs',
};

export interface QuarantineView {
  quarantine: Quarantine;
  clock: QuarantineClock;
  animals: Animal[];
  lanes: BeadLane[];
  toCome: number;
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
          : `sign, ${ordinal(s.beads.length)} day`,
  }));
  const open = clock.strings[clock.strings.length - 1];
  const toCome =
    clock.releaseDay && open && open.broken === null
      ? Math.max(0, quarantine.clockDays + clock.addedDays - open.beads.length)
      : 0;
  return { quarantine, clock, animals, lanes, toCome };
}

/** The clock in words. */
export function clockWords(
  view: QuarantineView,
  day: (written: string) => string,
): { title: string; text: string } {
  const { clock } = view;
  switch (clock.status) {
    case 'empty':
      return { title: 'Empty', text: 'The clock starts when animals go in.' };
    case 'signPresent': {
      const last = clock.strings[clock.strings.length - 1]?.broken;
      return {
        title: 'The clock stands still',
        text: `A sign was seen on ${last ? day(last.day) : 'the last look'}. It starts again at day 1 with the next clear look.`,
      };
    }
    case 'complete':
      return { title: `${clock.clockDays} days clear`, text: 'Free to move on, all together.' };
    case 'running': {
      const free = clock.releaseDay ? day(clock.releaseDay) : '';
      const added = clock.addedDays > 0 ? ` ${clock.addedDays} days were added for days nobody looked.` : '';
      return {
        title: `Day ${clock.clockDay} of ${clock.clockDays + clock.addedDays} clear`,
        text: `Free on ${free} if it stays clear.${added}`,
      };
    }
  }
}

/** Reasons of the resets, oldest first. */
export const resetWords = (clock: QuarantineClock, day: (written: string) => string): string[] =>
  clock.strings.flatMap(({ broken }) => {
    if (!broken) return [];
    if (broken.by === 'joined')
      return [`${day(broken.day)}: an animal joined; the clock began again for all.`];
    const signs = broken.signs.map((s) => SIGN_WORDS[s].toLowerCase()).join(', ') || 'a sign';
    return [
      `${day(broken.day)}: ${signs}.${broken.note ? ` ${broken.note}` : ''} The string began again when it was gone.`,
    ];
  });
