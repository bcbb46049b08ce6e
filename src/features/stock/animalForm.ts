/** The small forms about an animal: how many, looked at, on loan, gone. From texts to what they say, or to faults. */
import { tallyOf, type Found, type OneFound, type Tally } from '../../../core/arrivals';
import { MAX_NAME, MAX_NOTE, type GoneReason, type Water } from '../../../core/document';
import { isDay } from '../../../core/time';
import { readEntry, type Entry } from '../../../core/units';

/** Animals in one purchase: more is a slip of the finger. */
const MOST = 200;

export interface PurchaseTexts {
  count: string;
  /** Shares by the identity of the other tanks. */
  split: Record<string, string>;
  /** In the person's unit; empty for shop size. */
  length: string;
  /** The day it joined, where that was not today. */
  since: string;
  /** Why it goes in against what speaks against it. */
  why: string;
}
export interface Purchase {
  why: string;
  lengthCm: number | null;
  since: string | null;
  /** For this tank, and for each other tank that gets any. */
  left: number;
  given: { waterId: string; count: number }[];
}
/** Faults by the name of the field: `count`, `length`, `since`, `left` (nothing stays here), `split.<tank>`. */
export type PurchaseFaults = Partial<Record<string, string>>;

/** How many in one purchase. */
export const readCount = (text: string): Entry =>
  readEntry(text, { name: 'How many', unit: null, min: 1, max: MOST, whole: true });

/** How many in one purchase, and how they are split over tanks. @param others the person's other tanks */
export function readPurchase(
  t: PurchaseTexts,
  others: readonly Pick<Water, 'id' | 'name'>[],
  { lengthUnit, today }: { lengthUnit: string; today: string },
): { ok: true; purchase: Purchase } | { ok: false; faults: PurchaseFaults } {
  const faults: PurchaseFaults = {};
  const count = readCount(t.count);
  if (!count.ok) return { ok: false, faults: { count: count.message } };
  const length = readEntry(t.length, {
    name: 'Length',
    unit: lengthUnit,
    min: 0.2,
    max: 100,
    whenEmpty: 0,
  });
  if (!length.ok) faults.length = length.message;
  if (t.since !== '' && !isDay(t.since)) faults.since = 'Choose a day, or leave it empty for today.';
  else if (t.since > today) faults.since = 'That lies in the future. Wish for it, and plan its day.';
  const given: Purchase['given'] = [];
  for (const water of count.value > 1 ? others : []) {
    const entry = readEntry(t.split[water.id] ?? '', {
      name: `What goes to ${water.name}`,
      unit: null,
      min: 0,
      max: MOST,
      whole: true,
      whenEmpty: 0,
    });
    if (!entry.ok) faults[`split.${water.id}`] = entry.message;
    else if (entry.value > 0) given.push({ waterId: water.id, count: entry.value });
  }
  const left = count.value - given.reduce((sum, g) => sum + g.count, 0);
  if (left < 1) faults.left = 'At least one must stay for this tank.';
  if (Object.keys(faults).length > 0) return { ok: false, faults };
  const lengthCm = length.ok && length.value > 0 ? length.value : null;
  return {
    ok: true,
    purchase: { left, given, lengthCm, since: t.since === '' ? null : t.since, why: t.why },
  };
}

export interface TallyTexts {
  aside: string;
  dead: string;
  found: Found[];
  /** Each by itself, where they are looked at one by one; empty for a tally. */
  each: OneFound[];
}

/** What the look on arrival found, counted. @param count animals in the group */
export function readTally(
  t: TallyTexts,
  count: number,
): { ok: true; tally: Tally } | { ok: false; faults: Partial<Record<'aside' | 'dead', string>> } {
  if (t.each.length > 0) return { ok: true, tally: tallyOf(t.each) };
  const number = (text: string, name: string) =>
    readEntry(text, { name, unit: null, min: 0, max: count, whole: true, whenEmpty: 0 });
  const aside = number(t.aside, 'Set aside');
  const dead = number(t.dead, 'Dead on arrival');
  const faults = {
    ...(aside.ok ? {} : { aside: aside.message }),
    ...(dead.ok ? {} : { dead: dead.message }),
  };
  if (!aside.ok || !dead.ok) return { ok: false, faults };
  if (aside.value + dead.value > count)
    return { ok: false, faults: { aside: `Set aside and dead are more than the ${count} that came.` } };
  return { ok: true, tally: { setAside: aside.value, dead: dead.value, found: t.found } };
}

interface LoanTexts {
  loanFrom: string;
  loanDue: string;
}

/** Whose it is and when it goes back. */
export function readLoan(
  t: LoanTexts,
): { ok: true; loan: { from: string; dueDay: string } } | { ok: false; faults: Partial<LoanTexts> } {
  const faults: Partial<LoanTexts> = {};
  const from = t.loanFrom.trim();
  if (from === '' || from.length > MAX_NAME)
    faults.loanFrom = `Say whose it is, in ${MAX_NAME} characters at most.`;
  if (!isDay(t.loanDue)) faults.loanDue = 'Choose the day it goes back.';
  if (faults.loanFrom ?? faults.loanDue) return { ok: false, faults };
  return { ok: true, loan: { from, dueDay: t.loanDue } };
}

/** How many of a group a move is about; all of them where nothing else is said. */
function readPart(count: string, whole: number): Entry {
  return readEntry(count, {
    name: 'How many',
    unit: null,
    min: 1,
    max: whole,
    whole: true,
    whenEmpty: whole,
  });
}

export interface MoveTexts {
  count: string;
  /** The water it goes to; empty until one is chosen. */
  to: string;
  why: string;
}
interface Leaving {
  count: number;
  why: string;
}

/** Some or all of a group into another water. @param whole animals in the group */
export function readMove(
  t: MoveTexts,
  whole: number,
): { ok: true; move: Leaving & { to: string } } | { ok: false; faults: Partial<MoveTexts> } {
  const read = readLeaving(t, whole);
  const faults: Partial<MoveTexts> = read.ok ? {} : { ...read.faults };
  if (t.to === '') faults.to = 'Choose the water it goes to.';
  return read.ok && t.to !== '' ? { ok: true, move: { ...read.leaving, to: t.to } } : { ok: false, faults };
}

export interface GoneTexts {
  count: string;
  /** Empty until it is said. */
  reason: GoneReason | '';
  why: string;
}

type GoneFaults = Partial<Record<keyof GoneTexts, string>>;

/** Some or all of a group gone, with the reason. @param whole animals in the group */
export function readGone(
  t: GoneTexts,
  whole: number,
): { ok: true; gone: Leaving & { reason: GoneReason } } | { ok: false; faults: GoneFaults } {
  const read = readLeaving(t, whole);
  const faults: GoneFaults = read.ok ? {} : { ...read.faults };
  if (t.reason === '') faults.reason = 'Say what happened.';
  return read.ok && t.reason !== ''
    ? { ok: true, gone: { ...read.leaving, reason: t.reason } }
    : { ok: false, faults };
}

function readLeaving(
  t: { count: string; why: string },
  whole: number,
): { ok: true; leaving: Leaving } | { ok: false; faults: { count?: string; why?: string } } {
  const count = readPart(t.count, whole);
  const faults: { count?: string; why?: string } = {};
  if (!count.ok) faults.count = count.message;
  if (t.why.length > MAX_NOTE) faults.why = `The note is too long: ${MAX_NOTE} characters is the most.`;
  return count.ok && faults.why === undefined
    ? { ok: true, leaving: { count: count.value, why: t.why } }
    : { ok: false, faults };
}
