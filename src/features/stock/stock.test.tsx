import { screen } from '@testing-library/react';
import { allText, choose, demo, onScreen, press, says, submit, tick, type } from '../shell/testing';
import { AddAnimalScreen } from './AddAnimalScreen';
import { AnimalScreen } from './AnimalScreen';
import { NewQuarantineScreen, QuarantineScreen } from './QuarantineScreens';
import { SpeciesListScreen } from './SpeciesListScreen';
import { StockScreen } from './StockScreen';

const north = (more: Record<string, string> = {}) => ({ tankId: 'north-window', ...more });

test('the stock of a tank: who lives where, and what the filter carries', () => {
  const { doc } = onScreen(<StockScreen />, { doc: demo(), params: north() });
  const living = Object.values(doc().animals).filter((a) => a.tankId === 'north-window');
  expect(living.length).toBeGreaterThan(3);
  expect(screen.getAllByText(/Chestnut turban snail/).length).toBeGreaterThan(0);
  // The planned step of the stair stands in the table as well: not by colour and dash alone.
  expect(says(/Yellow watchman goby \(planned\)/)).toBe(true);
  expect(allText()).not.toMatch(/NaN|Infinity|undefined/);
});

test('a species too big for the tank is warned of in words, with the numbers, and may be wished all the same', async () => {
  const { doc, went } = onScreen(<AddAnimalScreen />, {
    doc: demo(),
    params: north({ species: 'yellow-tang' }),
  });
  expect(says(/Grows to 20 cm and wants 450 L; this tank holds 238 L/)).toBe(true);
  expect(screen.getByText('Predicted peak of free ammonia')).toBeTruthy();
  await submit('Wish for it');
  const wished = Object.values(doc().animals).find((a) => a.speciesId === 'yellow-tang');
  expect(wished?.moves.map((m) => m.to)).toEqual(['wish']);
  expect(went()).toHaveLength(1);
});

test('a count that is none is refused with a sentence and nothing is added', async () => {
  const { doc } = onScreen(<AddAnimalScreen />, {
    doc: demo(),
    params: north({ species: 'nassarius-snail' }),
  });
  const before = Object.keys(doc().animals).length;
  for (const bad of ['0', '-3', 'two', '2.5']) {
    type('How many', bad);
    await submit(/^It is in the display/);
    expect(Object.keys(doc().animals)).toHaveLength(before);
  }
  type('How many', '3');
  await submit(/^It is in the display/);
  expect(Object.values(doc().animals).find((a) => a.speciesId === 'nassarius-snail')).toMatchObject({
    count: 3,
    moves: [{ to: 'display' }],
  });
});

test('an animal is looked at on arrival, lent, and gone with a reason', async () => {
  const { doc } = onScreen(<AnimalScreen />, { doc: demo(), params: north({ animalId: 'north-cardinals' }) });
  const cardinals = () => doc().animals['north-cardinals'];
  type('Set aside, of 2', '1');
  await submit('All looked at');
  expect(says('1 sound, 1 set aside')).toBe(true);
  type('On loan from', 'a friend');
  type('Goes back', '2026-06-01');
  await submit('Note the loan');
  expect(cardinals()?.loan).toEqual({ from: 'a friend', dueDay: '2026-06-01', returnedDay: null });
  press('Given back today');
  expect(cardinals()?.loan?.returnedDay).toBe('2026-05-01');
  type('Why', 'moved to another tank');
  await submit('Log that it is gone');
  expect(cardinals()?.moves[cardinals()!.moves.length - 1]).toMatchObject({
    to: 'gone',
    why: 'moved to another tank',
  });
});

test('more set aside than there are is questioned', async () => {
  const { doc } = onScreen(<AnimalScreen />, { doc: demo(), params: north({ animalId: 'north-cardinals' }) });
  type('Set aside, of 2', '5');
  await submit('All looked at');
  expect(doc().animals['north-cardinals']?.inspection).toBeUndefined();
});

test('a clear look is logged once a day', () => {
  const { doc, settle } = onScreen(<QuarantineScreen />, {
    doc: demo(),
    params: north({ quarantineId: 'north-qt' }),
  });
  const looks = () => Object.values(doc().looks).filter((l) => l.quarantineId === 'north-qt').length;
  const before = looks();
  expect(says(/Day 12 of 28 clear/)).toBe(true);
  press(/^All clear today in Spare tank/);
  settle();
  expect(looks()).toBe(before + 1);
  expect(says('Looked today ✓')).toBe(true);
});

test("a new quarantine system: its clock is the person's own within reason", async () => {
  const { doc } = onScreen(<NewQuarantineScreen />, { doc: demo(), params: north() });
  const count = Object.keys(doc().quarantines).length;
  await submit('Open the system');
  expect(Object.keys(doc().quarantines)).toHaveLength(count);
  type('Name', 'Coral box');
  choose('Corals');
  type('Volume, L', '40');
  await submit('Open the system');
  expect(Object.values(doc().quarantines).find((q) => q.name === 'Coral box')).toMatchObject({
    group: 'coral',
    volumeL: 40,
    clockDays: 28,
  });
});

test('the species list is searched by either name', () => {
  onScreen(<SpeciesListScreen />, { doc: demo(), params: north() });
  // The crew stands first; a fish's name finds the fish all the same, and says that it is none of the crew.
  expect(says('Banggai cardinalfish')).toBe(false);
  type('Search', 'pterapogon');
  expect(says('Banggai cardinalfish')).toBe(true);
  expect(says('None of this kind; of another:')).toBe(true);
  expect(screen.getAllByRole('link')).toHaveLength(1);
  choose('Fish');
  expect(says('None of this kind; of another:')).toBe(false);
  type('Search', 'unicorn');
  expect(says('None by that name')).toBe(true);
});

test('a sign is logged with what was seen, never empty, and the clock stands', async () => {
  const { doc } = onScreen(<QuarantineScreen />, {
    doc: demo(),
    params: north({ quarantineId: 'north-qt', look: 'sign' }),
  });
  const signs = () => Object.values(doc().looks).filter((l) => l.result === 'sign').length;
  const before = signs();
  const log = screen.getAllByRole('button').find((b) => /log/i.test(b.textContent ?? ''));
  if (!log) throw new Error('no way to log the sign');
  await submit(log.textContent ?? '');
  expect(signs()).toBe(before);
  tick(/spots/i);
  await submit(log.textContent ?? '');
  expect(signs()).toBe(before + 1);
  expect(says(/The clock stands still/)).toBe(true);
});
