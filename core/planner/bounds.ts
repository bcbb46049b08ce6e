/** What no plan that follows a partial one can better: how many it places, when it ends, its batches, its sum of days. */
import { type Calendar } from './calendar';
import { DOUBLING_DAYS, type Problem, SLACK, type Wish, isHeavy } from './problem';
import { type Batch, LATE, type Label, NONE, type World, type Worth, firstLoad, enteredBy } from './world';

/** Who could still be placed after a label, as far as order, company and what is set go. */
export function possible(world: World, label: Label): number[] {
  const { p } = world;
  const out: number[] = [];
  for (let i = 0; i < p.wishes.length; i++)
    if (!label.placed[i] && world.least[i] !== null && mayStill(world, label, i)) out.push(i);
  return withinDoubling(world, label, out);
}

/** Those whose load may ever enter (R5): within the first step now, or no more than all that could be there before. */
function withinDoubling(world: World, label: Label, left: number[]): number[] {
  const { p } = world;
  const loadOf = (i: number) => (p.wishes[i] as Wish).loadMgN;
  let there = enteredBy(world, label.days, label.sums, LATE);
  const step = p.firstStepMgN - enteredBy(world, label.days, label.sums, label.day);
  const reached = new Set<number>();
  for (const i of [...left].sort((a, b) => loadOf(a) - loadOf(b))) {
    if (loadOf(i) > Math.max(step, there) + SLACK) break;
    there += loadOf(i);
    reached.add(i);
  }
  return reached.size === left.length ? left : left.filter((i) => reached.has(i));
}

function mayStill(world: World, label: Label, i: number): boolean {
  const { p } = world;
  const w = p.wishes[i] as Wish;
  for (const other of world.conflicts[i] as number[]) if (label.placed[other]) return false;
  if ((world.quarantinesOf[i] as number[]).length === 0) return false;
  const [a, b, c] = label.fishFirst;
  if (w.line === 'invertebrate' && w.crew && Math.min(a, b, c) < LATE) return false;
  if (w.line === 'fish') {
    const t = w.temperament ?? 0;
    const fiercer = Math.min(t < 1 ? b : LATE, t < 2 ? c : LATE);
    // On the very day of the fiercer it may still come.
    if (fiercer < label.day) return false;
  }
  return true;
}

/** The most that could be placed after a label, by level: of two that may not live together the one wanted less is lost. */
export function mostPlaced(world: World, label: Label, left: readonly number[]): number[] {
  const most = [...label.worth.placed];
  for (const i of left) most[world.levelOf[i] as number]!++;
  if (world.p.budget !== null) {
    const paid = withinMoney(world, label, left, most);
    most.splice(0, most.length, ...paid);
  }
  if (world.p.forbidden.length === 0) return most;
  const paired = new Set<number>();
  for (const [a, b] of world.p.forbidden) {
    if (paired.has(a) || paired.has(b) || !left.includes(a) || !left.includes(b)) continue;
    paired.add(a).add(b);
    most[Math.max(world.levelOf[a] as number, world.levelOf[b] as number)]!--;
  }
  return most;
}

/** What may still be spent, up to the last month whose purchase can be out by a day. */
function moneyUntil(world: World, label: Label, day: number): number {
  const { p, calendar } = world;
  const clock = Math.min(...p.quarantines.map((q) => q.clockDays));
  let money = 0;
  calendar.months.forEach((m, k) => {
    if (m.from + clock <= day) money = label.leftBy[k] as number;
  });
  return money;
}

/** By level no more than can be paid for, the cheapest of each. */
function withinMoney(world: World, label: Label, left: readonly number[], most: number[]): number[] {
  let money = moneyUntil(world, label, world.calendar.end) + SLACK;
  return most.map((n, level) => {
    const here = left.filter((i) => world.levelOf[i] === level && world.levels[level] !== 0);
    const prices = here.map((i) => (world.p.wishes[i] as Wish).price).sort((a, b) => a - b);
    let paid = 0;
    while (paid < prices.length && (prices[paid] as number) <= money) money -= prices[paid++] as number;
    return Math.min(n, (label.worth.placed[level] as number) + paid + (world.levels[level] === 0 ? LATE : 0));
  });
}

/** Those left whom every plan that places the most has: not those of whom one or the other goes, and nobody where money is short. */
export function surelyPlaced(world: World, label: Label, left: readonly number[]): readonly number[] {
  const { p } = world;
  if (p.budget !== null) {
    let price = 0;
    for (const i of left) price += (p.wishes[i] as Wish).price;
    if (price > moneyUntil(world, label, world.calendar.end) + SLACK) return [];
  }
  return p.forbidden.length === 0
    ? left
    : left.filter((i) => !(world.conflicts[i] as number[]).some((other) => left.includes(other)));
}

