/** What a bench tool is: fields that start from the log, one piece of core arithmetic, and something to do with the result. */
import type { Document, Edit, Parameter, Water } from '../document';
import { lastOf, trusted, type WaterEvidence } from '../evidence';
import {
  formatDecimal,
  METRIC,
  readEntry,
  showDifference,
  showQuantity,
  toUnit,
  unitLabel,
  type UnitPreferences,
} from '../units';
import type { NetVolume } from '../volume';

type Derived =
  | 'kilograms'
  | 'squareCm'
  | 'millimetres'
  | 'litresPerHour'
  | 'litresPerDay'
  | 'kgPerLitre'
  | 'bar'
  /** Money for a litre, for a kilogram, for a metre. */
  | 'aLitre'
  | 'aKilogram'
  | 'aMetre'
  | 'gramsPerLitre';
export type FieldQuantity = 'volume' | 'temperature' | 'salinity' | 'length' | 'mass' | 'number' | Derived;

/** What follows the person's units without being one of them: its unit in words, and how many of it make one as it is reckoned. */
const DERIVED: Record<Derived, (u: UnitPreferences) => { label: string; per: number }> = {
  kilograms: (u) => (u.mass === 'lb' ? { label: 'lb', per: toUnit('lb', 1000) } : { label: 'kg', per: 1 }),
  squareCm: (u) => ({ label: `${unitLabel(u.length)}²`, per: toUnit(u.length, 1) ** 2 }),
  millimetres: (u) => (u.length === 'in' ? { label: 'in', per: toUnit('in', 0.1) } : { label: 'mm', per: 1 }),
  litresPerHour: (u) => ({ label: `${unitLabel(u.volume)}/h`, per: toUnit(u.volume, 1) }),
  kgPerLitre: (u) => ({
    label: `${DERIVED.kilograms(u).label}/${unitLabel(u.volume)}`,
    per: DERIVED.kilograms(u).per / toUnit(u.volume, 1),
  }),
  aLitre: (u) => ({ label: `a ${unitLabel(u.volume)}`, per: 1 / toUnit(u.volume, 1) }),
  aKilogram: (u) => ({ label: `a ${DERIVED.kilograms(u).label}`, per: 1 / DERIVED.kilograms(u).per }),
  aMetre: (u) => (u.length === 'in' ? { label: 'a ft', per: 0.3048 } : { label: 'a m', per: 1 }),
  gramsPerLitre: (u) => ({ label: `g/${unitLabel(u.volume)}`, per: 1 / toUnit(u.volume, 1) }),
  bar: (u) => (u.volume === 'gal' ? { label: 'psi', per: 14.5038 } : { label: 'bar', per: 1 }),
  litresPerDay: (u) => ({ label: `${unitLabel(u.volume)} a day`, per: toUnit(u.volume, 1) }),
};
const derivedOf = (quantity: FieldQuantity, u: UnitPreferences) =>
  quantity in DERIVED ? DERIVED[quantity as Derived](u) : null;
/** A field's unit among the person's own; null where its number stands for itself. */
const preferred = (quantity: FieldQuantity, u: UnitPreferences): string | null =>
  quantity === 'number' || quantity in DERIVED
    ? null
    : u[quantity as Exclude<FieldQuantity, 'number' | Derived>];

export interface ToolField {
  kind: 'field';
  key: string;
  label: string;
  quantity: FieldQuantity;
  /** Unit of a bare number. */
  unit?: string;
  /** Limits in stored units. */
  min: number;
  max: number;
  above?: boolean;
  whole?: boolean;
  /** Stands below the answer: another way of knowing, seldom at hand. */
  below?: boolean;
  /** What the log knows, stored units. */
  start?: number | null;
  startText?: string;
  optional?: boolean;
  hint?: string;
  decimals?: number;
}

export interface ToolChoice {
  kind: 'choice';
  key: string;
  label: string;
  options: readonly { value: string; label: string }[];
  start: string;
  /** Stands below the answer: what is seldom changed. */
  below?: boolean;
}

