import { fireEvent, screen } from '@testing-library/react';
import { STARTER_KITS, type Document } from '../../../core/document';
import { addDays } from '../../../core/time';
import { localDay } from '../../store';
import { NOW, allText, choose, demo, onScreen, press, says, submit, tick, type } from '../shell/testing';
import { EventScreen } from './EventScreen';
import { HistoryScreen } from './History';
import { KitScreen, KitsScreen } from './KitsScreens';
import { SampleScreen } from './SampleScreen';

const pantry = (more: Record<string, string> = {}) => ({ waterId: 'pantry-cube', ...more });
const samplesOf = (doc: Document) => Object.values(doc.samples).filter((s) => s.waterId === 'pantry-cube');

describe('the sample sheet', () => {
  const show = () =>
    onScreen(<SampleScreen />, { doc: demo(), params: pantry({ show: 'ammonia,nitrite,ph' }) });
  test('taps and texts become one sample; the sheet is put away and empty after it', async () => {
    const { doc, settle, went, again } = show();
    const before = samplesOf(doc()).length;
    press('ammonia 0.2');
    press('ammonia 0.5');
    press('nitrite 5+');
    type(/^pH/, '8,05');
    await submit('Save 3 readings');
    settle();
    const newest = samplesOf(doc()).sort((a, b) => (a.at < b.at ? 1 : -1))[0];
    expect(samplesOf(doc())).toHaveLength(before + 1);
    expect(newest?.readings.map((r) => [r.parameter, r.value.kind])).toEqual([
      ['ammonia', 'between'],
      ['nitrite', 'exact'],
      ['ph', 'exact'],
    ]);
    expect(went()).toEqual(['/water/pantry-cube']);
    expect(says('Stored')).toBe(true);
    expect(screen.queryByRole('button', { name: /^Save/ })).toBeNull();
    again({ waterId: 'north-window' });
    again(pantry({ show: 'ammonia,nitrite,ph' }));
    expect(screen.getByRole('button', { name: 'ammonia 0.2' }).getAttribute('aria-pressed')).toBe('false');
    expect((screen.getByLabelText(/^pH/) as HTMLInputElement).value).toBe('');
  });
  test('an unlikely jump is questioned and stored only as the person decides', async () => {
    const { doc, settle } = show();
    type(/^pH/, '7.5');
    expect(
      says(/^A big step since the last reading\. Likely: .*Repeat the test before acting on it\.$/),
    ).toBe(true);
    tick('Keep it, do not trust it: pH');
    await submit('Save 1 reading');
    settle();
    const newest = samplesOf(doc()).sort((a, b) => (a.at < b.at ? 1 : -1))[0];
    expect(newest?.readings).toEqual([
      { parameter: 'ph', kitId: 'kit-ph', value: { kind: 'exact', value: 7.5 }, doubted: true },
    ]);
  });
  test('text that is no number stays, is marked, and saves nothing', () => {
    const { doc } = show();
    const before = samplesOf(doc()).length;
    type(/^pH/, '8..1');
    press(/^Save/);
    expect(samplesOf(doc())).toHaveLength(before);
    expect((screen.getByLabelText(/^pH/) as HTMLInputElement).value).toBe('8..1');
  });
});

