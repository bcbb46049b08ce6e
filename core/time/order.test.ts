import { dayOrder, dayOrderByEngine, KNOWN } from './order';

test.each([
  ['en-GB', 'dayFirst'],
  ['de-CH', 'dayFirst'],
  ['fr', 'dayFirst'],
  ['en-US', 'monthFirst'],
  ['en', 'monthFirst'],
  ['sv-SE', 'yearFirst'],
  ['ja', 'yearFirst'],
  ['not a tag', 'dayFirst'],
  ['', 'dayFirst'],
] as const)('%s writes %s', (language, order) => expect(dayOrder(language)).toBe(order));

test.each(Object.values(KNOWN).flat())('what is known of %s is what the engine says', (language) =>
  expect(dayOrder(language)).toBe(dayOrderByEngine(language)),
);
