import { fireEvent, render, screen } from '@testing-library/react';
import type { ReactElement } from 'react';
import { buttonColours, Button } from './Button';
import { Check, Choice, TextField } from './fields';
import { ThemeProvider } from './theme';
import { LIGHT } from './tokens';
import { TideStaff } from './charts/TideStaff';
import { placeBeads } from './charts/BeadLanes';
import { stairLabels } from './charts/LoadStair';

const show = (element: ReactElement) => render(<ThemeProvider theme="light">{element}</ThemeProvider>);

test('a disabled button does nothing', () => {
  const press = jest.fn();
  show(<Button label="Go on" disabled onPress={press} />);
  fireEvent.click(screen.getByText('Go on'));
  expect(press).not.toHaveBeenCalled();
});
test('colours of a button follow kind and state', () => {
  const rest = { pressed: false, hovered: false, disabled: false };
  expect(buttonColours(LIGHT, 'primary', rest).fill).toBe(LIGHT.action);
  expect(buttonColours(LIGHT, 'primary', { ...rest, disabled: true }).fill).toBe(LIGHT.sand);
  expect(buttonColours(LIGHT, 'outline', { ...rest, hovered: true }).fill).toBe(LIGHT.wash);
});
test('a field keeps the text as typed and shows the fault instead of the hint', () => {
  const change = jest.fn();
  show(<TextField label="pH" value="8," onChange={change} hint="A hint" error="Enter a number." />);
  fireEvent.change(screen.getByLabelText('pH'), { target: { value: '8,1' } });
  expect(change).toHaveBeenCalledWith('8,1');
  expect(screen.getByText('Enter a number.')).toBeTruthy();
  expect(screen.queryByText('A hint')).toBeNull();
});
test('one of a choice is chosen, and a press says which', () => {
  const change = jest.fn();
  show(<Choice label="Unit" options={[{ value: 'C', label: '°C' }, { value: 'F', label: '°F' }]} value="C" onChange={change} />);
  fireEvent.click(screen.getByText('°F'));
  expect(change).toHaveBeenCalledWith('F');
});
test('a check turns over', () => {
  const change = jest.fn();
  show(<Check label="Lid on" checked={false} onChange={change} />);
  fireEvent.click(screen.getByText('Lid on'));
  expect(change).toHaveBeenCalledWith(true);
});
test('the staff shows two gates ahead and names the others', () => {
  const mark = (id: string, status: 'passed' | 'here' | 'ahead') => ({ id, title: id, note: `${id} note`, status, open: false, evidence: null });
  const toggle = jest.fn();
  show(<TideStaff bleed={0} onToggle={toggle} marks={[mark('one', 'passed'), mark('two', 'here'), mark('three', 'ahead'), mark('four', 'ahead'), mark('five', 'ahead'), mark('six', 'ahead')]} />);
  expect(screen.getByText('higher up: six, five')).toBeTruthy();
  fireEvent.click(screen.getByText('two'));
  expect(toggle).toHaveBeenCalledWith('two');
});
test('beads begin a new row for each string and wrap', () => {
  const bead = { kind: 'clear' as const, today: false };
  const placed = placeBeads([{ beads: Array(5).fill(bead), brokenBy: 'sign, 5th day' }, { beads: Array(8).fill(bead), brokenBy: null }], 4, 10);
  expect(placed.rows).toBe(3);
  expect(placed.beads).toHaveLength(17);
});
test('labels of the stair never overlap, the biggest rise first', () => {
  const steps = [{ fromMs: 0, toMs: 1, mgN: 1, label: 'A snail', planned: false }, { fromMs: 1, toMs: 2, mgN: 9, label: 'Two cardinalfish', planned: true }];
  expect(stairLabels(steps, (ms) => ms * 10, 400).map((l) => l.text)).toEqual(['cardinalfish']);
});
