import { DEFAULT_SETTINGS } from '../../../core/document';
import { readPlanned, textsOfPlanned, type PlannedTexts } from './plannedForm';

const { units } = DEFAULT_SETTINGS;
const NOTHING: PlannedTexts = { tempC: '', alkalinity: '', percent: '', everyDays: '' };
const faultsOf = (texts: Partial<PlannedTexts>) => {
  const read = readPlanned({ ...NOTHING, ...texts }, units);
  return read.ok ? {} : read.faults;
};

test('nothing written is nothing planned; what is written is kept and comes back as it was', () => {
  expect(readPlanned(NOTHING, units)).toEqual({ ok: true, planned: null });
  const texts = { tempC: '78.8', alkalinity: '8,5', percent: '15', everyDays: '7' };
  const fahrenheit = { ...units, temperature: 'F' as const };
  const read = readPlanned(texts, fahrenheit);
  if (!read.ok || !read.planned) throw new Error('not read');
  expect(read.planned).toEqual({
    tempC: expect.closeTo(26, 6),
    alkalinityDkh: 8.5,
    change: { share: 0.15, everyDays: 7 },
  });
  expect(textsOfPlanned(read.planned, fahrenheit)).toEqual({ ...texts, alkalinity: '8.5' });
  expect(textsOfPlanned(undefined, units)).toEqual(NOTHING);
});

test.each<[Partial<PlannedTexts>, keyof PlannedTexts, RegExp]>([
  [{ tempC: '60' }, 'tempC', /Temperature must be .* not 60/],
  [{ tempC: 'warm' }, 'tempC', /is not a number/],
  [{ alkalinity: '1' }, 'alkalinity', /Alkalinity must be/],
  [{ percent: '10' }, 'everyDays', /How often/],
  [{ everyDays: '7' }, 'percent', /How much/],
  [{ percent: '10', everyDays: '2.5' }, 'everyDays', /Whole days/],
  [{ percent: '120', everyDays: '7' }, 'percent', /must be/],
  [{ percent: '0', everyDays: '7' }, 'percent', /must be/],
])('%j is questioned at its field', (texts, field, says) => {
  const faults = faultsOf(texts);
  expect(Object.keys(faults)).toEqual([field]);
  expect(faults[field]).toMatch(says);
});
