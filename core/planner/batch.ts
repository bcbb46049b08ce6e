/** What is bought, kept in quarantine and released together. */
import { CLEANERS } from './calendar';
import { type Batch, bitOf, LATE, NONE } from './label';
import { isCrew, isHeavy, LINES, type Problem, type Wish } from './problem';

/** As in Until of calendar.ts. */
export const boughtAs = (w: Wish): number => (isCrew(w) ? CLEANERS : LINES.indexOf(w.line));

/** What a batch is made of. */
interface Grouping {
  p: Problem;
  /** By wish its earliest release, null for whoever can never be bought or released, and its latest. */
  least: readonly (number | null)[];
  latest: readonly number[];
  /** By wish those it may not live with. */
  conflicts: readonly (readonly number[])[];
  /** By wish, what is still to be paid for it. */
  prices: readonly number[];
}

/** What was bought together is released together; whoever can never be released is left where it is and keeps no mate in. */
export function openBatches(world: Grouping): Batch[] {
  const { p, least } = world;
  const open = p.fixed.filter((f) => f.release === null);
  const stays = (wish: number) => (least[wish] ?? LATE) > p.today + p.horizonDays;
  const keyOf = (f: (typeof open)[number]) => `${f.quarantine} ${f.buy} ${stays(f.wish)}`;
  const keys = [...new Set(open.map(keyOf))];
  return keys.map((key) => {
    const wishes = open.filter((f) => keyOf(f) === key);
    const [first] = wishes as [(typeof open)[number]];
    const batch = batchOf(
      world,
      first.quarantine,
      wishes.map((f) => f.wish),
      first.buy,
      null,
    );
    // Two of them that may not live together never both go.
    const staying = wishes.some((f) => meets(world, f.wish, batch));
    return { ...batch, isOwn: true, least: staying ? LATE : batch.least };
  });
}

/** Is one that a wish may not live with in a batch? */
const meets = ({ conflicts }: Grouping, wish: number, { wishes }: Batch): boolean =>
  (conflicts[wish] as number[]).some((other) => wishes.includes(other));

export function batchOf(
  world: Grouping,
  quarantine: number,
  wishes: number[],
  boughtOn: number | null,
  releasedOn: number | null,
): Batch {
  const { p, least, latest, conflicts, prices } = world;
  const batch: Batch = {
    quarantine,
    line: LINES.indexOf((p.quarantines[quarantine] as Problem['quarantines'][number]).line),
    wishes,
    mask: 0,
    enemies: 0,
    loadMgN: 0,
    price: 0,
    heavy: false,
    least: NONE,
    latest: LATE,
    crew: false,
    fish: false,
    few: wishes.length === 1 && (p.wishes[wishes[0] as number] as Wish).few === true,
    gentlest: LATE,
    fiercest: NONE,
    isOwn: false,
    boughtOn,
    releasedOn,
  };
  for (const i of wishes) {
    const w = p.wishes[i] as Wish;
    batch.mask |= bitOf(i);
    for (const other of conflicts[i] as number[]) batch.enemies |= bitOf(other);
    batch.loadMgN += w.loadMgN;
    batch.price += prices[i] as number;
    batch.heavy ||= isHeavy(w.loadMgN);
    batch.least = Math.max(batch.least, least[i] ?? LATE);
    batch.latest = Math.min(batch.latest, latest[i] as number);
    batch.crew ||= isCrew(w);
    if (isCrew(w)) batch.line = CLEANERS;
    if (w.line !== 'fish') continue;
    batch.fish = true;
    batch.gentlest = Math.min(batch.gentlest, w.temperament ?? 0);
    batch.fiercest = Math.max(batch.fiercest, w.temperament ?? 0);
  }
  return batch;
}
