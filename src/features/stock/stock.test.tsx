import { fireEvent, screen } from '@testing-library/react';
import { IN, moved, type Document } from '../../../core/document';
import { netVolume } from '../../../core/volume';
import {
  allText,
  choose,
  demo,
  flush,
  onScreen,
  poisoned,
  press,
  says,
  submit,
  tick,
  type,
} from '../shell/testing';
import { AddAnimalScreen } from './AddAnimalScreen';
import { AnimalScreen } from './AnimalScreen';
import { SpeciesListScreen } from './SpeciesListScreen';
import { StockScreen } from './StockScreen';

const north = (more: Record<string, string> = {}) => ({ waterId: 'north-window', ...more });

test('the stock of a tank: who lives where, and what the filter carries', () => {
  const { doc } = onScreen(<StockScreen />, { doc: demo(), params: north() });
  const living = Object.values(doc().animals).filter((a) => a.homeId === 'north-window');
  expect(living.length).toBeGreaterThan(3);
  expect(screen.getAllByText(/Chestnut turban snail/).length).toBeGreaterThan(0);
  // The step that is meant to come stands in the table as well: not by colour and dash alone.
  expect(says(/Yellow watchman goby \(meant\)/)).toBe(true);
  expect(allText()).not.toMatch(/NaN|Infinity|undefined/);
});

test('what is meant for years ahead is questioned, and leaves the stair to the weeks that matter', () => {
  const doc = demo();
  doc.animals['north-goby'] = { ...doc.animals['north-goby']!, plannedDay: '2029-01-01' };
  onScreen(<StockScreen />, { doc, params: north() });
  expect(says(/Yellow watchman goby \(meant\)/)).toBe(false);
  expect(says(/meant for 1 Jan 2029/)).toBe(true);
  onScreen(<AnimalScreen />, { doc, params: { waterId: 'north-window', animalId: 'north-goby' } });
  expect(says(/A plan looks ahead to .*, no further\. Is the year right\?/)).toBe(true);
});

test('animals that were told of are asked for by name, until nobody else is in it', () => {
  const told = demo();
  const water = told.waters['pantry-cube'];
  if (water?.kind !== 'display') throw new Error('no display');
  told.waters[water.id] = { ...water, told: { stage: 'animalsIn', day: '2026-01-05' } };
  const { doc } = onScreen(<StockScreen />, { doc: told, params: { waterId: water.id } });
  expect(says(/as told on 5 Jan.*none of them is named/)).toBe(true);
  expect(says('No animal yet.')).toBe(false);
  expect(says(/the ceiling appears when a proof is logged/)).toBe(false);
  press('No other animal is in it');
  expect(doc().waters[water.id]).toMatchObject({ told: { stage: 'animalsIn', allNamed: true } });
  expect(says(/none of them is named/)).toBe(false);
});

test('there is no more room than a month may bring: twice the load of a month ago, or the first step', () => {
  onScreen(<StockScreen />, { doc: demo(), params: north() });
  const room = Number(allText().match(/Room for (\d+) mg a day/)?.[1]);
  const makes = Number(allText().match(/Animals make(\d+\.\d)/)?.[1]);
  const carries = Number(allText().match(/Near zero, today(\d+)/)?.[1]);
  const netL = netVolume(demo().waters['north-window']!).netL;
  // Nothing lived there a month ago.
  expect(room).toBe(Math.floor(0.1 * netL - makes));
  expect(room + makes).toBeLessThan(carries);
  expect(says(/at most doubles within a month, or with a first step/)).toBe(true);
});

test('of those in one quarantine it is said who cannot be together for weeks', () => {
  const doc = demo();
  const cardinals = Object.values(doc.animals).find((x) => x.speciesId === 'banggai-cardinalfish')!;
  onScreen(<StockScreen />, { doc, params: north() });
  expect(says(/In one quarantine/)).toBe(false);
  const damsel = { ...cardinals, id: 'damsel', speciesId: 'azure-damselfish', count: 1 };
  const joined = { ...doc, animals: { ...doc.animals, damsel } };
  onScreen(<StockScreen />, { doc: joined, params: north() });
  expect(says(/In one quarantine Azure damselfish fights Banggai cardinalfish/)).toBe(true);
});

