/** The sample sheet as plain functions: what a tap on a step means, what a typed number means, and from a draft to a sample. */
import {
  kitExpired, LIMITS, MAX_NOTE, plausibility, readingText, PARAMETERS,
  type Kit, type Parameter, type Reading, type ReadingValue, type Sample,
} from '../../../core/document';
import { basisLabel, formatDecimal, readEntry, toUnit, unitDecimals, unitLabel, type UnitPreferences } from '../../../core/units';
import { PARAMETER_NAMES } from '../../../core/readiness';
import type { SampleDraft } from '../../store';

export const EMPTY_DRAFT: SampleDraft = { readings: [], texts: {}, atText: '', note: '', timers: {}, shown: [] };

/** A tap on a step: the same step again clears, its neighbour makes "between", anything else moves. The open top reads "over". */
export function tapStep(kit: Kit, current: ReadingValue | undefined, index: number): ReadingValue | null {
  if (kit.scale.kind !== 'steps') throw new RangeError('"kit" must have steps');
  const { steps, topOpen } = kit.scale;
  const value = steps[index];
  if (value === undefined) throw new RangeError(`"index" must be a step of the kit, got ${index}`);
  const isTop = topOpen && index === steps.length - 1;
  const chosen = selectedSteps(kit, current);
  if (chosen.length === 1 && chosen[0] === index) {
    // The open top step: exactly there first, over it with a second tap, then cleared.
    return isTop && current?.kind === 'exact' ? { kind: 'over', low: value } : null;
  }
  const only = chosen.length === 1 ? chosen[0] : undefined;
  if (current?.kind === 'exact' && only !== undefined && Math.abs(only - index) === 1) {
    const low = steps[Math.min(only, index)] ?? 0;
    const high = steps[Math.max(only, index)] ?? 0;
    return { kind: 'between', low, high };
  }
  return { kind: 'exact', value };
}

/** Indexes of the steps a value stands on: one, or two for "between". */
export function selectedSteps(kit: Kit, value: ReadingValue | undefined): number[] {
  if (!value || kit.scale.kind !== 'steps') return [];
  const { steps } = kit.scale;
  const at = (x: number) => steps.indexOf(x);
  const found = value.kind === 'exact' ? [at(value.value)] : value.kind === 'between' ? [at(value.low), at(value.high)] : [at(value.low)];
  return found.filter((i) => i >= 0);
}

/** Unit a number is typed in: the instrument's own marks for salinity, the person's for temperature. */
export function typedUnit(kit: Kit, units: UnitPreferences): { key: string | null; label: string } {
  switch (kit.parameter) {
    case 'temperature':
      return { key: units.temperature, label: unitLabel(units.temperature) };
    case 'salinity': {
      const key = kit.salinityUnit ?? units.salinity;
      return { key, label: unitLabel(key) };
    }
    case 'ph':
      return { key: null, label: '' };
    case 'alkalinity':
      return { key: null, label: 'dKH' };
    case 'phosphate':
      return { key: null, label: 'mg/L PO₄' };
    default:
      return { key: null, label: `mg/L ${basisLabel(kit.parameter, kit.basis ?? 'ion')}` };
  }
}

/** Typed number -> value, fault, or nothing when left empty. */
export function readNumberText(text: string, kit: Kit, units: UnitPreferences): { value?: ReadingValue; fault?: string } {
  if (text.trim() === '') return {};
  const { possible, hint } = LIMITS[kit.parameter];
  const name = PARAMETER_NAMES[kit.parameter];
  const entry = readEntry(text, { name: name === 'pH' ? name : name.charAt(0).toUpperCase() + name.slice(1), unit: typedUnit(kit, units).key, min: possible[0], max: possible[1], hint });
  return entry.ok ? { value: { kind: 'exact', value: entry.value } } : { fault: entry.message };
}

/** A reading as the person sees it, with unit: "between 0.5 and 1 mg/L NO₂", "35.2 ppt". */
export function readingWords(reading: Reading, kit: Kit, units: UnitPreferences): string {
  const unit = typedUnit(kit, units);
  if (reading.value.kind === 'between') return `between ${reading.value.low} and ${reading.value.high} ${unit.label}`.trim();
  return `${shownValue(reading.value, kit, units)} ${unit.label}`.trim();
}

/** The same without unit. */
export function shownValue(value: ReadingValue, kit: Kit, units: UnitPreferences): string {
  const { key } = typedUnit(kit, units);
  if (value.kind !== 'exact' || key === null) return readingText(value);
  try {
    return formatDecimal(toUnit(key, value.value), unitDecimals(key));
  } catch {
    return readingText(value);
  }
}

