/** How many batches of a line its quarantines can take in by the end of each month: the next only once the one before was released
 *  (core/planner/rooms.ts). */
import { i32At, keep, putI32 } from './memory';
import { tellEntering } from './ends';
import { Label } from './label';
import { prospectOf } from './prospects';
import * as w from './world';
import { Worth } from './world';

let rooms: usize = 0;

export function begin(): void {
  rooms = keep(<usize>(w.CLEANERS * w.months) << 2);
}

/** By line and month, how many can have been bought by its end after a label, for a plan that is better than the best; none where something is bought or
 *  set, which others may join. */
export function roomsAfter(label: Label, best: Worth): usize {
  if (w.hasOwn) return 0;
  const prospect = prospectOf(label);
  const isWhole = prospect.most == best.placed;
  tellEntering(label, prospect.own);
  for (let line = 0; line < w.CLEANERS; line++) {
    const here = rooms + ((<usize>line * w.months) << 2);
    memory.fill(here, 0, <usize>w.months << 2);
    // Where more could be placed than in the best, nobody is sure to come before.
    let soonest = isWhole ? w.end : label.day;
    if (isWhole)
      for (let left = prospect.own.left; left != 0; left &= left - 1)
        if (i32At(w.lines, ctz(left)) == line) soonest = min(soonest, i32At(label.from, ctz(left)));
    for (let q = 0; q < w.quarantines; q++)
      if (i32At(w.lineOf, q) == line) addStays(q, i32At(label.free, q), soonest, here);
  }
  return rooms;
}

/** @param soonest the first day on which anything of the line can be released */
function addStays(q: i32, free: i32, soonest: i32, here: usize): void {
  for (let day = free; day < w.end; day = max(w.firstOut(q, day), soonest) + 1)
    for (let m = w.monthAt(day); m < w.months; m++) putI32(here, m, i32At(here, m) + 1);
}
