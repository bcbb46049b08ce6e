import type { Animal, Display } from '../../../core/document';
import { demo, NOW as SHOWN, onScreen, press, says, submit, type } from '../shell/testing';
import { FallowPanel } from './FallowPanel';

// The screen's own clock, which stands still: an hour before it is the same day at any hour of the real one.
const NOW = () => SHOWN;
function withOutbreak(fishIn: boolean) {
  const doc = demo();
  const at = new Date(NOW() - 3_600_000).toISOString();
  doc.events.outbreak = {
    id: 'outbreak',
    waterId: 'north-window',
    at,
    note: '',
    kind: 'incident',
    what: 'outbreak',
  };
  const fish: Animal = {
    id: 'sick',
    homeId: 'north-window',
    speciesId: 'royal-gramma',
    count: 2,
    moves: [{ to: { kind: 'water', waterId: 'north-window' }, at, why: '' }],
    plannedDay: null,
  };
  if (fishIn) doc.animals.sick = fish;
  return doc;
}
const show = (fishIn: boolean) => {
  const doc = withOutbreak(fishIn);
  return onScreen(<FallowPanel water={doc.waters['north-window'] as Display} now={NOW()} />, { doc });
};

test('all fish leave in one act, with the reason kept, and the display lies fallow', () => {
  const { doc } = show(true);
  expect(says(/^Still in the display: 2 × Royal gramma/)).toBe(true);
  press('All fish to Spare tank');
  expect(doc().animals.sick?.moves.at(-1)).toMatchObject({
    to: { kind: 'water', waterId: 'north-qt' },
    why: 'outbreak in the display',
  });
  expect(says(/^Day 0 of 76 without fish/)).toBe(true);
});
test('without an outbreak nothing is said; without fish the days count at once', () => {
  show(false);
  expect(says(/^Day 0 of 76 without fish; until/)).toBe(true);
  document.body.innerHTML = '';
  const calm = demo();
  onScreen(<FallowPanel water={calm.waters['north-window'] as Display} now={NOW()} />, { doc: calm });
  expect(says(/Fallow|Outbreak/)).toBe(false);
});
test('fewer days only with a reason, and only while the log shows it warm', async () => {
  const { doc } = show(false);
  press('Fewer days, where it is warm');
  await submit('Choose fewer days');
  expect(says(/^Say why fewer days are enough here/)).toBe(true);
  type('Why they are enough', 'kept at 28 °C, the vet agrees');
  type('Days without fish', '30');
  await submit('Choose fewer days');
  expect(doc().events.outbreak).not.toHaveProperty('fallow');
  type('Days without fish', '50');
  await submit('Choose fewer days');
  expect(doc().events.outbreak).toMatchObject({ fallow: { days: 50, why: 'kept at 28 °C, the vet agrees' } });
  expect(says(/^(50 days by your choice|You chose 50 days)/)).toBe(true);
});
