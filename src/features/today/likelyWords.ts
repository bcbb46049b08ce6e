/** What Today says of a forecast, as plain data. */
import { type Quantiles } from '../../../core/forecast';
import { shortDates } from '../../../core/words/forecast';
import type { Likely } from './likely';

/** Days under which a date is "now". */
export const SOON = 0.6;

const soon = (d: number | null): boolean => d !== null && d < SOON;

/** The date that matters at the gate, in words, and what comes after it. Once both read zero it is the proof that is waited for. */
export function likelyWords(
  l: Likely,
  atProof: boolean,
  day: (ms: number) => string,
  animalsIn: boolean,
): { q: Quantiles; said: string; more: string } {
  // With animals in no proof is dosed: only both clear is spoken of.
  const proof = !animalsIn && (atProof || soon(l.bothClear.p50));
  const q = proof ? l.ready : l.bothClear;
  const words = shortDates(q, l.atMs, day, proof ? l.luck.ready : l.luck.bothClear);
  const later = shortDates(l.ready, l.atMs, day, l.luck.ready);
  if (words === null)
    return {
      q,
      said: `${proof ? 'A proof' : 'Both clear'}: not in sight within ${l.horizonDays} days as things go.`,
      more: '',
    };
  if (!proof)
    return {
      q,
      said: `Both clear ${words}`,
      more: later && !animalsIn ? `A proof of 2 mg/L would pass ${later}.` : '',
    };
  if (soon(q.p50))
    return {
      q,
      said: 'A proof dose would likely be cleared now',
      more: 'Once both read zero, dose 2 mg/L and test a day later.',
    };
  return {
    q,
    said: `Proof passes ${words}`,
    more: soon(q.p10) ? 'It may be ready today: a proof dose, once both read zero, would tell.' : '',
  };
}
