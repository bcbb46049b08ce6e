/** Which newcomers have a quarantine to pass. */
import { isOpen, quarantinesOf, type Document, type QuarantineLine, type Water } from '../document';
import type { Species } from '../species';

/** The kind of quarantine a species passes: what is safe for fish is not for the others, and anemones sting corals. */
export const lineOf = (species: Pick<Species, 'is' | 'group'>): QuarantineLine =>
  species.is.includes('anemone') ? 'anemone' : species.group;

/** Lines for which a quarantine of the display is open, and those that the person lets in without one, for a reason that is kept. */
export function openLines(doc: Document, display: Water): ReadonlySet<QuarantineLine> {
  const accepted =
    display.kind === 'display' && display.stocking?.direct ? (['invertebrate', 'coral'] as const) : [];
  const open = quarantinesOf(doc, display.id).filter(isOpen);
  return new Set([...open.map((q) => q.line), ...accepted]);
}
