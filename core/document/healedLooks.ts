/** From version 5 on: a clear look after a sign said that it was gone. Now that is said in a word of its own. */
import type { Entry } from './entry';
import { compared } from '../time';

/** As much of a look as tells. */
interface LookShape {
  waterId: string;
  day: string;
  result: string;
}

/** What is not of this form is left for the check to name. No schema here: steps are read before any check is loaded. */
function lookOf(entity: unknown): LookShape | null {
  if (typeof entity !== 'object' || entity === null) return null;
  const { waterId, day, result } = entity as Record<string, unknown>;
  return typeof waterId === 'string' && typeof day === 'string' && typeof result === 'string'
    ? { waterId, day, result }
    : null;
}

/** The first clear look after a sign, in each water, is the one that said "healed". */
export function healedLooks(entries: readonly Entry[]): Entry[] {
  const looks = entries.flatMap((entry) => {
    if (entry.collection !== 'looks') return [];
    const look = lookOf(entry.entity);
    return look ? [{ entry, look }] : [];
  });
  // A sign outweighs a clear look of the same day.
  const worst = (result: string) => (result === 'sign' ? 0 : 1);
  looks.sort((a, b) => compared(a.look.day, b.look.day) || worst(a.look.result) - worst(b.look.result));
  const signOn = new Map<string, string>();
  const healed = new Set<Entry>();
  for (const { entry, look } of looks) {
    const since = signOn.get(look.waterId);
    if (look.result === 'sign') signOn.set(look.waterId, look.day);
    else if (since !== undefined && since < look.day) {
      healed.add(entry);
      signOn.delete(look.waterId);
    }
  }
  return entries.map((entry) =>
    healed.has(entry) ? { ...entry, entity: { ...(entry.entity as object), result: 'healed' } } : entry,
  );
}
