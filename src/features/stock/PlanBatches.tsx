import { useState } from 'react';
import { hasteOf, type PlannedStep, type Problem, type StockingPlan } from '../../../core/planner';
import type { Document } from '../../../core/document';
import { addDays, daysBetween } from '../../../core/time';
import { bindingText, brokenText, type PlanSaying } from '../../../core/words/plan';
import { commit, localDay, shortWrittenDay, useAppDispatch } from '../../store';
import { Button, Line, Row, Section, Txt } from '../../ui';
import { Slide } from '../../ui/Slide';
import { batchesOf } from './planModel';

/** The batches of a plan with their days, what each waits for, and what haste would cost. */
export function PlanBatches({
  plan,
  problem,
  doc,
  now,
  saying,
  cautious,
}: {
  plan: StockingPlan;
  problem: Problem;
  doc: Document;
  now: number;
  saying: PlanSaying;
  /** The same with the late dates of the start, once it is made. */
  cautious: StockingPlan | undefined;
}) {
  const today = localDay(now);
  return (
    <>
      {batchesOf(plan.steps).map((steps) => {
        const [first] = steps;
        const late = cautious?.steps.find((s) => s.wishId === first.wishId)?.releaseDay;
        const began = first.buyDay < today;
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
              value={`from ${shortWrittenDay(first.releaseDay)}${late && late !== first.releaseDay ? `, cautiously ${shortWrittenDay(late)}` : ''}`}
            />
            <Line name="Test ammonia" value={first.testDays.map(shortWrittenDay).join(', ')} />
            {first.freeMgN === null ? null : (
              <Line name="Free ammonia, at most" value={`${first.freeMgN.toFixed(3)} mg/L NH₃-N`} />
            )}
            {first.binding.map((reason) => (
              <Txt key={reason.rule} kind="small" tone="second">
                {`It ${bindingText(reason, saying)}.`}
              </Txt>
            ))}
            <BatchActs steps={steps} plan={plan} problem={problem} doc={doc} today={today} saying={saying} />
          </Section>
        );
      })}
    </>
  );
}

/** Another day tried, and the days of the plan held or let go. */
function BatchActs({
  steps,
  plan,
  problem,
  doc,
  today,
  saying,
}: {
  steps: readonly PlannedStep[];
  plan: StockingPlan;
  problem: Problem;
  doc: Document;
  today: string;
  saying: PlanSaying;
}) {
  const dispatch = useAppDispatch();
  const [trying, setTrying] = useState(false);
  const [first] = steps as [PlannedStep, ...PlannedStep[]];
  const animals = steps.flatMap((s) => doc.animals[s.wishId] ?? []);
  const held = animals.some((a) => a.wish?.held);
  const wished = animals.every((a) => a.moves[a.moves.length - 1]?.to.kind === 'wish');
  const quarantineId = doc.waters[first.quarantineId] ? first.quarantineId : null;
  const hold = (releaseDay: string | null, buyDay: string) =>
    void dispatch(
      commit(
        releaseDay === null ? 'Days let go' : 'Days set',
        animals.map((a) => {
          const { held: _, ...rest } = a.wish ?? {};
          const wish = releaseDay === null ? rest : { ...rest, held: { buyDay, quarantineId, releaseDay } };
          return { put: 'animals' as const, entity: { ...a, wish } };
        }),
      ),
    );
  return (
    <>
      <Row wrap>
        <Button
          kind="quiet"
          label={trying ? 'Not sooner' : 'And sooner?'}
          name={`And sooner: ${saying.nameOf(first.wishId)}`}
          onPress={() => setTrying(!trying)}
        />
        {wished ? (
          <Button
            kind="quiet"
            label={held ? 'Let its days go' : 'Hold these days'}
            name={`${held ? 'Let the days go' : 'Hold the days'} of ${saying.nameOf(first.wishId)}`}
            onPress={() => hold(held ? null : first.releaseDay, first.buyDay)}
          />
        ) : null}
      </Row>
      {trying ? (
        <Haste
          first={first}
          plan={plan}
          problem={problem}
          today={today}
          saying={saying}
          {...(wished ? { onHold: hold } : {})}
        />
      ) : null}
    </>
  );
}

/** A day on the slider, and what that day would break. */
function Haste({
  first,
  plan,
  problem,
  today,
  saying,
  onHold,
}: {
  first: PlannedStep;
  plan: StockingPlan;
  problem: Problem;
  today: string;
  saying: PlanSaying;
  onHold?: (releaseDay: string, buyDay: string) => void;
}) {
  const most = Math.max(1, daysBetween(today, first.releaseDay));
  const [days, setDays] = useState(most);
  const day = addDays(today, days);
  const cost = hasteOf(problem, plan.steps, first.wishId, day);
  return (
    <>
      <Slide
        label={`Day it is let in: ${saying.nameOf(first.wishId)}`}
        min={0}
        max={most + 14}
        value={days}
        says={`${shortWrittenDay(day)}${days < most ? `, ${most - days} ${most - days === 1 ? 'day' : 'days'} sooner` : days > most ? `, ${days - most} later` : ', as planned'}`}
        onChange={setDays}
      />
      {cost.broken.length === 0 ? (
        <Txt tone="go">
          {days < most ? 'Breaks nothing for it; others may come later.' : 'Breaks nothing.'}
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
      {onHold && days !== most ? (
        <Row>
          <Button kind="quiet" label="Set this day all the same" onPress={() => onHold(day, cost.buyDay)} />
        </Row>
      ) : null}
    </>
  );
}
