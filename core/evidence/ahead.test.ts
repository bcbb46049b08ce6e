import { DAY, History, START_MS } from '../testing/history';
import { datedAhead, gatherEvidence, readingAhead } from '.';

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

test('what is read ahead is laid out already when it is first asked for', () => {
  const h = new History().water(1, { ammonia: 0 }).water(3, { ammonia: 1 });
  const nowMs = START_MS + 6 * DAY;
  for (const step of readingAhead(h.doc)) expect(step).toBeUndefined();
  // Collections are replaced, never changed: one that is changed nevertheless shows that nobody reads it again.
  const [sample] = Object.values(h.doc.samples);
  const later = new Date(START_MS + 4 * DAY).toISOString();
  h.doc.samples.late = { ...sample!, id: 'late', at: later };
  expect(gatherEvidence(h.doc, 't', nowMs).series.ammonia).toHaveLength(2);
  const last = { ...sample!, id: 'last', at: new Date(START_MS + 5 * DAY).toISOString() };
  const replaced = { ...h.doc, samples: { ...h.doc.samples, last } };
  expect(gatherEvidence(replaced, 't', nowMs).series.ammonia).toHaveLength(3);
});

test('what is read ahead step by step never stands in the place of something later', () => {
  const h = new History().water(1, { ammonia: 0 }).water(3, { ammonia: 1 });
  const early = { ...h.doc };
  const late = { ...h.water(4, { ammonia: 2 }).doc };
  const nowMs = START_MS + 6 * DAY;
  const steps = () => [...readingAhead(early)].length;
  for (let turned = 0; turned <= steps(); turned++) {
    const kits = { ...h.doc.kits };
    const reading = readingAhead({ ...early, kits });
    for (let step = 0; step < turned; step++) reading.next();
    expect(gatherEvidence({ ...late, kits }, 't', nowMs).series.ammonia).toHaveLength(3);
    while (!reading.next().done);
    expect(gatherEvidence({ ...late, kits }, 't', nowMs).series.ammonia).toHaveLength(3);
    expect(gatherEvidence({ ...early, kits }, 't', nowMs).series.ammonia).toHaveLength(2);
  }
});
