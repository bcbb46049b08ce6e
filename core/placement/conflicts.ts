/** Whether each stands where it does well, grown up: light, flow, room to its neighbours, shade. */
import type { Species } from '../species';
import { distanceCm, flowAt, lightAt, type Board, type Light, type Spot } from './field';
import { PLACEMENT } from './limits';

export interface Placed {
  id: string;
  species: Species;
  spot: Spot;
}

export interface Glass {
  lengthCm: number;
  widthCm: number;
  waterCm: number;
}

export type Misplaced = { id: string } & (
  | { code: 'outside' }
  | { code: 'tooBright'; light: Light; high: number }
  | { code: 'tooDim'; light: Light; low: number }
  | { code: 'wrongFlow'; flow: string; wants: string }
  | { code: 'stings'; other: string; gapCm: number; reachCm: number }
  | { code: 'growsInto'; other: string; gapCm: number }
  | { code: 'shades'; other: string }
  | { code: 'onSand' }
  | { code: 'inRock' }
);

/** Half its width when grown up, cm. */
export const reachOf = (s: Species): number => s.adultCm / 2;

export function misplaced(board: Board, glass: Glass, placed: readonly Placed[]): Misplaced[] {
  return placed.flatMap((p) => [
    ...ofThePlace(board, glass, p),
    ...placed.flatMap((other) => (other === p ? [] : ofTwo(p, other))),
  ]);
}

function ofThePlace(board: Board, glass: Glass, { id, species, spot }: Placed): Misplaced[] {
  const { coral } = species;
  const found: Misplaced[] = [];
  if (spot.xCm > glass.lengthCm || spot.yCm > glass.widthCm || spot.zCm > glass.waterCm)
    return [{ id, code: 'outside' }];
  if (!coral) return found;
  const [low, high] = coral.light;
  if (board.rocks.some((r) => isWithin(r, spot))) return [{ id, code: 'inRock' }];
  const light = lightAt(board, spot, glass.waterCm);
  if (light && light.par > high * PLACEMENT.lightSlack) found.push({ id, code: 'tooBright', light, high });
  if (light && light.par < low / PLACEMENT.lightSlack) found.push({ id, code: 'tooDim', light, low });
  const flow = flowAt(board, spot);
  const apart = flow === null ? 0 : Math.abs(FLOW[flow] - FLOW[coral.flow]);
  // One step aside most corals bear; from still to torn none does.
  if (flow !== null && apart > 1) found.push({ id, code: 'wrongFlow', flow, wants: coral.flow });
  if (species.is.includes('smallPolyp') && spot.zCm < PLACEMENT.sandCm) found.push({ id, code: 'onSand' });
  return found;
}

/** Under the top of a block and behind its sides: whoever stands there has rock over it. */
const isWithin = (rock: Board['rocks'][number], { xCm, yCm, zCm }: Spot): boolean =>
  xCm > rock.xCm &&
  xCm < rock.xCm + rock.widthCm &&
  yCm > rock.yCm &&
  yCm < rock.yCm + rock.depthCm &&
  zCm < rock.heightCm - PLACEMENT.inRockCm;

const FLOW = { low: 0, medium: 1, high: 2 } as const;

/** What one does to the other, grown up. Its own kind it bears. */
function ofTwo(a: Placed, b: Placed): Misplaced[] {
  if (a.species.id === b.species.id) return [];
  const between = distanceCm(a.spot, b.spot);
  const gapCm = between - reachOf(a.species) - reachOf(b.species);
  const reachCm = a.species.coral?.stingCm ?? 0;
  const found: Misplaced[] = [];
  if (reachCm > 0 && gapCm < reachCm) found.push({ id: a.id, code: 'stings', other: b.id, gapCm, reachCm });
  else if (gapCm < 0 && a.id < b.id && (b.species.coral?.stingCm ?? 0) === 0)
    found.push({ id: a.id, code: 'growsInto', other: b.id, gapCm });
  const beside = Math.hypot(a.spot.xCm - b.spot.xCm, a.spot.yCm - b.spot.yCm);
  if (a.spot.zCm > b.spot.zCm + PLACEMENT.shadeCm && beside < reachOf(a.species) && b.species.coral)
    found.push({ id: a.id, code: 'shades', other: b.id });
  return found;
}
