/** The problem a person's tank poses, from its log: careful where the log leaves room. */
import {
  asWanted,
  isOpen,
  placeOf,
  priorities,
  quarantinesOf,
  waterOf,
  type Animal,
  type Display,
  type Document,
  type Quarantine,
  type SaidPlan,
} from '../document';
import { isCopperDeath } from '../arrivals';
import { apartOf, lineOf, membersOf, tankOf, type Apart } from '../company';
import { lastFedMs, type WaterEvidence } from '../evidence';
import { animalMoney } from '../money';
import { clockOf, everHeldCopper, fallowOf } from '../quarantine';
import { QUARANTINE } from '../quarantine/limits';
import { LIVING } from '../living';
import { EVIDENCE_GATES, type Assessment } from '../readiness';
import { freeAmmoniaFraction } from '../seawater';
import { speciesOf } from '../species';
import type { Statement } from '../statements';
import { RULES } from '../readiness/limits';
import {
  dailyLoadMgN,
  firstStepOf,
  grownCm,
  groupLoadMgN,
  provedCapacity,
  STOCKING,
  usualLoadAt,
} from '../stocking';
import { addDays, compared, DAY_MS, dayNumber, daysBetween } from '../time';
import { isFewFirst, starterCrew, withFew } from './first';
import { PLANNER } from './limits';
import { DOUBLING_DAYS, type FixedStep, type Line, type Problem, type Wish } from './problem';
import { USUAL_QUARANTINE } from './usual';

/** What the person chose for the plan of a display. */
export type PlanChoices = NonNullable<Display['stocking']>;

/** Nothing chosen: any day, no limit, a look each day, everybody through a quarantine. */
const NOT_CHOSEN: PlanChoices = {
  which: 'likely',
  shopDays: [],
  budget: null,
  looksAWeek: 7,
  direct: null,
};
export const choicesOf = (display: Display): PlanChoices => display.stocking ?? NOT_CHOSEN;

/** What stands for the display's own water where a line has no quarantine. */
const DIRECT_L = 1e5;

const TEMPERAMENTS = { gentle: 0, firm: 1, territorial: 2 } as const;

export interface Planned {
  /** Wished for or in a quarantine, in the order of the problem's wishes. */
  animals: Animal[];
  /** Wishes that are no question of days: too large, not to be with those at home, or killed by copper; and what says so. */
  never: { animal: Animal; says: Statement }[];
  /** Of the wishes those that may not both come. */
  pairs: Apart['pairs'];
}

/** Who a plan is made for, and who is in none. Whoever is bought already is planned, whatever speaks against it. */
export function plannedAnimals(
  doc: Document,
  display: Display,
  evidence: WaterEvidence,
  dayOfMs: (ms: number) => string,
): Planned {
  const members = membersOf(doc, display);
  const apart = apartOf(
    tankOf(evidence, dayOfMs),
    members.filter((m) => m.stage !== 'wish'),
    members.filter((m) => m.stage === 'wish'),
  );
  const coming = asWanted(
    members.flatMap((m) => {
      const animal = doc.animals[m.id];
      return animal && m.stage !== 'here' ? [animal] : [];
    }),
  );
  const never = coming.flatMap((animal): Planned['never'] => {
    if (isCopperDeath(doc, speciesOf(doc, animal.speciesId), display))
      return [{ animal, says: { code: 'riskCopper', name: display.name } }];
    const finding = apart.never.get(animal.id);
    return finding ? [{ animal, says: finding.says }] : [];
  });
  const isNever = new Set(never.map(({ animal }) => animal.id));
  return { animals: coming.filter((a) => !isNever.has(a.id)), never, pairs: apart.pairs };
}

/** As animals grow by the minute, and bacteria fade: within the hour it is the same problem, of which the plan may be known. */
const rounded = (mgN: number): number => Math.round(mgN * 1000) / 1000;

