/** A look into a quarantine: from texts to what it says, or to faults. */
import { MAX_NOTE, type Look, type Sign } from '../../../core/document';
import { isDay } from '../../../core/time';

export interface LookTexts {
  result: Look['result'] | '';
  day: string;
  signs: Sign[];
  /** Groups in which it was seen; none for the whole of them. */
  whom: string[];
  /** Only some of them were seen. */
  part: boolean;
  note: string;
}
export type LookFaults = Partial<Record<'result' | 'day' | 'note', string>>;

export type LookRead = Omit<Look, 'id' | 'waterId'>;

/** @param o.first the first day on which there was somebody to look at */
export function readLook(
  t: LookTexts,
  o: { today: string; first: string },
): { ok: true; look: LookRead } | { ok: false; faults: LookFaults } {
  const faults: LookFaults = {};
  const sign = t.result === 'sign';
  if (t.result === '') faults.result = 'Say what the look showed.';
  if (!isDay(t.day)) faults.day = 'Choose the day of the look.';
  else if (t.day > o.today) faults.day = 'That day lies ahead: nobody has looked then yet.';
  else if (t.day < o.first) faults.day = 'Nobody was in it on that day.';
  if (sign && t.signs.length === 0 && t.note.trim() === '')
    faults.note = 'Choose a sign or write what you saw.';
  if (t.note.length > MAX_NOTE) faults.note = `The note is too long: ${MAX_NOTE} characters is the most.`;
  if (t.result === '' || Object.keys(faults).length > 0) return { ok: false, faults };
  return {
    ok: true,
    look: {
      day: t.day,
      result: t.result,
      signs: sign ? t.signs : [],
      note: t.note,
      ...(sign && t.whom.length > 0 ? { animalIds: t.whom } : {}),
      ...(!sign && t.part ? { part: true as const } : {}),
    },
  };
}
