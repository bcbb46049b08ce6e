import { fouling, stageDue, type Stage } from '.';

const due = (stage: Stage, days: number, litres: number | null = null, reading: number | null = null) =>
  stageDue({ stage, days, litres, reading });

test('what is measured goes first, then what went through, then age', () => {
  expect(due('carbon', 10, 100, 0.05)).toEqual({ word: 'due', why: 'reading' });
  expect(due('carbon', 10, 5700)).toEqual({ word: 'due', why: 'litres' });
  expect(due('carbon', 10, 5699)).toEqual({ word: 'soon', why: 'litres' });
  expect(due('carbon', 180)).toEqual({ word: 'due', why: 'age' });
  expect(due('carbon', 153)).toEqual({ word: 'soon', why: 'age' });
  expect(due('carbon', 152, 4559)).toEqual({ word: 'fresh', why: 'none' });
});
test('each stage by its own reading', () => {
  expect([
    due('membrane', 1, null, 0.899).word,
    due('membrane', 1, null, 0.9).word,
    due('membrane', 1, null, 0.95).word,
  ]).toEqual(['due', 'soon', 'fresh']);
  expect([
    due('resin', 1, null, 1).word,
    due('resin', 1, null, 0.5).word,
    due('resin', 1, null, 0).word,
  ]).toEqual(['due', 'soon', 'fresh']);
  expect([
    due('sediment', 1, null, 0.7).word,
    due('sediment', 1, null, 0.35).word,
    due('sediment', 1, null, 0.3).word,
  ]).toEqual(['due', 'soon', 'fresh']);
  expect(due('membrane', 1094).word).toBe('soon');
  expect(due('resin', 730).word).toBe('due');
  expect(() => due('resin', -1)).toThrow(/"days"/);
});
test('a membrane that makes less than three quarters of its promise is fouled', () => {
  expect(fouling(74, 100)).toEqual({ share: 0.74, fouled: true });
  expect(fouling(75, 100).fouled).toBe(false);
});
