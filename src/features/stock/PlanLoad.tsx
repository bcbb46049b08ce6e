import { grownMgN, membersOf } from '../../../core/company';
import type { Display, Document } from '../../../core/document';
import { endMgN, presentMgN, type Problem, type StockingPlan } from '../../../core/planner';
import { Line } from '../../ui';
import { mgNADay } from './model';

/** The load a plan reckons with: the first step, today, once all that have a day are in, and once they are grown up. */
export function PlanLoad({
  plan,
  problem,
  doc,
  water,
}: {
  /** Absent until it is made. */
  plan: StockingPlan | undefined;
  problem: Problem;
  doc: Document;
  water: Display;
}) {
  const placed = new Set(plan?.steps.map((s) => s.wishId));
  const grown = grownMgN(membersOf(doc, water).filter((m) => m.stage === 'here' || placed.has(m.id)));
  return (
    <>
      <Line name="First release at most" value={mgNADay(problem.firstStepMgN)} />
      <Line name="In the display now" value={mgNADay(presentMgN(problem))} />
      {plan && placed.size > 0 ? (
        <>
          <Line name="At the end of the plan" value={mgNADay(endMgN(problem, plan))} />
          <Line name="All of these grown up" value={mgNADay(grown)} />
        </>
      ) : null}
    </>
  );
}
