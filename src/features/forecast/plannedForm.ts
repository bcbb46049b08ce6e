/** What the person plans, as texts, and from texts to what is stored. Plain functions. */
import type { Display } from '../../../core/document';
import { formatDecimal, readEntry, toUnit, type UnitPreferences } from '../../../core/units';

export type Planned = NonNullable<Display['planned']>;
export interface PlannedTexts {
  tempC: string;
  alkalinity: string;
  percent: string;
  everyDays: string;
}
export type PlannedFaults = Partial<Record<keyof PlannedTexts, string>>;

export function textsOfPlanned(planned: Display['planned'], units: UnitPreferences): PlannedTexts {
  const { tempC = null, alkalinityDkh = null, change = null } = planned ?? {};
  return {
    tempC: tempC === null ? '' : formatDecimal(toUnit(units.temperature, tempC), 1),
    alkalinity: alkalinityDkh === null ? '' : formatDecimal(alkalinityDkh, 1),
    percent: change === null ? '' : formatDecimal(100 * change.share, 1),
    everyDays: change === null ? '' : String(change.everyDays),
  };
}

/** Each field may be left empty; a change needs how much and how often. `planned` is null when nothing is planned. */
export function readPlanned(
  t: PlannedTexts,
  units: UnitPreferences,
): { ok: true; planned: Planned | null } | { ok: false; faults: PlannedFaults } {
  const faults: PlannedFaults = {};
  const number = (field: keyof PlannedTexts, rule: Parameters<typeof readEntry>[1]): number | null => {
    if (t[field].trim() === '') return null;
    const entry = readEntry(t[field], rule);
    if (entry.ok) return entry.value;
    faults[field] = entry.message;
    return null;
  };
  const tempC = number('tempC', {
    name: 'Temperature',
    unit: units.temperature,
    min: 15,
    max: 32,
    hint: 'Reef animals live between 20 and 30 °C.',
  });
  const alkalinityDkh = number('alkalinity', { name: 'Alkalinity', unit: null, min: 4, max: 15 });
  const percent = number('percent', { name: 'A change', unit: null, min: 0, max: 100, above: true });
  const everyDays = number('everyDays', { name: 'Days between changes', unit: null, min: 1, max: 90 });
  if (everyDays !== null && !Number.isInteger(everyDays)) faults.everyDays = 'Whole days: 7 for once a week.';
  if (percent !== null && t.everyDays.trim() === '') faults.everyDays = 'How often? 7 for once a week.';
  if (everyDays !== null && t.percent.trim() === '') faults.percent = 'How much of the water, in percent?';
  if (Object.keys(faults).length > 0) return { ok: false, faults };
  const change = percent === null || everyDays === null ? null : { share: percent / 100, everyDays };
  const nothing = tempC === null && alkalinityDkh === null && change === null;
  return { ok: true, planned: nothing ? null : { tempC, alkalinityDkh, change } };
}
