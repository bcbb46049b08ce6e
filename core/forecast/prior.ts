/** What is believed of a tank before its readings: independent standard normals, turned into natural units. Medians and spreads
 *  stand in limits.ts. The tank is not the model: growth wanders from week to week, and kits err together. */
import type { Display } from '../document';
import type { TankParams } from './kernel';
import { weekOf, WEEKS } from './kernel';
import { PRIOR, TAKEN } from './limits';
import { ACT } from './acts';
import { READ, type Timeline } from './timeline';

/** Places in the vector of standard normals. */
const PRIMARY = 25;
const Z = {
  x0: 0,
  y0: 1,
  bottleA: 2,
  bottleN: 3,
  matureA: 4,
  matureN: 5,
  muA: 6,
  muN: 7,
  ka: 8,
  kn: 9,
  lag: 10,
  rotFood: 11,
  rotSlow: 12,
  dieOff: 13,
  volume: 14,
  loss: 15,
  alkalinity: 16,
  food: 17,
  decay: 18,
  kitA: 19,
  kitN: 20,
  kitR: 21,
  max: 22,
  kiA: 23,
  kiN: 24,
} as const;
export const DIMENSIONS = PRIMARY + 2 * WEEKS;

/** What is believed alike of every tank. */
const AS_BELIEVED = [
  'bottleA',
  'bottleN',
  'matureA',
  'matureN',
  'muA',
  'muN',
  'ka',
  'kn',
  'lag',
  'rotFood',
  'rotSlow',
  'loss',
  'alkalinity',
  'food',
  'decay',
  'kitA',
  'kitN',
  'kitR',
  'max',
  'kiA',
  'kiN',
] as const;

export interface Prior {
  median: Float64Array;
  sd: Float64Array;
}

export function priorFor(water: Display, t: Timeline): Prior {
  const median = new Float64Array(PRIMARY);
  const sd = new Float64Array(PRIMARY);
  const set = (i: number, [m, s]: readonly [number, number]) => {
    median[i] = Math.log(m);
    sd[i] = s * TAKEN.spreadKept;
  };
  const seeded = t.acts.some((a) => a.code === ACT.bottle || a.code === ACT.mature);
  // Of several sources the strongest is reckoned with.
  const silent = seeded ? [] : water.bacteriaSources;
  const media = silent.includes('media');
  set(Z.x0, silent.length === 0 ? PRIOR.x0 : media ? PRIOR.silentMediaX0 : PRIOR.silentBottleX0);
  set(Z.y0, silent.length === 0 ? PRIOR.y0 : media ? PRIOR.silentMediaY0 : PRIOR.silentBottleY0);
  for (const name of AS_BELIEVED) set(Z[name], PRIOR[name]);
  // Ocean rock that was dried rots even where something else is meant to be the source; rock from the quarry does not.
  const rots = water.ammoniaSource === 'dieOff' || water.rockKind === 'driedOcean';
  const cured = water.rockKind === 'cured';
  set(Z.dieOff, rots ? PRIOR.dieOffRotting : cured ? PRIOR.dieOffCured : PRIOR.dieOffDry);
  const [least, most] = PRIOR.volumeSdShare;
  set(Z.volume, [1, Math.max(least, Math.min(most, t.volumeSdShare * PRIOR.volumeSdTimes))]);
  return { median, sd };
}

/** The dimensions that a log can speak of: what nothing logged depends on stays as believed and need not be moved. Of the weekly
 *  wanderings only those of the weeks so far. */
export function reachedBy(t: Timeline): Int32Array {
  const did = (...codes: number[]) => t.acts.some((a) => codes.includes(a.code));
  const read = (what: number) => t.observations.some((o) => o.what === what);
  const unreached = new Set<number>([
    ...(did(ACT.bottle) ? [] : [Z.bottleA, Z.bottleN]),
    ...(did(ACT.mature) ? [] : [Z.matureA, Z.matureN]),
    ...(did(ACT.food) ? [] : [Z.rotFood]),
    ...(did(ACT.food, ACT.slow) ? [] : [Z.food]),
    ...(read(READ.ammonia) ? [] : [Z.kitA]),
    ...(read(READ.nitrite) ? [] : [Z.kitN]),
    ...(read(READ.nitrate) ? [] : [Z.kitR, Z.loss]),
  ]);
  const weeks = weekOf(t.nowDay) + 1;
  const primary = Array.from({ length: PRIMARY }, (_, i) => i).filter((i) => !unreached.has(i));
  const wandering = [0, 1].flatMap((g) => Array.from({ length: weeks }, (_, k) => PRIMARY + g * WEEKS + k));
  return Int32Array.from([...primary, ...wandering]);
}

/** Natural units from the standard normals at an offset; fills what is given, so that nothing is allocated. */
export function paramsFrom(z: Float64Array, at: number, prior: Prior, out: TankParams): void {
  const v = (i: number) =>
    Math.exp((prior.median[i] as number) + (prior.sd[i] as number) * (z[at + i] as number));
  out.x0 = v(Z.x0);
  out.y0 = v(Z.y0);
  out.bottleA = v(Z.bottleA);
  out.bottleN = v(Z.bottleN);
  out.matureA = v(Z.matureA);
  out.matureN = v(Z.matureN);
  out.muA = v(Z.muA);
  out.muN = v(Z.muN);
  out.ka = v(Z.ka);
  out.kn = v(Z.kn);
  out.lagDays = v(Z.lag);
  out.rotFood = v(Z.rotFood);
  out.rotSlow = v(Z.rotSlow);
  out.dieOff = v(Z.dieOff);
  out.volume = v(Z.volume);
  out.loss = v(Z.loss);
  out.alkalinity = v(Z.alkalinity);
  out.food = v(Z.food);
  out.decay = v(Z.decay);
  out.max = v(Z.max);
  out.kiA = v(Z.kiA);
  out.kiN = v(Z.kiN);
}

/** Kit bias multipliers (ammonia, nitrite, nitrate) into `out`. */
export function biasFrom(z: Float64Array, at: number, prior: Prior, out: Float64Array): void {
  for (let i = 0; i < 3; i++)
    out[i] = Math.exp((prior.sd[Z.kitA + i] as number) * (z[at + Z.kitA + i] as number));
  out[3] = 1;
}

/** Weekly growth multipliers of both groups, an autoregression of the normals behind the primary ones. */
export function noiseFrom(z: Float64Array, at: number, out: Float64Array): void {
  const fresh = Math.sqrt(1 - TAKEN.wanderKept * TAKEN.wanderKept);
  for (let g = 0; g < 2; g++) {
    let w = 0;
    for (let k = 0; k < WEEKS; k++) {
      const e = z[at + PRIMARY + g * WEEKS + k] as number;
      w = k === 0 ? e : TAKEN.wanderKept * w + fresh * e;
      out[g * WEEKS + k] = Math.exp(TAKEN.wanderSd * w);
    }
  }
}

export const emptyParams = (): TankParams => ({
  x0: 0,
  y0: 0,
  bottleA: 0,
  bottleN: 0,
  matureA: 0,
  matureN: 0,
  muA: 0,
  muN: 0,
  ka: 1,
  kn: 1,
  lagDays: 0,
  rotFood: 0,
  rotSlow: 0,
  dieOff: 0,
  volume: 1,
  loss: 0,
  alkalinity: 8,
  food: 1,
  decay: 0.05,
  max: 8,
  kiA: 1e9,
  kiN: 1e9,
});
