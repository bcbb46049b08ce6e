/** The shapes of a judgement, and the two ways a gate answers. */
import type { School } from '../document';
import type { Parameter } from '../document';
import type { FreeAmmonia, Living } from '../living';
import type { Species } from '../species';
import type { GateId, Statement, Word } from '../statements';

export interface Gate {
  id: GateId;
  /** `skipped`: animals came before it was shown; it is not asked any more, and what follows is slower for it. */
  status: 'passed' | 'skipped' | 'here' | 'ahead';
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
  /** How the water is, for those who live in it; null where nobody does. */
  living: Living | null;
  /** What may be added, kind by kind; of a water that is no display what may be done with it. */
  fish: Judgement;
  crew: Judgement;
  coral: Judgement;
  /** What is neither fish, cleaner nor coral. */
  others: Judgement;
  /** Findings that hold besides the judgements, most urgent first. */
  alarms: Statement[];
  /** Tests worth doing now. */
  due: Parameter[];
  freeAmmonia: FreeAmmonia | null;
}

/** The answer for a kind. Film feeds grazers alone: other cleaners come as whatever else does. */
export function judgementFor(
  { group, crew, work }: Pick<Species, 'group' | 'crew' | 'work'>,
  answers: Pick<Assessment, 'fish' | 'crew' | 'coral' | 'others'>,
): Judgement {
  if (group === 'coral') return answers.coral;
  if (crew && work === 'grazes') return answers.crew;
  return group === 'fish' ? answers.fish : answers.others;
}

/** The one word for a water: how it is where somebody lives in it, else what may be added. */
export const wordOf = ({ living, fish }: Assessment): Word => living?.word ?? fish.word;

/** What of the water itself keeps everything out now, whatever the filter once carried; null where nothing does. */
export function waterHolds({ living, fish }: Pick<Assessment, 'living' | 'fish'>): Statement | null {
  if (fish.reason.code === 'waterFirst') return living?.reason ?? fish.reason;
  return fish.reason.code === 'ammoniaAfterStep' ? fish.reason : null;
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
