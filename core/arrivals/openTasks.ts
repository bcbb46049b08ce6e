/** What is planned in a water and still to be done. */
import { waterOf, type Document, type Task } from '../document';
import { compared } from '../time';

/** Tasks not done yet, soonest first. Of the looks after an animal one that fell due and was missed gives way to the next that has come, done
 *  or not: nobody can look on day 1 any more on day 3. Whoever has left the water is not looked after there. */
export function openTasks(doc: Pick<Document, 'tasks' | 'animals'>, waterId: string, today: string): Task[] {
  const here = Object.values(doc.tasks).filter((t) => t.waterId === waterId);
  // The newest look that has come, by whom it is about.
  const newest = new Map<string, string>();
  for (const t of here) {
    if (!isLook(t) || t.day > today) continue;
    const who = t.animalIds.join();
    if (t.day > (newest.get(who) ?? '')) newest.set(who, t.day);
  }
  const stays = (t: Task): boolean =>
    !isLook(t) ||
    (t.day >= (newest.get(t.animalIds.join()) ?? '') &&
      t.animalIds.some((id) => waterOf(doc.animals[id]?.moves.at(-1)?.to) === waterId));
  return here.filter((t) => t.doneAt === null && stays(t)).sort((a, b) => compared(a.day, b.day));
}

/** Set up by the app for an animal that joined; a task of one's own names nobody. */
const isLook = (t: Task): t is Task & { animalIds: string[] } =>
  t.animalIds !== undefined && t.animalIds.length > 0 && t.repeat === undefined;
