import { type Href } from 'expo-router';
import { useState } from 'react';
import type { Tank } from '../../../core/document';
import { afterWaterChange, changeFractionFor } from '../../../core/dilution';
import { lastOf, trusted } from '../../../core/readiness';
import { conductivityMSPerCm, freeAmmoniaFraction, specificGravity } from '../../../core/seawater';
import { formatDecimal, fromMgNPerL, readEntry, showQuantity, SALINITY_UNITS, unitLabel, type UnitPreferences } from '../../../core/units';
import { selectEvidence, selectVolume, useAppSelector, useNow } from '../../store';
import { Choice, Go, Line, FieldRow, Screen, Section, TextField, Txt } from '../../ui';
import { useUnits, WithTank } from '../shell';

export function BenchScreen() {
  return <WithTank>{(tank) => <Bench tank={tank} />}</WithTank>;
}

/** Small tools that start from what the log already knows. */
function Bench({ tank }: { tank: Tank }) {
  const units = useUnits();
  const now = useNow(60_000);
  const volume = useAppSelector((s) => selectVolume(s, tank.id));
  const series = useAppSelector((s) => selectEvidence(s, tank.id, now).series);
  const last = (p: 'ph' | 'temperature' | 'salinity' | 'nitrate') => lastOf(trusted(series[p]))?.interval.mid;
  return (
    <Screen title="Bench">
      <Txt kind="title" heading={1}>Bench</Txt>
      <Txt tone="second">{`Reckons with ${showQuantity('volume', volume.netL, units, 0)} ± ${showQuantity('volume', volume.sdL, units, 0)} of real water in ${tank.name}.`}</Txt>
      <Section title="Ammonia dose">
        <Txt>From the bottle’s strength to millilitres and drops, with a counter.</Txt>
        <Go href={`/tank/${tank.id}/cycle/dose` as Href}>Work out a dose</Go>
      </Section>
      <WaterChange netL={volume.netL} nitrate={last('nitrate')} units={units} tankId={tank.id} />
      <FreeAmmonia ph={last('ph')} tempC={last('temperature')} salinity={last('salinity')} units={units} />
      <Salinity units={units} start={last('salinity')} />
      <Section title="Kits and instruments">
        <Txt>Steps, basis, date: what every reading rests on.</Txt>
        <Go href="/kits">Open the register</Go>
      </Section>
      <Section title="Real volume">
        <Txt>How the litres came about, and what rock and sand take.</Txt>
        <Go href={`/tank/${tank.id}/edit` as Href}>See the arithmetic</Go>
      </Section>
    </Screen>
  );
}

function WaterChange({ netL, nitrate, units, tankId }: { netL: number; nitrate: number | undefined; units: UnitPreferences; tankId: string }) {
  const [before, setBefore] = useState(nitrate === undefined ? '' : formatDecimal(fromMgNPerL('nitrate', 'ion', nitrate), 0));
  const [goal, setGoal] = useState('10');
  const b = readEntry(before, { name: 'Nitrate now', unit: null, min: 0, max: 1000 });
  const g = readEntry(goal, { name: 'Goal', unit: null, min: 0, max: 1000 });
  let fraction: number | null = null;
  if (b.ok && g.ok && g.value < b.value) fraction = changeFractionFor(b.value, g.value, 0);
  return (
    <Section title="Water change for nitrate">
      <FieldRow>
        <TextField numeric label="Nitrate now" unit="mg/L NO₃" value={before} onChange={setBefore} error={before !== '' && !b.ok ? b.message : null} />
        <TextField numeric label="Goal" unit="mg/L NO₃" value={goal} onChange={setGoal} error={!g.ok ? g.message : null} />
      </FieldRow>
      {fraction !== null && b.ok ? (
        <>
          <Line name="In one change" value={`${Math.round(fraction * 100)} %, ${showQuantity('volume', fraction * netL, units, 0)}`} />
          <Line name="The same litres in two halves leave" value={`${formatDecimal(afterWaterChange(afterWaterChange(b.value, fraction / 2, 0), fraction / 2, 0), 1)} mg/L`} />
          <Txt kind="small" tone="second">C′ = C (1 − f), new water taken as free of nitrate. Matched temperature and salinity; test before and after.</Txt>
          <Go href={`/tank/${tankId}/log/event?kind=waterChange` as Href}>Log the change</Go>
        </>
      ) : (
        <Txt tone="second">{b.ok && g.ok ? 'The goal is not below what is there: no change is needed for nitrate.' : 'Enter what the water holds and where it should be.'}</Txt>
      )}
    </Section>
  );
}

