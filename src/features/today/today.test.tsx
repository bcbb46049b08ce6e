import { screen } from '@testing-library/react';
import { emptyDocument, type Document } from '../../../core/document';
import { allText, demo, NOW, onScreen, press, says } from '../shell/testing';
import { TodayScreen } from './TodayScreen';

const pantry = { waterId: 'pantry-cube' };

test('one word, one sentence why, what opens it, the next test; every gate opens its evidence', () => {
  onScreen(<TodayScreen />, { doc: demo(), params: pantry });
  expect(screen.getByRole('heading', { level: 1 }).textContent).toBe('Wait');
  expect(
    says(/Nitrite is over 5 mg\/L NO₂ and not falling yet\. A reading a third lower opens this gate\./),
  ).toBe(true);
  expect(says(/^Corals: wait\./)).toBe(true);
  expect(says(/Judged by 24-hour proof/)).toBe(true);
  const gate = screen.getByRole('button', { name: /^Ammonia falling/ });
  expect(gate.getAttribute('aria-expanded')).toBe('false');
  press(/^Ammonia falling/);
  expect(screen.getByRole('button', { name: /^Ammonia falling/ }).getAttribute('aria-expanded')).toBe('true');
});

test('what is planned for today is done or dropped; what lies ahead is only named', () => {
  const doc = demo();
  doc.tasks = {
    now: {
      id: 'now',
      waterId: 'pantry-cube',
      day: '2026-05-01',
      title: 'Rinse the carbon',
      note: '',
      doneAt: null,
    },
    late: {
      id: 'late',
      waterId: 'pantry-cube',
      day: '2026-04-28',
      title: 'Order salt',
      note: '',
      doneAt: null,
    },
    ahead: {
      id: 'ahead',
      waterId: 'pantry-cube',
      day: '2026-05-09',
      title: 'Raise the light',
      note: '',
      doneAt: null,
    },
  };
  const shown = onScreen(<TodayScreen />, { doc, params: pantry });
  shown.settle();
  expect(says(/Planned: .*Raise the light/)).toBe(true);
  press('Done: Rinse the carbon');
  expect(shown.doc().tasks.now?.doneAt).toBe(new Date(Date.now()).toISOString());
  expect(screen.queryByRole('button', { name: 'Done: Rinse the carbon' })).toBeNull();
  expect(screen.getByRole('button', { name: 'Done: Order salt' })).toBeTruthy();
});

test('a service, a loan and a drip left open stand on Today until they are put right', () => {
  const doc: Document = demo();
  const shrimp = doc.animals['north-shrimp'];
  if (!shrimp) throw new Error('the demo has a shrimp');
  doc.animals = {
    ...doc.animals,
    'north-shrimp': { ...shrimp, loan: { from: 'a friend', dueDay: '2026-04-30', returnedDay: null } },
  };
  const shown = onScreen(<TodayScreen />, { doc, params: { waterId: 'north-window' } });
  shown.settle();
  expect(says('Filter socks: service is due.')).toBe(true);
  expect(says('Skunk cleaner shrimp: the loan from a friend ends.')).toBe(true);
  press(/^Filter socks: service is due\. To the part/);
  expect(shown.went()[0]).toMatch(/^\/water\/north-window\/equipment\//);
});

test('with animals in and free ammonia in the water the word is to act, and what to do', async () => {
  const doc = demo();
  doc.samples = {
    ...doc.samples,
    bad: {
      id: 'bad',
      waterId: 'north-window',
      at: new Date(NOW - 1_200_000).toISOString(),
      note: '',
      readings: [
        { parameter: 'ammonia', kitId: 'kit-ammonia', value: { kind: 'exact', value: 4 } },
        { parameter: 'nitrite', kitId: 'kit-nitrite', value: { kind: 'exact', value: 0 } },
        { parameter: 'ph', kitId: 'kit-ph', value: { kind: 'exact', value: 8.3 } },
      ],
    },
  };
  onScreen(<TodayScreen />, { doc, params: { waterId: 'north-window' } });
  expect(screen.getByRole('heading', { level: 1 }).textContent).toBe('Act now');
  // Said once, and nobody is told that no test is due.
  expect(says(/^Corals: act now/)).toBe(false);
  expect(says(/^1 · Heater and pumps off at the wall/)).toBe(true);
  expect(says(/^\d · Change \d+ L of 238 L/)).toBe(true);
  expect(says(/free 0\.\d+ → 0\.\d+/)).toBe(true);
  expect(
    await screen.findByRole('img', { name: /^Free ammonia of the last \d tests, the newest 0\.\d+/ }),
  ).toBeTruthy();
  press('Step 1 is done');
  expect(says(/^1 · Heater and pumps off at the wall ✓/)).toBe(true);
  press('Step 2 is done');
  press('One step back');
  for (let step = 2; screen.queryByRole('button', { name: `Step ${step} is done` }); step++)
    press(`Step ${step} is done`);
  expect(says('Test again an hour after')).toBe(true);
  press('No water ready?');
  expect(says(/never with copper/)).toBe(true);
  expect(allText()).not.toMatch(/NaN|undefined|Infinity/);
});

test('a tank that is not there is said so, with a way on', () => {
  onScreen(<TodayScreen />, { doc: emptyDocument(), params: { waterId: 'gone' } });
  expect(says('There is no such water here')).toBe(true);
  expect(screen.getByRole('link', { name: 'To your waters' }).getAttribute('href')).toBe('/waters');
});

test('evidence that the school does not ask for is shown beside its judgement', () => {
  const doc = demo();
  const north = doc.waters['north-window'];
  if (north?.kind !== 'display') throw new Error('no display');
  doc.waters = { ...doc.waters, 'north-window': { ...north, school: 'zeroZero' } };
  const shown = onScreen(<TodayScreen />, { doc, params: { waterId: 'north-window' } });
  shown.settle();
  expect(says(/^Also in the log, not asked by this school: .*proof \(.*\)/)).toBe(true);
});
