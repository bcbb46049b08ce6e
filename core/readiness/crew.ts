/** The judgement for a clean-up crew: the same gates as for a fish, and something for it to eat. */
import type { DisplayEvidence } from '../evidence';
import { DAY_MS } from '../time';
import type { Judgement } from './judgement';
import { RULES } from './limits';

const FEEDS_A_CREW: readonly string[] = ['brown', 'green', 'hair'];

export function crewJudgement(e: DisplayEvidence, fish: Judgement): Judgement {
  if (fish.word !== 'go' && fish.word !== 'goSmall') return fish;
  const film = e.events
    .filter((x) => x.kind === 'film' && e.nowMs - Date.parse(x.at) <= RULES.filmSeenDays * DAY_MS)
    .some((x) => x.kind === 'film' && x.extent > 0 && FEEDS_A_CREW.includes(x.film));
  return film
    ? { word: 'goSmall', reason: { code: 'crewFed' }, opens: { code: 'addCrew' } }
    : { word: 'wait', reason: { code: 'crewUnfed' }, opens: { code: 'lookForFilm' } };
}