export interface ToolContext {
  water: Water | null;
  volume: NetVolume | null;
  evidence: WaterEvidence | null;
  doc: Document;
  units: UnitPreferences;
  nowMs: number;
  today: string;
  newId: () => string;
  dayLabel: (day: string) => string;
  /** "21:40", where the person is. */
  clockLabel: (ms: number) => string;
}

export interface Bar {
  label: string;
  value: number;
  shown: string;
  planned?: boolean;
}

export type Drawing =
  | { kind: 'bars'; title: string; unit: string; bars: Bar[]; goal?: { value: number; label: string } }
  | {
      kind: 'curves';
      title: string;
      xLabel: string;
      yLabel: string;
      curves: { label: string; points: { x: number; y: number }[] }[];
      mark?: { x: number; label: string };
    };

export interface Act {
  label: string;
  /** Edits committed as one act, said afterwards as `done`. */
  edits?: () => Edit[];
  done?: string;
  /** Or a way on. */
  href?: string;
  primary?: boolean;
}

/** A number of the answer, in stored units (litres, °C, practical salinity, cm, kg, grams, dKH): for whoever scripts. */
export interface Figure {
  key: string;
  /** Null where there is no such number: a tank that never clears. */
  value: number | null;
  unit: string;
  low?: number | undefined;
  high?: number | undefined;
}

/** Figures by their keys: value, unit, and where it is a band its ends. */
export const figures = (
  all: Record<string, readonly [value: number | null | undefined, unit: string, low?: number, high?: number]>,
): Figure[] =>
  Object.entries(all).flatMap(([key, [value, unit, low, high]]) =>
    value === undefined
      ? []
      : [
          {
            key,
            value,
            unit,
            ...(low === undefined ? {} : { low }),
            ...(high === undefined ? {} : { high }),
          },
        ],
  );

export interface Result {
  figures: Figure[];
  lines: { name: string; value: string; strong?: boolean }[];
  /** The formula, and the same with the numbers in it. */
  formula: string[];
  /** What is estimated, extrapolated or worth knowing. */
  notes?: string[];
  warnings?: string[];
  drawing?: Drawing;
  steps?: { caption: string; columns: string[]; rows: string[][] };
  acts: Act[];
}

export type Values = Record<string, number | null>;
export type Choices = Record<string, string>;

export interface Tool {
  id: string;
  title: string;
  lede: string;
  /** Said once, at the point of risk. */
  caution?: string;
  /** Over the fields that stand below the answer. */
  belowTitle?: string;
  fields: (c: ToolContext, choices: Choices) => (ToolField | ToolChoice)[];
  /** @throws RangeError for what cannot be; the sentence is shown. */
  work: (
    v: (key: string) => number,
    has: (key: string) => boolean,
    choices: Choices,
    c: ToolContext,
  ) => Result;
}

export const field = (
  key: string,
  label: string,
  quantity: FieldQuantity,
  min: number,
  max: number,
  more: Partial<ToolField> = {},
): ToolField => ({ kind: 'field', key, label, quantity, min, max, ...more });
export const choice = (
  key: string,
  label: string,
  options: readonly (readonly [string, string])[],
  start: string,
  more: { below?: boolean } = {},
): ToolChoice => ({
  kind: 'choice',
  key,
  label,
  options: options.map(([value, text]) => ({ value, label: text })),
  start,
  ...more,
});

/** Litres that a tool starts from. */
export const netField = (c: ToolContext, key = 'netL'): ToolField =>
  field(key, 'Real water volume', 'volume', 0, 100000, {
    above: true,
    start: c.volume?.netL ?? null,
    hint: c.volume
      ? `From ${c.volume.from}, ± ${showQuantity('volume', c.volume.sdL, c.units, 0)}.`
      : undefined,
  });

/** Where a tool aims: the middle of what this water is aimed at, else of common practice. */
export function aimMiddle(c: ToolContext, p: Parameter, usual: number): number {
  const aim = c.evidence?.targets.find((t) => t.parameter === p);
  return aim ? (aim.low + aim.high) / 2 : usual;
}

export const lastValue = (c: ToolContext, p: Parameter): number | null =>
  c.evidence ? (lastOf(trusted(c.evidence.series[p]))?.interval.mid ?? null) : null;

