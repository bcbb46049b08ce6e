import { act, fireEvent, render, screen } from '@testing-library/react';
import { useState, type ReactElement } from 'react';
import { isDay } from '../../core/time';
import { buttonColours, Button } from './Button';
import { Check, Choice, TextField } from './fields';
import { KeepsRoom } from './layout';
import { ThemeProvider } from './theme';
import { WhenField } from './WhenField';
import { LIGHT } from './tokens';
import { TideStaff } from './charts/TideStaff';
import { placeBeads } from './charts/BeadLanes';
import { namesWithin } from './charts/PlanDrawing';
import { clearOf, stairLabels, strikes } from './charts/StairLayer';

const show = (element: ReactElement) => render(<ThemeProvider theme="light">{element}</ThemeProvider>);

test('a disabled button does nothing', () => {
  const press = jest.fn();
  show(<Button label="Go on" disabled onPress={press} />);
  fireEvent.click(screen.getByText('Go on'));
  expect(press).not.toHaveBeenCalled();
});
test('what is made anew is as high while it is as it was before, and no higher after it', () => {
  const of = (isMaking: boolean) => (
    <ThemeProvider theme="light">
      <KeepsRoom isMaking={isMaking}>
        <p>plan</p>
      </KeepsRoom>
    </ThemeProvider>
  );
  const { rerender } = render(of(false));
  const room = () => screen.getByText('plan').parentElement as HTMLElement;
  // As the browser's observer would tell it, which is missing here.
  const measured = (height: number) => {
    const { __reactLayoutHandler: tell } = room() as unknown as Record<string, (e: object) => void>;
    act(() => tell?.({ nativeEvent: { layout: { height } } }));
  };
  measured(900);
  expect(room().style.minHeight).toBe('');
  rerender(of(true));
  expect(room().style.minHeight).toBe('900px');
  measured(950);
  expect(room().style.minHeight).toBe('900px');
  rerender(of(false));
  expect(room().style.minHeight).toBe('');
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
test('what is no day is not lost where nothing keeps it, and is questioned; a day chosen after it stands', () => {
  function Kept() {
    const [day, setDay] = useState('2026-05-01');
    const put = (text: string) => {
      if (isDay(text)) setDay(text);
    };
    return (
      <>
        <WhenField kind="date" label="Bought on" value={day} onChange={put} />
        <Button label="The day after" onPress={() => put('2026-05-02')} />
      </>
    );
  }
  show(<Kept />);
  const field = screen.getByLabelText<HTMLInputElement>('Bought on');
  expect(field.value).toBe('1 May 2026');
  fireEvent.change(field, { target: { value: 'soon' } });
  expect(screen.queryByText(/That is no day/)).toBeNull();
  fireEvent.blur(field);
  expect(field.value).toBe('soon');
  expect(screen.getByText(/^That is no day\. Write it /)).toBeTruthy();
  fireEvent.click(screen.getByText('The day after'));
  expect(field.value).toBe('2 May 2026');
  expect(screen.queryByText(/That is no day/)).toBeNull();
});
test('one of a choice is chosen, and a press says which', () => {
  const change = jest.fn();
  show(
    <Choice
      label="Unit"
      options={[
        { value: 'C', label: '°C' },
        { value: 'F', label: '°F' },
      ]}
      value="C"
      onChange={change}
    />,
  );
  fireEvent.click(screen.getByText('°F'));
  expect(change).toHaveBeenCalledWith('F');
});
test('a check turns over', () => {
  const change = jest.fn();
  show(<Check label="Lid on" checked={false} onChange={change} />);
  fireEvent.click(screen.getByText('Lid on'));
  expect(change).toHaveBeenCalledWith(true);
});
test('Space turns a check over once; other keys do not', () => {
  const change = jest.fn();
  show(<Check label="Lid on" checked onChange={change} />);
  fireEvent.keyDown(screen.getByRole('checkbox'), { key: 'a' });
  expect(change).not.toHaveBeenCalled();
  fireEvent.keyDown(screen.getByRole('checkbox'), { key: ' ' });
  expect(change.mock.calls).toEqual([[false]]);
});
describe('keys of a choice', () => {
  const group = (value: string) => {
    const change = jest.fn();
    show(
      <Choice
        label="Unit"
        options={['one', 'two', 'three'].map((v) => ({ value: v, label: v }))}
        value={value}
        onChange={change}
      />,
    );
    return { change, radio: (name: string) => screen.getByRole('radio', { name }) };
  };
  test('one stop of the tab key: the chosen one, or the first', () => {
    const { radio } = group('two');
    expect(['one', 'two', 'three'].map((name) => radio(name).tabIndex)).toEqual([-1, 0, -1]);
  });
  test('the first, where none is chosen', () => {
    expect(group('none').radio('one').tabIndex).toBe(0);
  });
  test.each([
    ['one', 'ArrowRight', 'two'],
    ['one', 'ArrowDown', 'two'],
    ['three', 'ArrowRight', 'one'],
    ['two', 'ArrowLeft', 'one'],
    ['one', 'ArrowUp', 'three'],
  ])('from %s, %s chooses %s and takes the focus there', (from, key, to) => {
    const { change, radio } = group(from);
    fireEvent.keyDown(radio(from), { key });
    expect(change.mock.calls).toEqual([[to]]);
    expect(document.activeElement).toBe(radio(to));
  });
  test('Space chooses the one in focus; a letter chooses nothing', () => {
    const { change, radio } = group('one');
    act(() => radio('three').focus());
    fireEvent.keyDown(radio('three'), { key: 'x' });
    expect(change).not.toHaveBeenCalled();
    fireEvent.keyDown(radio('three'), { key: ' ' });
    expect(change.mock.calls).toEqual([['three']]);
  });
});
test('the staff shows two gates ahead and names the others', () => {
  const mark = (id: string, status: 'passed' | 'here' | 'ahead') => ({
    id,
    title: id,
    note: `${id} note`,
    status,
    open: false,
    evidence: null,
  });
  const toggle = jest.fn();
  show(
    <TideStaff
      bleed={0}
      onToggle={toggle}
      marks={[
        mark('one', 'passed'),
        mark('two', 'here'),
        mark('three', 'ahead'),
        mark('four', 'ahead'),
        mark('five', 'ahead'),
        mark('six', 'ahead'),
      ]}
    />,
  );
  expect(screen.getByText('higher up: six, five')).toBeTruthy();
  fireEvent.click(screen.getByText('two'));
  expect(toggle).toHaveBeenCalledWith('two');
});
test('beads begin a new row for each string and wrap', () => {
  const bead = { kind: 'clear' as const, today: false };
  const placed = placeBeads(
    [
      { beads: Array(5).fill(bead), brokenBy: 'sign, 5th day' },
      { beads: Array(8).fill(bead), brokenBy: null },
    ],
    4,
    10,
  );
  expect(placed.rows).toBe(3);
  expect(placed.beads).toHaveLength(17);
});
test('labels of the stair never overlap, the biggest rise first', () => {
  const steps = [
    { fromMs: 0, toMs: 1, mgN: 1, label: 'A snail', planned: false },
    { fromMs: 1, toMs: 2, mgN: 9, label: 'Two cardinalfish', planned: true },
  ];
  expect(stairLabels(steps, (ms) => ms * 10, 400).map((l) => l.text)).toEqual(['cardinalfish']);
  const together = [{ ...steps[0]!, label: 'Tailspot blenny, Royal gramma, 2 × Banggai cardinalfish' }];
  expect(stairLabels(together, (ms) => ms * 10, 400).map((l) => l.text)).toEqual(['blenny and 2 more']);
  // Without room to the right of its rise it stands before it, off the line.
  const late = [{ ...together[0]!, fromMs: 30, toMs: 38 }];
  const [label] = stairLabels(late, (ms) => ms * 10, 380);
  expect(label).toMatchObject({ isBefore: true });
  expect(label!.x + label!.text.length * 8).toBeLessThan(300);
  expect(stairLabels(together, (ms) => ms * 10, 400)[0]).toMatchObject({ isBefore: false });
  // Where a line would run through it there it is left out, as the lists give it.
  expect(
    stairLabels(
      late,
      (ms) => ms * 10,
      380,
      () => false,
    ),
  ).toEqual([]);
  expect(
    stairLabels(
      together,
      (ms) => ms * 10,
      400,
      () => false,
    ),
  ).toHaveLength(1);
});

test('words over a falling line stand above where it enters under them, and in the field', () => {
  const line = [
    { x: 0, y: 10 },
    { x: 100, y: 60 },
    { x: 200, y: 80 },
    { x: 300, y: 90 },
  ];
  expect(clearOf(line, 200, 0)).toBe(50);
  expect(clearOf(line, 150, 0)).toBe(50);
  expect(clearOf(line, 201, 0)).toBe(70);
  expect(clearOf(line, 50, 0)).toBe(16);
});
test('a line strikes words it runs through, not such as it passes over, under or beside', () => {
  const line = [
    { x: 0, y: 100 },
    { x: 100, y: 50 },
  ];
  expect(strikes(line, 40, 60, 80)).toBe(true);
  // By hand: at 40 and 60 it stands at 80 and 70; words on 65 end 5 below that, on 94 begin 14 above it.
  expect(strikes(line, 40, 60, 65)).toBe(false);
  expect(strikes(line, 40, 60, 66)).toBe(true);
  expect(strikes(line, 40, 60, 93)).toBe(true);
  expect(strikes(line, 40, 60, 94)).toBe(false);
  expect(strikes(line, 101, 140, 50)).toBe(false);
});

test.each([
  [['Goby'], 350, 'Goby'],
  [['Fire dartfish', 'Goby'], 350, 'Fire dartfish, Goby'],
  [
    ['Fire dartfish', 'Ocellaris clownfish', 'Royal gramma', 'Goby'],
    350,
    'Fire dartfish, Ocellaris clownfish and 2 more',
  ],
  [['Fire dartfish', 'Ocellaris clownfish', 'Royal gramma', 'Goby'], 200, 'Fire dartfish and 3 more'],
  [['A name that is far too long for a phone', 'Goby'], 200, 'A name that is… and 1 more'],
])('names of a batch within a line: %s', (names, room, text) => expect(namesWithin(names, room)).toBe(text));
