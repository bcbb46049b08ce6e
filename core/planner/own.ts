/** What of a plan is the person's own: bought or set, whatever else is planned. */
import { type Calendar } from './calendar';
import { capacityOf, type Line, type Problem, type QuarantineWater, type Step, type Wish } from './problem';

const BITS = 32;

export interface Own {
  /** A bit for each wish, of the first 32. */
  mask: number;
  batches: number;
  /** By wish the first day, counted from today, on which it can be released; 0 for all that is not bought or set. */
  days: readonly number[];
  /** Lines of which something is bought and still to be released, or may be joined. */
  lines: readonly Line[];
  /** What others may be bought into. */
  joins: readonly Join[];
}

/** A batch that others may join: its line, what it has room for, mg N a day, and the month in which it is bought. */
export interface Join {
  line: Line;
  room: number;
  month: number;
}

/** What was bought and is still to be released. */
interface Begun {
  quarantine: number;
  boughtOn: number | null;
  loadMgN: number;
}

/** By wish the first and the last day between the steps that are set, by the order of cleaners and fish and of temperaments (R7). */
export function betweenSet(p: Problem, set: readonly Step[]): { from: number; to: number }[] {
  return p.wishes.map((w) => {
    let [from, to] = [-Infinity, Infinity];
    const kind = kindOf(w);
    for (const { wish, release } of set) {
      const other = kindOf(p.wishes[wish] as Wish);
      if (kind === NEITHER || other === NEITHER || kind === other) continue;
      // Cleaners come on another day than fish.
      const apart = kind === CLEANER || other === CLEANER ? 1 : 0;
      if (other < kind) from = Math.max(from, release + apart);
      else to = Math.min(to, release - apart);
    }
    return { from, to };
  });
}

/** Cleaners come before fish, and of these the gentler no later than the fiercer. */
const CLEANER = -1;
const NEITHER = -2;
const kindOf = (w: Wish): number =>
  w.line === 'fish' ? (w.temperament ?? 0) : w.line === 'invertebrate' && w.crew ? CLEANER : NEITHER;

/** May others be bought into what is bought for a quarantine on a day? */
export const mayJoin = (p: Problem, calendar: Calendar, quarantine: number, buy: number): boolean =>
  buy >= p.today &&
  calendar.lastBuyUpTo(buy) === buy &&
  !p.fixed.some((f) => f.closed === true && f.quarantine === quarantine && f.buy === buy);

/** Does anything of the same purchase stay where it is, so that nobody follows the rest? */
export const hasMate = (open: readonly Begun[], b: Begun): boolean =>
  open.some((o) => o !== b && o.quarantine === b.quarantine && o.boughtOn === b.boughtOn);

/** @param set steps whose days are both set
 *  @param open batches bought and still to be released
 *  @param least by wish its earliest release by itself */
export function ownOf(
  p: Problem,
  calendar: Calendar,
  set: readonly Step[],
  open: readonly Begun[],
  least: readonly (number | null)[],
): Own {
  const days = p.wishes.map(() => 0);
  let mask = 0;
  for (const { wish, release } of p.fixed) {
    mask |= wish < BITS ? 1 << wish : 0;
    days[wish] = (release ?? Math.max(p.today, least[wish] ?? p.today)) - p.today;
  }
  const loads = new Map<string, { quarantine: number; buy: number; loadMgN: number }>();
  for (const { wish, quarantine, buy } of set) {
    const key = `${quarantine} ${buy}`;
    const { loadMgN } = loads.get(key) ?? { loadMgN: 0 };
    loads.set(key, { quarantine, buy, loadMgN: loadMgN + (p.wishes[wish] as Wish).loadMgN });
  }
  const begun = [
    ...loads.values(),
    ...open
      .filter((b) => !hasMate(open, b))
      .map((b) => ({ quarantine: b.quarantine, buy: b.boughtOn as number, loadMgN: b.loadMgN })),
  ];
  const joins = begun
    .filter((b) => mayJoin(p, calendar, b.quarantine, b.buy))
    .map((b) => {
      const q = p.quarantines[b.quarantine] as QuarantineWater;
      return { line: q.line, room: capacityOf(q) - b.loadMgN, month: calendar.monthAt(b.buy) };
    });
  const lineOf = (b: Begun) => (p.quarantines[b.quarantine] as QuarantineWater).line;
  return {
    mask,
    batches: new Set(p.fixed.map((f) => `${f.quarantine} ${f.buy}`)).size,
    days,
    lines: [...new Set([...open.map(lineOf), ...joins.map((join) => join.line)])],
    joins,
  };
}
