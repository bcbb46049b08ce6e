import { screen } from '@testing-library/react';
import { allText, choose, demo, flush, onScreen, press, says, submit, tick, type } from '../shell/testing';
import { EquipmentScreen, PartScreen } from './EquipmentScreens';
import { SetupScreen } from './SetupScreen';

const pantry = (more: Record<string, string> = {}) => ({ waterId: 'pantry-cube', ...more });
const north = (more: Record<string, string> = {}) => ({ waterId: 'north-window', ...more });

test('a point of setting up is dated by a tick and open again by another', () => {
  const { doc } = onScreen(<SetupScreen />, { doc: demo(), params: pantry() });
  const dated = () =>
    Object.values(doc().setup)
      .filter((s) => s.waterId === 'pantry-cube')
      .map((s) => [s.item, s.doneDay]);
  tick(/Leak test/);
  expect(dated()).toEqual([['leakTest', '2026-05-01']]);
  expect(says('done 1 May')).toBe(true);
  tick(/Leak test/);
  expect(dated()).toEqual([]);
});

test('the lists keep their order and follow the school of sand', () => {
  onScreen(<SetupScreen />, { doc: demo(), params: pantry() });
  const order = () => {
    const text = allText();
    return [
      'Leak test in plain water',
      'Sand in',
      'Salt mixed',
      'Brought to temperature before the salt test',
      'Salinity tested',
    ].map((t) => text.indexOf(t));
  };
  expect(order()).toEqual([...order()].sort((a, b) => a - b));
  choose(/^days later/);
  // Sand days later comes after the salt test.
  const [, sand = -1, , , salt = -1] = order();
  expect(sand).toBeGreaterThan(salt);
});

test('a part without a name, with a price that is none or with half a day is refused; a good one is kept', async () => {
  const { doc, went } = onScreen(<PartScreen />, { doc: demo(), params: pantry({ partId: 'new' }) });
  await submit('Add it');
  expect(says('Give the part a name.')).toBe(true);
  type('Name', 'Second heater');
  choose('heater');
  type('Price', 'dear');
  type('Service every, days', '30.5');
  await submit('Add it');
  expect(says(/“dear” is not a number/)).toBe(true);
  expect(says(/Service interval must be a whole number, not 30\.5/)).toBe(true);
  expect(Object.values(doc().equipment).some((e) => e.name === 'Second heater')).toBe(false);
  type('Price', '24,50');
  type('Service every, days', '90');
  type('Power, W', '100');
  await submit('Add it');
  expect(Object.values(doc().equipment).find((e) => e.name === 'Second heater')).toMatchObject({
    kind: 'heater',
    price: 24.5,
    watts: 100,
    serviceEveryDays: 90,
    waterId: 'pantry-cube',
  });
  expect(went()).toEqual(['/water/pantry-cube/equipment']);
});

test('a service is dated, and what is due is said by name', () => {
  const doc = demo();
  const socks = Object.values(doc.equipment).find((e) => e.name === 'Filter socks');
  if (!socks) throw new Error('the demo has socks');
  onScreen(<EquipmentScreen />, { doc, params: north() });
  expect(says(/^Filter socks: service due/)).toBe(true);
  document.body.innerHTML = '';
  const shown = onScreen(<PartScreen />, { doc, params: north({ partId: socks.id }) });
  press('Serviced today');
  expect(shown.doc().equipment[socks.id]?.services.map((s) => s.day)).toContain('2026-05-01');
});

test('money: what was spent, and the current of a month from the price a person pays', () => {
  onScreen(<EquipmentScreen />, { doc: demo(), params: north() });
  const running = () => Number(/Running, a month([\d.]+)/.exec(allText())?.[1]);
  const cheap = running();
  type('Current costs, a kWh', '0.60');
  expect(running()).toBeGreaterThan(cheap);
  type('Current costs, a kWh', 'x');
  expect(says(/“x” is not a number/)).toBe(true);
  expect(screen.getByText('Spent so far')).toBeTruthy();
});

test('the diary of a skimmer takes one line a day and says what to do', async () => {
  const { doc } = onScreen(<PartScreen />, { doc: demo(), params: north({ partId: 'north-skimmer' }) });
  expect(says('Day 9 of 14')).toBe(true);
  expect(says(/^Open its outlet a little/)).toBe(true);
  const before = doc().equipment['north-skimmer']?.foam?.length ?? 0;
  type('Cup or outlet stands at', 'x'.repeat(81));
  choose('Runs over');
  expect(doc().equipment['north-skimmer']?.foam).toHaveLength(before);
  type('Cup or outlet stands at', 'three turns');
  choose('Runs over');
  await flush();
  choose('Dark, rising slowly');
  await flush();
  expect(doc().equipment['north-skimmer']?.foam?.slice(before)).toMatchObject([
    { day: '2026-05-01', is: 'right' },
  ]);
  expect(says(/^Leave it as it is\. Wipe the neck/)).toBe(true);
});

test('cables: what hangs where, what one fuse would stop, and which drip loop nobody looked at', () => {
  const doc = demo();
  onScreen(<EquipmentScreen />, { doc, params: north() });
  expect(says('Strip on the left, 82 W')).toBe(true);
  expect(says(/^Heat and flow hang on this one/)).toBe(true);
  expect(says(/^Drip loop not looked at: .*Skimmer/)).toBe(true);
  document.body.innerHTML = '';
  const shown = onScreen(<PartScreen />, { doc, params: north({ partId: 'north-skimmer' }) });
  press('Drip loop seen today');
  expect(shown.doc().equipment['north-skimmer']?.plug).toEqual({
    socket: '',
    by: '',
    loopSeenDay: '2026-05-01',
  });
});

test('a part that is not there is said so', () => {
  onScreen(<PartScreen />, { doc: demo(), params: north({ partId: 'nothing' }) });
  expect(says('There is no such part here')).toBe(true);
});
