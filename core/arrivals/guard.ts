/** The guard at the display: what is risked by letting an animal in now, from whatever door. It never blocks but for copper; what it asks for is a
 *  reason in words, which stays with the animal. */
import {
  companyOf,
  findingsOf,
  isLightLoad,
  membersOf,
  ofTheStay,
  paceOf,
  standingTank,
  type Member,
} from '../company';
import {
  livingIn,
  waterOf,
  type Animal,
  type Display,
  type Document,
  type Quarantine,
  type Water,
} from '../document';
import type { WaterEvidence } from '../evidence';
import { clockOf, everHeldCopper, fallowOf } from '../quarantine';
import { judgementFor, type Assessment, type Judgement } from '../readiness';
import { speciesOf, type Species } from '../species';
import type { RiskCode, StatementOf } from '../statements';
import { dailyLoadMgN, STOCKING } from '../stocking';
import { DAY_MS } from '../time';

export type Risk = StatementOf<RiskCode>;

/** What of a water's assessment the guard asks. */
type Answers = Pick<Assessment, 'fish' | 'crew' | 'coral' | 'others' | 'living'>;

/** A group, or part of one, on its way. */
export interface Newcomer {
  /** Its own identity, where it has one already. */
  id?: string;
  speciesId: string;
  /** One, where it is not said. */
  count?: number;
  /** Where it has been; empty for one that was just bought. */
  moves: Animal['moves'];
  /** Set aside at the look on arrival, and not sound yet. */
  asideSince?: string | undefined;
}

/** What is risked by letting it into a water now; nothing for a water that is no display, but copper. Worst first.
 *  @param assessment of that water; @param dayOfMs calendar day of a moment where the person is */
export function admissionRisks(
  doc: Document,
  animal: Newcomer,
  to: Water,
  assessment: Answers,
  nowMs: number,
  dayOfMs: (ms: number) => string,
): Risk[] {
  const species = speciesOf(doc, animal.speciesId);
  const risks: Risk[] = [];
  if (isCopperDeath(doc, species, to)) risks.push({ code: 'riskCopper', name: to.name });
  // Nobody is put into water that is an emergency itself, whatever it is for.
  if (to.kind !== 'display')
    return assessment.living?.word === 'actNow'
      ? [...risks, { code: 'riskDisplay', name: to.name, word: 'actNow' }]
      : risks;
  if (animal.asideSince !== undefined) risks.push({ code: 'riskAside', day: animal.asideSince });
  const fallow = species.group === 'fish' ? fallowOf(doc, to, nowMs, dayOfMs) : null;
  if (fallow && !fallow.over)
    risks.push({ code: 'riskFallow', name: to.name, day: fallow.day, of: fallow.of });
  risks.push(...ofTheWayHere(doc, animal, nowMs, dayOfMs));
  const { word, reason } = judgementFor(species, assessment);
  const isLight = reason.code === 'stepSettling' && isLightLoad({ species, count: animal.count ?? 1 });
  const isSaid =
    isLight ||
    reason.code === 'fishFallow' ||
    reason.code === 'outbreakFishIn' ||
    reason.code === 'glassFitsNobody';
  if (word !== 'go' && word !== 'goSmall' && !isSaid)
    risks.push({ code: 'riskDisplay', name: to.name, word, ...ofTheFilm(reason.code) });
  if (species.jumps && !to.hasLid) risks.push({ code: 'riskNoLid', name: species.common });
  risks.push(...ofTheCompany(doc, animal, species, to, dayOfMs(nowMs)));
  if (species.is.includes('anemone') && to.intakesGuarded !== true)
    risks.push({ code: 'riskIntakes', name: to.name });
  return risks;
}

/** Where more cleaners wait for film, and the water for nothing. */
const ofTheFilm = (code: Judgement['reason']['code']) =>
  code === 'crewUnfed' || code === 'crewStarving' || code === 'crewLately' ? { crew: code } : {};

/** For a fish among those that are let in together: they are more than one or a pair, where none lives yet. */
export function firstFishRisk(
  doc: Document,
  one: Newcomer,
  together: readonly Newcomer[],
  to: Water,
): Risk[] {
  const isFish = ({ speciesId }: Pick<Newcomer, 'speciesId'>) => speciesOf(doc, speciesId).group === 'fish';
  if (to.kind !== 'display' || !isFish(one)) return [];
  const count = together.filter(isFish).reduce((sum, a) => sum + (a.count ?? 1), 0);
  return count <= STOCKING.firstFish || livingIn(doc, to.id).some(isFish)
    ? []
    : [{ code: 'riskDisplay', name: to.name, word: 'goSmall', fish: count }];
}

