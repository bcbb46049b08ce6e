import type { Concession, Problem, StockingPlan } from '../../../core/planner';
import { listed } from '../../../core/words';
import { concessionsText, leftOutText, type PlanSaying } from '../../../core/words/plan';
import { Txt } from '../../ui';
import type { Plans } from '../../workers';

/** Who is in no plan, and what would let them in; those of whom the same is to be said together. */
export function LeftOut({
  plan,
  plans,
  problem,
  saying,
}: {
  plan: StockingPlan;
  plans: Plans;
  problem: Problem;
  saying: PlanSaying;
}) {
  const whyOf = (l: StockingPlan['leftOut'][number], who: string) =>
    [leftOutText(problem, l, plan.leftOut), ...letsIn(plans.lets[l.wishId], l.concession, saying, who)].join(
      ' ',
    );
  const groups = new Map<string, StockingPlan['leftOut']>();
  for (const l of plan.leftOut) {
    const why = whyOf(l, 'it');
    groups.set(why, [...(groups.get(why) ?? []), l]);
  }
  return [...groups].map(([why, these]) => (
    <Txt key={why} tone="nitrite">
      {`${listed(these.map((l) => saying.nameOf(l.wishId)))}: ${these.length > 1 ? whyOf(these[0] as (typeof these)[number], 'each of them') : why}`}
    </Txt>
  ));
}

/** What was found to let it in, else only what time or a gate would: of anything else no plan was found that it is enough for. */
function letsIn(
  found: readonly Concession[] | undefined,
  concession: Concession | null,
  saying: PlanSaying,
  who: string,
): string[] {
  if (found) return [concessionsText(found, saying, who)];
  const isTime = concession?.kind === 'laterPlan' || concession?.kind === 'gate';
  return isTime ? [concessionsText([concession], saying, who)] : [];
}
