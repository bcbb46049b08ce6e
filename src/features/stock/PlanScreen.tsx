import { useMemo, useState } from 'react';
import type { Href } from 'expo-router';
import { plannedAnimals, problemFor, type PlanChoices, type StockingPlan } from '../../../core/planner';
import type { Display, Document } from '../../../core/document';
import { speciesOf } from '../../../core/species';
import { addDays, MINUTE_MS } from '../../../core/time';
import { showQuantity } from '../../../core/units';
import { animalWords } from '../../../core/words';
import { BINDING_WORDS, LEFT_OUT_WORDS } from '../../../core/words/plan';
import {
  localDay,
  localMidnight,
  selectAssessment,
  selectDocument,
  selectEvidence,
  shortDay,
  shortWrittenDay,
  useAppSelector,
  useNow,
} from '../../store';
import { Check, Choice, Empty, Go, Line, Row, Screen, Section, Txt } from '../../ui';
import { PlanLanes, type PlanLane } from '../../ui/charts/PlanLanes';
import { usePlan } from '../../workers';
import { useUnits, WithDisplay } from '../shell';
import { toggled } from '../shell/form';

export function PlanScreen() {
  return <WithDisplay>{(water) => <Plan water={water} />}</WithDisplay>;
}

const WEEK = ['Sun', 'Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat'] as const;

/** From wishes to dates: who is bought when, when each may join, and what each date waits for. */
function Plan({ water }: { water: Display }) {
  const now = useNow(10 * MINUTE_MS);
  const units = useUnits();
  const doc = useAppSelector(selectDocument);
  const evidence = useAppSelector((s) => selectEvidence(s, water.id, now));
  const assessment = useAppSelector((s) => selectAssessment(s, water.id, now));
  const [which, setWhich] = useState<PlanChoices['which']>('likely');
  const [shopDays, setShopDays] = useState<number[]>([]);
  const [withoutQuarantine, setWithout] = useState(false);
  const problem = useMemo(
    () => problemFor(doc, water, evidence, assessment, { which, shopDays, withoutQuarantine }, localDay),
    [doc, water, evidence, assessment, which, shopDays, withoutQuarantine],
  );
  const { plan, failed } = usePlan(problem);
  const { tooBig } = plannedAnimals(doc, water, evidence.netL);
  const shortOf = (id: string) => doc.waters[id]?.name ?? 'no quarantine';
  return (
    <Screen
      title="Plan"
      aside={
        <>
          <Txt kind="section" heading={2}>
            What it reckons with
          </Txt>
          <Choice
            label="Dates of the start"
            options={[
              { value: 'likely', label: 'Likely' },
              { value: 'cautious', label: 'Cautious' },
            ]}
            value={which}
            onChange={setWhich}
          />
          <Row wrap>
            {WEEK.map((name, day) => (
              <Check
                key={name}
                label={name}
                checked={shopDays.includes(day)}
                onChange={(on) => setShopDays(toggled(shopDays, day, on))}
              />
            ))}
          </Row>
          <Txt kind="small" tone="second">
            Days with a shop; none chosen is any day.
          </Txt>
          <Check
            label="Cleaners and corals without a quarantine of their own"
            note="What lives on them comes along. A reason is asked when they go in."
            checked={withoutQuarantine}
            onChange={setWithout}
          />
          <Line name="First release at most" value={`${problem.firstStepMgN.toFixed(1)} mg N a day`} />
          <Line
            name="In the display now"
            value={`${problem.released.reduce((sum, r) => sum + r.loadMgN, problem.displayLoadMgN).toFixed(1)} mg N a day`}
          />
        </>
      }
    >
      {failed ? (
        <Txt tone="ammonia">The plan could not be made here. Load the page again.</Txt>
      ) : plan === null ? (
        <Txt kind="title" heading={1} live>
          Planning
        </Txt>
      ) : (
        <Made plan={plan} doc={doc} water={water} now={now} away={problem.away} shortOf={shortOf} />
      )}
      {tooBig.length > 0 ? (
        <Section title="Not in this tank">
          {tooBig.map((a) => (
            <Txt key={a.id} tone="ammonia">
              {`${animalWords(doc, a)} wants ${showQuantity('volume', speciesOf(doc, a.speciesId).minTankL, units, 0)}: no plan makes the glass larger.`}
            </Txt>
          ))}
        </Section>
      ) : null}
    </Screen>
  );
}