function FreeAmmonia({ ph, tempC, salinity, units }: { ph: number | undefined; tempC: number | undefined; salinity: number | undefined; units: UnitPreferences }) {
  const [total, setTotal] = useState('0.25');
  const [phText, setPhText] = useState(formatDecimal(ph ?? 8.2, 2));
  const t = readEntry(total, { name: 'Total ammonia', unit: null, min: 0, max: 50 });
  const p = readEntry(phText, { name: 'pH', unit: null, min: 4, max: 11, hint: 'Check for a missing decimal point.' });
  const fraction = p.ok ? freeAmmoniaFraction(p.value, clamp(tempC ?? 25, 10, 35), salinity ?? 35) : null;
  return (
    <Section title="Free ammonia">
      <FieldRow>
        <TextField numeric label="Total ammonia" unit="mg/L NH₄" value={total} onChange={setTotal} error={t.ok ? null : t.message} />
        <TextField numeric label="pH" value={phText} onChange={setPhText} error={p.ok ? null : p.message} />
      </FieldRow>
      {t.ok && fraction !== null ? (
        <>
          <Line name="Free share" value={`${(fraction * 100).toFixed(1)} %`} />
          <Line name="Free ammonia" value={`${((t.value / 1.2878) * fraction).toFixed(3)} mg/L NH₃-N`} />
          <Txt kind="small" tone="second">{`At ${showQuantity('temperature', tempC ?? 25, units)} and ${showQuantity('salinity', salinity ?? 35, units)}, as last measured.`}</Txt>
        </>
      ) : null}
    </Section>
  );
}

const clamp = (x: number, low: number, high: number): number => Math.min(high, Math.max(low, x));

function Salinity({ units, start }: { units: UnitPreferences; start: number | undefined }) {
  const [unit, setUnit] = useState<(typeof SALINITY_UNITS)[number]>(units.salinity);
  const [text, setText] = useState(units.salinity === 'ppt' && start !== undefined ? formatDecimal(start, 1) : '');
  const entry = readEntry(text, { name: 'Salinity', unit, min: 2, max: 42, hint: 'The scale runs from 2 to 42 practical salinity.' });
  return (
    <Section title="Salinity in every scale">
      <Choice label="Read in" options={SALINITY_UNITS.map((u) => ({ value: u, label: unitLabel(u) }))} value={unit} onChange={setUnit} />
      <TextField numeric label="Reading" unit={unitLabel(unit)} value={text} onChange={setText} error={text !== '' && !entry.ok ? entry.message : null} />
      {entry.ok ? (
        <>
          <Line name="Practical salinity" value={`${entry.value.toFixed(2)} ppt`} />
          <Line name="Specific gravity 25/25" value={specificGravity(entry.value, '25/25').toFixed(4)} />
          <Line name="Specific gravity 20/20" value={specificGravity(entry.value, '20/20').toFixed(4)} />
          <Line name="Conductivity at 25 °C" value={`${conductivityMSPerCm(entry.value, 25).toFixed(1)} mS/cm`} />
          <Txt kind="small" tone="second">SG 1.025 at 25/25 is 33.2 ppt, not 35. Density: EOS-80; conductivity: practical salinity scale 1978.</Txt>
        </>
      ) : null}
    </Section>
  );
}
