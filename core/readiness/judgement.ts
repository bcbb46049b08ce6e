/** The shapes of a judgement, and the two ways a gate answers. */
import type { Parameter, School } from '../document';
import type { GateId, Statement, Word } from '../statements';

export interface Gate {
  id: GateId;
  status: 'passed' | 'here' | 'ahead';
  /** When it opened, if it did. */
  passedMs: number | null;
  /** Why it is open, or what is missing. */
  finding: Statement;
}

export interface Judgement {
  word: Word;
  reason: Statement;
  /** What would open the gate. */
  opens: Statement;
}

export interface Assessment {
  /** Null for a water that is no display: it has no gates. */
  school: School | null;
  gates: Gate[];
  fish: Judgement;
  coral: Judgement;
  /** Findings that hold besides the judgement, most urgent first. */
  alarms: Statement[];
  /** Tests worth doing now. */
  due: Parameter[];
  freeAmmonia: FreeAmmonia | null;
}

export interface FreeAmmonia {
  atMs: number;
  mgNPerL: number;
  fraction: number;
  ph: number;
  phAssumed: boolean;
  tempC: number;
  salinity: number;
}

export interface Alarm {
  finding: Statement;
  /** The least careful word it allows; null where it only informs. */
  word: Word | null;
  /** What would end it, where it decides the word. */
  opens: Statement;
}

export interface OpenGate {
  passedMs: number;
  finding: Statement;
}
export interface ShutGate {
  passedMs: null;
  word: Word;
  finding: Statement;
  opens: Statement;
}
export type Verdict = OpenGate | ShutGate;

export const open = (passedMs: number, finding: Statement): OpenGate => ({ passedMs, finding });
export const shut = (word: Word, finding: Statement, opens: Statement): ShutGate => ({
  passedMs: null,
  word,
  finding,
  opens,
});
export const ask = (...parameters: Parameter[]): Statement => ({ code: 'testThese', parameters });