test('with ammonia in the water there is no room, whatever was proved, and a wish is told that the water comes first', () => {
  onScreen(<StockScreen />, { doc: poisoned(), params: north() });
  expect(says('No room now')).toBe(true);
  expect(says(/^Ammonia is 2 mg\/L NH₄, read /)).toBe(true);
  expect(allText()).not.toMatch(/Room for/);
  document.body.innerHTML = '';
  const goby = Object.values(demo().animals).find((a) => a.speciesId === 'yellow-watchman-goby')!;
  onScreen(<AnimalScreen />, { doc: poisoned(), params: north({ animalId: goby.id }) });
  expect(allText()).toMatch(/Not yet\. First the water: see Today\./);
});

test('food is as Today lets: as much as they eat, and none while the water is not safe', () => {
  const withFish = (doc: Document): Document => {
    const fish = Object.values(doc.animals).find((a) => a.speciesId === 'banggai-cardinalfish')!;
    doc.animals[fish.id] = moved(fish, IN('north-window'), '2026-04-20T12:00:00Z');
    return doc;
  };
  const food = () => allText().match(/for all fish(.*?)(The place|$)/)?.[1];
  onScreen(<StockScreen />, { doc: withFish(demo()), params: north() });
  expect(food()).toMatch(/^about 0\.\d\d g/);
  document.body.innerHTML = '';
  onScreen(<StockScreen />, { doc: withFish(poisoned()), params: north() });
  expect(food()).toMatch(/^none today.*Today says what to do/);
});

test('a species too big for the tank is warned of in words, with the numbers, and may be wished all the same', async () => {
  const { doc, went } = onScreen(<AddAnimalScreen />, {
    doc: demo(),
    params: north({ species: 'yellow-tang' }),
  });
  expect(says(/Yellow tang grows to 20 cm and wants a glass of 450 L; this one holds 2\d\d L/)).toBe(true);
  expect(screen.getByText('Peak of free ammonia, by the proof')).toBeTruthy();
  await submit('Wish for it');
  const wished = Object.values(doc().animals).find((a) => a.speciesId === 'yellow-tang');
  expect(wished?.moves.map((m) => m.to)).toEqual([{ kind: 'wish' }]);
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
  // It passed no quarantine: a reason is asked in words, and stays with it.
  await submit(/^It is in the display/);
  expect(Object.keys(doc().animals)).toHaveLength(before);
  expect(says(/^It comes from no quarantine of yours/)).toBe(true);
  type('Why all the same', 'from my brother, clean for a year');
  await submit(/^It is in the display/);
  expect(Object.values(doc().animals).find((a) => a.speciesId === 'nassarius-snail')).toMatchObject({
    count: 3,
    moves: [
      {
        to: { kind: 'water', waterId: 'north-window' },
        why: 'from my brother, clean for a year',
        against: expect.arrayContaining(['riskNoQuarantine']),
      },
    ],
  });
});

test('an animal is looked at on arrival, lent, and gone with a reason', async () => {
  const { doc } = onScreen(<AnimalScreen />, { doc: demo(), params: north({ animalId: 'north-cardinals' }) });
  const cardinals = () => doc().animals['north-cardinals'];
  type('Set aside, of 2', '1');
  await submit('All looked at');
  expect(says('1 sound, 1 set aside')).toBe(true);
  // The count that goes on is the count that was sound; the other is a group of its own.
  expect(cardinals()?.count).toBe(1);
  const aside = Object.values(doc().animals).find((a) => a.splitFrom === 'north-cardinals');
  expect(aside).toMatchObject({ count: 1, asideSince: expect.any(String) });
  type('On loan from', 'a friend');
  type('Goes back', '2026-06-01');
  await submit('Note the loan');
  expect(cardinals()?.loan).toEqual({ from: 'a friend', dueDay: '2026-06-01', returnedDay: null });
  press('Given back today');
  expect(cardinals()?.loan?.returnedDay).toBe('2026-05-01');
  expect(cardinals()?.moves[cardinals()!.moves.length - 1]?.to).toEqual({ kind: 'gone', reason: 'returned' });
  expect(says('Given back')).toBe(true);
});

