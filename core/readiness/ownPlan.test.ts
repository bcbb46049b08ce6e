/** The person's own test plan is kept to: not asked before its first day, then in its own rhythm; what trouble asks for is asked all the same. */
import type { Display } from '../document';
import { gatherEvidence } from '../evidence';
import { DAY, History, START_MS } from '../testing/history';
import { assessWater, testsAhead, usualEveryDays } from '.';

const dayOf = (day: number) => new Date(START_MS + day * DAY).toISOString().slice(0, 10);
function planned(
  h: History,
  from: number,
  everyDays: number,
  parameter: 'nitrate' | 'ammonia' = 'nitrate',
): History {
  h.doc.waters.t = {
    ...(h.doc.waters.t as Display),
    testPlan: [{ parameter, from: dayOf(from), everyDays }],
  };
  return h;
}
const due = (h: History, day: number) => assessWater(h.doc, 't', START_MS + day * DAY).due;
const quiet = { ammonia: 0, nitrite: 0, nitrate: 10 } as const;

test('first on its day, then every fortnight', () => {
  const h = planned(new History().animal(0.5, 'ocellaris-clownfish').water(1, quiet), 21, 14);
  expect(due(h, 16)).not.toContain('nitrate');
  expect(due(h, 22)).toContain('nitrate');
  h.water(22, quiet);
  expect(due(h, 34)).not.toContain('nitrate');
  expect(due(h, 36.5)).toContain('nitrate');
  // Without it nitrate is asked for each week.
  const usual = new History().animal(0.5, 'ocellaris-clownfish').water(1, quiet);
  expect(due(usual, 16)).toContain('nitrate');
});
test('ahead it falls due on the later of its first day and its rhythm', () => {
  const h = planned(new History().water(1, quiet), 21, 14);
  const e = (day: number) => gatherEvidence(h.doc, 't', START_MS + day * DAY);
  const at = (day: number) => testsAhead(e(day), []).find((t) => t.parameter === 'nitrate')!;
  expect(at(2)).toMatchObject({ everyDays: 14, dueMs: Date.parse(dayOf(21)) });
  h.water(22, quiet);
  expect(at(23).dueMs).toBe(START_MS + 36 * DAY);
  expect(usualEveryDays(e(2), 'nitrate')).toBe(4);
});
test('with ammonia in living water its test is asked for, whatever was planned', () => {
  const h = planned(
    new History()
      .animal(0.5, 'ocellaris-clownfish')
      .water(1, quiet)
      .water(3, { ...quiet, ammonia: 2, ph: 8.2 }),
    60,
    30,
    'ammonia',
  );
  expect(due(h, 4)).toContain('ammonia');
});
