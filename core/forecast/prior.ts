/** What is believed of a tank before its readings: independent standard normals, turned into natural units. Medians and spreads from the
 *  ranges practice and papers give (doubling 20-50 h and 30-80 h, half-saturations 0.1-1 mg N/L, rot 0.1-0.5 a day, bottles from dead to
 *  full strength, net volume 5-15 % uncertain). The tank is not the model: growth wanders from week to week, and kits err together. */
import type { Tank } from '../document';
import type { TankParams } from './kernel';
import { WEEKS } from './kernel';
import { ACT, type Timeline } from './timeline';

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

/** How far weekly growth wanders (log scale) and how much of it stays from week to week. */
export const WANDER_SD = 0.2;
export const WANDER_KEPT = 0.6;

/** The ranges below are taken as a little wider than one standard deviation: with the whole of them the 80 % intervals held the truth
 *  in nine of ten judged tanks. */
const SPREAD_KEPT = 0.88;

export interface Prior {
  median: Float64Array;
  sd: Float64Array;
}

export function priorFor(tank: Tank, t: Timeline): Prior {
  const median = new Float64Array(PRIMARY);
  const sd = new Float64Array(PRIMARY);
  const set = (i: number, m: number, s: number) => {
    median[i] = Math.log(m);
    sd[i] = s * SPREAD_KEPT;
  };
  const seeded = t.acts.some((a) => a.code === ACT.bottle || a.code === ACT.mature);
  const silent = !seeded && tank.bacteriaSource !== 'none';
  set(Z.x0, silent ? (tank.bacteriaSource === 'media' ? 0.25 : 0.03) : 0.004, silent ? 1.6 : 1.3);
  set(Z.y0, silent ? (tank.bacteriaSource === 'media' ? 0.2 : 0.01) : 0.0015, silent ? 1.7 : 1.4);
  set(Z.bottleA, 0.1, 1.5);
  set(Z.bottleN, 0.035, 1.7);
  set(Z.matureA, 1.1, 1.4);
  set(Z.matureN, 0.9, 1.5);
  set(Z.muA, 0.55, 0.3);
  set(Z.muN, 0.42, 0.3);
  set(Z.ka, 0.33, 0.55);
  set(Z.kn, 0.28, 0.6);
  set(Z.lag, 1.5, 0.8);
  set(Z.rotFood, 0.35, 0.4);
  set(Z.rotSlow, 0.2, 0.45);
  // Ocean rock that was dried rots even where something else is meant to be the source; rock from the quarry does not.
  const rots = tank.ammoniaSource === 'dieOff' || tank.rockKind === 'driedOcean';
  set(Z.dieOff, rots ? 1.5 : tank.rockKind === 'cured' ? 0.2 : 0.05, rots ? 0.8 : 1);
  set(Z.volume, 1, Math.max(0.06, Math.min(0.12, t.volumeSdShare * 1.4)));
  set(Z.loss, 0.006, 1);
  set(Z.alkalinity, 8.5, 0.15);
  set(Z.food, 1, 0.25);
  set(Z.decay, 0.024, 0.55);
  set(Z.kitA, 1, 0.12);
  set(Z.kitN, 1, 0.12);
  set(Z.kitR, 1, 0.2);
  set(Z.max, 40, 0.5);
  set(Z.kiA, 14, 0.6);
  set(Z.kiN, 20, 0.6);
  return { median, sd };
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
  const fresh = Math.sqrt(1 - WANDER_KEPT * WANDER_KEPT);
  for (let g = 0; g < 2; g++) {
    let w = 0;
    for (let k = 0; k < WEEKS; k++) {
      const e = z[at + PRIMARY + g * WEEKS + k] as number;
      w = k === 0 ? e : WANDER_KEPT * w + fresh * e;
      out[g * WEEKS + k] = Math.exp(WANDER_SD * w);
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
