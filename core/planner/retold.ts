/** The plan as it was last told, with its days settled anew. A clock that began again or a purchase that was missed shifts days, and nothing is as it was
 *  told; who comes with whom and after whom may still be as good as anything that is found. */
import { withEvent } from './after';
import { ANYTHING } from './asked';
import { batchOf } from './batch';
import { type Batch, type Label } from './label';
import { capacityOf, SLACK, stepsSet, type Problem, type QuarantineWater, type Wish } from './problem';
import { start } from './start';
import { worldOf, type World } from './world';

type Told = NonNullable<Problem['told']>;

/** A batch as it was told. */
export interface ToldBatch {
  quarantine: number;
  wishes: number[];
  buy: number;
  release: number;
}

/** The last label of the plan that was told, each event as early as the rules let it be now; whoever has no day any more is left out.
 *  @param told its batches, from `toldBatches` */
export function retold(
  p: Problem,
  told: readonly ToldBatch[],
  mayGoOn: () => boolean,
): { world: World; label: Label } {
  const world = worldOf(p, true, mayGoOn, p.budget === null ? 'every' : 'one');
  let label = start(world);
  for (const batches of eventsTold(world, told)) {
    const children = withEvent(world, label, batches, ANYTHING);
    label = children.reduce((best: Label | null, c) => (best && best.day <= c.day ? best : c), null) ?? label;
  }
  return { world, label };
}

/** In the order of their releases; those with a load that share a day are one event. */
function eventsTold(world: World, told: readonly ToldBatch[]): Batch[][] {
  const isOpen = (t: ToldBatch) => world.open.find((b) => b.wishes.includes(t.wishes[0] as number));
  const dated = told.map((t) => ({
    release: t.release,
    batch: isOpen(t) ?? batchOf(world, t.quarantine, t.wishes, null, null),
  }));
  const days = [...new Set(dated.map((d) => d.release))].sort((a, b) => a - b);
  return days.flatMap((day) => {
    const here = dated.filter((d) => d.release === day).map((d) => d.batch);
    const heavy = here.filter((b) => b.heavy);
    return [...(heavy.length > 0 ? [heavy] : []), ...here.filter((b) => !b.heavy).map((b) => [b])];
  });
}

/** What is bought where it is, released on the day that was told or when its clock is over, and each other batch in the quarantine that it fits best. */
export function toldBatches(p: Problem, told: Told): ToldBatch[] {
  const batches: ToldBatch[] = [];
  for (const { wish, buy, quarantine, release } of p.fixed) {
    if (release !== null) continue;
    const mates = batches.find((b) => b.quarantine === quarantine && b.buy === buy);
    if (mates) mates.wishes.push(wish);
    else {
      const day = told.find((t) => t.wish === wish)?.release ?? buy + quarantineOf(p, quarantine).clockDays;
      batches.push({ quarantine, wishes: [wish], buy, release: day });
    }
  }
  const isFixed = new Set(p.fixed.map((f) => f.wish));
  let rest = told.filter((t) => !isFixed.has(t.wish)).sort((a, b) => a.buy - b.buy);
  while (rest.length > 0) {
    const [first] = rest as [Told[number]];
    const quarantine = quarantineFor(p, batches, first);
    const mates = quarantine === null ? [first] : matesIn(p, quarantine, first, rest);
    const wishes = mates.map((t) => t.wish);
    if (quarantine !== null) batches.push({ quarantine, wishes, buy: first.buy, release: first.release });
    rest = rest.filter((t) => !mates.includes(t));
  }
  return batches;
}

/** Of its line, free on its days and large enough, the one whose clock is nearest to them; null where there is none. */
function quarantineFor(p: Problem, batches: readonly ToldBatch[], t: Told[number]): number | null {
  const { line, loadMgN } = p.wishes[t.wish] as Wish;
  const taken = [...batches, ...stepsSet(p)];
  const isFree = (index: number) =>
    taken.every((b) => b.quarantine !== index || b.release < t.buy || b.buy > t.release);
  const able = p.quarantines.flatMap((q, index) =>
    q.line === line && loadMgN <= capacityOf(q) + SLACK && isFree(index) ? [index] : [],
  );
  const off = (index: number) => Math.abs(t.release - t.buy - quarantineOf(p, index).clockDays);
  return able.sort((a, b) => off(a) - off(b))[0] ?? null;
}

/** Who was told to be bought and let in on the same days, as many as the quarantine holds: the others were in another. */
function matesIn(p: Problem, quarantine: number, first: Told[number], rest: Told): Told[number][] {
  const { line, loadMgN } = p.wishes[first.wish] as Wish;
  const mates = [first];
  let room = capacityOf(quarantineOf(p, quarantine)) - loadMgN;
  for (const t of rest) {
    const w = p.wishes[t.wish] as Wish;
    const isMate = t !== first && t.buy === first.buy && t.release === first.release && w.line === line;
    if (!isMate || w.loadMgN > room + SLACK) continue;
    room -= w.loadMgN;
    mates.push(t);
  }
  return mates;
}

const quarantineOf = (p: Problem, index: number): QuarantineWater => p.quarantines[index] as QuarantineWater;
