import type { Warning } from '../../../core/company';
import type { Document } from '../../../core/document';
import type { Apart, PlannedStep, StockingPlan } from '../../../core/planner';
import { batchWaits, soonerText, waitingTexts, type PlanSaying } from '../../../core/words/plan';
import { shortWrittenDay } from '../../store';
import { Button, Line, Row, Section, Txt } from '../../ui';
import { Verdicts } from '../shell/company';
import { batchesOf, isBought } from './planModel';
import { animalsOf, useHold } from './PlanTried';

/** The batches of a plan with their days, and what each waits for. */
export function PlanBatches({
  plan,
  doc,
  saying,
  minded,
  cautious,
  apart,
  tried,
  onTry,
  trying,
}: {
  plan: StockingPlan;
  doc: Document;
  saying: PlanSaying;
  /** What is to be seen to before a batch comes. */
  minded: (steps: readonly PlannedStep[]) => readonly Warning[];
  /** The same with the late dates of the start, once it is made. */
  cautious: StockingPlan | undefined;
  /** Who could come sooner without the rest of their batch, once that is known. */
  apart: readonly Apart[];
  /** The batch another day is tried for, from here; null for none. */
  tried: string | null;
  onTry: (wishId: string | null) => void;
  /** The day that is tried, and what it breaks. */
  trying: React.ReactNode;
}) {
  return (
    <>
      {batchesOf(plan.steps).map((steps) => {
        const [first] = steps;
        const late = cautious?.steps.find((s) => s.wishId === first.wishId)?.releaseDay;
        const lateWords = late ? shortWrittenDay(late) : 'without a day';
        const began = isBought(doc, first.wishId);
        const where = doc.waters[first.quarantineId]?.name ?? 'no quarantine';
        return (
          <Section
            key={`${first.quarantineId} ${first.buyDay}`}
            title={steps.map((s) => saying.nameOf(s.wishId)).join(', ')}
          >
            <Line
              name={began ? 'In quarantine' : 'Buy'}
              value={began ? where : `${shortWrittenDay(first.buyDay)}, ${where}`}
            />
            <Line
              name="In the display"
              value={`from ${shortWrittenDay(first.releaseDay)}${cautious && late !== first.releaseDay ? `, cautiously ${lateWords}` : ''}`}
            />
            <Line name="Test ammonia" value={first.testDays.map(shortWrittenDay).join(', ')} />
            {first.freeMgN === null ? null : (
              <Line name="Free ammonia, at most" value={`${first.freeMgN.toFixed(3)} mg/L NH₃-N`} />
            )}
            {first.binding.map((reason) => (
              <Txt key={reason.rule} kind="small" tone="second">
                {batchWaits(
                  reason,
                  saying,
                  steps.map((s) => s.wishId),
                )}
              </Txt>
            ))}
            <Verdicts of={minded(steps)} />
            {apart.map((a) =>
              steps.some((s) => s.wishId === a.batchOf) ? (
                <Parting key={a.batchOf} apart={a} steps={steps} doc={doc} saying={saying} />
              ) : null,
            )}
            <BatchActs steps={steps} doc={doc} saying={saying} tried={tried === first.wishId} onTry={onTry} />
            {tried === first.wishId ? trying : null}
          </Section>
        );
      })}
    </>
  );
}

/** Who of a batch need not wait for the others of it, their days to be held; and who has to. */
function Parting({
  apart: { sooner, waiting },
  steps,
  doc,
  saying,
}: {
  apart: Apart;
  steps: readonly PlannedStep[];
  doc: Document;
  saying: PlanSaying;
}) {
  return (
    <>
      {sooner ? <Sooner sooner={sooner} steps={steps} doc={doc} saying={saying} /> : null}
      {waitingTexts(
        waiting,
        steps.map((s) => s.wishId),
        saying,
      ).map((text) => (
        <Txt key={text} kind="small" tone="second">
          {text}
        </Txt>
      ))}
    </>
  );
}

function Sooner({
  sooner,
  steps,
  doc,
  saying,
}: {
  sooner: NonNullable<Apart['sooner']>;
  steps: readonly PlannedStep[];
  doc: Document;
  saying: PlanSaying;
}) {
  const { wishIds, quarantineId, buyDay, releaseDay } = sooner;
  const theirs = steps.flatMap((s) => (wishIds.includes(s.wishId) ? { ...s, quarantineId } : []));
  const hold = useHold(doc, theirs);
  return (
    <>
      <Txt kind="small">{soonerText(sooner, saying)}</Txt>
      <Row>
        <Button kind="quiet" label="Part them so" onPress={() => void hold({ releaseDay, buyDay })} />
      </Row>
    </>
  );
}

/** Another day tried, and the days of the plan held or let go. */
function BatchActs({
  steps,
  doc,
  saying,
  tried,
  onTry,
}: {
  steps: readonly [PlannedStep, ...PlannedStep[]];
  doc: Document;
  saying: PlanSaying;
  tried: boolean;
  onTry: (wishId: string | null) => void;
}) {
  const [first] = steps;
  const { animals, wished } = animalsOf(doc, steps);
  const held = animals.some((a) => a.wish?.held);
  const hold = useHold(doc, steps);
  return (
    <>
      {held ? (
        <Txt kind="small" tone="second">
          Its days are set by you: the plan is made around them.
        </Txt>
      ) : null}
      <Row wrap>
        {tried ? null : (
          <Button
            kind="quiet"
            label="And sooner?"
            name={`And sooner: ${saying.nameOf(first.wishId)}`}
            onPress={() => onTry(first.wishId)}
          />
        )}
        {wished ? (
          <Button
            kind="quiet"
            label={held ? 'Let its days go' : 'Hold these days'}
            name={`${held ? 'Let the days go' : 'Hold the days'} of ${saying.nameOf(first.wishId)}`}
            onPress={() => void hold(held ? null : { releaseDay: first.releaseDay, buyDay: first.buyDay })}
          />
        ) : null}
      </Row>
    </>
  );
}
