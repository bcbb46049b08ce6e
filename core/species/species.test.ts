/** The species file against its schema, kinds of one's own, and what people ask when they look for an animal. */
import { z } from 'zod';
import { FAMILY_WORDS, FIELDS } from './fields';
import guide from './guide.json';
import { assumedOf, SPECIES, speciesById, speciesOf, type OwnSpecies } from '.';
import { guideSchema, speciesSchema } from './schema';
import { answers, askedOf } from './search';
import { dailyLoadMgN } from '../stocking';
import raw from './species.json';

describe('the species file', () => {
  const list = z.array(speciesSchema).parse(raw);
  test('every entry is valid, ids and scientific names are unique, and all lines are there in number', () => {
    expect(new Set(list.map((s) => s.id)).size).toBe(list.length);
    expect(new Set(list.map((s) => s.scientific)).size).toBe(list.length);
    const count = (group: string) => list.filter((s) => s.group === group).length;
    expect(count('fish')).toBeGreaterThanOrEqual(65);
    expect(count('invertebrate')).toBeGreaterThanOrEqual(30);
    expect(count('coral')).toBeGreaterThanOrEqual(45);
  });
  test('every kind has its guide, every family its words, every field its meaning', () => {
    const read = guideSchema.parse(guide);
    expect(Object.keys(read).sort()).toEqual(list.map((s) => s.id).sort());
    for (const s of list) {
      expect(FAMILY_WORDS[s.family]).toBeDefined();
      for (const field of Object.keys(s).filter((k) => k !== 'id' && k !== 'doubt'))
        if (field !== 'work' || s.work) expect(Object.keys(FIELDS)).toContain(field);
    }
    expect(Object.keys(FAMILY_WORDS).sort()).toEqual([...new Set(list.map((s) => s.family))].sort());
  });
  test('corals say their light, puffers what they are, and no giant lives in a nano', () => {
    for (const s of list) {
      if (s.group === 'coral') expect(s.coral).toBeDefined();
      if (s.family === 'Tetraodontidae') expect(s.is).toContain('puffer');
      // By hand: no animal is to live in less than two of its own lengths of glass, corals aside.
      if (s.group !== 'coral') expect(s.minTankCm).toBeGreaterThanOrEqual(2 * Math.min(s.adultCm, 25));
    }
  });
});

describe('a kind of one’s own', () => {
  const own: OwnSpecies = { id: 'mine', common: 'Spotted blenny', likeId: 'tailspot-blenny', adultCm: 12 };
  const like = speciesById('tailspot-blenny');
  test('what is not said is its relative’s; room grows with its size', () => {
    const s = speciesOf({ species: { mine: own } }, 'mine');
    expect(s).toMatchObject({
      id: 'mine',
      common: 'Spotted blenny',
      adultCm: 12,
      doubt: 'high',
      diet: like.diet,
      // Its relative is Ecsenius stigmatura.
      scientific: 'Ecsenius cf. stigmatura',
    });
    // 12 cm against 6: twice the length, 2 to the power of 1.28 the water, bought at 1.41 times its relative's length.
    expect(s.minTankCm).toBe(like.minTankCm * 2);
    expect(s.minTankL / like.minTankL).toBeCloseTo(2.428, 3);
    expect(s.arrivalCm / like.arrivalCm).toBeCloseTo(1.414, 3);
    expect(assumedOf(own)).toContain('minTankL');
  });
  test('a smaller one gets no less room, and is bought no larger than it grows', () => {
    const s = speciesOf({ species: { mine: { ...own, adultCm: 3 } } }, 'mine');
    expect([s.minTankL, s.arrivalCm]).toEqual([like.minTankL, 3]);
  });
  test('what a larger one makes is more: of a fish by its length, of others as much more as it is longer', () => {
    const crab = { ...own, likeId: 'emerald-crab', adultCm: 15 };
    const made = (kind: OwnSpecies) =>
      dailyLoadMgN(speciesOf({ species: { mine: kind } }, 'mine'), kind.adultCm);
    expect(made(crab)).toBeCloseTo(3 * 0.6, 9);
    expect(made({ ...crab, adultCm: 2 })).toBeCloseTo(0.6, 9);
    expect(made(own)).toBeCloseTo(8 * dailyLoadMgN(like, 6), 9);
  });
  test('the room of our own fish goes with their length as an own kind’s does', () => {
    const fish = SPECIES.filter((s) => s.group === 'fish');
    const mean = (of: (s: (typeof fish)[number]) => number) =>
      fish.reduce((sum, s) => sum + of(s), 0) / fish.length;
    const [x, y] = [
      (s: (typeof fish)[number]) => Math.log(s.adultCm),
      (s: (typeof fish)[number]) => Math.log(s.minTankL),
    ];
    const power = mean((s) => (x(s) - mean(x)) * y(s)) / mean((s) => (x(s) - mean(x)) ** 2);
    expect(power).toBeCloseTo(1.28, 1);
  });
  test('what is said counts, also a no', () => {
    const said: OwnSpecies = {
      ...own,
      jumps: false,
      minTankL: 50,
      maxPerTank: 4,
      scientific: 'Ecsenius dentex',
    };
    expect(speciesOf({ species: { mine: said } }, 'mine')).toMatchObject({
      jumps: false,
      minTankL: 50,
      maxPerTank: 4,
      scientific: 'Ecsenius dentex',
    });
    expect(assumedOf(said)).not.toContain('jumps');
  });
  test('an id in neither is refused by name', () =>
    expect(() => speciesOf({ species: {} }, 'mine')).toThrow(
      '"speciesId" must be in the species list, got "mine"',
    ));
});