/** What to ask about a value before believing it: off the usual range, or a jump from the last one. */
export function questionOf(value: ReadingValue | undefined, kit: Kit, last: ReadingValue | undefined): string | null {
  if (!value) return null;
  const number = value.kind === 'exact' ? value.value : value.low;
  if (plausibility(kit.parameter, number) === 'unusual') return `That is unusual. ${LIMITS[kit.parameter].hint} It is kept as you enter it.`;
  if (last?.kind === 'exact' && value.kind === 'exact') {
    const jump = { temperature: 3, salinity: 2, ph: 0.6, alkalinity: 2.5, ammonia: Infinity, nitrite: Infinity, nitrate: Infinity, phosphate: Infinity }[kit.parameter];
    if (Math.abs(value.value - last.value) > jump) return 'A big step since the last reading. Repeat the test before acting on it.';
  }
  return null;
}

/** Rows to show: due first, then those with a value or added by hand; in the order of the list of parameters within each. */
export function rowsToShow(due: readonly Parameter[], draft: SampleDraft): Parameter[] {
  const first = PARAMETERS_IN_HAND.filter((p) => due.includes(p));
  const base = first.length > 0 ? first : PARAMETERS_IN_HAND.slice(0, 5);
  const extra = PARAMETERS_IN_HAND.filter((p) => !base.includes(p) && (draft.shown.includes(p) || draft.texts[p] || draft.readings.some((r) => r.parameter === p)));
  return [...base, ...extra];
}

/** Order on the sheet: what a cycle turns on first. */
export const PARAMETERS_IN_HAND: readonly Parameter[] = ['ammonia', 'nitrite', 'nitrate', 'salinity', 'temperature', 'alkalinity', 'ph', 'phosphate'];

export type ReadSample = { ok: true; sample: Sample } | { ok: false; faults: Partial<Record<Parameter | 'at' | 'note' | 'all', string>> };

/** From a draft to a sample. Typed numbers are read here; a time in the future is refused. */
export function readSampleDraft(
  draft: SampleDraft, context: { id: string; tankId: string; kitOf: (p: Parameter) => Kit | undefined; units: UnitPreferences; nowMs: number; readTime: (text: string) => number | null },
): ReadSample {
  const faults: Partial<Record<Parameter | 'at' | 'note' | 'all', string>> = {};
  const readings = new Map<Parameter, Reading>(draft.readings.map((r) => [r.parameter, r]));
  for (const [name, text] of Object.entries(draft.texts)) {
    const p = PARAMETERS.find((x) => x === name);
    const kit = p && context.kitOf(p);
    if (!p || !kit || kit.scale.kind !== 'number') continue;
    const read = readNumberText(text, kit, context.units);
    if (read.fault) faults[p] = read.fault;
    else if (read.value) readings.set(p, { parameter: p, kitId: kit.id, value: read.value });
  }
  let atMs = context.nowMs;
  if (draft.atText !== '') {
    const read = context.readTime(draft.atText);
    if (read === null) faults.at = 'That is no date and time. Choose both.';
    else if (read > context.nowMs + 60_000) faults.at = 'That lies in the future. A reading is logged when it is taken.';
    else if (read < Date.UTC(1980, 0, 1)) faults.at = 'That is too long ago. Check the year.';
    else atMs = read;
  }
  if (draft.note.length > MAX_NOTE) faults.note = `The note is too long: ${MAX_NOTE} characters is the most.`;
  if (readings.size === 0 && Object.keys(faults).length === 0) faults.all = 'Nothing to save yet: enter at least one reading.';
  if (Object.keys(faults).length > 0) return { ok: false, faults };
  return { ok: true, sample: { id: context.id, tankId: context.tankId, at: new Date(atMs).toISOString(), readings: [...readings.values()], note: draft.note } };
}

/** A draft that shows a stored sample for editing. */
export function draftOf(sample: Sample, kits: Record<string, Kit>, units: UnitPreferences, fieldTime: (ms: number) => string): SampleDraft {
  const texts: Record<string, string> = {};
  const readings: Reading[] = [];
  for (const r of sample.readings) {
    const kit = kits[r.kitId];
    if (kit?.scale.kind === 'number' && r.value.kind === 'exact') texts[r.parameter] = shownValue(r.value, kit, units);
    else readings.push(r);
  }
  return { ...EMPTY_DRAFT, texts, readings, atText: fieldTime(Date.parse(sample.at)), note: sample.note };
}

/** Notes about a kit that belong beside its reading. */
export function kitDoubt(kit: Kit, atIso: string, nitritePresent: boolean): string | null {
  if (kitExpired(kit, atIso)) return 'This kit is past its date: the reading is kept, not trusted.';
  if (kit.parameter === 'nitrate' && nitritePresent) return 'While nitrite is in the water this kit reads too high: kept, not trusted.';
  return null;
}

