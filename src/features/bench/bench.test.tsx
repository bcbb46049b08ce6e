import { screen } from '@testing-library/react';
import { emptyDocument } from '../../../core/document';
import { allText, choose, demo, onScreen, poisoned, says, type, submit } from '../shell/testing';
import { BenchScreen } from './BenchScreen';
import { LoneToolScreen, WaterToolScreen } from './ToolScreen';
import { TOOLS } from '../../../core/bench';

test.each(TOOLS.map((t) => [t.id, t] as const))(
  '%s opens with a tank and without one, each field with its unit',
  (tool, { title }) => {
    onScreen(<WaterToolScreen />, { doc: demo(), params: { waterId: 'north-window', tool } });
    expect(screen.getByRole('heading', { level: 1 }).textContent).toBe(title);
    expect(allText()).not.toMatch(/NaN|Infinity|undefined/);
    document.body.innerHTML = '';
    onScreen(<LoneToolScreen />, { doc: emptyDocument(), params: { tool } });
    expect(screen.getByRole('heading', { level: 1 }).textContent).toBe(title);
    expect(allText()).not.toMatch(/NaN|Infinity|undefined/);
  },
);

test('with ammonia in the water the bench says that first', () => {
  onScreen(<BenchScreen />, { doc: poisoned(), params: { waterId: 'north-window' } });
  expect(allText()).toMatch(/What it needs nowAmmonia is 2 mg\/L NH₄, read /);
  expect(says('Today says what to do')).toBe(true);
});

test('an answer ends in something logged, and says that it was', async () => {
  const { doc } = onScreen(<WaterToolScreen />, {
    doc: demo(),
    params: { waterId: 'north-window', tool: 'change' },
  });
  const changes = () =>
    Object.values(doc().events).filter((e) => e.kind === 'waterChange' && e.waterId === 'north-window')
      .length;
  const before = changes();
  type('Aim, mg/L NO₃', '5');
  await submit('It is done: log it');
  expect(changes()).toBe(before + 1);
  expect(says('Water change logged.')).toBe(true);
});

test('what cannot be is said at the field, and the answer waits', () => {
  onScreen(<WaterToolScreen />, { doc: demo(), params: { waterId: 'north-window', tool: 'change' } });
  choose('a fraction');
  type('Share to change, %', '130');
  expect(says(/Share to change must be above 0 and at most 100, not 130\./)).toBe(true);
  expect(says('Mend the marked field to see the answer.')).toBe(true);
  type('Share to change, %', '30');
  type('In how many changes', '2.5');
  expect(says(/In how many changes must be a whole number, not 2\.5\./)).toBe(true);
});

test('an old reading of conductivity off the scale is refused with the scale', () => {
  onScreen(<LoneToolScreen />, { doc: emptyDocument(), params: { tool: 'salinity' } });
  choose('conductivity');
  type('Conductivity, mS/cm', '90');
  type('Real water volume, L', '100');
  expect(allText()).toMatch(/between 2 and 42 practical salinity/);
  type('Conductivity, mS/cm', '53.065');
  expect(says('35.00 ppt')).toBe(true);
});

test('a tool that is not there is said so', () => {
  onScreen(<LoneToolScreen />, { params: { tool: 'hammer' } });
  expect(says('There is no such tool here')).toBe(true);
});
