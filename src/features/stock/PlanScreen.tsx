import type { Href } from 'expo-router';
import { useMemo, useState, type ReactNode } from 'react';
import {
  firstCorals,
  foodOfBatch,
  lackedBy,
  ofTheStay,
  standingTank,
  membersOf,
  tankOf,
} from '../../../core/company';
import { isOpen, quarantinesOf, type Display, type Document } from '../../../core/document';
import type { WaterEvidence } from '../../../core/evidence';
import {
  changedSince,
  choicesOf,
  isStartAhead,
  missedPurchases,
  planBefore,
  plannedAnimals,
  type PlannedStep,
  type Problem,
  type StockingPlan,
} from '../../../core/planner';
import { waterHolds } from '../../../core/readiness';
import { compared, dayFromNumber, daysBetween, MINUTE_MS } from '../../../core/time';
import { sentence } from '../../../core/words';
import {
  AGAINST_WORDS,
  ALTERNATIVE_WORDS,
  changedText,
  wonText,
  type PlanSaying,
} from '../../../core/words/plan';
import {
  localDay,
  selectAssessment,
  selectDocument,
  selectEvidence,
  shortWrittenDay,
  useAppSelector,
  useNow,
} from '../../store';
import { Button, Empty, Go, KeepsRoom, Line, Row, Screen, Section, Txt, useTheme } from '../../ui';
import { useKeptAnswer } from '../../store/useKeptAnswer';
import { usePlans, type Plans } from '../../workers';
import { useUnits, useWords, WithDisplay } from '../shell';
import { useKeptForecast } from '../shell/quietForecast';
import { saidOf, usePlanKept } from '../shell/quietPlan';
import { PlanBatches } from './PlanBatches';
import { PlanChoicesPart } from './PlanChoicesPart';
import { askingOf, batchesOf, bottleGateOf, concessionsOf, sayingOf } from './planModel';
import { LeftOut } from './PlanLeftOut';
import { PlanLoad } from './PlanLoad';
import { PlanPicture } from './PlanPicture';
import { Fallow, LikelyStart, Missed, NoStart, Planning, QuarantineFirst, Starving } from './PlanStart';
import { PlanTried } from './PlanTried';

export function PlanScreen() {
  return <WithDisplay>{(water) => <Plan water={water} />}</WithDisplay>;
}

/** From wishes to dates: who is bought when, when each may join, and what each date waits for. */
function Plan({ water }: { water: Display }) {
  const now = useNow(10 * MINUTE_MS);
  const words = useWords();
  const doc = useAppSelector(selectDocument);
  const evidence = useAppSelector((s) => selectEvidence(s, water.id, now));
  const assessment = useAppSelector((s) => selectAssessment(s, water.id, now));
  const held = waterHolds(assessment);
  const planned = useMemo(() => plannedAnimals(doc, water, evidence, localDay), [doc, water, evidence]);
  const [kept] = useKeptAnswer(water.id);
  const bottleGate = bottleGateOf(kept, choicesOf(water).which);
  const { problem, asked } = useMemo(
    () => askingOf(doc, water, evidence, assessment, planned, bottleGate),
    [doc, water, evidence, assessment, planned, bottleGate],
  );
  const ahead = planned.animals.length > 0 && isStartAhead(assessment);
  // Its dates are kept with the log once they are worked out, and the plan goes by them.
  const start = useKeptForecast(water.id, now, ahead);
  const undated = ahead && problem.gate === null;
  const cautiousGate = asked.find((a) => a.name === 'cautious')?.problem.gate;
  const plans = usePlans(asked);
  const { plan } = plans.made;
  const isMaking = !plans.failed && (plan === undefined || (undated && start.kind === 'working'));
  const { printing } = useTheme();
  const units = useUnits();
  const saying = useMemo(() => sayingOf(doc, units), [doc, units]);
  return (
    <Screen
      title="Plan"
      aside={
        printing ? null : (
          <>
            <PlanChoicesPart water={water} planned={planned} />
            <PlanLoad plan={plan} problem={problem} doc={doc} water={water} />
            {problem.budget !== null && problem.spentThisMonth ? (
              <Line name="Spent on animals this month" value={problem.spentThisMonth.toFixed(2)} />
            ) : null}
          </>
        )
      }
    >
      {held ? (
        <Txt tone="ammonia">{`${sentence(held, words)} First the water: the days below are those of a tank that is steady again.`}</Txt>
      ) : null}
      {evidence.unnamedSince === null ? null : (
        <Txt tone="ammonia">
          {`${sentence({ code: 'nobodyNamed' }, words)} The days below hold only if nobody does.`}
        </Txt>
      )}
      {quarantinesOf(doc, water.id)
        .filter(isOpen)
        .map((q) => (
          <QuarantineFirst key={q.id} water={q} now={now} />
        ))}
      <KeepsRoom isMaking={isMaking}>
        {plans.failed ? (
          <Txt tone="ammonia">The plan could not be made here. Load the page again.</Txt>
        ) : plan === undefined || isMaking ? (
          <Planning forStart={undated} />
        ) : (
          <Made
            plan={plan}
            plans={plans}
            problem={problem}
            hopeless={planned.never.length > 0}
            bottleUnknown={ahead && bottleGate === null}
            doc={doc}
            water={water}
            evidence={evidence}
            now={now}
            saying={saying}
          >
            {undated ? <NoStart water={water} start={start} /> : null}
            {ahead && problem.gate !== null && cautiousGate !== undefined ? (
              <LikelyStart
                day={dayFromNumber(problem.gate)}
                late={cautiousGate === null ? null : dayFromNumber(cautiousGate)}
                saying={saying}
              />
            ) : null}
            {problem.fishGate === undefined ? null : (
              <Fallow
                until={problem.fishGate === null ? null : dayFromNumber(problem.fishGate)}
                saying={saying}
              />
            )}
            <Missed animals={missedPurchases(planned.animals, localDay(now))} saying={saying} />
          </Made>
        )}
      </KeepsRoom>
      {planned.never.length > 0 ? (
        <Section title="Not in this tank">
          {planned.never.map(({ animal, says }) => (
            <Txt key={animal.id} tone="ammonia">
              {`${sentence(says, words)} No day is right for it.`}
            </Txt>
          ))}
          <Go href={`/water/${water.id}/stock/company` as Href}>Who lives with whom</Go>
        </Section>
      ) : null}
    </Screen>
  );
}

