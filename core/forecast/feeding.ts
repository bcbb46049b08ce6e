/** What animals bring into the water, as acts on the line of time: their load from the day they join, meals where they are logged. */
import { waterOf, type WaterEvent } from '../document';
import type { WaterEvidence } from '../evidence';
import { FOOD_MG_N_PER_G } from '../nitrogen/food';
import { speciesOf } from '../species';
import { EXCRETED_SHARE, groupLoadMgN } from '../stocking/load';
import { DAY_MS } from '../time';
import { TAKEN } from './limits';
import { ACT, type Act } from './acts';

type Meal = Extract<WaterEvent, { kind: 'food' }>;

/** At a moment, what changes: load of those that eat what they are given, of those that graze, how many meals still stand for the ration. */
interface Turn {
  day: number;
  eating: number;
  grazing: number;
  meals: number;
  meal: Meal | null;
}

/** Meals and loads in order of time. Where a meal is logged it counts in place of the ration the eaters were taken to get, for a day and a
 *  half; what is eaten is excreted in part, what falls into an empty tank rots whole. `dayOf` turns a moment into a day of the line. */
export function feedingActs(e: WaterEvidence, dayOf: (ms: number) => number): Act[] {
  const turns = [...turnsOfAnimals(e, dayOf), ...turnsOfMeals(e, dayOf)].sort((a, b) => a.day - b.day);
  const acts: Act[] = [];
  let [eating, grazing, meals, said] = [0, 0, 0, 0];
  for (const turn of turns) {
    eating += turn.eating;
    grazing += turn.grazing;
    meals += turn.meals;
    const load = grazing + (meals > 0 ? 0 : eating);
    if (Math.abs(load - said) > 1e-9) {
      acts.push({ day: Math.max(0, turn.day), code: ACT.load, amount: load - said });
      said = load;
    }
    if (!turn.meal || turn.day < 0) continue;
    const given = turn.meal.grams * FOOD_MG_N_PER_G[turn.meal.food];
    const eaten = eating > 1e-9 ? EXCRETED_SHARE : 1;
    acts.push({ day: turn.day, code: ACT.food, amount: given * eaten });
  }
  return acts;
}

const NO_TURN: Turn = { day: 0, eating: 0, grazing: 0, meals: 0, meal: null };

/** Each stay of each group, from the day it joined to the day it left, growing month by month. */
function turnsOfAnimals(e: WaterEvidence, dayOf: (ms: number) => number): Turn[] {
  return e.joined.flatMap(({ animal }) => {
    const grazes = speciesOf(e, animal.speciesId).load.kind === 'fixed';
    const turns: Turn[] = [];
    let load = 0;
    const brings = (ms: number, next: number) => {
      const more = next - load;
      load = next;
      turns.push({ ...NO_TURN, day: dayOf(ms), ...(grazes ? { grazing: more } : { eating: more }) });
    };
    animal.moves.forEach((move, i) => {
      const atMs = Date.parse(move.at);
      if (waterOf(move.to) !== e.water.id) {
        if (load !== 0) brings(atMs, 0);
        return;
      }
      const next = animal.moves[i + 1];
      const untilMs = next ? Date.parse(next.at) : e.nowMs;
      for (let ms = atMs; ms <= untilMs; ms += TAKEN.grownAfterDays * DAY_MS)
        brings(ms, groupLoadMgN(e, animal, ms));
    });
    return turns;
  });
}

function turnsOfMeals(e: WaterEvidence, dayOf: (ms: number) => number): Turn[] {
  return e.events.flatMap((x) => {
    if (x.kind !== 'food' || x.food === 'seafood') return [];
    const day = dayOf(Date.parse(x.at));
    return [
      { ...NO_TURN, day, meals: 1, meal: x },
      { ...NO_TURN, day: day + TAKEN.mealStandsDays, meals: -1 },
    ];
  });
}

/** Food a day as it was given lately, mg N that comes to the water; 0 where nobody feeds, or the last meal no longer stands for the ration.
 *  @param acts of the line, in order of time */
export function fedLately(acts: readonly Act[], nowDay: number): number {
  const meals = acts.filter((a) => a.code === ACT.food && a.day > nowDay - TAKEN.fedLatelyDays);
  const [first, last] = [meals[0], meals[meals.length - 1]];
  if (!first || !last || nowDay - last.day > TAKEN.mealStandsDays) return 0;
  return meals.reduce((sum, a) => sum + a.amount, 0) / Math.max(1, nowDay - first.day);
}
