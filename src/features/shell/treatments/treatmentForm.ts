/** A treatment, as texts, and from texts to what is stored. Plain functions. */
import { MAX_NAME, MAX_NOTE, type Treatment } from '../../../../core/document';
import { isDay } from '../../../../core/time';
import { readEntry, type UnitPreferences } from '../../../../core/units';

export interface TreatmentTexts {
  product: string;
  says: string;
  holds: Treatment['holds'];
  hidesSigns: boolean;
  hidesAmmonia: boolean;
  startDay: string;
  endDay: string;
  amount: string;
  unit: string;
  litres: string;
  filtersOff: boolean;
}
export type TreatmentFaults = Partial<Record<keyof TreatmentTexts, string>>;

export const newTreatment = (today: string): TreatmentTexts => ({
  product: '',
  says: '',
  holds: 'other',
  hidesSigns: false,
  hidesAmmonia: false,
  startDay: today,
  endDay: '',
  amount: '',
  unit: 'mL',
  litres: '',
  filtersOff: false,
});

export function readTreatment(
  t: TreatmentTexts,
  o: { id: string; waterId: string; units: UnitPreferences; today: string },
): { ok: true; treatment: Treatment } | { ok: false; faults: TreatmentFaults } {
  const faults: TreatmentFaults = {};
  const product = t.product.trim();
  if (product === '' || product.length > MAX_NAME)
    faults.product = `Write the product as its label has it, in ${MAX_NAME} characters at most.`;
  if (t.says.trim() === '') faults.says = 'Write what the label or the vet says: the app knows no dose.';
  else if (t.says.length > MAX_NOTE) faults.says = `At most ${MAX_NOTE} characters.`;
  if (!isDay(t.startDay)) faults.startDay = 'Choose the day it begins.';
  else if (t.startDay > o.today) faults.startDay = 'That day lies ahead: enter it when it begins.';
  if (t.endDay !== '' && !isDay(t.endDay)) faults.endDay = 'Choose a day, or leave it empty.';
  else if (t.endDay !== '' && t.endDay < t.startDay) faults.endDay = 'It ends before it begins.';
  const per = readPer();
  if (Object.keys(faults).length > 0) return { ok: false, faults };
  return {
    ok: true,
    treatment: {
      id: o.id,
      waterId: o.waterId,
      product,
      says: t.says.trim(),
      holds: t.holds,
      hides: [
        ...(t.hidesSigns ? (['signs'] as const) : []),
        ...(t.hidesAmmonia ? (['ammonia'] as const) : []),
      ],
      startDay: t.startDay,
      endDay: t.endDay === '' ? null : t.endDay,
      per,
      given: [],
      filtersOff: t.filtersOff,
      filtersOnAt: null,
    },
  };

  /** As the label has it; all of it or none. */
  function readPer(): Treatment['per'] {
    if (t.amount.trim() === '' && t.litres.trim() === '') return null;
    const amount = readEntry(t.amount, { name: 'Amount', unit: null, min: 0, max: 100000, above: true });
    const litres = readEntry(t.litres, {
      name: 'For',
      unit: o.units.volume,
      min: 0,
      max: 100000,
      above: true,
    });
    const unit = t.unit.trim();
    if (!amount.ok) faults.amount = amount.message;
    if (!litres.ok) faults.litres = litres.message;
    if (unit === '' || unit.length > 20) faults.unit = 'In what: mL, drops, g?';
    return amount.ok && litres.ok ? { amount: amount.value, unit, litres: litres.value } : null;
  }
}
