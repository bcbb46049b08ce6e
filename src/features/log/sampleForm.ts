/** The sample sheet as plain functions: what a tap on a step means, what a typed number means, and from a draft to a sample. */
import { MINUTE_MS } from '../../../core/time';
import {
  freeAmmoniaInterval,
  isNitrogen,
  kitExpired,
  LIMITS,
  MAX_NOTE,
  OWN_PARAMETERS,
  parameterName,
  parameterUnit,
  likelyMistake,
  nitrogenInterval,
  plausibility,
  readingText,
  PARAMETERS,
  type Kit,
  type OwnParameterSpec,
  type Parameter,
  type Reading,
  type ReadingValue,
  type Sample,
} from '../../../core/document';
import {
  basisLabel,
  formatDecimal,
  readEntry,
  toUnit,
  unitDecimals,
  unitLabel,
  type UnitPreferences,
} from '../../../core/units';
import type { SampleDraft } from '../../store';

type OwnSpecs = Record<string, OwnParameterSpec>;

export const EMPTY_DRAFT: SampleDraft = {
  readings: [],
  texts: {},
  atText: '',
  note: '',
  timers: {},
  shown: [],
  doubted: [],
  kits: {},
  also: [],
  photos: [],
};

/** Where a row keeps what is typed: the parameter's own row, or that of a second kit for it. */
export const slotOf = (kit: Kit, second: boolean): string =>
  second ? `${kit.parameter}|${kit.id}` : kit.parameter;

/** The stored reading of a row, if its kit has steps. */
export const readingIn = (draft: SampleDraft, kit: Kit, second: boolean): Reading | undefined =>
  draft.readings.find(
    (r) => r.parameter === kit.parameter && (second ? r.kitId === kit.id : !draft.also.includes(r.kitId)),
  );

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
  const found =
    value.kind === 'exact'
      ? [at(value.value)]
      : value.kind === 'between'
        ? [at(value.low), at(value.high)]
        : value.kind === 'over'
          ? [at(value.low)]
          : [];
  return found.filter((i) => i >= 0);
}

/** Unit a number is typed in: the instrument's own marks for salinity, the person's for temperature. */
export function typedUnit(
  kit: Kit,
  units: UnitPreferences,
  own: OwnSpecs = {},
): { key: string | null; label: string } {
  const p = kit.parameter;
  if (p === 'temperature') return { key: units.temperature, label: unitLabel(units.temperature) };
  if (p === 'salinity') {
    const key = kit.salinityUnit ?? units.salinity;
    return { key, label: unitLabel(key) };
  }
  if (p === 'freeAmmonia') return { key: null, label: `mg/L ${kit.basis === 'N' ? 'N' : 'NH₃'}` };
  return {
    key: null,
    label: isNitrogen(p) ? `mg/L ${basisLabel(p, kit.basis ?? 'ion')}` : parameterUnit(p, own),
  };
}

/** Typed number -> value, fault, or nothing when left empty. Repeats of one test stand with a slash between: "8.2 / 8.4". */
export function readNumberText(
  text: string,
  kit: Kit,
  units: UnitPreferences,
  own: OwnSpecs = {},
): { value?: ReadingValue; fault?: string } {
  if (text.trim() === '') return {};
  const { possible, hint } = LIMITS[kit.parameter];
  const spec = own[kit.parameter];
  const name = parameterName(kit.parameter, own);
  const rule = {
    name: capital(name),
    unit: typedUnit(kit, units).key,
    min: spec?.min ?? possible[0],
    max: spec?.max ?? possible[1],
    hint: spec ? 'That is the range you gave it.' : hint,
  };
  const parts = text.split('/').map((t) => t.trim());
  const values: number[] = [];
  for (const part of parts) {
    if (part === '' && parts.length > 1) continue;
    const entry = readEntry(part, rule);
    if (!entry.ok) {
      const mistake = spec ? null : likelyMistake(kit.parameter, part);
      return { fault: mistake ? `${entry.message} ${mistake}` : entry.message };
    }
    values.push(entry.value);
  }
  if (values.length > 5) return { fault: 'Five repeats are the most.' };
  const [only] = values;
  if (values.length === 1 && only !== undefined) return { value: { kind: 'exact', value: only } };
  return { value: { kind: 'repeats', values } };
}

