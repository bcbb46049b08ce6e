/** The judgement of a water, two answers apart: how it is for those who live in it, and what may be added, kind by kind. */
import { isOpen, type Document, type Parameter } from '../document';
import {
  gatherEvidence,
  isOfDisplay,
  keptShare,
  lastOf,
  trusted,
  zerosSince,
  type DisplayEvidence,
  type WaterEvidence,
} from '../evidence';
import { ask, freeAmmonia, isFresh, judgeLiving, note, URGENCY, type Living } from '../living';
import { clockOf, fallowOf, homeFallowOf, type Fallow, type QuarantineClock } from '../quarantine';
import type { GateId, Statement } from '../statements';
import { UTC, type LocalTime } from '../time';
import { emptyAlarms, instrumentFindings, type Alarm } from './alarms';
import { coralJudgement } from './coral';
import { crewJudgement } from './crew';
import { dueTests } from './due';
import { ASKS_FOR_DOSE } from './feeding';
import { loadJoined } from './found';
import type { Assessment, Judgement } from './judgement';
import { withinGlass } from './glass';
import { RULES } from './limits';
import { servingJudgement } from './serving';
import { unfedFilter } from './unfed';
import { EVIDENCE_GATES, walkGates, type Walk } from './walk';

/** What the gate the tank stands at needs measured within the last three days before a "go". */
const NEEDED: Partial<Record<GateId, readonly Parameter[]>> = {
  ammoniaFalling: ['ammonia'],
  nitriteFalling: ['ammonia', 'nitrite'],
  bothClear: ['ammonia', 'nitrite'],
  settle: ['ammonia', 'nitrite'],
  film: ['ammonia', 'nitrite'],
  proof: ['ammonia', 'nitrite'],
  reset: ['ammonia', 'nitrite'],
  firstAnimals: ['ammonia', 'nitrite', 'salinity', 'temperature', 'alkalinity'],
  nextStep: ['ammonia', 'salinity', 'temperature'],
};

/** Judges a water at a moment: a display by its school, any other by what is in it. Rules are safe by construction: doubt, age and absence
 *  of a reading turn a go into a test.
 *  @param local the calendar and the clock where the person is
 *  @throws RangeError when the water is not in the document. */
export function assessWater(
  doc: Document,
  waterId: string,
  nowMs: number,
  local: LocalTime = UTC,
): Assessment {
  return assessmentOf(doc, gatherEvidence(doc, waterId, nowMs), nowMs, local);
}

/** The same for evidence already gathered. */
export function assessmentOf(doc: Document, e: WaterEvidence, nowMs: number, local: LocalTime): Assessment {
  if (isOfDisplay(e)) {
    const fallow = fallowOf(doc, e.water, e.nowMs, local.dayOf);
    return withinGlass(withFallow(emptied(assess(e, local), e), fallow), e);
  }
  const clock = e.water.kind === 'quarantine' ? clockOf(doc, e.water, nowMs, local.dayOf) : null;
  const fallow = e.water.kind === 'quarantine' ? homeFallowOf(doc, e.water, e.nowMs, local.dayOf) : null;
  return assessServing(e, clock, fallow, local);
}

/** A glass whose rock and media went into another has shown nothing: whatever its gates were, nobody goes in, and nothing is asked of it. */
function emptied(assessment: Assessment, e: DisplayEvidence): Assessment {
  if (!e.emptied) return assessment;
  const { atMs, into } = e.emptied;
  const gone: Judgement = {
    word: 'wait',
    reason: { code: 'filterMoved', atMs, into },
    opens: { code: 'enterItAnew' },
  };
  const gates = assessment.gates.map((g) => (g.status === 'here' ? { ...g, finding: gone.reason } : g));
  return { ...assessment, gates, fish: gone, crew: gone, coral: gone, others: gone, alarms: [], due: [] };
}

/** After an outbreak no fish is let in, whatever the filter carries; all else is judged as ever. */
function withFallow(assessment: Assessment, fallow: Fallow | null): Assessment {
  const { word } = assessment.fish;
  if (!fallow || fallow.over || (word !== 'go' && word !== 'goSmall')) return assessment;
  return { ...assessment, fish: noFish(fallow) };
}

