import { MINUTE_MS } from '../../../core/time';
import { type Href } from 'expo-router';
import { useMemo, useState } from 'react';
import {
  isNitrogen,
  parameterName,
  parameterUnit,
  PARAMETERS,
  type Calibration,
  type Parameter,
  type Water,
} from '../../../core/document';
import { disagreement } from '../../../core/instruments';
import { trusted } from '../../../core/evidence';
import { monitoredAs } from '../../../core/monitor';
import { basisLabel, formatDecimal, type UnitPreferences } from '../../../core/units';
import { shownScale } from '../../../core/words/scale';
import {
  commit,
  dayAndHour,
  localMidnight,
  newId,
  selectEvidence,
  shortDay,
  useAppDispatch,
  useAppSelector,
  useNow,
} from '../../store';
import { Button, Choice, Empty, FieldRow, Go, Line, Screen, Section, Table, TextField, Txt } from '../../ui';
import { TimeChart } from '../../ui/charts/TimeChart';
import { NotHere, useParam, useUnits, WithWater } from '../shell';
import { TextEntry, useEntryForm } from '../shell/form';
import { useCourse } from '../shell/monitor/course';
import { SaveButton } from '../shell/saving';
import { readTarget } from './targetForm';
import { DOUBT_WORDS, STANDING_WORDS, standingOf, targetOf, timePoints } from './model';

export function ReadingsScreen() {
  return <WithWater>{(water) => <Chosen water={water} />}</WithWater>;
}

function Chosen({ water }: { water: Water }) {
  const id = useParam('parameter');
  const parameter = PARAMETERS.find((p) => p === id);
  return parameter ? (
    <Readings key={parameter} water={water} parameter={parameter} />
  ) : (
    <NotHere what="parameter" />
  );
}

const PAGE = 20;

