/** Whom so small a glass is too small for: told from the first day on, and where it is everybody nothing is let in. */
import type { DisplayEvidence } from '../evidence';
import { allSpecies } from '../species';
import { glassOf, hasRoom } from '../volume';
import type { Assessment, Judgement } from './judgement';

/** @returns the same where some fish known here would have room in the glass */
export function withinGlass(assessment: Assessment, e: DisplayEvidence): Assessment {
  const { glassL } = glassOf(e.water);
  const all = allSpecies(e);
  const fits = all.filter((s) => hasRoom(glassL, s));
  if (fits.some((s) => s.group === 'fish')) return assessment;
  const fish = all.filter((s) => s.group === 'fish');
  const least = (of: readonly { minTankL: number }[]) => Math.min(...of.map((s) => s.minTankL));
  if (fits.length > 0) {
    const finding = { code: 'glassFitsNoFish', glassL, minTankL: least(fish) } as const;
    return { ...assessment, alarms: [...assessment.alarms, finding] };
  }
  const reason = { code: 'glassFitsNobody', glassL, minTankL: least(all) } as const;
  const closed = (j: Judgement): Judgement =>
    j.word === 'go' || j.word === 'goSmall' ? { word: 'wait', reason, opens: { code: 'largerGlass' } } : j;
  return {
    ...assessment,
    alarms: [...assessment.alarms, reason],
    fish: closed(assessment.fish),
    crew: closed(assessment.crew),
    coral: closed(assessment.coral),
    others: closed(assessment.others),
  };
}
