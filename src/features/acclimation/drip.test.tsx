import { screen } from '@testing-library/react';
import { allText, demo, onScreen, press, says, submit, tick, type } from '../shell/testing';
import { DripScreen } from './DripScreen';
import { NewDripScreen } from './NewDripScreen';

const north = (more: Record<string, string> = {}) => ({ waterId: 'north-window', ...more });

function planned() {
  const shown = onScreen(<NewDripScreen />, { doc: demo(), params: north() });
  tick(/Banggai cardinalfish/);
  for (const [label, value] of [
    ['Bag salinity, ppt', '32'],
    ['Bag temperature, °C', '23'],
    ['Water in the bag, L', '0.6'],
    ['Container holds, L', '3'],
    ['Drops a second', '3.4'],
    ['Tank salinity, ppt', '35'],
    ['Tank temperature, °C', '25.2'],
  ] as const)
    type(label, value);
  return shown;
}

test('a drip is planned from bag and tank; what is not written is taken as usual, and said', async () => {
  const { doc, went } = planned();
  type('Bag salinity, ppt', '90');
  await submit('Go to the drip');
  expect(Object.keys(doc().drips)).toHaveLength(0);
  type('Bag salinity, ppt', '');
  expect(says(/^From the log of Spare tank: Bag salinity 34.8 ppt\.$/)).toBe(true);
  type('Bag salinity, ppt', '32');
  expect(allText()).toMatch(/minutes|min/);
  await submit('Go to the drip');
  const drip = Object.values(doc().drips)[0];
  expect(drip).toMatchObject({ waterId: 'north-window', animalIds: ['north-cardinals'], startedAt: null });
  expect(went()[0]).toBe(`/water/north-window/drip/${drip?.id}`);
});

test('who comes from a quarantine comes in its water: what is not written is what its log says', async () => {
  const { doc } = onScreen(<NewDripScreen />, { doc: demo(), params: north() });
  expect(says(/^From the log of/)).toBe(false);
  tick(/Banggai cardinalfish/);
  expect(says(/^From the log of Spare tank: Bag salinity 3\d\.\d ppt; Bag temperature 2\d\.\d °C\.$/)).toBe(
    true,
  );
  expect(says(/^Taken as usual, because nothing is written: Water in the bag/)).toBe(true);
  await submit('Go to the drip');
  const { samples } = demo();
  const newest = Object.values(samples)
    .filter((x) => x.waterId === 'north-qt')
    .flatMap((x) =>
      x.readings.flatMap((r) => (r.parameter === 'salinity' ? [{ at: x.at, value: r.value }] : [])),
    )
    .sort((a, b) => a.at.localeCompare(b.at))
    .pop();
  expect(newest?.value).toEqual({
    kind: 'exact',
    value: expect.closeTo(Object.values(doc().drips)[0]!.bag.salinity, 6),
  });
});
test('of a bag from a shop, or of two, nothing is known: it is taken as usual', () => {
  onScreen(<NewDripScreen />, { doc: demo(), params: north() });
  tick(/Banggai cardinalfish/);
  tick(/Yellow watchman goby/);
  expect(says(/^From the log of/)).toBe(false);
  expect(says(/^Taken as usual, because nothing is written: Bag salinity 33/)).toBe(true);
});

test('with pH and ammonia of the bag the kinder way is worked out', () => {
  planned();
  expect(says(/^With pH and ammonia of the bag/)).toBe(true);
  type('Hours in the bag', '20');
  expect(says(/^20 hours in the bag: its pH has sunk/)).toBe(true);
  type('pH of the bag', '7.0');
  type('Ammonia of the bag, mg/L NH₄', '10');
  expect(says(/^A drip would let free ammonia rise to|too much for one session|A slow drip would let/)).toBe(
    true,
  );
  expect(screen.getByRole('img', { name: /^Free ammonia after opening/ })).toBeTruthy();
  expect(allText()).not.toMatch(/NaN|Infinity/);
});

