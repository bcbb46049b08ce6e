/** The rules of company by hand, what taking out does, and the fewest that must go against trying every set. */
import { seededRandom } from '../random';
import { SPECIES, speciesById } from '../species';
import { displayEvidence, provedHistory } from '../testing/history';
import { HOUR_MS, UTC } from '../time';
import { companyOf, fewestToGo, findingsOf, standingTank, tankOf, without, type Member, type Tank } from '.';

const tank: Tank = {
  glassL: 240,
  lengthCm: 100,
  hasLid: true,
  sandKg: 20,
  rockKg: 20,
  ageDays: 400,
  tempC: 25,
  carriesMgN: null,
  food: null,
};
const member = (id: string, stage: Member['stage'] = 'here', count = 1): Member => ({
  id,
  species: speciesById(id),
  count,
  stage,
});
const of = (t: Partial<Tank>, ...members: Member[]) => companyOf({ ...tank, ...t }, members);
const codes = (t: Partial<Tank>, ...members: Member[]) =>
  of(t, ...members)
    .filter((f) => f.severity !== 'note')
    .map((f) => f.says.code);

test('the worst comes first: what goes wrong for those who live here, then whoever lacks the most room', () => {
  const small = { glassL: 59, lengthCm: 40 };
  const first = (...members: Member[]) => of(small, ...members)[0]?.says;
  const wishes = [member('tailspot-blenny', 'wish'), member('yellow-tang', 'wish')];
  expect(first(...wishes)).toMatchObject({ code: 'tooLargeForTank', name: 'Yellow tang' });
  expect(first(...wishes.toReversed())).toMatchObject({ name: 'Yellow tang' });
  expect(first(...wishes, member('ocellaris-clownfish'))).toMatchObject({ name: 'Ocellaris clownfish' });
  // By its length alone, too: 120 cm in 40 is more than 75 L in 59.
  expect(of({ glassL: 600, lengthCm: 40 }, ...wishes)[0]?.says).toMatchObject({
    code: 'tooLongForTank',
    name: 'Yellow tang',
  });
});

describe('one and its tank', () => {
  test('volume of the glass at adult size, a tenth left to the rim; and its length', () => {
    // 200 L asked: 180 L of water are enough, 179 are not.
    expect(codes({ glassL: 180 }, member('lawnmower-blenny'))).toEqual([]);
    expect(of({ glassL: 179 }, member('lawnmower-blenny'))[0]).toMatchObject({
      severity: 'no',
      lasting: true,
    });
    expect(codes({ glassL: 600, lengthCm: 119 }, member('yellow-tang'))).toEqual(['tooLongForTank']);
    expect(codes({ glassL: 600, lengthCm: 120 }, member('yellow-tang'))).toEqual([]);
    expect(codes({ glassL: 600, lengthCm: null }, member('yellow-tang'))).toEqual([]);
  });
  test('a lid: without one a jumper is a no that passes, another fish only if', () => {
    expect(of({ hasLid: false }, member('firefish'))[0]).toMatchObject({ severity: 'no', lasting: false });
    expect(codes({ hasLid: false }, member('neon-goby'))).toEqual(['noLid']);
    expect(codes({ hasLid: false }, member('turban-snail'))).toEqual([]);
  });
  test('age: delicate kinds are a no before their day, others only if; who lives there is not asked', () => {
    const young = (id: string, ageDays: number | null) => of({ ageDays }, member(id, 'wish'))[0];
    expect(young('mandarin-dragonet', 179)).toMatchObject({ severity: 'no', lasting: false });
    expect(young('mandarin-dragonet', 180)?.says.code).not.toBe('youngTank');
    expect(young('six-line-wrasse', 59)).toMatchObject({ severity: 'onlyIf' });
    expect(young('six-line-wrasse', null)?.says.code).toBe('ageNotSaid');
    expect(codes({ ageDays: 3 }, member('six-line-wrasse'))).toEqual([]);
  });
  test('the age is that of the calendar where the person is', () => {
    const water = { ...displayEvidence(provedHistory().doc, 0).water, startDay: '2026-01-01' };
    const ageOn = (today: string) => standingTank(water, today).ageDays;
    expect([ageOn('2026-01-01'), ageOn('2026-03-01')]).toEqual([0, 59]);
    const e = displayEvidence(provedHistory().doc, Date.UTC(2026, 1, 1, 23));
    const east = (ms: number) => UTC.dayOf(ms + 2 * HOUR_MS);
    expect((tankOf(e, east).ageDays ?? 0) - (tankOf(e, UTC.dayOf).ageDays ?? 0)).toBe(1);
  });
  test('warmth: at the edge nothing, outside only if, by more than a degree no', () => {
    const at = (tempC: number) => of({ tempC }, member('mexican-turban-snail'))[0]?.severity;
    expect([at(24), at(24.5), at(25.5)]).toEqual([undefined, 'onlyIf', 'no']);
    expect(codes({ tempC: 17.5 }, member('mexican-turban-snail'))).toEqual(['tooColdFor']);
  });
  test('no sand, no rock', () => {
    expect(codes({ sandKg: 0 }, member('melanurus-wrasse'))).toContain('wantsSand');
    expect(codes({ sandKg: null }, member('melanurus-wrasse'))).not.toContain('wantsSand');
    expect(codes({ rockKg: 0 }, member('royal-gramma'))).toEqual(['wantsCaves']);
  });
});

