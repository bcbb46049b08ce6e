/** With animals in the display nobody is told to add ammonia, whatever the school and whatever the log lacks. */
import { SCHOOLS } from '../document';
import { SCHOOL_WORDS, sentence } from '../words';
import { DAY, History, START_MS } from '../testing/history';
import { METRIC } from '../units';
import { assessWater } from '.';

const words = {
  units: METRIC,
  day: (x: number | string) => String(x),
  hour: String,
  name: String,
} as never;
const zero = { ammonia: 0, nitrite: 0, nitrate: 10 };

const LOGS: [string, (h: History) => History][] = [
  ['nothing logged', (h) => h],
  ['only zeros', (h) => h.water(1, zero).water(3, zero).water(5, zero)],
  [
    'a rise and a fall, no proof',
    (h) => h.dose(1, 2).water(2, { ammonia: 2, nitrite: 1 }).water(8, zero).water(10, zero),
  ],
  [
    'a proof not cleared',
    (h) =>
      h
        .dose(1, 2)
        .water(2, { ammonia: 2, nitrite: 1 })
        .water(8, zero)
        .water(10, zero)
        .dose(10.2, 2)
        .water(11.2, { ammonia: 1, nitrite: 0 }),
  ],
  [
    'a proof never tested',
    (h) =>
      h
        .dose(1, 2)
        .water(2, { ammonia: 2, nitrite: 1 })
        .water(8, zero)
        .water(10, zero)
        .dose(10.2, 2)
        .water(15, zero),
  ],
  [
    'ammonia gone, a little nitrite left at each test',
    (h) =>
      [8, 14.5, 15.5, 19.5, 39.5].reduce(
        (log, day) => log.water(day, { ammonia: 0, nitrite: 0.5, nitrate: 5 }),
        h.dose(1, 2).water(2, { ammonia: 2, nitrite: 1 }),
      ),
  ],
  [
    'media moved in and never fed',
    (h) => h.event(1, { kind: 'bacteria', seed: 'media', mL: null }).water(3, zero),
  ],
];

describe.each(SCHOOLS)('%s', (school) => {
  test.each(LOGS)('%s', (_name, log) => {
    for (const joined of [0.5, 9, 14]) {
      const h = log(new History(school).animal(joined, 'ocellaris-clownfish'));
      for (const day of [15, 16, 20, 40]) {
        const { fish, crew, coral, living } = assessWater(h.doc, 't', START_MS + day * DAY);
        for (const { opens } of [fish, crew, coral, ...(living ? [living] : [])]) {
          if (opens.code === 'noAmmoniaNow') continue;
          expect(sentence(opens, words)).not.toMatch(/\bdose|ammonia source/i);
        }
      }
    }
  });
});
test('and an empty tank still is', () => {
  const h = new History().water(14, zero);
  expect(assessWater(h.doc, 't', START_MS + 14.1 * DAY).fish.opens.code).toBe('addAmmonia');
  const stocked = new History().animal(1, 'ocellaris-clownfish').water(14, zero);
  expect(assessWater(stocked.doc, 't', START_MS + 14.1 * DAY).fish.opens.code).not.toBe('addAmmonia');
});
test('no rule of a school reads as an order to dose: it stands on the page of a stocked tank too', () => {
  for (const { rule, reason } of Object.values(SCHOOL_WORDS))
    expect(`${rule} ${reason}`).not.toMatch(/(^|[.;] )(dose|add|do the proof)\b/i);
});

test('a trace that is to be borne out is due at once, and no longer once it was read again', () => {
  const h = new History()
    .water(8, zero)
    .water(10, zero)
    .animal(10, 'ocellaris-clownfish')
    .water(13, { ...zero, ammonia: 0.2 });
  const at = (day: number) => assessWater(h.doc, 't', START_MS + day * DAY);
  expect(at(13.02).living?.opens.code).toBe('confirmAmmonia');
  expect(at(13.02).due).toContain('ammonia');
  h.water(13.05, zero);
  expect(at(13.06).due).not.toContain('ammonia');
});