/** @param dayOfMs calendar day of a moment where the person is */
export function problemFor(
  doc: Document,
  display: Display,
  evidence: WaterEvidence,
  assessment: Pick<Assessment, 'gates' | 'others' | 'living' | 'coral' | 'freeAmmonia'>,
  { animals, pairs }: Planned,
  dayOfMs: (ms: number) => string,
): Problem {
  const { nowMs, netL } = evidence;
  const choices = choicesOf(display);
  const clock = (days: number) => stayDays(days, choices.looksAWeek);
  const today = dayNumber(dayOfMs(nowMs));
  const nearZeroMgN = provedCapacity(evidence)?.nearZeroNowMgN ?? null;
  const capacity = nearZeroMgN === null ? null : Number(nearZeroMgN.toPrecision(3));
  const gate = evidence.emptied
    ? null
    : gateDay(doc, display, assessment, nearZeroMgN !== null, choices.which, today, dayOfMs);
  const quarantines = quarantinesOf(doc, display.id).filter(isOpen);
  const recent = evidence.joined.filter((j) => nowMs - j.atMs < DOUBLING_DAYS * DAY_MS);
  const released = recent.map((j) => ({
    day: dayNumber(dayOfMs(j.atMs)),
    loadMgN: rounded(groupLoadMgN(doc, j.animal, nowMs)),
  }));
  const lately = released.reduce((sum, r) => sum + r.loadMgN, 0);
  const before = planBefore(doc.plans, display.id, dayOfMs(nowMs), dayOfMs);
  const told = before ? toldOf(before, animals) : [];
  const absent = before ? absentSince(before, today, dayOfMs) : 0;
  const wanted = priorities(animals);
  const starters = starterCrew(doc, evidence, animals);
  const direct: Line[] =
    choices.direct !== null
      ? (['invertebrate', 'coral'] as const).filter((line) => !quarantines.some((q) => q.line === line))
      : [];
  const at = (id: string) => animals.findIndex((a) => a.id === id);
  const waters = [
    ...quarantines.map((q) => ({
      id: q.id,
      line: q.line,
      netL: q.size.kind === 'volume' ? q.size.volumeL : dimensionsL(q.size),
      clockDays: clock(q.clockDays),
      totalLimitMgN: limitOf(doc, q),
      // Days that nobody looks do not count; what is bare is never left alone.
      bare: q.filter === 'uncycled',
      unbrokenDays: QUARANTINE.unbrokenDays,
      testsPresent: true,
    })),
    ...direct.map((line) => ({
      id: `direct-${line}`,
      line,
      netL: DIRECT_L,
      clockDays: 0,
      totalLimitMgN: USUAL_QUARANTINE.totalLimitMgN,
      bare: null,
      sameDay: true as const,
      testsPresent: true,
    })),
  ];
  const fixed = [
    ...animals.flatMap((a, wish) => {
      const toldBuy = told.find((t) => t.wish === wish)?.buy;
      const keeps = toldBuy === undefined ? null : toldBuy + absent;
      return boughtStep(doc, a, wish, quarantines, choices.looksAWeek, keeps, nowMs, dayOfMs);
    }),
    ...animals.flatMap((a, wish) => heldStep(a, wish, lineOf(speciesOf(doc, a.speciesId)), waters, today)),
  ];
  const wishes = withFew(
    animals.map((a, i) =>
      wishOf(
        doc,
        a,
        { priority: wanted.get(a.id) as number, crew: starters.has(a.id) },
        nowMs + DAY_MS * daysInQuarantine(i, lineOf(speciesOf(doc, a.speciesId)), waters, fixed, today),
        nowMs,
      ),
    ),
    animals.map((a) => a.count),
    display.hasLid,
  );
  return {
    today,
    horizonDays: PLANNER.horizonDays,
    gate,
    coralGate: evidence.emptied ? null : coralGate(evidence, assessment, gate, today, dayOfMs),
    ...fishGate(doc, display, nowMs, dayOfMs),
    filled: display.startDay === null ? today : dayNumber(display.startDay),
    hasLid: display.hasLid,
    displayLoadMgN: rounded(Math.max(0, usualLoadAt(evidence, nowMs) - lately)),
    ...firstStep(evidence, today, firstInOn(wishes, waters, fixed, gate, today), dayOfMs),
    settleDays: PLANNER.settleDays,
    firstSettleDays: hadLoadBefore(evidence) ? PLANNER.settleDays : PLANNER.firstSettleDays,
    quarantines: waters,
    wishes,
    forbidden: pairs.map(({ ids: [a, b] }) => [at(a), at(b)]),
    away: awayDays(doc, nowMs, dayOfMs),
    shopDays: choices.shopDays,
    budget: choices.budget,
    spentThisMonth: animalMoney(doc, display, nowMs, (ms) => dayOfMs(ms).slice(0, 7)).spentThisMonth,
    released,
    fixed,
    told,
    fewFirst: isFewFirst(doc, display, wishes, fixed),
    water: {
      nearZeroMgN: capacity,
      netL,
      freeShare:
        assessment.freeAmmonia?.fraction ??
        freeAmmoniaFraction(LIVING.assumedPh, LIVING.assumedTempC, LIVING.assumedSalinity),
    },
  };
}

