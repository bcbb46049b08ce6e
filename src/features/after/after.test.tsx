import { demo, onScreen, press, says } from '../shell/testing';
import { AfterScreen } from './AfterScreen';

test('too little film for the grazers: none more, and seaweed planned once', () => {
  const { doc } = onScreen(<AfterScreen />, { doc: demo(), params: { waterId: 'north-window' } });
  expect(says(/^Too little film for those that are there/)).toBe(true);
  expect(says('hold the line (our default)')).toBe(true);
  press('Remind me of seaweed');
  expect(Object.values(doc().tasks).filter((t) => t.title.includes('seaweed'))).toHaveLength(1);
  expect(says('Seaweed is planned and stands on Today.')).toBe(true);
});

test('a tank with much nitrate is told how much to change, in litres and to what', () => {
  const doc = demo();
  const last = Object.values(doc.samples)
    .filter((s) => s.waterId === 'north-window')
    .sort((a, b) => (a.at < b.at ? 1 : -1))[0];
  if (!last) throw new Error('no sample');
  doc.samples = {
    ...doc.samples,
    [last.id]: {
      ...last,
      readings: last.readings.map((r) =>
        r.parameter === 'nitrate' ? { ...r, value: { kind: 'exact', value: 80 } } : r,
      ),
    },
  };
  onScreen(<AfterScreen />, { doc, params: { waterId: 'north-window' } });
  expect(says(/^\d\d %, \d+ L$/)).toBe(true);
  expect(says(/^80 → \d+ mg\/L$/)).toBe(true);
});

test('before any animal the crew waits for film, salinity and calcium', () => {
  onScreen(<AfterScreen />, { doc: demo(), params: { waterId: 'pantry-cube' } });
  expect(says('Before any grazer')).toBe(true);
  expect(says('0')).toBe(true);
});
