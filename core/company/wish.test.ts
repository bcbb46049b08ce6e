import type { Animal } from '../document';
import { gatherEvidence } from '../evidence';
import { assessWater } from '../readiness';
import { DAY, provedHistory, START_MS } from '../testing/history';
import { UTC } from '../time';
import { hopelessWishes, nextWish, saidOfThem } from '.';

const NOW = START_MS + 28.1 * DAY;

/** A proved tank without animals, with these wishes in the order of their planned days. */
type Wished = readonly (readonly [speciesId: string, count: number, plannedDay: string | null])[];
function world(...wishes: Wished) {
  const { doc } = provedHistory();
  doc.animals = Object.fromEntries(
    wishes.map(([speciesId, count, plannedDay], i) => [
      `w${i}`,
      {
        id: `w${i}`,
        homeId: 't',
        speciesId,
        count,
        plannedDay,
        moves: [{ to: { kind: 'wish' as const }, at: new Date(START_MS).toISOString(), why: '' }],
      },
    ]),
  );
  return doc;
}
function wish(...wishes: Wished) {
  const doc = world(...wishes);
  const e = gatherEvidence(doc, 't', NOW);
  return nextWish(doc, e, assessWater(doc, 't', NOW), UTC.dayOf);
}

test('the wish planned first is named, with what it brings', () => {
  const next = wish(
    ['neon-goby', 1, null],
    ['firefish', 1, '2026-03-01'],
    ['ocellaris-clownfish', 1, '2026-02-01'],
  );
  expect(next?.animal.speciesId).toBe('ocellaris-clownfish');
  expect(next?.forecast.addedMgN).toBeGreaterThan(0);
});
test('of corals one at a time while they go small, whatever was wished', () => {
  expect(wish(['zoanthid', 3, null])).toMatchObject({ count: 1, animal: { count: 3 } });
});
test('what something speaks against is passed over; without wishes there is none', () => {
  expect(wish(['ocellaris-clownfish', 40, null], ['neon-goby', 1, null])?.animal.speciesId).toBe('neon-goby');
  expect(wish()).toBeNull();
});
test('a wish no day is right for is named, one that only waits is not', () => {
  const doc = world(['yellow-tang', 1, null], ['tailspot-blenny', 1, null], ['neon-goby', 1, null]);
  const found = hopelessWishes(doc, gatherEvidence(doc, 't', NOW), UTC.dayOf);
  expect(found.map((f) => f.says)).toMatchObject([{ code: 'tooLargeForTank', name: 'Yellow tang' }]);
});

test('what is said of some who are let in is about them and those at home, not about other wishes', () => {
  const doc = world(['peppermint-shrimp', 1, null], ['zoanthid', 2, null], ['yellow-tang', 1, null]);
  doc.animals.w1!.moves = [
    { to: { kind: 'water', waterId: 't' }, at: new Date(START_MS).toISOString(), why: '' },
  ];
  const e = gatherEvidence(doc, 't', NOW);
  const assessment = assessWater(doc, 't', NOW);
  const saidOf = (...coming: Animal[]) => saidOfThem(doc, e, assessment, coming, UTC.dayOf);
  const said = saidOf(doc.animals.w0!);
  expect(said.map((f) => f.says.code)).toEqual(expect.arrayContaining(['eats', 'notAlwaysReefSafe']));
  for (const f of said) expect(JSON.stringify(f.says)).not.toMatch(/Yellow tang/);
  expect(saidOf()).toEqual([]);
});

test('those who are let in together are held against the filter together, as one is at its wish', () => {
  const doc = world(['green-chromis', 9, null], ['pajama-cardinalfish', 9, null]);
  const e = gatherEvidence(doc, 't', NOW);
  const assessment = assessWater(doc, 't', NOW);
  const saidOf = (...coming: Animal[]) =>
    saidOfThem(doc, e, assessment, coming, UTC.dayOf).map((f) => f.says.code);
  const [chromis, cardinals] = [doc.animals.w0!, doc.animals.w1!];
  for (const one of [chromis, cardinals]) expect(saidOf(one)).not.toContain('overCeiling');
  expect(saidOf(chromis, cardinals)).toContain('overCeiling');
});
