/** A stretch of what stands in its order, found by halving: a long history is not walked for a day of it. */

/** What is of the span of time, both ends in it. @param list in the order of its times */
export const spanOf = <T extends { atMs: number }>(
  list: readonly T[],
  fromMs: number,
  toMs = Infinity,
): readonly T[] => list.slice(firstAt(list, fromMs), toMs === Infinity ? undefined : firstAfter(list, toMs));

/** The last that is of a moment or before it. @param list in the order of its times */
export const lastUntil = <T extends { atMs: number }>(list: readonly T[], atMs: number): T | undefined =>
  list[firstAfter(list, atMs) - 1];

const firstAt = (list: readonly { atMs: number }[], atMs: number): number =>
  placeOf(list, (each) => each.atMs < atMs);
const firstAfter = (list: readonly { atMs: number }[], atMs: number): number =>
  placeOf(list, (each) => each.atMs <= atMs);

/** How many come before the place that is looked for. */
function placeOf<T>(list: readonly T[], before: (each: T) => boolean): number {
  let [from, to] = [0, list.length];
  while (from < to) {
    const middle = (from + to) >> 1;
    if (before(list[middle] as T)) from = middle + 1;
    else to = middle;
  }
  return from;
}
