/** Where anything better could lie, as far as days and months go: partial plans for which money is only a matter of months, and what could follow each
 *  of them. Whoever looks at money in full needs to look nowhere else. */
import { after } from './after';
import { isHopeless, prospectOf } from './bounds';
import { Heap, Kept } from './kept';
import { start } from './start';
import { type Batch, compareWorth, LATE, type Label, type World, type Worth } from './world';

/** A partial plan and what could follow it. */
export interface Place {
  label: Label;
  steps: { batches: readonly Batch[]; until: number; to: Place }[];
  /** Another that is at least as good in all but money: what could follow this one could follow that. */
  instead: Place | null;
  leads: boolean | null;
}

/** @param world one in which money is a matter of months, and no quarantine stands for another that is like it
 *  @param best only what is better is followed. @returns where to begin; null where there was no time */
export function pathsTo(world: World, best: Worth): Place | null {
  const kept = new Kept(world);
  const places = new Map<Label, Place>();
  const placeOf = (label: Label): Place => {
    const known = places.get(label);
    if (known) return known;
    const place: Place = { label, steps: [], instead: null, leads: null };
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
      if (isHopeless(world, child, prospectOf(world, child), best)) continue;
      const to = placeOf(child);
      place.steps.push({ batches: child.batches, until: spanEnd(world, child.day), to });
      if (kept.add(child, onDropped)) open.push(to);
    }
  }
  return root;
}

/** The place that stands for one. */
export function standsFor(place: Place): Place {
  let p = place;
  while (p.instead) p = p.instead;
  return p;
}

/** Could something better follow? */
export function leads(place: Place, best: Worth): boolean {
  const p = standsFor(place);
  p.leads ??= compareWorth(p.label.worth, best) < 0 || p.steps.some(({ to }) => leads(to, best));
  return p.leads;
}

/** The last day of those that lie alike among the releases that are set. */
export function spanEnd({ set }: World, day: number): number {
  let end = LATE;
  for (const { release } of set) if (release >= day) end = Math.min(end, release === day ? day : release - 1);
  return end;
}
