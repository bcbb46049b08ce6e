/** The diary of a skimmer that breaks in. */
import type { Equipment, Foam } from '../document';
import { daysBetween } from '../time';

/** What there is to do about how it foams. */
export type BreakInAdvice =
  /** Nothing written yet. */
  | 'look'
  /** No foam, and that is usual now. */
  | 'wait'
  /** No foam when it should. */
  | 'search'
  | 'lower'
  | 'flooding'
  | 'keep';

export interface BreakIn {
  /** Days since it went in, and how many are usual. */
  day: number;
  of: number;
  over: boolean;
  last: { day: string; is: Foam; cup: string } | null;
  advice: BreakInAdvice;
}

/** Null for what is no skimmer, or is out of use. @param today written day where the person is */
export function breakIn(part: Equipment, today: string): BreakIn | null {
  if (part.kind !== 'skimmer' || part.endedDay !== null) return null;
  const day = Math.max(0, daysBetween(part.sinceDay, today));
  const over = day >= part.breakInDays;
  const last = (part.foam ?? []).reduce<BreakIn['last']>((a, b) => (a && a.day > b.day ? a : b), null);
  return { day, of: part.breakInDays, over, last, advice: adviceFor(last?.is ?? null, over) };
}

function adviceFor(is: Foam | null, over: boolean): BreakInAdvice {
  switch (is) {
    case null:
      return 'look';
    case 'none':
      return over ? 'search' : 'wait';
    case 'wet':
      return 'lower';
    case 'flood':
      return 'flooding';
    case 'right':
      return 'keep';
  }
}