/** A batch tried on another day: from the drawing, or from its own lines. */
interface Tried {
  wishId: string;
  /** After today. */
  days: number;
  from: 'drawing' | 'batch';
}

const tryFrom = (plan: StockingPlan, wishId: string, today: string): Tried => {
  const planned = plan.steps.find((s) => s.wishId === wishId)?.releaseDay ?? today;
  return { wishId, days: daysBetween(today, planned), from: 'batch' };
};

function Made({
  plan,
  plans,
  problem,
  hopeless,
  bottleUnknown,
  doc,
  water,
  evidence,
  now,
  saying,
  children,
}: {
  plan: StockingPlan;
  plans: Plans;
  problem: Problem;
  /** There are wishes, for which no day is right. */
  hopeless: boolean;
  /** The start is ahead, and nobody has compared what another bottle of bacteria would win. */
  bottleUnknown: boolean;
  doc: Document;
  water: Display;
  evidence: WaterEvidence;
  now: number;
  saying: PlanSaying;
  /** What its dates do not know. */
  children: ReactNode;
}) {
  const { printing } = useTheme();
  const [tried, setTried] = useState<Tried | null>(null);
  const today = localDay(now);
  usePlanKept(plan, problem, water, now);
  const minded = useMinded(plan, doc, water, evidence, today);
  const { lastRelease } = plan;
  const firstIn = plan.steps.map((s) => s.releaseDay).sort(compared)[0] ?? null;
  if (plan.steps.length === 0 && plan.leftOut.length === 0)
    return (
      <Empty
        alone
        title={hopeless ? 'No wish can be planned' : 'Nothing wished for'}
        text={
          hopeless
            ? 'No day is right for what is wished for; why stands below.'
            : 'Find animals under Stock and wish for them: the plan says when.'
        }
      >
        <Go href={`/water/${water.id}/stock/species` as Href}>Find an animal</Go>
      </Empty>
    );
  const all = plan.steps.length + plan.leftOut.length;
  const concessions = concessionsOf(plan, problem, doc);
  const batch = tried ? batchesOf(plan.steps).find(([first]) => first.wishId === tried.wishId) : undefined;
  const trying =
    tried && batch ? (
      <PlanTried
        steps={batch}
        plan={plan}
        problem={problem}
        doc={doc}
        today={today}
        saying={saying}
        days={tried.days}
        onDays={(days) => setTried({ ...tried, days })}
        onDone={() => setTried(null)}
      />
    ) : null;
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
        {printing ? ` This is how it stood on ${shortWrittenDay(today)}.` : ''}
        {plan.steps.some((s) => s.freeMgN !== null)
          ? ' Ammonia is predicted for water whose alkalinity is kept up: bacteria stand still without it.'
          : ''}
      </Txt>
      {children}
      {firstIn === null ? null : <Starving water={water} first={firstIn} now={now} saying={saying} />}
      <WhatMoved plan={plan} problem={problem} doc={doc} water={water} today={today} saying={saying} />
      {lastRelease === null ? null : (
        <>
          <Txt kind="small" tone="second">
            {`nitrogen from feeding, mg N a day; below, each stay in quarantine${printing ? '' : ': move its dot'}`}
          </Txt>
          <PlanPicture
            plan={plan}
            problem={problem}
            doc={doc}
            evidence={evidence}
            saying={saying}
            now={now}
            tried={tried}
            onTry={(moved) => setTried({ ...moved, from: 'drawing' })}
          />
        </>
      )}
      {tried?.from === 'drawing' ? trying : null}
      <PlanBatches
        plan={plan}
        doc={doc}
        saying={saying}
        minded={minded}
        cautious={plans.made.cautious}
        apart={plans.apart}
        tried={tried?.from === 'batch' ? tried.wishId : null}
        trying={trying}
        onTry={(wishId) => setTried(wishId === null ? null : tryFrom(plan, wishId, today))}
      />
      {concessions.length > 0 ? (
        <Section title="Set by you, against a rule">
          {concessions.map((c) => (
            <Txt key={JSON.stringify(c)} tone="nitrite">
              {`${c.wishIds.map(saying.nameOf).join(', ')}: ${AGAINST_WORDS[c.rule]}`}
            </Txt>
          ))}
        </Section>
      ) : null}
      {plan.leftOut.length > 0 ? (
        <Section title="Not in the plan">
          <LeftOut plan={plan} plans={plans} problem={problem} saying={saying} />
        </Section>
      ) : null}
      <WhatWins plan={plan} plans={plans} water={water} bottleUnknown={bottleUnknown} />
      <Row>
        <Button kind="quiet" icon="print" label="Print the plan" onPress={() => window.print()} />
      </Row>
    </>
  );
}

