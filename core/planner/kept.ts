/** Partial plans that are worth keeping: of two that placed the same wishes one may be at least as good in all that still counts. */
import { takeBills } from './bills';
import { firstFish } from './days';
import { waysBeyond } from './money';
import { DOUBLING_DAYS, isHeavy, type Line, type Wish } from './problem';
import { BITS, type Label, NONE } from './label';
import type { World } from './world';

/** What is still to come after some wishes are placed. */
interface Left {
  fish: boolean;
  /** How gentle the gentlest of them is, and of those that bring no load to speak of. */
  gentlest: number;
  gentlestLight: number;
  /** Something that needs settling (R4). */
  heavy: boolean;
  /** Those quarantines of whose line somebody is left. */
  quarantines: readonly number[];
  /** What had entered (R5), mg N a day: so little that the first step alone lets anybody in, and so much that whoever may come is let in. */
  little: number;
  enough: number;
}

function leftOf({ p, least, setInAll, calendar }: World, { placed }: Label): Left {
  const lines = new Set<Line>();
  let all = 0;
  let gentlest = NO_FISH;
  let gentlestLight = NO_FISH;
  let heavy = false;
  for (let i = 0; i < placed.length; i++) if (placed[i]) all += (p.wishes[i] as Wish).loadMgN;
  for (let i = 0; i < placed.length; i++) {
    if (placed[i] || least[i] === null) continue;
    const w = p.wishes[i] as Wish;
    const isLoad = isHeavy(w.loadMgN);
    lines.add(w.line);
    all += w.loadMgN;
    heavy ||= isLoad;
    if (w.line !== 'fish') continue;
    const temperament = w.temperament ?? GENTLE;
    gentlest = Math.min(gentlest, temperament);
    if (!isLoad) gentlestLight = Math.min(gentlestLight, temperament);
  }
  return {
    fish: lines.has('fish'),
    gentlest,
    gentlestLight,
    heavy,
    quarantines: p.quarantines.flatMap((q, k) => (lines.has(q.line) ? [k] : [])),
    // Where ammonia is predicted, every load counts at every day.
    little: p.water ? -Infinity : calendar.firstStepBy(calendar.end) / 2 - p.displayLoadMgN - setInAll,
    // Counted with the loads that entered before, or enter on days that are set.
    enough: p.water ? Infinity : (p.displayLoadMgN + setInAll + all) / 2 - p.displayLoadMgN,
  };
}

const GENTLE = 0;
const NO_FISH = 3;

/** The first day on which another load may enter after one (R4). */
const settledFrom = ({ p }: World, { firstHeavy, lastHeavy }: Label): number =>
  lastHeavy === NONE ? NONE : Math.max(lastHeavy + p.settleDays, firstHeavy + p.firstSettleDays);

/** Is a at least as good as b in all that still counts but money? Both placed the same wishes; where money is a matter of months, in the same batches, and
 *  a takes over what b has to pay for. */
function dominates(world: World, a: Label, b: Label, left: Left): boolean {
  if (a.day > b.day || a.worth.last > b.worth.last || a.worth.batches > b.worth.batches) return false;
  if (a.worth.batches === b.worth.batches && a.worth.sum > b.worth.sum) return false;
  for (const q of left.quarantines) if ((a.free[q] as number) > (b.free[q] as number)) return false;
  if (left.fish && a.crewLast > b.crewLast && a.crewLast >= b.day) return false;
  if (left.heavy) {
    if (world.setHeavy.length > 0) {
      if (a.lastHeavy > b.lastHeavy || a.firstHeavy > b.firstHeavy) return false;
    } else if (settledFrom(world, a) > Math.max(b.day, settledFrom(world, b))) return false;
  }
  // On the very day of a fiercer one the gentler may still come; after an event with a load only who brings none.
  const isSettling = b.lastHeavy === b.day && world.p.settleDays > 0;
  const gentler = isSettling ? left.gentlestLight : left.gentlest;
  for (const t of [1, 2] as const)
    if (gentler < t && b.fishFirst[t] === b.day && a.fishFirst[t] !== b.fishFirst[t]) return false;
  // On the day of the first fish no other may come.
  if (world.p.fewFirst && left.fish && firstFish(a) === b.day && firstFish(b) !== b.day) return false;
  return wasThereSooner(a, b, b.day - DOUBLING_DAYS, left);
}

/** Was a's load there on every day from one on whenever b's was, as far as it matters to doubling? */
function wasThereSooner(a: Label, b: Label, from: number, { little, enough }: Left): boolean {
  let k = a.days.length - 1;
  for (let i = b.days.length - 1; i >= 0; i--) {
    const day = Math.max(b.days[i] as number, from);
    while (k >= 0 && (a.days[k] as number) > day) k--;
    const needed = b.sums[i] as number;
    if (needed > little && (k < 0 ? 0 : (a.sums[k] as number)) < Math.min(needed, enough) - 1e-9)
      return false;
    if (day === from) return true;
  }
  return true;
}

