import { choose, demo, flush, onScreen, press, says, type } from '../shell/testing';
import { IN, moved } from '../../../core/document';
import { speciesOf } from '../../../core/species';
import { BoardScreen } from './BoardScreen';
import { labelOf, shortName } from './boardModel';

const bare = () => {
  const doc = demo();
  const water = doc.waters['north-window']!;
  const { board: _, ...rest } = water as typeof water & { board?: unknown };
  doc.waters['north-window'] = rest as typeof water;
  doc.animals = Object.fromEntries(
    Object.entries(doc.animals).map(([id, { spots: _s, ...a }]) => [id, a]),
  ) as typeof doc.animals;
  return doc;
};
const show = (doc = bare()) => onScreen(<BoardScreen />, { doc, params: { waterId: 'north-window' } });
const leather = (doc: ReturnType<typeof demo>) =>
  Object.values(doc.animals).find((a) => a.speciesId === 'toadstool-leather')!;

test('a piece is placed in figures, moved, and the place before is kept; outside the glass is questioned', async () => {
  const before = bare();
  const wish = leather(before);
  before.animals[wish.id] = moved(wish, IN('north-window'), '2026-05-01T08:00:00Z');
  const { doc } = show(before);
  expect(says('Nobody has a place yet')).toBe(true);
  choose(/^Toadstool leather/);
  type(/^From the left/, '500');
  press('Put it there');
  expect(leather(doc()).spots).toBeUndefined();
  type(/^From the left/, '30');
  type(/^From the front/, '20');
  type(/^Above the bottom/, '25');
  press('Put it there');
  await flush();
  expect(leather(doc()).spots).toMatchObject([{ xCm: 30, yCm: 20, zCm: 25 }]);
  // Neither light nor flow is said: that nothing speaks against it is all there is to say.
  expect(says('Nothing speaks against them, as far as is known')).toBe(true);
  expect(says(/No light is said, so no place is judged by it.*No flow is said/)).toBe(true);
  expect(says('not known; 75 to 200 suits it')).toBe(true);
  const move = async (x: string) => {
    type(/^From the left/, x);
    press('Put it there');
    await flush();
  };
  await move('35');
  expect(leather(doc()).spots?.map((s) => s.xCm)).toEqual([35]);
  const anHourLater = Date.now() + 3_600_001;
  jest.spyOn(Date, 'now').mockReturnValue(anHourLater);
  await move('40');
  expect(leather(doc()).spots?.map((s) => s.xCm)).toEqual([35, 40]);
  expect(says(/^Stood before, from /)).toBe(true);
});
test('a name in the drawing tells it from others of its group', () => {
  expect(['Torch coral', 'Bubble-tip anemone', 'Green star polyp', 'Coral'].map(shortName)).toEqual([
    'Torch',
    'Bubble-tip',
    'polyp',
    'Coral',
  ]);
});
test('two kinds with one short name are told apart by the whole', () => {
  const placed = ['toadstool-leather', 'zoanthid', 'green-star-polyp', 'green-star-polyp'].map(
    (speciesId, i) => ({
      id: `p${i}`,
      species: speciesOf(demo(), speciesId),
      spot: { xCm: 1, yCm: 1, zCm: 1 },
    }),
  );
  expect(placed.map((p) => labelOf(placed, p))).toEqual([
    'leather',
    'Button polyps',
    'Star polyps',
    'Star polyps',
  ]);
});
test('light measured near it speaks against a place', async () => {
  const { doc } = show();
  type(/^Point from the left/, '30');
  type(/^Point from the front/, '20');
  type(/^Point above the bottom/, '25');
  press('Add the point');
  expect(says('Say its light, its flow, or both.')).toBe(true);
  type(/^Light there/, '600');
  press('Add the point');
  await flush();
  expect(doc().waters['north-window']).toMatchObject({ board: { par: [{ xCm: 30, par: 600 }] } });
  choose(/^Toadstool leather/);
  type(/^From the left/, '30');
  type(/^From the front/, '20');
  type(/^Above the bottom/, '25');
  press('Put it there');
  await flush();
  expect(says('One stands badly')).toBe(true);
  expect(says('600 PAR, measured near it; 75 to 200 suits it')).toBe(true);
  expect(says(/^Toadstool leather gets 600 PAR, measured near it; up to 200 suits it/)).toBe(true);
});

test('a layout is kept under a name; another is taken up, and what stood is kept by itself', async () => {
  const { doc } = show(demo());
  const board = () => {
    const water = doc().waters['north-window']!;
    return water.kind === 'display' ? water.board! : null;
  };
  const stood = board()!.rocks;
  press('Keep the layout');
  expect(says('Give the layout a name.')).toBe(true);
  type('Keep this layout as', 'Two islands and a bridge');
  press('Keep the layout');
  expect(says(/^That name is taken/)).toBe(true);
  press('Set it like Two islands and a bridge');
  await flush();
  expect(board()!.rocks).toHaveLength(3);
  expect(board()!.layouts).toMatchObject([
    { name: 'Two islands and a bridge' },
    { name: 'As it stood, 1 May', rocks: stood },
  ]);
  expect(says(/^Covers \d+ % of the ground/)).toBe(true);
  press('Set it like As it stood, 1 May');
  await flush();
  expect(board()!.rocks).toEqual(stood);
  expect(board()!.layouts).toHaveLength(2);
  press('Remove As it stood, 1 May');
  await flush();
  expect(board()!.layouts).toHaveLength(1);
});
test('without a rock there is no layout to keep', () => {
  show();
  type('Keep this layout as', 'Nothing');
  press('Keep the layout');
  expect(says('Add a rock first: there is nothing to keep.')).toBe(true);
});
