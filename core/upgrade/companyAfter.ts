/** Who would live together in the new glass, and who may not: the same engine of company as at every other door. */
import { companyOf, membersOf, standingTank, type Finding, type Tank } from '../company';
import type { Display, Document } from '../document';

export interface CompanyAfter {
  /** What may not be there: worst first. */
  no: Finding[];
  /** Animals, by their groups' counts, that may not live there though nothing like it is said of the old tank. */
  barred: number;
}

/** @param to the new tank, or the water that one not entered yet holds, L; @param today the person's calendar day */
export function companyAfter(
  doc: Document,
  from: Display,
  to: Display | number,
  today: string,
): CompanyAfter {
  const moving = membersOf(doc, from).filter((m) => m.stage === 'here');
  const standing = typeof to === 'number' ? [] : membersOf(doc, to).filter((m) => m.stage === 'here');
  const glass: Tank =
    typeof to === 'number'
      ? // Of one that nobody entered only the water is known; a lid is asked for on the day.
        { ...standingTank(from, today), glassL: to, lengthCm: null, hasLid: true, sandKg: null, rockKg: null }
      : standingTank(to, today);
  const no = companyOf(glass, [...moving, ...standing]).filter((f) => f.severity === 'no');
  const old = standingTank(from, today);
  // What was too small for some before is no excuse for a smaller one.
  const isSmaller = glass.glassL < old.glassL || (glass.lengthCm ?? Infinity) < (old.lengthCm ?? 0);
  const known = new Set(
    companyOf(old, moving)
      .filter(
        ({ says: { code } }) => !(isSmaller && (code === 'tooLargeForTank' || code === 'tooLongForTank')),
      )
      .map(keyOf),
  );
  const isBarred = new Set(no.filter((f) => !known.has(keyOf(f))).flatMap((f) => f.ids));
  return { no, barred: moving.reduce((sum, m) => sum + (isBarred.has(m.id) ? m.count : 0), 0) };
}

const keyOf = ({ says, ids }: Finding): string => `${says.code} ${ids.join()}`;
