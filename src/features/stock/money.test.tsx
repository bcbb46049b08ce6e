import { fireEvent, screen } from '@testing-library/react';
import { demo, flush, onScreen, says, type } from '../shell/testing';
import { MoneyScreen } from './MoneyScreen';

const leave = (label: string) => fireEvent.blur(screen.getByLabelText(label));

test('what is set aside stands against what was put in, over and left; an empty field takes it away', async () => {
  const { doc } = onScreen(<MoneyScreen />, { doc: demo(), params: { waterId: 'north-window' } });
  const costs = () => {
    const water = doc().waters['north-window'];
    return water?.kind === 'display' ? water.costs : undefined;
  };
  expect(says(/set aside/)).toBe(false);
  type('Setting up, in all', '9000');
  leave('Setting up, in all');
  await flush();
  expect(costs()?.setUpLimit).toBe(9000);
  expect(says(/^\d+\.\d\d left of the 9000\.00 set aside in all\.$/)).toBe(true);
  type('Setting up, in all', '100');
  leave('Setting up, in all');
  await flush();
  expect(says(/^\d+\.\d\d over the 100\.00 set aside in all\.$/)).toBe(true);
  type('Setting up, in all', 'much');
  leave('Setting up, in all');
  await flush();
  expect(costs()?.setUpLimit).toBe(100);
  expect(says(/“much” is not a number/)).toBe(true);
  type('Setting up, in all', '');
  leave('Setting up, in all');
  await flush();
  expect(costs()?.setUpLimit).toBeUndefined();
  type('Running it, a month', '1');
  leave('Running it, a month');
  await flush();
  expect(says(/over the 1\.00 a month\.$/)).toBe(true);
});
test('without any price nothing is said to cost nothing', async () => {
  onScreen(<MoneyScreen />, { doc: demo(), params: { waterId: 'pantry-cube' } });
  expect(says('No price is said yet')).toBe(true);
  type('Test kits, a month', '12');
  leave('Test kits, a month');
  await flush();
  expect(says('About 12 a month')).toBe(true);
});
