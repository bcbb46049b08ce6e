import fc from 'fast-check';
import { addDays } from '../../core/time';
import { notReadText, readWhen, writtenWhen } from './when';

const ORDERS = ['dayFirst', 'monthFirst', 'yearFirst'] as const;
const TODAY = '2026-05-01';
const day = (text: string, order: (typeof ORDERS)[number] = 'dayFirst') =>
  readWhen('date', text, order, TODAY);

test.each([
  ['dayFirst', '1 May 2026', '1 May 2026, 20:15'],
  ['monthFirst', 'May 1, 2026', 'May 1, 2026, 20:15'],
  ['yearFirst', '2026 May 1', '2026 May 1, 20:15'],
] as const)('%s: %s', (order, written, moment) => {
  expect(writtenWhen('date', TODAY, order)).toBe(written);
  expect(writtenWhen('datetime-local', `${TODAY}T20:15`, order)).toBe(moment);
});
test('what is written reads back to the same, whatever the day and the order', () => {
  fc.assert(
    fc.property(fc.integer({ min: -9000, max: 9000 }), fc.constantFrom(...ORDERS), (n, order) => {
      const any = addDays(TODAY, n);
      expect(day(writtenWhen('date', any, order), order)).toBe(any);
      const moment = `${any}T07:05`;
      expect(readWhen('datetime-local', writtenWhen('datetime-local', moment, order), order, TODAY)).toBe(
        moment,
      );
    }),
    { seed: 12 },
  );
});
test.each([
  ['2026-03-04', '2026-03-04'],
  ['4 march 2026', '2026-03-04'],
  ['4.3.2026', '2026-03-04'],
  ['4/3/26', '2026-03-04'],
  ['4 Mar', '2026-03-04'],
  ['Mar 4, 2026', '2026-03-04'],
  ['today', TODAY],
  [' Today ', TODAY],
])('%s is understood', (text, read) => expect(day(text)).toBe(read));
test('3/4 is the person’s own third or fourth', () => {
  expect(day('3/4/2026')).toBe('2026-04-03');
  expect(day('3/4/2026', 'monthFirst')).toBe('2026-03-04');
});
test.each(['', 'soon', '31 Feb 2026', '2026-02-30', '5', '1 May 26 x', '0.0.0', '12 May 202'])(
  '“%s” is no day',
  (text) => expect(day(text)).toBeNull(),
);
test.each([
  ['1 May 2026, 20:15', `${TODAY}T20:15`],
  ['2026-05-01T08:05', `${TODAY}T08:05`],
  ['today 7.30', `${TODAY}T07:30`],
  ['1 May 2026', null],
  ['1 May 2026, 24:00', null],
  ['1 May 2026, 12:60', null],
])('moment %s', (text, read) => expect(readWhen('datetime-local', text, 'dayFirst', TODAY)).toBe(read));
test('what is no day stays as it was typed', () => {
  expect(writtenWhen('date', 'soon', 'dayFirst')).toBe('soon');
  expect(writtenWhen('date', '', 'dayFirst')).toBe('');
});
test.each(ORDERS)('%s: what is told to be typed is understood', (order) => {
  const example = (text: string) => / as in (.*)\.$/.exec(text)?.[1] ?? '';
  expect(readWhen('date', example(notReadText('date', order)), order, TODAY)).toBe('2026-05-05');
  expect(readWhen('datetime-local', example(notReadText('datetime-local', order)), order, TODAY)).toBe(
    '2026-05-05T20:15',
  );
});