describe('more than one instrument', () => {
  const withSecond = (): Document => {
    const doc = demo();
    const usual = doc.kits['kit-ammonia']!;
    doc.kits = {
      ...doc.kits,
      'kit-second': { ...usual, id: 'kit-second', name: 'Second drops' },
      'kit-monitor': {
        ...usual,
        id: 'kit-monitor',
        name: 'Monitor',
        parameter: 'freeAmmonia',
        basis: 'NH3',
        scale: { kind: 'number', resolution: 0.001 },
      },
    };
    return doc;
  };
  const show = (shown: string) =>
    onScreen(<SampleScreen />, { doc: withSecond(), params: pantry({ show: shown }) });
  const newest = (doc: Document) => samplesOf(doc).sort((a, b) => (a.at < b.at ? 1 : -1))[0];
  test('choosing another kit enters no value', () => {
    show('ammonia');
    choose('Second drops');
    expect(screen.getByRole('button', { name: 'ammonia 0' }).getAttribute('aria-pressed')).toBe('false');
    expect(screen.getByRole('button', { name: 'Save' })).toBeTruthy();
  });
  test('a second instrument reads the same sitting, and both are kept', async () => {
    const { doc, settle } = show('ammonia');
    press('ammonia 0.2');
    press('Read it with Second drops as well');
    const [, second] = screen.getAllByRole('button', { name: 'ammonia 0.5' });
    if (second) fireEvent.click(second);
    settle();
    await submit('Save 2 readings');
    settle();
    expect(newest(doc())?.readings.map((r) => [r.kitId, r.value])).toEqual([
      ['kit-ammonia', { kind: 'exact', value: 0.2 }],
      ['kit-second', { kind: 'exact', value: 0.5 }],
    ]);
  });
  test('free ammonia above the total is questioned, and kept only without trust', async () => {
    const { doc } = show('ammonia,freeAmmonia');
    const before = samplesOf(doc()).length;
    press('ammonia 0.2');
    type(/^Monitor/, '1');
    press(/^Save/);
    expect(says(/^Free ammonia cannot be above the total\./)).toBe(true);
    expect(samplesOf(doc())).toHaveLength(before);
  });
  test('what was probably meant is named', () => {
    show('temperature,alkalinity,ph');
    type(/^Thermometer/, '77');
    expect(says(/It looks like °F: 77 °F is 25\.0 °C\./)).toBe(true);
    type(/^Alkalinity titration/, '150');
    expect(says(/It looks like mg\/L CaCO₃: 150 is 8\.4 dKH\./)).toBe(true);
    type(/^pH/, '14');
    expect(says(/calibrate the probe/)).toBe(true);
  });
});

test('a change says what to test before it, and the test after it is planned', async () => {
  const shown = onScreen(<EventScreen />, { doc: demo(), params: pantry({ kind: 'waterChange' }) });
  choose('Alkalinity');
  expect(says(/^(Alkalinity before it|The last alkalinity is)/)).toBe(true);
  type(/^Amount/, '10');
  await submit('Log it');
  expect(Object.values(shown.doc().tasks).map((t) => t.title)).toContain('Test alkalinity after the change');
});

test('what was noticed needs no number, and something missing is kept by name', async () => {
  const { doc } = onScreen(<EventScreen />, { doc: demo(), params: pantry({ kind: 'observation' }) });
  choose('earthy');
  choose('gurgling');
  choose('hazy');
  type('Animals seen', 'a bristle worm');
  type('Animals not seen', 'the snail');
  await submit('Log it');
  expect(
    Object.values(doc().events).find((e) => e.kind === 'observation' && e.waterId === 'pantry-cube'),
  ).toMatchObject({
    smell: 'earthy',
    sound: 'gurgling',
    clarity: 'hazy',
    seen: 'a bristle worm',
    missing: 'the snail',
  });
});

test('an event without its amount is refused with a sentence', async () => {
  const { doc } = onScreen(<EventScreen />, { doc: demo(), params: pantry({ kind: 'waterChange' }) });
  const before = Object.keys(doc().events).length;
  await submit('Log it');
  expect(allText()).toMatch(/is missing: enter a number|must be/);
  expect(Object.keys(doc().events)).toHaveLength(before);
});

describe('kits', () => {
  test('each says how it reads and how it stands', () => {
    onScreen(<KitsScreen />, { doc: demo() });
    for (const k of STARTER_KITS.slice(0, 3)) expect(says(k.name)).toBe(true);
  });
  test('a calibration that is off by a known standard is drift: readings since the last good one are doubted', async () => {
    const { doc } = onScreen(<KitScreen />, { doc: demo(), params: { kitId: 'kit-salinity' } });
    const before = Object.keys(doc().calibrations).length;
    await submit('Log the calibration');
    expect(Object.keys(doc().calibrations)).toHaveLength(before);
    type('Standard, ppt', '35');
    type('It shows, ppt', '37.5');
    tick(/^I then set it to the standard/);
    await submit('Log the calibration');
    expect(Object.values(doc().calibrations).find((c) => c.reading === 37.5)).toMatchObject({
      kitId: 'kit-salinity',
      standard: 35,
      adjusted: true,
    });
    expect(allText()).toMatch(/off by 2\.5|drift|doubt/i);
  });
  test('a kit is described with its state; half a test left is none', async () => {
    const { doc } = onScreen(<KitScreen />, { doc: demo(), params: { kitId: 'kit-ammonia' } });
    type('Tests left', '12.5');
    await submit('Keep the changes');
    expect(says(/Tests left must be a whole number/)).toBe(true);
    type('Tests left', '12');
    type('Kept where', 'cool and dark');
    type('Good until', '2026-04-01');
    await submit('Keep the changes');
    expect(doc().kits['kit-ammonia']).toMatchObject({
      testsLeft: 12,
      storage: 'cool and dark',
      expires: '2026-04-01',
    });
  });
  test("a new kit of one's own with steps", async () => {
    const { doc } = onScreen(<KitScreen />, { doc: demo(), params: { kitId: 'new', parameter: 'silicate' } });
    await submit('Add it');
    expect(says(/name/i)).toBe(true);
    type('Name', 'Silicate drops');
    choose('silicate');
    choose('Steps of a chart');
    type(/^Steps, lowest first/, '0 0.5 1 2');
    await submit('Add it');
    expect(Object.values(doc().kits).find((k) => k.name === 'Silicate drops')).toMatchObject({
      parameter: 'silicate',
      scale: { kind: 'steps', steps: [0, 0.5, 1, 2] },
    });
  });
});

