/** The earliest day of an event as far as everything but money goes, and the partial plan it leads to. */
import { soonestOf } from './soonest';
import { type Calendar, type StayCalendar } from './calendar';
import { type Event } from './event';
import { DOUBLING_DAYS, type Released, SLACK, type Wish, isCrew } from './problem';

import { type Batch, LATE, type Label, NONE, type Paid, type Worth, keyOf } from './label';
import { type World, doubles } from './world';

/** First and last day that order (R7), settling (R4), clocks and ages leave an event, as far as they hang on no other day. */
export function boundsOf(world: World, label: Label, event: Event): Bounds {
  if (event.crew && event.fish) return NEVER;
  let from = label.day;
  let to = LATE;
  for (const b of event.batches) {
    const [soonest, latest] = batchBounds(world, label, b);
    from = Math.max(from, soonest);
    to = Math.min(to, latest);
  }
  if (event.batches.filter((b) => b.fish).length > 1) from = Math.max(from, afterFirstFish(world, label));
  return [from, to];
}

/** First and last day; none where the first is after the last. */
type Bounds = readonly [number, number];
const NEVER: Bounds = [0, -1];

/** The same of one batch, whatever else is in its event. */
export function batchBounds(world: World, label: Label, b: Batch): Bounds {
  const [gentle, middling, fierce] = label.fishFirst;
  if (b.crew && Math.min(gentle, middling, fierce) < LATE) return NEVER;
  const soonest = soonestOf(world, label, b);
  if (!b.fish) return [soonest, b.latest];
  const mayBeFirst = b.few && firstFish(label) === LATE;
  const order = Math.max(label.crewLast + 1, mayBeFirst ? NONE : afterFirstFish(world, label));
  // On the very day of a fiercer one, no later.
  const fiercer = Math.min(b.gentlest < 1 ? middling : LATE, b.gentlest < 2 ? fierce : LATE);
  return [Math.max(soonest, order), Math.min(fiercer, b.latest)];
}

/** The day on which the first fish was planned; late where none was. */
export const firstFish = ({ fishFirst: [gentle, middling, fierce] }: Label): number =>
  Math.min(gentle, middling, fierce);

/** The day from which fish may come in any number, where one wish of few is to come first. */
export const afterFirstFish = ({ p, setFish }: World, label: Label): number =>
  p.fewFirst ? Math.min(firstFish(label), setFish) + 1 : NONE;

/** Before, on and after each release that is set. */
export function spansOf(world: World, event: Event, from: number, to: number): (readonly [number, number])[] {
  if (world.set.length === 0) return [[from, to]];
  const forced = event.batches.find((b) => b.releasedOn !== null)?.releasedOn ?? null;
  if (forced !== null) return forced >= from && forced <= to ? [[forced, forced]] : [];
  const edges = [...new Set(world.set.map((s) => s.release))]
    .filter((d) => d >= from && d <= to)
    .sort((a, b) => a - b);
  const spans: [number, number][] = [];
  let next = from;
  for (const edge of edges) {
    if (edge > next) spans.push([next, edge - 1]);
    spans.push([edge, edge]);
    next = edge + 1;
  }
  if (next <= to) spans.push([next, to]);
  return spans;
}

/** A day on which an event may be, with the load that has entered by then. */
export interface Fit {
  day: number;
  days: number[];
  sums: number[];
}

/** The first day of a span on which everything but money lets an event be. */
export function earliest(world: World, label: Label, event: Event, from: number, to: number): Fit | null {
  const { p, set } = world;
  const before = label.sums[label.sums.length - 1] ?? 0;
  const after = before + event.loadMgN;
  for (let day = from; day <= to; day++) {
    if (event.heavy && world.setHeavy.length > 0 && !settles(world, label, day)) continue;
    if (set.length > 0 && !inOrder(world, label, event, day)) continue;
    // R5: nothing of the event itself was there thirty days before.
    let set30 = p.displayLoadMgN;
    let setNow = p.displayLoadMgN;
    for (const r of world.setLoads) {
      if (r.day <= day) setNow += r.loadMgN;
      if (r.day <= day - DOUBLING_DAYS) set30 += r.loadMgN;
    }
    const most = Math.max(2 * (set30 + sumBy(label, day - DOUBLING_DAYS)), world.calendar.firstStepBy(day));
    if (setNow + after > most + SLACK) {
      // With all of it thirty days old there is no more to wait for.
      if (day - DOUBLING_DAYS >= label.day && world.setLoads.every((r) => r.day <= day - DOUBLING_DAYS))
        return null;
      continue;
    }
    if (!canBuy(world, label, event.batches, day)) continue;
    const days = [...label.days, day];
    const sums = [...label.sums, after];
    if (
      set.length > 0 &&
      set.some(
        (s, i) => s.release >= day && world.setFits[i] && doubles(world, days, sums, s.release) > SLACK,
      )
    )
      continue;
    if (p.water && !world.ammonia.fits(withSums(days, sums))) continue;
    return { day, days, sums };
  }
  return null;
}

