/** A quarantine system and a sign seen in it: from texts to what they say, or to faults. Plain functions. */
import { MAX_NAME, type Quarantine, type Sign } from '../../../core/document';
import { readEntry } from '../../../core/units';

export interface QuarantineTexts {
  name: string;
  group: Quarantine['group'];
  filter: Quarantine['filter'];
  clock: '21' | '28' | 'own';
  /** Days, where they are the person's own. */
  own: string;
  volume: string;
  /** Identities of wished animals that go in at once. */
  booked: string[];
}
type System = Pick<Quarantine, 'name' | 'group' | 'volumeL' | 'filter' | 'clockDays'>;
type QuarantineFaults = Partial<Record<keyof QuarantineTexts, string>>;

/** @param volumeUnit the person's unit of volume */
export function readQuarantine(
  t: QuarantineTexts,
  volumeUnit: string,
): { ok: true; system: System } | { ok: false; faults: QuarantineFaults } {
  const faults: QuarantineFaults = {};
  const volume = readEntry(t.volume, { name: 'Volume', unit: volumeUnit, min: 0, max: 2000, above: true });
  const days = readEntry(t.clock === 'own' ? t.own : t.clock, {
    name: 'Days',
    unit: null,
    min: 7,
    max: 120,
    whole: true,
  });
  if (t.name.trim() === '') faults.name = 'Give it a name.';
  else if (t.name.length > MAX_NAME)
    faults.name = `The name is too long: ${MAX_NAME} characters is the most.`;
  if (!volume.ok) faults.volume = volume.message;
  if (!days.ok) faults.own = days.message;
  if (faults.name || !volume.ok || !days.ok) return { ok: false, faults };
  return {
    ok: true,
    system: {
      name: t.name.trim(),
      group: t.group,
      filter: t.filter,
      volumeL: volume.value,
      clockDays: days.value,
    },
  };
}

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