const noFish = ({ day, of, overDay }: Fallow): Judgement =>
  overDay === null
    ? { word: 'wait', reason: { code: 'outbreakFishIn' }, opens: { code: 'allFishOut', of } }
    : {
        word: 'wait',
        reason: { code: 'fishFallow', day, of },
        opens: { code: 'fishFallowUntil', day: overDay },
      };

/** Fish whose own clock is over, or will be sooner, wait for their display all the same. */
function untilHomeIsFree(judgement: Judgement, fallow: Fallow | null): Judgement {
  if (!fallow) return judgement;
  if (judgement.reason.code === 'quarantineFree') return noFish(fallow);
  const { opens } = judgement;
  const { overDay } = fallow;
  return opens.code === 'quarantineFreeOn' && overDay !== null && overDay > opens.day
    ? { ...judgement, opens: { code: 'fishFallowUntil', day: overDay } }
    : judgement;
}

/** Judges a display by its school. */
export function assess(e: DisplayEvidence, local: LocalTime = UTC): Assessment {
  const walk = walkGates(e, local.dayOf);
  const living = judgeLiving(e, local, instrumentFindings(e));
  const alarms = living ? [] : [...emptyAlarms(e), ...starving(e, walk)];
  const added = (j: Judgement): Judgement => sparing(e, livingFirst(living, j));
  const fish = added(withAlarms(withZeros(e, walk, withMissingTests(e, walk.here)), alarms));
  const crew = added(crewJudgement(e, fish));
  const coral = added(coralJudgement(e));
  return {
    school: e.water.school,
    gates: walk.gates,
    living,
    fish,
    crew,
    coral,
    others: fish,
    alarms: saidBesides(living, alarms),
    due: dueTests(e, living, [fish, coral], fish.word === 'wait' ? null : AT_THE_DOOR[walk.here.id]),
    freeAmmonia: freeAmmonia(e),
  };
}

/** Gates behind which the next animals stand. */
const AT_THE_DOOR: Partial<Record<GateId, 'first' | 'next'>> = {
  reset: 'first',
  firstAnimals: 'first',
  nextStep: 'next',
};

/** What a filter without animals waits for too long. */
function starving(e: DisplayEvidence, { gates }: Walk): Alarm[] {
  const unfed = unfedFilter(e, gates);
  if (!unfed || e.nowMs < unfed.dueMs) return [];
  return [note({ code: 'filterUnfed', fedMs: unfed.fedMs, fadesMs: unfed.fadesMs })];
}

/** Judges a water that serves a display: no gates, the same look at what lives in it.
 *  @param clock of a quarantine; @param fallow of the display its fish are meant for */
function assessServing(
  e: WaterEvidence,
  clock: QuarantineClock | null,
  fallow: Fallow | null,
  local: LocalTime,
): Assessment {
  const inUse = isOpen(e.water) || e.isInhabited;
  const living = judgeLiving(e, local, instrumentFindings(e));
  const alarms = living || !inUse ? [] : emptyAlarms(e);
  const alone = sparing(e, withAlarms(untilHomeIsFree(servingJudgement(e, clock), fallow), alarms));
  // A release from water that is not steady waits; what waits for the clock waits for the clock.
  const judgement = alone.word === 'wait' ? alone : livingFirst(living, alone);
  return {
    school: null,
    gates: [],
    living,
    fish: judgement,
    crew: judgement,
    coral: judgement,
    others: judgement,
    alarms: saidBesides(living, alarms),
    due: inUse ? dueTests(e, living, [judgement]) : [],
    freeAmmonia: freeAmmonia(e),
  };
}

/** Every finding that is said besides the first of the living water, most urgent first. */
function saidBesides(living: Living | null, alarms: readonly Alarm[]): Statement[] {
  if (!living) return alarms.map((a) => a.finding);
  const first = living.word === 'steady' ? [] : [living.reason];
  return [...first, ...living.also.map((f) => f.finding)];
}

/** The water comes before anything that is added to it. A wait stays a wait: a test would not shorten it. */
function livingFirst(living: Living | null, judgement: Judgement): Judgement {
  if (!living || living.word === 'steady') return judgement;
  if (living.word === 'test')
    return judgement.word === 'wait'
      ? judgement
      : { word: 'test', reason: { code: 'waterUntested' }, opens: { code: 'seeTheWater' } };
  return { word: 'wait', reason: { code: 'waterFirst' }, opens: { code: 'seeTheWater' } };
}

