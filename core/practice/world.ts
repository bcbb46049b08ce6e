/** Water and bacteria of another making, for judging forecasts and for practice: a film with a ceiling that sheds as it thickens, oxygen through the day,
 *  inhibition by much substrate and by free ammonia, lags, wandering growth. It shares no equation code with the forecast. Explicit Euler
 *  in steps of a hundredth of a day; mg N/L of the real volume. */
import type { Random } from '../random';

export const DT = 0.01;

export interface Pools {
  litter: number;
  flesh: number;
  ammonium: number;
  nitrite: number;
  nitrate: number;
  first: number;
  second: number;
  dkh: number;
}

export interface Draw {
  random: Random;
  gauss: () => number;
  between: (a: number, b: number) => number;
  /** Log-normal. */
  spread: (median: number, sd: number) => number;
}

export function drawFrom(random: Random): Draw {
  const gauss = () => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(6.283185307179586 * random());
  return {
    random,
    gauss,
    between: (a, b) => a + (b - a) * random(),
    spread: (median, sd) => median * Math.exp(sd * gauss()),
  };
}

export interface OtherWorld {
  pools: Pools;
  tempC: number;
  /** What is asked of a bottle and of running media, capacities of both groups, mg N/L a day; 0 for a dead bottle. */
  bottle: () => [number, number];
  media: () => [number, number];
  /** One step from `day` on. */
  step: (day: number) => void;
  /** A new day: growth wanders. */
  wander: () => void;
  /** Ammonia and nitrite a day after `mgNPerL` of ammonia more. */
  dayAfterDose: (day: number, mgNPerL: number) => { ammonium: number; nitrite: number };
}

/** What a scenario says of the truth; the rest is drawn. Doubling times at 25 C in hours. */
export interface Given {
  doublingFirstH?: number | undefined;
  doublingSecondH?: number | undefined;
  dkh?: number | undefined;
  tempC?: number | undefined;
  bottleDead?: boolean | undefined;
}

export function otherWorld(d: Draw, given: Given = {}): OtherWorld {
  const { between, spread, random, gauss } = d;
  const drawnC = between(23.5, 27.5);
  const tempC = given.tempC ?? drawnC;
  const warm = 1.1 ** (tempC - 25);
  // Growth from doubling times at 25 C: 20-50 h and 28-80 h.
  const [first, second] = [between(20, 50), between(28, 80)];
  const grow1 = ((Math.LN2 * 24) / (given.doublingFirstH ?? first)) * warm;
  const grow2 = ((Math.LN2 * 24) / (given.doublingSecondH ?? second)) * warm;
  const half1 = spread(0.3, 0.5);
  const half2 = spread(0.25, 0.55);
  const inhibit1 = between(8, 40);
  const inhibit2 = between(10, 40);
  const held2 = between(5, 14);
  const ceiling1 = between(4, 14);
  const ceiling2 = between(4, 14);
  const starve = between(0.01, 0.06);
  const rotLitter = between(0.2, 0.5);
  const rotFlesh = between(0.1, 0.35);
  const lag1 = between(0, 4);
  const lag2 = between(0, 5);
  const gas = random() < 0.3 ? between(0.005, 0.03) : 0.003;
  const pools: Pools = {
    litter: 0,
    flesh: 0,
    ammonium: 0,
    nitrite: 0,
    nitrate: random() < 0.2 ? between(0.3, 2) : 0,
    first: spread(0.004, 1),
    second: spread(0.0015, 1.1),
    dkh: between(7, 10.5),
  };
  if (given.dkh !== undefined) pools.dkh = given.dkh;
  const drawnDead = random() < 0.2;
  const dead = given.bottleDead ?? drawnDead;
  let wander1 = 0;
  let wander2 = 0;
  const advance = (s: Pools, day: number): void => {
    const oxygen = 0.92 + 0.08 * Math.sin(6.283185 * day);
    const buffer = s.dkh / (s.dkh + 0.7);
    const q1 =
      (s.first * oxygen * buffer * s.ammonium) / (half1 + s.ammonium + (s.ammonium * s.ammonium) / inhibit1);
    const q2 =
      (s.second * oxygen * buffer * s.nitrite) /
      (half2 + s.nitrite + (s.nitrite * s.nitrite) / inhibit2) /
      (1 + (s.ammonium / held2) ** 2);
    const eaten1 = Math.min(q1 * DT, s.ammonium);
    const eaten2 = Math.min(q2 * DT, s.nitrite + eaten1);
    const rotted = (rotLitter * s.litter + rotFlesh * s.flesh) * DT;
    s.litter -= rotLitter * s.litter * DT;
    s.flesh -= rotFlesh * s.flesh * DT;
    s.ammonium += rotted - eaten1;
    s.nitrite += eaten1 - eaten2;
    s.nitrate += eaten2 * 0.97 - gas * s.nitrate * DT;
    // Growth on what is eaten; a thick film sheds, and starves deep down.
    s.first +=
      (grow1 * (day < lag1 ? 0.1 : 1) * Math.exp(wander1) * q1 -
        starve * s.first * (1 + (s.first / ceiling1) ** 2)) *
      DT;
    s.second +=
      (grow2 * (day < lag2 ? 0.1 : 1) * Math.exp(wander2) * q2 -
        starve * s.second * (1 + (s.second / ceiling2) ** 2)) *
      DT;
    s.dkh = Math.max(0, s.dkh - 0.4 * eaten1);
  };
  return {
    pools,
    tempC,
    bottle: () => (dead ? [0, 0] : [spread(0.2, 0.9), spread(0.08, 1.1)]),
    media: () => [spread(1.8, 0.7), spread(1.5, 0.7)],
    step: (day) => advance(pools, day),
    wander: () => {
      wander1 = 0.6 * wander1 + 0.15 * gauss();
      wander2 = 0.6 * wander2 + 0.15 * gauss();
    },
    dayAfterDose: (day, mgNPerL) => {
      const probe = { ...pools, ammonium: pools.ammonium + mgNPerL };
      for (let k = 0; k < 1 / DT; k++) advance(probe, day + k * DT);
      return probe;
    },
  };
}
