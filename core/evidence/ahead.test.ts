import { DAY, History, START_MS } from '../testing/history';
import { datedAhead } from '.';

test('entries under a later time are counted, the latest said; an absence may lie ahead', () => {
  const h = new History()
    .water(1, { ammonia: 0 })
    .water(3, { ammonia: 0 })
    .water(4, { ammonia: 0 })
    .dose(5, 1);
  h.doc.events.away = {
    id: 'away',
    waterId: 't',
    at: new Date(START_MS + 9 * DAY).toISOString(),
    note: '',
    kind: 'away',
    until: new Date(START_MS + 10 * DAY).toISOString(),
  } as never;
  expect(datedAhead(h.doc, 't', START_MS + 6 * DAY)).toBeNull();
  expect(datedAhead(h.doc, 't', START_MS + 2 * DAY)).toEqual({ count: 3, latestMs: START_MS + 5 * DAY });
  expect(datedAhead(h.doc, 't', START_MS + 3.5 * DAY)!.count).toBe(2);
  expect(datedAhead(h.doc, 'elsewhere', START_MS)).toBeNull();
});
