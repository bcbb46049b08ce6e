import { screen } from '@testing-library/react';
import { emptyDocument } from '../../../core/document';
import { choose, demo, flush, onScreen, press, says, submit, tick, type } from '../shell/testing';
import { EditWaterScreen, NewWaterScreen } from './WaterFormScreen';
import { SchoolScreen } from './SchoolScreen';
import { SwitcherScreen } from './SwitcherScreen';

const size = (length: string, width: string, height: string) => {
  type('Length inside, cm', length);
  type('Width inside, cm', width);
  type('Water height, cm', height);
};

test('the walk: a question at a time, the glass filling with its numbers, name and size enough', async () => {
  const { doc, went } = onScreen(<NewWaterScreen />, { doc: emptyDocument() });
  // Nothing is skipped: without a name it says so and stays.
  press('How big is the glass?');
  expect(says('Not yet: Give it a name.')).toBe(true);
  type('Name', 'Hall tank');
  press('How big is the glass?');
  expect(says('2 of 4')).toBe(true);
  press('Where are you now?');
  expect(says(/^Not yet: Length is missing/)).toBe(true);
  size('100', '50', '48');
  type('Rock, kg', '24');
  type('Sand, kg', '28');
  // By hand: 240 L less 10 L of rock and 10 L of sand.
  expect(screen.getByRole('img', { name: /filled: 220 L of real water/ })).toBeTruthy();
  await submit('Enough for now: add it');
  const water = Object.values(doc().waters)[0];
  expect(water).toMatchObject({
    name: 'Hall tank',
    kind: 'display',
    startDay: null,
    size: { kind: 'dimensions', lengthCm: 100 },
    rockKg: 24,
    school: 'proof24',
  });
  expect(Object.keys(doc().kits).length).toBeGreaterThan(4);
  expect(went()).toEqual([`/water/${water?.id}`]);
});

test('units are changed with one tap, and are the person’s from then on', async () => {
  const { doc } = onScreen(<NewWaterScreen />, { doc: emptyDocument() });
  choose('in · gal · °F');
  type('Name', 'Hall tank');
  press('How big is the glass?');
  press('Only the volume');
  type('Volume of water, gal', '50');
  await submit('Enough for now: add it');
  expect(doc().settings.person?.units).toMatchObject({ volume: 'gal', temperature: 'F' });
  expect(Object.values(doc().waters)[0]).toMatchObject({ size: { volumeL: expect.closeTo(189.27, 1) } });
  expect(Object.values(doc().kits).find((k) => k.parameter === 'salinity')?.salinityUnit).toBe('sg2525');
});

test('of a glass too small for any fish, or for anybody, that is said before it is bought', () => {
  onScreen(<NewWaterScreen />, { doc: emptyDocument() });
  type('Name', 'Shelf');
  press('How big is the glass?');
  press('Only the volume');
  const said = (litres: string) => {
    type('Volume of water, L', litres);
    return says(/^(No fish|Nothing) known here lives well in a glass of/);
  };
  expect(said('60')).toBe(false);
  expect(said('25')).toBe(true);
  expect(says('No fish known here lives well in a glass of 25 L: the smallest want 40 L.')).toBe(true);
  expect(said('5')).toBe(true);
  expect(says('Nothing known here lives well in a glass of 5 L: what wants least wants 20 L.')).toBe(true);
  expect(said('')).toBe(false);
});

test('someone with animals in is asked who and since when, told what is taken as told, and sent to the tests', async () => {
  const { doc, went } = onScreen(<NewWaterScreen />, { doc: emptyDocument() });
  type('Name', 'Den');
  press('How big is the glass?');
  size('80', '45', '43');
  press('Where are you now?');
  choose(/^Animals are in/);
  press('What came before?');
  type('First filled on', '1 Sep 2025');
  type('Find an animal', 'ocellaris');
  press('Ocellaris clownfish');
  press('How do you go on?');
  expect(says('Not yet: Say the day it came, roughly.')).toBe(true);
  type('How many', '2');
  type('Came on', '10 Oct 2025');
  press('How do you go on?');
  expect(says('We propose: zero and zero')).toBe(true);
  await submit('Add, then log tests');
  const [water] = Object.values(doc().waters);
  expect(water).toMatchObject({
    startDay: '2025-09-01',
    school: 'zeroZero',
    told: { stage: 'animalsIn', day: '2026-05-01' },
  });
  expect(Object.values(doc().animals)).toMatchObject([{ speciesId: 'ocellaris-clownfish', count: 2 }]);
  expect(went()).toEqual([`/water/${water?.id}/log`]);
});

test('rock that leaves no water is refused in words', async () => {
  const { doc } = onScreen(<NewWaterScreen />, { doc: emptyDocument() });
  type('Name', 'Full of rock');
  press('How big is the glass?');
  size('40', '40', '40');
  type('Rock, kg', '500');
  press('Where are you now?');
  await flush();
  expect(Object.keys(doc().waters)).toHaveLength(0);
  expect(says(/^Not yet: Rock and sand displace more water than the tank holds/)).toBe(true);
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

test('how long the hold lasts and how nitrite counts are the person’s own', () => {
  const { doc, settle } = onScreen(<SchoolScreen />, { doc: demo(), params: { waterId: 'pantry-cube' } });
  choose(/^Until nitrate levels off/);
  settle();
  expect(doc().waters['pantry-cube']).toMatchObject({ hold: { kind: 'nitrateLevel' } });
  choose(/^One week/);
  settle();
  expect(doc().waters['pantry-cube']).toMatchObject({ hold: { kind: 'days', days: 7 } });
  choose(/^As in sea water/);
  settle();
  expect(doc().waters['pantry-cube']).toMatchObject({ nitriteWeight: 'seaWater' });
});

test('seven schools judge the same readings; the change is logged', () => {
  const { doc } = onScreen(<SchoolScreen />, { doc: demo(), params: { waterId: 'north-window' } });
  expect(screen.getAllByRole('radio', { name: /Says / })).toHaveLength(7);
  expect(screen.getByRole('radio', { name: /^24-hour proof\. Says Wait, at next step/ })).toBeTruthy();
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
  const rows = screen
    .getAllByRole('link')
    .map((l) => l.textContent ?? '')
    .filter((t) => !t.startsWith('Agenda'));
  const at = (name: string) => rows.findIndex((t) => t.startsWith(name));
  expect([at('North Window'), at('Pantry Cube'), at('Spare tank'), at('Mixing bin')]).toEqual([0, 1, 2, 3]);
  expect(rows[0]).toMatch(/Steady$/);
  expect(rows[2]).toMatch(/quarantine · day \d+Steady$/);
  expect(rows[3]).toMatch(/mixing containerGo$/);
});

test('tap water is asked for what is in it, and its conditioner holds the first gate until it is in', async () => {
  const doc = demo();
  const pantry = doc.waters['pantry-cube'];
  if (pantry?.kind !== 'display') throw new Error('no display');
  doc.waters = { ...doc.waters, 'pantry-cube': { ...pantry, hold: { kind: 'days', days: 7 } } };
  const shown = onScreen(<EditWaterScreen />, { doc, params: { waterId: 'pantry-cube' } });
  choose('Tap water');
  choose('Chloramine');
  await submit('Keep the changes');
  expect(shown.doc().waters['pantry-cube']).toMatchObject({
    filledWith: 'tap',
    tap: { holds: 'chloramine', conditioned: false },
    // What the form does not ask stays.
    hold: { kind: 'days', days: 7 },
  });
});
