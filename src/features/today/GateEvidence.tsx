import { type Href } from 'expo-router';
import type { Display } from '../../../core/document';
import { FREE_AMMONIA } from '../../../core/seawater';
import type { WaterEvidence } from '../../../core/evidence';
import type { Assessment } from '../../../core/readiness';
import { GATE_NAMES, gateRule, SCHOOL_WORDS, sentence } from '../../../core/words';
import type { FreeAmmonia } from '../../../core/living';
import { showQuantity, type UnitPreferences } from '../../../core/units';
import { dayAndHour } from '../../store';
import { Go, Table, Txt } from '../../ui';
import { useWords } from '../shell';
import { evidenceFootnote, evidenceRows } from './model';

/** Which rule, which school, which readings: what a statement rests on. With no gate asked about, the readings alone. */
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
  if (!gate) {
    return (
      <>
        <Txt kind="section" heading={2}>
          What was read
        </Txt>
        <Readings assessment={assessment} evidence={evidence} />
      </>
    );
  }
  const found = sentence(gate.finding, words);
  return (
    <>
      <Txt kind="section" heading={2}>{`Why: ${GATE_NAMES[gate.id].title.toLowerCase()}`}</Txt>
      <Txt>{gateRule(gate.id, words.units)}</Txt>
      {gate.status === 'ahead' ? <Txt tone="second">It comes after the gates below it.</Txt> : null}
      {gate.status === 'ahead' || found === sentence(assessment.fish.reason, words) ? null : (
        <Txt kind="strong">{upper(found)}</Txt>
      )}
      <Txt tone="second">{`You chose ${SCHOOL_WORDS[water.school].title.toLowerCase()}. ${SCHOOL_WORDS[water.school].reason}`}</Txt>
      <Readings assessment={assessment} evidence={evidence} />
    </>
  );
}

/** The last sittings, and what is free of the ammonia, with the formula's numbers and source. */
function Readings({ assessment, evidence }: { assessment: Assessment; evidence: WaterEvidence }) {
  const words = useWords();
  const rows = evidenceRows(evidence, 5);
  const free = assessment.freeAmmonia;
  return (
    <>
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
          {freeWords(free, words.units)}
        </Txt>
      ) : null}
      <Go href={`/water/${evidence.water.id}/log/history` as Href}>All readings</Go>
      <Go href={'/glossary' as Href}>What the terms mean</Go>
    </>
  );
}

function freeWords(free: FreeAmmonia, units: UnitPreferences): string {
  const water = `pH ${free.ph.toFixed(2)}${free.phAssumed ? ' (not measured, taken high)' : ''}, ${showQuantity('temperature', free.tempC, units)}, ${showQuantity('salinity', free.salinity, units)}`;
  const limits = `Watch from ${FREE_AMMONIA.longTerm}, act at ${FREE_AMMONIA.act}.`;
  return free.measured
    ? `Free ammonia ${free.mgNPerL.toFixed(3)} mg/L NH₃-N, as its monitor shows it. ${limits}`
    : `Free ammonia ${free.mgNPerL.toFixed(3)} mg/L NH₃-N: ${(free.fraction * 100).toFixed(1)} % of total at ${water} (Bell 2007). ${limits}`;
}

const upper = (s: string): string => s.charAt(0).toUpperCase() + s.slice(1);