export const capital = (s: string): string => (s === 'pH' ? s : s.charAt(0).toUpperCase() + s.slice(1));

/** A reading as the person sees it, with unit: "between 0.5 and 1 mg/L NO₂", "35.2 ppt". */
export function readingWords(reading: Reading, kit: Kit, units: UnitPreferences, own: OwnSpecs = {}): string {
  const unit = typedUnit(kit, units, own);
  if (reading.value.kind === 'between')
    return `between ${reading.value.low} and ${reading.value.high} ${unit.label}`.trim();
  return `${shownValue(reading.value, kit, units)} ${unit.label}`.trim();
}

/** The same without unit. */
export function shownValue(value: ReadingValue, kit: Kit, units: UnitPreferences): string {
  const { key } = typedUnit(kit, units);
  const shown = (x: number) =>
    key === null ? formatDecimal(x, 2) : formatDecimal(toUnit(key, x), unitDecimals(key));
  try {
    if (value.kind === 'exact') return shown(value.value);
    if (value.kind === 'repeats')
      return `${shown(value.values.reduce((a, b) => a + b, 0) / value.values.length)} (mean of ${value.values.map(shown).join(', ')})`;
  } catch {
    return readingText(value);
  }
  return readingText(value);
}

/** A step since the last reading that asks for a second look, and what usually lies behind one. */
const JUMPS: Partial<Record<Parameter, { step: number; causes: string }>> = {
  temperature: { step: 3, causes: 'a thermometer out of the water, a heater stuck on or off' },
  salinity: {
    step: 2,
    causes: 'an instrument out of calibration, a bubble on the probe, a top-off stuck on',
  },
  ph: { step: 0.6, causes: 'a probe not calibrated, another hour of the day' },
  alkalinity: { step: 2.5, causes: 'drops miscounted, a wrong sample volume, a dose or change not logged' },
  calcium: { step: 80, causes: 'salinity changed, a titration overshot' },
  magnesium: { step: 200, causes: 'salinity changed, a titration overshot' },
  phosphate: { step: 0.3, causes: 'a smudged vial, ppb read as ppm' },
  oxygen: { step: 3, causes: 'bubbles on the cap, another hour of the day' },
  orp: { step: 120, causes: 'a cleaned or dirty probe' },
};

export interface Question {
  text: string;
  /** True when the person may mark it as kept but not trusted. */
  jump: boolean;
}

/** What to ask about a value before believing it: off the usual range, or a jump from the last one. One odd number asks for a repeat, never for action. */
export function questionOf(
  value: ReadingValue | undefined,
  kit: Kit,
  last: number | undefined,
): Question | null {
  if (!value) return null;
  const number =
    value.kind === 'exact'
      ? value.value
      : value.kind === 'repeats'
        ? value.values.reduce((a, b) => a + b, 0) / value.values.length
        : value.low;
  if (plausibility(kit.parameter, number) === 'unusual')
    return { text: `That is unusual. ${LIMITS[kit.parameter].hint} It is kept as you enter it.`, jump: true };
  const rule = JUMPS[kit.parameter];
  if (
    rule &&
    last !== undefined &&
    (value.kind === 'exact' || value.kind === 'repeats') &&
    Math.abs(number - last) > rule.step
  ) {
    return {
      text: `A big step since the last reading. Likely: ${rule.causes}. Repeat the test before acting on it.`,
      jump: true,
    };
  }
  return null;
}