test('it starts only with its checks made, runs by the clock, and asks for the top-off to go back on', async () => {
  const first = planned();
  await submit('Go to the drip');
  const doc = first.doc();
  const id = Object.keys(doc.drips)[0] ?? '';
  document.body.innerHTML = '';
  const shown = onScreen(<DripScreen />, { doc, params: north({ dripId: id }) });
  const start = () => screen.getByRole('button', { name: 'Start the drip' });
  expect(start().getAttribute('aria-disabled')).toBe('true');
  for (const name of [
    'Tank is topped off and at its usual salinity',
    'Automatic top-off is unplugged, or there is none',
    'Lid is on or within reach',
  ])
    tick(name);
  press('Start the drip');
  expect(shown.doc().drips[id]?.startedAt).not.toBeNull();
  shown.settle(10 * 60_000);
  // Ten of 28 days are clear: let in all the same, the reason is asked first.
  press(/^They are in the tank/);
  expect(shown.doc().drips[id]?.finishedAt).toBeNull();
  expect(says(/^Only 10 of 28 days in Spare tank were seen clear/)).toBe(true);
  type('Why all the same', 'the spare tank leaks');
  press(/^They are in the tank/);
  expect(shown.doc().drips[id]?.finishedAt).not.toBeNull();
  // Looks of the days after stand as tasks, and what is to be put back is asked, not asserted.
  expect(Object.values(shown.doc().tasks).filter((t) => /look after/.test(t.title))).toHaveLength(5);
  expect(says('Bag water is poured away, none of it in the tank')).toBe(true);
  expect(shown.doc().animals['north-cardinals']?.moves.at(-1)).toMatchObject({
    why: 'the spare tank leaks',
    against: expect.arrayContaining(['riskClock']),
  });
  expect(says(/Top-off is plugged in again/)).toBe(true);
});

test.each([
  ['six-line-wrasse', 'Only if. Six-line wrasse wants a tank settled for about 60 days'],
  ['mandarin-dragonet', 'Mandarin dragonet wants a tank settled for about 180 days'],
])('before a drip the same is said of %s as at the wish', async (speciesId, said) => {
  const first = planned();
  await submit('Go to the drip');
  const doc = first.doc();
  doc.animals['north-cardinals'] = { ...doc.animals['north-cardinals']!, speciesId, count: 1 };
  document.body.innerHTML = '';
  const dripId = Object.keys(doc.drips)[0] ?? '';
  onScreen(<DripScreen />, { doc, params: north({ dripId }) });
  expect(allText()).toContain(said);
});

test('what was noted of the bag at the purchase stands in its drip', () => {
  const doc = demo();
  doc.purchases.p = {
    id: 'p',
    waterId: 'north-window',
    at: new Date().toISOString(),
    from: 'shop',
    fromWhom: '',
    price: null,
    quarantinedDays: null,
    treatedWith: '',
    bag: { salinity: 31.5, ph: 7.1, tanMgN: 2 / 1.2878, hours: 5 },
    animalIds: ['north-cardinals'],
    note: '',
  };
  onScreen(<NewDripScreen />, { doc, params: north({ animals: 'north-cardinals' }) });
  const value = (label: RegExp | string) => screen.getByLabelText<HTMLInputElement>(label).value;
  expect([
    value('Bag salinity, ppt'),
    value('pH of the bag'),
    value(/^Ammonia of the bag/),
    value('Hours in the bag'),
  ]).toEqual(['31.5', '7.1', '2', '5']);
});

test('one tap starts it for who has done all; the end is told by what is measured', async () => {
  const first = planned();
  await submit('Go to the drip');
  const doc = first.doc();
  const id = Object.keys(doc.drips)[0] ?? '';
  document.body.innerHTML = '';
  const shown = onScreen(<DripScreen />, { doc, params: north({ dripId: id }) });
  press('All of this is done: start the drip');
  expect(shown.doc().drips[id]?.checks).toMatchObject({
    toppedOff: expect.any(String),
    placeReady: expect.any(String),
  });
  expect(says(/^The end is told by what is measured/)).toBe(true);
  expect(says(/^Pour off down to 0\.6 L at/)).toBe(true);
  type('Salinity, ppt', '32.5');
  type('Temperature, °C', '25');
  await submit('Keep what I read');
  expect(says(/temperature is near, salinity is not yet/)).toBe(true);
  type('Salinity, ppt', '34.4');
  type('Temperature, °C', '25');
  await submit('Keep what I read');
  expect(shown.doc().drips[id]?.measured).toHaveLength(2);
  expect(says(/near enough\.$/)).toBe(true);
  expect(screen.getByRole('button', { name: 'They are in the tank' })).toBeTruthy();
});

