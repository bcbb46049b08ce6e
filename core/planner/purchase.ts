/** The day of an event once it must be paid for: by one way of paying, by every way, or as if money were only a matter of months. */
import { type Aim, isUseless } from './asked';
import { isHopeless } from './bounds';
import { earliest, labelAt, windowOf } from './days';
import { type Event } from './event';
import { billWith, isAnyPayable, isPayable, leftBy } from './bills';
import { leavesEnough, leftByMonth, type Wants, wantsOf, worthKeeping } from './money';
import { partsOf } from './packed';
import { payAll, payOnce } from './pay';
import { type Problem, SLACK } from './problem';
import { prospectOf } from './prospects';
import { type Batch, type Bill, LATE, type Label, type Paid, type Paying, pastOf, rootOf } from './label';
import type { World } from './world';

/** First and last day of a span. */
type Span = readonly [number, number];

/** A label with an event on the earliest day of a span on which it can be paid for; null where there is none, or where nothing that follows is of use. */
export function soonestPaid(
  world: World,
  label: Label,
  event: Event,
  [from, to]: Span,
  aim: Aim,
): Label | null {
  const { batches } = event;
  const { calendar } = world;
  const budget = (world.p.budget ?? Infinity) + SLACK;
  for (const b of batches) if (b.price > budget) return null;
  for (let next = from; next <= to;) {
    const fit = earliest(world, label, event, next, to);
    if (!fit || (fit.day > from && isUseless(aim, event, fit.day))) return null;
    const child = labelAt(world, label, event, fit, label.ways);
    if (world.p.budget === null) return child;
    if (world.money === 'sets') {
      if (aim.isDropped(child)) return null;
      child.leftBy = leftBySet(world, child.mask);
      return isDead(world, child, aim) ? null : child;
    }
    const isOne = world.money === 'one';
    // On a later day it would hardly be kept, and one way of paying proves nothing.
    if (isOne && aim.isDropped(child)) return null;
    const open = openFor(world, label, batches, fit.day);
    // Not by the event's own months: what came before it might have been bought later.
    const until = calendar.untilBy(fit.day);
    const bills = label.bills.map((bill) => billWith(bill, batches, open));
    if (isAnyPayable(world, bills, until)) {
      const by = calendar.untilBy(to);
      child.bills = bills.length === 1 ? bills : bills.filter((bill) => isPayable(world, bill, by));
      if (!isOne) child.key = partsOf((bills[0] as Bill).buys);
      child.leftBy = leftBy(world, child);
      if (isDead(world, child, aim)) return null;
      if (!isOne) return child;
      const paid = payOnce(world, label, batches, open);
      if (paid) {
        child.ways = [paid];
        return child;
      }
    }
    if (isOne) next = nextMonth(world, event, open, fit.day);
    else for (next = fit.day + 1; next <= to && calendar.untilBy(next) === until;) next++;
  }
  return null;
}

/** By the end of each month what is left once all of a set are paid for. */
function leftBySet({ income, prices }: World, mask: number): number[] {
  let cost = 0;
  prices.forEach((price, i) => {
    if ((mask & (1 << i)) !== 0) cost += price;
  });
  return income.map((most) => Math.max(0, most - cost));
}

/** Is nothing that follows a label of use? */
const isDead = (world: World, label: Label, { best }: Aim): boolean =>
  best !== null && isHopeless(world, label, prospectOf(world, label), best);

/** A way to have paid for a label for which money was only a matter of months; null where none was found. */
export function payAlong(world: World, label: Label): Paid | null {
  const past = pastOf(label);
  const open = past.map((l) => openFor(world, l.parent as Label, l.batches, l.day));
  return payAll(
    world,
    (rootOf(label).ways as [Paid])[0],
    past.map(({ batches }) => batches),
    open,
  );
}

/** Every way of paying that may matter: on the first day, and on each later one on which a purchase in a later month leaves more for the others.
 *  @param wants of those to come, where it is known better than from who they are */
