/** The judgement of a water: gates walked by school, alarms over them, fish and coral apart, tests that are due. */
import { isOpen, type Document, type Parameter, type Stage } from '../document';
import {
  gatherEvidence,
  isOfDisplay,
  keptShare,
  lastOf,
  trusted,
  type DisplayEvidence,
  type WaterEvidence,
} from '../evidence';
import { clockOf, type QuarantineClock } from '../quarantine';
import type { GateId, Statement, Word } from '../statements';
import { asksForTest, findAlarms } from './alarms';
import { coralJudgement } from './coral';
import { dueTests } from './due';
import { freeAmmonia } from './freeAmmonia';
import { isFresh } from './fresh';
import { RULE_OF_GATE, SCHOOL_GATES } from './gates';
import {
  ask,
  open,
  type Alarm,
  type Assessment,
  type Gate,
  type Judgement,
  type ShutGate,
  type Verdict,
} from './judgement';
import { RULES } from './limits';
import { servingJudgement } from './serving';

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

/** How careful a word is, most careful first. */
const URGENCY: Record<Word, number> = { actNow: 0, test: 1, wait: 2, goSmall: 3, go: 4, steady: 5 };

/** Judges a water at a moment: a display by its school, any other by what is in it. Rules are safe by construction: doubt, age and absence
 *  of a reading turn a go into a test.
 *  @param dayOfMs calendar day of a time where the person is
 *  @throws RangeError when the water is not in the document. */
export function assessWater(
  doc: Document,
  waterId: string,
  nowMs: number,
  dayOfMs: (ms: number) => string = utcDay,
): Assessment {
  return assessmentOf(doc, gatherEvidence(doc, waterId, nowMs), nowMs, dayOfMs);
}
const utcDay = (ms: number): string => new Date(ms).toISOString().slice(0, 10);

/** The same for evidence already gathered. */
export function assessmentOf(
  doc: Document,
  e: WaterEvidence,
  nowMs: number,
  dayOfMs: (ms: number) => string,
): Assessment {
  if (isOfDisplay(e)) return assess(e);
  const clock = e.water.kind === 'quarantine' ? clockOf(doc, e.water, nowMs, dayOfMs) : null;
  return assessServing(e, clock);
}

/** Judges a display by its school. */
export function assess(e: DisplayEvidence): Assessment {
  const { gates, here } = walkGates(e);
  const free = freeAmmonia(e);
  const alarms = findAlarms(e, free);
  const fish = sparing(e, withAlarms(withMissingTests(e, here), [asksForTest(e), ...alarms]));
  const coral = alarms.some((a) => a.word === 'actNow') ? { ...fish } : sparing(e, coralJudgement(e));
  return {
    school: e.water.school,
    gates,
    fish,
    coral,
    alarms: alarms.map((a) => a.finding),
    due: dueTests(e, [fish, coral]),
    freeAmmonia: free,
  };
}

/** Judges a water that serves a display: no gates, the same alarms. @param clock of a quarantine */
function assessServing(e: WaterEvidence, clock: QuarantineClock | null): Assessment {
  const free = freeAmmonia(e);
  const inUse = isOpen(e.water) || e.residents.length > 0;
  const alarms = inUse ? findAlarms(e, free) : [];
  const asked = inUse ? [asksForTest(e), ...alarms] : [];
  const judgement = sparing(e, withAlarms(servingJudgement(e, clock), asked));
  return {
    school: null,
    gates: [],
    fish: judgement,
    coral: judgement,
    alarms: alarms.map((a) => a.finding),
    due: inUse ? dueTests(e, [judgement]) : [],
    freeAmmonia: free,
  };
}

/** Each gate of the school in order: passed up to the first that is shut, where the tank stands, ahead from there. */
function walkGates(e: DisplayEvidence): { gates: Gate[]; here: { id: GateId; gate: ShutGate } } {
  let here: { id: GateId; gate: ShutGate } | null = null;
  const gates: Gate[] = [];
  for (const id of gatesInOrder(e)) {
    const verdict = asTold(e, id, RULE_OF_GATE[id](e));
    const { finding } = verdict;
    if (here) gates.push({ id, status: 'ahead', passedMs: null, finding });
    else if (verdict.passedMs !== null) {
      gates.push({ id, status: 'passed', passedMs: verdict.passedMs, finding });
    } else {
      here = { id, gate: verdict };
      gates.push({ id, status: 'here', passedMs: null, finding });
    }
  }
  if (!here) throw new Error(`the last gate of ${e.water.school} must never be passed`);
  return { gates, here };
}

