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
  | { code: 'inRock' }
  /** `back`: the other reaches it as well. */
  | { code: 'stings'; other: string; gapCm: number; reachCm: number; back: boolean }
  | { code: 'growsInto'; other: string; gapCm: number }
  | { code: 'tooBright'; light: Light; high: number }
  | { code: 'tooDim'; light: Light; low: number }
  | { code: 'wrongFlow'; flow: string; wants: string }
  | { code: 'onSand' }
  | { code: 'shades'; other: string }
  | { code: 'hangs'; rockCm: number }
);

/** Soonest lost first. */
const WORST_FIRST: readonly Misplaced['code'][] = [
  'outside',
  'inRock',
  'stings',
  'tooBright',
  'tooDim',
  'onSand',
  'wrongFlow',
  'growsInto',
  'shades',
  'hangs',
];

/** Half its width when grown up, cm. */
export const reachOf = (s: Species): number => s.adultCm / 2;

/** What speaks against the places, the worst first. */
export function misplaced(board: Board, glass: Glass, placed: readonly Placed[]): Misplaced[] {
  const rank = (m: Misplaced): number => WORST_FIRST.indexOf(m.code);
  return placed
    .flatMap((p, i) => [
      ...ofThePlace(board, glass, p),
      ...placed.slice(i + 1).flatMap((other) => ofTwo(p, other)),
    ])
    .sort((a, b) => rank(a) - rank(b));
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
  const rockCm = Math.min(...board.rocks.map((r) => toRockCm(r, spot)));
  if (rockCm > PLACEMENT.holdCm && Number.isFinite(rockCm) && !isOnGlass(glass, spot))
    found.push({ id, code: 'hangs', rockCm });
  return found;
}

/** From a spot to the nearest of a block, cm; 0 within it. */
const toRockCm = (rock: Board['rocks'][number], { xCm, yCm, zCm }: Spot): number =>
  Math.hypot(
    Math.max(0, rock.xCm - xCm, xCm - rock.xCm - rock.widthCm),
    Math.max(0, rock.yCm - yCm, yCm - rock.yCm - rock.depthCm),
    Math.max(0, zCm - rock.heightCm),
  );

/** On the bottom, or so near a pane that it may stand on it or on a rack there. */
const isOnGlass = (glass: Glass, { xCm, yCm, zCm }: Spot): boolean =>
  zCm < PLACEMENT.sandCm || Math.min(xCm, glass.lengthCm - xCm, yCm, glass.widthCm - yCm) <= PLACEMENT.holdCm;

/** Under the top of a block and behind its sides: whoever stands there has rock over it. */
const isWithin = (rock: Board['rocks'][number], { xCm, yCm, zCm }: Spot): boolean =>
  xCm > rock.xCm &&
  xCm < rock.xCm + rock.widthCm &&
  yCm > rock.yCm &&
  yCm < rock.yCm + rock.depthCm &&
  zCm < rock.heightCm - PLACEMENT.inRockCm;

const FLOW = { low: 0, medium: 1, high: 2 } as const;

const stingOf = (p: Placed): number => p.species.coral?.stingCm ?? 0;

/** What two do to each other, grown up. The touch of its own kind each bears, its shade it does not. */
function ofTwo(a: Placed, b: Placed): Misplaced[] {
  const shade = [...shading(a, b), ...shading(b, a)];
  if (a.species.id === b.species.id) return shade;
  const gapCm = distanceCm(a.spot, b.spot) - reachOf(a.species) - reachOf(b.species);
  const [far, near] = stingOf(a) >= stingOf(b) ? [a, b] : [b, a];
  const reachCm = stingOf(far);
  if (reachCm > 0 && gapCm < reachCm) {
    const back = gapCm < stingOf(near);
    return [{ id: far.id, code: 'stings', other: near.id, gapCm, reachCm, back }, ...shade];
  }
  return gapCm < 0 ? [{ id: a.id, code: 'growsInto', other: b.id, gapCm }, ...shade] : shade;
}

function shading(over: Placed, under: Placed): Misplaced[] {
  const beside = Math.hypot(over.spot.xCm - under.spot.xCm, over.spot.yCm - under.spot.yCm);
  const takes = over.spot.zCm > under.spot.zCm + PLACEMENT.shadeCm && beside < reachOf(over.species);
  return takes && under.species.coral ? [{ id: over.id, code: 'shades', other: under.id }] : [];
}
