import { METRIC } from '../../../../core/units';
import { newTreatment, readTreatment, type TreatmentTexts } from './treatmentForm';

const o = { id: 'm', waterId: 'q', units: METRIC, today: '2026-05-01' };
const GOOD: TreatmentTexts = { ...newTreatment('2026-05-01'), product: 'Pond blue', says: 'as on the label' };
const read = (over: Partial<TreatmentTexts>, units = METRIC) =>
  readTreatment({ ...GOOD, ...over }, { ...o, units });

test('a treatment is kept as the person writes it; the label’s amount in stored units', () => {
  expect(read({})).toMatchObject({
    ok: true,
    treatment: { product: 'Pond blue', per: null, endDay: null, hides: [] },
  });
  const gallons = read(
    { amount: '5', unit: 'mL', litres: '10', hidesSigns: true, holds: 'copper', endDay: '2026-05-14' },
    { ...METRIC, volume: 'gal' },
  );
  expect(gallons).toMatchObject({
    ok: true,
    treatment: {
      per: { amount: 5, unit: 'mL', litres: expect.closeTo(37.85, 1) },
      hides: ['signs'],
      holds: 'copper',
    },
  });
});

test.each<[Partial<TreatmentTexts>, keyof TreatmentTexts, RegExp]>([
  [{ product: ' ' }, 'product', /as its label has it/],
  [{ says: '' }, 'says', /the app knows no dose/],
  [{ startDay: '2026-05-02' }, 'startDay', /lies ahead/],
  [{ endDay: '2026-04-02' }, 'endDay', /before it begins/],
  [{ amount: '5' }, 'litres', /missing/],
  [{ litres: '40' }, 'amount', /missing/],
  [{ amount: '5', litres: '40', unit: '' }, 'unit', /In what/],
])('%j is questioned at its field', (over, field, says) => {
  const r = read(over);
  expect(r.ok ? {} : r.faults).toEqual({ [field]: expect.stringMatching(says) });
});
