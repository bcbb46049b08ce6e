import { type Href } from 'expo-router';
import type { Tank } from '../../../core/document';
import { FREE_AMMONIA_LIMITS } from '../../../core/seawater';
import { GATE_NAMES, RULES, SCHOOL_WORDS, sentence, type Assessment, type GateId, type TankEvidence } from '../../../core/readiness';
import { showQuantity } from '../../../core/units';
import { dayAndHour } from '../../store';
import { Go, Table, Txt } from '../../ui';
import { useWords } from '../shell';
import { evidenceFootnote, evidenceRows } from './model';

/** The rule of each gate with its numbers in it. */
const RULE_WORDS: Record<GateId, string> = {
  seaWater: `Salinity ${RULES.salinity[0]} to ${RULES.salinity[1]} ppt and ${RULES.tempC[0]} to ${RULES.tempC[1]} °C at the last trusted reading. Steadiness counts more than a number.`,
  ammoniaFalling: 'A trusted reading at 70 % or less of the highest before it, water changes taken out. A zero counts only after a measured rise or a dose.',
  nitriteFalling: 'A trusted nitrite reading at 70 % or less of the highest before it, water changes taken out. Where nitrite never shows, two clear tests with nitrate present do.',
  bothClear: `Ammonia and nitrite both zero in two sittings at least ${RULES.clearApartHours} hours apart, after a measured rise, with nitrate to show for it. Nitrite hardly harms fish in sea water; while it shows, the second bacteria cannot keep up, so we wait for zero.`,
  settle: `${RULES.settleDays} days from the first clear test, with nothing found since.`,
  film: 'Both clear, and green film or hair algae logged. Film supports the tests; it measures no ammonia.',
  transfer: 'Rock or media from a running tank is logged under bacteria.',
  dailyClear: `Fed after the transfer, then ammonia zero on ${RULES.dailyTests} different days in a row.`,
  bacteria: 'A bottle or running media is logged.',
  proof: `At least 1.8 mg/L ammonia (2 asked) dosed after nitrogen was once measured, then both zero in a test ${RULES.proofEarliestHours} to ${RULES.proofHours} hours later. Up to ${RULES.proofLenientHours} hours satisfies the lenient. Without food the proof fades in ${RULES.proofFadesDays} days.`,
  reset: `Nitrate at 20 mg/L or less, alkalinity ${RULES.alkalinityMin} dKH or more, salinity in range, all within ${RULES.staleDays} days. Nitrate read while nitrite is present is not counted.`,
  firstAnimals: `The gates before it, and ammonia, nitrite, salinity, temperature and alkalinity measured within ${RULES.staleDays} days.`,
  nextStep: `Ammonia zero on days ${RULES.testsAfterAdditionDays.join(', ')} after the last addition, and ${RULES.betweenAdditionsDays} days gone by.`,
};

/** Which readings, which rule, which school: what a statement rests on. */
export function GateEvidence({ tank, gateId, assessment, evidence }: { tank: Tank; gateId: string | null; assessment: Assessment; evidence: TankEvidence }) {
  const words = useWords();
  const gate = assessment.gates.find((g) => g.id === gateId);
  if (!gate) return null;
  const rows = evidenceRows(evidence, 5);
  const free = assessment.freeAmmonia;
  return (
    <>
      <Txt kind="section" heading={2}>{`Why: ${GATE_NAMES[gate.id].title.toLowerCase()}`}</Txt>
      <Txt>{RULE_WORDS[gate.id]}</Txt>
      {gate.status === 'ahead' ? <Txt tone="second">It comes after the gates below it.</Txt> : <Txt kind="strong">{upper(sentence(gate.finding, words))}</Txt>}
      <Txt tone="second">{`You chose ${SCHOOL_WORDS[tank.school].title.toLowerCase()}. ${SCHOOL_WORDS[tank.school].reason}`}</Txt>
      {rows.length > 0 ? (
        <>
          <Table
            caption="Last readings of nitrogen"
            columns={[{ title: 'tested', flex: 1.7 }, { title: 'ammonia', numeric: true }, { title: 'nitrite', numeric: true }, { title: 'nitrate', numeric: true }]}
            rows={rows.map((r) => [dayAndHour(r.atMs), r.ammonia, r.nitrite, r.nitrate])}
          />
          <Txt kind="small" tone="second">{evidenceFootnote(evidence)}</Txt>
        </>
      ) : (
        <Txt tone="second">No nitrogen has been tested yet.</Txt>
      )}
      {free ? (
        <Txt kind="small" tone="second">
          {`Free ammonia ${free.mgNPerL.toFixed(3)} mg/L NH₃-N: ${(free.fraction * 100).toFixed(1)} % of total at pH ${free.ph.toFixed(2)}${free.phAssumed ? ' (assumed)' : ''}, ${showQuantity('temperature', free.tempC, words.units)}, ${showQuantity('salinity', free.salinity, words.units)}. Watch from ${FREE_AMMONIA_LIMITS.longTerm}, act at ${FREE_AMMONIA_LIMITS.act}.`}
        </Txt>
      ) : null}
      <Go href={`/tank/${tank.id}/log/history` as Href}>All readings</Go>
    </>
  );
}

const upper = (s: string): string => s.charAt(0).toUpperCase() + s.slice(1);
