/** The stock screens as plain data. */
import {
  type Animal,
  type Document,
  type Place,
  type Quarantine,
  type Sign,
  currentPlace,
} from '../../../core/document';
import { quarantineClock, quarantineJoinDays, type QuarantineClock } from '../../../core/quarantine';
import type { TankEvidence } from '../../../core/evidence';
import { speciesById } from '../../../core/species';
import { daysBetween, DAY_MS } from '../../../core/time';
import {
  capacityAt,
  displayLoadAt,
  groupLoadMgN,
  loadStair,
  provedCapacity,
  type Capacity,
  type StairStep,
} from '../../../core/stocking';
import { type BeadLane } from '../../ui/charts/BeadLanes';

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

export const PLACE_WORDS: Record<Place, string> = {
  wish: 'Wished',
  quarantine: 'In quarantine',
  display: 'In the display',
  gone: 'Gone',
};

/** "2 × Banggai cardinalfish". */
export const animalWords = (a: Animal): string =>
  `${a.count > 1 ? `${a.count} × ` : ''}${speciesById(a.speciesId).common}`;

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
  today: string,
  dayOfMs: (ms: number) => string,
): QuarantineView {
  const all = Object.values(doc.animals);
  const animals = all.filter((a) => a.quarantineId === quarantine.id && currentPlace(a).to === 'quarantine');
  const looks = Object.values(doc.looks).filter((l) => l.quarantineId === quarantine.id);
  const joins = animals.length > 0 || looks.length > 0 ? quarantineJoinDays(quarantine, all, dayOfMs) : [];
  const clock = quarantineClock(joins, looks, quarantine.clockDays, quarantine.closedDay ?? today);
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
    case 'running':
      return {
        title: `Day ${clock.clockDay} of ${clock.clockDays + clock.addedDays} clear`,
        text: `Free on ${clock.releaseDay ? day(clock.releaseDay) : ''} if it stays clear.${clock.addedDays > 0 ? ` ${clock.addedDays} days were added for days nobody looked.` : ''}`,
      };
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

export interface StairView {
  capacity: Capacity | null;
  loadMgN: number;
  roomMgN: number | null;
  steps: StairStep[];
  ceiling: { atMs: number; mgN: number }[];
  fromMs: number;
  toMs: number;
}

/** Stair and ceiling from the first animal or proof to two months ahead. */
export function stairView(e: TankEvidence, animals: readonly Animal[], today: string): StairView {
  const capacity = provedCapacity(e);
  const toMs = e.nowMs + 45 * DAY_MS;
  const planned = (a: Animal) =>
    a.plannedDay === null ? null : e.nowMs + daysBetween(today, a.plannedDay) * DAY_MS;
  const latest = Math.max(
    toMs,
    ...animals.map((a) => (currentPlace(a).to === 'display' ? 0 : (planned(a) ?? 0) + 7 * DAY_MS)),
  );
  const steps = loadStair(e, animals, planned, latest);
  const fromMs =
    Math.min(e.nowMs - 10 * DAY_MS, capacity?.provedMs ?? Infinity, ...steps.map((s) => s.fromMs)) - DAY_MS;
  const ceiling: { atMs: number; mgN: number }[] = [];
  if (capacity) {
    for (let t = capacity.provedMs; t < e.nowMs; t += DAY_MS)
      ceiling.push({ atMs: t, mgN: capacityAt(capacity.nearZeroProvedMgN, capacity.provedMs, e, t) });
    ceiling.push({ atMs: e.nowMs, mgN: capacity.nearZeroNowMgN });
    // Ahead it is drawn level: it fades unfed and grows with feeding, and nobody has proved either yet.
    ceiling.push({ atMs: latest, mgN: capacity.nearZeroNowMgN });
  }
  const loadMgN = displayLoadAt(e, e.nowMs);
  return {
    capacity,
    loadMgN,
    roomMgN: capacity ? capacity.nearZeroNowMgN - loadMgN : null,
    steps,
    ceiling,
    fromMs,
    toMs: latest,
  };
}

/** Where it is now first, then by name. */
export function byPlace(animals: readonly Animal[], place: Place): Animal[] {
  return animals
    .filter((a) => currentPlace(a).to === place)
    .sort((a, b) => (speciesById(a.speciesId).common < speciesById(b.speciesId).common ? -1 : 1));
}

/** The animal after a move; quarantine only while it is there, a plan only until it is in. */
export function moved(
  animal: Animal,
  to: Place,
  at: string,
  why: string,
  quarantineId: string | null,
): Animal {
  const last = animal.moves[animal.moves.length - 1];
  return {
    ...animal,
    moves: [...animal.moves, { to, at: last && last.at > at ? last.at : at, why }],
    quarantineId: to === 'quarantine' ? quarantineId : animal.quarantineId,
    plannedDay: to === 'display' || to === 'gone' ? null : animal.plannedDay,
  };
}

export const loadWords = (a: Animal): string => `${groupLoadMgN(a).toFixed(1)} mg N a day`;
