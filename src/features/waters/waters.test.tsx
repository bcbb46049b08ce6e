import { screen } from '@testing-library/react';
import { emptyDocument } from '../../../core/document';
import { choose, demo, flush, onScreen, press, says, submit, tick, type } from '../shell/testing';
import { EditWaterScreen, NewWaterScreen } from './WaterFormScreen';
import { SchoolScreen } from './SchoolScreen';
import { SwitcherScreen } from './SwitcherScreen';

test('a tank is described, its water worked out with its doubt, and kept with kits to begin with', async () => {
  const { doc, went } = onScreen(<NewWaterScreen />, { doc: emptyDocument() });
  const primary = screen.getAllByRole('button').pop()?.textContent ?? '';
  press(primary);
  await flush();
  expect(Object.keys(doc().waters)).toHaveLength(0);
  type('Name', 'Hall tank');
  for (const [label, value] of [
    ['Length inside, cm', '100'],
    ['Width inside, cm', '50'],
    ['Water height, cm', '48'],
    ['Water in the sump, L', '0'],
    ['Rock, kg', '24'],
    ['Sand, kg', '28'],
  ] as const)
    type(label, value);
  // By hand: 240 L less 10 L of rock and 10 L of sand.
  expect(says(/220 L/)).toBe(true);
  press(primary);
  await flush();
  const water = Object.values(doc().waters)[0];
  expect(water).toMatchObject({
    name: 'Hall tank',
    kind: 'display',
    size: { kind: 'dimensions', lengthCm: 100 },
    rockKg: 24,
    school: 'proof24',
  });
  expect(Object.keys(doc().kits).length).toBeGreaterThan(4);
  expect(went().length).toBeGreaterThan(0);
});

test('rock that leaves no water is refused in words', async () => {
  const { doc } = onScreen(<NewWaterScreen />, { doc: emptyDocument() });
  type('Name', 'Full of rock');
  for (const [label, value] of [
    ['Length inside, cm', '40'],
    ['Width inside, cm', '40'],
    ['Water height, cm', '40'],
    ['Rock, kg', '500'],
  ] as const)
    type(label, value);
  press(screen.getAllByRole('button').pop()?.textContent ?? '');
  await flush();
  expect(Object.keys(doc().waters)).toHaveLength(0);
  expect(document.body.textContent).toMatch(/displace|more than the tank holds/);
});

test('an edit keeps what was entered elsewhere', async () => {
  const before = demo();
  const north = before.waters['north-window'];
  if (!north) throw new Error('no tank');
  const doc0 = {
    ...before,
    waters: {
      ...before.waters,
      'north-window': { ...north, volumeInUse: { litres: 230, sdL: 4, from: 'metered in' } },
    },
  };
  const { doc } = onScreen(<EditWaterScreen />, { doc: doc0, params: { waterId: 'north-window' } });
  type('Name', 'North Window, moved');
  tick(/^A lid or net is on/);
  press(/Keep|Save/);
  await flush();
  expect(doc().waters['north-window']).toMatchObject({
    name: 'North Window, moved',
    hasLid: !north.hasLid,
    volumeInUse: { litres: 230 },
  });
});

test('seven schools judge the same readings; the change is logged', () => {
  const { doc } = onScreen(<SchoolScreen />, { doc: demo(), params: { waterId: 'north-window' } });
  expect(screen.getAllByRole('radio')).toHaveLength(7);
  expect(screen.getByRole('radio', { name: /^24-hour proof\. Says Go/ })).toBeTruthy();
  choose(/^Watch the glass\. Says Wait/);
  expect(doc().waters['north-window']).toMatchObject({ school: 'watchGlass' });
  expect(
    Object.values(doc().events).filter((e) => e.waterId === 'north-window' && e.kind === 'schoolChanged'),
  ).toHaveLength(1);
  // Chosen again it is no change.
  choose(/^Watch the glass/);
  expect(
    Object.values(doc().events).filter((e) => e.waterId === 'north-window' && e.kind === 'schoolChanged'),
  ).toHaveLength(1);
});

test('the switcher names each tank', () => {
  onScreen(<SwitcherScreen />, { doc: demo() });
  for (const name of ['North Window', 'Pantry Cube']) expect(says(new RegExp(name))).toBe(true);
});

test("a new quarantine system: its clock is the person's own within reason", async () => {
  const { doc } = onScreen(<NewWaterScreen />, {
    doc: demo(),
    params: { kind: 'quarantine', serves: 'north-window' },
  });
  const count = Object.keys(doc().waters).length;
  await submit('Set it up');
  expect(Object.keys(doc().waters)).toHaveLength(count);
  type('Name', 'Coral box');
  choose('Corals');
  type('Volume of water, L', '40');
  await submit('Set it up');
  expect(Object.values(doc().waters).find((q) => q.name === 'Coral box')).toMatchObject({
    kind: 'quarantine',
    line: 'coral',
    size: { kind: 'volume', volumeL: 40 },
    clockDays: 28,
    serves: ['north-window'],
  });
});

test('all waters stand in the switcher, displays first, each with its word', () => {
  onScreen(<SwitcherScreen />, { doc: demo() });
  const rows = screen.getAllByRole('link').map((l) => l.textContent ?? '');
  const at = (name: string) => rows.findIndex((t) => t.startsWith(name));
  expect([at('North Window'), at('Pantry Cube'), at('Spare tank'), at('Mixing bin')]).toEqual([0, 1, 2, 3]);
  expect(rows[0]).toMatch(/Go$/);
  expect(rows[2]).toMatch(/quarantine · day \d+Wait$/);
  expect(rows[3]).toMatch(/mixing containerGo$/);
});
