import { type Href } from 'expo-router';
import type { Display } from '../../../core/document';
import { FREE_AMMONIA } from '../../../core/seawater';
import type { WaterEvidence } from '../../../core/evidence';
import type { Assessment } from '../../../core/readiness';
import { GATE_NAMES, gateRule, SCHOOL_WORDS, sentence } from '../../../core/words';
import { showQuantity } from '../../../core/units';
import { dayAndHour } from '../../store';
import { Go, Table, Txt } from '../../ui';
import { useWords } from '../shell';
import { evidenceFootnote, evidenceRows } from './model';

/** Which readings, which rule, which school: what a statement rests on. */
export function GateEvidence({
  water,
  gateId,
  assessment,
  evidence,
}: {
  water: Display;
  gateId: string | null;
  assessment: Assessment;
  evidence: WaterEvidence;
}) {
  const words = useWords();
  const gate = assessment.gates.find((g) => g.id === gateId);
  if (!gate) return null;
  const rows = evidenceRows(evidence, 5);
  const free = assessment.freeAmmonia;
  return (
    <>
      <Txt kind="section" heading={2}>{`Why: ${GATE_NAMES[gate.id].title.toLowerCase()}`}</Txt>
      <Txt>{gateRule(gate.id, words.units)}</Txt>
      {gate.status === 'ahead' ? (
        <Txt tone="second">It comes after the gates below it.</Txt>
      ) : (
        <Txt kind="strong">{upper(sentence(gate.finding, words))}</Txt>
      )}
      <Txt tone="second">{`You chose ${SCHOOL_WORDS[water.school].title.toLowerCase()}. ${SCHOOL_WORDS[water.school].reason}`}</Txt>
      {rows.length > 0 ? (
        <>
          <Table
            caption="Last readings of nitrogen"
            columns={[
              { title: 'tested', flex: 1.7 },
              { title: 'ammonia', numeric: true },
              { title: 'nitrite', numeric: true },
              { title: 'nitrate', numeric: true },
            ]}
            rows={rows.map((r) => [dayAndHour(r.atMs), r.ammonia, r.nitrite, r.nitrate])}
          />
          <Txt kind="small" tone="second">
            {evidenceFootnote(evidence)}
          </Txt>
        </>
      ) : (
        <Txt tone="second">No nitrogen has been tested yet.</Txt>
      )}
      {free ? (
        <Txt kind="small" tone="second">
          {`Free ammonia ${free.mgNPerL.toFixed(3)} mg/L NH₃-N: ${(free.fraction * 100).toFixed(1)} % of total at pH ${free.ph.toFixed(2)}${free.phAssumed ? ' (assumed)' : ''}, ${showQuantity('temperature', free.tempC, words.units)}, ${showQuantity('salinity', free.salinity, words.units)}. Watch from ${FREE_AMMONIA.longTerm}, act at ${FREE_AMMONIA.act}.`}
        </Txt>
      ) : null}
      <Go href={`/water/${water.id}/log/history` as Href}>All readings</Go>
    </>
  );
}

const upper = (s: string): string => s.charAt(0).toUpperCase() + s.slice(1);
