import type { Animal, Document } from '../../../core/document';
import { hasteOf, type PlannedStep, type Problem, type StockingPlan } from '../../../core/planner';
import { addDays, daysBetween } from '../../../core/time';
import { brokenText, type PlanSaying } from '../../../core/words/plan';
import { commit, shortWrittenDay, useAppDispatch } from '../../store';
import { Button, Row, Txt } from '../../ui';
import { Slide } from '../../ui/Slide';

/** The animals of a batch, and whether their days are theirs to be set: only wishes still have days. */
export function animalsOf(
  doc: Document,
  steps: readonly PlannedStep[],
): { animals: Animal[]; wished: boolean } {
  const animals = steps.flatMap((s) => doc.animals[s.wishId] ?? []);
  return { animals, wished: animals.every((a) => a.moves[a.moves.length - 1]?.to.kind === 'wish') };
}

/** Holds the days of a batch, or lets them go. */
export function useHold(doc: Document, steps: readonly PlannedStep[]) {
  const dispatch = useAppDispatch();
  const { animals } = animalsOf(doc, steps);
  const [first] = steps as [PlannedStep, ...PlannedStep[]];
  const quarantineId = doc.waters[first.quarantineId] ? first.quarantineId : null;
  return (days: { releaseDay: string; buyDay: string } | null) =>
    dispatch(
      commit(
        days === null ? 'Days let go' : 'Days set',
        animals.map((a) => {
          const { held: _, ...rest } = a.wish ?? {};
          const wish = days === null ? rest : { ...rest, held: { ...days, quarantineId } };
          return { put: 'animals' as const, entity: { ...a, wish } };
        }),
      ),
    );
}

/** A batch tried on another day, and what that day would break. */
export function PlanTried({
  steps,
  plan,
  problem,
  doc,
  today,
  saying,
  days,
  onDays,
  onDone,
}: {
  steps: readonly PlannedStep[];
  plan: StockingPlan;
  problem: Problem;
  doc: Document;
  today: string;
  saying: PlanSaying;
  /** After today. */
  days: number;
  onDays: (days: number) => void;
  onDone: () => void;
}) {
  const hold = useHold(doc, steps);
  const [first] = steps as [PlannedStep, ...PlannedStep[]];
  const planned = Math.max(1, daysBetween(today, first.releaseDay));
  const day = addDays(today, days);
  const cost = hasteOf(problem, plan.steps, first.wishId, day);
  const { wished } = animalsOf(doc, steps);
  const sooner = planned - days;
  return (
    <>
      <Slide
        label={`Day it is let in: ${saying.nameOf(first.wishId)}`}
        min={0}
        max={Math.max(planned + 14, days)}
        value={days}
        says={`${shortWrittenDay(day)}${sooner > 0 ? `, ${sooner} ${sooner === 1 ? 'day' : 'days'} sooner` : sooner < 0 ? `, ${-sooner} later` : ', as planned'}`}
        onChange={onDays}
      />
      {cost.broken.length === 0 ? (
        <Txt tone="go">
          {sooner > 0 ? 'Breaks nothing for it; others may come later.' : 'Breaks nothing.'}
        </Txt>
      ) : null}
      {cost.broken.map((r) => (
        <Txt key={JSON.stringify(r)} tone="ammonia">
          {brokenText(r, saying)}
        </Txt>
      ))}
      {cost.freeMgN === null ? (
        <Txt kind="small" tone="second">
          Nothing is proved, so no ammonia can be predicted.
        </Txt>
      ) : (
        <Txt kind="small" tone={cost.tooMuchAmmonia ? 'ammonia' : 'second'}>
          {`Free ammonia after it, predicted: ${cost.freeMgN.toFixed(3)} mg/L NH₃-N; seen clear for ${cost.daysSeen} days.`}
        </Txt>
      )}
      <Row wrap>
        {wished && sooner !== 0 ? (
          <Button
            kind="quiet"
            label="Set this day all the same"
            onPress={() => {
              void hold({ releaseDay: day, buyDay: cost.buyDay });
              onDone();
            }}
          />
        ) : null}
        <Button kind="quiet" label="As planned" onPress={onDone} />
      </Row>
    </>
  );
}