/** Rows to show: due first, then those with a value or added by hand; in the order of the list of parameters within each. */
export function rowsToShow(due: readonly Parameter[], draft: SampleDraft): Parameter[] {
  const first = PARAMETERS_IN_HAND.filter((p) => due.includes(p));
  const base = first.length > 0 ? first : PARAMETERS_IN_HAND.slice(0, 5);
  const extra = PARAMETERS_IN_HAND.filter(
    (p) =>
      !base.includes(p) &&
      (draft.shown.includes(p) || draft.texts[p] || draft.readings.some((r) => r.parameter === p)),
  );
  return [...base, ...extra];
}

/** Order on the sheet: what a cycle turns on first. */
export const PARAMETERS_IN_HAND: readonly Parameter[] = [
  'ammonia',
  'freeAmmonia',
  'nitrite',
  'nitrate',
  'salinity',
  'temperature',
  'alkalinity',
  'ph',
  'phosphate',
  'calcium',
  'magnesium',
  'silicate',
  'oxygen',
  'orp',
  'par',
  'tdsSource',
  'tdsMembrane',
  'tdsResin',
  ...OWN_PARAMETERS,
];

/** By row, or of the whole. */
export type SampleFaults = Record<string, string>;
export type ReadSample = { ok: true; sample: Sample } | { ok: false; faults: SampleFaults };

/** From a draft to a sample. Typed numbers are read here; a time in the future is refused. */
export function readSampleDraft(
  draft: SampleDraft,
  context: {
    id: string;
    waterId: string;
    kitOf: (p: Parameter) => Kit | undefined;
    kits?: Record<string, Kit>;
    units: UnitPreferences;
    own?: OwnSpecs;
    nowMs: number;
    readTime: (text: string) => number | null;
    /** The sample being corrected: what is typed as it was shown stays as it was stored. */
    before?: Sample;
  },
): ReadSample {
  const faults: SampleFaults = {};
  const by = (r: Reading): string => `${r.parameter}|${r.kitId}`;
  const readings = new Map<string, Reading>(draft.readings.map((r) => [by(r), r]));
  for (const [slot, text] of Object.entries(draft.texts)) {
    const [name, kitId] = slot.split('|');
    const p = PARAMETERS.find((x) => x === name);
    const kit = p && (kitId === undefined ? context.kitOf(p) : context.kits?.[kitId]);
    if (!p || !kit || kit.scale.kind !== 'number') continue;
    const stored = context.before?.readings.find((r) => r.parameter === p && r.kitId === kit.id);
    if (stored && text === typedText(stored.value, kit, context.units)) {
      readings.set(by(stored), stored);
      continue;
    }
    const read = readNumberText(text, kit, context.units, context.own);
    const reading = read.value && { parameter: p, kitId: kit.id, value: read.value };
    if (read.fault) faults[slot] = read.fault;
    else if (reading) readings.set(by(reading), reading);
  }
  const odd = impossiblePair([...readings.values()], draft, context);
  if (odd) faults.freeAmmonia = odd;
  let atMs = context.nowMs;
  if (draft.atText !== '') {
    const read = context.readTime(draft.atText);
    if (read === null) faults.at = 'That is no date and time. Choose both.';
    else if (read > context.nowMs + MINUTE_MS)
      faults.at = 'That lies in the future. A reading is logged when it is taken.';
    else if (read < Date.UTC(1980, 0, 1)) faults.at = 'That is too long ago. Check the year.';
    else atMs = sameMinute(read, context.before) ?? read;
  }
  if (draft.note.length > MAX_NOTE) faults.note = `The note is too long: ${MAX_NOTE} characters is the most.`;
  if (readings.size === 0 && Object.keys(faults).length === 0)
    faults.all = 'Nothing to save yet: enter at least one reading.';
  if (Object.keys(faults).length > 0) return { ok: false, faults };
  return {
    ok: true,
    sample: {
      id: context.id,
      waterId: context.waterId,
      at: new Date(atMs).toISOString(),
      readings: [...readings.values()].map((r) => trustOf(r, draft)),
      note: draft.note,
    },
  };
}