/** One parameter through time: steadiness, chart, targets, and every reading with the state of its kit. */
function Readings({ water, parameter: p }: { water: Water; parameter: Parameter }) {
  const now = useNow(MINUTE_MS);
  const units = useUnits();
  const evidence = useAppSelector((s) => selectEvidence(s, water.id, now));
  const own = useAppSelector((s) => s.document.entities.ownParameters);
  const targets = useAppSelector((s) => s.document.entities.targets);
  const calibrations = useAppSelector((s) => s.document.entities.calibrations);
  const kits = useAppSelector((s) => s.document.entities.kits);
  const scale = useMemo(() => shownScale(p, units), [p, units]);
  const points = useMemo(() => timePoints(evidence, p, scale.show), [evidence, p, scale]);
  const course = useCourse(water.id, monitoredAs(p), scale.show);
  const name = parameterName(p, own);
  const unit = scale.label || (isNitrogen(p) ? `mg/L ${basisLabel(p, 'ion')}` : parameterUnit(p, own));
  const { range } = targetOf(targets, water.id, p);
  // Targets of nitrogen are written on the ion basis, as shown; others are stored values.
  const shownRange =
    range && !isNitrogen(p)
      ? {
          low: scale.show(range.low),
          high: scale.show(range.high),
          alarmLow: scale.show(range.alarmLow),
          alarmHigh: scale.show(range.alarmHigh),
        }
      : range;
  const { standing, stability } = standingOf(evidence, p, range);
  const format = (x: number) => formatDecimal(x, scale.decimals);
  const delta = (stored: number) =>
    format(Math.abs(scale.show((stability?.last ?? 0) + stored) - scale.show(stability?.last ?? 0)));
  const marks = useMemo(
    () => [
      ...evidence.events
        .filter((e) => e.kind === 'waterChange' || e.kind === 'dose' || e.kind === 'ammoniaDose')
        .map((e) => ({ atMs: Date.parse(e.at), label: '', kind: 'event' as const })),
      ...Object.values(calibrations)
        .filter((c) => kits[c.kitId]?.parameter === p)
        .map((c) => ({ atMs: Date.parse(c.at), label: 'calibrated', kind: 'calibration' as const })),
    ],
    [evidence, calibrations, kits, p],
  );
  const apart = disagreement(
    p,
    trusted(evidence.series[p])
      .slice(-40)
      .map((x) => ({
        kitId: x.kit.id,
        kitName: x.kit.name,
        shop: x.kit.shop === true,
        atMs: x.atMs,
        value: x.interval.mid,
        half: Number.isFinite(x.interval.high) ? (x.interval.high - x.interval.low) / 2 : x.interval.mid,
      })),
  );

  return (
    <Screen
      title={name}
      aside={
        <Targets
          key={range ? `${range.low}/${range.high}` : 'none'}
          water={water}
          parameter={p}
          units={units}
          unit={unit}
        />
      }
    >
      <Txt kind="title" heading={1}>{`${name.charAt(0).toUpperCase()}${name.slice(1)}`}</Txt>
      <Txt
        kind="row"
        tone={
          standing === 'alarm'
            ? 'ammonia'
            : standing === 'steady'
              ? 'go'
              : standing === 'odd' || standing === 'drifting'
                ? 'nitrite'
                : 'ink'
        }
      >{`${STANDING_WORDS[standing].charAt(0).toUpperCase()}${STANDING_WORDS[standing].slice(1)}`}</Txt>
      {stability ? (
        <>
          <Line
            name="Wanders in a week"
            value={`${delta(stability.driftPerWeek) === '0' ? '' : stability.driftPerWeek > 0 ? '+' : '−'}${delta(stability.driftPerWeek)} ${unit}`}
          />
          <Line
            name="Jumps about by"
            value={`± ${delta(stability.spread)} ${unit}, ${stability.count} readings in four weeks`}
          />
        </>
      ) : (
        <Txt kind="small" tone="second">
          Three readings over two days or more say how steady it is.
        </Txt>
      )}
      {apart ? (
        <Txt tone="nitrite">{`${apart.one.kitName} and ${apart.other.kitName} disagree by ${delta(apart.difference)} ${unit}. Calibrate or ask a third before acting.`}</Txt>
      ) : null}
      {points.length > 0 || course ? (
        <TimeChart
          points={points}
          course={course}
          band={shownRange}
          marks={marks}
          unit={unit || name}
          format={format}
          midnight={localMidnight}
          dayLabel={shortDay}
          nowMs={now}
          summary={[
            points.length > 0
              ? `${name}: ${points.length} readings, last ${format(points[points.length - 1]?.mid ?? 0)} ${unit}.`
              : `${name}: no reading by hand.`,
            course
              ? `A device’s hours from ${shortDay(course.firstMs)} to ${shortDay(course.lastMs - 1)}.`
              : '',
          ]
            .join(' ')
            .trim()}
        />
      ) : (
        <Empty title="No reading yet" text="It appears with the next sample.">
          <Go href={`/water/${water.id}/log` as Href}>Log a sample</Go>
        </Empty>
      )}
      <Txt kind="small" tone="second">
        The washed band is the aim. Dotted uprights are changes and doses, dashed ones calibrations; open
        rings are a before and after around a change; “?” is kept, not trusted.
        {course ? ' The grey ribbon is the device, from lowest to highest, its mean as a line.' : ''}
      </Txt>
      <ReadingTable
        water={water}
        parameter={p}
        now={now}
        format={format}
        show={scale.show}
        calibrations={calibrations}
      />
    </Screen>
  );
}

