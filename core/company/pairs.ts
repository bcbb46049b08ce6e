/** What two kinds are to each other. Each rule is asked both ways round. */
import type { PreyKind, Species } from '../species';
import { finding, type Finding } from './finding';
import { COMPANY } from './limits';
import type { Member, Tank } from './member';
import { hasRoom } from '../volume';

/** Findings of a pair of different kinds in a tank. */
export function ofTwo(tank: Tank, a: Member, b: Member): Finding[] {
  return [
    ...rivalry(tank, a, b),
    ...eating(a, b),
    ...eating(b, a),
    ...order(a, b),
    ...order(b, a),
    ...pods(tank, a, b),
    ...water(a, b),
  ];
}

const genusOf = (s: Species): string => s.scientific.split(' ')[0] ?? '';

/** Clownfish live in pairs, and a pair that has grown up drives off all others, however large the glass. */
const NEVER_TWO_KINDS = 'clownfish';

/** Two who claim the same ground bear each other only where each finds its own: a glass as large as both ask for together, and neither
 *  of them territorial. Then the gentler first, or both on one day. */
function rivalry({ glassL }: Tank, a: Member, b: Member): Finding[] {
  const [one, two] = [a.species, b.species];
  const names = { name: one.common, other: two.common };
  const key = one.rivalKey;
  const hot = one.temperament === 'territorial' || two.temperament === 'territorial';
  const anywhere = hot || (key === NEVER_TWO_KINDS && key === two.rivalKey);
  const room = hasRoom(glassL, { minTankL: one.minTankL + two.minTankL });
  const as = room && !anywhere ? ({ severity: 'onlyIf', lasting: false } as const) : {};
  if (key !== null && key === two.rivalKey)
    return [finding([a.id, b.id], { code: 'rival', ...names, ground: key, anywhere }, as)];
  const genus = genusOf(one);
  if (one.rivalGenus && two.rivalGenus && genus !== '' && genus === genusOf(two))
    return [finding([a.id, b.id], { code: 'sameGenus', ...names, genus, anywhere }, as)];
  return [];
}

const PREY: Record<PreyKind, Species['is'][number]> = {
  snails: 'snail',
  shrimp: 'shrimp',
  crabs: 'crab',
  smallFish: 'smallFish',
  worms: 'worm',
  clams: 'clam',
  corals: 'coral',
  softCorals: 'soft',
  zoanthids: 'zoanthid',
  fleshyCorals: 'fleshy',
  smallPolypCorals: 'smallPolyp',
};

/** Clownfish live in anemones, and shrimps and crabs of anemones on them. */
const sheltered = (anemone: Species, guest: Species): boolean =>
  anemone.is.includes('anemone') && (guest.rivalKey === 'clownfish' || /anemone/i.test(guest.common));

/** What is not safe with others of ours, or swallows a small fish whole, is a no; who may nip is watched. To whoever eats small fish any
 *  fish is one that is a mouthful to it. */
function eating(eater: Member, prey: Member): Finding[] {
  const [one, two] = [eater.species, prey.species];
  const isMouthful = two.group === 'fish' && one.adultCm >= COMPANY.mouthfulTimes * two.adultCm;
  const kind = one.eats.find((k) => two.is.includes(PREY[k]) || (k === 'smallFish' && isMouthful));
  if (!kind || sheltered(one, two)) return [];
  const swallows = kind === 'smallFish' && isMouthful && two.is.includes('smallFish');
  const as = one.reefSafe === 'no' || swallows ? ({ severity: 'no' } as const) : {};
  return [finding([eater.id, prey.id], { code: 'eats', name: one.common, other: two.common }, as)];
}

const COMING = { here: 0, coming: 1, wish: 2 } as const;

/** A territorial fish that is at home already makes it hard for whoever comes later; of two still to come the gentler is first. */
function order(a: Member, b: Member): Finding[] {
  const [one, two] = [a.species, b.species];
  if (one.group !== 'fish' || two.group !== 'fish' || one.temperament !== 'territorial') return [];
  if (two.temperament === 'territorial' && (a.stage !== 'here' || b.stage === 'here')) return [];
  if (b.stage === 'here') return [];
  if (COMING[a.stage] < COMING[b.stage])
    return [finding([a.id, b.id], { code: 'lateComer', name: one.common, other: two.common })];
  return [finding([a.id, b.id], { code: 'firstThen', name: two.common, other: one.common })];
}

const podEater = (s: Species): boolean => s.sensitivities.includes('needs pods');

function pods({ glassL }: Tank, a: Member, b: Member): Finding[] {
  if (!podEater(a.species) || !podEater(b.species) || glassL >= 2 * COMPANY.podsEachL) return [];
  const names = { name: a.species.common, other: b.species.common };
  return [finding([a.id, b.id], { code: 'podsShared', ...names, eachL: COMPANY.podsEachL })];
}

function water(a: Member, b: Member): Finding[] {
  const low = Math.max(a.species.tempC[0], b.species.tempC[0]);
  const high = Math.min(a.species.tempC[1], b.species.tempC[1]);
  if (high > low) return [];
  return [finding([a.id, b.id], { code: 'noCommonWater', name: a.species.common, other: b.species.common })];
}
