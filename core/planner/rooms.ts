/** How many batches of a line its quarantines can take in by the end of each month: the next only once the one before was released. */
import { type Calendar, type StayCalendar } from './calendar';
import { LINES } from './problem';
import { prospectOf } from './prospects';
import { enteringAfter } from './soonest';
import type { Label, Worth } from './label';
import type { World } from './world';

/** By line, in the order of LINES, and month, how many can have been bought by its end after a label, for a plan that is better than the best. Null where
 *  something is bought or set, which others may join. */
export function roomsAfter(world: World, label: Label, best: Worth): readonly number[][] | null {
  const { p, calendar, lineOf } = world;
  if (p.fixed.length > 0) return null;
  const prospect = prospectOf(world, label);
  const isWhole = prospect.most.every((n, i) => n === best.placed[i]);
  const { from } = enteringAfter(world, label, prospect);
  return LINES.map((line) => {
    const rooms = calendar.months.map(() => 0);
    // Where more could be placed than in the best, nobody is sure to come before.
    let soonest = isWhole ? calendar.end : label.day;
    if (isWhole)
      for (const i of prospect.left)
        if (p.wishes[i]?.line === line) soonest = Math.min(soonest, from[i] as number);
    lineOf.forEach((other, q) => {
      if (other === line) addStays(calendar, q, label.free[q] as number, soonest, rooms);
    });
    return rooms;
  });
}

/** @param soonest the first day on which anything of the line can be released */
function addStays(calendar: Calendar, q: number, free: number, soonest: number, rooms: number[]): void {
  const { firstOut } = calendar.quarantines[q] as StayCalendar;
  for (let day = free; day < calendar.end; day = Math.max(firstOut(day), soonest) + 1)
    for (let m = calendar.monthAt(day); m < rooms.length; m++) rooms[m] = (rooms[m] as number) + 1;
}