function ReadingTable({
  water,
  parameter,
  now,
  format,
  show,
  calibrations,
}: {
  water: Water;
  parameter: Parameter;
  now: number;
  format: (x: number) => string;
  show: (x: number) => number;
  calibrations: Record<string, Calibration>;
}) {
  const evidence = useAppSelector((s) => selectEvidence(s, water.id, now));
  const samples = useAppSelector((s) => s.document.entities.samples);
  const [which, setWhich] = useState<'all' | 'trusted' | 'doubted'>('all');
  const [query, setQuery] = useState('');
  const [shown, setShown] = useState(PAGE);
  const q = query.trim().toLowerCase();
  const all = evidence.series[parameter];
  const rows = useMemo(() => {
    const matches: (typeof all)[number][] = [];
    for (let i = all.length - 1; i >= 0; i--) {
      const x = all[i];
      if (
        !x ||
        (which === 'trusted' && x.doubts.length > 0) ||
        (which === 'doubted' && x.doubts.length === 0)
      )
        continue;
      if (q && !`${x.kit.name} ${samples[x.sampleId]?.note ?? ''} ${x.text}`.toLowerCase().includes(q))
        continue;
      matches.push(x);
    }
    return matches;
  }, [all, which, q, samples]);
  const mine = Object.values(calibrations).length;
  return (
    <Section title="Readings">
      <Choice
        label="Show"
        options={[
          { value: 'all', label: 'All' },
          { value: 'trusted', label: 'Trusted' },
          { value: 'doubted', label: 'Doubted' },
        ]}
        value={which}
        onChange={setWhich}
      />
      <TextField label="Search kit, note or value" value={query} onChange={setQuery} />
      {rows.length === 0 ? (
        <Txt tone="second">None of that kind.</Txt>
      ) : (
        <Table
          caption="Readings, newest first"
          columns={[
            { title: 'read', flex: 1.3 },
            { title: 'value', flex: 1 },
            { title: 'with', flex: 1.2 },
            { title: 'state', flex: 1.3 },
          ]}
          rows={rows
            .slice(0, shown)
            .map((x) => [
              dayAndHour(x.atMs),
              isNitrogen(parameter) || !Number.isFinite(show(x.interval.mid))
                ? x.text
                : format(show(x.interval.mid)),
              `${x.kit.name}${x.kit.shop ? ' (shop)' : ''}`,
              [
                ...x.doubts.map((d) => DOUBT_WORDS[d]),
                x.corrected ? 'corrected by calibration' : '',
                samples[x.sampleId]?.editedAt ? 'edited' : '',
              ]
                .filter(Boolean)
                .join(', ') || 'trusted',
            ])}
        />
      )}
      {rows.length > shown ? (
        <Button
          kind="quiet"
          label={`Show ${Math.min(PAGE, rows.length - shown)} more of ${rows.length}`}
          onPress={() => setShown(shown + PAGE)}
        />
      ) : null}
      {mine > 0 ? null : (
        <Txt kind="small" tone="second">
          Calibrations are logged with the instrument, under Kits and instruments.
        </Txt>
      )}
      <Go href={`/water/${water.id}/log/history` as Href}>Edit or delete in the history</Go>
    </Section>
  );
}

/** Aim and alarms of this parameter, changeable. */
function Targets({
  water,
  parameter,
  units,
  unit,
}: {
  water: Water;
  parameter: Parameter;
  units: UnitPreferences;
  unit: string;
}) {
  const dispatch = useAppDispatch();
  const targets = useAppSelector((s) => s.document.entities.targets);
  const { range, own } = targetOf(targets, water.id, parameter);
  const text = (x: number | undefined) => (x === undefined ? '' : formatDecimal(x, 3));
  const form = useEntryForm({
    start: () => ({
      alarmLow: text(range?.alarmLow),
      low: text(range?.low),
      high: text(range?.high),
      alarmHigh: text(range?.alarmHigh),
    }),
    read: readTarget,
    save: ({ target }, seen) => {
      const entity = { id: own?.id ?? newId(), waterId: water.id, parameter, ...target };
      return dispatch(commit('Target changed', [{ put: 'targets', entity }], { seen }));
    },
    base: own ? { collection: 'targets', entity: own } : undefined,
  });
  const converted =
    parameter === 'temperature'
      ? units.temperature !== 'C'
      : parameter === 'salinity'
        ? units.salinity !== 'ppt'
        : false;
  return (
    <>
      <Txt kind="section" heading={2}>
        Aim and alarms
      </Txt>
      <Txt
        kind="small"
        tone="second"
      >{`${own ? 'Your own.' : range ? 'The usual for a mixed reef; make it yours.' : 'None usual.'} In ${converted ? (parameter === 'temperature' ? '°C' : 'ppt') : unit || 'the kit’s unit'}. An alarm needs two readings in a row.`}</Txt>
      <FieldRow>
        <TextEntry form={form} name="alarmLow" numeric label="Low alarm" />
        <TextEntry form={form} name="low" numeric label="Aim from" />
        <TextEntry form={form} name="high" numeric label="Aim to" />
        <TextEntry form={form} name="alarmHigh" numeric label="High alarm" />
      </FieldRow>
      {form.fault('order') ? (
        <Txt tone="ammonia" kind="small" live>
          {form.fault('order')}
        </Txt>
      ) : null}
      <SaveButton saving={form.saving} icon="keep" label="Keep the target" onPress={form.save} />
    </>
  );
}
