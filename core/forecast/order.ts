/** One order of events: nothing is called ready for animals before the gates that the chosen school asks for. */
import type { School } from '../document';
import { SCHOOL_GATES } from '../readiness/gates';
import type { Forecast, Quantiles } from './forecast';

/** The date of a load, held back to that of the school's own gate; `held` when it is the gate that waits. Null without a load. */
export function loadAfterGates(f: Forecast, school: School): { q: Quantiles; held: boolean } | null {
  const load = f.readyForLoad;
  if (!load) return null;
  const gate = SCHOOL_GATES[school].includes('proof') ? f.ready : f.nitriteClear;
  const later = (a: number | null, b: number | null) => (a === null || b === null ? null : Math.max(a, b));
  const q = {
    p10: later(load.p10, gate.p10),
    p50: later(load.p50, gate.p50),
    p90: later(load.p90, gate.p90),
  };
  const waits = (gate.p50 ?? Infinity) > (load.p50 ?? Infinity);
  return { q, held: waits };
}
