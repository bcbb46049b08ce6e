/** The judgement of a tank: gates walked by school, alarms over them, fish and coral apart, tests that are due. */
import type { Document, Parameter } from '../document';
import { gatherEvidence, lastOf, trusted, type TankEvidence } from '../evidence';
import type { GateId, Statement, Word } from '../statements';
import { asksForTest, findAlarms, type Alarm } from './alarms';
import { coralJudgement } from './coral';
import { dueTests } from './due';
import { freeAmmonia } from './freeAmmonia';
import { isFresh } from './fresh';
import { RULE_OF_GATE, SCHOOL_GATES } from './gates';
import { ask, type Assessment, type Gate, type Judgement, type ShutGate } from './judgement';

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
const URGENCY: Record<Word, number> = { actNow: 0, test: 1, wait: 2, goSmall: 3, go: 4 };

/** Judges a tank at a moment by its school. Rules are safe by construction: doubt, age and absence of a reading turn a go into a test.
 *  @throws RangeError when the tank is not in the document. */
export const assessTank = (doc: Document, tankId: string, nowMs: number): Assessment =>
  assess(gatherEvidence(doc, tankId, nowMs));

/** The same for evidence already gathered. */
export function assess(e: TankEvidence): Assessment {
  const { gates, here } = walkGates(e);
  const free = freeAmmonia(e);
  const alarms = findAlarms(e, free);
  const fish = sparing(e, withAlarms(withMissingTests(e, here), [asksForTest(e), ...alarms]));
  const coral = alarms.some((a) => a.word === 'actNow') ? { ...fish } : sparing(e, coralJudgement(e));
  return {
    school: e.tank.school,
    gates,
    fish,
    coral,
    alarms: alarms.map((a) => a.finding),
    due: dueTests(e, fish, coral),
    freeAmmonia: free,
  };
}

/** Each gate of the school in order: passed up to the first that is shut, where the tank stands, ahead from there. */
function walkGates(e: TankEvidence): { gates: Gate[]; here: { id: GateId; gate: ShutGate } } {
  let here: { id: GateId; gate: ShutGate } | null = null;
  const gates: Gate[] = [];
  for (const id of SCHOOL_GATES[e.tank.school]) {
    const verdict = RULE_OF_GATE[id](e);
    const { finding } = verdict;
    if (here) gates.push({ id, status: 'ahead', passedMs: null, finding });
    else if (verdict.passedMs !== null) {
      gates.push({ id, status: 'passed', passedMs: verdict.passedMs, finding });
    } else {
      here = { id, gate: verdict };
      gates.push({ id, status: 'here', passedMs: null, finding });
    }
  }
  if (!here) throw new Error(`the last gate of ${e.tank.school} must never be passed`);
  return { gates, here };
}

/** The word of the gate, or a test where what it rests on is too old, or not known and it would let something in. */
function withMissingTests(e: TankEvidence, { id, gate }: { id: GateId; gate: ShutGate }): Judgement {
  const needed = NEEDED[id] ?? [];
  const last = (p: Parameter) => lastOf(trusted(e.series[p]));
  const stale = needed.filter((p) => last(p) !== undefined && !isFresh(last(p), e.nowMs));
  const letsIn = gate.word === 'go' || gate.word === 'goSmall';
  const unmeasured = letsIn ? needed.filter((p) => last(p) === undefined) : [];
  const parameters = [...stale, ...unmeasured];
  if (parameters.length === 0 || gate.finding.code === 'nothingFed') {
    return { word: gate.word, reason: gate.finding, opens: gate.opens };
  }
  const code = stale.length > 0 ? 'staleTests' : 'unmeasured';
  return { word: 'test', reason: { code, parameters }, opens: ask(...parameters) };
}

/** The judgement made more careful by what else holds; a later alarm of the same urgency gives way, but for "act now". */
function withAlarms(judgement: Judgement, alarms: readonly (Alarm | null)[]): Judgement {
  return alarms.reduce<Judgement>((so, alarm) => {
    if (!alarm || alarm.word === null) return so;
    const moreCareful = URGENCY[alarm.word] < URGENCY[so.word];
    const another = alarm.word === 'actNow' && so.word === 'actNow';
    return moreCareful || another ? { word: alarm.word, reason: alarm.finding, opens: alarm.opens } : so;
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
const sparing = (e: TankEvidence, judgement: Judgement): Judgement =>
  e.inDisplay.length > 0 && ASKS_FOR_AMMONIA.includes(judgement.opens.code)
    ? { ...judgement, opens: { code: 'noAmmoniaNow' } }
    : judgement;

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

/** What the log holds that another school would count and this one does not ask: shown all the same, passed gates only. */
export function besides(e: TankEvidence): Gate[] {
  const asked = SCHOOL_GATES[e.tank.school];
  return EVIDENCE_GATES.filter((id) => !asked.includes(id)).flatMap((id): Gate[] => {
    const { passedMs, finding } = RULE_OF_GATE[id](e);
    return passedMs === null ? [] : [{ id, status: 'passed', passedMs, finding }];
  });
}
