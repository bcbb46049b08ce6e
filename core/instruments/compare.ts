/** Two instruments for one thing, held against each other. */
import type { Parameter } from '../document';
import { HOUR_MS } from '../time';
import { toleranceOf } from './calibration';
import { INSTRUMENTS } from './limits';

export interface InstrumentReading {
  kitId: string;
  kitName: string;
  shop: boolean;
  atMs: number;
  value: number;
  /** Half-width of what the reading leaves open, same unit. */
  half: number;
}

export interface Disagreement {
  parameter: Parameter;
  one: InstrumentReading;
  other: InstrumentReading;
  difference: number;
}

/** The latest pair of readings by two different sources within a day of each other that cannot both be right; null when they agree or
 *  were never compared. Readings oldest first. */
export function disagreement(
  parameter: Parameter,
  readings: readonly InstrumentReading[],
): Disagreement | null {
  const last = new Map<string, InstrumentReading>();
  for (const r of readings) last.set(r.kitId, r);
  const latest = [...last.values()].sort((a, b) => b.atMs - a.atMs);
  const one = latest[0];
  if (!one) return null;
  for (const other of latest.slice(1)) {
    if (one.atMs - other.atMs > INSTRUMENTS.comparedHours * HOUR_MS) break;
    const allowed = one.half + other.half + toleranceOf(parameter, (one.value + other.value) / 2);
    if (Math.abs(one.value - other.value) > allowed)
      return { parameter, one, other, difference: one.value - other.value };
  }
  return null;
}
