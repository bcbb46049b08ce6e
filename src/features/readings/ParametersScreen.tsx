import { MINUTE_MS } from '../../../core/time';
import { Link, type Href } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import {
  isNitrogen,
  OWN_PARAMETERS,
  parameterName,
  parameterUnit,
  PARAMETERS,
  TARGET_PRESETS,
  type Edit,
  type Kit,
  type Parameter,
  type Water,
  type TargetPreset,
} from '../../../core/document';
import { monitoredAs, type Monitored } from '../../../core/monitor';
import { basisLabel, formatDecimal } from '../../../core/units';
import { shownScale } from '../../../core/words/scale';
import {
  agoWords,
  commit,
  newId,
  selectDocument,
  selectEvidence,
  useAppDispatch,
  useAppSelector,
  useNow,
} from '../../store';
import {
  Button,
  Choice,
  Empty,
  FieldRow,
  Go,
  Screen,
  Section,
  space,
  Txt,
  type Role,
  useTheme,
  styleSheet,
} from '../../ui';
import { useUnits, WithWater } from '../shell';
import { TextEntry, useEntryForm } from '../shell/form';
import { newestDays } from '../shell/monitor/recent';
import { SaveButton } from '../shell/saving';
import { TestPlan } from './TestPlan';
import { readOwnParameter } from './ownParameterForm';
import { STANDING_WORDS, standingOf, targetOf } from './model';

export function ParametersScreen() {
  return <WithWater>{(water) => <Parameters water={water} />}</WithWater>;
}

/** Every parameter ever read, with its last value and how steady it is. */
function Parameters({ water }: { water: Water }) {
  const now = useNow(MINUTE_MS);
  const evidence = useAppSelector((s) => selectEvidence(s, water.id, now));
  const own = useAppSelector((s) => s.document.entities.ownParameters);
  const known = PARAMETERS.filter((p) => evidence.series[p].length > 0);
  const byDevice = useByDevice(water.id);
  const deviceOnly = PARAMETERS.filter((p) => !known.includes(p) && byDevice.has(monitoredAs(p)));
  return (
    <Screen title="Readings by parameter">
      <Txt kind="title" heading={1}>
        Readings
      </Txt>
      <Txt tone="second">
        Steadiness first: how far each wanders in a week. One odd number asks for a repeat, never for action.
      </Txt>
      {known.length + deviceOnly.length === 0 ? (
        <Empty title="Nothing read yet" text="The first sample fills this page.">
          <Go href={`/water/${water.id}/log` as Href}>Log a sample</Go>
        </Empty>
      ) : null}
      <View>
        {known.map((p) => (
          <ParameterRow key={p} water={water} parameter={p} now={now} />
        ))}
        {deviceOnly.map((p) => (
          <RowLink
            key={p}
            water={water}
            parameter={p}
            name={parameterName(p, own)}
            state="by the device only, no test by hand"
          />
        ))}
      </View>
      {water.kind === 'display' ? <TestPlan water={water} /> : null}
      <Presets water={water} />
      <OwnParameters known={Object.keys(own)} />
    </Screen>
  );
}

/** "+0.3 a week"; nothing for a drift too small to be shown. */
function driftWords(drift: number | null, decimals: number): string {
  if (drift === null || Math.abs(drift) < 10 ** -decimals) return '';
  return `${drift > 0 ? '+' : '−'}${formatDecimal(Math.abs(drift), decimals)} a week`;
}

/** What a device of the water has ever shown, also one that was revoked since. */
function useByDevice(waterId: string): { has: (what: Monitored | undefined) => boolean } {
  const monitors = useAppSelector((s) => selectDocument(s).monitors);
  const all = useAppSelector((s) => selectDocument(s).monitorDays);
  const own = Object.values(monitors).filter((m) => m.waterId === waterId);
  return { has: (what) => what !== undefined && own.some((m) => newestDays(all, m.id).has(what)) };
}

/** One row of the list: what it is, how it stands, its last value. */
function RowLink({
  water,
  parameter,
  name,
  state,
  tone = 'second',
  value,
  age,
}: {
  water: Water;
  parameter: Parameter;
  name: string;
  state: string;
  tone?: Role;
  value?: string;
  age?: string;
}) {
  const { roles } = useTheme();
  return (
    <Link
      href={`/water/${water.id}/log/readings/${parameter}` as Href}
      style={[styles.row, { borderColor: roles.hairline }]}
    >
      <View style={styles.inside}>
        <View style={styles.shrink}>
          <Txt kind="row">{name}</Txt>
          <Txt kind="small" tone={tone}>
            {state}
          </Txt>
        </View>
        {value !== undefined ? (
          <View style={styles.value}>
            <Txt kind="row">{value}</Txt>
            <Txt kind="small" tone="second">
              {age}
            </Txt>
          </View>
        ) : null}
      </View>
    </Link>
  );
}