/** Fewer looks see less: the clock takes so much longer. */
const stayDays = (days: number, looksAWeek: number): number => Math.ceil((days * 7) / looksAWeek);

/** The first load of all came before those that the plan counts as released: what it lets in next is no first one. */
const hadLoadBefore = ({ joined, nowMs, ...e }: WaterEvidence): boolean =>
  joined.some(
    (j) => nowMs - j.atMs >= DOUBLING_DAYS * DAY_MS && groupLoadMgN(e, j.animal, j.atMs) > STOCKING.heavyMgN,
  );

/** The first step, and how it fades. Until somebody is in the filter is fed every other week, and shows again what it has shown; from then on it keeps
 *  what lives on it.
 *  @param firstIn the soonest day on which any of them could be in */
function firstStep(
  evidence: WaterEvidence,
  today: number,
  firstIn: number,
  dayOfMs: (ms: number) => string,
): Pick<Problem, 'firstStepMgN' | 'fades'> {
  const { nowMgN, carriesMgN, keptMgN } = firstStepOf(evidence);
  const perDay = STOCKING.fadePerDay;
  const shown = evidence.isInhabited ? null : provedCapacity(evidence);
  const from = shown ? firstIn : today;
  const fedMs = Math.max(lastFedMs(evidence) ?? 0, shown?.provedMs ?? 0);
  const unfed = shown ? (from - dayNumber(dayOfMs(fedMs))) % RULES.feedAgainDays : 0;
  const ofMgN = shown ? shown.nearZeroProvedMgN * Math.exp(-perDay * unfed) : carriesMgN;
  return {
    firstStepMgN: rounded(nowMgN),
    fades: { ofMgN: rounded(Math.max(ofMgN, keptMgN)), toMgN: rounded(keptMgN), from, perDay },
  };
}

function firstInOn(
  wishes: readonly Wish[],
  waters: Problem['quarantines'],
  fixed: readonly FixedStep[],
  gate: number | null,
  today: number,
): number {
  const days = fixed.map((f) => f.release ?? f.buy + (waters[f.quarantine]?.clockDays ?? 0));
  for (const q of waters)
    if (wishes.some((w, i) => w.line === q.line && !fixed.some((f) => f.wish === i)))
      days.push(today + q.clockDays);
  return Math.max(today, gate ?? today, days.length > 0 ? Math.min(...days) : today);
}

/** The plan of an earlier day, of those that are still planned. */
const toldOf = (before: SaidPlan, animals: readonly Animal[]): NonNullable<Problem['told']> =>
  before.steps.flatMap((s) => {
    const wish = animals.findIndex((a) => a.id === s.animalId);
    return wish < 0 ? [] : [{ wish, buy: dayNumber(s.buyDay), release: dayNumber(s.releaseDay) }];
  });

/** Days of absence that the plan of an earlier day left out of each clock, and that have passed since. */
function absentSince(before: SaidPlan, today: number, dayOfMs: (ms: number) => string): number {
  const from = dayNumber(dayOfMs(Date.parse(before.at)));
  const passed = Array.from({ length: today - from }, (_, i) => from + i);
  return passed.filter((d) => before.away.some(([a, b]) => dayNumber(a) <= d && d <= dayNumber(b))).length;
}

/** The newest plan that was made before a day. @param dayOfMs calendar day of a moment where the person is */
export const planBefore = (
  plans: Document['plans'],
  waterId: string,
  today: string,
  dayOfMs: (ms: number) => string,
): SaidPlan | undefined =>
  Object.values(plans)
    .filter((p) => p.waterId === waterId && dayOfMs(Date.parse(p.at)) < today)
    .sort((a, b) => compared(a.at, b.at))
    .pop();

/** What a quarantine's water may come to, mg N/L: a bare one half as much, and one that held copper nothing for all but fish. */
function limitOf(doc: Document, { id, line, filter }: Quarantine): number {
  if (line !== 'fish' && everHeldCopper(doc, id)) return 0;
  return USUAL_QUARANTINE.totalLimitMgN * (filter === 'uncycled' ? PLANNER.bareShare : 1);
}

