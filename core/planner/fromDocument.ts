/** The problem a person's tank poses, from its log: careful where the log leaves room. */
import {
  isIn,
  isOpen,
  placeOf,
  quarantinesOf,
  waterOf,
  type Animal,
  type Display,
  type Document,
} from '../document';
import type { WaterEvidence } from '../evidence';
import { clockOf, peakOf } from '../quarantine';
import type { Assessment } from '../readiness';
import { FREE_AMMONIA } from '../seawater';
import { speciesOf, type Species } from '../species';
import { dailyLoadMgN, groupLoadMgN, loadAt, provedCapacity } from '../stocking';
import { addDays, DAY_MS, dayNumber } from '../time';
import { PLANNER } from './limits';
import { DOUBLING_DAYS, type Line, type Problem, type Wish } from './problem';

export interface PlanChoices {
  which: 'likely' | 'cautious';
  /** Days of the week with a shop, 0 Sunday; empty for any. */
  shopDays: readonly number[];
  /** Cleaners and corals may come without a quarantine of their own: a risk that is accepted. */
  withoutQuarantine: boolean;
}

/** A wish that is larger than the glass is no question of days. */
const tooBigFor = (species: Pick<Species, 'minTankL'>, netL: number): boolean =>
  species.minTankL > netL / PLANNER.glassShare;

const FRESH_WATER = { ph: 8.2, tempC: 25, salinity: 35 };
/** What stands for the display's own water where a line has no quarantine. */
const DIRECT_L = 1e5;

const lineOf = (species: Species): Line => (species.is.includes('anemone') ? 'anemone' : species.group);

const TEMPERAMENTS = { gentle: 0, firm: 1, territorial: 2 } as const;

/** The wishes a plan is made for: all that are wished for or in a quarantine, but those too big for the glass. */
export function plannedAnimals(
  doc: Document,
  display: Display,
  netL: number,
): { fits: Animal[]; tooBig: Animal[] } {
  const coming = Object.values(doc.animals)
    .filter((a) => a.homeId === display.id && !isIn(a, display.id) && placeOf(a).kind !== 'gone')
    .sort((a, b) => (a.id < b.id ? -1 : 1));
  const tooBig = coming.filter((a) => tooBigFor(speciesOf(doc, a.speciesId), netL));
  return { fits: coming.filter((a) => !tooBig.includes(a)), tooBig };
}

/** @param dayOfMs calendar day of a moment where the person is */
export function problemFor(
  doc: Document,
  display: Display,
  evidence: WaterEvidence,
  assessment: Pick<Assessment, 'fish' | 'coral'>,
  choices: PlanChoices,
  dayOfMs: (ms: number) => string,
): Problem {
  const { nowMs, netL } = evidence;
  const today = dayNumber(dayOfMs(nowMs));
  const gate = gateDay(doc, display, assessment, choices.which, today, dayOfMs);
  const animals = plannedAnimals(doc, display, netL).fits;
  const quarantines = quarantinesOf(doc, display.id).filter(isOpen);
  const recent = evidence.joined.filter((j) => nowMs - j.atMs < DOUBLING_DAYS * DAY_MS);
  const released = recent.map((j) => ({
    day: dayNumber(dayOfMs(j.atMs)),
    loadMgN: groupLoadMgN(doc, j.animal, nowMs),
  }));
  const lately = released.reduce((sum, r) => sum + r.loadMgN, 0);
  const capacity = provedCapacity(evidence)?.nearZeroNowMgN ?? Infinity;
  const limit = peakOf({ limit: { freeMgN: FREE_AMMONIA.longTerm }, ...FRESH_WATER });
  const wishes = animals.map((a) => wishOf(doc, a, nowMs));
  const direct: Line[] = choices.withoutQuarantine
    ? (['invertebrate', 'coral'] as const).filter((line) => !quarantines.some((q) => q.line === line))
    : [];
  return {
    today,
    horizonDays: PLANNER.horizonDays,
    gate,
    coralGate: coralGate(assessment, gate, today),
    filled: display.startDay === null ? today : dayNumber(display.startDay),
    hasLid: display.hasLid,
    displayLoadMgN: Math.max(0, loadAt(evidence, nowMs) - lately),
    firstStepMgN: Math.min(capacity, PLANNER.firstStepPerLitre * netL),
    settleDays: PLANNER.settleDays,
    firstSettleDays: PLANNER.firstSettleDays,
    quarantines: [
      ...quarantines.map((q) => ({
        id: q.id,
        line: q.line,
        netL: q.size.kind === 'volume' ? q.size.volumeL : dimensionsL(q.size),
        clockDays: q.clockDays,
        totalLimitMgN: q.filter === 'uncycled' ? limit * PLANNER.bareShare : limit,
        bare: q.filter === 'uncycled' ? true : null,
        testsPresent: true,
      })),
      ...direct.map((line) => ({
        id: `direct-${line}`,
        line,
        netL: DIRECT_L,
        clockDays: 0,
        totalLimitMgN: limit,
        bare: null,
        testsPresent: true,
      })),
    ],
    wishes,
    forbidden: [],
    away: awayDays(doc, nowMs, dayOfMs),
    shopDays: choices.shopDays,
    // Wishes have no price yet.
    budget: null,
    released,
    // Whoever is in a quarantine has been bought; its days count from where its clock stands now.
    fixed: animals.flatMap((a, wish) => {
      const quarantine = quarantines.findIndex((q) => q.id === waterOf(placeOf(a)));
      const water = quarantines[quarantine];
      if (!water) return [];
      const { releaseDay } = clockOf(doc, water, nowMs, dayOfMs);
      const buy = dayNumber(releaseDay ?? addDays(dayOfMs(nowMs), water.clockDays)) - water.clockDays;
      return [{ wish, buy, quarantine, release: null }];
    }),
  };
}

