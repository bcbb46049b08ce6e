/** The plan page as plain data: what is asked of the planner, and how it is said. */
import type { Animal, Display, Document, Edit } from '../../../core/document';
import { placeOf } from '../../../core/document';
import type { WaterEvidence } from '../../../core/evidence';
import {
  alternativesOf,
  choicesOf,
  problemFor,
  type AlternativeKind,
  type PlanChoices,
  type Planned,
  type PlannedStep,
  type Problem,
  type StockingPlan,
} from '../../../core/planner';
import type { Assessment } from '../../../core/readiness';
import { DAY_MS, dayNumber } from '../../../core/time';
import { parseDecimal, showQuantity, type UnitPreferences } from '../../../core/units';
import { animalWords } from '../../../core/words';
import type { PlanSaying } from '../../../core/words/plan';
import { localDay, shortWrittenDay } from '../../store';
import type { KeptAnswer } from '../../store/answers';

/** The plan, the one with the other dates of the start, and what would win time. */
export type Asked = 'plan' | 'cautious' | AlternativeKind;

export interface Asking {
  problem: Problem;
  asked: { name: Asked; problem: Problem }[];
}

/** The day fish may come with a bottle more, as the kept forecast has compared it; null where it has not.
 *  @param which the date that the plan goes by */
export function bottleGateOf(
  kept: KeptAnswer | null | undefined,
  which: PlanChoices['which'],
): number | null {
  const ready = kept?.courses.find((c) => c.id === 'bottle')?.ready;
  const days = which === 'likely' ? ready?.p50 : ready?.p90;
  return kept && days !== null && days !== undefined
    ? dayNumber(localDay(kept.answer.atMs + days * DAY_MS))
    : null;
}

/** What is asked of the planner, the plan itself first. */
export function askingOf(
  doc: Document,
  water: Display,
  evidence: WaterEvidence,
  assessment: Assessment,
  planned: Planned,
  bottleGate: number | null,
): Asking {
  const choices = choicesOf(water);
  const problemOf = (which: PlanChoices['which']) =>
    problemFor(doc, { ...water, stocking: { ...choices, which } }, evidence, assessment, planned, localDay);
  const problem = problemOf(choices.which);
  const cautious =
    choices.which === 'likely' ? [{ name: 'cautious' as const, problem: problemOf('cautious') }] : [];
  const others = alternativesOf(problem, bottleGate).map(({ kind, problem }) => ({ name: kind, problem }));
  return { problem, asked: [{ name: 'plan', problem }, ...cautious, ...others] };
}

export const sayingOf = (doc: Document, units: UnitPreferences): PlanSaying => ({
  nameOf: (id) => (doc.animals[id] ? animalWords(doc, doc.animals[id]) : 'one that is gone'),
  day: shortWrittenDay,
  litres: (litres) => showQuantity('volume', litres, units, 0),
});

/** Batches in the order of their purchase: who goes through a quarantine together. */
export function batchesOf(steps: readonly PlannedStep[]): [PlannedStep, ...PlannedStep[]][] {
  const keys = [...new Set(steps.map((s) => `${s.quarantineId} ${s.buyDay}`))];
  return keys.map(
    (key) => steps.filter((s) => `${s.quarantineId} ${s.buyDay}` === key) as [PlannedStep, ...PlannedStep[]],
  );
}

/** The wishes put in a new order: the first is wanted most. */
export const editsToOrder = (doc: Document, ids: readonly string[]): Edit[] =>
  ids.flatMap((id, i): Edit[] => {
    const animal: Animal | undefined = doc.animals[id];
    const priority = Math.min(99, i + 1);
    return animal && animal.wish?.priority !== priority
      ? [{ put: 'animals', entity: { ...animal, wish: { ...animal.wish, priority } } }]
      : [];
  });

/** A budget as typed: nothing is no limit. */
export function readBudget(
  text: string,
): { ok: true; budget: number | null } | { ok: false; message: string } {
  if (text.trim() === '') return { ok: true, budget: null };
  const read = parseDecimal(text);
  if (!read.ok || read.value < 0 || read.value > 1e6)
    return { ok: false, message: 'Give an amount for a month, 0 or more, or leave it empty for no limit.' };
  return { ok: true, budget: read.value };
}

/** What of the person's own steps is still to be said: that a purchase was on no day for it is past once it is made, and that a fish grew in its
 *  quarantine nobody set. */
export function concessionsOf(
  plan: StockingPlan,
  problem: Problem,
  doc: Document,
): StockingPlan['concessions'] {
  const isSet = (id: string) =>
    problem.fixed.some((f) => problem.wishes[f.wish]?.id === id && f.release !== null);
  return plan.concessions.filter(
    ({ rule, wishIds }) =>
      (rule !== 'R9' && rule !== 'R3') || wishIds.some((id) => !isBought(doc, id) || isSet(id)),
  );
}

/** Is it in a water already, whatever its plan says of the days? */
export const isBought = (doc: Document, animalId: string): boolean => {
  const animal = doc.animals[animalId];
  return animal !== undefined && placeOf(animal).kind === 'water';
};