/** What new water brings along; ammonia and nitrite it only dilutes. */
const BROUGHT_BY_CHANGES: readonly Parameter[] = ['salinity', 'temperature', 'alkalinity'];

/** So much water was changed since the last reading that it speaks of another water. */
function changedSince(e: DisplayEvidence, parameter: Parameter): boolean {
  const last = lastOf(trusted(e.series[parameter]));
  return last !== undefined && keptShare(e, last.atMs, e.nowMs) < RULES.keptOfTested;
}

/** The word of the gate, or a test where what it rests on is too old, or not known and it would let something in. */
function withMissingTests(e: DisplayEvidence, { id, gate }: Walk['here']): Judgement {
  const needed = NEEDED[id] ?? [];
  const last = (p: Parameter) => lastOf(trusted(e.series[p]));
  const stale = needed.filter((p) => last(p) !== undefined && !isFresh(last(p), e.nowMs));
  const letsIn = gate.word === 'go' || gate.word === 'goSmall';
  const unmeasured = letsIn ? needed.filter((p) => last(p) === undefined) : [];
  const parameters = [...stale, ...unmeasured];
  const changed = letsIn ? needed.filter((p) => BROUGHT_BY_CHANGES.includes(p) && changedSince(e, p)) : [];
  if (parameters.length === 0 && changed.length > 0) {
    return {
      word: 'test',
      reason: { code: 'changedSinceTest', parameters: changed },
      opens: ask(...changed),
    };
  }
  // What only waits for a day is not brought nearer by a test.
  const onlyWaits = id === 'nextStep' && gate.finding.code === 'stepSettling';
  if (parameters.length === 0 || gate.finding.code === 'nothingFed' || onlyWaits) {
    return { word: gate.word, reason: gate.finding, opens: gate.opens };
  }
  const code = stale.length > 0 ? 'staleTests' : 'unmeasured';
  return { word: 'test', reason: { code, parameters }, opens: ask(...parameters) };
}

/** Where the filter was never shown before the animals came, weeks of zeros with them in stand for it before the next. */
function withZeros(e: DisplayEvidence, { gates, here }: Walk, judgement: Judgement): Judgement {
  const letsIn = judgement.word === 'go' || judgement.word === 'goSmall';
  const [first] = loadJoined(e);
  const unshown = gates.some((g) => g.status === 'skipped' && EVIDENCE_GATES.includes(g.id));
  if (!letsIn || !first || here.id !== 'nextStep' || !unshown) return judgement;
  const { zeros, days } = zerosSince(e, first.atMs);
  if (zeros >= RULES.livingZeros && days >= RULES.livingZeroDays) return judgement;
  return {
    word: 'wait',
    reason: { code: 'fewZeros', zeros, days, wantsDays: RULES.livingZeroDays },
    opens: { code: 'feedAndTest' },
  };
}

const HOLDS_UP: readonly Statement['code'][] = ['alkalinityStall', 'alkalinityLow', 'ammoniaTooHigh'];

/** The judgement made more careful by what else holds; a later alarm of the same urgency gives way, so that the worst is named. */
function withAlarms(judgement: Judgement, alarms: readonly Alarm[]): Judgement {
  return alarms.reduce<Judgement>((so, alarm) => {
    if (alarm.word === null) return so;
    // What holds the bacteria up is said before what is waited for because of it.
    const before = HOLDS_UP.includes(alarm.finding.code) && !HOLDS_UP.includes(so.reason.code);
    return URGENCY[alarm.word] < URGENCY[so.word] || (before && alarm.word === so.word)
      ? { word: alarm.word, reason: alarm.finding, opens: alarm.opens }
      : so;
  }, judgement);
}

/** What asks for ammonia in the water, or leads to it. */
const ASKS_FOR_AMMONIA: readonly Statement['code'][] = [
  ...ASKS_FOR_DOSE,
  'clearThenDose',
  'feedTransfer',
  'unseenNeedsProof',
];

/** Whatever a gate would ask of an empty tank, with animals in the display nobody is ever told to add ammonia. */
const sparing = (e: WaterEvidence, judgement: Judgement): Judgement =>
  e.isInhabited && ASKS_FOR_AMMONIA.includes(judgement.opens.code)
    ? { ...judgement, opens: { code: 'noAmmoniaNow' } }
    : judgement;
