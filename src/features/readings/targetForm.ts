/** Aim and alarms of a parameter as texts, and from texts to a target or to faults. Plain functions. */
import type { Target } from '../../../core/document';
import { readEntry } from '../../../core/units';

type Range = Pick<Target, 'alarmLow' | 'low' | 'high' | 'alarmHigh'>;
type TargetTexts = Record<keyof Range, string>;
const NAMES: TargetTexts = {
  alarmLow: 'Low alarm',
  low: 'Aim from',
  high: 'Aim to',
  alarmHigh: 'High alarm',
};

/** Four numbers that rise; `order` is the fault of all together. */
export function readTarget(
  t: TargetTexts,
): { ok: true; target: Range } | { ok: false; faults: Partial<TargetTexts> & { order?: string } } {
  const target: Range = { alarmLow: NaN, low: NaN, high: NaN, alarmHigh: NaN };
  const faults: Partial<TargetTexts> = {};
  for (const key of Object.keys(NAMES) as (keyof Range)[]) {
    const entry = readEntry(t[key], { name: NAMES[key], unit: null, min: -5, max: 100000 });
    if (entry.ok) target[key] = entry.value;
    else faults[key] = entry.message;
  }
  if (Object.keys(faults).length > 0) return { ok: false, faults };
  const { alarmLow, low, high, alarmHigh } = target;
  return alarmLow <= low && low < high && high <= alarmHigh
    ? { ok: true, target }
    : { ok: false, faults: { order: 'They must rise: low alarm, aim from, aim to, high alarm.' } };
}
