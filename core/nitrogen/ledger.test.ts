import fc from 'fast-check';
import { gatherEvidence } from '../evidence';
import { History, START_MS, DAY } from '../testing/history';
import { doseCheck, nitrogenLedger } from '.';

const ledger = (h: History, day: number) =>
  nitrogenLedger(gatherEvidence(h.doc, 't', START_MS + day * DAY), 0.05);

test('what was put in and found is said to fit', () => {
  const l = ledger(new History().dose(1, 2).test(2, { ammonia: 2, nitrite: 0, nitrate: 0 }), 3);
  expect(l).toMatchObject({ verdict: 'fits', causes: [] });
  expect(l.given.ammonia).toBeCloseTo(155.3, 1);
});
test('nothing fed, nothing found: nothing yet', () =>
  expect(ledger(new History().test(1, { ammonia: 0, nitrite: 0, nitrate: 0 }), 2).verdict).toBe(
    'nothingYet',
  ));
test('nitrate as N read as NO3 is ranked first when it would close the gap', () => {
  // 16 mg/L as NO3 are missing although 4 doses went in: shown as 5, i.e. printed as N.
  const h = new History();
  for (const day of [1, 5, 9, 13]) h.dose(day, 2);
  const l = ledger(h.test(25, { ammonia: 0, nitrite: 0, nitrate: 5 }), 26);
  expect(l.verdict).toBe('missing');
  expect(l.causes[0]?.says.code).toBe('nitrateBasis');
});
test('nitrate in the water before anything was put in is said to come with it', () => {
  const l = ledger(
    new History()
      .test(0, { ammonia: 0, nitrite: 0, nitrate: 40 })
      .dose(1, 2)
      .test(20, { ammonia: 0, nitrite: 0, nitrate: 80 }),
    21,
  );
  expect(l.verdict).toBe('tooMuch');
  expect(l.causes[0]?.says.code).toBe('nitrateFromStart');
});
test('one doubted nitrite reading does not hide that nitrite is there', () => {
  const h = new History()
    .dose(1, 1)
    .test(5, { ammonia: 0, nitrite: 0, nitrate: 80 })
    .test(10, { nitrite: 1 })
    .test(11, { nitrite: 1 });
  const last = Object.values(h.doc.samples)[2]!;
  const doubted = last.readings.map((r) => ({ ...r, doubted: true as const }));
  h.doc.samples = { ...h.doc.samples, [last.id]: { ...last, readings: doubted } };
  const l = ledger(h, 12);
  expect(l.verdict).toBe('tooMuch');
  expect(l.causes.map((c) => c.says.code)).toContain('nitriteInterference');
});
test('causes are ranked, between 0 and 1', () => {
  fc.assert(
    fc.property(fc.constantFrom(0, 5, 10, 20, 40, 80), fc.integer({ min: 1, max: 5 }), (nitrate, doses) => {
      const h = new History();
      for (let i = 0; i < doses; i++) h.dose(1 + i * 4, 2);
      const l = ledger(h.test(30, { ammonia: 0, nitrite: 0, nitrate }), 31);
      expect(l.putIn - l.found.total).toBeCloseTo(l.gap, 9);
      l.causes.forEach((c, i) => {
        expect(c.score).toBeGreaterThan(0);
        expect(c.score).toBeLessThanOrEqual(l.causes[i - 1]?.score ?? 1);
      });
    }),
    { seed: 5 },
  );
});
test('alkalinity: the fall a day, the days left, the soda', () => {
  const l = ledger(
    new History()
      .dose(1, 2)
      .test(2, { ammonia: 2, nitrite: 0, alkalinity: 8.4 })
      .test(12, { ammonia: 0, nitrite: 2, alkalinity: 7.4 }),
    12.5,
  );
  expect(l.alkalinity.fallPerDay).toBeCloseTo(0.1, 6);
  expect(l.alkalinity.daysTo7).toBeCloseTo(4, 6);
  // (8.5 - 7.4) x 29.96 mg x 100 L
  expect(l.alkalinity.bicarbonateG).toBeCloseTo(3.2956, 4);
});
test('the alkalinity account takes doses and changes out', () => {
  // By hand: 2 mg/L as NH4 oxidised are 1.553 mg N/L, 0.62 dKH. 9 fell to 8.4, a dose of 1 made it 9.4; half changed for 8.5 makes 8.95.
  const h = new History()
    .test(0.5, { ammonia: 0, nitrite: 0, alkalinity: 9 })
    .dose(1, 2)
    .test(6, { ammonia: 0, nitrite: 5, alkalinity: 8.4 });
  h.event(6.1, { kind: 'dose', what: 'alkalinity', rise: 1, grams: null })
    .test(6.2, { alkalinity: 9.4 })
    .event(6.3, { kind: 'waterChange', litres: 50 })
    .test(6.4, { alkalinity: 8.95 });
  const { alkalinity } = ledger(h, 6.5);
  expect(alkalinity.measuredFall).toBeCloseTo(0.6, 9);
  expect(alkalinity.expectedFall).toBeCloseTo(0.4 * (2 / 1.2878), 3);
});
test('a dose gives the volume back', () => {
  const check = doseCheck(
    gatherEvidence(
      new History().test(0.9, { ammonia: 0 }).dose(1, 2).test(1.1, { ammonia: 2 }).doc,
      't',
      START_MS + 2 * DAY,
    ),
  );
  expect(check?.litres).toBeCloseTo(100, 0);
  expect(check?.sdL).toBeGreaterThan(5);
});
