/** What treatments mean for the clock, the filter and those who may ever live in the water. Nothing here proposes a medicine or a dose. */
import { livingIn, type Document, type Quarantine, type Treatment, type Water } from '../document';
import { speciesOf } from '../species';
import { compared } from '../time';

export const treatmentsOf = (doc: Document, waterId: string): Treatment[] =>
  Object.values(doc.treatments)
    .filter((t) => t.waterId === waterId)
    .sort((a, b) => compared(a.startDay, b.startDay));

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

/** What the label asks for in so much water: the same share of it as of the label's litres. Check by hand: 5 mL for 40 L is 7.5 mL for 60 L. */
export const amountFor = ({ per }: Pick<Treatment, 'per'>, litres: number): number | null =>
  per === null ? null : (per.amount * litres) / per.litres;

/** What speaks against a treatment in this water, worst first. */
export type TreatmentConflict =
  | 'copperWithInvertebrates'
  | 'copperInDisplay'
  | 'copperWithMedia'
  | 'antibioticWithFilter'
  | 'ammoniaHidden';

export function conflictsOf(
  doc: Document,
  water: Water,
  t: Pick<Treatment, 'holds' | 'hides'>,
): TreatmentConflict[] {
  const copper = t.holds === 'copper';
  const others = livingIn(doc, water.id).some((a) => speciesOf(doc, a.speciesId).group !== 'fish');
  const media = (water.kind === 'quarantine' && water.filter === 'cycled') || (water.rockKg ?? 0) > 0;
  const filter = water.kind === 'display' || media;
  return [
    ...(copper && others ? (['copperWithInvertebrates'] as const) : []),
    ...(copper && water.kind === 'display' ? (['copperInDisplay'] as const) : []),
    ...(copper && media ? (['copperWithMedia'] as const) : []),
    ...(t.holds === 'antibiotic' && filter ? (['antibioticWithFilter'] as const) : []),
    ...(t.hides.includes('ammonia') ? (['ammoniaHidden'] as const) : []),
  ];
}

/** What a treatment asks for now. */
export type TreatmentAsk =
  /** Water was changed since the last amount: the label says whether that share is given again. */
  { code: 'redose'; litres: number; amount: number | null } | { code: 'endDay' } | { code: 'filtersOn' };

/** @param changes of the water since it began, litres and moment; @param today the person's day */
export function asksOf(
  t: Treatment,
  changes: readonly { atMs: number; litres: number }[],
  today: string,
): TreatmentAsk[] {
  const over = t.endDay !== null && t.endDay < today;
  const lastGivenMs = t.given.reduce((ms, g) => Math.max(ms, Date.parse(g.at)), 0);
  const since = t.given.length === 0 || over ? [] : changes.filter((c) => c.atMs > lastGivenMs);
  const litres = since.reduce((sum, c) => sum + c.litres, 0);
  return [
    ...(litres > 0 ? [{ code: 'redose' as const, litres, amount: amountFor(t, litres) }] : []),
    ...(t.endDay === today ? [{ code: 'endDay' as const }] : []),
    ...(over && t.filtersOff && t.filtersOnAt === null ? [{ code: 'filtersOn' as const }] : []),
  ];
}
