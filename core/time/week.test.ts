import { weekStart } from './week';

const told = 'getWeekInfo' in Intl.Locale.prototype || 'weekInfo' in Intl.Locale.prototype;

test.each([
  ['en-US', 0],
  ['en-GB', 1],
  ['de', 1],
  ['ar-EG', 6],
] as const)('a week of %s begins on day %p, where the engine tells; else on Monday', (language, day) =>
  expect(weekStart(language)).toBe(told ? day : 1),
);

test.each(['', 'not a tag'])('of a language that is none, %p, on Monday', (language) =>
  expect(weekStart(language)).toBe(1),
);