/** A stored value as text in the person's unit. */
export function shownText(f: ToolField, c: ToolContext): string {
  if (f.startText !== undefined) return f.startText;
  if (f.start === undefined || f.start === null) return '';
  const unit = preferred(f.quantity, c.units);
  if (unit === null) {
    const per = derivedOf(f.quantity, c.units)?.per ?? 1;
    return formatDecimal(f.start * per, (f.decimals ?? 2) + (per < 0.1 ? 2 : per < 0.5 ? 1 : 0));
  }
  try {
    return formatDecimal(toUnit(unit, f.start), decimalsOf(f.quantity, toUnit(unit, f.start), c.units));
  } catch {
    return '';
  }
}

/** Places behind the point in which a start is written. */
function decimalsOf(quantity: FieldQuantity, shown: number, u: UnitPreferences): number {
  if (quantity === 'salinity' && u.salinity.startsWith('sg')) return 4;
  return quantity === 'volume' && shown >= 10 ? 1 : 2;
}

export function unitOf(f: ToolField, c: ToolContext): string {
  const unit = preferred(f.quantity, c.units);
  return unit === null ? (derivedOf(f.quantity, c.units)?.label ?? f.unit ?? '') : unitLabel(unit);
}

export type Reading =
  { ok: true; result: Result } | { ok: false; faults: Record<string, string>; message: string | null };

/** Reads the texts and works the tool. An empty needed field is no fault, only not enough yet. */
export function workTool(
  tool: Tool,
  texts: Record<string, string>,
  choices: Choices,
  c: ToolContext,
): Reading {
  const faults: Record<string, string> = {};
  const values: Values = {};
  let missing: string | null = null;
  for (const f of tool.fields(c, choices)) {
    if (f.kind === 'choice') continue;
    const text = texts[f.key] ?? shownText(f, c);
    if (text.trim() === '') {
      values[f.key] = null;
      if (!f.optional) missing ??= f.label;
      continue;
    }
    const per = derivedOf(f.quantity, c.units)?.per ?? 1;
    const read = readEntry(text, {
      name: f.label,
      unit: preferred(f.quantity, c.units),
      min: f.min * per,
      max: f.max * per,
      above: f.above,
      whole: f.whole,
      hint: f.quantity === 'salinity' ? 'The scale runs from 2 to 42 practical salinity.' : undefined,
    });
    if (read.ok) values[f.key] = read.value / per;
    else faults[f.key] = read.message;
  }
  if (Object.keys(faults).length > 0) return { ok: false, faults, message: null };
  if (missing) return { ok: false, faults, message: `Fill in “${missing}” to see the answer.` };
  try {
    const need = (key: string): number => {
      const value = values[key];
      if (value === null || value === undefined) throw new RangeError(`${key} is missing`);
      return value;
    };
    return {
      ok: true,
      result: tool.work(need, (key) => values[key] !== null && values[key] !== undefined, choices, c),
    };
  } catch (error) {
    if (error instanceof RangeError)
      return { ok: false, faults, message: sentenceOf(error.message, tool.fields(c, choices)) };
    throw error;
  }
}

/** A range error of the core in the words on the screen: its argument becomes the field's label. */
function sentenceOf(message: string, fields: readonly (ToolField | ToolChoice)[]): string {
  const named = message.replace(
    /"(\w+)"/g,
    (_, key: string) =>
      fields.find((f) => f.key === key)?.label ?? key.replace(/([A-Z])/g, ' $1').toLowerCase(),
  );
  return `${named.charAt(0).toUpperCase()}${named.slice(1)}.`.replace(/(\d\.\d{3})\d+/g, '$1');
}

/** Pounds on a square foot for a kilogram on a square metre: 0.3048² / 0.45359237. */
const LB_FT2 = 0.3048 ** 2 / 0.45359237;

/** Formulas are shown in the units they are reckoned in: worth a word where the person's are others. */
export const reckonsOtherwise = (u: UnitPreferences): boolean =>
  (Object.keys(METRIC) as (keyof UnitPreferences)[]).some((k) => u[k] !== METRIC[k]);

