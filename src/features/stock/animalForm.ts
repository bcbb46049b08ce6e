/** The small forms about an animal: how many, looked at, on loan, gone. From texts to what they say, or to faults. */
import { MAX_NAME, type Tank } from '../../../core/document';
import { isDay } from '../../../core/time';
import { readEntry, type Entry } from '../../../core/units';

/** Animals in one purchase: more is a slip of the finger. */
const MOST = 200;

export interface PurchaseTexts {
  count: string;
  /** Shares by the identity of the other tanks. */
  split: Record<string, string>;
}
export interface Purchase {
  /** For this tank, and for each other tank that gets any. */
  left: number;
  given: { tankId: string; count: number }[];
}
/** Faults by the name of the field: `count`, `left` (nothing stays here), `split.<tank>`. */
export type PurchaseFaults = Partial<Record<string, string>>;

/** How many in one purchase. */
export const readCount = (text: string): Entry =>
  readEntry(text, { name: 'How many', unit: null, min: 1, max: MOST, whole: true });

/** How many in one purchase, and how they are split over tanks. @param others the person's other tanks */
export function readPurchase(
  t: PurchaseTexts,
  others: readonly Pick<Tank, 'id' | 'name'>[],
): { ok: true; purchase: Purchase } | { ok: false; faults: PurchaseFaults } {
  const faults: PurchaseFaults = {};
  const count = readCount(t.count);
  if (!count.ok) return { ok: false, faults: { count: count.message } };
  const given: Purchase['given'] = [];
  for (const tank of count.value > 1 ? others : []) {
    const entry = readEntry(t.split[tank.id] ?? '', {
      name: `What goes to ${tank.name}`,
      unit: null,
      min: 0,
      max: MOST,
      whole: true,
      whenEmpty: 0,
    });
    if (!entry.ok) faults[`split.${tank.id}`] = entry.message;
    else if (entry.value > 0) given.push({ tankId: tank.id, count: entry.value });
  }
  const left = count.value - given.reduce((sum, g) => sum + g.count, 0);
  if (left < 1) faults.left = 'At least one must stay for this tank.';
  return Object.keys(faults).length > 0 ? { ok: false, faults } : { ok: true, purchase: { left, given } };
}

/** How many of a group are set aside at the look on arrival. @param count animals in the group */
export function readSetAside(
  t: { aside: string },
  count: number,
): { ok: true; setAside: number } | { ok: false; faults: { aside: string } } {
  const entry = readEntry(t.aside, { name: 'Set aside', unit: null, min: 0, max: count, whole: true });
  return entry.ok ? { ok: true, setAside: entry.value } : { ok: false, faults: { aside: entry.message } };
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

/** Why an animal is gone; may be left empty. */
export function readWhy(t: {
  why: string;
}): { ok: true; why: string } | { ok: false; faults: { why: string } } {
  return t.why.length > 2000
    ? { ok: false, faults: { why: 'The note is too long: 2000 characters is the most.' } }
    : { ok: true, why: t.why };
}
