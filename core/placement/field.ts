/** Light and flow at a place of the glass, from what was measured or said near it. */
import type { Display } from '../document';
import { PLACEMENT } from './limits';

export type Board = NonNullable<Display['board']>;
export const EMPTY_BOARD: Board = { par: [], surfacePar: null, flow: [], rocks: [] };

/** Cm from the left, from the front, above the bottom. */
export interface Spot {
  xCm: number;
  yCm: number;
  zCm: number;
}

export interface Light {
  par: number;
  /** Measured near it, between points further off, or reckoned from the surface. */
  by: 'measured' | 'between' | 'guess';
}

export const distanceCm = (a: Spot, b: Spot): number =>
  Math.hypot(a.xCm - b.xCm, a.yCm - b.yCm, a.zCm - b.zCm);

/** PAR at a place: between measured points by the inverse square of the distance, over logarithms, as light falls by shares (Shepard 1968);
 *  without any from the surface down. Null where nobody knows. Check by hand: half way between 100 and 400 it is 200.
 *  @param waterCm height of the water */
export function lightAt(board: Board, spot: Spot, waterCm: number): Light | null {
  if (board.par.length === 0)
    return board.surfacePar === null
      ? null
      : {
          par: board.surfacePar * Math.exp(-PLACEMENT.dimPerCm * Math.max(0, waterCm - spot.zCm)),
          by: 'guess',
        };
  let weights = 0;
  let sum = 0;
  let nearest = Infinity;
  for (const point of board.par) {
    const distance = Math.max(PLACEMENT.nearestCm, distanceCm(point, spot));
    nearest = Math.min(nearest, distance);
    weights += distance ** -2;
    sum += Math.log(Math.max(1, point.par)) * distance ** -2;
  }
  return { par: Math.exp(sum / weights), by: nearest <= PLACEMENT.farCm ? 'measured' : 'between' };
}

/** Flow as it was said of the nearest place; null where it was said of none. */
export function flowAt(board: Board, spot: Spot): Board['flow'][number]['flow'] | null {
  let best: Board['flow'][number] | null = null;
  for (const point of board.flow) if (!best || distanceCm(point, spot) < distanceCm(best, spot)) best = point;
  return best?.flow ?? null;
}
