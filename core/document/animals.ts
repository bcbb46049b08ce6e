/** What an animal's moves say, and the two things that are done with them: moved on, and split. */
import { compared } from '../time';
import type { Animal, Move, Place } from './types';
import type { GoneReason } from './vocabulary';

/** Its last move. @throws RangeError for an animal without moves, which the schema does not allow. */
export const lastMove = (animal: Animal): Move => {
  const last = animal.moves[animal.moves.length - 1];
  if (!last) throw new RangeError(`"moves" of animal ${animal.id} must not be empty`);
  return last;
};

/** Where it is. */
export const placeOf = (animal: Animal): Place => lastMove(animal).to;

/** The water of a place; null for the wish list and for what is gone. */
export const waterOf = (place: Place | undefined): string | null =>
  place?.kind === 'water' ? place.waterId : null;

export const isIn = (animal: Animal, waterId: string): boolean => waterOf(placeOf(animal)) === waterId;

/** True while it may still come to its home: wished for, or in another water. */
export const isComing = (animal: Animal): boolean => {
  const place = placeOf(animal);
  return place.kind === 'wish' || (place.kind === 'water' && place.waterId !== animal.homeId);
};

/** The water an animal left for good, when it did; null while it is anywhere or was never in one. */
export function lostFrom(animal: Animal): { waterId: string; at: string; reason: GoneReason } | null {
  const { to, at } = lastMove(animal);
  const waterId = waterOf(animal.moves[animal.moves.length - 2]?.to);
  return to.kind === 'gone' && waterId !== null ? { waterId, at, reason: to.reason } : null;
}

/** How much each is wanted, 1 most: as the person put them in order; who has no place in that order after all who have, each as much as the other. */
export function priorities(animals: readonly Animal[]): Map<string, number> {
  const last = Math.max(0, ...animals.map((a) => a.wish?.priority ?? 0)) + 1;
  return new Map(animals.map((a) => [a.id, a.wish?.priority ?? last]));
}

/** The most wanted first; of those wanted alike whoever was wished for first. */
export function asWanted(animals: readonly Animal[]): Animal[] {
  const wanted = priorities(animals);
  const priority = (a: Animal) => wanted.get(a.id) as number;
  const since = (a: Animal) => (a.moves[0] as Move).at;
  return [...animals].sort(
    (a, b) => priority(a) - priority(b) || compared(since(a), since(b)) || compared(a.id, b.id),
  );
}

export const IN = (waterId: string): Place => ({ kind: 'water', waterId });
export const WISHED: Place = { kind: 'wish' };
export const GONE = (reason: GoneReason): Place => ({ kind: 'gone', reason });

/** The animal after a move. A move never stands before the one it follows, whatever the clock says; a plan ends when it is kept or void. */
export function moved(animal: Animal, to: Place, at: string, why = ''): Animal {
  const last = lastMove(animal).at;
  const arrived = to.kind === 'gone' || waterOf(to) === animal.homeId;
  return {
    ...animal,
    moves: [...animal.moves, { to, at: last > at ? last : at, why }],
    plannedDay: arrived ? null : animal.plannedDay,
  };
}

/** The group under its right name; what it was taken for is kept. The name stands firm unless it is said to be for the time being. */
export function renamed(animal: Animal, speciesId: string, at: string, provisional: boolean): Animal {
  const { provisional: _, takenFor = [], ...rest } = animal;
  const changed = speciesId !== animal.speciesId;
  const before = changed ? [...takenFor, { speciesId: animal.speciesId, until: at }] : takenFor;
  return {
    ...rest,
    speciesId,
    ...(before.length > 0 ? { takenFor: before } : {}),
    ...(provisional ? { provisional } : {}),
  };
}

/** Some of a group for themselves, the history going with both parts. @throws RangeError unless 1 or more stay and go */
export function split(animal: Animal, going: number, id: string): { stay: Animal; go: Animal } {
  if (!Number.isInteger(going) || going < 1 || going >= animal.count)
    throw new RangeError(`"going" must be a whole number from 1 to ${animal.count - 1}, got ${going}`);
  return {
    stay: { ...animal, count: animal.count - going },
    go: { ...animal, id, count: going, splitFrom: animal.id },
  };
}
