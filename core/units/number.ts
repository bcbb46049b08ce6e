/** Reading a number a person typed. The whole text is read: "12mg" is not 12. */

export type ParsedNumber =
  { ok: true; value: number } | { ok: false; why: 'empty' | 'not-a-number' | 'two-separators' | 'too-long' };

const PLAIN = /^[+-]?(\d+([.,]\d*)?|[.,]\d+)$/;

/** Reads a decimal with a point or a comma ("7.5", "7,5"), surrounding blanks allowed. No thousands separators. */
export function parseDecimal(text: string): ParsedNumber {
  if (text.length > 40) return { ok: false, why: 'too-long' };
  const trimmed = text.trim().replace(/^[−–]/, '-');
  if (trimmed === '') return { ok: false, why: 'empty' };
  if ((trimmed.match(/[.,]/g) ?? []).length > 1) return { ok: false, why: 'two-separators' };
  if (!PLAIN.test(trimmed)) return { ok: false, why: 'not-a-number' };
  return { ok: true, value: Number(trimmed.replace(',', '.')) };
}

/** Shows a number with at most the given decimals, trailing zeros dropped, -0 as 0. Not for currency. */
export function formatDecimal(value: number, decimals: number): string {
  const rounded = value.toFixed(decimals);
  const trimmed = decimals > 0 ? rounded.replace(/\.?0+$/, '') : rounded;
  return trimmed === '-0' ? '0' : trimmed;
}
