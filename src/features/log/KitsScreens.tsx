import { useRouter, type Href } from 'expo-router';
import { View } from 'react-native';
import {
  isNitrogen,
  isOwnParameter,
  parameterName,
  PARAMETERS,
  type Kit,
  type Parameter,
} from '../../../core/document';
import { editsToRemoveKit } from '../../../core/document/removal';
import { basisLabel, SALINITY_UNITS, unitLabel, type NitrogenBasis } from '../../../core/units';
import {
  commit,
  localDay,
  newId,
  selectDocument,
  useAppDispatch,
  useAppSelector,
  writtenDay,
} from '../../store';
import { Button, Choice, FieldRow, Go, Line, Row, Screen, Txt } from '../../ui';
import { NotHere, useParam } from '../shell';
import { CheckEntry, ChoiceEntry, TextEntry, useEntryForm, WhenEntry } from '../shell/form';
import { SaveButton, useLastSeen } from '../shell/saving';
import { calibratedWords, Calibrations } from './Calibrations';
import { hasCard } from '../../../core/vial';
import { NEW_KIT, readKit, textsOfKit, type KitTexts } from './kitForm';

/** One line on a kit: what it reads and whether it can be trusted. */
function kitWords(kit: Kit, today: string): string {
  const scale = kit.scale.kind === 'steps' ? `${kit.scale.steps.length} steps` : `to ${kit.scale.resolution}`;
  const basis = isNitrogen(kit.parameter) ? `, as ${basisLabel(kit.parameter, kit.basis ?? 'ion')}` : '';
  const date =
    kit.expires === null
      ? ', no date'
      : kit.expires < today
        ? `, past its date (${writtenDay(kit.expires)})`
        : `, good until ${writtenDay(kit.expires)}`;
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
        icon="add"
        label="Add a kit or instrument"
        onPress={() => router.push('/kits/new' as Href)}
      />
    </Screen>
  );
}

export function KitScreen() {
  const id = useParam('kitId');
  const kits = useAppSelector((s) => s.document.entities.kits);
  const kit = useLastSeen(id, Object.hasOwn(kits, id) ? kits[id] : undefined);
  if (id === 'new') return <KitForm kit={null} />;
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
  const form = useEntryForm({
    start: (): KitTexts =>
      kit
        ? textsOfKit(kit)
        : { ...NEW_KIT, parameter: asked, scaleKind: isNitrogen(asked) ? 'steps' : 'number' },
    read: (texts) => readKit(kit?.id ?? newId(), texts),
    save: ({ kit: entity }, seen) =>
      dispatch(commit(`${entity.name} ${kit ? 'changed' : 'added'}`, [{ put: 'kits', entity }], { seen })),
    done: () => router.push('/kits'),
    base: kit ? { collection: 'kits', entity: kit } : undefined,
  });
  const { texts, change } = form;
  const used =
    kit !== null && Object.values(doc.samples).some((s) => s.readings.some((r) => r.kitId === kit.id));
  const remove = async () => {
    if (!kit) return;
    await dispatch(
      commit(
        `${kit.name} ${used ? 'put away' : 'removed'}`,
        used ? [{ put: 'kits', entity: { ...kit, archived: true } }] : editsToRemoveKit(doc, kit.id),
      ),
    );
    router.push('/kits');
  };
  const bases: readonly NitrogenBasis[] = texts.parameter === 'ammonia' ? ['ion', 'NH3', 'N'] : ['ion', 'N'];
  return (
    <Screen
      title={kit?.name ?? 'New kit'}
      footer={
        <SaveButton
          saving={form.saving}
          kind="primary"
          icon={kit ? 'keep' : 'add'}
          label={kit ? 'Keep the changes' : 'Add it'}
          onPress={form.save}
        />
      }
      aside={kit ? <Calibrations kit={kit} /> : undefined}
    >
      <Txt kind="title" heading={1}>
        {kit?.name ?? 'New kit or instrument'}
      </Txt>
      <TextEntry form={form} name="name" label="Name" placeholder="As you call it" />
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
        <ChoiceEntry
          form={form}
          name="scaleKind"
          label="Scale"
          options={[
            { value: 'steps', label: 'Steps of a chart' },
            { value: 'number', label: 'A number' },
          ]}
        />
      ) : null}
      {texts.scaleKind === 'steps' ? (
        <>
          <TextEntry
            form={form}
            name="steps"
            label="Steps, lowest first"
            placeholder="0  0.25  0.5  1  2  4"
            hint="Blanks between. Decimal point or comma."
          />
          <CheckEntry form={form} name="topOpen" label="The top step means “or more”" />
        </>
      ) : (
        <TextEntry form={form} name="resolution" numeric label="Smallest step shown" />
      )}
      {texts.parameter === 'ammonia' || texts.parameter === 'freeAmmonia' ? (
        <Txt kind="small" tone="second">
          Most kits show the total, ammonia and ammonium together. A monitor that hangs in the tank mostly
          shows the free part alone, a twentieth of it: choose free ammonia for that one.
        </Txt>
      ) : null}
      {texts.parameter === 'freeAmmonia' ? (
        <ChoiceEntry
          form={form}
          name="basis"
          label="Prints mg/L as"
          options={[
            { value: 'NH3', label: 'NH₃' },
            { value: 'N', label: 'N, nitrogen' },
          ]}
        />
      ) : null}
      {isNitrogen(texts.parameter) ? (
        <ChoiceEntry
          form={form}
          name="basis"
          label="Prints mg/L as"
          options={bases.map((b) => ({
            value: b,
            label: isNitrogen(texts.parameter)
              ? b === 'N'
                ? 'N, nitrogen'
                : basisLabel(texts.parameter, b)
              : b,
          }))}
        />
      ) : null}
      {texts.parameter === 'salinity' ? (
        <ChoiceEntry
          form={form}
          name="salinityUnit"
          label="Is marked in"
          options={SALINITY_UNITS.map((u) => ({ value: u, label: unitLabel(u) }))}
        />
      ) : null}
      <WhenEntry
        form={form}
        name="expires"
        kind="date"
        label="Good until"
        hint="Readings after this day are kept, not trusted."
      />
      <FieldRow>
        <WhenEntry form={form} name="opened" kind="date" label="Opened" />
        <TextEntry form={form} name="wait" numeric label="Wait before reading" unit="min" />
        <TextEntry form={form} name="testsLeft" numeric label="Tests left" />
        <TextEntry
          form={form}
          name="readerPercent"
          numeric
          label="Reader’s error"
          unit="%"
          hint="Empty: 5 % for a meter, the steps for a chart."
        />
        <TextEntry form={form} name="storage" label="Kept where" placeholder="Dark, cool" />
      </FieldRow>
      <CheckEntry
        form={form}
        name="shop"
        label="It is a shop’s slip or a laboratory"
        note="A source of its own; a conflict with your kits is shown, both are kept."
      />
      {kit && hasCard(kit) ? (
        <Go href={`/kits/${kit.id}/card` as Href}>
          {Object.values(doc.cards).some((c) => c.kitId === kit.id)
            ? 'Its colour card, photographed'
            : 'Photograph its colour card: then a photo of the vial can be read'}
        </Go>
      ) : null}
      {kit ? (
        <Button kind="quiet" label={used ? 'Put away: its readings stay' : 'Remove'} onPress={remove} />
      ) : null}
    </Screen>
  );
}
