/** Whose load may ever enter (R5), as far as the order of those that enter goes (R7). */
import { SLACK, type Wish, isCrew } from './problem';
import { enteredBy, type World } from './world';
import { type Label, LATE } from './label';

/** Can one have been there thirty days before another? A fiercer fish comes no sooner than a gentler, no fish before a cleaner. */
function mayBeBefore(before: Wish, w: Wish): boolean {
  if (before.line !== 'fish') return true;
  return w.line === 'fish' ? (before.temperament ?? 0) <= (w.temperament ?? 0) : !isCrew(w);
}

/** Is one there by the day on which another enters, if both are ever placed? */
function mustBeThere(before: Wish, w: Wish): boolean {
  if (w.line !== 'fish') return false;
  return isCrew(before) || (before.line === 'fish' && (before.temperament ?? 0) < (w.temperament ?? 0));
}

/** Could a load ever enter: within the first step together with all that are surely there by then, or no more than all that could be there thirty days
 *  before? @param pool those who could be there */
export type MayEnter = (i: number, pool: readonly number[], sure: readonly number[]) => boolean;

/** More is there already than any of them brings. */
export const ALWAYS: MayEnter = () => true;

export function mayEnterAfter(world: World, label: Label): MayEnter {
  const { wishes } = world.p;
  const wish = (i: number) => wishes[i] as Wish;
  const there = enteredBy(world, label.days, label.sums, LATE);
  if (world.rough || wishes.every((w, i) => label.placed[i] || w.loadMgN <= there + SLACK)) return ALWAYS;
  const step = world.p.firstStepMgN - enteredBy(world, label.days, label.sums, label.day) + SLACK;
  return (i, pool, sure) => {
    const w = wish(i);
    let together = w.loadMgN;
    for (const k of sure) if (k !== i && mustBeThere(wish(k), w)) together += wish(k).loadMgN;
    if (together <= step || w.loadMgN <= SLACK) return true;
    let before = there + SLACK;
    for (const k of pool)
      if (k !== i && mayBeBefore(wish(k), w) && !(world.conflicts[i] as number[]).includes(k))
        before += wish(k).loadMgN;
    return w.loadMgN <= before;
  };
}

/** The same in one pass, without the order of the fish: for many wishes. */
export function roughlyWhoMayEnter(world: World, label: Label, left: readonly number[]): readonly number[] {
  const loadOf = (i: number) => (world.p.wishes[i] as Wish).loadMgN;
  const step = world.p.firstStepMgN - enteredBy(world, label.days, label.sums, label.day);
  let there = enteredBy(world, label.days, label.sums, LATE);
  // None brings more than is there: the usual case, and a look at each is quicker than their order.
  const most = Math.max(step, there) + SLACK;
  if (left.every((i) => loadOf(i) <= most)) return left;
  const reached = new Set<number>();
  for (const i of [...left].sort((a, b) => loadOf(a) - loadOf(b))) {
    if (loadOf(i) > Math.max(step, there) + SLACK) break;
    there += loadOf(i);
    reached.add(i);
  }
  return reached.size === left.length ? left : left.filter((i) => reached.has(i));
}

/** Those who may enter: first those who need nobody, then those for whom enough can be there. */
export function whoMayEnter(
  mayEnter: MayEnter,
  left: readonly number[],
  sure: readonly number[],
): readonly number[] {
  if (mayEnter === ALWAYS) return left;
  let reached: readonly number[] = [];
  for (;;) {
    const next = left.filter((i) => reached.includes(i) || mayEnter(i, reached, sure));
    if (next.length === reached.length) return next;
    reached = next;
  }
}
