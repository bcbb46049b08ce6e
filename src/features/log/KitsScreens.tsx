import { useRouter, type Href } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import {
  isNitrogen,
  isOwnParameter,
  parameterName,
  PARAMETERS,
  type Kit,
  type Parameter,
} from '../../../core/document';
import { basisLabel, SALINITY_UNITS, unitLabel, type NitrogenBasis } from '../../../core/units';
import { commit, localDay, newId, selectDocument, useAppDispatch, useAppSelector } from '../../store';
import { Button, Check, Choice, FieldRow, Go, Line, Row, Screen, TextField, Txt, WhenField } from '../../ui';
import { NotHere, useParam } from '../shell';
import { calibratedWords, Calibrations } from './Calibrations';
import { NEW_KIT, readKit, textsOfKit, type KitTexts } from './kitForm';

/** One line on a kit: what it reads and whether it can be trusted. */
function kitWords(kit: Kit, today: string): string {
  const scale = kit.scale.kind === 'steps' ? `${kit.scale.steps.length} steps` : `to ${kit.scale.resolution}`;
  const basis = isNitrogen(kit.parameter) ? `, as ${basisLabel(kit.parameter, kit.basis ?? 'ion')}` : '';
  const date =
    kit.expires === null
      ? ', no date'
      : kit.expires < today
        ? `, past its date (${kit.expires})`
        : `, good until ${kit.expires}`;
  return `${scale}${basis}${date}`;
}

export function KitsScreen() {
  const kits = useAppSelector((s) => s.document.entities.kits);
  const router = useRouter();
  const own = useAppSelector((s) => s.document.entities.ownParameters);
  const calibrations = useAppSelector((s) => s.document.entities.calibrations);
  const today = localDay(Date.now());
  const list = Object.values(kits)
    .filter((k) => !k.archived)
    .sort((a, b) => PARAMETERS.indexOf(a.parameter) - PARAMETERS.indexOf(b.parameter));
  return (
    <Screen title="Kits and instruments">
      <Txt kind="title" heading={1}>
        Kits and instruments
      </Txt>
      <Txt tone="second">
        Readings are kept as the kit prints them. The kit says on which basis, so a wrong basis is mended
        here, for all its readings.
      </Txt>
      <View>
        {list.map((k) => (
          <Row key={k.id} style={{ justifyContent: 'space-between' }}>
            <View style={{ flexShrink: 1 }}>
              <Go href={`/kits/${k.id}` as Href} name={`${k.name}, edit`}>
                {k.name}
              </Go>
            </View>
            <Txt
              kind="small"
              tone={k.expires !== null && k.expires < today ? 'ammonia' : 'second'}
              style={{ textAlign: 'right', flexShrink: 1 }}
            >{`${parameterName(k.parameter, own)}: ${kitWords(k, today)}${calibratedWords(k, calibrations)}`}</Txt>
          </Row>
        ))}
      </View>
      <Button
        kind="primary"
        label="Add a kit or instrument"
        onPress={() => router.push('/kits/new' as Href)}
      />
    </Screen>
  );
}

export function KitScreen() {
  const id = useParam('kitId');
  const kits = useAppSelector((s) => s.document.entities.kits);
  if (id === 'new') return <KitForm kit={null} />;
  const kit = Object.hasOwn(kits, id) ? kits[id] : undefined;
  return kit ? <KitForm key={kit.id} kit={kit} /> : <NotHere what="kit" />;
}

/** Colour charts exist for what is stained or compared; a thermometer and what measures salinity show a number. */
const hasCharts = (p: Parameter): boolean => p !== 'temperature' && p !== 'salinity';

