/** Who comes first into a display, as the page hands it to the planner: the starter handful of cleaners, then one fish or a pair. */
import { crewPlan } from '../after';
import { asWanted, isIn, type Animal, type Display, type Document } from '../document';
import type { WaterEvidence } from '../evidence';
import { speciesOf } from '../species';
import { STOCKING } from '../stocking';
import { PLANNER } from './limits';
import { sameBatch, type FixedStep, type Wish } from './problem';

/** Ids of the wishes that are the first cleaners: those wanted most, as many as a first portion, of kinds that live in a new tank. Where cleaners or fish
 *  live already none is: later ones wait for nobody, and nobody for them. @param coming bought or wished for */
export function starterCrew(doc: Document, e: WaterEvidence, coming: readonly Animal[]): Set<string> {
  const kindOf = (a: Animal) => speciesOf(doc, a.speciesId);
  const isStarter = (a: Animal) => kindOf(a).crew && kindOf(a).minTankAgeDays <= PLANNER.starterAgeDays;
  const starters = new Set<string>();
  if (e.residents.some((a) => kindOf(a).crew || kindOf(a).group === 'fish')) return starters;
  const { portion } = crewPlan(e, true);
  let count = 0;
  for (const a of asWanted(coming.filter(isStarter))) {
    count += a.count;
    if (starters.size === 0 || count <= portion) starters.add(a.id);
  }
  return starters;
}

/** Does no fish live in a display, so that one fish or a pair comes first? Not where all that is bought was bought to come together.
 *  @param wishes with whoever may be the first told apart (`withFew`) */
export function isFewFirst(
  doc: Document,
  display: Display,
  wishes: readonly Wish[],
  fixed: readonly FixedStep[],
): boolean {
  const isFish = (wish: number) => wishes[wish]?.line === 'fish';
  const lives = Object.values(doc.animals).some(
    (a) => isIn(a, display.id) && speciesOf(doc, a.speciesId).group === 'fish',
  );
  const bought = fixed.filter((f) => f.release === null && isFish(f.wish));
  const areMany = (f: FixedStep) =>
    !wishes[f.wish]?.few || bought.some((other) => other.wish !== f.wish && sameBatch(f, other));
  const mayBeFew = bought.length === 0 || bought.some((f) => !areMany(f));
  return !lives && wishes.some((w) => w.line === 'fish') && mayBeFew;
}

/** Which may be the first fish: one or a pair; where there are only larger groups that may come at all, one of those. @param counts by wish */
export function withFew(wishes: readonly Wish[], counts: readonly number[], hasLid: boolean): Wish[] {
  const able = (w: Wish) => w.line === 'fish' && (hasLid || !w.jumps);
  const isFew = (w: Wish, i: number) => able(w) && (counts[i] as number) <= STOCKING.firstFish;
  const anyFew = wishes.some(isFew);
  return wishes.map((w, i) => ((anyFew ? isFew(w, i) : able(w)) ? { ...w, few: true } : w));
}