/** What was planned to enter by a day. */
function sumBy({ days, sums }: Label, day: number): number {
  for (let i = days.length - 1; i >= 0; i--) if ((days[i] as number) <= day) return sums[i] as number;
  return 0;
}

const withSums = (days: readonly number[], sums: readonly number[]): Released[] =>
  days.map((day, i) => ({ day, loadMgN: (sums[i] as number) - (i > 0 ? (sums[i - 1] as number) : 0) }));

/** R4 for a load that enters on a day: against what is planned and what is set. */
function settles(world: World, label: Label, day: number): boolean {
  const { p, setHeavy } = world;
  if (label.lastHeavy !== NONE && day !== label.lastHeavy && day - label.lastHeavy < p.settleDays)
    return false;
  let first = label.firstHeavy === NONE ? day : Math.min(day, label.firstHeavy);
  for (const h of setHeavy) {
    if (h !== day && Math.abs(h - day) < p.settleDays) return false;
    first = Math.min(first, h);
  }
  if (day !== first && day - first < p.firstSettleDays) return false;
  return day !== first || setHeavy.every((h) => h === first || h - first >= p.firstSettleDays);
}

/** R7 on a day against what is set; what is planned has given the bounds. */
function inOrder({ p, set, setFish }: World, label: Label, event: Event, day: number): boolean {
  // Whoever is set to be the first fish is to be alone.
  if (event.fish && day === setFish && firstFish(label) === LATE) return false;
  for (const s of set) {
    const other = p.wishes[s.wish] as Wish;
    if (event.crew && other.line === 'fish' && s.release <= day) return false;
    if (!event.fish) continue;
    if (isCrew(other) && s.release >= day) return false;
    if (other.line !== 'fish') continue;
    const theirs = other.temperament ?? 0;
    if (theirs > event.gentlest && s.release < day) return false;
    if (theirs < event.fiercest && s.release > day) return false;
  }
  return true;
}

/** Can each batch be bought in time for a release on a day? */
function canBuy(world: World, label: Label, event: readonly Batch[], day: number): boolean {
  const { calendar, p, set, open } = world;
  for (const batch of event) {
    if (batch.boughtOn !== null || set.length > 0 || open.length > 0) {
      if (buyOf(world, label, batch, null, day) === null) return false;
      continue;
    }
    const stay = calendar.quarantines[batch.quarantine] as StayCalendar;
    if (!stay.releaseAllowed(day)) return false;
    const from = Math.max(label.free[batch.quarantine] as number, stay.buyLeast(day), p.today);
    if (calendar.lastBuyUpTo(stay.buyMost(day)) < from) return false;
  }
  return true;
}

/** The purchase day of each batch for a release on a day, as late as the clock lets it; null where one has none.
 *  @param months the month each is to be bought in; null where that does not matter */
export function buysFor(
  world: World,
  label: Label,
  event: readonly Batch[],
  months: readonly (number | null)[] | null,
  day: number,
): number[] | null {
  const buys: number[] = [];
  for (let k = 0; k < event.length; k++) {
    const buy = buyOf(world, label, event[k] as Batch, months?.[k] ?? null, day);
    if (buy === null) return null;
    buys.push(buy);
  }
  return buys;
}

/** The same for one batch. */
function buyOf(world: World, label: Label, batch: Batch, m: number | null, day: number): number | null {
  const days = windowOf(world, label, batch, day);
  if (!days) return null;
  const { calendar } = world;
  const month = m === null ? null : (calendar.months[m] as Calendar['months'][number]);
  if (batch.boughtOn !== null) {
    const buy = batch.boughtOn;
    return month && (buy < month.from || buy > month.to) ? null : buy;
  }
  const buy = calendar.lastBuyUpTo(Math.min(days[1], month?.to ?? LATE));
  return buy < Math.max(days[0], month?.from ?? NONE) ? null : buy;
}

