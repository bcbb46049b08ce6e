/** A sign seen in a quarantine: from texts to what they say, or to faults. */
import type { Sign } from '../../../core/document';

export interface SignTexts {
  signs: Sign[];
  note: string;
}

/** A sign by name or in words; either will do, neither is nothing to log. */
export function readSign(
  t: SignTexts,
): { ok: true; sign: SignTexts } | { ok: false; faults: { note: string } } {
  if (t.signs.length === 0 && t.note.trim() === '')
    return { ok: false, faults: { note: 'Choose a sign or write what you saw.' } };
  if (t.note.length > 2000)
    return { ok: false, faults: { note: 'The note is too long: 2000 characters is the most.' } };
  return { ok: true, sign: t };
}
