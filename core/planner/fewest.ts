/** How few batches hold a set of wishes, and in how few months they can be paid for, whatever the days. */
import { SLACK, type Wish } from './problem';
import type { Lane, World } from './world';
import { LATE, NONE } from './label';

/** Fewest batches still to be bought for those left: each of one line, within what its quarantine holds and what a month pays, but for those who join what
 *  is bought or set. */
export function batchesAtLeast(world: World, left: readonly number[]): number {
  if (!world.rough) return batchesBeside(world, maskOf(left));
  if (world.p.fixed.length > 0) return 0;
  let batches = 0;
  for (const { line } of world.lanes) {
    const here = left.filter((i) => (world.p.wishes[i] as Wish).line === line);
    if (here.length > 0) batches += byLoad(world, line, here);
  }
  return batches;
}

/** The same of a set of wishes, a bit each, of any line. */
export function batchesFor(world: World, mask: number): number {
  let batches = 0;
  for (const lane of world.lanes) batches += fewestFor(world, lane.line, mask & lane.mask);
  return batches;
}

/** The same beside what is bought or set, which is bought no more, and which as many may join as there is room for in all. */
export function batchesBeside(world: World, mask: number): number {
  const rest = mask & ~world.own.mask;
  if (world.own.joins.length === 0) return batchesFor(world, rest);
  let batches = 0;
  for (const lane of world.lanes) batches += fewestBeside(world, lane, rest & lane.mask);
  return batches;
}

function fewestBeside(world: World, { line }: Lane, mask: number): number {
  let room = SLACK;
  for (const join of world.own.joins) if (join.line === line) room += join.room;
  if (mask === 0 || room <= SLACK) return fewestFor(world, line, mask);
  const known = world.fewestBeside.get(mask);
  if (known !== undefined) return known;
  let fewest = LATE;
  for (let joined = mask; ; joined = (joined - 1) & mask) {
    if (loadOf(world, joined) <= room) fewest = Math.min(fewest, fewestFor(world, line, mask ^ joined));
    if (joined === 0) break;
  }
  world.fewestBeside.set(mask, fewest);
  return fewest;
}

function loadOf({ p }: World, mask: number): number {
  let load = 0;
  for (let rest = mask; rest !== 0; rest &= rest - 1)
    load += (p.wishes[31 - Math.clz32(rest & -rest)] as Wish).loadMgN;
  return load;
}

/** By load alone, as if it could be cut. */
function byLoad(world: World, line: string, here: readonly number[]): number {
  let load = 0;
  for (const i of here) load += (world.p.wishes[i] as Wish).loadMgN;
  return Math.max(1, Math.ceil((load - SLACK) / mostInOne(world, line) - 1e-9));
}

/** What the largest quarantine of a line holds. */
const mostInOne = ({ calendar, lineOf }: World, line: string): number =>
  Math.max(...calendar.quarantines.flatMap((q, i) => (lineOf[i] === line ? [q.capacity] : [])));

/** A bit for each of some wishes. */
export function maskOf(wishes: readonly number[]): number {
  let mask = 0;
  for (const i of wishes) mask |= 1 << i;
  return mask;
}

/** The fewest sets into which wishes of a line can be put. The first of them is in one of those: each of these is tried. */
function fewestFor(world: World, line: string, mask: number): number {
  if (mask === 0) return 0;
  const known = world.fewest.get(mask);
  if (known !== undefined) return known;
  const { p, prices } = world;
  const room = mostInOne(world, line) + SLACK;
  const money = (p.budget ?? Infinity) + SLACK;
  const first = mask & -mask;
  const rest = mask ^ first;
  let fewest = LATE;
  for (let others = rest; ; others = (others - 1) & rest) {
    const together = first | others;
    let load = 0;
    let price = 0;
    for (let i = 0; i < p.wishes.length; i++) {
      if ((together & (1 << i)) === 0) continue;
      load += (p.wishes[i] as Wish).loadMgN;
      price += prices[i] as number;
    }
    if (others === 0 || (load <= room && price <= money))
      fewest = Math.min(fewest, 1 + fewestFor(world, line, mask ^ together));
    if (others === 0) break;
  }
  world.fewest.set(mask, fewest);
  return fewest;
}

/** The earliest last release by which a set of wishes can have been paid for, month by month. */
export function paidFrom({ needed, calendar }: World, mask: number): number {
  const month = needed?.[mask] ?? 0;
  if (month === 0) return NONE;
  return calendar.months[month]?.out ?? LATE;
}