describe('history', () => {
  test('a page at a time, newest first, filtered by kind and by a word', () => {
    const { doc, settle } = onScreen(<HistoryScreen />, { doc: demo(), params: pantry() });
    for (let i = 0; i < 12; i++) settle();
    const rows = () => screen.queryAllByRole('listitem').length;
    const all = rows();
    expect(all).toBe(
      Math.min(
        30,
        samplesOf(doc()).length +
          Object.values(doc().events).filter((e) => e.waterId === 'pantry-cube').length,
      ),
    );
    choose('Events');
    settle();
    expect(rows()).toBeLessThan(all);
    choose('Everything');
    type(/^Search/, 'no such word');
    for (let i = 0; i < 4; i++) settle();
    expect(says('Nothing matches. Clear the search or choose Everything.')).toBe(true);
    type(/^Search/, 'ammonia dose');
    for (let i = 0; i < 4; i++) settle();
    expect(rows()).toBeGreaterThan(0);
  });
  test('each entry leads to its correction, and an edit shows its mark', () => {
    const doc0 = demo();
    const first = samplesOf(doc0)[0];
    if (!first) throw new Error('no sample');
    doc0.samples = { ...doc0.samples, [first.id]: { ...first, editedAt: new Date(NOW).toISOString() } };
    const { settle } = onScreen(<HistoryScreen />, { doc: doc0, params: pantry() });
    for (let i = 0; i < 12; i++) settle();
    expect(says(/^corrected /)).toBe(true);
    const rows = screen.getAllByRole('link', { name: /^Sample.*\d\d:\d\d/ });
    expect(rows[0]?.getAttribute('href')).toMatch(/log\?edit=/);
  });
  test('from the correction of one entry the next sheet begins anew', () => {
    const [one] = samplesOf(demo()).filter((s) => s.waterId === 'pantry-cube');
    const { again } = onScreen(<SampleScreen />, {
      doc: demo(),
      params: { ...pantry(), edit: one?.id ?? '' },
    });
    expect(says('Correct a sample')).toBe(true);
    again(pantry());
    expect(says('A sample')).toBe(true);
    expect(says('Delete this entry')).toBe(false);
  });
  test('an entry is deleted from its own sheet', async () => {
    const [one] = samplesOf(demo());
    const { doc, went } = onScreen(<SampleScreen />, {
      doc: demo(),
      params: { waterId: one?.waterId ?? '', edit: one?.id ?? '' },
    });
    await submit('Delete this entry');
    expect(doc().samples).not.toHaveProperty(one?.id ?? '');
    expect(went()).toEqual([`/water/${one?.waterId}/log/history`]);
  });
});

test.each([
  ['north-window', /^Animals are in: raw seafood rots to the ammonia that harms them\./, 0],
  ['pantry-cube', 'A reminder to take it out stands on Today in five days.', 5],
] as const)('raw seafood in %s is to come out: with animals in at once', async (waterId, said, days) => {
  const { doc } = onScreen(<EventScreen />, { doc: demo(), params: { waterId, kind: 'food' } });
  expect(says(said)).toBe(false);
  choose('Raw seafood');
  expect(says(said)).toBe(true);
  type('Amount as given, g', '80');
  await submit('Log it');
  const task = Object.values(doc().tasks).find(
    (x) => x.title === 'Take the seafood out' && x.waterId === waterId,
  );
  const put = Object.values(doc().events).find(
    (x) => x.kind === 'food' && x.food === 'seafood' && x.grams === 80,
  );
  expect(task?.day).toBe(addDays(localDay(Date.parse(put!.at)), days));
});