/** Quantities in the person's units. */
export function shows(c: ToolContext) {
  return {
    volume: (litres: number, decimals?: number) =>
      c.units.volume === 'L' && litres < 10 && decimals === undefined
        ? `${litres.toFixed(2)} L`
        : showQuantity('volume', litres, c.units, decimals),
    salinity: (s: number) => showQuantity('salinity', s, c.units),
    temperature: (t: number) => showQuantity('temperature', t, c.units),
    /** A difference of salinity or temperature. */
    by: (quantity: 'salinity' | 'temperature', difference: number) =>
      showDifference(quantity, difference, c.units),
    length: (cm: number) => showQuantity('length', cm, c.units),
    flow: (litresPerHour: number) => `${showQuantity('volume', litresPerHour, c.units, 0)}/h`,
    kg: (kg: number, decimals = 1) =>
      c.units.mass === 'lb' ? `${toUnit('lb', kg * 1000).toFixed(0)} lb` : `${kg.toFixed(decimals)} kg`,
    /** What stands on a floor. 1 kg/m² = 0.2048 lb/ft². */
    load: (kgPerM2: number) =>
      c.units.mass === 'lb' ? `${(kgPerM2 * LB_FT2).toFixed(0)} lb/ft²` : `${kgPerM2.toFixed(0)} kg/m²`,
    grams: (g: number) =>
      c.units.mass === 'lb' && g >= 100
        ? showQuantity('mass', g, c.units)
        : g >= 1000
          ? `${(g / 1000).toFixed(2)} kg`
          : `${formatDecimal(g, g < 10 ? 2 : 0)} g`,
    number: (x: number, decimals = 2) => formatDecimal(x, decimals),
  };
}

const at = (nowMs: number): string => new Date(nowMs).toISOString();

type NewEvent = Extract<Edit, { put: 'events' }>['entity'];
/** An edit that logs an event now. Only for a tank. */
export function logNow(
  c: ToolContext,
  event: {
    [K in NewEvent['kind']]: Omit<Extract<NewEvent, { kind: K }>, 'id' | 'waterId' | 'at' | 'note'>;
  }[NewEvent['kind']],
  note = '',
): Edit[] {
  if (!c.water) return [];
  return [
    {
      put: 'events',
      entity: { id: c.newId(), waterId: c.water.id, at: at(c.nowMs), note, ...event } as NewEvent,
    },
  ];
}

/** An edit that plans something for a day. */
export function planTask(c: ToolContext, day: string, title: string, note = ''): Edit[] {
  if (!c.water) return [];
  return [
    {
      put: 'tasks',
      entity: {
        id: c.newId(),
        waterId: c.water.id,
        day,
        title: title.slice(0, 80),
        note: note.slice(0, 2000),
        doneAt: null,
      },
    },
  ];
}

/** The same, coming again so many days after it was last done. */
export const planRepeat = (c: ToolContext, day: string, title: string, note: string, days: number): Edit[] =>
  planTask(c, day, title, note).map((edit) =>
    'put' in edit && edit.put === 'tasks'
      ? { put: 'tasks', entity: { ...edit.entity, repeat: { kind: 'after', days } } }
      : edit,
  );

/** What came out, kept as a note. */
export const noteAct = (c: ToolContext, text: string, label = 'Log this as a note'): Act => ({
  label,
  primary: true,
  done: 'Logged',
  edits: () => logNow(c, { kind: 'note' }, text),
});

/** Inside length, width and height of the water, where the tank is described by them. */
export const glassOf = (c: ToolContext) => (c.water?.size.kind === 'dimensions' ? c.water.size : null);

/** The glass in three fields, starting from the tank. */
export const sizeFields = (c: ToolContext): [ToolField, ToolField, ToolField] => [
  field('lengthCm', 'Length', 'length', 0, 2000, { above: true, start: glassOf(c)?.lengthCm ?? null }),
  field('widthCm', 'Width', 'length', 0, 2000, { above: true, start: glassOf(c)?.widthCm ?? null }),
  field('heightCm', 'Height', 'length', 0, 500, { above: true, start: glassOf(c)?.waterHeightCm ?? null }),
];
