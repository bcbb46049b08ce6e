import { WISHED } from '../document';
import { assessWater } from '../readiness';
import { gatherEvidence } from '../evidence';
import { DAY, History, provedHistory, START_MS } from '../testing/history';
import { SPECIES, speciesById } from '../species';
import {
  additionWarnings,
  dailyLoadMgN,
  lengthAt,
  loadAt,
  fishMassG,
  loadStair,
  peakAfterStep,
  provedCapacity,
} from './index';

const warn = (h: History, day: number, species: string, count = 1) => {
  const nowMs = START_MS + day * DAY;
  return additionWarnings(
    gatherEvidence(h.doc, 't', nowMs),
    assessWater(h.doc, 't', nowMs),
    speciesById(species),
    count,
  );
};
const codes = (h: History, day: number, species: string, count = 1) =>
  warn(h, day, species, count).warnings.map((w) => w.says.code);
const settled = () =>
  provedHistory()
    .animal(29, 'turban-snail', 5)
    .water(30, { ammonia: 0, nitrite: 0 })
    .water(32, { ammonia: 0, nitrite: 0 })
    .water(36, { ammonia: 0, nitrite: 0 });

describe('load', () => {
  test('a fusiform fish of 10 cm weighs 13 g (a 0.013, b 3)', () =>
    expect(fishMassG(0.013, 10)).toBeCloseTo(13, 9));
  test('13 g at 2.5 % ration and 48 % protein make 14.4 mg N a day (by hand: 0.325 g x 0.48 x 92)', () => {
    const gramma = speciesById('royal-gramma');
    expect(dailyLoadMgN(gramma, 10)).toBeCloseTo(14.35, 1);
  });
  test('a fish grows towards its adult size: 4 cm of 9, after a year 9 - 5/e (by hand)', () => {
    const h = new History().animal(0, 'ocellaris-clownfish');
    const [fish] = Object.values(h.doc.animals);
    const year = 365.25 * DAY;
    expect(lengthAt(h.doc, fish!, START_MS - year)).toBe(4);
    expect(lengthAt(h.doc, fish!, START_MS + year)).toBeCloseTo(9 - 5 * Math.exp(-1), 6);
    expect(lengthAt(h.doc, { ...fish!, lengthCm: 7 }, START_MS)).toBe(7);
    // Already longer than the books say: it stays so.
    expect(lengthAt(h.doc, { ...fish!, lengthCm: 12 }, START_MS + 5 * year)).toBe(12);
    const e = gatherEvidence(h.doc, 't', START_MS + 2 * year);
    expect(loadAt(e, e.nowMs)).toBeGreaterThan(4 * loadAt(e, START_MS + DAY));
  });
  test('logged food replaces the estimate for its day, cleaners that graze besides', () => {
    const h = new History().animal(0, 'ocellaris-clownfish').animal(0, 'turban-snail', 2);
    h.event(5, { kind: 'food', food: 'pellets', grams: 0.4 });
    const e = gatherEvidence(h.doc, 't', START_MS + 9 * DAY);
    // 0.4 g x 75 mg N/g x 6.25 x 0.092 = 17.25 mg N; two snails at 0.5 each.
    expect(loadAt(e, START_MS + 5.5 * DAY)).toBeCloseTo(17.25 + 1, 6);
    expect(loadAt(e, START_MS + 6.5 * DAY)).toBeCloseTo(loadAt(e, START_MS + 4 * DAY), 1);
  });
  test('two weeks of zeros with fed animals show what is carried, without any proof', () => {
    const h = new History().animal(0, 'ocellaris-clownfish');
    for (const day of [1, 4, 8, 12]) h.test(day, { ammonia: 0, nitrite: 0 });
    const at = (day: number) => provedCapacity(gatherEvidence(h.doc, 't', START_MS + day * DAY));
    expect(at(13)).toBeNull();
    h.test(16, { ammonia: 0, nitrite: 0 });
    const e = gatherEvidence(h.doc, 't', START_MS + 16.5 * DAY);
    expect(at(16.5)).toMatchObject({ by: 'living' });
    expect(at(16.5)?.nearZeroNowMgN).toBeCloseTo(1.5 * loadAt(e, START_MS + 8 * DAY), 1);
  });
  test('the stair counts what is in the display and dashes what is planned', () => {
    const h = settled();
    const e = gatherEvidence(h.doc, 't', START_MS + 37 * DAY);
    expect(loadAt(e, START_MS + 28 * DAY)).toBe(0);
    expect(loadAt(e, e.nowMs)).toBeCloseTo(2.5, 9);
    const wished = {
      id: 'w',
      homeId: 't',
      speciesId: 'neon-goby',
      count: 1,
      moves: [{ to: WISHED, at: h.at(30), why: '' }],
      plannedDay: '2026-03-01',
    };
    const steps = loadStair(
      e,
      [...Object.values(h.doc.animals), wished],
      () => START_MS + 50 * DAY,
      START_MS + 60 * DAY,
    );
    expect(steps[steps.length - 1]).toMatchObject({ planned: true, label: 'Neon cleaner goby' });
    expect(steps[0]).toMatchObject({ planned: false, mgN: 2.5 });
  });
});

