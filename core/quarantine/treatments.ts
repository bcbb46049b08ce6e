/** What treatments mean for the clock, the filter and those who may ever live in the water. Nothing here proposes a medicine or a dose. */
import type { Document, Quarantine, Treatment } from '../document';

export const treatmentsOf = (doc: Document, waterId: string): Treatment[] =>
  Object.values(doc.treatments)
    .filter((t) => t.waterId === waterId)
    .sort((a, b) => a.startDay.localeCompare(b.startDay));

/** Days that do not count: under a treatment that may hide signs, or under any where the person's school leaves treatment days out. */
export function maskedBy(doc: Document, quarantine: Quarantine): (day: string) => boolean {
  const hiding = treatmentsOf(doc, quarantine.id).filter(
    (t) => t.hides.includes('signs') || quarantine.treatmentDaysCount === false,
  );
  return (day) => hiding.some((t) => t.startDay <= day && (t.endDay === null || day <= t.endDay));
}

/** Copper was ever in this water: no invertebrate or coral goes in any more, for rock, sand and silicone give it back. */
export const everHeldCopper = (doc: Document, waterId: string): boolean =>
  treatmentsOf(doc, waterId).some((t) => t.holds === 'copper');
