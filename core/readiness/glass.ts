/** Whom so small a glass is too small for: told from the first day on, and where it is everybody nothing is let in. */
import type { DisplayEvidence } from '../evidence';
import { allSpecies, type WithKinds } from '../species';
import type { StatementOf } from '../statements';
import { glassOf, hasRoom } from '../volume';
import type { Assessment, Judgement } from './judgement';

type TooSmall = StatementOf<'glassFitsNoFish' | 'glassFitsNobody'>;

/** What is to be said of so small a glass; null where some fish known here would have room in it. @param glassL its water, L */
export function tooSmallGlass(kinds: WithKinds, glassL: number): TooSmall | null {
  const all = allSpecies(kinds);
  const fits = all.filter((s) => hasRoom(glassL, s));
  if (fits.some((s) => s.group === 'fish')) return null;
  const least = (of: readonly { minTankL: number }[]) => Math.min(...of.map((s) => s.minTankL));
  return fits.length > 0
    ? { code: 'glassFitsNoFish', glassL, minTankL: least(all.filter((s) => s.group === 'fish')) }
    : { code: 'glassFitsNobody', glassL, minTankL: least(all) };
}

/** @returns the same where some fish known here would have room in the glass */
export function withinGlass(assessment: Assessment, e: DisplayEvidence): Assessment {
  const reason = tooSmallGlass(e, glassOf(e.water).glassL);
  if (reason === null) return assessment;
  const told = { ...assessment, alarms: [...assessment.alarms, reason] };
  if (reason.code === 'glassFitsNoFish') return told;
  const closed = (j: Judgement): Judgement =>
    j.word === 'go' || j.word === 'goSmall' ? { word: 'wait', reason, opens: { code: 'largerGlass' } } : j;
  return {
    ...told,
    fish: closed(assessment.fish),
    crew: closed(assessment.crew),
    coral: closed(assessment.coral),
    others: closed(assessment.others),
  };
}
