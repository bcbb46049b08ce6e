/** Where anything better could lie, as far as days and months go (core/planner/paths.ts). */
import { at, keep, put } from './memory';
import { putBuy } from './packed';
import { batchAt, billAt, buyIn, Label, ToBuy } from './label';
import { Wants } from './money';
import * as w from './world';

/** An event that could follow. */
@unmanaged
export class Way {
  batches: usize;
  batchCount: i32;
  buys: usize;
  buyCount: i32;
  /** Until which of the days that are set. */
  until: i32;
  to: Place;
  /** By rest of the place it leads to, what it is with this event before it; none where that is of no use. */
  into: usize;
}

/** A partial plan and what could follow it. */
@unmanaged
export class Place {
  label: Label;
  steps: usize;
  stepCount: i32;
  stepRoom: i32;
  /** Another that is at least as good in all but money. */
  instead: Place;
  /** What could come after it, once it is known: a list and how many. */
  rests: usize;
  restCount: i32;
  wants: Wants;
  isWantsTold: bool;
}

export function placeOf(label: Label): Place {
  if (label.place != 0) return changetype<Place>(label.place);
  const place = changetype<Place>(keep(offsetof<Place>()));
  place.label = label;
  place.steps = 0;
  place.stepCount = 0;
  place.stepRoom = 0;
  place.instead = changetype<Place>(0);
  place.rests = 0;
  place.restCount = 0;
  place.wants = changetype<Wants>(0);
  place.isWantsTold = false;
  label.place = changetype<usize>(place);
  return place;
}

export function standsFor(place: Place): Place {
  let p = place;
  while (changetype<usize>(p.instead) != 0) p = p.instead;
  return p;
}

/** The one that is dropped is followed no more: another stands for it. */
export function standIn(dropped: Label, by: Label): void {
  placeOf(dropped).instead = placeOf(by);
}

export function stepAt(place: Place, k: i32): Way {
  return changetype<Way>(at(place.steps, k));
}

/** A label could follow a place. */
export function addStep(place: Place, child: Label): void {
  if (place.stepCount == place.stepRoom) {
    const room = max(4, place.stepRoom * 2);
    const steps = keep(<usize>room << 2);
    memory.copy(steps, place.steps, <usize>place.stepCount << 2);
    place.steps = steps;
    place.stepRoom = room;
  }
  const way = changetype<Way>(keep(offsetof<Way>()));
  put(place.steps, place.stepCount++, changetype<usize>(way));
  way.batches = child.batches;
  way.batchCount = child.batchCount;
  way.until = w.spanEnd(child.day);
  way.to = placeOf(child);
  way.into = 0;
  way.buys = keep(<usize>child.batchCount * offsetof<ToBuy>());
  way.buyCount = 0;
  const bill = billAt(child.bills, 0);
  for (let k = 0; k < bill.count; k++) {
    const buy = buyIn(bill, k);
    for (let j = 0; j < child.batchCount; j++) {
      if (batchAt(child.batches, j).mask != buy.mask) continue;
      way.buyCount = putBuy(way.buys, way.buyCount, buy);
      break;
    }
  }
}