describe('two of them', () => {
  test('rivals: no, and only if both find their ground in a glass for two and neither is territorial', () => {
    const two = [member('tailspot-blenny'), member('midas-blenny')];
    // 75 and 150 L: 225 for both, of which 202.5 are water.
    expect(of({ glassL: 202 }, ...two)[0]).toMatchObject({
      severity: 'no',
      lasting: true,
      ids: ['tailspot-blenny', 'midas-blenny'],
    });
    expect(of({ glassL: 203 }, ...two)[0]).toMatchObject({ severity: 'onlyIf', lasting: false });
    const hot = [member('azure-damselfish'), member('springer-s-damselfish')];
    expect(of({ glassL: 5000 }, ...hot)[0]).toMatchObject({ severity: 'no' });
  });
  test('one genus that fights its own, other grounds', () => {
    expect(codes({ glassL: 2000, lengthCm: 300 }, member('yellow-tang'), member('purple-tang'))).toContain(
      'rival',
    );
    expect(codes({}, member('orchid-dottyback'), member('splendid-dottyback'))).toEqual(['rival', 'eats']);
    expect(codes({}, member('green-chromis', 'here', 3), member('neon-goby'))).toEqual([]);
  });
  test('who eats whom: a puffer no, a hawkfish only if, a clownfish in its anemone not at all', () => {
    const eats = (a: string, b: string) =>
      of({ glassL: 2000, lengthCm: 300 }, member(a), member(b)).filter((f) => f.says.code === 'eats');
    expect(eats('valentini-puffer', 'turban-snail')[0]?.severity).toBe('no');
    expect(eats('turban-snail', 'valentini-puffer')[0]?.severity).toBe('no');
    expect(eats('longnose-hawkfish', 'cleaner-shrimp')[0]?.severity).toBe('onlyIf');
    // 34 cm against 5: swallowed.
    expect(eats('engineer-goby', 'neon-goby')[0]?.severity).toBe('no');
    expect(eats('carpet-anemone', 'neon-goby')).toHaveLength(1);
    expect(eats('carpet-anemone', 'ocellaris-clownfish')).toEqual([]);
    expect(eats('clown-goby', 'millepora-acropora')).toHaveLength(1);
    expect(eats('clown-goby', 'toadstool-leather')).toEqual([]);
  });
  test('order: the gentler first; a territorial one that is there is hard on who comes', () => {
    const order = (damsel: Member['stage'], goby: Member['stage']) =>
      of({}, member('azure-damselfish', damsel), member('neon-goby', goby))
        .map((f) => f.says)
        .find((s) => s.code === 'lateComer' || s.code === 'firstThen');
    expect(order('here', 'wish')).toMatchObject({ code: 'lateComer', name: 'Azure damselfish' });
    expect(order('wish', 'wish')).toMatchObject({ code: 'firstThen', name: 'Neon cleaner goby' });
    expect(order('wish', 'coming')).toMatchObject({ code: 'firstThen' });
    expect(order('wish', 'here')).toBeUndefined();
    expect(order('here', 'here')).toBeUndefined();
  });
  test('two on pods want 400 L; water that suits both', () => {
    const pods = [member('mandarin-dragonet'), member('court-jester-goby')];
    expect(codes({ glassL: 399 }, ...pods)).toContain('podsShared');
    expect(codes({ glassL: 400 }, ...pods)).not.toContain('podsShared');
    expect(codes({ tempC: null }, member('mexican-turban-snail'), member('blue-linckia-star'))).not.toContain(
      'noCommonWater',
    );
    const cold = {
      ...member('neon-goby'),
      species: { ...speciesById('neon-goby'), tempC: [15, 22] as [number, number] },
    };
    expect(codes({ tempC: null }, cold, member('maxima-clam'))).toContain('noCommonWater');
  });
});

