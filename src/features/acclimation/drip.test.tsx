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

test('a drip is planned from bag and tank, and not without both', async () => {
  const { doc, went } = planned();
  type('Bag salinity, ppt', '');
  await submit('Go to the drip');
  expect(Object.keys(doc().drips)).toHaveLength(0);
  type('Bag salinity, ppt', '32');
  expect(allText()).toMatch(/minutes|min/);
  await submit('Go to the drip');
  const drip = Object.values(doc().drips)[0];
  expect(drip).toMatchObject({ waterId: 'north-window', animalIds: ['north-cardinals'], startedAt: null });
  expect(went()[0]).toBe(`/water/north-window/drip/${drip?.id}`);
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
  expect(shown.doc().animals['north-cardinals']?.moves.at(-1)).toMatchObject({
    why: 'the spare tank leaks',
    against: expect.arrayContaining(['riskClock']),
  });
  expect(says(/Top-off is plugged in again/)).toBe(true);
});

test('a drip that is not there is said so', () => {
  onScreen(<DripScreen />, { doc: demo(), params: north({ dripId: 'none' }) });
  expect(says('There is no such drip here')).toBe(true);
});
