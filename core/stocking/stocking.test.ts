import { WISHED } from '../document';
import { gatherEvidence } from '../evidence';
import { DAY, History, provedHistory, START_MS } from '../testing/history';
import { speciesById } from '../species';
import {
  dailyLoadMgN,
  skeletonUse,
  lengthAt,
  loadAt,
  fishMassG,
  loadStair,
  peakAfterStep,
  presentLoadMgN,
  usualLoadAt,
  provedCapacity,
} from './index';

const settled = () =>
  provedHistory()
    .animal(29, 'turban-snail', 5)
    .water(30, { ammonia: 0, nitrite: 0 })
    .water(32, { ammonia: 0, nitrite: 0 })
    .water(36, { ammonia: 0, nitrite: 0 });

describe('skeletons', () => {
  const acro = speciesById('millepora-acropora');
  test('a fast coral of 20 cm in 100 L takes 0.18 dKH and 1.26 mg/L calcium a day (by hand)', () => {
    const { alkalinityDkh, calciumMgL } = skeletonUse(acro, 20, 1, 100);
    expect(alkalinityDkh).toBeCloseTo(0.176, 3);
    expect(calciumMgL).toBeCloseTo(1.258, 3);
  });
  test('slow ones a third, soft ones nothing; two take twice as much, in twice the water half', () => {
    const use = (id: string, n = 1, l = 100) => skeletonUse(speciesById(id), 20, n, l).alkalinityDkh;
    expect(use('torch')).toBeCloseTo(0.3 * use('millepora-acropora'), 9);
    expect(use('toadstool-leather')).toBe(0);
    expect(use('torch', 2, 200)).toBeCloseTo(use('torch'), 9);
  });
});

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
  describe('what is fed as a rule', () => {
    const fish = () => new History().animal(0, 'ocellaris-clownfish').animal(0, 'turban-snail', 2);
    const fed = (days: readonly number[], grams: number) =>
      days.reduce((h, day) => h.event(day, { kind: 'food', food: 'pellets', grams }), fish());
    const at = (h: History) => gatherEvidence(h.doc, 't', START_MS + 9.5 * DAY);
    const usual = (h: History) => usualLoadAt(at(h), at(h).nowMs);
    test('one meal far too large, or three, say nothing of it; four of seven days do', () => {
      const estimate = usual(fish());
      expect(estimate).toBe(loadAt(at(fish()), at(fish()).nowMs));
      expect(usual(fed([9], 3))).toBe(estimate);
      expect(usual(fed([7, 8, 9], 3))).toBe(estimate);
      // 3 g x 43.125 mg N/g, and a milligram of two snails.
      expect(usual(fed([6, 7, 8, 9], 3))).toBeCloseTo(129.375 + 1, 6);
      expect(usual(fed([1, 2, 3, 4, 5], 3))).toBe(estimate);
    });
    test('for what is to be added the food of today counts where it is more, and what is usual where that is', () => {
      expect(presentLoadMgN(at(fed([9], 3)))).toBeCloseTo(129.375 + 1, 6);
      expect(presentLoadMgN(at(fed([9], 0.001)))).toBe(usual(fish()));
    });
    test('a day of it does not keep up bacteria that were not fed the others, nor show what is carried', () => {
      const keeps = (grams: number) => {
        const h = settled().event(29, { kind: 'food', food: 'pellets', grams });
        return provedCapacity(gatherEvidence(h.doc, 't', START_MS + 40 * DAY))?.nearZeroNowMgN;
      };
      expect(keeps(5)).toBe(keeps(0.001));
      const carried = (grams: number) => {
        const h = fish().event(8, { kind: 'food', food: 'pellets', grams });
        for (const day of [1, 4, 8, 12, 16]) h.test(day, { ammonia: 0, nitrite: 0 });
        return provedCapacity(gatherEvidence(h.doc, 't', START_MS + 16.5 * DAY))?.nearZeroNowMgN;
      };
      expect(carried(5)).toBe(carried(0.001));
    });
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
