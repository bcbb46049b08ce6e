/** The ammonia of a bare quarantine in words, amounts in the person's units. */
import type { BareOutlook } from '../arrivals';
import { FREE_AMMONIA } from '../seawater';
import { PRINTED_PER_N, showQuantity, type UnitPreferences } from '../units';

const asIon = (mgN: number): string => `${(mgN * PRINTED_PER_N.ammonia.ion).toFixed(2)} mg/L NH₄`;
const days = (n: number): string => (n === 1 ? 'every day' : `every ${n} days`);
/** "within 4 hours", "in 2 days". */
const inDays = (n: number): string =>
  n < 1 / 24 ? 'now' : n < 1 ? `in ${Math.max(1, Math.round(n * 24))} hours` : `in ${n.toFixed(1)} days`;

/** What is to be done, worst first. */
export function bareWords(o: BareOutlook, units: UnitPreferences): string[] {
  const { plan } = o;
  const limit = `free ammonia of ${FREE_AMMONIA.longTerm} mg/L NH₃-N, ${asIon(plan.peakMgN)} in all at the pH of fresh water`;
  const brings = `${o.loadMgN.toFixed(1)} mg N a day come from its animals and nothing takes them up.`;
  if (!plan.feasible)
    return [
      `No change holds this: even the whole water every day would not keep to ${limit}. Feed less, use a larger tank, or bring cycled media.`,
      brings,
    ];
  const share = `${Math.round(plan.fraction * 100)} % (${showQuantity('volume', o.litres, units, 0)}) ${days(plan.everyDays)}`;
  const week = `${showQuantity('volume', plan.litresPerWeek ?? 0, units, 0)} and ${showQuantity('mass', plan.saltGramsPerWeek ?? 0, units, 0)} of salt a week`;
  return [
    o.dueDays < 1 / 24
      ? `Change ${showQuantity('volume', o.litres, units, 0)} now.`
      : `The next change of ${showQuantity('volume', o.litres, units, 0)} is due ${inDays(o.dueDays)}.`,
    `${share} hold the ${limit}: ${week}.`,
    `${brings} Without a change the limit is reached ${inDays(o.reachedDays)}.`,
  ];
}

/** A test that is not what was reckoned; null where it is. */
export function departsWords({ departs }: BareOutlook): string | null {
  if (!departs) return null;
  const { kind, expectedMgN, measured } = departs;
  const said = `The last test reads ${asIon(measured.interval.mid)}, ${asIon(expectedMgN)} was reckoned.`;
  return kind === 'more'
    ? `${said} Something rots, or more is fed than is logged: look for it, and change water by the test.`
    : `${said} Bacteria may have settled, a change may not be logged, or a binder hides it from the kit: repeat the test before trusting it.`;
}