/** Gates that are passed by evidence of the start. */
const EVIDENCE_GATES: readonly GateId[] = [
  'ammoniaFalling',
  'nitriteFalling',
  'bothClear',
  'settle',
  'film',
  'transfer',
  'dailyClear',
  'bacteria',
  'proof',
];

/** Gates that lie behind a display whose log begins later on its way. What the water is now (salt, temperature, nitrogen) is never told. */
const TOLD: Partial<Record<Stage, readonly GateId[]>> = {
  bothZero: ['ammoniaFalling', 'nitriteFalling', 'bacteria'],
  animalsIn: [...EVIDENCE_GATES, 'reset'],
};

/** The gates of the school; what was passed before the log began stands first, whatever is asked now. */
function gatesInOrder({ water }: DisplayEvidence): readonly GateId[] {
  const gates = SCHOOL_GATES[water.school];
  const told = (water.told && TOLD[water.told.stage]) ?? [];
  return [...gates.filter((id) => told.includes(id)), ...gates.filter((id) => !told.includes(id))];
}

/** What was passed before the log began is taken as told, where the log does not show it itself. */
function asTold(e: DisplayEvidence, id: GateId, verdict: Verdict): Verdict {
  const { told } = e.water;
  if (!told || verdict.passedMs !== null || !TOLD[told.stage]?.includes(id)) return verdict;
  return open(Date.parse(`${told.day}T00:00:00.000Z`), { code: 'asTold', day: told.day });
}

/** What new water brings along; ammonia and nitrite it only dilutes. */
const BROUGHT_BY_CHANGES: readonly Parameter[] = ['salinity', 'temperature', 'alkalinity'];

/** So much water was changed since the last reading that it speaks of another water. */
function changedSince(e: DisplayEvidence, parameter: Parameter): boolean {
  const last = lastOf(trusted(e.series[parameter]));
  return last !== undefined && keptShare(e, last.atMs, e.nowMs) < RULES.keptOfTested;
}

/** The word of the gate, or a test where what it rests on is too old, or not known and it would let something in. */
function withMissingTests(e: DisplayEvidence, { id, gate }: { id: GateId; gate: ShutGate }): Judgement {
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
  if (parameters.length === 0 || gate.finding.code === 'nothingFed') {
    return { word: gate.word, reason: gate.finding, opens: gate.opens };
  }
  const code = stale.length > 0 ? 'staleTests' : 'unmeasured';
  return { word: 'test', reason: { code, parameters }, opens: ask(...parameters) };
}

/** The judgement made more careful by what else holds; a later alarm of the same urgency gives way, so that the worst is named. */
function withAlarms(judgement: Judgement, alarms: readonly (Alarm | null)[]): Judgement {
  return alarms.reduce<Judgement>((so, alarm) => {
    if (!alarm || alarm.word === null) return so;
    return URGENCY[alarm.word] < URGENCY[so.word]
      ? { word: alarm.word, reason: alarm.finding, opens: alarm.opens }
      : so;
  }, judgement);
}

/** What asks for ammonia in the water, or leads to it. */
const ASKS_FOR_AMMONIA: readonly Statement['code'][] = [
  'addAmmonia',
  'doseForProof',
  'doseAgain',
  'clearThenDose',
  'feedTransfer',
];

/** Whatever a gate would ask of an empty tank, with animals in the display nobody is ever told to add ammonia. */
const sparing = (e: WaterEvidence, judgement: Judgement): Judgement =>
  e.residents.length > 0 && ASKS_FOR_AMMONIA.includes(judgement.opens.code)
    ? { ...judgement, opens: { code: 'noAmmoniaNow' } }
    : judgement;

/** What the log holds that another school would count and this one does not ask: shown all the same, passed gates only. */
export function besides(e: DisplayEvidence): Gate[] {
  const asked = SCHOOL_GATES[e.water.school];
  return EVIDENCE_GATES.filter((id) => !asked.includes(id)).flatMap((id): Gate[] => {
    const { passedMs, finding } = RULE_OF_GATE[id](e);
    return passedMs === null ? [] : [{ id, status: 'passed', passedMs, finding }];
  });
}
