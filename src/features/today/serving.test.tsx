import { screen } from '@testing-library/react';
import type { Quarantine } from '../../../core/document';
import { allText, demo, NOW, onScreen, press, says, submit, tick } from '../shell/testing';
import { ServingTodayScreen } from './ServingToday';

test('a clear look is logged once a day', () => {
  const { doc, settle } = onScreen(<ServingTodayScreen />, {
    doc: demo(),
    params: { waterId: 'north-qt' },
  });
  const looks = () => Object.values(doc().looks).filter((l) => l.waterId === 'north-qt').length;
  const before = looks();
  expect(says(/^Wait: 10 of 28 days were seen clear/)).toBe(true);
  press(/^All clear today in Spare tank/);
  settle();
  expect(looks()).toBe(before + 1);
  expect(says('Looked today ✓')).toBe(true);
});

test('a sign is logged with what was seen, never empty, and the clock stands', async () => {
  const { doc } = onScreen(<ServingTodayScreen />, {
    doc: demo(),
    params: { waterId: 'north-qt', look: 'sign' },
  });
  const signs = () => Object.values(doc().looks).filter((l) => l.result === 'sign').length;
  const before = signs();
  const log = screen.getAllByRole('button').find((b) => /log/i.test(b.textContent ?? ''));
  if (!log) throw new Error('no way to log the sign');
  await submit(log.textContent ?? '');
  expect(signs()).toBe(before);
  tick(/spots/i);
  await submit(log.textContent ?? '');
  expect(signs()).toBe(before + 1);
  expect(says(/the clock stands still/)).toBe(true);
});

test('a quarantine says its word and why, its water and whom it serves', () => {
  onScreen(<ServingTodayScreen />, { doc: demo(), params: { waterId: 'north-qt' } });
  expect(screen.getByRole('heading', { level: 1 }).textContent).toBe('Steady');
  expect(
    says('Wait: 10 of 28 days were seen clear. Free on 19 May if every day is looked at and clear.'),
  ).toBe(true);
  expect(says('North Window')).toBe(true);
  expect(screen.getByRole('button', { name: 'Log a sample' })).toBeTruthy();
  expect(allText()).not.toMatch(/NaN|Infinity|undefined/);
});

test('fish whose days are clear are not offered a drip into a display that lies fallow', () => {
  const done = () => {
    const doc = demo();
    doc.waters['north-qt'] = { ...(doc.waters['north-qt'] as Quarantine), clockDays: 8 };
    for (let i = 1; i <= 9; i++) {
      const day = new Date(NOW - i * 86_400_000).toISOString().slice(0, 10);
      doc.looks[`clear${i}`] = {
        id: `clear${i}`,
        waterId: 'north-qt',
        day,
        result: 'clear',
        signs: [],
        note: '',
      };
    }
    return doc;
  };
  onScreen(<ServingTodayScreen />, { doc: done(), params: { waterId: 'north-qt' } });
  expect(says('Plan the drip')).toBe(true);
  document.body.innerHTML = '';
  const doc = done();
  doc.events.ich = {
    id: 'ich',
    kind: 'incident',
    what: 'outbreak',
    waterId: 'north-window',
    at: new Date(NOW - 6 * 86_400_000).toISOString(),
    note: '',
  };
  onScreen(<ServingTodayScreen />, { doc, params: { waterId: 'north-qt' } });
  expect(says('Plan the drip')).toBe(false);
  expect(says('Their display lies fallow until 10 Jul: no fish goes in before.')).toBe(true);
  expect(allText()).toContain('After an outbreak it lies fallow, day 6 of 76 without fish.');
});

test('with animals in it a quarantine stays in use; empty it is closed, keeps its past and is opened again', () => {
  const { doc } = onScreen(<ServingTodayScreen />, { doc: demo(), params: { waterId: 'north-qt' } });
  const runs = () => {
    const water = doc().waters['north-qt'];
    return water && 'runs' in water ? water.runs : [];
  };
  press('Take it out of use');
  expect(says(/Animals are in it/)).toBe(true);
  expect(runs()).toHaveLength(1);
  const empty = demo();
  const cardinals = empty.animals['north-cardinals']!;
  empty.animals['north-cardinals'] = { ...cardinals, moves: cardinals.moves.slice(0, 1) };
  document.body.innerHTML = '';
  const shown = onScreen(<ServingTodayScreen />, { doc: empty, params: { waterId: 'north-qt' } });
  press('Take it out of use');
  expect(says(/^Out of use since 1 May/)).toBe(true);
  press('Open it again');
  const water = shown.doc().waters['north-qt'];
  expect(water).toMatchObject({
    runs: [
      { openedDay: '2026-04-13', closedDay: '2026-05-01' },
      { openedDay: '2026-05-01', closedDay: null },
    ],
  });
  expect(Object.values(shown.doc().samples).filter((s) => s.waterId === 'north-qt').length).toBeGreaterThan(
    4,
  );
});

test('a mixing container says whether its water is fit', () => {
  onScreen(<ServingTodayScreen />, { doc: demo(), params: { waterId: 'north-bin' } });
  expect(screen.getByRole('heading', { level: 1 }).textContent).toBe('Go');
  expect(says(/^The water is 35.0 ppt/)).toBe(true);
});

test('a bare tank is not left alone: an absence longer than its plan bears is said, with its days', () => {
  const doc = demo();
  const q = doc.waters['north-qt'];
  if (q?.kind !== 'quarantine') throw new Error('no quarantine');
  doc.waters['north-qt'] = { ...q, filter: 'uncycled' };
  const days = (n: number) => new Date(Date.now() + n * 86_400_000).toISOString();
  doc.events.gone = {
    id: 'gone',
    waterId: 'north-window',
    at: days(10),
    note: '',
    kind: 'away',
    until: days(16),
  };
  onScreen(<ServingTodayScreen />, { doc, params: { waterId: 'north-qt' } });
  expect(says(/^Away from .*: 6\.0 days, and Spare tank may go/)).toBe(true);
});
