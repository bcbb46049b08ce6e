import { waitFor } from '@testing-library/react';
import { lastMove, livingIn } from '../../../core/document';
import { REASON_MISSING } from '../shell/guard';
import { choose, demo, flush, onScreen, press, says, type } from '../shell/testing';
import { UpgradeScreen } from './UpgradeScreen';

test('a tank is moved: its water, its ammonia, and the tests after it', async () => {
  const { doc } = onScreen(<UpgradeScreen />, { doc: demo(), params: { waterId: 'north-window' } });
  expect(says('Into which tank?')).toBe(true);
  type(/^The new tank holds, net/, '2');
  expect(says('Into which tank?')).toBe(true);
  type(/^The new tank holds, net/, '500');
  expect(says('It may be done in a day')).toBe(true);
  expect(says(/^at most 0\.\d\d mg\/L N, 0\.\d{3} free$/)).toBe(true);
  const before = Object.keys(doc().tasks).length;
  await waitFor(() => press(/^Plan them from/));
  await flush();
  expect(Object.keys(doc().tasks)).toHaveLength(before + 7);
});
test('without rock and media the animals are not sent over', () => {
  const doc = demo();
  const snails = Object.values(doc.animals).find((a) => a.speciesId === 'turban-snail')!;
  doc.animals = { ...doc.animals, [snails.id]: { ...snails, speciesId: 'green-chromis', count: 12 } };
  onScreen(<UpgradeScreen />, { doc, params: { waterId: 'north-window' } });
  type(/^The new tank holds, net/, '300');
  type(/^Rock and media/, '0');
  expect(says('Not so: ammonia would rise')).toBe(true);
  expect(says(/^More of the rock and media/)).toBe(true);
});
test('while the water itself is in trouble that comes first, whatever is reckoned', () => {
  const doc = demo();
  const samples = Object.values(doc.samples).filter((s) => s.waterId === 'north-window');
  const last = samples
    .sort((a, b) => a.at.localeCompare(b.at))
    .filter((s) => s.readings.some((r) => r.parameter === 'temperature'))
    .pop()!;
  const readings = last.readings.map((r) =>
    r.parameter === 'temperature' ? { ...r, value: { kind: 'exact' as const, value: 32 } } : r,
  );
  doc.samples = { ...doc.samples, [last.id]: { ...last, readings } };
  onScreen(<UpgradeScreen />, { doc, params: { waterId: 'north-window' } });
  type(/^The new tank holds, net/, '500');
  expect(says('Not today: the water needs you first')).toBe(true);
  expect(says('Today says what to do')).toBe(true);
});
test('five litres are no home: who may not live there is said first, with why', () => {
  onScreen(<UpgradeScreen />, { doc: demo(), params: { waterId: 'north-window' } });
  type(/^The new tank holds, net/, '5');
  expect(says('Not so: 6 of 6 may not live there')).toBe(true);
  expect(says(/Chestnut turban snail .* this one holds 5 L\./)).toBe(true);
});
test('into a tank that is entered all are logged at once, against the guard with a reason', async () => {
  const before = demo();
  const { doc } = onScreen(<UpgradeScreen />, { doc: before, params: { waterId: 'north-window' } });
  choose('Pantry Cube');
  await waitFor(() => press('Log that all are in Pantry Cube'));
  await flush();
  expect(says(REASON_MISSING)).toBe(true);
  expect(doc().animals).toEqual(before.animals);
  type('Why all the same', 'The old seam leaks');
  press('Log that all are in Pantry Cube');
  await flush();
  expect(livingIn(doc(), 'north-window')).toEqual([]);
  const moved = livingIn(doc(), 'pantry-cube');
  expect(moved.map((a) => [a.homeId, lastMove(a).why])).toEqual(
    livingIn(before, 'north-window').map(() => ['pantry-cube', 'The old seam leaks']),
  );
  // Rock and media with them, which the new tank is told, and nothing is said of the glass they left but that.
  const rock = Object.values(doc().events).filter(
    (e) => e.kind === 'bacteria' && e.waterId === 'pantry-cube',
  );
  expect(rock.pop()).toMatchObject({ seed: 'oldTank', note: 'Of North Window' });
  expect(says('All are in Pantry Cube')).toBe(true);
  expect(says(/^Rock and media went into Pantry Cube on /)).toBe(true);
  const tasks = Object.keys(doc().tasks).length;
  press(/^Plan them from/);
  await flush();
  expect(Object.keys(doc().tasks)).toHaveLength(tasks + 7);
  expect(says(/^Plan them from/)).toBe(false);
});
test('animals alone: the rock stays where it was', async () => {
  const { doc } = onScreen(<UpgradeScreen />, { doc: demo(), params: { waterId: 'north-window' } });
  choose('Pantry Cube');
  type(/^Rock and media/, '0');
  const events = Object.keys(doc().events).length;
  await waitFor(() => type('Why all the same', 'The old seam leaks'));
  press('Log that all are in Pantry Cube');
  await flush();
  expect(livingIn(doc(), 'north-window')).toEqual([]);
  expect(Object.keys(doc().events)).toHaveLength(events);
  expect(says('All are in Pantry Cube')).toBe(false);
});
