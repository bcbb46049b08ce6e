/** A short way to prove a plan the best there is: as if money were only a matter of who is released by a day. All of these must have been bought by then,
 *  month by month, be it in other batches for each day. So of two partial plans with the same wishes, whatever their batches, the one is dropped where the
 *  other is no worse in its days: there are few of them. Where even so nothing better is found, there is nothing better. */
import { after } from './after';
import { exhaust, HOPEFUL } from './exhaust';
import { compareWorth, type Worth } from './label';
import { start } from './start';
import type { World } from './world';

/** @param world one in which money is a matter of sets
 *  @param known the plan
 *  @returns whether it is the best, as far as that was found out; how many partial plans were looked at */
export function isBestBySets(world: World, known: Worth): { isBest: boolean; looked: number } {
  let refuted = false;
  let looked = 0;
  const asked: World = { ...world, mayGoOn: () => !refuted && world.mayGoOn() };
  const isWhole = exhaust(asked, start(asked), {
    orders: HOPEFUL,
    best: () => known,
    follow: (label, prospect, best, kept) =>
      after(asked, label, prospect, false, best, (child) => kept.isDropped(child)),
    consider: ({ worth }) => {
      looked++;
      refuted ||= compareWorth(worth, known) < 0;
    },
  });
  return { isBest: isWhole && !asked.ammonia.cut, looked };
}
