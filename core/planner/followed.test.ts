/** The plan of the first day, followed day after day for months: no date moves, no door asks for a reason, and all are in by the day that was said. */
import { WISHED, type Animal, type Display, type Document, type Quarantine } from '../document';
import { aQuarantine } from '../testing/display';
import { follow, type Followed } from '../testing/follower';
import { DAY, provedHistory, START_MS } from '../testing/history';

/** A proved tank of 250 L with its wishes, in the order they are wanted. */
function world(wishes: readonly (readonly [string, number])[], quarantines: readonly Quarantine[]): Document {
  const doc = { ...provedHistory().doc };
  doc.waters = {
    t: {
      ...(doc.waters.t as Display),
      size: { kind: 'dimensions', lengthCm: 120, widthCm: 50, waterHeightCm: 50 },
      intakesGuarded: true,
    },
    ...Object.fromEntries(quarantines.map((q) => [q.id, q])),
  };
  // The doses of the log were for 100 L.
  doc.events = Object.fromEntries(
    Object.values(doc.events).map((e) => [e.id, e.kind === 'ammoniaDose' ? { ...e, mgN: e.mgN * 3 } : e]),
  );
  doc.animals = Object.fromEntries(
    wishes.map(([speciesId, count], i): [string, Animal] => [
      speciesId,
      {
        id: speciesId,
        homeId: 't',
        speciesId,
        count,
        plannedDay: null,
        moves: [{ to: WISHED, at: new Date(START_MS + 28.1 * DAY).toISOString(), why: '' }],
        wish: { priority: i + 1 },
      },
    ]),
  );
  return doc;
}
const MEANT = [
  ['tailspot-blenny', 1],
  ['ocellaris-clownfish', 2],
  ['flame-angelfish', 1],
  ['zoanthid', 1],
  ['hammer-coral', 1],
] as const;
const followed = (doc: Document, days = 140): Followed => follow(doc, START_MS + 30 * DAY, days);

function expectKept({ first, inOn, moved, risks }: Followed) {
  expect(moved).toEqual([]);
  expect(risks).toEqual([]);
  expect(first.leftOut).toEqual([]);
  expect(Object.fromEntries(inOn)).toEqual(
    Object.fromEntries(first.steps.map((s) => [s.wishId, s.releaseDay])),
  );
}

test('a quarantine for fish and one for corals: the proof does not fade while the first are in theirs', () => {
  const all = followed(
    world(MEANT, [aQuarantine('fish', { size: { kind: 'volume', volumeL: 60 } }), aQuarantine('coral')]),
  );
  expectKept(all);
  // Once in the four weeks before anybody was in: the other of them would be on the day itself.
  expect(all.fedOn).toHaveLength(1);
});

test('corals without a quarantine are in on the day they are bought', () => {
  const doc = world(MEANT, [aQuarantine('fish', { size: { kind: 'volume', volumeL: 60 } })]);
  const stocking = {
    which: 'likely' as const,
    shopDays: [],
    budget: null,
    looksAWeek: 7,
    direct: 'from a friend',
  };
  doc.waters.t = { ...(doc.waters.t as Display), stocking };
  const all = followed(doc);
  expect(all.moved).toEqual([]);
  expect(all.risks.filter((r) => r.code !== 'riskNoQuarantine')).toEqual([]);
  for (const s of all.first.steps.filter((s) => s.quarantineId === 'direct-coral')) {
    expect(s.buyDay).toBe(s.releaseDay);
    expect(all.inOn.get(s.wishId)).toBe(s.releaseDay);
  }
});

test('with four looks a week nothing moves but once, sooner: when the last days come, on each of which somebody looks', () => {
  const doc = world(MEANT, [aQuarantine('fish', { size: { kind: 'volume', volumeL: 60 } })]);
  const stocking = { which: 'likely' as const, shopDays: [], budget: null, looksAWeek: 4, direct: null };
  doc.waters.t = { ...(doc.waters.t as Display), stocking };
  const { moved, risks } = followed(doc, 45);
  expect(risks).toEqual([]);
  expect(moved.map((m) => [m.cause.kind, (m.most?.days ?? 0) < 0])).toEqual([['looked', true]]);
});