test('a drip that is not there is said so', () => {
  onScreen(<DripScreen />, { doc: demo(), params: north({ dripId: 'none' }) });
  expect(says('There is no such drip here')).toBe(true);
});

/** Into the bag what a day on the way makes of it. */
function longJourney(animals: string, bagSalinity: string) {
  const shown = onScreen(<NewDripScreen />, { doc: demo(), params: north({ animals }) });
  type('Bag salinity, ppt', bagSalinity);
  type('Bag temperature, °C', '22');
  type('pH of the bag', '7.0');
  type('Ammonia of the bag, mg/L NH₄', '6');
  return shown;
}
const onDrip = (doc: ReturnType<ReturnType<typeof onScreen>['doc']>, waterId = 'north-window') => {
  const [id = ''] = Object.keys(doc.drips);
  document.body.innerHTML = '';
  const shown = onScreen(<DripScreen />, { doc, params: { waterId, dripId: id } });
  return { ...shown, drip: () => shown.doc().drips[id]! };
};

test('after a long journey with a small gap the bag floats closed, and nothing of a drip is asked', async () => {
  const { doc } = longJourney('north-cardinals', '34.5');
  await submit('Go to the drip');
  const { drip, doc: after } = onDrip(doc());
  expect(drip().way).toBe('temperatureOnly');
  expect(says(/top-off/i)).toBe(false);
  press('All of this is done: the closed bag floats now');
  expect(says(/Leave it closed/)).toBe(true);
  type('Temperature, °C', '25.1');
  await submit('Keep what I read');
  expect(says(/near enough\.$/)).toBe(true);
  // The guard stands at this door, too.
  press('They are in');
  expect(drip().finishedAt).toBeNull();
  type('Why all the same', 'the spare tank leaks');
  press('They are in');
  expect(after().animals['north-cardinals']?.moves.at(-1)).toMatchObject({ why: 'the spare tank leaks' });
  // What is left to ask is the bag water; no drip water was taken.
  expect(says('One thing left')).toBe(true);
  expect(says(/Drip water is replaced/)).toBe(false);
});

test('whoever is no fish drips in clean water of the bag’s salinity, from the moment it is in it', async () => {
  const id = Object.values(demo().animals).find((a) => a.speciesId === 'toadstool-leather')!.id;
  const shown = longJourney(id, '34.2');
  await submit('Go to the drip');
  const { drip } = onDrip(shown.doc());
  expect(drip().way).toBe('cleanWater');
  expect(says(/^Clean salt water stands ready: 34\.2 ppt, 25\.\d °C, tested free of ammonia/)).toBe(true);
  press('All of this is done: the closed bag floats now');
  expect(says(/45 minutes at the least/)).toBe(true);
  press('They are in the clean water');
  expect(drip().intoCleanAt).not.toBeNull();
  expect(drip().finishedAt).toBeNull();
  expect(says(/drops a second/)).toBe(true);
});

test('too large a gap is no session: it is refused until the days are planned, or a way is chosen', async () => {
  const shown = longJourney('north-cardinals', '29');
  await submit('Go to the drip');
  expect(says(/^Too much for one session/)).toBe(true);
  expect(Object.keys(shown.doc().drips)).toHaveLength(0);
  expect(says(/salinity is never raised by more than 3 ppt in one session/)).toBe(true);
  await submit('Plan these days');
  const tasks = Object.values(shown.doc().tasks).filter((t) => t.animalIds?.includes('north-cardinals'));
  expect(tasks.map((t) => t.title)).toEqual(
    expect.arrayContaining([expect.stringMatching(/^Mix 60\.0 L of 29/), expect.stringMatching(/to 34\.8/)]),
  );
  expect(tasks).toHaveLength(7);
  const [drip] = Object.values(shown.doc().drips);
  expect(drip).toMatchObject({ waterId: 'north-qt', way: 'temperatureOnly', water: { salinity: 29 } });
  expect(shown.went().at(-1)).toBe(`/water/north-qt/drip/${drip!.id}`);
});