describe('what is asked', () => {
  test.each([
    ['clown', { name: 'clown', litres: null, wants: [] }],
    ['eats algae for 60 L', { name: '', litres: 60, wants: ['eatsAlgae'] }],
    ['Goby for 20 gal', { name: 'goby', litres: expect.closeTo(75.7, 1), wants: [] }],
    ['algae eater', { name: '', litres: null, wants: ['eatsAlgae'] }],
    ['eats hair algae', { name: '', litres: null, wants: ['eatsAlgae'] }],
    ['reef safe wrasse, no lid', { name: 'wrasse', litres: null, wants: ['safeWithCorals', 'staysIn'] }],
    ['peaceful fish under 100 litres', { name: '', litres: 100, wants: ['gentle'], group: 'fish' }],
    ['nano goby', { name: 'goby', litres: 75, wants: [] }],
    ['wrasse for a 60-litre tank', { name: 'wrasse', litres: 60, wants: [] }],
    ['jumps', { name: '', litres: null, wants: ['jumps'] }],
    ["a wrasse that doesn't jump", { name: 'wrasse', litres: null, wants: ['staysIn'] }],
    ['a goby that does not jump', { name: 'goby', litres: null, wants: ['staysIn'] }],
    ['eats copepods', { name: '', litres: null, wants: ['eatsPods'] }],
    ['a goby that needs sand', { name: 'goby', litres: null, wants: ['needsSand'] }],
    ['fish that wants caves', { name: '', litres: null, wants: ['needsCaves'], group: 'fish' }],
    ['copepods', { name: 'copepods', litres: null, wants: [] }],
    ['venomous', { name: '', litres: null, wants: ['harmsHands'] }],
    ['wrasse that does not eat shrimp', { name: 'wrasse', litres: null, wants: ['sparesCrew'] }],
    ['angelfish that won’t eat my corals', { name: 'angelfish', litres: null, wants: ['sparesCorals'] }],
    // A number by itself may belong to a name.
    ['three-stripe 3', { name: 'three-stripe 3', litres: null, wants: [] }],
    ['6 line wrasse', { name: '6 line wrasse', litres: null, wants: [] }],
    // A small word may belong to a name, too.
    ['mother of the reef', { name: 'mother of the reef', litres: null, wants: [] }],
    ['LPS', { name: '', litres: null, wants: ['largePolyps'] }],
    ['sps for 100 l', { name: '', litres: 100, wants: ['smallPolyps'] }],
    ['softies', { name: '', litres: null, wants: ['soft'] }],
    ['CUC', { name: '', litres: null, wants: ['crew'] }],
    ['for 0 L', { name: '', litres: null, wants: [] }],
  ])('%s', (query, asked) => expect(askedOf(query)).toEqual({ group: null, ...asked }));
  test.each([
    ['fish for 60 L', 'fish'],
    ['hardy corals', 'coral'],
    ['inverts', 'invertebrate'],
    ['a hardy fish that does not jump', 'fish'],
    ['rabbit fish', null],
  ])('the group of "%s" is %s', (query, group) => expect(askedOf(query).group).toBe(group));
  test('kinds of corals by the words in use', () => {
    const found = (query: string) => SPECIES.filter((s) => answers(askedOf(query), s)).map((s) => s.id);
    expect(found('lps')).toEqual(expect.arrayContaining(['torch', 'hammer-coral']));
    expect(found('sps')).toEqual(expect.arrayContaining(['birdsnest', 'staghorn-coral']));
    expect(found('soft corals')).toEqual(
      expect.arrayContaining(['zoanthid', 'toadstool-leather', 'mushroom-anemone']),
    );
    expect(found('lps').filter((id) => found('sps').includes(id))).toEqual([]);
  });
  test('algae eaters for 60 L fit 60 L and eat algae; a coral is none', () => {
    const asked = askedOf('eats algae for 60 L');
    const found = SPECIES.filter((s) => answers(asked, s));
    expect(found.length).toBeGreaterThan(3);
    for (const s of found) {
      expect(s.minTankL).toBeLessThanOrEqual(60);
      expect(s.diet).toContain('algae');
      expect(s.group).not.toBe('coral');
    }
  });
});
