/** What a plan became since it was last made, and why: one cause, the first that explains it. */
import type { SaidPlan } from '../document';
import { daysBetween } from '../time';
import type { StockingPlan } from './plan';

export type Cause =
  | { kind: 'gate'; from: string | null; to: string | null }
  | { kind: 'wished'; ids: string[] }
  | { kind: 'noLonger'; ids: string[] }
  | { kind: 'away' }
  | { kind: 'fallow' }
  | { kind: 'clock'; ids: string[] }
  | { kind: 'choice' }
  | { kind: 'other' };

export interface Changed {
  sinceDay: string;
  /** The step that moved most: days later, or sooner where below 0. */
  most: { wishId: string; days: number } | null;
  moved: number;
  cause: Cause;
}

type Now = Pick<StockingPlan, 'steps' | 'leftOut'> &
  Pick<SaidPlan, 'which' | 'gate' | 'coralGate' | 'away'> & {
    today: string;
    /** The display stands without fish after an outbreak. */
    isFallow?: boolean | undefined;
  };

/** @param before the plan as it was kept; @param sinceDay the day it was made
 *  @returns null where no date moved and nobody came or went */
export function changedSince(before: SaidPlan, now: Now, sinceDay: string): Changed | null {
  const was = new Map(before.steps.map((s) => [s.animalId, s]));
  const moves = now.steps.flatMap((s) => {
    const days = daysBetween(was.get(s.wishId)?.releaseDay ?? s.releaseDay, s.releaseDay);
    return days === 0 ? [] : [{ wishId: s.wishId, days }];
  });
  const known = new Set([...before.steps.map((s) => s.animalId), ...before.leftOut]);
  const here = new Set([...now.steps.map((s) => s.wishId), ...now.leftOut.map((l) => l.wishId)]);
  const wished = [...here].filter((id) => !known.has(id));
  const noLonger = [...known].filter((id) => !here.has(id));
  const [most] = [...moves].sort((a, b) => Math.abs(b.days) - Math.abs(a.days));
  if (!most && wished.length === 0 && noLonger.length === 0) return null;
  return {
    sinceDay,
    most: most ?? null,
    moved: moves.length,
    cause: causeOf(before, now, { wished, noLonger }),
  };
}

function causeOf(
  before: SaidPlan,
  now: Now,
  { wished, noLonger }: { wished: string[]; noLonger: string[] },
): Cause {
  if (before.which !== now.which) return { kind: 'choice' };
  if (from(now.today, before.gate) !== from(now.today, now.gate))
    return { kind: 'gate', from: before.gate, to: now.gate };
  // Reckoned from a gate that is open it goes with the days.
  if (
    from(now.today, before.coralGate) !== from(now.today, now.coralGate) &&
    afterGate(before) !== afterGate(now)
  )
    return { kind: 'gate', from: before.coralGate, to: now.coralGate };
  if (wished.length > 0) return { kind: 'wished', ids: wished };
  if (noLonger.length > 0) return { kind: 'noLonger', ids: noLonger };
  if (ahead(now.today, before.away) !== ahead(now.today, now.away)) return { kind: 'away' };
  if (now.isFallow) return { kind: 'fallow' };
  // Whoever was bought before the plan and is later now: its clock began again.
  const clock = now.steps.filter((s) => {
    const was = before.steps.find((b) => b.animalId === s.wishId);
    return was && was.buyDay < before.at.slice(0, 10) && s.releaseDay > was.releaseDay;
  });
  return clock.length > 0 ? { kind: 'clock', ids: clock.map((s) => s.wishId) } : { kind: 'other' };
}

/** Days from the gate to that of corals; null where there is no day for one of them. */
const afterGate = ({ gate, coralGate }: Pick<SaidPlan, 'gate' | 'coralGate'>): number | null =>
  gate === null || coralGate === null ? null : daysBetween(gate, coralGate);

/** A day as it counts from a day on: what was open already stays so, though each day has another. */
const from = (today: string, day: string | null): string | null =>
  day !== null && day < today ? today : day;

/** What is left of absences, to be compared. */
const ahead = (today: string, away: SaidPlan['away']): string =>
  away
    .filter(([, last]) => last >= today)
    .map(([first, last]) => `${from(today, first)} ${last}`)
    .join();
