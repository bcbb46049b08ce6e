import { useEffect, useState } from 'react';
import {
  costOf,
  decisionsOf,
  PRACTICE_WATER,
  truthOfRun,
  type Decision,
  type DecisionCost,
  type Scenario,
} from '../../../core/practice';
import { DAY_MS } from '../../../core/time';
import { selectDocument, useAppSelector, type PracticeRun } from '../../store';
import { Line, Section, Txt } from '../../ui';
import { useUnits } from '../shell';
import { costWords, decisionWords } from './told';

/** So many are held against the run; with more, the last ones. */
const MOST = 60;

/** Each decision with what it cost: the same run without it, worked out one by one so that the page stays free. */
export function Decisions({ run, scenario, now }: { run: PracticeRun; scenario: Scenario; now: number }) {
  const units = useUnits();
  const doc = useAppSelector(selectDocument);
  const [costs, setCosts] = useState<readonly { decision: Decision; cost: DecisionCost }[]>([]);
  const decisions = decisionsOf(doc, PRACTICE_WATER, now).slice(-MOST);
  const { seed, startMs } = run;
  useEffect(() => {
    setCosts([]);
    const all = decisionsOf(doc, PRACTICE_WATER, now).slice(-MOST);
    if (all.length === 0) return;
    const found: { decision: Decision; cost: DecisionCost }[] = [];
    let timer = setTimeout(() => {
      const was = truthOfRun(scenario, seed, doc, PRACTICE_WATER, startMs, now);
      const next = () => {
        const decision = all[found.length];
        if (!decision) return;
        const cost = costOf(was, decision, scenario, seed, doc, PRACTICE_WATER, startMs, now);
        found.push({ decision, cost });
        setCosts([...found]);
        timer = setTimeout(next, 0);
      };
      timer = setTimeout(next, 0);
    }, 0);
    return () => clearTimeout(timer);
  }, [doc, now, scenario, seed, startMs]);
  if (decisions.length === 0) return null;
  return (
    <Section title="What each decision came to">
      <Txt kind="small" tone="second">
        The same tank, the same luck, without that one entry. Two that need each other both look dear.
      </Txt>
      {costs.map(({ decision, cost }) => (
        <Line
          key={decision.id}
          name={`Day ${Math.floor((decision.atMs - startMs) / DAY_MS) + 1}: ${decisionWords(decision, doc, scenario.start.litres, units)}`}
          value={costWords(cost, decision)}
        />
      ))}
      {costs.length < decisions.length ? (
        <Txt kind="small" tone="second">{`${costs.length} of ${decisions.length} worked out.`}</Txt>
      ) : null}
    </Section>
  );
}