describe('all of them', () => {
  test('too many and too few of a kind, over groups', () => {
    const gobies = [member('neon-goby', 'here', 2), { ...member('neon-goby', 'wish'), id: 'more' }];
    expect(of({}, ...gobies)[0]?.says).toMatchObject({ code: 'tooManyOfKind', most: 2, would: 3 });
    expect(codes({}, member('green-chromis', 'wish', 2))).toEqual(['tooFewOfKind']);
    expect(codes({}, member('green-chromis', 'wish', 3))).toEqual([]);
  });
  test('corals: reach and walking are spoken of where there is another, nipping too', () => {
    expect(codes({}, member('torch'))).toEqual([]);
    expect(codes({}, member('torch'), member('zoanthid'))).toEqual(['stingReach']);
    expect(codes({}, member('bubble-tip-anemone'), member('zoanthid'))).toEqual(
      expect.arrayContaining(['walksAndStings']),
    );
    expect(codes({}, member('melanurus-wrasse'), member('zoanthid'))).toContain('notAlwaysReefSafe');
    expect(
      of({}, member('valentini-puffer'), member('zoanthid')).find((f) => f.says.code === 'notReefSafe')
        ?.severity,
    ).toBe('no');
  });
  test('load grown up against what the filter carries', () => {
    const two = [member('ocellaris-clownfish', 'here', 2)];
    // By hand: 0.024 x 9^3 = 17.5 g, 2.5 % of it, 48 % protein, 92 mg N a gram: 19.3 mg N each.
    expect(codes({ carriesMgN: 38 }, ...two)).toEqual(['grownLoad']);
    expect(codes({ carriesMgN: 39 }, ...two)).toEqual([]);
  });
  test('one by itself is told what is found of it, not of the others', () => {
    const found = of({}, member('tailspot-blenny'), member('midas-blenny'), member('neon-goby'));
    expect(findingsOf(found, 'neon-goby').filter((f) => f.severity === 'no')).toEqual([]);
    expect(findingsOf(found, 'midas-blenny')[0]?.says.code).toBe('rival');
  });
});

describe('taking out', () => {
  const six = [
    member('tailspot-blenny'),
    member('midas-blenny', 'wish'),
    member('yellow-tang', 'wish'),
    member('neon-goby'),
  ];
  test('what goes and what stays', () => {
    const { gone, stays } = without({ ...tank, glassL: 200 }, six, new Set(['midas-blenny']));
    expect(gone.map((f) => f.says.code)).toContain('rival');
    expect(stays.map((f) => f.says.code)).toContain('tooLargeForTank');
  });
  test('the fewest: the tang and one blenny, and of the two the wish', () =>
    expect(fewestToGo({ ...tank, glassL: 200 }, six)?.sort()).toEqual(['midas-blenny', 'yellow-tang']));
  test('nothing where all fit', () => expect(fewestToGo(tank, [member('neon-goby')])).toEqual([]));
  test('the fewest is the fewest: against every set, on 60 random companies', () => {
    const random = seededRandom(7);
    const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!;
    const fish = SPECIES.filter((s) => s.group === 'fish' && s.minTankL < 400);
    for (let n = 0; n < 60; n++) {
      const members = Array.from({ length: 7 }, (_, i): Member => ({
        id: `m${i}`,
        species: pick(fish),
        count: 1,
        stage: pick(['here', 'coming', 'wish'] as const),
      }));
      const small = { ...tank, glassL: 180 };
      const fits = (mask: number) =>
        companyOf(
          small,
          members.filter((_, i) => ((mask >> i) & 1) === 0),
        ).every((f) => f.severity !== 'no' || !f.lasting);
      const sizes = Array.from({ length: 128 }, (_, mask) => mask)
        .filter(fits)
        .map((mask) => mask.toString(2).replaceAll('0', '').length);
      const least = Math.min(...sizes);
      const out = fewestToGo(small, members);
      expect(out === null ? 7 : out.length).toBe(least > 6 ? 7 : least);
    }
  });
});
