/** Nitrification in a tank, per litre, time in days. Organic N rots to ammonia; two groups of bacteria take it on to
 *  nitrite and nitrate, each with a capacity (mg N/L/day) that grows on what it oxidises and shrinks unfed.
 *  Step: semi-implicit (uptake divided through), so states stay positive and nitrogen is conserved exactly; stable at 0.1 day.
 *  Sources: Monod kinetics; growth and half-saturation ranges for sea water at 25 C: first step doubling 20-50 h, second
 *  30-80 h, Ka and Kn 0.1-1 mg N/L, decay 0.02-0.1 /day; 0.400 dKH used per mg N/L oxidised. */
import { NITROGEN } from './limits';

export interface NitrogenParams {
  /** Rot of organic N, per day. */
  rotPerDay: number;
  kaMgNPerL: number;
  knMgNPerL: number;
  /** Growth of the first (ammonia) and second (nitrite) group at 25 C, per day. */
  muA: number;
  muN: number;
  /** Shrinking when unfed, per day. */
  decayPerDay: number;
  /** Ceilings of the two capacities, mg N/L/day. */
  maxA: number;
  maxN: number;
  tempC: number;
}

export interface NitrogenState {
  organic: number;
  ammonia: number;
  nitrite: number;
  nitrate: number;
  /** Capacities, mg N/L/day. */
  capacityA: number;
  capacityN: number;
  alkalinityDkh: number;
}

/** What a person does, exact in time. Concentrations in mg N/L of the whole net volume. */
export type NitrogenInput =
  | { day: number; kind: 'ammonia'; mgNPerL: number }
  | { day: number; kind: 'organic'; mgNPerL: number }
  | { day: number; kind: 'seed'; capacityA: number; capacityN: number }
  | { day: number; kind: 'change'; fraction: number; alkalinityDkh: number };

export const DEFAULT_PARAMS: NitrogenParams = {
  rotPerDay: 0.25,
  kaMgNPerL: 0.5,
  knMgNPerL: 0.5,
  muA: 0.55,
  muN: 0.42,
  decayPerDay: 0.05,
  maxA: 8,
  maxN: 8,
  tempC: 25,
};

export const EMPTY_STATE: NitrogenState = {
  organic: 0,
  ammonia: 0,
  nitrite: 0,
  nitrate: 0,
  capacityA: 0,
  capacityN: 0,
  alkalinityDkh: 8,
};

const DKH_PER_MG_N = NITROGEN.dkhPerMgN;

/** One step of at most `dt` days; returns a new state. Nitrogen in the state is conserved to rounding. */
export function stepNitrogen(s: NitrogenState, p: NitrogenParams, dt: number): NitrogenState {
  const next = { ...s };
  runNitrogen(next, p, dt, 1);
  return next;
}

/** By how much faster than at 25 C both groups grow. */
export const warmthOf = ({ tempC }: NitrogenParams): number => 1.1 ** (Math.min(tempC, 32) - 25);

/** Many such steps, for a state that is the caller's own: it is changed where it stands. In plain numbers, since a prediction takes thousands.
 *  @param addedMgNPerL ammonia that comes in before each step
 *  @param dkhPerMgN alkalinity used, dKH per mg N/L oxidised: nothing where it is kept up
 *  @param enoughMgNPerL with more ammonia than this it stops where it stands
 *  @returns the most ammonia there was after any of them, mg N/L */
export function runNitrogen(
  s: NitrogenState,
  p: NitrogenParams,
  dt: number,
  steps: number,
  addedMgNPerL = 0,
  enoughMgNPerL = Infinity,
  dkhPerMgN: number = DKH_PER_MG_N,
): number {
  const { rotPerDay, kaMgNPerL, knMgNPerL, muA, muN, decayPerDay, maxA, maxN } = p;
  const warmth = warmthOf(p);
  let { organic, ammonia, nitrite, nitrate, capacityA, capacityN, alkalinityDkh } = s;
  let most = 0;
  for (let step = 0; step < steps && most <= enoughMgNPerL; step++) {
    // Below about 4 dKH both groups slow down; a smooth switch keeps the step well behaved.
    const buffered = alkalinityDkh / (alkalinityDkh + 0.5);
    const rotted = (organic * rotPerDay * dt) / (1 + rotPerDay * dt);
    const a0 = ammonia + addedMgNPerL + rotted;
    const a1 = a0 / (1 + (dt * buffered * capacityA) / (kaMgNPerL + a0));
    const oxidisedA = a0 - a1;
    const n0 = nitrite + oxidisedA;
    const n1 = n0 / (1 + (dt * buffered * capacityN) / (knMgNPerL + n0));
    const growthA = muA * warmth * buffered * (a1 / (kaMgNPerL + a1));
    const growthN = muN * warmth * buffered * (n1 / (knMgNPerL + n1));
    organic -= rotted;
    ammonia = a1;
    nitrite = n1;
    nitrate += n0 - n1;
    capacityA = grown(capacityA, growthA, decayPerDay, maxA, dt);
    capacityN = grown(capacityN, growthN, decayPerDay, maxN, dt);
    alkalinityDkh = Math.max(0, alkalinityDkh - dkhPerMgN * oxidisedA);
    most = Math.max(most, ammonia);
  }
  Object.assign(s, { organic, ammonia, nitrite, nitrate, capacityA, capacityN, alkalinityDkh });
  return most;
}

/** The ceiling limits growth only; decay always acts. */
function grown(capacity: number, growth: number, decay: number, max: number, dt: number): number {
  const limited = growth * Math.max(0, 1 - capacity / max);
  return (capacity * (1 + limited * dt)) / (1 + decay * dt);
}

function applyInput(s: NitrogenState, input: NitrogenInput): NitrogenState {
  switch (input.kind) {
    case 'ammonia':
      return { ...s, ammonia: s.ammonia + input.mgNPerL };
    case 'organic':
      return { ...s, organic: s.organic + input.mgNPerL };
    case 'seed':
      return { ...s, capacityA: s.capacityA + input.capacityA, capacityN: s.capacityN + input.capacityN };
    case 'change': {
      const keep = 1 - input.fraction;
      return {
        ...s,
        ammonia: s.ammonia * keep,
        nitrite: s.nitrite * keep,
        nitrate: s.nitrate * keep,
        alkalinityDkh: s.alkalinityDkh * keep + input.alkalinityDkh * input.fraction,
      };
    }
  }
}

/** States at the asked days (ascending, from 0). Inputs act exactly at their day; an input on an asked day acts before it is read. */
export function simulateNitrogen(
  start: NitrogenState,
  params: NitrogenParams,
  inputs: readonly NitrogenInput[],
  days: readonly number[],
  stepDays = 0.1,
): NitrogenState[] {
  const ordered = [...inputs].sort((a, b) => a.day - b.day);
  const out: NitrogenState[] = [];
  let state = start;
  let day = 0;
  let next = 0;
  const runTo = (target: number) => {
    while (day < target - 1e-12) {
      const dt = Math.min(stepDays, target - day);
      state = stepNitrogen(state, params, dt);
      day += dt;
    }
  };
  for (const asked of days) {
    for (let input = ordered[next]; input && input.day <= asked; input = ordered[++next]) {
      runTo(input.day);
      state = applyInput(state, input);
    }
    runTo(asked);
    out.push(state);
  }
  return out;
}