export function* inEveryWay(
  world: World,
  label: Label,
  event: Event,
  [from, to]: Span,
  aim: Aim,
  wants: Wants | null,
): Generator<Label> {
  const known: Paid[] = [];
  /** By batch the months that were tried on the day before. */
  let seen: (readonly number[])[] | null = null;
  let next = from;
  // Cut short nothing is proved, and what is left out does not matter.
  while (next <= to && world.mayGoOn()) {
    const fit = earliest(world, label, event, next, to);
    if (!fit || (fit.day > from && isUseless(aim, event, fit.day))) return;
    const open = openFor(world, label, event.batches, fit.day);
    next = nextMonth(world, event, open, fit.day);
    const wanting = wants ?? wantsOf(world, labelAt(world, label, event, fit, []), aim.latest);
    const { wanted } = wanting;
    const tried = waysToPay(world, label, event, open, seen, wanted);
    const ways = worthKeeping(world, wanting, tried, known);
    seen = open;
    if (ways.length === 0) continue;
    const child = labelAt(world, label, event, fit, ways);
    child.wanted = wanted;
    child.leftBy = leftByMonth(world, ways);
    if (!isDead(world, child, aim)) yield child;
    if (leavesEnough(world, wanted, ways)) return;
    known.push(...ways);
  }
}

/** By batch the months it could be bought in for a release on a day, the first of them first. */
function openFor(world: World, label: Label, batches: readonly Batch[], day: number): number[][] {
  const open: number[][] = [];
  for (const b of batches) open.push(monthsOf(world, label, b, day));
  return open;
}

function monthsOf(world: World, label: Label, batch: Batch, day: number): number[] {
  const months: number[] = [];
  const days = batch.price === 0 ? null : windowOf(world, label, batch, day);
  if (!days) return months;
  const [from, to] = days;
  const { calendar } = world;
  for (let m = calendar.monthAt(from); m < calendar.months.length; m++) {
    const month = calendar.months[m] as { from: number; to: number };
    if (month.from > to) break;
    if (month.to >= from && calendar.lastBuyUpTo(Math.min(to, month.to)) >= Math.max(from, month.from))
      months.push(m);
  }
  return months;
}

/** Every choice of months for the batches of an event that can be paid for.
 *  @param open by batch the months it could be bought in; @param seen those that were tried before: one at least must be new
 *  @param wanted by month what those to come could spend in it */
function waysToPay(
  world: World,
  label: Label,
  event: Event,
  open: readonly (readonly number[])[],
  seen: readonly (readonly number[])[] | null,
  wanted: readonly number[],
): Paying[] {
  const budget = (world.p.budget as number) + SLACK;
  const price = event.batches.reduce((sum, b) => sum + b.price, 0);
  type Trying = Paying & { fresh: boolean };
  let ways: Trying[] = label.ways.map((before) => ({
    spent: before.spent,
    months: [],
    open: [],
    before,
    fresh: seen === null,
  }));
  for (let k = 0; k < event.batches.length; k++) {
    const batch = event.batches[k] as Batch;
    if (batch.price === 0) {
      ways = ways.map((w) => ({ ...w, months: [...w.months, null] }));
      continue;
    }
    const months = open[k] as readonly number[];
    // A month that nobody to come could spend in costs them nothing.
    const unwanted = months.filter((m) => wanted[m] === 0);
    const next: Trying[] = [];
    if (!world.mayGoOn()) return [];
    for (const w of ways) {
      const spare = unwanted.find((m) => (w.spent[m] as number) + price <= budget);
      for (const m of spare === undefined ? months : [spare]) {
        const cost = (w.spent[m] as number) + batch.price;
        if (cost > budget) continue;
        const spent = [...w.spent];
        spent[m] = cost;
        const fresh = w.fresh || (seen !== null && !(seen[k] as readonly number[]).includes(m));
        next.push({ before: w.before, spent, months: [...w.months, m], open: [], fresh });
      }
    }
    ways = next;
  }
  return ways.flatMap(({ fresh, ...way }) => (fresh ? [way] : []));
}

/** The first day after one on which some batch could be bought in a later month than now.
 *  @param open by batch the months it could be bought in now */
function nextMonth(world: World, event: Event, open: readonly (readonly number[])[], day: number): number {
  const { p, calendar } = world;
  let next = LATE;
  for (let k = 0; k < event.batches.length; k++) {
    const batch = event.batches[k] as Batch;
    if (batch.price === 0 || batch.boughtOn !== null) continue;
    const months = open[k] as readonly number[];
    const later = calendar.months[(months[months.length - 1] ?? -1) + 1];
    if (!later) continue;
    const clock = (p.quarantines[batch.quarantine] as Problem['quarantines'][number]).clockDays;
    next = Math.min(next, Math.max(day + 1, later.from + clock));
  }
  return next;
}
