/** A parameter of the person's own as texts, and from texts to it or to faults. Plain functions. */
import { MAX_NAME, type OwnParameterSpec } from '../../../core/document';
import { parseDecimal } from '../../../core/units';

interface OwnTexts {
  name: string;
  unit: string;
  min: string;
  max: string;
}

/** Name, unit and the range in which readings are believed. */
export function readOwnParameter(
  t: OwnTexts,
): { ok: true; parameter: Omit<OwnParameterSpec, 'id'> } | { ok: false; faults: Partial<OwnTexts> } {
  const faults: Partial<OwnTexts> = {};
  const [min, max] = [parseDecimal(t.min), parseDecimal(t.max)];
  const name = t.name.trim();
  if (name === '' || name.length > MAX_NAME) faults.name = `Give it a name of 1 to ${MAX_NAME} characters.`;
  if (t.unit.length > 20) faults.unit = 'The unit is too long: 20 characters is the most.';
  if (!min.ok) faults.min = 'Give a lowest value.';
  if (!max.ok) faults.max = 'Give a highest value.';
  else if (min.ok && max.value <= min.value) faults.max = 'Give a highest value above the lowest.';
  if (!min.ok || !max.ok || Object.keys(faults).length > 0) return { ok: false, faults };
  return { ok: true, parameter: { name, unit: t.unit.trim(), min: min.value, max: max.value } };
}
