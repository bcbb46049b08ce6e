import type { Href } from 'expo-router';
import { absencesAhead, bareOutlook, leftAlone } from '../../../core/arrivals';
import type { Quarantine } from '../../../core/document';
import { DOSING } from '../../../core/dosing';
import { inUnits } from '../../../core/words';
import { bareWords, departsWords } from '../../../core/words/bare';
import { DAY_MS } from '../../../core/time';
import { PRINTED_PER_N } from '../../../core/units';
import { selectDocument, selectEvidence, useAppSelector } from '../../store';
import { AHEAD_DAYS, aloneWords } from '../shell/alone';
import { Go, Section, Txt } from '../../ui';
import { Curves } from '../../ui/charts/Curves';
import { useWords } from '../shell';

const asIon = (points: { day: number; mgN: number }[]) =>
  points.map((p) => ({ x: p.day, y: p.mgN * PRINTED_PER_N.ammonia.ion }));

/** A quarantine without cycled media: when ammonia gets too high, and which changes hold it down. */
export function BareAmmonia({ water, now }: { water: Quarantine; now: number }) {
  const { units } = useWords();
  const doc = useAppSelector(selectDocument);
  const evidence = useAppSelector((s) => selectEvidence(s, water.id, now));
  const outlook = bareOutlook(evidence, DOSING.saltGramsPerLitre);
  if (!outlook) return null;
  const [first, ...rest] = bareWords(outlook, units);
  const departs = departsWords(outlook);
  const alone = leftAlone(absencesAhead(doc, now, now + AHEAD_DAYS * DAY_MS), outlook.plan.everyDays);
  const pressing = outlook.dueDays < 0.5 || !outlook.plan.feasible;
  const { plan, withChanges, without } = outlook;
  const top = 2 * plan.peakMgN;
  // What runs far over the limit need not be drawn to its end.
  const [start, end] = [without[0], without[1]];
  const cut =
    start && end && end.mgN > top
      ? [start, { day: (end.day * (top - start.mgN)) / Math.max(1e-9, end.mgN - start.mgN), mgN: top }]
      : without;
  return (
    <Section title="Ammonia in the bare tank">
      <Txt kind="strong" tone={pressing ? 'ammonia' : 'ink'}>
        {first}
      </Txt>
      {alone ? <Txt tone="ammonia">{aloneWords(water.name, alone, outlook.plan.everyDays)}</Txt> : null}
      {departs ? <Txt tone="ammonia">{departs}</Txt> : null}
      {rest.map((line) => (
        <Txt key={line}>{inUnits(line, units)}</Txt>
      ))}
      <Curves
        curves={[
          { label: 'changes', points: asIon(withChanges) },
          { label: 'without', points: asIon(cut) },
          {
            label: 'limit',
            points: asIon([
              { day: 0, mgN: plan.peakMgN },
              { day: withChanges[withChanges.length - 1]?.day ?? 14, mgN: plan.peakMgN },
            ]),
          },
        ]}
        xLabel="days"
        yLabel="ammonia, mg/L NH₄"
        summary={`Ammonia of the next two weeks with the planned changes and without any. ${first ?? ''} ${rest[1] ?? ''}`}
      />
      <Go href={`/water/${water.id}/log/event?kind=waterChange` as Href}>Log a change</Go>
      <Txt kind="small" tone="second">
        Change with salt water of the same salinity and temperature. Never leave a bare tank alone for longer
        than its next change. A binder hides ammonia from the kit.
      </Txt>
    </Section>
  );
}
