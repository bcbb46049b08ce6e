/** From what a person typed to a stored value, or a sentence saying what is wrong and what to do. */
import { formatDecimal, parseDecimal } from './number';
import { fromUnit, toUnit, unitDecimals, unitLabel } from './preferences';

export interface EntryRule {
  /** Name as it stands in the sentence: "Water height". */
  name: string;
  /** Unit key of preferences (L, gal, C, ...), or null for a bare number. */
  unit: string | null;
  /** Limits in stored units. */
  min: number;
  max: number;
  /** Limits that are not met exactly: above min, not at it. */
  above?: boolean;
  /** Things that are counted: 2.5 of them are none. */
  whole?: boolean;
  /** Value when left empty; without it an empty field is a fault. */
  whenEmpty?: number;
  /** Said after a value out of limits. */
  hint?: string;
}

export type Entry = { ok: true; value: number } | { ok: false; message: string };

/** Reads a typed quantity. Limits are checked on the stored value and shown in the person's unit. */
export function readEntry(text: string, rule: EntryRule): Entry {
  const parsed = parseDecimal(text);
  if (!parsed.ok) {
    if (parsed.why === 'empty') {
      return rule.whenEmpty === undefined
        ? { ok: false, message: `${rule.name} is missing: enter a number.` }
        : { ok: true, value: rule.whenEmpty };
    }
    const shown = text.trim().slice(0, 20);
    const why = {
      'not-a-number': `“${shown}” is not a number. Use digits with a point or a comma.`,
      'two-separators': `“${shown}” has more than one point or comma. Use one, and none for thousands.`,
      'too-long': 'That is too long for a number.',
    }[parsed.why];
    return { ok: false, message: why };
  }
  let value: number;
  try {
    value = rule.unit === null ? parsed.value : fromUnit(rule.unit, parsed.value);
  } catch {
    return {
      ok: false,
      message:
        `${rule.name} of ${formatDecimal(parsed.value, 4)} is off the scale of ${unitLabel(rule.unit ?? '')}. ${rule.hint ?? ''}`.trim(),
    };
  }
  if (value < rule.min || value > rule.max || (rule.above && value <= rule.min)) {
    return {
      ok: false,
      message:
        `${rule.name} must be ${limits(rule)}, not ${formatDecimal(parsed.value, 4)}. ${rule.hint ?? ''}`.trim(),
    };
  }
  if (rule.whole && !Number.isInteger(value))
    return {
      ok: false,
      message: `${rule.name} must be a whole number, not ${formatDecimal(parsed.value, 4)}.`,
    };
  return { ok: true, value };
}

function limits(rule: EntryRule): string {
  const show = (stored: number): string => {
    if (rule.unit === null) return formatDecimal(stored, 2);
    try {
      return formatDecimal(toUnit(rule.unit, stored), Math.max(1, unitDecimals(rule.unit)));
    } catch {
      return formatDecimal(stored, 2);
    }
  };
  const unit = rule.unit === null ? '' : ` ${unitLabel(rule.unit)}`;
  return rule.above && rule.min === 0
    ? `above 0 and at most ${show(rule.max)}${unit}`
    : `between ${show(rule.min)} and ${show(rule.max)}${unit}`;
}
