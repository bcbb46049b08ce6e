import { screen } from '@testing-library/react';
import type { Document, Task } from '../../../core/document';
import { allText, demo, flush, NOW, onScreen, press, says, submit, tick, type } from '../shell/testing';
import { AgendaScreen } from './AgendaScreen';

const task = (more: Partial<Task> = {}): Task => ({
  id: 'glass',
  waterId: 'north-window',
  day: new Date(NOW).toISOString().slice(0, 10),
  title: 'Clean the glass',
  note: 'with the soft pad',
  doneAt: null,
  ...more,
});
const withTask = (more: Partial<Task> = {}): Document => ({ ...demo(), tasks: { glass: task(more) } });
const show = (doc: Document = withTask()) => onScreen(<AgendaScreen />, { doc });

test('all waters in one list, with what, where and why; nothing is broken in it', () => {
  show();
  expect(says('Look at 2 × Banggai cardinalfish')).toBe(true);
  expect(says(/^A day counts only when it was seen clear/)).toBe(true);
  expect(says('Clean the glass')).toBe(true);
  expect(says('with the soft pad')).toBe(true);
  expect(screen.getByRole('heading', { level: 1 }).textContent).toMatch(/things? today$/);
  expect(allText()).not.toMatch(/NaN|undefined|Infinity/);
});
test('a task is done with one tap; one that comes again moves on, and keeps when it was done', async () => {
  const { doc } = show();
  await submit('Done: Clean the glass');
  expect(doc().tasks.glass?.doneAt).not.toBeNull();
  document.body.innerHTML = '';
  const again = show(withTask({ repeat: { kind: 'after', days: 3 } }));
  await submit('Done: Clean the glass');
  const { day, doneAt, past } = again.doc().tasks.glass!;
  expect(doneAt).toBeNull();
  expect(day).toBe(new Date(NOW + 3 * 86_400_000).toISOString().slice(0, 10));
  expect(past).toMatchObject([{ day: task().day }]);
});
test('put off it is gone until then; left out it asks why, and keeps the reason', async () => {
  const { doc } = show();
  press('Later: Clean the glass');
  press('Leave it out: Clean the glass');
  expect(says('Say why, in a word or two.')).toBe(true);
  type('Why it is left out this time', 'still clean');
  await submit('Leave it out: Clean the glass');
  expect(says('Clean the glass')).toBe(false);
  expect(Object.values(doc().agenda)).toMatchObject([{ skipped: { why: 'still clean' } }]);
  document.body.innerHTML = '';
  const off = show();
  press('Later: Clean the glass');
  await submit('In three days: Clean the glass');
  expect(says('Clean the glass')).toBe(false);
  expect(Object.values(off.doc().agenda)[0]?.until?.slice(0, 10)).toBe(
    new Date(NOW + 3 * 86_400_000).toISOString().slice(0, 10),
  );
});
test('what is switched off stands on top until it is confirmed on again, and cannot be put off', async () => {
  const { doc } = show();
  press('I switch something off');
  press('It is off');
  expect(says('Say what is off.')).toBe(true);
  tick('heater');
  await flush();
  await submit('It is off');
  expect(screen.getByRole('heading', { level: 1 }).textContent).toBe('One thing now');
  expect(screen.getAllByRole('heading', { level: 2 })[0]?.textContent).toBe('Now');
  press('Later: Switch on again: heater');
  expect(says('This cannot be put off.')).toBe(true);
  await submit('On again: Switch on again: heater');
  expect(says('Switch on again: heater')).toBe(false);
  const [event] = Object.values(doc().events).filter((e) => e.kind === 'switchedOff');
  expect(event?.kind === 'switchedOff' && event.onAt).toBeTruthy();
});
test('a new task: faults by field, then it is kept, with its rule', async () => {
  const { doc } = show();
  press('New task');
  press('Keep the task');
  expect(says('Say what is to be done.')).toBe(true);
  type('What', 'Rinse the sponge');
  type('On', '2020-01-01');
  expect(says(/^That day is past/)).toBe(true);
  type('On', task().day);
  await submit('Keep the task');
  expect(Object.values(doc().tasks).some((t) => t.title === 'Rinse the sponge')).toBe(true);
});
test('after a quiet month first how the water is, then the rest, without reproach', () => {
  const doc = withTask();
  const old = (at: string) => new Date(Date.parse(at) - 40 * 86_400_000).toISOString();
  doc.samples = Object.fromEntries(Object.values(doc.samples).map((s) => [s.id, { ...s, at: old(s.at) }]));
  doc.events = Object.fromEntries(Object.values(doc.events).map((e) => [e.id, { ...e, at: old(e.at) }]));
  doc.looks = {};
  show(doc);
  expect(says('Good to see you')).toBe(true);
  const titles = screen.getAllByRole('heading', { level: 2 }).map((h) => h.textContent);
  expect(titles.slice(0, 2)).toEqual(['First', 'Then, as you come to it']);
  expect(allText()).not.toMatch(/overdue|missed|days late|since/i);
});
test('without a water there is a way on', () => {
  const empty = demo();
  show({
    ...empty,
    waters: {},
    samples: {},
    events: {},
    animals: {},
    looks: {},
    tasks: {},
    equipment: {},
    drips: {},
    setup: {},
    forecasts: {},
    plans: {},
    targets: {},
    treatments: {},
    purchases: {},
  });
  expect(says('Nothing to look after yet')).toBe(true);
});
