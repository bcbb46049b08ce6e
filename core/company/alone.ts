/** What a kind finds in a tank, whoever else lives there. */
import type { Species } from '../species';
import { hasRoom } from '../volume';
import { finding, type Finding } from './finding';
import { COMPANY } from './limits';
import { lineOf } from './lines';
import type { Member, Tank } from './member';

/** Everything a member may miss in the tank, or the tank in it. */
export function ofOne(tank: Tank, m: Member): Finding[] {
  return [
    ...room(tank, m),
    ...lid(tank, m),
    ...age(tank, m),
    ...warmth(tank, m),
    ...ground(tank, m),
    ...itself(m),
  ];
}

/** What keeps some out of a tank that the person can see to before they come: its sand, its warmth. A lid and its age the plan waits for by itself. */
export const lackedBy = (tank: Tank, members: readonly Member[]): Finding[] =>
  members
    .flatMap((m) => ofOne(tank, m))
    .filter((f) => f.severity === 'no' && !f.lasting && !BY_PLAN.includes(f.says.code));
/** More than one piece of coral, where none lives yet. @param there those that live in the tank by then, or came before them */
export function firstCorals(there: readonly Member[], coming: readonly Member[]): Finding[] {
  const corals = coming.filter(isCoral);
  const pieces = corals.reduce((sum, m) => sum + m.count, 0);
  if (pieces < 2 || there.some(isCoral)) return [];
  return [
    finding(
      corals.map((m) => m.id),
      { code: 'firstCorals', pieces },
    ),
  ];
}
const isCoral = ({ species }: Member): boolean => lineOf(species) === 'coral';

const BY_PLAN: readonly Finding['says']['code'][] = ['jumpsNoLid', 'youngTank'];

const wants = ({ species }: Member, need: Species['sensitivities'][number]): boolean =>
  species.sensitivities.includes(need);

/** Judged grown up: the smallest tank is that of the adult. */
function room({ glassL, lengthCm }: Tank, { id, species }: Member): Finding[] {
  const { common: name, adultCm, minTankL, minTankCm } = species;
  const found: Finding[] = [];
  if (!hasRoom(glassL, species))
    found.push(finding([id], { code: 'tooLargeForTank', name, adultCm, minTankL, glassL }));
  if (lengthCm !== null && lengthCm < minTankCm)
    found.push(finding([id], { code: 'tooLongForTank', name, adultCm, minTankCm, lengthCm }));
  return found;
}

function lid({ hasLid }: Tank, { id, species }: Member): Finding[] {
  if (hasLid) return [];
  if (species.jumps) return [finding([id], { code: 'jumpsNoLid', name: species.common })];
  return species.group === 'fish' ? [finding([id], { code: 'noLid' })] : [];
}

/** Anemones, clams, dragonets and whatever else starves in a young tank are not let in before; others had better wait. */
function age({ ageDays }: Tank, { id, species, stage }: Member): Finding[] {
  const { common: name, minTankAgeDays: wantsDays } = species;
  if (wantsDays === 0 || stage === 'here') return [];
  if (ageDays === null) return [finding([id], { code: 'ageNotSaid', name, wantsDays })];
  if (ageDays >= wantsDays) return [];
  const grave = wantsDays >= COMPANY.oldTankDays;
  return [finding([id], { code: 'youngTank', name, wantsDays, ageDays }, grave ? { severity: 'no' } : {})];
}

function warmth({ tempC }: Tank, { id, species }: Member): Finding[] {
  if (tempC === null) return [];
  const { common: name, tempC: range } = species;
  const [low, high] = range;
  const grave = (by: number) => (by > COMPANY.tempSlackC ? ({ severity: 'no' } as const) : {});
  if (tempC > high) return [finding([id], { code: 'tooWarmFor', name, tempC, high }, grave(tempC - high))];
  if (tempC < low) return [finding([id], { code: 'tooColdFor', name, tempC, low }, grave(low - tempC))];
  return [];
}

/** Sand, caves, something to graze. */
function ground({ sandKg, rockKg }: Tank, m: Member): Finding[] {
  const name = m.species.common;
  const found: Finding[] = [];
  if (wants(m, 'needs sand') && sandKg === 0) found.push(finding([m.id], { code: 'wantsSand', name }));
  if (wants(m, 'needs caves') && rockKg === 0) found.push(finding([m.id], { code: 'wantsCaves', name }));
  if (wants(m, 'needs algae')) found.push(finding([m.id], { code: 'wantsAlgae', name }));
  if (wants(m, 'needs pods')) found.push(finding([m.id], { code: 'livesOnPods', name }));
  return found;
}

function itself({ id, species, stage }: Member): Finding[] {
  const name = species.common;
  const found: Finding[] = [];
  if (stage === 'here') return found;
  if (species.hardiness === 'delicate') found.push(finding([id], { code: 'delicate', name }));
  if (species.exit === 'hard' && species.temperament === 'territorial')
    found.push(finding([id], { code: 'hardToTakeOut', name }));
  return found;
}