/** First and last day on which a batch could be bought for a release on a day, shop days aside; null where it cannot be released. */
export function windowOf(
  world: World,
  label: Label,
  batch: Batch,
  day: number,
): readonly [number, number] | null {
  const { p, calendar, set, open } = world;
  const stay = calendar.quarantines[batch.quarantine] as Calendar['quarantines'][number];
  if (!stay.releaseAllowed(day)) return null;
  const most = stay.buyMost(day);
  if (batch.boughtOn !== null) {
    // Bought already, or joining a batch that is set: its own stay must pass as any other.
    const buy = batch.boughtOn;
    if (buy > most || buy < stay.buyLeast(day)) return null;
    return !batch.isOwn && overlapsAnother(world, label, batch, day) ? null : [buy, buy];
  }
  let from = Math.max(label.free[batch.quarantine] as number, stay.buyLeast(day), p.today);
  for (const s of set) {
    if (s.quarantine !== batch.quarantine || s.buy > day) continue;
    if (s.release >= day) return null;
    from = Math.max(from, s.release + 1);
  }
  for (const o of open)
    if (
      o.quarantine === batch.quarantine &&
      !label.placed[o.wishes[0] as number] &&
      (o.boughtOn as number) <= day
    )
      return null;
  return [from, most];
}

/** Does another stay of the same quarantine, bought or set, overlap that of a bought batch? The person's own is kept; nobody is added to it. */
function overlapsAnother({ set, open }: World, label: Label, batch: Batch, day: number): boolean {
  const buy = batch.boughtOn as number;
  const overlaps = (quarantine: number, from: number, to: number) =>
    quarantine === batch.quarantine && from !== buy && from <= day && to >= buy;
  return (
    set.some((s) => overlaps(s.quarantine, s.buy, s.release)) ||
    open.some((o) => overlaps(o.quarantine, o.boughtOn as number, releaseOf(label, o)))
  );
}

/** The day on which a batch was released; late where it was not. */
function releaseOf(label: Label, batch: Batch): number {
  for (let l: Label | null = label; l; l = l.parent)
    if (l.batches.some((b) => b.wishes.some((wish) => batch.wishes.includes(wish)))) return l.day;
  return LATE;
}

export function labelAt(
  world: World,
  label: Label,
  event: Event,
  { day, days, sums }: Fit,
  ways: readonly Paid[],
): Label {
  const { p } = world;
  const placed = [...label.placed];
  const free = [...label.free];
  const fishFirst: Label['fishFirst'] = [...label.fishFirst];
  const worth: Worth = {
    placed: [...label.worth.placed],
    last: Math.max(label.worth.last, day),
    batches: label.worth.batches,
    sum: label.worth.sum,
  };
  let { crewLast } = label;
  for (const batch of event.batches) {
    free[batch.quarantine] = Math.max(free[batch.quarantine] as number, day + 1);
    if (batch.boughtOn === null) worth.batches++;
    for (const i of batch.wishes) {
      const w = p.wishes[i] as Wish;
      placed[i] = true;
      worth.placed[world.levelOf[i] as number]!++;
      worth.sum += day;
      if (w.line === 'fish') {
        const t = (w.temperament ?? 0) as 0 | 1 | 2;
        fishFirst[t] = Math.min(fishFirst[t], day);
      }
      if (w.line === 'invertebrate' && w.crew) crewLast = Math.max(crewLast, day);
    }
  }
  return {
    placed,
    key: keyOf(placed, label.mask | event.mask),
    mask: label.mask | event.mask,
    day,
    firstHeavy: event.heavy && label.firstHeavy === NONE ? day : label.firstHeavy,
    lastHeavy: event.heavy ? day : label.lastHeavy,
    crewLast,
    fishFirst,
    free,
    days,
    sums,
    ways,
    wanted: label.wanted,
    leftBy: label.leftBy,
    bills: label.bills,
    worth,
    parent: label,
    batches: event.batches,
    told: null,
    entering: null,
  };
}
