/** The judgement for a clean-up crew: the same gates as for a fish, and something for it to eat, as the page after the cycle says it. */
import { crewPlan } from '../after';
import type { DisplayEvidence } from '../evidence';
import type { Judgement } from './judgement';

export function crewJudgement(e: DisplayEvidence, fish: Judgement): Judgement {
  if (fish.word !== 'go' && fish.word !== 'goSmall') return fish;
  const { next, portion } = crewPlan(e, true);
  switch (next) {
    case 'firstPortion':
    case 'nextPortion':
      return { word: 'goSmall', reason: { code: 'crewFed', portion }, opens: { code: 'addCrew' } };
    case 'lately':
      return { word: 'wait', reason: { code: 'crewLately' }, opens: { code: 'lookForFilm' } };
    case 'starving':
      return { word: 'wait', reason: { code: 'crewStarving' }, opens: { code: 'feedCrew' } };
    case 'cycleFirst':
    case 'enough':
      return { word: 'wait', reason: { code: 'crewUnfed' }, opens: { code: 'lookForFilm' } };
  }
}
