/** A display whose log begins later on its way: what was passed before is taken as told, what the water is now never is. */
import { SCHOOLS, type School, type Stage } from '../document';
import { DAY, History, START_MS } from '../testing/history';
import { assessWater, SCHOOL_GATES } from './index';

const ms = (day: number): number => START_MS + day * DAY;
function told(stage: Stage, school: School = 'proof24'): History {
  const h = new History(school);
  const water = h.doc.waters.t;
  if (water?.kind !== 'display') throw new Error('no display');
  h.doc.waters.t = { ...water, told: { stage, day: '2026-01-01' } };
  return h;
}
const judge = (h: History, day: number) => assessWater(h.doc, 't', ms(day));
const passed = (h: History, day: number) =>
  judge(h, day)
    .gates.filter((g) => g.status === 'passed')
    .map((g) => g.id);
const here = (h: History, day: number) => judge(h, day).gates.find((g) => g.status === 'here')?.id;

test.each(['empty', 'filling', 'cycling', 'moving'] as const)('%s: nothing is taken as told', (stage) =>
  expect(passed(told(stage), 1)).toEqual([]),
);
test('both zero: the rise and the fall are told, that both are zero now is not', () => {
  const h = told('bothZero').water(1);
  expect(passed(h, 1.1)).toEqual(['ammoniaFalling', 'nitriteFalling', 'seaWater']);
  expect(judge(h, 1.1).gates[0]?.finding).toEqual({ code: 'asTold', day: '2026-01-01' });
  expect(here(h, 1.1)).toBe('bothClear');
  h.test(2, { ammonia: 0, nitrite: 0, nitrate: 10 }).test(3, { ammonia: 0, nitrite: 0, nitrate: 10 });
  expect(here(h, 3.1)).toBe('proof');
  // A reading that contradicts it is believed.
  h.test(4, { ammonia: 1, nitrite: 0 });
  expect(here(h, 4.1)).toBe('bothClear');
});
test('both zero: a proof dose counts although no rise was ever measured here', () => {
  const h = told('bothZero')
    .water(1, { ammonia: 0, nitrite: 0, nitrate: 10 })
    .test(2.5, { ammonia: 0, nitrite: 0, nitrate: 10 })
    .dose(3, 2)
    .water(4, { ammonia: 0, nitrite: 0, nitrate: 20 });
  expect(judge(h, 4.1).gates.find((g) => g.id === 'proof')?.status).toBe('passed');
});
test.each(SCHOOLS)('with animals in, %s sends nobody through the gates of an empty tank', (school) => {
  const h = told('animalsIn', school).animal(-60, 'ocellaris-clownfish');
  const a = judge(h, 1);
  const [last] = [...SCHOOL_GATES[school]].reverse();
  expect(a.gates.find((g) => g.status === 'here')?.id).toBe(last);
  expect(a.gates.some((g) => g.status === 'ahead')).toBe(false);
  expect(a.living?.word).toBe('test');
  expect(a.fish.word).toBe('test');
  h.water(1, { ammonia: 0, nitrite: 0, nitrate: 10 });
  expect(here(h, 1.1)).toBe('nextStep');
});
test('with animals in, ammonia read today outweighs everything that was told', () => {
  const h = told('animalsIn').animal(-60, 'ocellaris-clownfish').water(1, { ammonia: 0.5, nitrite: 0 });
  expect(judge(h, 1.1).living).toMatchObject({ word: 'watch', reason: { code: 'freeAmmoniaWatch' } });
  expect(judge(h, 1.1).fish.word).toBe('wait');
  const bad = told('animalsIn')
    .animal(-60, 'ocellaris-clownfish')
    .water(1, { ammonia: 4, nitrite: 0, ph: 8.3 });
  expect(judge(bad, 1.1).living?.word).toBe('actNow');
});
describe('animals that were told of and never named', () => {
  const opens = (h: History, day: number) => {
    const a = judge(h, day);
    return [a.fish, a.crew, a.coral, a.others].map((j) => j.opens.code);
  };
  const unnamed = (h: History, day: number) => judge(h, day).living?.also.map((f) => f.finding.code) ?? [];
  test.each(SCHOOLS)('%s asks for no ammonia and judges the water as theirs', (school) => {
    const h = told('animalsIn', school).water(1, { ammonia: 0, nitrite: 0, nitrate: 10 });
    h.water(2, { ammonia: 0, nitrite: 0, nitrate: 10 });
    for (const day of [1.1, 2.1, 9, 40])
      for (const code of opens(h, day))
        expect(code).not.toMatch(/dose|addAmmonia|feedTransfer|unseenNeedsProof/i);
    expect(judge(h, 2.1).living?.word).toBe('steady');
    expect(unnamed(h, 2.1)).toEqual(['unnamedAnimals']);
    expect(judge(h, 2.1).fish).toMatchObject({ word: 'wait', reason: { code: 'nobodyNamed' } });
    h.water(3, { ammonia: 4, nitrite: 0, ph: 8.3 });
    expect(judge(h, 3.1).living?.word).toBe('actNow');
  });
  test('a school that ends in a proof asks for none of a dose either', () => {
    const h = told('animalsIn').water(1, { ammonia: 0, nitrite: 0 });
    expect(opens(h, 1.1)).not.toContain('doseForProof');
    h.dose(2, 2);
    expect(judge(h, 3).fish.opens.code).not.toBe('proofTestAt');
  });
  test('they are named by whoever is in by that day, not by who comes later; or nobody else is in it', () => {
    expect(unnamed(told('animalsIn').animal(0.4, 'neon-goby'), 5)).not.toContain('unnamedAnimals');
    const later = told('animalsIn').animal(2, 'neon-goby');
    expect(unnamed(later, 5)).toContain('unnamedAnimals');
    const water = later.doc.waters.t;
    if (water?.kind !== 'display' || !water.told) throw new Error('nothing told');
    later.doc.waters.t = { ...water, told: { ...water.told, allNamed: true } };
    expect(unnamed(later, 5)).not.toContain('unnamedAnimals');
    const nobody = told('animalsIn');
    nobody.doc.waters.t = later.doc.waters.t;
    expect(judge(nobody, 1).living).toBeNull();
  });
});
test('a coral is not kept waiting for a rise that came before the log', () => {
  const h = told('animalsIn')
    .animal(-60, 'ocellaris-clownfish')
    .water(1, { ammonia: 0, nitrite: 0 })
    .water(2, { ammonia: 0, nitrite: 0 });
  expect(judge(h, 2.1).coral.word).toBe('goSmall');
});