const NOBODY_HEARS = () => undefined;

/** Labels that are held against each other. */
interface Alike {
  /** Null until there is a second. */
  left: Left | null;
  labels: Label[];
}

/** Labels kept so far by who is placed in them: one that is no better than another in anything is dropped. Where money counts each way of paying is
 *  held against those of all that are else as good: a label without a way left is dropped. */
export class Kept {
  private readonly byKey = new Map<number | string, Alike>();
  private readonly lefts = new Map<number, Left>();
  constructor(private readonly world: World) {}

  /** Is it dominated, whatever is paid for? */
  isDropped(label: Label): boolean {
    const known = this.byKey.get(label.key);
    if (!known) return false;
    const { labels } = known;
    const left = this.leftOf(known, label);
    const at = placeOf(labels, label);
    for (let k = 0; k < at; k++) if (dominates(this.world, labels[k] as Label, label, left)) return true;
    return false;
  }

  /** False where it is dominated. @param onDropped hears of each label that is dropped, and for which */
  add(label: Label, onDropped: (dropped: Label, by: Label) => void = NOBODY_HEARS): boolean {
    const { world } = this;
    const known = this.byKey.get(label.key);
    if (!known) {
      this.byKey.set(label.key, { left: null, labels: [label] });
      return true;
    }
    const { labels } = known;
    const left = this.leftOf(known, label);
    const at = placeOf(labels, label);
    for (let k = 0; k < at; k++) {
      const other = labels[k] as Label;
      if (!dominates(world, other, label, left) || keepsAWay(world, label, other)) continue;
      onDropped(label, other);
      if (world.money === 'months') takeBills(world, other, label);
      return false;
    }
    let count = at;
    while (count > 0 && order(labels[count - 1] as Label, label) === 0) count--;
    for (let k = count; k < labels.length; k++) {
      const other = labels[k] as Label;
      if (!dominates(world, label, other, left) || keepsAWay(world, other, label)) labels[count++] = other;
      else {
        onDropped(other, label);
        if (world.money === 'months') takeBills(world, label, other);
      }
    }
    labels.length = count;
    labels.splice(placeOf(labels, label), 0, label);
    return true;
  }

  private leftOf(alike: Alike, label: Label): Left {
    return (alike.left ??= this.leftBehind(label));
  }

  /** Many keys are of the same wishes. */
  private leftBehind(label: Label): Left {
    if (label.placed.length > BITS) return leftOf(this.world, label);
    let left = this.lefts.get(label.mask);
    if (!left) this.lefts.set(label.mask, (left = leftOf(this.world, label)));
    return left;
  }

  has(label: Label): boolean {
    return this.byKey.get(label.key)?.labels.includes(label) === true;
  }
}

/** Fewest batches first, then the least sum of days: none of a later label is better than one of an earlier in both. */
const order = (a: Label, b: Label): number => a.worth.batches - b.worth.batches || a.worth.sum - b.worth.sum;

/** How many labels come before one, or stand beside it. */
function placeOf(labels: readonly Label[], label: Label): number {
  let low = 0;
  let high = labels.length;
  while (low < high) {
    const mid = (low + high) >> 1;
    if (order(labels[mid] as Label, label) <= 0) low = mid + 1;
    else high = mid;
  }
  return low;
}

/** Takes from a label the ways of paying that leave no more than some way of another, which is else as good. Is one left? */
function keepsAWay(world: World, label: Label, other: Label): boolean {
  if (world.p.budget === null || world.money !== 'every') return false;
  const left = waysBeyond(world, label.wanted, label.ways, other.ways);
  // One that is dropped may still be the best there is: its ways stay.
  if (left.length > 0) label.ways = left;
  return left.length > 0;
}

/** The smallest first. */
export class Heap<T> {
  private readonly items: T[] = [];
  constructor(private readonly compare: (a: T, b: T) => number) {}

  push(item: T): void {
    const { items } = this;
    let i = items.length;
    items.push(item);
    while (i > 0) {
      const up = (i - 1) >> 1;
      if (this.compare(items[up] as T, item) <= 0) break;
      items[i] = items[up] as T;
      i = up;
    }
    items[i] = item;
  }

  pop(): T | undefined {
    const { items } = this;
    const top = items[0];
    const last = items.pop();
    if (items.length === 0 || last === undefined) return top;
    let i = 0;
    for (;;) {
      let down = 2 * i + 1;
      if (down >= items.length) break;
      if (down + 1 < items.length && this.compare(items[down + 1] as T, items[down] as T) < 0) down++;
      if (this.compare(items[down] as T, last) >= 0) break;
      items[i] = items[down] as T;
      i = down;
    }
    items[i] = last;
    return top;
  }
}
