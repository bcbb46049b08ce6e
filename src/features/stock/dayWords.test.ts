import type { Animal, SaidPlan } from '../../../core/document';
import { mgNADay } from './model';
import { dayWords, farQuestion } from './dayWords';

const wish = (plannedDay: string | null) => ({ id: 'goby', plannedDay }) as Animal;
const plan = (releaseDay: string | null): SaidPlan => ({
  id: 'p',
  waterId: 'w',
  at: '2026-05-01T18:00:00.000Z',
  which: 'likely',
  gate: null,
  coralGate: null,
  steps: releaseDay ? [{ animalId: 'goby', buyDay: '2026-05-01', releaseDay }] : [],
  leftOut: releaseDay ? [] : ['goby'],
  away: [],
});

test.each([
  ['no day at all', null, undefined, null],
  ['meant alone', '2026-06-10', undefined, 'meant for 10 Jun'],
  ['meant for a day far off: with its year', '2029-06-10', undefined, 'meant for 10 Jun 2029'],
  ['the plan alone', null, plan('2026-06-12'), 'plan: 12 Jun'],
  ['both, unlike', '2026-06-10', plan('2026-06-12'), 'meant for 10 Jun\nplan: 12 Jun'],
  ['both, alike: once', '2026-06-12', plan('2026-06-12'), 'plan: 12 Jun'],
  ['meant, and in no plan', '2026-06-10', plan(null), 'meant for 10 Jun\nnot in the plan'],
  ['a day of the plan that is today', null, plan('2026-05-02'), 'plan: 2 May'],
  ['one that has passed says nothing', null, plan('2026-05-01'), null],
])('%s', (_, meant, of, words) => {
  expect(dayWords(wish(meant), of, '2026-05-02')).toBe(words);
});

test('whatever it was meant for, of one that may never come it says so', () => {
  expect(dayWords(wish('2026-06-10'), plan('2026-06-12'), '2026-05-02', true)).toBe('no day is right');
});
test('a day further ahead than a plan looks is questioned', () => {
  expect(farQuestion('2027-06-06', '2026-05-02')).toBeNull();
  expect(farQuestion('2027-06-07', '2026-05-02')).toBe(
    'A plan looks ahead to 6 Jun 2027, no further. Is the year right?',
  );
  expect(farQuestion('', '2026-05-02')).toBeNull();
});
test('half a tenth of a load is the same however it was summed up', () => {
  expect([mgNADay(3 * 0.15), mgNADay(0.15 + 0.15 + 0.15), mgNADay(0.45)]).toEqual(
    Array(3).fill('0.5 mg N a day'),
  );
  expect(mgNADay(0.44)).toBe('0.4 mg N a day');
});
