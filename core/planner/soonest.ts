/** What no plan that follows a partial one can better in time: the day from which each wish can enter, and the day by which a load can have entered. */
import { type StayCalendar } from './calendar';
import { DOUBLING_DAYS, type QuarantineWater, SLACK, type Wish, isCrew } from './problem';
import { type Batch, type Case, type Entering, type Label, LATE, NONE } from './label';
import { firstLoad, type World } from './world';

/** When those to come could enter after a label, told once for each case of who they are. */
export function enteringAfter(world: World, label: Label, of: Case): Entering {
  if (label.entering?.of === of) return label.entering;
  const outs = firstOuts(world, label);
  return (label.entering = { of, outs, from: enterFrom(world, label, outs, of.left, of.sure) });
}

/** By quarantine, the first day on which it could release: what it holds, or what is bought for it next. */
function firstOuts(world: World, label: Label): number[] {
  const { p, calendar, open } = world;
  const outs: number[] = [];
  for (let q = 0; q < p.quarantines.length; q++)
    outs.push((calendar.quarantines[q] as StayCalendar).firstOut(label.free[q] as number));
  for (const b of open) {
    if (label.placed[b.wishes[0] as number]) continue;
    const { clockDays } = p.quarantines[b.quarantine] as QuarantineWater;
    outs[b.quarantine] = Math.min(outs[b.quarantine] as number, (b.boughtOn as number) + clockDays);
  }
  return outs;
}

/** By wish, the day from which it can enter in any plan that places all of those that are sure: its own age and quarantine, cleaners before the
 *  first fish and the gentler before the fiercer (R7).
 *  @param outs by quarantine, the first day on which it could release
 *  @param left all who could still be placed */
function enterFrom(
  world: World,
  label: Label,
  outs: readonly number[],
  left: readonly number[],
  sure: readonly number[],
): number[] {
  const { wishes } = world.p;
  const from: number[] = [];
  for (let i = 0; i < wishes.length; i++) from.push(label.day);
  for (const i of left) {
    let soonest = LATE;
    for (const q of world.quarantinesOf[i] as number[]) soonest = Math.min(soonest, outs[q] as number);
    from[i] = Math.max(label.day, world.least[i] as number, soonest);
  }
  let crew = NONE;
  const gentle: [number, number, number] = [NONE, NONE, NONE];
  for (const i of sure) {
    const w = wishes[i] as Wish;
    if (isCrew(w)) crew = Math.max(crew, from[i] as number);
    if (w.line === 'fish') {
      const t = (w.temperament ?? 0) as 0 | 1 | 2;
      gentle[t] = Math.max(gentle[t], from[i] as number);
    }
  }
  for (const i of left) {
    const w = wishes[i] as Wish;
    if (w.line !== 'fish') continue;
    const t = w.temperament ?? 0;
    const others = Math.max(crew + 1, t > 0 ? gentle[0] : NONE, t > 1 ? gentle[1] : NONE);
    from[i] = Math.max(from[i] as number, others);
  }
  return from;
}

/** A few wishes put in order where they stand: a sort that takes no room for it is quicker here. */
export function latestFirst(few: number[], from: readonly number[]): number[] {
  for (let k = 1; k < few.length; k++) {
    const i = few[k] as number;
    let at = k;
    for (; at > 0 && (from[few[at - 1] as number] as number) < (from[i] as number); at--)
      few[at] = few[at - 1] as number;
    few[at] = i;
  }
  return few;
}

/** Is so much there that doubling lets a load be there thirty days later? Of what is set as much as ever will be is taken for being there before, and only
 *  what is there today for being there then.
 *  @param there what is there, and @param load what is to be there, without what is set, mg N a day */
export const isHalfThere = ({ p, setThere, setInAll }: World, there: number, load: number): boolean =>
  there >= halfOf(load, setThere, setInAll) - SLACK || load + setThere <= p.firstStepMgN + SLACK;

const halfOf = (load: number, setThere: number, setInAll: number): number => (load + setThere) / 2 - setInAll;

/** The earliest day by which a load can have entered, were there only doubling (R5) and the day from which each can enter. */
export type Reach = (load: number) => number;

export function reachOf(world: World, label: Label, left: readonly number[], from: readonly number[]): Reach {
  const { p, setThere, setInAll } = world;
  const now = p.displayLoadMgN + (label.sums[label.sums.length - 1] ?? 0);
  const loadOf = (i: number) => (p.wishes[i] as Wish).loadMgN;
  const coming: number[] = [];
  for (const i of left) if (loadOf(i) > 0) coming.push(i);
  latestFirst(coming, from);
  const allThere = (load: number): number => {
    let there = now;
    for (let k = coming.length - 1; k >= 0; k--) {
      const i = coming[k] as number;
      there += loadOf(i);
      if (there + SLACK >= load) return from[i] as number;
    }
    return LATE;
  };
  const reach = (load: number): number => {
    if (load <= p.displayLoadMgN + SLACK || load <= 2 * SLACK) return NONE;
    for (let k = 0; k < label.sums.length; k++)
      if (p.displayLoadMgN + (label.sums[k] as number) + SLACK >= load) return label.days[k] as number;
    const there = Math.max(label.day, allThere(load));
    const isFirstStep = load + setThere <= p.firstStepMgN + SLACK;
    const half = isFirstStep ? NONE : reach(halfOf(load, setThere, setInAll) - SLACK) + DOUBLING_DAYS;
    return world.calendar.releaseFrom(Math.max(there, half));
  };
  return reach;
}

/** The first day a batch could be released on, as far as it hangs on nothing else of its event. */
export function soonestOf(world: World, label: Label, b: Batch): number {
  const { p } = world;
  const clock = (p.quarantines[b.quarantine] as QuarantineWater).clockDays;
  const settled =
    b.heavy && label.lastHeavy !== NONE && b.releasedOn === null
      ? Math.max(label.lastHeavy + p.settleDays, firstLoad(world, label) + p.firstSettleDays)
      : NONE;
  const free = b.boughtOn === null ? (label.free[b.quarantine] as number) + clock : NONE;
  return Math.max(label.day, b.least, free, settled);
}
