/** Where anything better could lie, as far as days and months go: partial plans for which money is only a matter of months, and what could follow each
 *  of them. Whoever looks at money in full needs to look nowhere else. */
import { after } from './after';
import { prospectOf } from './bounds';
import { Heap, Kept } from './kept';
import { start } from './start';
import { type Batch, compareWorth, LATE, type Label, type World, type Worth } from './world';

/** A partial plan and what could follow it. */
export interface Place {
  label: Label;
  steps: { batches: readonly Batch[]; until: number; to: Place }[];
  /** Another that is at least as good in all but money: what could follow this one could follow that. */
  instead: Place | null;
  /** What could come after it, once that is known. */
  rests: readonly Worth[] | null;
}

/** @param world one in which money is a matter of months, and no quarantine stands for another that is like it
 *  @param best only what is better is followed. @returns where to begin; null where there was no time */
export function pathsTo(world: World, best: Worth): Place | null {
  const kept = new Kept(world);
  const places = new Map<Label, Place>();
  const placeOf = (label: Label): Place => {
    const known = places.get(label);
    if (known) return known;
    const place: Place = { label, steps: [], instead: null, rests: null };
    places.set(label, place);
    return place;
  };
  const onDropped = (dropped: Label, by: Label) => {
    placeOf(dropped).instead = placeOf(by);
  };
  const open = new Heap<Place>((a, b) => a.label.day - b.label.day);
  const root = placeOf(start(world));
  kept.add(root.label);
  open.push(root);
  for (let place = open.pop(); place; place = open.pop()) {
    if (place.instead) continue;
    const { label } = place;
    for (const child of after(world, label, prospectOf(world, label), false, best)) {
      if (!world.mayGoOn()) return null;
      const to = placeOf(child);
      place.steps.push({ batches: child.batches, until: spanEnd(world, child.day), to });
      if (kept.add(child, onDropped)) open.push(to);
    }
  }
  return world.mayGoOn() ? root : null;
}

/** The place that stands for one. */
export function standsFor(place: Place): Place {
  let p = place;
  while (p.instead) p = p.instead;
  return p;
}

/** Could a partial plan that stands on a place lead to something better? Its days may be later than those of the place, which thought less of money; what
 *  is still to come is then no sooner. */
export function leadsOn(worth: Worth, place: Place, best: Worth): boolean {
  return restsOf(place, best.placed).some((rest) => compareWorth(together(worth, rest), best) < 0);
}

/** The best that could be found along paths, or what is known where that is no worse. */
export function bestAlong(paths: Place, known: Worth): Worth {
  const { worth } = paths.label;
  return restsOf(paths, known.placed)
    .map((rest) => together(worth, rest))
    .reduce((best, next) => (compareWorth(next, best) < 0 ? next : best), known);
}

const together = (worth: Worth, rest: Worth): Worth => ({
  placed: rest.placed,
  last: Math.max(worth.last, rest.last),
  batches: worth.batches + rest.batches,
  sum: worth.sum + rest.sum,
});

/** What could come after a place, to the end: who is placed then, when it ends, and what is added to batches and sum; of two alike in who is placed only
 *  that which is better in something. @param least ends that place fewer are of no use */
function restsOf(place: Place, least: readonly number[]): readonly Worth[] {
  const here = standsFor(place);
  if (here.rests) return here.rests;
  const rests: Worth[] = [];
  const add = (rest: Worth) => {
    const beats = (a: Worth, b: Worth) =>
      morePlaced(a.placed, b.placed) === 0 && a.last <= b.last && a.batches <= b.batches && a.sum <= b.sum;
    if (morePlaced(rest.placed, least) < 0 || rests.some((other) => beats(other, rest))) return;
    for (let i = rests.length - 1; i >= 0; i--) if (beats(rest, rests[i] as Worth)) rests.splice(i, 1);
    rests.push(rest);
  };
  const { worth } = here.label;
  add({ placed: worth.placed, last: worth.last, batches: 0, sum: 0 });
  for (const { to } of here.steps)
    for (const rest of restsOf(to, least))
      add({
        placed: rest.placed,
        last: Math.max(to.label.worth.last, rest.last),
        batches: to.label.worth.batches - worth.batches + rest.batches,
        sum: to.label.worth.sum - worth.sum + rest.sum,
      });
  here.rests = rests;
  return rests;
}

/** Above zero where of one there are more, by level. */
function morePlaced(a: readonly number[], b: readonly number[]): number {
  for (let i = 0; i < a.length; i++) if (a[i] !== b[i]) return (a[i] as number) - (b[i] as number);
  return 0;
}

/** The last day of those that lie alike among the releases that are set. */
export function spanEnd({ set }: World, day: number): number {
  let end = LATE;
  for (const { release } of set) if (release >= day) end = Math.min(end, release === day ? day : release - 1);
  return end;
}