test('more set aside than there are is questioned', async () => {
  const { doc } = onScreen(<AnimalScreen />, { doc: demo(), params: north({ animalId: 'north-cardinals' }) });
  type('Set aside, of 2', '5');
  await submit('All looked at');
  expect(doc().animals['north-cardinals']?.inspection).toBeUndefined();
});

test('a death in a group: one is gone with its reason, the rest goes on, and both know the way they came', async () => {
  const { doc } = onScreen(<AnimalScreen />, { doc: demo(), params: north({ animalId: 'north-snails' }) });
  const before = doc().animals['north-snails'];
  choose('Eaten');
  type('How many are gone, of 5', '6');
  await submit('Log that it is gone');
  expect(doc().animals['north-snails']?.count).toBe(5);
  type('How many are gone, of 5', '2');
  type('What you know of it', 'an empty shell by the crab');
  await submit('Log that it is gone');
  const all = Object.values(doc().animals).filter((a) => a.speciesId === before?.speciesId);
  const gone = all.find((a) => a.id !== 'north-snails');
  expect(doc().animals['north-snails']).toEqual({ ...before, count: 3 });
  expect(gone).toMatchObject({ count: 2, splitFrom: 'north-snails' });
  expect(gone?.moves.slice(0, -1)).toEqual(before?.moves);
  expect(gone?.moves[gone.moves.length - 1]).toMatchObject({
    to: { kind: 'gone', reason: 'eaten' },
    why: 'an empty shell by the crab',
  });
});

test('a group is split on a move into another display, which is then its home', async () => {
  const { doc } = onScreen(<AnimalScreen />, { doc: demo(), params: north({ animalId: 'north-snails' }) });
  choose('Pantry Cube');
  type('How many, of 5', '2');
  await submit('Log the move');
  expect(Object.values(doc().animals).some((a) => a.homeId === 'pantry-cube' && a.count === 2)).toBe(false);
  expect(says(/^It comes from North Window: whatever lives there comes along/)).toBe(true);
  type('Why all the same', 'too many here');
  await submit('Log the move');
  const moved = Object.values(doc().animals).find((a) => a.homeId === 'pantry-cube');
  expect(moved).toMatchObject({ count: 2, speciesId: 'turban-snail' });
  expect(moved?.moves[moved.moves.length - 1]?.to).toEqual({ kind: 'water', waterId: 'pantry-cube' });
  expect(doc().animals['north-snails']).toMatchObject({ count: 3, homeId: 'north-window' });
});

test('a mixing container, a closed quarantine and one of another line take no fish', () => {
  onScreen(<AnimalScreen />, { doc: demo(), params: north({ animalId: 'north-goby' }) });
  const offered = screen.getAllByRole('radio').map((r) => r.textContent ?? '');
  expect(offered.some((t) => t.startsWith('Spare tank'))).toBe(true);
  expect(offered.some((t) => t.startsWith('North Window'))).toBe(true);
  expect(offered.some((t) => t.startsWith('Mixing bin'))).toBe(false);
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
  type('Search', 'qqzzxw');
  expect(says('None by that name')).toBe(true);
});

test('a kind in doubt stands so in the list', () => {
  const doc = demo();
  doc.animals['north-shrimp'] = { ...doc.animals['north-shrimp']!, provisional: true };
  onScreen(<StockScreen />, { doc, params: north() });
  expect(screen.getAllByText(/kind not sure/)).toHaveLength(1);
});

test('a kind in doubt is said to be so; under its right name the old one is kept', async () => {
  const { doc } = onScreen(<AnimalScreen />, {
    doc: demo(),
    params: north({ animalId: 'north-cardinals' }),
  });
  const animal = () => doc().animals['north-cardinals'];
  press('Not sure of the kind');
  expect(animal()?.provisional).toBe(true);
  expect(says(/^Taken for Banggai cardinalfish for the time being/)).toBe(true);
  press('It is another kind');
  type('The right kind', 'pajama');
  press(/^Pajama cardinalfish/);
  expect(animal()).toMatchObject({
    speciesId: 'pajama-cardinalfish',
    takenFor: [{ speciesId: 'banggai-cardinalfish' }],
  });
  expect(animal()?.provisional).toBeUndefined();
  expect(says('Taken for Banggai cardinalfish')).toBe(true);
  expect(screen.getByRole('heading', { level: 1 }).textContent).toBe('2 × Pajama cardinalfish');
});

