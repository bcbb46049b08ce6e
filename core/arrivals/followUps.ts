/** What is looked after once an animal is in a display: tasks of their days, each with the question that fits. */
import type { Animal, Edit, Water } from '../document';
import { speciesOf, type Species, type WithKinds } from '../species';
import { addDays } from '../time';
import { ARRIVALS } from './limits';
import { usualOf } from './usual';

interface FollowUp {
  /** Days from the day it joined. */
  day: number;
  title: string;
  note: string;
}

/** The looks due for a group of a species. */
export function followUpsOf(species: Species, count: number): FollowUp[] {
  const who = count > 1 ? `${count} × ${species.common}` : species.common;
  const snail = species.is.includes('snail');
  const question = QUESTIONS[species.group];
  const later = ARRIVALS.lookAfterDays.map((day) => ({
    day,
    title: `Day ${day}: look after ${who}`,
    note: noteOf(day, species, question),
  }));
  const first = snail
    ? [
        {
          day: 0,
          title: `In an hour: ${who} upright?`,
          note: 'One on its back cannot right itself: turn it over.',
        },
      ]
    : [];
  return [...first, ...later];
}

/** On the first day with what is usual of its kind. */
function noteOf(day: number, species: Species, question: string): string {
  if (day !== 1) return question;
  const usual = usualOf(species);
  return [species.group === 'fish' ? 'Offer a little food.' : '', question, usual ?? '']
    .filter((s) => s !== '')
    .join(' ');
}

const QUESTIONS: Record<Species['group'], string> = {
  fish: 'Does it eat? Breathing, fins, spots, and whether others chase it.',
  invertebrate: 'Does it move and feed? Upright, no smell, nothing missing.',
  coral: 'Open? Colour as it came? Tissue whole to the edge?',
};

/** @param kinds the document, for kinds of one's own
 *  The tasks of animals that join a display on a day; none for any other water. @param id makes an identity for each */
export const followUpTasks = (
  kinds: WithKinds,
  who: readonly (Pick<Animal, 'speciesId' | 'count'> & { id?: string })[],
  to: Water,
  day: string,
  id: () => string,
): Edit[] =>
  to.kind === 'display'
    ? who.flatMap(({ id: animalId, speciesId, count }) =>
        followUpsOf(speciesOf(kinds, speciesId), count).map((f): Edit => ({
          put: 'tasks',
          entity: {
            id: id(),
            waterId: to.id,
            day: addDays(day, f.day),
            title: f.title,
            note: f.note,
            doneAt: null,
            ...(animalId === undefined ? {} : { animalIds: [animalId] }),
          },
        })),
      )
    : [];
