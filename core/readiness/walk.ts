/** The walk through the gates of a school: a start is a history, each gate passed once. */
import type { Stage } from '../document';
import { evidenceUntil, type DisplayEvidence } from '../evidence';
import type { GateId } from '../statements';
import { loadJoined } from './found';
import { RULE_OF_GATE, SCHOOL_GATES } from './gates';
import { open, type Gate, type ShutGate, type Verdict } from './judgement';

export interface Walk {
  gates: Gate[];
  /** Where the tank stands. */
  here: { id: GateId; gate: ShutGate };
}

/** Each gate of the school in order: passed up to the first that is shut, where the tank stands, ahead from there. Once animals are in, the
 *  gates before them are judged as things stood when they came: nothing that happens in a living tank takes one back, and one that was not
 *  shown by then stands as skipped. */
export function walkGates(e: DisplayEvidence, dayOfMs: (ms: number) => string): Walk {
  const [first] = loadJoined(e);
  const start = first ? evidenceUntil(e, first.atMs) : null;
  let here: Walk['here'] | null = null;
  let beforeAnimals = true;
  const gates: Gate[] = [];
  for (const id of gatesInOrder(e)) {
    if (id === 'firstAnimals') beforeAnimals = false;
    const verdict =
      start && beforeAnimals
        ? shownThenOrSince(e, start, id, dayOfMs)
        : asTold(e, id, RULE_OF_GATE[id](e, dayOfMs));
    const { finding } = verdict;
    if (here) gates.push({ id, status: 'ahead', passedMs: null, finding });
    else if (verdict.passedMs !== null)
      gates.push({ id, status: 'passed', passedMs: verdict.passedMs, finding });
    else if (start && beforeAnimals)
      gates.push({ id, status: 'skipped', passedMs: null, finding: { code: 'animalsCameFirst' } });
    else {
      here = { id, gate: verdict };
      gates.push({ id, status: 'here', passedMs: null, finding });
    }
  }
  if (!here) throw new Error(`the last gate of ${e.water.school} must never be passed`);
  return { gates, here };
}

/** As it was when the first animals came; what was not shown of the filter by then may have been shown since. */
function shownThenOrSince(
  e: DisplayEvidence,
  start: DisplayEvidence,
  id: GateId,
  dayOfMs: (ms: number) => string,
): Verdict {
  const then = asTold(e, id, RULE_OF_GATE[id](start, dayOfMs));
  return then.passedMs !== null || !EVIDENCE_GATES.includes(id) ? then : RULE_OF_GATE[id](e, dayOfMs);
}

/** Gates that are passed by evidence of the start. */
export const EVIDENCE_GATES: readonly GateId[] = [
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

/** What the log holds that another school would count and this one does not ask: shown all the same, passed gates only. */
export function besides(e: DisplayEvidence, dayOfMs: (ms: number) => string): Gate[] {
  const asked = SCHOOL_GATES[e.water.school];
  return EVIDENCE_GATES.filter((id) => !asked.includes(id)).flatMap((id): Gate[] => {
    const { passedMs, finding } = RULE_OF_GATE[id](e, dayOfMs);
    return passedMs === null ? [] : [{ id, status: 'passed', passedMs, finding }];
  });
}