function KitForm({ kit }: { kit: Kit | null }) {
  const router = useRouter();
  const dispatch = useAppDispatch();
  const doc = useAppSelector(selectDocument);
  const own = doc.ownParameters;
  const parameter = useParam('parameter');
  const asked = PARAMETERS.find((p) => p === parameter) ?? 'ammonia';
  const [texts, setTexts] = useState<KitTexts>(() =>
    kit
      ? textsOfKit(kit)
      : { ...NEW_KIT, parameter: asked, scaleKind: isNitrogen(asked) ? 'steps' : 'number' },
  );
  const [tried, setTried] = useState(false);
  const change = (patch: Partial<KitTexts>) => setTexts((t) => ({ ...t, ...patch }));
  const read = readKit(kit?.id ?? 'new', texts);
  const faults = tried && !read.ok ? read.faults : {};
  const used =
    kit !== null && Object.values(doc.samples).some((s) => s.readings.some((r) => r.kitId === kit.id));
  const save = () => {
    setTried(true);
    const final = readKit(kit?.id ?? newId(), texts);
    if (!final.ok) return;
    dispatch(commit(`${final.kit.name} ${kit ? 'changed' : 'added'}`, [{ put: 'kits', entity: final.kit }]));
    router.push('/kits');
  };
  const remove = () => {
    if (!kit) return;
    dispatch(
      commit(
        `${kit.name} ${used ? 'put away' : 'removed'}`,
        used ? [{ put: 'kits', entity: { ...kit, archived: true } }] : [{ remove: 'kits', id: kit.id }],
      ),
    );
    router.push('/kits');
  };
  const bases: readonly NitrogenBasis[] = texts.parameter === 'ammonia' ? ['ion', 'NH3', 'N'] : ['ion', 'N'];
  return (
    <Screen
      title={kit?.name ?? 'New kit'}
      footer={<Button kind="primary" label={kit ? 'Keep the changes' : 'Add it'} onPress={save} />}
      aside={kit ? <Calibrations kit={kit} /> : undefined}
    >
      <Txt kind="title" heading={1}>
        {kit?.name ?? 'New kit or instrument'}
      </Txt>
      <TextField
        label="Name"
        value={texts.name}
        onChange={(name) => change({ name })}
        error={faults.name}
        placeholder="As you call it"
      />
      {kit ? (
        <Line name="Measures" value={parameterName(kit.parameter, own)} />
      ) : (
        <Choice
          label="Measures"
          options={PARAMETERS.filter((value) => !isOwnParameter(value) || Object.hasOwn(own, value)).map(
            (value) => ({ value, label: parameterName(value, own) }),
          )}
          value={texts.parameter}
          onChange={(parameter) =>
            change({ parameter, scaleKind: isNitrogen(parameter) ? 'steps' : 'number' })
          }
        />
      )}
      {hasCharts(texts.parameter) ? (
        <Choice
          label="Scale"
          options={[
            { value: 'steps', label: 'Steps of a chart' },
            { value: 'number', label: 'A number' },
          ]}
          value={texts.scaleKind}
          onChange={(scaleKind) => change({ scaleKind })}
        />
      ) : null}
      {texts.scaleKind === 'steps' ? (
        <>
          <TextField
            label="Steps, lowest first"
            value={texts.steps}
            onChange={(steps) => change({ steps })}
            error={faults.steps}
            placeholder="0  0.25  0.5  1  2  4"
            hint="Blanks between. Decimal point or comma."
          />
          <Check
            label="The top step means “or more”"
            checked={texts.topOpen}
            onChange={(topOpen) => change({ topOpen })}
          />
        </>
      ) : (
        <TextField
          numeric
          label="Smallest step shown"
          value={texts.resolution}
          onChange={(resolution) => change({ resolution })}
          error={faults.resolution}
        />
      )}
      {isNitrogen(texts.parameter) ? (
        <Choice
          label="Prints mg/L as"
          options={bases.map((b) => ({
            value: b,
            label: isNitrogen(texts.parameter)
              ? b === 'N'
                ? 'N, nitrogen'
                : basisLabel(texts.parameter, b)
              : b,
          }))}
          value={texts.basis}
          onChange={(basis) => change({ basis })}
        />
      ) : null}
      {texts.parameter === 'salinity' ? (
        <Choice
          label="Is marked in"
          options={SALINITY_UNITS.map((u) => ({ value: u, label: unitLabel(u) }))}
          value={texts.salinityUnit}
          onChange={(salinityUnit) => change({ salinityUnit })}
        />
      ) : null}
      <WhenField
        kind="date"
        label="Good until"
        value={texts.expires}
        onChange={(expires) => change({ expires })}
        error={faults.expires}
        hint="Readings after this day are kept, not trusted."
      />
      <FieldRow>
        <WhenField
          kind="date"
          label="Opened"
          value={texts.opened}
          onChange={(opened) => change({ opened })}
          error={faults.opened}
        />
        <TextField
          numeric
          label="Wait before reading"
          unit="min"
          value={texts.wait}
          onChange={(wait) => change({ wait })}
          error={faults.wait}
        />
        <TextField
          numeric
          label="Tests left"
          value={texts.testsLeft}
          onChange={(testsLeft) => change({ testsLeft })}
          error={faults.testsLeft}
        />
        <TextField
          numeric
          label="Reader’s error"
          unit="%"
          value={texts.readerPercent}
          onChange={(readerPercent) => change({ readerPercent })}
          error={faults.readerPercent}
          hint="Empty: 5 % for a meter, the steps for a chart."
        />
        <TextField
          label="Kept where"
          value={texts.storage}
          onChange={(storage) => change({ storage })}
          error={faults.storage}
          placeholder="Dark, cool"
        />
      </FieldRow>
      <Check
        label="It is a shop’s slip or a laboratory"
        checked={texts.shop}
        onChange={(shop) => change({ shop })}
        note="A source of its own; a conflict with your kits is shown, both are kept."
      />
      {kit ? (
        <Button kind="quiet" label={used ? 'Put away: its readings stay' : 'Remove'} onPress={remove} />
      ) : null}
    </Screen>
  );
}
