/** R6: the free ammonia predicted after each release (core/planner/ammonia.ts), by the nitrogen model of core/nitrogen/model.ts. */
import { f64At, keep } from './memory';
import { Label } from './label';
import * as w from './world';

/** The water of a tank, mg N a litre, and its bacteria: NitrogenState of the model, without what rots; its alkalinity is kept up. */
@unmanaged
class Water {
  ammonia: f64;
  nitrite: f64;
  capacityA: f64;
  capacityN: f64;
}

/** The water on the day of a label, all the load that has entered by then, and the same water later, were nothing else released. */
@unmanaged
class Reached {
  load: f64;
  water: Water;
  later: Water;
  laterDay: i32;
}

function newWater(): Water {
  return changetype<Water>(keep(offsetof<Water>()));
}

function copyWater(to: Water, from: Water): void {
  to.ammonia = from.ammonia;
  to.nitrite = from.nitrite;
  to.capacityA = from.capacityA;
  to.capacityN = from.capacityN;
}

/** Runs water on where it stands. @param enough with more ammonia than this it stops; @returns the most ammonia there was */
function run(water: Water, perDay: f64, days: i32, enough: f64): f64 {
  const dt = w.modelStep;
  const steps = <i32>Math.round(<f64>days / dt);
  const added = perDay * dt;
  let ammonia = water.ammonia;
  let nitrite = water.nitrite;
  let capacityA = water.capacityA;
  let capacityN = water.capacityN;
  const buffered = w.firstAlkalinity / (w.firstAlkalinity + 0.5);
  let most: f64 = 0;
  for (let step = 0; step < steps && most <= enough; step++) {
    const a0 = ammonia + added;
    const a1 = a0 / (1 + (dt * buffered * capacityA) / (w.modelKa + a0));
    const oxidised = a0 - a1;
    const n0 = nitrite + oxidised;
    const n1 = n0 / (1 + (dt * buffered * capacityN) / (w.modelKn + n0));
    const growthA = w.modelMuA * w.modelWarmth * buffered * (a1 / (w.modelKa + a1));
    const growthN = w.modelMuN * w.modelWarmth * buffered * (n1 / (w.modelKn + n1));
    ammonia = a1;
    nitrite = n1;
    capacityA = grown(capacityA, growthA, w.modelMaxA, dt);
    capacityN = grown(capacityN, growthN, w.modelMaxN, dt);
    most = max(most, ammonia);
  }
  most = max(most, water.ammonia);
  water.ammonia = ammonia;
  water.nitrite = nitrite;
  water.capacityA = capacityA;
  water.capacityN = capacityN;
  return most;
}

/** The ceiling limits growth only; decay always acts. */
function grown(capacity: f64, growth: f64, most: f64, dt: f64): f64 {
  const limited = growth * max<f64>(0, 1 - capacity / most);
  return (capacity * (1 + limited * dt)) / (1 + w.modelDecay * dt);
}

/** The water of a label, reckoned the first time it is asked for. */
function reachedBy(label: Label): Reached {
  if (label.reached != 0) return changetype<Reached>(label.reached);
  const reached = changetype<Reached>(keep(offsetof<Reached>()));
  reached.water = newWater();
  reached.later = newWater();
  if (label.entered == 0) {
    reached.load = w.presentLoad;
    reached.water.ammonia = 0;
    reached.water.nitrite = 0;
    reached.water.capacityA = w.firstCapacity;
    reached.water.capacityN = w.firstCapacity;
  } else {
    const before = reachedBy(label.parent);
    const k = label.entered - 1;
    const entered = f64At(label.sums, k) - (k > 0 ? f64At(label.sums, k - 1) : 0);
    reached.load = before.load + entered;
    copyWater(reached.water, laterOn(before, label.parent.day, label.day));
  }
  reached.laterDay = label.day;
  copyWater(reached.later, reached.water);
  label.reached = changetype<usize>(reached);
  return reached;
}

/** The water of a label on a later day: days are asked about one after the other. */
function laterOn(from: Reached, since: i32, day: i32): Water {
  if (day < from.laterDay) {
    copyWater(from.later, from.water);
    from.laterDay = since;
  }
  run(from.later, from.load / w.netL, day - from.laterDay, Infinity);
  from.laterDay = day;
  return from.later;
}

const after = changetype<Water>(memory.data(32));

/** Does the water stay within what is allowed once so much more enters on a day? */
export function keepsWater(label: Label, day: i32, load: f64): bool {
  const from = reachedBy(label);
  copyWater(after, laterOn(from, label.day, day));
  const most = run(after, (from.load + load) / w.netL, w.ammoniaDays, w.mostFree / w.freeShare);
  return most * w.freeShare <= w.mostFree;
}