const dayMs = (day: number): number => localMidnight(Date.parse(`${dayOf(day)}T12:00:00Z`));
const dayOf = (day: number): string => new Date(day * 86_400_000).toISOString().slice(0, 10);
const msOf = (day: string): number => localMidnight(Date.parse(`${day}T12:00:00Z`));

function Made({
  plan,
  doc,
  water,
  now,
  away,
  shortOf,
}: {
  plan: StockingPlan;
  doc: Document;
  water: Display;
  now: number;
  away: readonly (readonly [number, number])[];
  shortOf: (quarantineId: string) => string;
}) {
  const nameOf = (id: string) => (doc.animals[id] ? animalWords(doc, doc.animals[id]) : '');
  const today = localDay(now);
  const { lastRelease } = plan;
  if (plan.steps.length === 0 && plan.leftOut.length === 0)
    return (
      <Empty
        title="Nothing wished for"
        text="Find animals under Stock and wish for them: the plan says when."
      >
        <Go href={`/water/${water.id}/stock/species` as Href}>Find an animal</Go>
      </Empty>
    );
  const batches = [...new Set(plan.steps.map((s) => `${s.quarantineId} ${s.buyDay}`))].map((key) =>
    plan.steps.filter((s) => `${s.quarantineId} ${s.buyDay}` === key),
  );
  const lanes = batches.flatMap((steps): PlanLane[] => {
    const [first] = steps;
    return first
      ? [
          {
            label: steps.map((s) => nameOf(s.wishId)).join(', '),
            buyMs: msOf(first.buyDay),
            releaseMs: msOf(first.releaseDay),
            testsMs: first.testDays.map(msOf),
            begun: first.buyDay < today,
          },
        ]
      : [];
  });
  const all = plan.steps.length + plan.leftOut.length;
  return (
    <>
      <Txt kind="title" heading={1} live>
        {lastRelease === null
          ? 'Nobody can come yet'
          : plan.leftOut.length === 0
            ? `All in by ${shortWrittenDay(lastRelease)}`
            : `${plan.steps.length} of ${all} in by ${shortWrittenDay(lastRelease)}`}
      </Txt>
      <Txt kind="small" tone="second">
        {plan.status === 'best found'
          ? `The best found; no plan of as many ends before ${plan.bound.lastRelease ? shortWrittenDay(plan.bound.lastRelease) : ''}.`
          : 'No plan within the rules places more, or ends sooner. It is made anew when anything changes.'}
      </Txt>
      {lastRelease === null ? null : (
        <PlanLanes
          lanes={lanes}
          fromMs={now}
          toMs={msOf(addDays(lastRelease, 10))}
          away={away.map(([a, b]) => ({ fromMs: dayMs(a), toMs: dayMs(b + 1) }))}
          midnight={localMidnight}
          dayLabel={shortDay}
          summary={`Batches over time. ${lanes.map((l) => `${l.label}: bought ${shortDay(l.buyMs)}, in ${shortDay(l.releaseMs)}`).join('; ')}.`}
        />
      )}
      {batches.map((steps) => {
        const [first] = steps;
        return first ? (
          <Section
            key={`${first.quarantineId} ${first.buyDay}`}
            title={steps.map((s) => nameOf(s.wishId)).join(', ')}
          >
            <Line
              name={first.buyDay < today ? 'In quarantine' : 'Buy'}
              value={`${first.buyDay < today ? '' : `${shortWrittenDay(first.buyDay)}, `}${shortOf(first.quarantineId)}`}
            />
            <Line name="In the display" value={`from ${shortWrittenDay(first.releaseDay)}`} />
            <Line name="Test ammonia" value={first.testDays.map(shortWrittenDay).join(', ')} />
            {first.binding.map((rule) => (
              <Txt key={rule} kind="small" tone="second">
                {`It ${BINDING_WORDS[rule]}.`}
              </Txt>
            ))}
          </Section>
        ) : null;
      })}
      {plan.leftOut.length > 0 ? (
        <Section title="Not in the plan">
          {plan.leftOut.map((l) => (
            <Txt key={l.wishId} tone="nitrite">
              {`${nameOf(l.wishId)}: ${LEFT_OUT_WORDS[l.rule]}`}
            </Txt>
          ))}
        </Section>
      ) : null}
    </>
  );
}