const dimensionsL = (size: { lengthCm: number; widthCm: number; waterHeightCm: number }): number =>
  (size.lengthCm * size.widthCm * size.waterHeightCm) / 1000;

function wishOf(doc: Document, a: Animal, nowMs: number): Wish {
  const species = speciesOf(doc, a.speciesId);
  const bought = placeOf(a).kind === 'water';
  return {
    id: a.id,
    line: lineOf(species),
    loadMgN: bought
      ? groupLoadMgN(doc, a, nowMs)
      : a.count * dailyLoadMgN(species, a.lengthCm ?? species.arrivalCm),
    price: 0,
    priority: 1,
    temperament: species.group === 'fish' ? TEMPERAMENTS[species.temperament] : null,
    crew: species.crew,
    needsTankDays: species.minTankAgeDays,
    jumps: species.jumps,
  };
}

/** Today where fish may come already, else what was last said of the proof; null where nothing was. */
function gateDay(
  doc: Document,
  display: Display,
  { fish }: Pick<Assessment, 'fish'>,
  which: PlanChoices['which'],
  today: number,
  dayOfMs: (ms: number) => string,
): number | null {
  if (fish.word === 'go' || fish.word === 'goSmall') return today;
  if (Object.values(doc.animals).some((a) => isIn(a, display.id))) return today;
  const said = Object.values(doc.forecasts)
    .filter((f) => f.waterId === display.id)
    .sort((a, b) => a.at.localeCompare(b.at))
    .pop();
  const days = which === 'likely' ? said?.p50 : said?.p90;
  if (!said || days === null || days === undefined) return null;
  return Math.max(today, dayNumber(dayOfMs(Date.parse(said.at) + days * DAY_MS)));
}

function coralGate({ coral }: Pick<Assessment, 'coral'>, gate: number | null, today: number): number | null {
  // One piece may go at once where only that is said; the plan is for the rest.
  if (coral.word === 'go') return today;
  return gate === null ? null : gate + PLANNER.coralDays;
}

const awayDays = (doc: Document, nowMs: number, dayOfMs: (ms: number) => string): [number, number][] =>
  Object.values(doc.events).flatMap((e): [number, number][] =>
    e.kind === 'away' && Date.parse(e.until) > nowMs
      ? [[dayNumber(dayOfMs(Date.parse(e.at))), dayNumber(dayOfMs(Date.parse(e.until)))]]
      : [],
  );
