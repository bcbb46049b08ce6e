import { dayOrder } from './index';

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