/** Whoever is in a quarantine has been bought; its days count from where its clock stands now. Only who came today, and all well, may be joined.
 *  @param toldBuy the day of purchase that was reckoned back to when the plan was told last, with what was left out of the clock since: it stays while
 *  no more looks are missing, or were made besides, than a week may lack, but nobody is let in before its clock is over */
function boughtStep(
  doc: Document,
  a: Animal,
  wish: number,
  quarantines: readonly Quarantine[],
  looksAWeek: number,
  toldBuy: number | null,
  nowMs: number,
  dayOfMs: (ms: number) => string,
): FixedStep[] {
  const quarantine = quarantines.findIndex((q) => q.id === waterOf(placeOf(a)));
  const water = quarantines[quarantine];
  if (!water) return [];
  const { releaseDay, status } = clockOf(doc, water, nowMs, dayOfMs);
  const today = dayOfMs(nowMs);
  const left = releaseDay === null ? water.clockDays : daysBetween(today, releaseDay);
  const soonest = dayNumber(today) + left - stayDays(water.clockDays, looksAWeek);
  // What is left of it takes as much longer as the whole, but for its last days: on each of those somebody looks.
  const reckoned = soonest + (left > QUARANTINE.unbrokenDays ? stayDays(left, looksAWeek) - left : 0);
  const keeps = toldBuy !== null && left > 0 && Math.abs(toldBuy - reckoned) <= 7 - looksAWeek;
  const buy = keeps ? Math.max(soonest, toldBuy) : reckoned;
  const cameToday = dayOfMs(Date.parse(a.moves.at(-1)?.at ?? '')) === today;
  return [{ wish, buy, quarantine, release: null, closed: !cameToday || status === 'signPresent' }];
}

/** Wishes whose day of purchase was set and has passed: what no log holds was not bought. They are planned as if no day were set.
 *  @param today calendar day */
export const missedPurchases = (animals: readonly Animal[], today: string): Animal[] =>
  animals.filter((a) => placeOf(a).kind === 'wish' && a.wish?.held && a.wish.held.buyDay < today);

/** The last day that a plan of today looks at. */
export const planReaches = (today: string): string => addDays(today, PLANNER.horizonDays);

/** Days the person has set: in the quarantine named, else the first of its line. */
function heldStep(
  a: Animal,
  wish: number,
  line: Line,
  waters: Problem['quarantines'],
  today: number,
): FixedStep[] {
  const { held } = a.wish ?? {};
  if (!held || placeOf(a).kind !== 'wish' || dayNumber(held.buyDay) < today) return [];
  const named = waters.findIndex((q) => q.id === held.quarantineId);
  const quarantine = named >= 0 ? named : waters.findIndex((q) => q.line === line);
  if (quarantine < 0) return [];
  const release = held.releaseDay === null ? null : dayNumber(held.releaseDay);
  return [{ wish, buy: dayNumber(held.buyDay), quarantine, release }];
}

const dimensionsL = (size: { lengthCm: number; widthCm: number; waterHeightCm: number }): number =>
  (size.lengthCm * size.widthCm * size.waterHeightCm) / 1000;

/** Days until it is released: what is left of its stay, or the longest clock of its line. */
function daysInQuarantine(
  wish: number,
  line: Line,
  waters: Problem['quarantines'],
  fixed: readonly FixedStep[],
  today: number,
): number {
  const own = fixed.find((f) => f.wish === wish);
  if (own) return Math.max(0, (own.release ?? own.buy + (waters[own.quarantine]?.clockDays ?? 0)) - today);
  return Math.max(0, ...waters.filter((q) => q.line === line).map((q) => q.clockDays));
}

/** @param releaseMs it brings as much as by then: it grows in its quarantine, too */
function wishOf(
  doc: Document,
  a: Animal,
  { priority, crew }: Pick<Wish, 'priority' | 'crew'>,
  releaseMs: number,
  nowMs: number,
): Wish {
  const species = speciesOf(doc, a.speciesId);
  const bought = placeOf(a).kind === 'water';
  const bringsMgN = bought
    ? groupLoadMgN(doc, a, releaseMs)
    : a.count *
      dailyLoadMgN(species, grownCm(species, a.lengthCm ?? species.arrivalCm, (releaseMs - nowMs) / DAY_MS));
  return {
    id: a.id,
    line: lineOf(species),
    loadMgN: rounded(bringsMgN),
    price: bought ? 0 : (a.wish?.price ?? 0),
    priority,
    temperament: species.group === 'fish' ? TEMPERAMENTS[species.temperament] : null,
    crew,
    needsTankDays: species.minTankAgeDays,
    jumps: species.jumps,
  };
}

