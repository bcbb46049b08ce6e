/** When a wish is to come: the day the person means, beside what the last plan says. */
import type { Animal, SaidPlan } from '../../../core/document';
import { planReaches } from '../../../core/planner';
import { shortWrittenDay, writtenDay } from '../../store';

/** Is a day further ahead than any plan looks? */
export const isFar = (day: string, today: string): boolean => day > planReaches(today);

/** A question about such a day; none about one that is nearer. */
export const farQuestion = (day: string, today: string): string | null =>
  isFar(day, today)
    ? `A plan looks ahead to ${writtenDay(planReaches(today))}, no further. Is the year right?`
    : null;

/** @param plan the newest that was worked out; @param today a day of it that has passed says nothing any more
 *  @param hopeless no day is right for it, whatever a plan said before
 *  @returns a line each; null where neither has a day */
export function dayWords(
  animal: Animal,
  plan: SaidPlan | undefined,
  today: string,
  hopeless = false,
): string | null {
  if (hopeless) return 'no day is right';
  const meant = animal.plannedDay;
  const planned = plan?.steps.find((s) => s.animalId === animal.id)?.releaseDay ?? null;
  const parts = [
    ...(meant !== null && meant !== planned
      ? [`meant for ${isFar(meant, today) ? writtenDay(meant) : shortWrittenDay(meant)}`]
      : []),
    ...(planned !== null && planned >= today ? [`plan: ${shortWrittenDay(planned)}`] : []),
    ...(plan?.leftOut.includes(animal.id) ? ['not in the plan'] : []),
  ];
  return parts.length > 0 ? parts.join('\n') : null;
}