/** Free ammonia is part of the total: one above the other says that one of them is something else. */
function impossiblePair(
  readings: readonly Reading[],
  draft: SampleDraft,
  { kitOf, kits }: { kitOf: (p: Parameter) => Kit | undefined; kits?: Record<string, Kit> },
): string | null {
  const found = (p: Parameter) => {
    const reading = readings.find((r) => r.parameter === p);
    const kit = reading && (kits?.[reading.kitId] ?? kitOf(p));
    return reading && kit && !draft.doubted.includes(p) ? { reading, kit } : null;
  };
  const [free, total] = [found('freeAmmonia'), found('ammonia')];
  if (!free || !total) return null;
  const lowest = freeAmmoniaInterval(free.reading.value, free.kit).low;
  return lowest > nitrogenInterval(total.reading.value, total.kit, 'ammonia').high
    ? 'Free ammonia cannot be above the total. Was the total read on this one, or is a basis mixed up? Mark one as not trusted to keep both.'
    : null;
}

/** The stored moment when the field, which shows whole minutes, still shows its minute. */
function sameMinute(readMs: number, before: { at: string } | undefined): number | null {
  const storedMs = before ? Date.parse(before.at) : NaN;
  return Math.floor(storedMs / MINUTE_MS) === Math.floor(readMs / MINUTE_MS) ? storedMs : null;
}

/** A reading with the person's own doubt on or off. */
function trustOf({ doubted: _, ...reading }: Reading, draft: SampleDraft): Reading {
  return draft.doubted.includes(reading.parameter) ? { ...reading, doubted: true } : reading;
}

/** What the field of a meter shows for a stored value; null for what is not typed as a number. */
function typedText(value: ReadingValue, kit: Kit, units: UnitPreferences): string | null {
  if (value.kind === 'exact') return shownValue(value, kit, units);
  if (value.kind !== 'repeats') return null;
  return value.values.map((x) => shownValue({ kind: 'exact', value: x }, kit, units)).join(' / ');
}

/** A draft that shows a stored sample for editing. */
export function draftOf(
  sample: Sample,
  kits: Record<string, Kit>,
  units: UnitPreferences,
  fieldTime: (ms: number) => string,
): SampleDraft {
  const texts: Record<string, string> = {};
  const readings: Reading[] = [];
  const also: string[] = [];
  for (const [i, r] of sample.readings.entries()) {
    const second = sample.readings.findIndex((x) => x.parameter === r.parameter) !== i;
    if (second) also.push(r.kitId);
    const kit = kits[r.kitId];
    const text = kit?.scale.kind === 'number' ? typedText(r.value, kit, units) : null;
    if (text === null || !kit) readings.push(r);
    else texts[slotOf(kit, second)] = text;
  }
  return {
    ...EMPTY_DRAFT,
    texts,
    readings,
    also,
    atText: fieldTime(Date.parse(sample.at)),
    note: sample.note,
    doubted: sample.readings.filter((r) => r.doubted).map((r) => r.parameter),
  };
}

/** Kits that count their tests, with what a new sample used up taken off: a test for each repeat, none below zero. */
export function usedUp(sample: Sample, kits: Record<string, Kit>): Kit[] {
  return sample.readings.flatMap((r) => {
    const kit = kits[r.kitId];
    if (kit?.testsLeft === undefined || kit.testsLeft === 0) return [];
    return [
      {
        ...kit,
        testsLeft: Math.max(0, kit.testsLeft - (r.value.kind === 'repeats' ? r.value.values.length : 1)),
      },
    ];
  });
}

/** Notes about a kit that belong beside its reading. */
export function kitDoubt(kit: Kit, atIso: string, nitritePresent: boolean): string | null {
  if (kit.testsLeft === 0) return 'By your count this kit is used up: enter a new one under Kits.';
  if (kitExpired(kit, atIso)) return 'This kit is past its date: the reading is kept, not trusted.';
  if (kit.parameter === 'nitrate' && nitritePresent)
    return 'While nitrite is in the water this kit reads too high: kept, not trusted.';
  return null;
}
