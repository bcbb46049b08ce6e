/** A way to set the rock, in figures: what of the ground it takes, and how much room it leaves. */
import type { Glass } from './conflicts';
import type { Board } from './field';

type Block = Board['rocks'][number];

export interface LayoutFacts {
  /** Share of the ground that is covered, 0 to 1; blocks on one another count once. */
  share: number;
  /** Water above the highest block, cm. */
  freeAboveCm: number;
  /** Room to the glass, cm: the least of all blocks at each side. */
  gapCm: { left: number; right: number; front: number; back: number };
  /** The narrowest way between two blocks that do not touch, cm; null where there is none. */
  narrowestCm: number | null;
}

/** Null without rock. */
export function layoutFacts(rocks: readonly Block[], glass: Glass): LayoutFacts | null {
  if (rocks.length === 0) return null;
  const least = (of: (b: Block) => number): number => Math.min(...rocks.map(of));
  const ways = rocks.flatMap((a, i) => rocks.slice(i + 1).map((b) => betweenCm(a, b)));
  const open = ways.filter((cm) => cm > 0);
  return {
    share: coveredCm2(rocks, glass) / (glass.lengthCm * glass.widthCm),
    freeAboveCm: least((b) => glass.waterCm - b.heightCm),
    gapCm: {
      left: least((b) => b.xCm),
      right: least((b) => glass.lengthCm - b.xCm - b.widthCm),
      front: least((b) => b.yCm),
      back: least((b) => glass.widthCm - b.yCm - b.depthCm),
    },
    narrowestCm: open.length > 0 ? Math.min(...open) : null,
  };
}

/** Between two blocks seen from above; 0 where they touch or stand on one another. */
function betweenCm(a: Block, b: Block): number {
  const across = Math.max(0, b.xCm - (a.xCm + a.widthCm), a.xCm - (b.xCm + b.widthCm));
  const deep = Math.max(0, b.yCm - (a.yCm + a.depthCm), a.yCm - (b.yCm + b.depthCm));
  return Math.hypot(across, deep);
}

/** Ground under the blocks within the glass: cut at every edge into fields that are covered whole or not at all. */
function coveredCm2(rocks: readonly Block[], glass: Glass): number {
  const edges = (max: number, ends: (b: Block) => [number, number]): number[] =>
    [...new Set(rocks.flatMap(ends).map((cm) => Math.min(max, cm)))].sort((a, b) => a - b);
  const xs = edges(glass.lengthCm, (b) => [b.xCm, b.xCm + b.widthCm]);
  const ys = edges(glass.widthCm, (b) => [b.yCm, b.yCm + b.depthCm]);
  const covers = (b: Block, x: number, y: number): boolean =>
    x > b.xCm && x < b.xCm + b.widthCm && y > b.yCm && y < b.yCm + b.depthCm;
  let area = 0;
  for (const [i, x] of xs.slice(0, -1).entries())
    for (const [j, y] of ys.slice(0, -1).entries()) {
      const [right, back] = [xs[i + 1] ?? x, ys[j + 1] ?? y];
      if (rocks.some((b) => covers(b, (x + right) / 2, (y + back) / 2))) area += (right - x) * (back - y);
    }
  return area;
}

export const sameRocks = (a: readonly Block[], b: readonly Block[]): boolean =>
  JSON.stringify(a) === JSON.stringify(b);