function ParameterRow({ water, parameter: p, now }: { water: Water; parameter: Parameter; now: number }) {
  const units = useUnits();
  const evidence = useAppSelector((s) => selectEvidence(s, water.id, now));
  const own = useAppSelector((s) => s.document.entities.ownParameters);
  const targets = useAppSelector((s) => s.document.entities.targets);
  const { standing, stability } = standingOf(evidence, p, targetOf(targets, water.id, p).range);
  const last = evidence.series[p][evidence.series[p].length - 1];
  const scale = shownScale(p, units);
  const unit = scale.label || (isNitrogen(p) ? `mg/L ${basisLabel(p, 'ion')}` : parameterUnit(p, own));
  const drift = stability
    ? scale.show(stability.last + stability.driftPerWeek) - scale.show(stability.last)
    : null;
  if (!last) return null;
  return (
    <RowLink
      water={water}
      parameter={p}
      name={parameterName(p, own)}
      state={[STANDING_WORDS[standing], driftWords(drift, scale.decimals)].filter(Boolean).join(', ')}
      tone={
        standing === 'alarm'
          ? 'ammonia'
          : standing === 'odd' || standing === 'drifting'
            ? 'nitrite'
            : 'second'
      }
      value={`${isNitrogen(p) ? last.text : formatDecimal(scale.show(last.interval.mid), scale.decimals)} ${unit}`.trim()}
      age={agoWords(last.atMs, now)}
    />
  );
}

/** Sets the targets of all parameters at once. */
function Presets({ water }: { water: Water }) {
  const dispatch = useAppDispatch();
  const targets = useAppSelector((s) => s.document.entities.targets);
  const mine = Object.values(targets).filter((t) => t.waterId === water.id);
  const [preset, setPreset] = useState<TargetPreset>('reef');
  const take = () => {
    const edits: Edit[] = mine.map((t) => ({ remove: 'targets', id: t.id }));
    for (const [p, range] of Object.entries(TARGET_PRESETS[preset].ranges))
      edits.push({
        put: 'targets',
        entity: { id: newId(), waterId: water.id, parameter: p as Parameter, ...range },
      });
    dispatch(commit(`Targets: ${TARGET_PRESETS[preset].title}`, edits));
  };
  return (
    <Section title="Targets">
      <Txt kind="small" tone="second">
        {mine.length === 0
          ? 'Mixed reef values are used until you choose.'
          : `${mine.length} targets are your own for this tank; each can be changed on its page.`}
      </Txt>
      <Choice
        label="Start from"
        options={(Object.keys(TARGET_PRESETS) as TargetPreset[]).map((value) => ({
          value,
          label: TARGET_PRESETS[value].title,
          note: TARGET_PRESETS[value].reason,
        }))}
        value={preset}
        onChange={setPreset}
        stacked
      />
      <Button label="Take these targets" onPress={take} />
    </Section>
  );
}

/** Up to six parameters of the person's own. */
function OwnParameters({ known }: { known: string[] }) {
  const dispatch = useAppDispatch();
  const free = OWN_PARAMETERS.find((id) => !known.includes(id));
  const form = useEntryForm({
    start: { name: '', unit: '', min: '0', max: '100' },
    read: readOwnParameter,
    save: async ({ parameter }) => {
      if (!free) return { kind: 'nothing' };
      const kit: Kit = {
        id: newId(),
        name: parameter.name,
        parameter: free,
        scale: { kind: 'number', resolution: 0.01 },
        basis: null,
        salinityUnit: null,
        expires: null,
        waitMinutes: null,
        archived: false,
      };
      return dispatch(
        commit(`${parameter.name} added`, [
          { put: 'ownParameters', entity: { ...parameter, id: free } },
          { put: 'kits', entity: kit },
        ]),
      );
    },
    done: 'restart',
  });
  return (
    <Section title="A parameter of your own">
      {free ? (
        <>
          <FieldRow>
            <TextEntry form={form} name="name" label="Parameter name" placeholder="Strontium" />
            <TextEntry form={form} name="unit" label="Unit" placeholder="mg/L" />
            <TextEntry form={form} name="min" numeric label="Lowest" />
            <TextEntry form={form} name="max" numeric label="Highest" />
          </FieldRow>
          <SaveButton
            saving={form.saving}
            kind="quiet"
            icon="add"
            label="Add the parameter"
            onPress={form.save}
          />
        </>
      ) : (
        <Txt kind="small" tone="second">
          Six are the most, and all are used.
        </Txt>
      )}
    </Section>
  );
}

const styles = styleSheet({
  row: { display: 'flex', borderBottomWidth: 1 },
  inside: {
    flex: 1,
    flexDirection: 'row',
    justifyContent: 'space-between',
    alignItems: 'center',
    gap: space(3),
    paddingVertical: space(3),
  },
  shrink: { flexShrink: 1 },
  value: { alignItems: 'flex-end', flexShrink: 0 },
});
