/** Where a piece stood, and from when. */
import { isComing, waterOf, type Animal, type Document } from '../document';
import { HOUR_MS } from '../time';
import type { Spot } from './field';
import { PLACEMENT } from './limits';

/** As many places are kept as the file allows. */
const MOST_SPOTS = 100;

/** Moved to a spot, the ones before kept. What does not live here yet has only a place kept for it, and what is put right soon was one move.
 *  @param at ISO time */
export function movedTo(a: Animal, { xCm, yCm, zCm }: Spot, at: string): Animal {
  const before = isComing(a) ? [] : (a.spots ?? []).filter((s) => !isOneMove(s.at, at));
  return { ...a, spots: [...before, { xCm, yCm, zCm, at }].slice(-MOST_SPOTS) };
}

/** Whichever is the later: a clock that was put back takes no place from the log. */
const isOneMove = (a: string, b: string): boolean =>
  Math.abs(Date.parse(b) - Date.parse(a)) <= PLACEMENT.oneMoveHours * HOUR_MS;

/** Its places in the glass that is its home now, oldest first: those from before it left another display are of that one's. */
export function placesHere(a: Animal, waters: Document['waters']): NonNullable<Animal['spots']> {
  const left = a.moves.filter((_, i) => {
    const from = waterOf(a.moves[i - 1]?.to);
    return from !== null && from !== a.homeId && waters[from]?.kind === 'display';
  });
  const since = left[left.length - 1]?.at;
  return (a.spots ?? []).filter((s) => since === undefined || Date.parse(s.at) >= Date.parse(since));
}

/** Where it stood before, the latest first, each with when it began to, ms; a place kept for it counts from the day it came home. */
export function stoodBefore(a: Animal, waters: Document['waters']): { spot: Spot; from: number }[] {
  const came = a.moves.find((m) => waterOf(m.to) === a.homeId)?.at;
  const since = came === undefined ? -Infinity : Date.parse(came);
  return placesHere(a, waters)
    .slice(0, -1)
    .reverse()
    .map((spot) => ({ spot, from: Math.max(since, Date.parse(spot.at)) }));
}