/** For one among those that are put into a quarantine together: who of them, or of those in it, it cannot be with for weeks. */
export function stayRisks(
  doc: Document,
  one: Newcomer,
  together: readonly Newcomer[],
  to: Water,
  today: string,
): Risk[] {
  if (to.kind !== 'quarantine') return [];
  const asMember = ({ speciesId, count = 1 }: Newcomer, id: string): Member => ({
    id,
    species: speciesOf(doc, speciesId),
    count,
    stage: 'coming',
  });
  const others = [
    ...membersOf(doc, to).filter((m) => m.id !== one.id),
    ...together.filter((a) => a !== one).map((a, i) => asMember(a, `beside ${i}`)),
  ];
  return findingsOf(ofTheStay(standingTank(to, today), [asMember(one, 'one'), ...others]), 'one').map(
    ({ says }) => ({ code: 'riskCompany', finding: says }),
  );
}

/** For one among those that are let in together: all they bring is more than the filter carries, or than ammonia stays low under.
 *  @param e of the display they go to */
export function loadRisks(
  doc: Document,
  one: Newcomer,
  together: readonly Newcomer[],
  e: WaterEvidence,
  assessment: Pick<Assessment, 'freeAmmonia'>,
  dayOfMs: (ms: number) => string,
): Risk[] {
  const asMember = ({ speciesId, count = 1 }: Newcomer) => ({ species: speciesOf(doc, speciesId), count });
  const { species, count } = asMember(one);
  const ownMgN = count * dailyLoadMgN(species, species.arrivalCm);
  if (e.water.kind !== 'display' || ownMgN <= STOCKING.heavyMgN) return [];
  return paceOf(e, assessment, together.map(asMember), dayOfMs).warnings.flatMap(({ says }): Risk[] =>
    says.code === 'overCeiling' || says.code === 'ammoniaPeak' ? [{ code: 'riskLoad', finding: says }] : [],
  );
}

/** What goes wrong as things stand: too large for the glass, a rival, eater or eaten of those at home; a tank too young for it, or without its sand. */
function ofTheCompany(
  doc: Document,
  { id = '', count = 1 }: Newcomer,
  species: Species,
  to: Display,
  today: string,
): Risk[] {
  const home = membersOf(doc, to).filter((m) => m.stage === 'here' && m.id !== id);
  const found = companyOf(standingTank(to, today), [...home, { id, species, count, stage: 'wish' }]);
  return findingsOf(found, id)
    .filter((f) => f.severity === 'no' && f.says.code !== 'jumpsNoLid')
    .map((f) => ({ code: 'riskCompany', finding: f.says }));
}

/** Copper kills invertebrates and corals, and a water that held it gives it back for years: the one thing that is refused. */
export const isCopperDeath = (doc: Document, species: Species, to: Water): boolean =>
  species.group !== 'fish' && everHeldCopper(doc, to.id);

/** Did it pass its quarantine? What counts is the clock on the day it left: a bucket on the way is no other water. */
function ofTheWayHere(
  doc: Document,
  { moves }: Newcomer,
  nowMs: number,
  dayOfMs: (ms: number) => string,
): Risk[] {
  const stays = moves.map((m, i) => ({
    water: doc.waters[waterOf(m.to) ?? ''],
    untilMs: i + 1 < moves.length ? Date.parse((moves[i + 1] as Animal['moves'][number]).at) : nowMs,
  }));
  const last = stays.filter((s) => s.water?.kind !== 'holding').pop();
  if (last?.water?.kind === 'display') return [{ code: 'riskOtherDisplay', name: last.water.name }];
  if (last?.water?.kind !== 'quarantine' || nowMs - last.untilMs > DAY_MS)
    return [{ code: 'riskNoQuarantine' }];
  return ofTheClock(doc, last.water, Math.min(nowMs, last.untilMs), dayOfMs);
}

function ofTheClock(
  doc: Document,
  quarantine: Quarantine,
  atMs: number,
  dayOfMs: (ms: number) => string,
): Risk[] {
  const clock = clockOf(doc, quarantine, atMs, dayOfMs);
  const { name } = quarantine;
  if (clock.status === 'signPresent') {
    const day = clock.strings[clock.strings.length - 1]?.broken?.day ?? dayOfMs(atMs);
    return [{ code: 'riskSign', name, day }];
  }
  if (clock.status === 'complete') return [];
  return [{ code: 'riskClock', name, day: clock.clockDay, of: clock.clockDays }];
}
