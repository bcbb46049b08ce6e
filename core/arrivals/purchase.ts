/** A purchase is one act: several kinds, each into a water of the person's, with what was said of them kept as it was said. */
import { IN, type Animal, type Edit, type Purchase, type Water } from '../document';
import type { Risk } from './guard';

/** One kind, and where it goes. */
export interface Bought {
  animalId: string;
  speciesId: string;
  count: number;
  to: Water;
  /** What spoke against it there. */
  risks: readonly Risk[];
  /** The wish it fulfils, where there is one. */
  wish?: Animal | undefined;
}

/** @param why the reason, where the guard asked for one
 *  @throws RangeError without a reason against the guard, or into copper */
export function editsToBuy(
  bought: readonly Bought[],
  purchase: Omit<Purchase, 'animalIds'>,
  why: string,
): Edit[] {
  const animals = bought.map(({ animalId, speciesId, count, to, risks, wish }): Animal => {
    if (risks.some((r) => r.code === 'riskCopper')) throw new RangeError(`"to" has held copper: ${to.name}`);
    if (risks.length > 0 && why.trim() === '')
      throw new RangeError('"why" must say why it goes in all the same');
    // A wish that is met is the animal now; one that is met in part goes on.
    const met = wish && wish.count <= count ? wish : null;
    return {
      ...(met ?? {}),
      id: met?.id ?? animalId,
      homeId: to.kind === 'display' ? to.id : purchase.waterId,
      speciesId,
      count,
      moves: [
        ...(met?.moves ?? []),
        {
          to: IN(to.id),
          at: purchase.at,
          why: risks.length > 0 ? why : '',
          ...(risks.length > 0 ? { against: risks.map((r) => r.code) } : {}),
        },
      ],
      plannedDay: null,
    };
  });
  return [
    ...animals.map((entity): Edit => ({ put: 'animals', entity })),
    ...bought.flatMap(({ wish, count }): Edit[] =>
      wish && wish.count > count ? [{ put: 'animals', entity: { ...wish, count: wish.count - count } }] : [],
    ),
    { put: 'purchases', entity: { ...purchase, animalIds: animals.map((a) => a.id) } },
  ];
}

/** Where a group stands on its way from purchase to month one. */
export interface Stage {
  id: 'bought' | 'inspected' | 'quarantined' | 'released' | 'monthOne';
  done: boolean;
  /** The day it was done, or is due; null where nobody can say yet. */
  day: string | null;
}

/** @param release the day its quarantine may end, null where it is in none or cannot be said */
export function stagesOf(
  animal: Animal,
  purchase: Purchase,
  o: {
    displayIds: ReadonlySet<string>;
    release: string | null;
    today: string;
    dayOfMs: (ms: number) => string;
    addDays: (day: string, days: number) => string;
  },
): Stage[] {
  const dayOf = (at: string) => o.dayOfMs(Date.parse(at));
  const intoDisplay = animal.moves.find((m) => m.to.kind === 'water' && o.displayIds.has(m.to.waterId));
  const intoOther = animal.moves.find((m) => m.to.kind === 'water' && !o.displayIds.has(m.to.waterId));
  const releasedDay = intoDisplay ? dayOf(intoDisplay.at) : null;
  const monthDay = releasedDay ? o.addDays(releasedDay, 30) : null;
  return [
    { id: 'bought', done: true, day: dayOf(purchase.at) },
    { id: 'inspected', done: animal.inspection !== undefined, day: animal.inspection?.day ?? null },
    ...(intoOther || !intoDisplay
      ? [
          {
            id: 'quarantined' as const,
            done: intoDisplay !== undefined,
            day: intoDisplay ? releasedDay : o.release,
          },
        ]
      : []),
    { id: 'released', done: intoDisplay !== undefined, day: releasedDay ?? o.release },
    { id: 'monthOne', done: monthDay !== null && monthDay <= o.today, day: monthDay },
  ];
}