describe('capacity', () => {
  test('from the integrated law: 1.553 mg N/L cleared in a day with Ka 0.5 is X 3.22, a ninth of it near zero', () => {
    const c = provedCapacity(gatherEvidence(provedHistory().doc, 't', START_MS + 28.01 * DAY));
    expect(c?.x).toBeCloseTo(1.553 - 0.05 + 0.5 * Math.log(1.553 / 0.05), 2);
    expect(c?.atDoseMgN).toBeCloseTo(155.3, 1);
    expect(c?.nearZeroProvedMgN).toBeCloseTo((3.22 * 0.05 * 100) / 0.55, 0);
  });
  test('fades unfed, and less with animals to feed it', () => {
    const at = (h: History, day: number) =>
      provedCapacity(gatherEvidence(h.doc, 't', START_MS + day * DAY))?.nearZeroNowMgN ?? 0;
    expect(at(provedHistory(), 40)).toBeLessThan(at(provedHistory(), 30));
    expect(at(settled(), 48)).toBeGreaterThan(at(provedHistory(), 48));
  });
  test('nothing proved, nothing known', () =>
    expect(provedCapacity(gatherEvidence(new History().doc, 't', START_MS))).toBeNull());
  test('a bigger step has a higher peak', () =>
    expect(peakAfterStep(20, 2, 15, 100)).toBeGreaterThan(peakAfterStep(20, 2, 3, 100)));
});

describe('warnings', () => {
  test('nothing speaks against a small gentle fish when the gate is open', () =>
    expect(codes(settled().water(43, { ammonia: 0, nitrite: 0 }), 43.2, 'neon-goby')).toEqual([]));
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
    expect(codes(settled(), 36.2, 'scarlet-hermit')).toContain('eatsResident');
    expect(codes(settled().animal(29, 'longnose-hawkfish'), 36.2, 'cleaner-shrimp')).toContain(
      'eatenByResident',
    );
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
    const h = settled().animal(35, 'neon-goby');
    expect(codes(h, 36.2, 'clown-goby')).toContain('twoInAWeek');
  });
  test('a load above the ceiling is stopped with its predicted peak', () => {
    const { warnings, forecast } = warn(settled(), 36.2, 'green-chromis', 80);
    expect(warnings.map((w) => w.says.code)).toEqual(expect.arrayContaining(['overCeiling', 'ammoniaPeak']));
    expect(forecast.peakNh3MgN).toBeGreaterThan(0.02);
  });
  test('what the forecast of the tank says of the ammonia counts where it is worse than what was reckoned', () => {
    const nowMs = START_MS + 36.2 * DAY;
    const judged = (mid: number, high: number) =>
      additionWarnings(
        gatherEvidence(settled().doc, 't', nowMs),
        assessWater(settled().doc, 't', nowMs),
        speciesById('neon-goby'),
        1,
        {
          addedMgN: [0, 100],
          peakMgN: [
            [0, mid, high],
            [0, mid, high],
          ],
        },
      );
    const says = (mid: number, high: number) => judged(mid, high).warnings.map((w) => w.says.code);
    expect(says(0.01, 0.05)).not.toEqual(expect.arrayContaining(['ammoniaMayPeak']));
    expect(says(0.01, 2)).toContain('ammoniaMayPeak');
    expect(says(0.01, 2)).not.toContain('ammoniaPeak');
    expect(says(2, 4)).toContain('ammoniaPeak');
    expect(judged(2, 4).forecast.likelyNh3MgN![1]).toBeGreaterThan(0.02);
  });
  test('the most severe come first', () => {
    const order = warn(settled(), 36.2, 'yellow-tang').warnings.map((w) =>
      ['stop', 'caution', 'note'].indexOf(w.severity),
    );
    expect(order).toEqual([...order].sort());
  });
  test('every species can be judged', () => {
    for (const s of SPECIES) expect(() => codes(settled(), 36.2, s.id)).not.toThrow();
  });
});