/** Is a display not yet ready for its first animals, so that a plan goes by what is forecast? */
export const isStartAhead = ({ others, living }: Pick<Assessment, 'others' | 'living'>): boolean =>
  others.word !== 'go' && others.word !== 'goSmall' && living === null;

/** Today where fish may come already; tomorrow where the filter is proved, and the rest is a matter of days; else what was last said of the proof,
 *  tomorrow at the earliest; null where nothing was. */
function gateDay(
  doc: Document,
  display: Display,
  assessment: Pick<Assessment, 'others' | 'living'>,
  isProved: boolean,
  which: PlanChoices['which'],
  today: number,
  dayOfMs: (ms: number) => string,
): number | null {
  if (!isStartAhead(assessment)) return today;
  if (isProved) return today + 1;
  const said = Object.values(doc.forecasts)
    .filter((f) => f.waterId === display.id)
    .sort((a, b) => compared(a.at, b.at))
    .pop();
  const days = which === 'likely' ? said?.p50 : said?.p90;
  if (!said || days === null || days === undefined) return null;
  return Math.max(today + 1, dayNumber(dayOfMs(Date.parse(said.at) + days * DAY_MS)));
}

/** No fish before a display has stood without them for long enough, where an outbreak was logged; null while any is still in. */
function fishGate(
  doc: Document,
  display: Display,
  nowMs: number,
  dayOfMs: (ms: number) => string,
): Pick<Problem, 'fishGate'> {
  const fallow = fallowOf(doc, display, nowMs, dayOfMs);
  if (!fallow || fallow.over) return {};
  return { fishGate: fallow.overDay === null ? null : dayNumber(fallow.overDay) };
}

/** Corals wait longer than fish: so long after the water was clear, and after a first piece, and for the day of the fish; not for that in the school
 *  that lets them in first. While something in the water speaks against one, tomorrow at the earliest. */
function coralGate(
  evidence: WaterEvidence,
  { gates, coral }: Pick<Assessment, 'gates' | 'coral'>,
  gate: number | null,
  today: number,
  dayOfMs: (ms: number) => string,
): number | null {
  const { water, joined } = evidence;
  const isFirst = water.kind === 'display' && water.school === 'coralsFirst';
  if (gate === null && !isFirst) return null;
  const readyMs = readySinceMs(evidence, gates);
  if (readyMs === null) return gate === null ? null : gate + (isFirst ? 0 : PLANNER.coralDays);
  const piece = joined.find(({ animal }) => lineOf(speciesOf(evidence, animal.speciesId)) === 'coral');
  const waited = [readyMs, ...(piece ? [piece.atMs] : [])].map(
    (ms) => dayNumber(dayOfMs(ms)) + PLANNER.coralDays,
  );
  const soonest = coral.word === 'wait' ? today + 1 : today;
  return Math.max(soonest, isFirst || gate === null ? soonest : gate, ...waited);
}

/** When the water was clear, as its last gate before the proof opened, for a proof may be shown anew; where animals came before that was shown, as they
 *  came; null where it is still to be. */
function readySinceMs({ joined, unnamedSince }: WaterEvidence, gates: Assessment['gates']): number | null {
  const shown = gates.filter((g) => g.id !== 'proof' && EVIDENCE_GATES.includes(g.id)).map((g) => g.passedMs);
  if (shown.length > 0 && !shown.includes(null)) return Math.max(...shown.map(Number));
  const [first] = joined;
  if (first) return first.atMs;
  return unnamedSince === null ? null : Date.parse(unnamedSince);
}

/** From today on: days away before it are not among those that a clock has counted. */
const awayDays = (doc: Document, nowMs: number, dayOfMs: (ms: number) => string): [number, number][] => {
  const dayAt = (ms: number) => dayNumber(dayOfMs(ms));
  return Object.values(doc.events).flatMap((e): [number, number][] =>
    e.kind === 'away' && Date.parse(e.until) > nowMs
      ? [[Math.max(dayAt(Date.parse(e.at)), dayAt(nowMs)), dayAt(Date.parse(e.until))]]
      : [],
  );
};
