/** The look into each on arrival: the count that goes on is the count that was sound. */
import { GONE, moved, split, type Animal, type Edit } from '../document';
import type { FOUND_ON_ARRIVAL, FOUND_TO_BE } from '../document/vocabulary';

export type Found = (typeof FOUND_ON_ARRIVAL)[number];

export interface Tally {
  setAside: number;
  dead: number;
  found: readonly Found[];
  /** Each by itself, where they were looked at one by one: as many as there are. */
  each?: readonly OneFound[];
}

/** What one animal was found to be. */
export interface OneFound {
  as: (typeof FOUND_TO_BE)[number];
  found: readonly Found[];
}

/** The tally of animals looked at one by one: what was found in any stands once. */
export const tallyOf = (each: readonly OneFound[]): Tally => ({
  setAside: each.filter((one) => one.as === 'setAside').length,
  dead: each.filter((one) => one.as === 'dead').length,
  found: [...new Set(each.flatMap((one) => one.found))],
  each,
});

/** Books a tally: the dead are gone, what was set aside becomes a group of its own, the rest goes on. The whole history goes with each part.
 *  @param ids for the parts, where there are any; @throws RangeError where the tally does not add up */
export function editsToInspect(
  animal: Animal,
  tally: Tally,
  o: { at: string; today: string; asideId: string; deadId: string },
): Edit[] {
  const { setAside, dead, found, each } = tally;
  const sound = animal.count - setAside - dead;
  if (![setAside, dead, sound].every((n) => Number.isInteger(n) && n >= 0))
    throw new RangeError(
      `"setAside" and "dead" must add up to ${animal.count} at most, got ${setAside} and ${dead}`,
    );
  if (each !== undefined && each.length !== animal.count)
    throw new RangeError(`"each" must hold ${animal.count} animals, got ${each.length}`);
  const inspection = {
    day: o.today,
    sound,
    setAside,
    ...(dead > 0 ? { dead } : {}),
    ...(found.length > 0 ? { found: [...found] } : {}),
    ...(each ? { each: each.map((one) => ({ as: one.as, found: [...one.found] })) } : {}),
  };
  const looked: Animal = { ...animal, inspection };
  const aside = (a: Animal): Animal => ({ ...a, asideSince: o.today });
  const gone = (a: Animal): Animal => moved(a, GONE('died'), o.at, 'dead on arrival');
  const parts: Animal[] = [];
  let rest = looked;
  const take = (count: number, id: string, as: (a: Animal) => Animal) => {
    if (count === 0) return;
    if (count === rest.count) {
      parts.push(as(rest));
      rest = { ...rest, count: 0 };
      return;
    }
    const { stay, go } = split(rest, count, id);
    parts.push(as(go));
    rest = stay;
  };
  take(dead, o.deadId, gone);
  take(setAside, o.asideId, aside);
  return [...(rest.count > 0 ? [rest] : []), ...parts].map((entity): Edit => ({ put: 'animals', entity }));
}
