/** The shapes of a judgement of living water. */
import type { Parameter } from '../document';
import type { Statement, Word } from '../statements';

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
}

export type LivingWord = Extract<Word, 'steady' | 'watch' | 'test' | 'actNow'>;

export const ask = (...parameters: Parameter[]): Statement => ({ code: 'testThese', parameters });
export const note = (finding: Statement): Finding => ({ word: null, finding, opens: finding });
export const test = (finding: Statement, ...parameters: Parameter[]): Finding => ({
  word: 'test',
  finding,
  opens: ask(...parameters),
});
export const watch = (finding: Statement, opens: Statement): Finding => ({ word: 'watch', finding, opens });
export const act = (trouble: Trouble, finding: Statement, opens: Statement): Finding => ({
  word: 'actNow',
  finding,
  opens,
  trouble,
});
