/** The acts on a group: some or all of it moved on, or gone, as edits. */
import { GONE, moved, split, type Animal, type Edit, type GoneReason } from '../../../core/document';

/** Some or all of a group for an act: what stays as it is, and the part the act is about. @param id for the part, where there are two */
function partOf(animal: Animal, count: number, id: string): { rest: Edit[]; part: Animal } {
  if (count >= animal.count) return { rest: [], part: animal };
  const { stay, go } = split(animal, count, id);
  return { rest: [{ put: 'animals', entity: stay }], part: go };
}

/** Gone for a reason. What is given back ends its loan. @param today the person's calendar day */
export function editsToLose(
  animal: Animal,
  { count, reason, why }: { count: number; reason: GoneReason; why: string },
  at: string,
  today: string,
  id: string,
): Edit[] {
  const { rest, part } = partOf(animal, count, id);
  const gone = moved(part, GONE(reason), at, why);
  const { loan } = gone;
  const ended = reason === 'returned' && loan && loan.returnedDay === null;
  return [
    ...rest,
    { put: 'animals', entity: ended ? { ...gone, loan: { ...loan, returnedDay: today } } : gone },
  ];
}
