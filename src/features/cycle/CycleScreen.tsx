import { DAY_MS, MINUTE_MS } from '../../../core/time';
import { useRouter, type Href } from 'expo-router';
import { useMemo, useState } from 'react';
import type { Display } from '../../../core/document';
import { nitrogenStrata } from '../../../core/nitrogen';
import { FREE_AMMONIA } from '../../../core/seawater';
import { showQuantity } from '../../../core/units';
import {
  localMidnight,
  selectAssessment,
  selectEvidence,
  selectVolume,
  shortDay,
  dayAndHour,
  useAppSelector,
  useNow,
} from '../../store';
import { Button, Empty, Go, Later, Line, Screen, Section, Table, Txt } from '../../ui';
import { NitrogenStrips } from '../../ui/charts/NitrogenStrips';
import { StrataChart } from '../../ui/charts/StrataChart';
import { useUnits, WithDisplay } from '../shell';
import { LedgerPanel } from './LedgerPanel';
import { ProofPanel } from './ProofPanel';
import { gapWords, nitrogenEvents, strataRows, stripSeries } from './model';

export function CycleScreen() {
  return <WithDisplay>{(water) => <Cycle water={water} />}</WithDisplay>;
}

/** Rows of the table at first. */
const PAGE = 30;

/** Where the nitrogen is: strata in milligrams, the three lines, free ammonia, and the way to a dose. */
function Cycle({ water }: { water: Display }) {
  const now = useNow(MINUTE_MS);
  const units = useUnits();
  const router = useRouter();
  const evidence = useAppSelector((s) => selectEvidence(s, water.id, now));
  const volume = useAppSelector((s) => selectVolume(s, water.id));
  const living = evidence.isInhabited;
  const free = useAppSelector((s) => selectAssessment(s, water.id, now).freeAmmonia);
  const strata = useMemo(() => nitrogenStrata(evidence, volume.sdL / volume.netL), [evidence, volume]);
  const series = useMemo(() => stripSeries(evidence), [evidence]);
  const events = useMemo(() => nitrogenEvents(evidence), [evidence]);
  const [table, setTable] = useState(false);
  const [rows, setRows] = useState(PAGE);
  const firstMs = Math.min(
    ...[strata.points, strata.putIn, ...series.map((s) => s.points)].map((list) => list[0]?.atMs ?? Infinity),
  );
  const anything = Number.isFinite(firstMs);
  const days = anything ? Math.max(1, Math.round((now - firstMs) / DAY_MS)) : 0;
  const lastMs = Math.max(strata.points[strata.points.length - 1]?.atMs ?? firstMs, firstMs + DAY_MS);
  const gap = gapWords(strata, volume.netL, units);
  const last = strata.points[strata.points.length - 1];
  const axis = {
    fromMs: firstMs,
    toMs: Math.max(lastMs, Math.min(now, lastMs + 3 * DAY_MS)),
    midnight: localMidnight,
    dayLabel: shortDay,
  };
  const estimated = strata.points.some((p) => p.nitrateEstimated);

  return (
    <Screen
      title="Cycle"
      aside={
        <>
          <Txt kind="section" heading={2}>
            Free ammonia
          </Txt>
          {free ? (
            <>
              <Txt kind="number">{free.mgNPerL.toFixed(3)}</Txt>
              <Txt tone="second">mg/L NH₃-N, the part that burns gills</Txt>
              <Line name="Share of total ammonia" value={`${(free.fraction * 100).toFixed(1)} %`} />
              <Line
                name={`pH${free.phAssumed ? ' (assumed, none within a week)' : ''}`}
                value={free.ph.toFixed(2)}
              />
              <Line name="Temperature" value={showQuantity('temperature', free.tempC, units)} />
              <Line name="Salinity" value={showQuantity('salinity', free.salinity, units)} />
              <Line name="Watch from" value={`${FREE_AMMONIA.longTerm} mg/L`} />
              <Line name="Act at" value={`${FREE_AMMONIA.act} mg/L`} />
              <Txt
                kind="small"
                tone="second"
              >{`From the reading of ${dayAndHour(free.atMs)}. Share = 1 / (1 + 10^(pKa − pH)), pKa = 10.0423 − 0.0316 T + 0.0031 S (Bell et al. 2007). Guides, not toxicology.`}</Txt>
            </>
          ) : (
            <Txt tone="second">Needs an ammonia reading; pH, temperature and salinity make it exact.</Txt>
          )}
          <LedgerPanel water={water} />
        </>
      }
    >
      <Txt kind="title" heading={1}>
        Where the nitrogen is
      </Txt>
      <Txt
        kind="small"
        tone="second"
      >{`milligrams in ${showQuantity('volume', volume.netL, units, 0)}, as N${anything ? ` · ${days} ${days === 1 ? 'day' : 'days'}` : ''}`}</Txt>
      {strata.points.length > 0 ? (
        <StrataChart
          {...axis}
          points={strata.points.map((p) => ({
            atMs: p.atMs,
            ammonia: p.ammoniaMgN,
            nitrite: p.nitriteMgN,
            nitrate: p.nitrateMgN,
          }))}
          putIn={strata.putIn.map((p) => ({ ...p, atMs: Math.min(p.atMs, axis.toMs) }))}
          events={events}
          summary={
            last
              ? `Nitrogen in the tank at the last test: ammonia ${last.ammoniaMgN.toFixed(0)}, nitrite ${last.nitriteMgN.toFixed(0)}, nitrate ${last.nitrateMgN.toFixed(0)} milligrams; put in ${last.putInMgN.toFixed(0)}. The table below has every test.`
              : ''
          }
        />
      ) : (
        <Empty
          title="Nothing to draw yet"
          text="The strata grow from samples in which ammonia and nitrite were both read."
        >
          <Go href={`/water/${water.id}/log` as Href}>Log a sample</Go>
        </Empty>
      )}
      {gap ? (
        <>
          <Txt kind="row">{gap.title}</Txt>
          <Txt>{gap.text}</Txt>
        </>
      ) : null}
      {estimated && last && !last.nitrateEstimated ? (
        <Txt kind="small" tone="second">
          While nitrite was present nitrate could not be read; it was estimated from what was put in, marked
          “?” in the table.
        </Txt>
      ) : null}
      {strata.points.length > 0 ? (
        <Button
          kind="quiet"
          label={table ? 'Hide the table' : 'Show as a table'}
          expanded={table}
          onPress={() => setTable(!table)}
        />
      ) : null}
      {table ? (
        <Table
          caption="Nitrogen in the tank, milligrams as N"
          columns={[
            { title: 'tested', flex: 1.2 },
            { title: 'ammonia', numeric: true },
            { title: 'nitrite', numeric: true },
            { title: 'nitrate', numeric: true },
            { title: 'put in', numeric: true },
          ]}
          rows={strataRows(strata, shortDay, rows)}
        />
      ) : null}
      {table && strata.points.length > rows ? (
        <Button
          kind="quiet"
          label={`Show ${Math.min(PAGE, strata.points.length - rows)} more of ${strata.points.length}`}
          onPress={() => setRows(rows + PAGE)}
        />
      ) : null}
      <Later>
        {anything && series.some((s) => s.points.length > 0) ? (
          <Section title="As the kits read">
            <NitrogenStrips
              {...axis}
              series={series}
              events={events}
              summary={series
                .map((s) => `${s.species}: ${evidence.series[s.species].length} readings`)
                .join(', ')}
            />
            <Txt kind="small" tone="second">
              Bars show what a step of the chart leaves open. Dotted uprights are doses, food and changes. “?”
              is kept, not trusted.
            </Txt>
          </Section>
        ) : null}
        <Section title="When will it be ready?">
          <Txt tone="second">
            A forecast fitted to your own readings, with its doubt, under your plan; and what another course
            would change.
          </Txt>
          <Button
            kind="primary"
            icon="forecast"
            label="Forecast"
            onPress={() => router.push(`/water/${water.id}/cycle/forecast` as Href)}
          />
        </Section>
        {evidence.emptied ? null : <ProofPanel water={water} />}
        <Section title="After the cycle">
          <Txt tone="second">The reset, the ugly weeks and the first grazers.</Txt>
          <Go href={`/water/${water.id}/cycle/after` as Href}>After the cycle: reset, film, crew</Go>
        </Section>
        <Section title="Dose ammonia">
          {living ? (
            <Txt tone="second">Animals are in: ammonia is not dosed any more.</Txt>
          ) : (
            <>
              <Txt tone="second">
                From the bottle’s strength to drops, with a counter that survives an interruption.
              </Txt>
              <Button
                icon="drip"
                label="Work out a dose"
                onPress={() => router.push(`/water/${water.id}/cycle/dose` as Href)}
              />
            </>
          )}
        </Section>
      </Later>
    </Screen>
  );
}