test('looked at one by one: each is kept, and the tally follows from them', async () => {
  const { doc } = onScreen(<AnimalScreen />, {
    doc: demo(),
    params: north({ animalId: 'north-cardinals' }),
  });
  press('Look at them one by one');
  const [, second] = screen.getAllByRole('radio', { name: 'Set aside' });
  fireEvent.click(second!);
  tick('Parasites');
  await submit('All looked at');
  const all = Object.values(doc().animals).filter((a) => a.speciesId === 'banggai-cardinalfish');
  expect(all.map((a) => [a.count, a.asideSince !== undefined])).toEqual([
    [1, false],
    [1, true],
  ]);
  expect(all[0]?.inspection).toMatchObject({
    sound: 1,
    setAside: 1,
    found: ['parasites'],
    each: [
      { as: 'sound', found: [] },
      { as: 'setAside', found: ['parasites'] },
    ],
  });
});

describe('a coral on its way in', () => {
  const withCoral = (speciesId: string) => {
    const doc = demo();
    doc.animals.c = {
      id: 'c',
      homeId: 'north-window',
      speciesId,
      count: 1,
      moves: [{ to: { kind: 'water', waterId: 'pantry-cube' }, at: new Date().toISOString(), why: '' }],
      plannedDay: null,
    };
    return onScreen(<AnimalScreen />, { doc, params: north({ animalId: 'c' }) });
  };
  test('is dipped as its label says, by a timer, and what came off is kept', async () => {
    const { doc } = withCoral('zoanthid');
    expect(says(/palytoxin/)).toBe(true);
    await submit('It goes in now');
    expect(says(/^Write what the label calls it/)).toBe(true);
    type('Dip, as its label has it', 'Reef rinse');
    type("The label's time, min", '5');
    await submit('It goes in now');
    expect(doc().animals.c?.dips).toMatchObject([{ product: 'Reef rinse', minutes: 5, outAt: null }]);
    tick('Worms');
    press('It is out and rinsed');
    expect(doc().animals.c?.dips).toMatchObject([{ outAt: expect.any(String), found: ['worms'] }]);
    expect(says('worms')).toBe(true);
  });
  test('an anemone is never dipped, and goes nowhere before the intakes are guarded', async () => {
    const { doc } = withCoral('bubble-tip-anemone');
    expect(says(/never dipped/)).toBe(true);
    expect(says('Dip and look')).toBe(false);
    choose('North Window');
    await flush();
    expect(says(/^The pump intakes of North Window are not said to be guarded/)).toBe(true);
    tick('Every pump intake and overflow of North Window is guarded');
    expect(doc().waters['north-window']).toMatchObject({ intakesGuarded: true });
    expect(says(/^The pump intakes/)).toBe(false);
  });
});

test('the light of a coral in steps, with the flow it comes from, as tasks from today on', async () => {
  const doc = demo();
  doc.animals.c = {
    id: 'c',
    homeId: 'north-window',
    speciesId: 'candy-cane',
    count: 1,
    moves: [{ to: { kind: 'water', waterId: 'north-window' }, at: new Date().toISOString(), why: '' }],
    plannedDay: null,
  };
  const shown = onScreen(<AnimalScreen />, { doc, params: north({ animalId: 'c' }) });
  type('PAR at its place', '100');
  choose('Moderate');
  await submit('Plan these steps');
  const tasks = Object.values(shown.doc().tasks).filter((t) => t.animalIds?.includes('c'));
  // From 60 to 100 by steps of at most 1.2: three steps after the first (1.2 to the third is 1.73).
  expect(tasks).toHaveLength(4);
  expect(tasks.map((t) => t.note)).toContainEqual(expect.stringMatching(/in moderate flow as it comes from/));
});
