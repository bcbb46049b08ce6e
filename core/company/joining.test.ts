import { QUARANTINE_LINES } from '../document';
import { gatherEvidence } from '../evidence';
import { assessWater } from '../readiness';
import { SPECIES, speciesById } from '../species';
import { DAY, History, provedHistory, START_MS } from '../testing/history';
import { UTC } from '../time';
import { additionWarnings, membersOf, type Joining } from '.';

const joining = (
  h: History,
  nowMs: number,
  species: string,
  count: number,
  peaks: Joining['peaks'] = null,
) => {
  const e = gatherEvidence(h.doc, 't', nowMs);
  return additionWarnings(
    e,
    assessWater(h.doc, 't', nowMs),
    { id: 'new', species: speciesById(species), count, stage: 'wish' },
    { others: membersOf(h.doc, e.water), lines: new Set(QUARANTINE_LINES), dayOfMs: UTC.dayOf, peaks },
  );
};
const warn = (h: History, day: number, species: string, count = 1) =>
  joining(h, START_MS + day * DAY, species, count);
const codes = (h: History, day: number, species: string, count = 1) =>
  warn(h, day, species, count).warnings.map((w) => w.says.code);
const settled = () =>
  provedHistory()
    .animal(29, 'turban-snail', 5)
    .water(30, { ammonia: 0, nitrite: 0 })
    .water(32, { ammonia: 0, nitrite: 0 })
    .water(36, { ammonia: 0, nitrite: 0 });

