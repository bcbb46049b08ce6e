/** Cleaners against what they live on: film for grazers, what falls for scavengers, open sand for sifters. Film feeds neither of those. */
import { AFTER, asSnails, scavengersWantMgN, siftersWantCm2 } from '../after';
import { finding, type Finding } from './finding';
import type { Member, Tank } from './member';

/** What those to come would find, beside those at home. */
export function ofTheFood({ food }: Pick<Tank, 'food'>, members: readonly Member[]): Finding[] {
  if (food === null) return [];
  const found: Finding[] = [];
  const coming = (work: Member['species']['work']) => {
    const theirs = members.filter((m) => m.stage !== 'here' && m.species.work === work);
    return { ids: theirs.map((m) => m.id), names: [...new Set(theirs.map((m) => m.species.common))], theirs };
  };
  const { theirs, ...grazers } = coming('grazes');
  const snails = theirs.reduce((sum, m) => sum + m.count * asSnails(m.species), 0);
  const count = theirs.reduce((sum, m) => sum + m.count, 0);
  const { ids, names } = grazers;
  if (ids.length > 0 && food.grazersAtOnce === 0) found.push(finding(ids, { code: 'littleToGraze', names }));
  else if (count > 1 && snails > food.grazersAtOnce + 1e-9)
    found.push(finding(ids, { code: 'crewInSteps', names, snails, portion: food.grazersAtOnce }));

  const scavengers = coming('scavenges');
  const wantsMgN = scavengersWantMgN(members);
  if (scavengers.ids.length > 0 && wantsMgN > food.fallsMgN)
    found.push(
      finding(scavengers.ids, {
        code: 'littleFalls',
        names: scavengers.names,
        wantsMgN,
        fallsMgN: food.fallsMgN,
      }),
    );

  const sifters = coming('sifts');
  const wantsCm2 = siftersWantCm2(members);
  if (sifters.ids.length > 0 && food.sandCm2 !== null && wantsCm2 > food.sandCm2)
    found.push(
      finding(sifters.ids, { code: 'littleSand', names: sifters.names, wantsCm2, sandCm2: food.sandCm2 }),
    );
  return found;
}

/** What those of a batch would find on its day, beside those at home and those let in before it. Of film only what is seen now is known, so nothing
 *  is said of it for a day further off than a look lasts.
 *  @param daysAhead until the batch is let in */
export function foodOfBatch(
  tank: Pick<Tank, 'food'>,
  members: readonly Member[],
  { ids, before, daysAhead }: { ids: ReadonlySet<string>; before: ReadonlySet<string>; daysAhead: number },
): Finding[] {
  const there = members.flatMap((m): Member[] => {
    if (ids.has(m.id)) return [m];
    return m.stage === 'here' || before.has(m.id) ? [{ ...m, stage: 'here' }] : [];
  });
  const isKnown = ({ says }: Finding) => says.code !== 'littleToGraze' || daysAhead <= AFTER.lookLastsDays;
  return ofTheFood(tank, there).filter(isKnown);
}
