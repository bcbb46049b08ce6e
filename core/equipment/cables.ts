/** Which cable is plugged in where, and what one fuse would stop. */
import type { Equipment } from '../document';

export interface Socket {
  /** As the person calls it; empty for parts of which nobody said. */
  name: string;
  parts: Equipment[];
  watts: number;
  /** Heat and flow hang on it both: one fuse stops the two things nobody in the tank does without. */
  heatAndFlow: boolean;
}

/** Parts in use that have a cable, by the socket they hang on; those of which no socket is said come last. */
export function socketsOf(equipment: readonly Equipment[]): Socket[] {
  const names = new Map<string, Equipment[]>();
  for (const part of equipment.filter(hasCable)) {
    const name = part.plug?.socket.trim() ?? '';
    const key = name.toLowerCase();
    names.set(key, [...(names.get(key) ?? []), part]);
  }
  return [...names.entries()]
    .sort(([a], [b]) => (a === '' ? 1 : b === '' ? -1 : a < b ? -1 : 1))
    .map(([key, parts]) => ({
      name: key === '' ? '' : (parts[0]?.plug?.socket.trim() ?? ''),
      parts,
      watts: parts.reduce((sum, part) => sum + (part.watts ?? 0), 0),
      heatAndFlow:
        key !== '' && parts.some((p) => p.kind === 'heater') && parts.some((p) => p.kind === 'pump'),
    }));
}

/** What takes current, or is said to be plugged in. */
const hasCable = (part: Equipment): boolean =>
  part.endedDay === null && ((part.watts ?? 0) > 0 || part.plug !== undefined);