/** The earliest last release of a plan that places all of those left. */
export function lastAtLeast(world: World, label: Label, left: readonly number[]): number {
  const { p, calendar } = world;
  let last = Math.max(label.worth.last, left.length > 0 ? label.day : NONE);
  let load = 0;
  let heavyLoad = 0;
  const byLine = new Map<string, number>();
  for (const i of left) {
    const w = p.wishes[i] as Wish;
    last = Math.max(last, world.least[i] as number);
    load += w.loadMgN;
    if (isHeavy(w.loadMgN)) heavyLoad += w.loadMgN;
    byLine.set(w.line, (byLine.get(w.line) ?? 0) + w.loadMgN);
  }
  if (left.length === 0) return last;
  // Doubling: half of the whole load must have been there thirty days before the last release.
  const all =
    p.displayLoadMgN +
    world.setLoads.reduce((sum, r) => sum + r.loadMgN, 0) +
    (label.sums[label.sums.length - 1] ?? 0) +
    load;
  if (world.setLoads.length === 0 && load > 0) last = Math.max(last, reachable(world, label, all - SLACK));
  // Money: the last is bought in the month by which all can be paid for.
  if (p.budget !== null) {
    let price = 0;
    for (const i of left)
      if (world.levels[world.levelOf[i] as number] !== 0) price += (p.wishes[i] as Wish).price;
    if (price > SLACK) {
      const clock = Math.min(...p.quarantines.map((q) => q.clockDays));
      const month = calendar.months.find((m) => moneyUntil(world, label, m.from + clock) + SLACK >= price);
      last = Math.max(last, month ? month.from + clock : LATE);
    }
  }
  // Quarantines: so many stays, one after the other.
  for (const [line, needed] of byLine) last = Math.max(last, throughput(world, label, line, needed));
  // Settling: so many days on which a load enters.
  if (heavyLoad > 0) {
    const perDay = calendar.quarantines.reduce((sum, q) => sum + q.capacity, 0);
    const days = Math.ceil(heavyLoad / perDay - 1e-9);
    if (label.lastHeavy !== NONE)
      last = Math.max(
        last,
        label.lastHeavy + p.settleDays * days,
        firstLoad(world, label) + p.firstSettleDays,
      );
    else if (days > 1) {
      const firstGap = world.setHeavy.length > 0 ? p.settleDays : Math.max(p.settleDays, p.firstSettleDays);
      last = Math.max(last, label.day + firstGap + p.settleDays * (days - 2));
    }
  }
  return last;
}

/** The earliest day by which a load can have entered, were there only doubling. */
function reachable(world: World, label: Label, load: number): number {
  const { p } = world;
  if (load <= p.displayLoadMgN + SLACK) return NONE;
  const at = label.sums.findIndex((s) => p.displayLoadMgN + s + SLACK >= load);
  if (at >= 0) return label.days[at] as number;
  if (load <= p.firstStepMgN + SLACK) return label.day;
  if (load <= 2 * SLACK) return label.day;
  return Math.max(label.day, reachable(world, label, load / 2 - SLACK) + DOUBLING_DAYS);
}

/** By quarantine of a line the next release it could have, the days between two, and what one passes on at most. */
function staysOf(
  world: World,
  label: Label,
  line: string,
): { next: number; gap: number; capacity: number }[] {
  const { p, calendar } = world;
  return p.quarantines.flatMap((q, i) => {
    if (q.line !== line) return [];
    const begun = world.open.filter((b) => b.quarantine === i && !label.placed[b.wishes[0] as number]);
    const from = Math.min(label.free[i] as number, ...begun.map((b) => b.boughtOn as number));
    const capacity = Math.max(
      (calendar.quarantines[i] as Calendar['quarantines'][number]).capacity,
      ...begun.map((b) => b.loadMgN),
    );
    return [{ next: from + q.clockDays, gap: q.clockDays + 1, capacity }];
  });
}

/** The earliest day by which a line's quarantines can have passed a load on. */
function throughput(world: World, label: Label, line: string, needed: number): number {
  const stays = staysOf(world, label, line);
  if (stays.length === 0) return LATE;
  let passed = 0;
  let day = NONE;
  // Each stay passes on at most what its quarantine holds; the soonest first.
  for (let guard = 0; passed < needed - 1e-6 && guard < 400; guard++) {
    const soonest = stays.reduce((a, b) => (b.next < a.next ? b : a));
    day = soonest.next;
    passed += soonest.capacity;
    soonest.next += soonest.gap;
  }
  return day;
}

/** Fewest batches for those left. */
export function batchesAtLeast(world: World, left: readonly number[]): number {
  const { p, calendar } = world;
  const byLine = new Map<string, number>();
  for (const i of left) {
    // What is bought has its batch counted already.
    if (world.levels[world.levelOf[i] as number] === 0) continue;
    const w = p.wishes[i] as Wish;
    byLine.set(w.line, (byLine.get(w.line) ?? 0) + w.loadMgN);
  }
  if (world.open.length + world.set.length > 0) return 0;
  let batches = 0;
  for (const [line, load] of byLine) {
    const most = Math.max(
      ...p.quarantines.flatMap((q, i) =>
        q.line === line ? [(calendar.quarantines[i] as Calendar['quarantines'][number]).capacity] : [],
      ),
    );
    batches += Math.max(1, Math.ceil((load - SLACK) / most - 1e-9));
  }
  return batches;
}