/** What is to be minded of a batch: what the tank lacks for it, who cannot be in one quarantine for weeks, and what its cleaners would find to live on. */
function useMinded(
  plan: StockingPlan,
  doc: Document,
  water: Display,
  evidence: WaterEvidence,
  today: string,
) {
  const members = useMemo(() => membersOf(doc, water), [doc, water]);
  const tank = useMemo(() => tankOf(evidence, localDay), [evidence]);
  return (steps: readonly PlannedStep[]) => {
    const day = steps[0]?.releaseDay ?? today;
    const earlier = plan.steps.filter((s) => s.releaseDay < day);
    const came = new Set(earlier.map((s) => s.wishId));
    const ids = new Set(steps.map((s) => s.wishId));
    const theirs = members.filter((m) => ids.has(m.id));
    const quarantine = doc.waters[steps[0]?.quarantineId ?? ''];
    const stay = quarantine ? ofTheStay(standingTank(quarantine, today), theirs) : [];
    const food = foodOfBatch(tank, members, {
      ids,
      before: came,
      daysAhead: daysBetween(today, day),
    });
    const there = members.filter((m) => m.stage === 'here' || came.has(m.id));
    return [...lackedBy(tank, theirs), ...firstCorals(there, theirs), ...stay, ...food];
  };
}

/** What moved since the plan of an earlier day, in a sentence. */
function WhatMoved({
  plan,
  problem,
  doc,
  water,
  today,
  saying,
}: {
  plan: StockingPlan;
  problem: Problem;
  doc: Document;
  water: Display;
  today: string;
  saying: PlanSaying;
}) {
  const before = planBefore(doc.plans, water.id, today, localDay);
  if (!before) return null;
  const { which } = choicesOf(water);
  const now = saidOf(plan, problem, { id: '', waterId: water.id, at: '', which });
  const changed = changedSince(
    doc,
    before,
    {
      ...now,
      today,
      steps: plan.steps,
      leftOut: plan.leftOut,
      outdoesTold: plan.outdoesTold,
      isFallow: problem.fishGate !== undefined,
    },
    localDay,
  );
  return changed ? <Txt tone="nitrite">{changedText(changed, saying)}</Txt> : null;
}

/** What a second quarantine would win, and what none would risk. */
function WhatWins({
  plan,
  plans,
  water,
  bottleUnknown,
}: {
  plan: StockingPlan;
  plans: Plans;
  water: Display;
  bottleUnknown: boolean;
}) {
  const others = (['secondQuarantine', 'secondBottle', 'noQuarantine'] as const).flatMap((kind) => {
    const other = plans.made[kind];
    return other ? [{ kind, other }] : [];
  });
  const asksForBottle =
    bottleUnknown && plan.steps.some(({ binding }) => binding.some(({ rule }) => rule === 'R1'));
  if (others.length === 0 && !asksForBottle) return null;
  return (
    <Section title="What would win time">
      {others.map(({ kind, other }) => (
        <Txt key={kind} tone={kind === 'noQuarantine' ? 'ammonia' : 'ink'}>
          {`${ALTERNATIVE_WORDS[kind]} ${wonText(plan, other)}.${kind === 'noQuarantine' ? ' What one of them carries is in the display then, and only weeks without any fish get it out. It is not proposed.' : ''}`}
        </Txt>
      ))}
      {asksForBottle ? (
        <>
          <Txt>What another bottle of bacteria would win is told once the forecast has compared it.</Txt>
          <Go href={`/water/${water.id}/cycle/forecast` as Href}>Compare it in the forecast</Go>
        </>
      ) : null}
    </Section>
  );
}
