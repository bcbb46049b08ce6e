/** What could come next in a plan, as a whole. */
import { type Batch, LATE, NONE } from './label';

/** One batch, or several that enter on one day. */
export interface Event {
  batches: readonly Batch[];
  mask: number;
  loadMgN: number;
  heavy: boolean;
  crew: boolean;
  fish: boolean;
  gentlest: number;
  fiercest: number;
}

export function eventOf(batches: readonly Batch[]): Event {
  const event: Event = {
    batches,
    mask: 0,
    loadMgN: 0,
    heavy: false,
    crew: false,
    fish: false,
    gentlest: LATE,
    fiercest: NONE,
  };
  for (const b of batches) {
    event.mask |= b.mask;
    event.loadMgN += b.loadMgN;
    event.heavy ||= b.heavy;
    event.crew ||= b.crew;
    event.fish ||= b.fish;
    event.gentlest = Math.min(event.gentlest, b.gentlest);
    event.fiercest = Math.max(event.fiercest, b.fiercest);
  }
  return event;
}
