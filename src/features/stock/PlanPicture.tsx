import { useMemo } from 'react';
import type { Document } from '../../../core/document';
import type { WaterEvidence } from '../../../core/evidence';
import {
  clearOn,
  hasteOf,
  HEAVY_MG_N,
  type PlannedStep,
  presentMgN,
  type Problem,
  type StockingPlan,
  type Wish,
} from '../../../core/planner';
import { ceilingOf, provedCapacity } from '../../../core/stocking';
import { addDays, DAY_MS, dayFromNumber, dayNumber } from '../../../core/time';
import type { PlanSaying } from '../../../core/words/plan';
import { localDay, localMidnight, shortDay, shortWrittenDay } from '../../store';
import { PlanDrawing, type PlanBar, type PlanGroup } from '../../ui/charts/PlanDrawing';
import type { StairStep } from '../../ui/charts/StairLayer';
import { batchesOf, isBought } from './planModel';

const msOf = (day: string): number => localMidnight(Date.parse(`${day}T12:00:00Z`));
/** Shown after the last release. */
const AFTER_DAYS = 21;

const LINE_WORDS = { fish: 'fish', invertebrate: 'invertebrates', coral: 'corals', anemone: 'anemones' };

interface Tried {
  wishId: string;
  /** After today. */
  days: number;
}

/** The plan as one drawing: stair, settling, quarantines. Its dots can be moved. */
export function PlanPicture({
  plan,
  problem,
  doc,
  evidence,
  saying,
  now,
  tried,
  onTry,
}: {
  plan: StockingPlan;
  problem: Problem;
  doc: Document;
  evidence: WaterEvidence;
  saying: PlanSaying;
  now: number;
  tried: Tried | null;
  onTry: (tried: Tried) => void;
}) {
  const today = localDay(now);
  const fromMs = msOf(today);
  const toMs = msOf(addDays(plan.lastRelease ?? today, AFTER_DAYS));
  const { steps, ceiling } = useMemo(
    () => stairOf(plan, problem, evidence, saying, fromMs, toMs),
    [plan, problem, evidence, saying, fromMs, toMs],
  );
  const groups = groupsOf(plan, problem, doc, saying, today, tried);
  const bars = groups.flatMap((g) => g.bars);
  return (
    <PlanDrawing
      steps={steps}
      ceiling={ceiling}
      groups={groups}
      settling={settlingOf(plan, problem)}
      testsMs={[...new Set(plan.steps.flatMap((s) => s.testDays))].map(msOf)}
      away={problem.away.map(([a, b]) => ({
        fromMs: msOf(dayFromNumber(a)),
        toMs: msOf(dayFromNumber(b + 1)),
      }))}
      fromMs={fromMs}
      toMs={toMs}
      midnight={localMidnight}
      dayLabel={shortDay}
      dayWords={(days) => shortWrittenDay(addDays(today, days))}
      onMove={(wishId, days) => onTry({ wishId, days })}
      summary={summaryOf(bars, steps, ceiling)}
    />
  );
}

/** The drawing in words. */
function summaryOf(
  bars: readonly PlanBar[],
  steps: readonly StairStep[],
  ceiling: readonly { mgN: number }[],
): string {
  const batches = bars.map(
    ({ names, buyMs, releaseMs }) =>
      `${names.join(', ')}: bought ${shortDay(buyMs)}, in ${shortDay(releaseMs)}`,
  );
  const rises = `The load rises to ${(steps.at(-1)?.mgN ?? 0).toFixed(1)} milligrams of nitrogen a day`;
  const carries = ceiling.at(-1);
  const grown = carries ? `; the filter carries ${carries.mgN.toFixed(0)} then, if it grows with it` : '';
  return `The plan over time. ${batches.join('; ')}. ${rises}${grown}.`;
}

const wishOf = (problem: Problem, s: PlannedStep): Wish =>
  problem.wishes.find((w) => w.id === s.wishId) as Wish;

/** From what is in the display today through every release. */
function stairOf(
  plan: StockingPlan,
  problem: Problem,
  evidence: WaterEvidence,
  saying: PlanSaying,
  fromMs: number,
  toMs: number,
) {
  let mgN = presentMgN(problem);
  const days = [...new Set(plan.steps.map((s) => s.releaseDay))].sort();
  const first: StairStep = { fromMs, toMs: msOf(days[0] ?? ''), mgN, label: '', planned: true };
  const steps = days.map((day, i): StairStep => {
    const here = plan.steps.filter((s) => s.releaseDay === day);
    mgN += here.reduce((sum, s) => sum + wishOf(problem, s).loadMgN, 0);
    const next = days[i + 1];
    const label = here.map((s) => saying.nameOf(s.wishId)).join(', ');
    return { fromMs: msOf(day), toMs: next ? msOf(next) : toMs, mgN, label, planned: true };
  });
  const capacity = provedCapacity(evidence);
  const all = days.length > 0 ? [first, ...steps] : [];
  const ahead = all.map((s) => ({ atMs: s.fromMs, mgN: s.mgN }));
  const ceiling = capacity
    ? ceilingOf(evidence, capacity, ahead, toMs)
        .filter((c) => c.atMs >= evidence.nowMs)
        .map((c, i) => (i === 0 ? { ...c, atMs: fromMs } : c))
    : [];
  return { steps: all, ceiling };
}

/** After every release with a load, the days in which no other may follow. */
function settlingOf(plan: StockingPlan, problem: Problem): { fromMs: number; toMs: number }[] {
  const days = [
    ...new Set(plan.steps.filter((s) => wishOf(problem, s).loadMgN > HEAVY_MG_N).map((s) => s.releaseDay)),
  ].sort();
  return days.map((day, i) => ({
    fromMs: msOf(day),
    toMs: msOf(day) + (i === 0 ? problem.firstSettleDays : problem.settleDays) * DAY_MS,
  }));
}

function groupsOf(
  plan: StockingPlan,
  problem: Problem,
  doc: Document,
  saying: PlanSaying,
  today: string,
  tried: Tried | null,
): PlanGroup[] {
  const batches = batchesOf(plan.steps);
  return problem.quarantines.flatMap((q, i): PlanGroup[] => {
    const bars = batches
      .filter(([first]) => first.quarantineId === q.id)
      .map((steps): PlanBar => {
        const [first] = steps;
        const on = tried?.wishId === first.wishId ? addDays(today, tried.days) : null;
        return {
          key: first.wishId,
          names: steps.map((s) => saying.nameOf(s.wishId)),
          buyMs: msOf(first.buyDay),
          clearMs: msOf(dayFromNumber(clearOn(problem, i, dayNumber(first.buyDay)))),
          releaseMs: msOf(first.releaseDay),
          begun: isBought(doc, first.wishId),
          tried:
            on === null || on === first.releaseDay
              ? null
              : {
                  buyMs: msOf(hasteOf(problem, plan.steps, first.wishId, on).buyDay),
                  releaseMs: msOf(on),
                },
        };
      });
    if (bars.length === 0) return [];
    const note = `${LINE_WORDS[q.line]}, ${q.clockDays > 0 ? `${q.clockDays} days clear` : 'no quarantine'}`;
    return [{ title: doc.waters[q.id]?.name ?? 'Straight in', note, bars }];
  });
}
