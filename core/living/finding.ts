/** The shapes of a judgement of living water. */
import type { Parameter } from '../document';
import type { Statement, Word } from '../statements';
import { LIVING } from './limits';

/** What is wrong, as far as it decides what to do at once. */
export type Trouble =
  | 'ammonia'
  | 'nitrite'
  | 'hot'
  | 'cold'
  | 'heatMoved'
  | 'salty'
  | 'fresh'
  | 'saltMoved'
  | 'phLow'
  | 'phHigh'
  | 'oxygen'
  | 'alkalinity';

export interface Finding {
  /** The least careful word it allows; null where it only informs. */
  word: LivingWord | null;
  finding: Statement;
  /** What to do about it, or what would end it. */
  opens: Statement;
  /** Set where something is to be done at once. */
  trouble?: Trouble;
  /** What is to be read again while this stands, and how soon. */
  again?: { parameter: Parameter; hours: number };
}

export type LivingWord = Extract<Word, 'steady' | 'watch' | 'test' | 'actNow'>;

export const ask = (...parameters: Parameter[]): Statement => ({ code: 'testThese', parameters });
export const note = (finding: Statement): Finding => ({ word: null, finding, opens: finding });
export const test = (finding: Statement, ...parameters: Parameter[]): Finding => ({
  word: 'test',
  finding,
  opens: ask(...parameters),
});
/** @param parameter what it is about: read again while it is watched */
export const watch = (parameter: Parameter, finding: Statement, opens: Statement): Finding => ({
  word: 'watch',
  finding,
  opens,
  again: { parameter, hours: LIVING.watchAgainHours },
});
export const act = (
  parameter: Parameter,
  trouble: Trouble,
  finding: Statement,
  opens: Statement,
): Finding => ({
  word: 'actNow',
  finding,
  opens,
  trouble,
  again: { parameter, hours: LIVING.testAfterHours },
});