/** Can nothing that follows a label be better than what was found? */
export function isHopeless(world: World, label: Label, left: readonly number[], best: Worth | null): boolean {
  if (!best) return false;
  const most = mostPlaced(world, label, left);
  for (let i = 0; i < most.length; i++) {
    if ((most[i] as number) > (best.placed[i] as number)) return false;
    if ((most[i] as number) < (best.placed[i] as number)) return true;
  }
  const sure = surelyPlaced(world, label, left);
  const last = lastAtLeast(world, label, sure);
  if (last !== best.last) return last > best.last;
  const batches = label.worth.batches + batchesAtLeast(world, sure);
  if (batches !== best.batches) return batches > best.batches;
  // Those of whom one goes come on some day, too.
  const others = (left.length - sure.length) / 2 > 0 ? label.day : 0;
  return label.worth.sum + sumAtLeast(world, label, sure) + others >= best.sum;
}

/** The least sum of the release days of all that are left: by their quarantines, or by doubling. */
function sumAtLeast(world: World, label: Label, left: readonly number[]): number {
  const { p } = world;
  const loadOf = (i: number) => (p.wishes[i] as Wish).loadMgN;
  let byStays = 0;
  for (const line of LINES) {
    const here = left.filter((i) => (p.wishes[i] as Wish).line === line);
    if (here.length === 0) continue;
    let alone = 0;
    for (const i of here)
      alone += Math.max(label.day, world.least[i] as number, soonestFree(world, label, i));
    // The lightest first leave the fewest for later stays.
    const loads = here.map(loadOf).sort((a, b) => a - b);
    const stays = staysOf(world, label, line);
    let slots = 0;
    let passed = 0;
    let room = 0;
    let day = label.day;
    for (const load of loads) {
      passed += load;
      while (passed > room + 1e-6) {
        const soonest = stays.reduce((a, b) => (b.next < a.next ? b : a));
        day = Math.max(label.day, soonest.next);
        room += soonest.capacity;
        soonest.next += soonest.gap;
      }
      slots += day;
    }
    byStays += Math.max(alone, slots);
  }
  if (world.setLoads.length > 0) return byStays;
  let entered = p.displayLoadMgN + (label.sums[label.sums.length - 1] ?? 0);
  let byDoubling = 0;
  for (const load of left.map(loadOf).sort((a, b) => a - b)) {
    entered += load;
    byDoubling += Math.max(label.day, reachable(world, label, entered - SLACK));
  }
  return Math.max(byStays, byDoubling, byMoney(world, label, left));
}

/** The least sum of release days were there only money: the cheapest are paid for first. */
function byMoney(world: World, label: Label, left: readonly number[]): number {
  const { p, calendar } = world;
  if (p.budget === null) return 0;
  const clock = Math.min(...p.quarantines.map((q) => q.clockDays));
  const prices = left
    .map((i) => (world.levels[world.levelOf[i] as number] === 0 ? 0 : (p.wishes[i] as Wish).price))
    .sort((a, b) => a - b);
  let paid = 0;
  let month = 0;
  let sum = 0;
  for (const price of prices) {
    paid += price;
    while (paid > (label.leftBy[month] as number) + SLACK && month + 1 < calendar.months.length) month++;
    sum += Math.max(label.day, price === 0 ? 0 : (calendar.months[month] as { from: number }).from + clock);
  }
  return sum;
}

const LINES = ['fish', 'invertebrate', 'coral', 'anemone'] as const;

/** The first day on which a wish could be out of a quarantine. */
function soonestFree(world: World, label: Label, i: number): number {
  const { p } = world;
  let soonest = LATE;
  for (const q of world.quarantinesOf[i] as number[]) {
    const open = world.open.find((b) => b.quarantine === q && !label.placed[b.wishes[0] as number]);
    const from = Math.min(label.free[q] as number, open?.boughtOn ?? LATE);
    soonest = Math.min(soonest, from + (p.quarantines[q] as Problem['quarantines'][number]).clockDays);
  }
  return soonest;
}

/** The first day a batch could be released on, as far as it hangs on nothing else of its event. */
export function soonestOf(world: World, label: Label, b: Batch): number {
  const { p } = world;
  const clock = (p.quarantines[b.quarantine] as Problem['quarantines'][number]).clockDays;
  const settled =
    b.heavy && label.lastHeavy !== NONE && b.releasedOn === null
      ? Math.max(label.lastHeavy + p.settleDays, firstLoad(world, label) + p.firstSettleDays)
      : NONE;
  const free = b.boughtOn === null ? (label.free[b.quarantine] as number) + clock : NONE;
  return Math.max(label.day, b.least, free, settled);
}
