/** Ammonia in a bare quarantine: nothing takes it up, so it rises by L/V a day, and only changes hold it down. A fraction f of the water every D
 *  days holds the peak P where f >= L D/(V P): in the steady state a change takes out what came in since the last (science notes 7 and 8).
 *  Free share after Bell et al. 2007. */
import { assertPositive, assertRange } from '../check';
import { saltFor } from '../dosing';
import { freeAmmoniaFraction } from '../seawater';

export interface BareTank {
  loadMgNPerDay: number;
  netL: number;
  /** As the meter shows it; the higher of the water and of what is changed in. */
  ph: number;
  tempC: number;
  salinity: number;
  /** The peak that may be reached: free ammonia, or total where that is what counts, mg N/L. */
  limit: { freeMgN: number } | { totalMgN: number };
}

export interface ChangePlan {
  /** The peak allowed, total mg N/L. */
  peakMgN: number;
  everyDays: number;
  /** Share of the water at each change that holds the peak. */
  fraction: number;
  /** False where even the whole water each time would not do: feed less, a larger tank, media. */
  feasible: boolean;
  /** Days without any change until the peak is reached, from none. */
  firstReachedDays: number;
  /** Null where no such change exists. */
  litresPerWeek: number | null;
  saltGramsPerWeek: number | null;
}

/** Total ammonia that keeps the limit. @throws RangeError naming the field off its scale */
export function peakOf({ limit, ph, tempC, salinity }: Omit<BareTank, 'loadMgNPerDay' | 'netL'>): number {
  if ('totalMgN' in limit) {
    assertPositive('totalLimitMgNPerL', limit.totalMgN, 'mg N/L');
    return limit.totalMgN;
  }
  assertPositive('freeLimitMgNPerL', limit.freeMgN, 'mg N/L');
  assertRange('ph', ph, 6, 9.5, 'pH');
  return limit.freeMgN / freeAmmoniaFraction(ph, tempC, salinity);
}

/** The change every so many days that holds the peak. Check: L 10, V 60, P 0.3: D 1 -> 0.556; D 2 -> 1.11, impossible; first reached after 1.8 days.
 *  @param gramsPerLitre of salt mix for 35 ppt
 *  @throws RangeError naming the field off its scale */
export function changePlan(tank: BareTank, everyDays: number, gramsPerLitre: number): ChangePlan {
  assertRange('loadMgNPerDay', tank.loadMgNPerDay, 0, 1e5, 'mg N a day');
  assertPositive('netL', tank.netL, 'L');
  assertRange('everyDays', everyDays, 0.25, 30, 'days');
  assertRange('salinity', tank.salinity, 5, 42, 'practical salinity');
  const peakMgN = peakOf(tank);
  const risePerDay = tank.loadMgNPerDay / tank.netL;
  const fraction = (risePerDay * everyDays) / peakMgN;
  const feasible = fraction < 1;
  const litresPerWeek = feasible ? (fraction * tank.netL * 7) / everyDays : null;
  return {
    peakMgN,
    everyDays,
    fraction,
    feasible,
    firstReachedDays: risePerDay > 0 ? peakMgN / risePerDay : Infinity,
    litresPerWeek,
    saltGramsPerWeek:
      litresPerWeek === null
        ? null
        : litresPerWeek === 0
          ? 0
          : saltFor(litresPerWeek, tank.salinity, gramsPerLitre),
  };
}

/** Total ammonia under the plan, mg N/L, from a level today: two points a change, before and after. */
export function sawtooth(
  tank: Pick<BareTank, 'loadMgNPerDay' | 'netL'>,
  plan: Pick<ChangePlan, 'everyDays' | 'fraction'>,
  startMgN: number,
  days: number,
): { day: number; mgN: number }[] {
  const rise = tank.loadMgNPerDay / tank.netL;
  const points = [{ day: 0, mgN: startMgN }];
  let [day, mgN] = [0, startMgN];
  while (day < days) {
    const next = Math.min(days, day + plan.everyDays);
    mgN += rise * (next - day);
    day = next;
    points.push({ day, mgN });
    if (day < days) {
      mgN *= 1 - Math.min(1, plan.fraction);
      points.push({ day, mgN });
    }
  }
  return points;
}
