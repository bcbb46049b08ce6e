/** What an animal's moves say. */
import { type Animal } from './types';

/** Where it is: its last move. @throws RangeError for an animal without moves, which the schema does not allow. */
export const currentPlace = (animal: Animal): Animal['moves'][number] => {
  const last = animal.moves[animal.moves.length - 1];
  if (!last) throw new RangeError(`"moves" of animal ${animal.id} must not be empty`);
  return last;
};
