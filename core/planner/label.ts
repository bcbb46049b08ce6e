/** Partial plans of a search, what they are made of and what is told of them. */
export const NONE = -(1 << 30);

/** Neither is so large that a browser keeps it as a fraction: those are slower to reckon with. */
export const LATE = (1 << 30) - 1;

/** What a bit can stand for. */
export const BITS = 32;
export const bitOf = (wish: number): number => (wish < BITS ? 1 << wish : 0);

/** How good a plan is, worst last: wishes placed by level, then last release, batches, sum of release days (each the less the better). */
export interface Worth {
  placed: number[];
  last: number;
  batches: number;
  sum: number;
}

/** One batch of an event: who, where, and the month of its purchase where that matters. */
export interface Batch {
  quarantine: number;
  /** Cleaners, or its line: as in Until of calendar.ts. */
  line: number;
  wishes: number[];
  /** A bit for each of them, and for each that may not be with one of them; of wishes from 32 on none. */
  mask: number;
  enemies: number;
  loadMgN: number;
  price: number;
  heavy: boolean;
  /** The latest of the days from which each may be released, and the earliest of those up to which. */
  least: number;
  latest: number;
  crew: boolean;
  fish: boolean;
  /** Of fish one wish of few: where it is asked, only such may be the first. */
  few: boolean;
  /** The gentlest and the fiercest fish in it. */
  gentlest: number;
  fiercest: number;
  /** Is it what the person bought, nobody beside it? */
  isOwn: boolean;
  /** Bought already on this day, and the day it is to be released where that is set. */
  boughtOn: number | null;
  releasedOn: number | null;
}

/** One way of having paid. */
export interface Paid {
  /** By month. */
  spent: readonly number[];
  /** Of the last event's batches the month each is bought in; null where it does not matter. */
  months: readonly (number | null)[];
  /** And all the months each could be bought in; empty where only one was tried. */
  open: readonly (readonly number[])[];
  before: Paid | null;
  /** By month, the most that those to come could cost for what is left. */
  useful: readonly number[];
}

/** A batch that is to be paid for in one month, the first in which it could be bought, and its line or that it is of cleaners, as in Until of calendar.ts. */
export interface ToBuy {
  mask: number;
  price: number;
  from: number;
  line: number;
  /** The quarantine it waits for, or ANY_QUARANTINE of its line, or NO_QUARANTINE where it joins what is there. */
  quarantine: number;
}

export const ANY_QUARANTINE = -1;

export const NO_QUARANTINE = -2;

/** What is to be paid for. */
export interface Bill {
  /** By month the price of all that could be bought in it or later only. */
  begun: readonly number[];
  /** By batch, in the order of masks. */
  buys: readonly ToBuy[];
}

/** A way before it is known who is to come after it. */
export type Paying = Omit<Paid, 'useful'>;

export interface Label {
  placed: boolean[];
  key: number | string;
  /** A bit for each that is placed, of the first 32. */
  mask: number;
  day: number;
  firstHeavy: number;
  lastHeavy: number;
  crewLast: number;
  /** The first day on which a fish of each temperament entered. */
  fishFirst: [number, number, number];
  /** By quarantine, the first day on which may be bought again. */
  free: number[];
  /** Loads that entered, in order: days and running sums. */
  days: number[];
  sums: number[];
  /** Every way of having paid that may still matter; one without a budget. */
  ways: readonly Paid[];
  /** By month what those to come could still spend in it; empty without a budget. */
  wanted: readonly number[];
  /** By the end of each month the most that is left, cumulated; empty without a budget. */
  leftBy: readonly number[];
  /** But where every way of paying is known: what is to be paid for, and where money is only a matter of months what other partial plans that it stands
   *  for would have to pay for (bills.ts). */
  bills: readonly Bill[];
  worth: Worth;
  parent: Label | null;
  /** What enters on its day. */
  batches: readonly Batch[];
  /** What was told of it, measured by a plan (bounds.ts). */
  told: { best: Worth; hope: Told | null } | null;
  /** When those to come could enter, once it is told (soonest.ts). */
  entering: Entering | null;
}

/** Who could still be placed after a label, and who of them is. */
export interface Case {
  left: readonly number[];
  sure: readonly number[];
}

/** When those to come could enter after a label, in a case of who they are. */
export interface Entering {
  of: Case;
  /** By quarantine, the first day on which it could release. */
  outs: readonly number[];
  /** By wish, the day from which it can enter. */
  from: readonly number[];
}

/** What may become of a label: who could still be placed, and those of them whom every plan has that places the most. */
export interface Prospect extends Case {
  /** The most that could be placed, by level. */
  most: readonly number[];
  /** Of two that may not meet one is lost: in every plan that places the most, one of these is so. */
  cases: readonly Case[];
}

/** What a plan that places the most cannot better. */
export interface Hope {
  last: number;
  batches: number;
  sum: number;
}

/** The same while the sum still lacks the days of those who are sure in a case; null where it is whole. */
export interface Told extends Hope {
  of: Case | null;
}

/** All labels on the way to one, itself the last and the first of all left out. */
export function pastOf(label: Label): Label[] {
  const past: Label[] = [];
  for (let l = label; l.parent; l = l.parent) past.unshift(l);
  return past;
}

/** The first of all. */
export function rootOf(label: Label): Label {
  let root = label;
  while (root.parent) root = root.parent;
  return root;
}

/** Who is placed, as a key: by bits where there are enough. */
export const keyOf = (placed: readonly boolean[], mask: number): number | string =>
  placed.length <= BITS ? mask : placed.map((x) => (x ? '1' : '0')).join('');

/** Below zero where a is better. */
export function compareWorth(a: Worth, b: Worth): number {
  for (let i = 0; i < a.placed.length; i++) {
    const more = (b.placed[i] as number) - (a.placed[i] as number);
    if (more !== 0) return more;
  }
  return a.last - b.last || a.batches - b.batches || a.sum - b.sum;
}
