/** A good plan soon: layer by layer, by some batches only, the most promising partial plans of each layer are followed, and in later rounds those that
 *  were left waiting. Every round reaches whole plans; none is proved the best. */
import { after } from './after';
import { lastAtLeast } from './ends';
import { morePlaced } from './exhaust';
import { batchesAtLeast } from './fewest';
import { Kept } from './kept';
import type { Label, Prospect } from './label';
import { prospectOf } from './prospects';
import type { World } from './world';

/** A partial plan with what may become of it. */
interface Promised {
  label: Label;
  prospect: Prospect;
  last: number;
  batches: number;
}

/** Partial plans of as many events. */
interface Layer {
  kept: Kept;
  waiting: Promised[];
}

/** @param widths of each round, how many of a layer are followed
 *  @param consider hears of every partial plan */
export function beam(
  world: World,
  root: Label,
  widths: readonly number[],
  consider: (label: Label) => void,
): void {
  const first: Layer = { kept: new Kept(world), waiting: [promise(world, root)] };
  first.kept.add(root);
  const layers = [first];
  for (const width of widths) {
    let isAny = false;
    for (let depth = 0; depth < layers.length; depth++) {
      const chosen = takeFrom(layers[depth] as Layer, width);
      if (chosen.length === 0) continue;
      isAny = true;
      const next = (layers[depth + 1] ??= { kept: new Kept(world), waiting: [] });
      const born: Label[] = [];
      for (const { label, prospect } of chosen)
        for (const child of after(world, label, prospect, true, null)) {
          if (!world.mayGoOn()) return;
          consider(child);
          if (next.kept.add(child)) born.push(child);
        }
      for (const label of born) if (next.kept.has(label)) next.waiting.push(promise(world, label));
    }
    if (!isAny) return;
  }
}

function promise(world: World, label: Label): Promised {
  const prospect = prospectOf(world, label);
  return {
    label,
    prospect,
    last: lastAtLeast(world, label, prospect),
    batches: label.worth.batches + batchesAtLeast(world, prospect.sure),
  };
}

/** Half by what may still become of them, half by what they have reached: the first may wait for ever. */
function takeFrom(layer: Layer, width: number): readonly Promised[] {
  const alive = layer.waiting.filter(({ label }) => layer.kept.has(label));
  const half = Math.ceil(width / 2);
  const chosen = new Set(alive.sort(moreHopeful).slice(0, half));
  const further = [...alive].sort((a, b) => done(b) - done(a) || a.label.day - b.label.day);
  for (const x of further.slice(0, half)) chosen.add(x);
  layer.waiting = alive.filter((x) => !chosen.has(x));
  return [...chosen];
}

const done = ({ label }: Promised): number => label.worth.placed.reduce((sum, n) => sum + n, 0);

const moreHopeful = (a: Promised, b: Promised): number =>
  morePlaced(a.prospect, b.prospect) ||
  a.last - b.last ||
  done(b) - done(a) ||
  a.batches - b.batches ||
  a.label.worth.sum - b.label.worth.sum;
