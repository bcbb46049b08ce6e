/** What a keeper has besides a tank: money, a shop that opens on Saturdays, and a job. */
import type { Document, Parameter } from '../document';
import type { Scenario } from './scenario';

/** In the scenario's own money; our choice, of the order of what people pay beside a sitting of tests at one. */
export const PRICES = {
  sitting: 1,
  bottle: 15,
  media: 5,
  changePerL: 0.1,
  dose: 0.2,
  animal: 20,
} as const;

export interface Purse {
  tests: number;
  water: number;
  bacteria: number;
  animals: number;
  spent: number;
  left: number;
}

/** What was spent by now, in all waters, from the log alone; what stood there at the start was paid before. */
export function purse(scenario: Scenario, doc: Pick<Document, 'samples' | 'events' | 'animals'>): Purse {
  const own = <T extends { id: string }>(all: Record<string, T>): T[] =>
    Object.values(all).filter((x) => !x.id.startsWith('start-'));
  const tests = own(doc.samples).length * PRICES.sitting;
  let [water, bacteria] = [0, 0];
  for (const e of own(doc.events)) {
    if (e.kind === 'waterChange') water += e.litres * PRICES.changePerL;
    if (e.kind === 'ammoniaDose' || e.kind === 'dose') water += PRICES.dose;
    if (e.kind === 'bacteria') bacteria += e.seed === 'bottle' ? PRICES.bottle : PRICES.media;
  }
  const animals = own(doc.animals).reduce((sum, a) => sum + a.count * PRICES.animal, 0);
  const spent = tests + water + bacteria + animals;
  return { tests, water, bacteria, animals, spent, left: scenario.budget - spent };
}

/** Minutes a sitting takes at the table: reagents wait side by side, each vial is filled and read by itself (our choice, 3 minutes). */
export function sittingMinutes(kits: Document['kits'], parameters: readonly Parameter[]): number {
  const waits = parameters.map(
    (p) => Object.values(kits).find((k) => k.parameter === p && !k.archived)?.waitMinutes ?? 0,
  );
  return Math.max(0, ...waits) + 3 * parameters.length;
}

/** Where the player is. @param weekday from 0, Sunday @param hour of the day, 0 to 24 */
export const atWork = (weekday: number, hour: number): boolean =>
  weekday >= 1 && weekday <= 5 && hour >= 8 && hour < 17.5;

/** Days until the shop is open; 0 on a Saturday. */
export const daysToShop = (weekday: number): number => (6 - weekday + 7) % 7;
