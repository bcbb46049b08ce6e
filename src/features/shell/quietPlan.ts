/** The plan that pages speak of in passing: made anew, quietly, where the log has changed since, and kept as today's. */
import { useEffect, useMemo, useState } from 'react';
import type { Display, SaidPlan } from '../../../core/document';
import {
  choicesOf,
  plannedAnimals,
  problemFor,
  type Problem,
  type StockingPlan,
} from '../../../core/planner';
import { dayFromNumber, MINUTE_MS } from '../../../core/time';
import {
  isoOf,
  keepPlan,
  localDay,
  newId,
  selectAssessment,
  selectDocument,
  selectEvidence,
  useAppDispatch,
  useAppSelector,
  useNow,
} from '../../store';
import { usePlans } from '../../workers';

/** A plan as it is kept, for a later one to be compared with. */
export const saidOf = (
  plan: StockingPlan,
  problem: Problem,
  { id, waterId, at, which }: Pick<SaidPlan, 'id' | 'waterId' | 'at' | 'which'>,
): SaidPlan => ({
  id,
  waterId,
  at,
  which,
  gate: problem.gate === null ? null : dayFromNumber(problem.gate),
  coralGate: problem.coralGate === null ? null : dayFromNumber(problem.coralGate),
  steps: plan.steps.map((s) => ({ animalId: s.wishId, buyDay: s.buyDay, releaseDay: s.releaseDay })),
  leftOut: plan.leftOut.map((l) => l.wishId),
  away: problem.away.map(([a, b]): [string, string] => [dayFromNumber(a), dayFromNumber(b)]),
});

/** Keeps a plan as today's, once it is made. */
export function usePlanKept(
  plan: StockingPlan | undefined,
  problem: Problem | null,
  water: Display,
  now: number,
): void {
  const dispatch = useAppDispatch();
  const { which } = choicesOf(water);
  useEffect(() => {
    if (plan && problem)
      void dispatch(
        keepPlan(saidOf(plan, problem, { id: newId(), waterId: water.id, at: isoOf(now), which })),
      );
    // One plan, one entry: the minute in which it was made is of no matter.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [plan, water.id, which]);
}

/** The page is drawn first. */
const PAUSE_MS = 700;
const NOTHING = [] as const;

/** Draws nothing: makes the plan of a water as its log stands, and keeps it, where one was made before and somebody is still to come.
 *  @param isNear its page is one step away: made even where none was before, so that it is there by then, but not kept, since nobody asked for it */
export function QuietPlan({ water, isNear = false }: { water: Display; isNear?: boolean }): null {
  const now = useNow(10 * MINUTE_MS);
  const doc = useAppSelector(selectDocument);
  const evidence = useAppSelector((s) => selectEvidence(s, water.id, now));
  const assessment = useAppSelector((s) => selectAssessment(s, water.id, now));
  const isPlanned = useAppSelector((s) =>
    Object.values(selectDocument(s).plans).some((p) => p.waterId === water.id),
  );
  const [isDrawn, setDrawn] = useState(false);
  useEffect(() => {
    const timer = setTimeout(() => setDrawn(true), PAUSE_MS);
    return () => clearTimeout(timer);
  }, []);
  const isOn = isDrawn && (isPlanned || isNear);
  const problem = useMemo(
    () =>
      isOn
        ? problemFor(
            doc,
            water,
            evidence,
            assessment,
            plannedAnimals(doc, water, evidence, localDay),
            localDay,
          )
        : null,
    [isOn, doc, water, evidence, assessment],
  );
  const asked = useMemo(
    () => (problem && problem.wishes.length > 0 ? [{ name: 'plan', problem }] : NOTHING),
    [problem],
  );
  const { plan } = usePlans(asked, false).made;
  usePlanKept(isPlanned ? plan : undefined, problem, water, now);
  return null;
}