describe('warnings', () => {
  test('a single meal far too large a month ago does not let the load double from it', () => {
    const fed = (grams: number) => {
      const h = settled()
        .water(59, { ammonia: 0, nitrite: 0 })
        .event(30, { kind: 'food', food: 'pellets', grams });
      return warn(h, 60.2, 'green-chromis', 8).warnings.find((w) => w.says.code === 'moreThanDouble')?.says;
    };
    expect(fed(5)).toBeDefined();
    expect(fed(5)).toEqual(fed(0.001));
  });
  test('nothing speaks against a small gentle fish when the gate is open', () =>
    expect(codes(settled().water(43, { ammonia: 0, nitrite: 0 }), 43.2, 'neon-goby')).toEqual([]));
  test('after an outbreak no fish is let in before 76 days without them; a shrimp and what else waits for nothing may come', () => {
    const open = settled().water(43, { ammonia: 0, nitrite: 0 });
    open.event(41.2, { kind: 'incident', what: 'outbreak' });
    const at = START_MS + 43.2 * DAY;
    expect(assessWater(open.doc, 't', at)).toMatchObject({
      fish: {
        word: 'wait',
        reason: { code: 'fishFallow', day: 2, of: 76 },
        opens: { code: 'fishFallowUntil' },
      },
      others: { word: 'goSmall' },
    });
    expect(codes(open, 43.2, 'neon-goby')).toEqual(['liesFallow']);
    expect(codes(open, 43.2, 'cleaner-shrimp')).not.toContain('liesFallow');
    open.animal(43, 'ocellaris-clownfish');
    expect(assessWater(open.doc, 't', START_MS + 60 * DAY).fish.word).not.toMatch(/^go/);
    expect(codes(open, 43.2, 'neon-goby')).not.toEqual([]);
  });
  test('scavengers are held against what falls, sifters against the sand, grazers alone against film', () => {
    const quiet = settled().water(43, { ammonia: 0, nitrite: 0 });
    expect(codes(quiet, 43.2, 'turban-snail', 3)).toContain('littleToGraze');
    const some = warn(quiet, 43.2, 'nassarius-snail', 40).warnings.find((w) => w.says.code === 'littleFalls');
    // 0.2 mg N a day each, which is 0.575 of what it eats.
    expect((some?.says as { wantsMgN: number }).wantsMgN).toBeCloseTo((40 * 0.2) / 0.575, 1);
    expect(codes(quiet, 43.2, 'nassarius-snail', 40)).not.toContain('littleToGraze');
    quiet.doc.waters.t = {
      ...quiet.doc.waters.t!,
      size: { kind: 'dimensions', lengthCm: 60, widthCm: 40, waterHeightCm: 45 },
    };
    expect(codes(quiet, 43.2, 'fighting-conch', 1)).not.toContain('littleSand');
    expect(codes(quiet, 43.2, 'fighting-conch', 4)).toContain('littleSand');
    const filmed = settled().water(43, { ammonia: 0, nitrite: 0 });
    filmed.event(43, { kind: 'film', film: 'brown', extent: 3 });
    expect(codes(filmed, 43.2, 'turban-snail', 3)).not.toContain('littleToGraze');
    // A first portion in 100 L is of three snails of 4 cm.
    expect(codes(filmed, 43.2, 'turban-snail', 3)).not.toContain('crewInSteps');
    expect(codes(filmed, 43.2, 'turban-snail', 4)).toContain('crewInSteps');
    const fed = quiet.animal(29, 'yellow-tang', 2);
    expect(codes(fed, 43.2, 'nassarius-snail', 1)).not.toContain('littleFalls');
  });
  test('ammonia since the last addition, or worse: the water comes first, not the settling', () => {
    const found = (ammonia: number) => codes(settled().water(37, { ammonia, ph: 8.2 }), 37.1, 'neon-goby');
    for (const ammonia of [0.2, 2]) {
      expect(found(ammonia)).toContain('waterComesFirst');
      expect(found(ammonia)).not.toContain('lastStillSettling');
    }
    expect(found(0)).toContain('lastStillSettling');
  });
  test('adult size against the tank', () =>
    expect(codes(settled(), 36.2, 'yellow-tang')).toContain('tooLargeForTank'));
  test('a jumper without a lid', () => {
    const h = settled();
    if (h.doc.waters.t) h.doc.waters.t = { ...h.doc.waters.t, hasLid: false };
    expect(codes(h, 36.2, 'firefish')).toContain('jumpsNoLid');
  });
  test('rivals, and too many of a kind', () => {
    const h = settled().animal(29, 'royal-gramma');
    expect(codes(h, 36.2, 'royal-gramma')).toContain('tooManyOfKind');
    const blenny = settled().animal(29, 'tailspot-blenny');
    expect(codes(blenny, 36.2, 'lawnmower-blenny')).toContain('rival');
  });
  test('who eats whom, both ways', () => {
    expect(codes(settled(), 36.2, 'scarlet-hermit')).toContain('eats');
    expect(codes(settled().animal(29, 'longnose-hawkfish'), 36.2, 'cleaner-shrimp')).toContain('eats');
  });
  test('too early: before the gate, and before the tank is old enough', () => {
    expect(codes(new History().water(0), 0.1, 'neon-goby')).toContain('gateShut');
    expect(codes(settled(), 36.2, 'mandarin-dragonet')).toContain('youngTank');
    // Nobody is told that a tank of unknown age is young: it is asked.
    const undated = settled();
    undated.doc.waters.t = { ...undated.doc.waters.t!, startDay: null };
    const asked = codes(undated, 36.2, 'mandarin-dragonet');
    expect([asked.includes('youngTank'), asked.includes('ageNotSaid')]).toEqual([false, true]);
  });
  test('more than double in a month, and two fish in a week', () => {
    expect(codes(settled(), 36.2, 'green-chromis', 8)).toContain('moreThanDouble');
    const after = (first: string, day: number) => codes(settled().animal(35, first), day, 'clown-goby');
    expect(after('royal-gramma', 36.2)).toContain('twoInAWeek');
    // By the calendar, as the plan counts: the seventh day begins at its midnight.
    expect(after('royal-gramma', 41.16)).toContain('twoInAWeek');
    expect(after('royal-gramma', 41.17)).not.toContain('twoInAWeek');
    // What hardly adds to the load makes no other wait.
    expect(after('neon-goby', 36.2)).not.toContain('twoInAWeek');
  });
  test('what came thirty days ago counts for doubling from the morning on, as in the plan', () => {
    const h = settled().animal(35.1, 'turban-snail', 20);
    expect(codes(h, 64.16, 'turban-snail', 20)).toContain('moreThanDouble');
    expect(codes(h, 64.17, 'turban-snail', 20)).not.toContain('moreThanDouble');
  });
  test('where no fish lives yet more than a pair comes only if the others wait', () => {
    const open = () => settled().water(43, { ammonia: 0, nitrite: 0 });
    expect(codes(open(), 43.2, 'clown-goby', 2)).not.toContain('manyFirst');
    expect(codes(open(), 43.2, 'clown-goby', 3)).toContain('manyFirst');
    expect(codes(open(), 43.2, 'turban-snail', 3)).not.toContain('manyFirst');
    expect(codes(open().animal(30, 'firefish'), 43.2, 'clown-goby', 3)).not.toContain('manyFirst');
  });
  test('a load above the ceiling is stopped with its predicted peak', () => {
    const { warnings, forecast } = warn(settled(), 36.2, 'green-chromis', 80);
    expect(warnings.map((w) => w.says.code)).toEqual(expect.arrayContaining(['overCeiling', 'ammoniaPeak']));
    expect(forecast.peakNh3MgN).toBeGreaterThan(0.02);
  });
  test('a step that the rule allows and that stays low in ammonia is one it grows into: a word, no stop', () => {
    // Ten cardinalfish carried for two months, and as many again: more than was shown, no more than double.
    const home = provedHistory().animal(29, 'banggai-cardinalfish', 10);
    for (let day = 30; day <= 88; day += 2) home.water(day, { ammonia: 0, nitrite: 0, nitrate: 10, ph: 8.1 });
    const of = (count: number) =>
      warn(home, 88.2, 'banggai-cardinalfish', count).warnings.filter((w) =>
        ['growsInto', 'overCeiling', 'moreThanDouble', 'ammoniaPeak'].includes(w.says.code),
      );
    expect(of(2)).toEqual([]);
    expect(of(7)).toMatchObject([{ severity: 'note', says: { code: 'growsInto' } }]);
    const many = of(40).map((w) => [w.says.code, w.severity]);
    expect(many).toContainEqual(['overCeiling', 'no']);
    expect(many).toContainEqual(['moreThanDouble', 'onlyIf']);
    expect(many).not.toContainEqual(['growsInto', 'note']);
  });
  test('what hardly adds to the load waits for nobody to settle; of a fish it is said all the same', () => {
    const late = () => settled().water(37, { ammonia: 0 });
    const of = (species: string, count: number) =>
      warn(late(), 37.1, species, count)
        .warnings.filter((w) => w.says.code === 'lastStillSettling')
        .map((w) => w.severity);
    expect(of('nassarius-snail', 1)).toEqual([]);
    expect(of('neon-goby', 1)).toEqual(['onlyIf']);
    expect(of('royal-gramma', 1)).toEqual(['no']);
  });
  test('what the forecast of the tank says of the ammonia counts where it is worse than what was reckoned', () => {
    const nowMs = START_MS + 36.2 * DAY;
    const judged = (mid: number, high: number) =>
      joining(settled(), nowMs, 'neon-goby', 1, {
        addedMgN: [0, 100],
        peakMgN: [
          [0, mid, high],
          [0, mid, high],
        ],
      });
    const says = (mid: number, high: number) => judged(mid, high).warnings.map((w) => w.says.code);
    expect(says(0.01, 0.05)).not.toEqual(expect.arrayContaining(['ammoniaMayPeak']));
    expect(says(0.01, 2)).toContain('ammoniaMayPeak');
    expect(says(0.01, 2)).not.toContain('ammoniaPeak');
    expect(says(2, 4)).toContain('ammoniaPeak');
    expect(judged(2, 4).forecast.likelyNh3MgN![1]).toBeGreaterThan(0.02);
  });
  test('the most severe come first', () => {
    const order = warn(settled(), 36.2, 'yellow-tang').warnings.map((w) =>
      ['no', 'onlyIf', 'note'].indexOf(w.severity),
    );
    expect(order).toEqual([...order].sort());
  });
  test('every species can be judged', () => {
    for (const s of SPECIES) expect(() => codes(settled(), 36.2, s.id)).not.toThrow();
  });
});
