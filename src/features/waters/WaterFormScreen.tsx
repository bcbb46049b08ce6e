import { useRouter, type Href } from 'expo-router';
import { SCHOOLS, type Display } from '../../../core/document';
import { editsToRemoveWater } from '../../../core/document/removal';
import { SCHOOL_WORDS } from '../../../core/words';
import { unitLabel } from '../../../core/units';
import {
  commit,
  localDay,
  selectDocument,
  useAppDispatch,
  useAppSelector,
  type Outcome,
  type Seen,
} from '../../store';
import { Button, Caution, Check, FieldRow, Screen, Section, Txt } from '../../ui';
import { useParam, useUnits, WithWater } from '../shell';
import { CheckEntry, ChoiceEntry, TextEntry, toggled, useEntryForm, WhenEntry } from '../shell/form';
import { SaveButton } from '../shell/saving';
import { AMMONIA, BACTERIA, FILLED, ROCK, TAP } from './choices';
import { schoolChange } from './schoolChange';
import { SizeFields } from './SizeFields';
import { NewDisplay } from './walk/NewDisplay';
import { EditServing, NewServing } from './ServingForm';
import { keepingRest, massLabel, readWater, textsOf, type WaterTexts } from './waterForm';
import { VolumeArithmetic } from './VolumeArithmetic';

/** What the address asks for: a quarantine or a container, or else a display. */
export function NewWaterScreen() {
  const kind = useParam('kind');
  return kind === 'quarantine' || kind === 'holding' || kind === 'mixing' ? (
    <NewServing key={kind} kind={kind} />
  ) : (
    <NewDisplay />
  );
}

export function EditWaterScreen() {
  return (
    <WithWater>
      {(water) =>
        water.kind === 'display' ? (
          <EditWater key={water.id} water={water} />
        ) : (
          <EditServing key={water.id} water={water} />
        )
      }
    </WithWater>
  );
}

function EditWater({ water }: { water: Display }) {
  const units = useUnits();
  const dispatch = useAppDispatch();
  const router = useRouter();
  const doc = useAppSelector(selectDocument);
  const save = (next: Display, seen: readonly Seen[]) =>
    dispatch(
      commit(
        `${next.name} changed`,
        [{ put: 'waters', entity: keepingRest(water, next) }, ...schoolChange(water, next.school)],
        { seen },
      ),
    );
  const remove = async () => {
    await dispatch(commit(`${water.name} removed with its log`, editsToRemoveWater(doc, water.id)));
    router.replace('/waters');
  };
  return (
    <WaterForm
      title={water.name}
      id={water.id}
      start={textsOf(water, units)}
      submit="Keep the changes"
      base={{ collection: 'waters', entity: water }}
      onSave={save}
      onDone={() => router.push(`/water/${water.id}` as Href)}
    >
      <Section title="Remove">
        <Txt tone="second">Takes the tank with its readings, events and animals. It can be undone.</Txt>
        <Button icon="remove" label="Remove this tank" onPress={() => void remove()} />
      </Section>
    </WaterForm>
  );
}

interface FormProps {
  title: string;
  id: string;
  start: WaterTexts;
  submit: string;
  /** The tank as the form was opened with it. */
  base?: Seen;
  onSave: (water: Display, seen: readonly Seen[]) => Promise<Outcome>;
  onDone: () => void;
  children?: React.ReactNode;
}

function WaterForm({ title, id, start, submit, base, onSave, onDone, children }: FormProps) {
  const units = useUnits();
  const today = localDay(Date.now());
  const form = useEntryForm({
    start,
    read: (texts: WaterTexts) => readWater(id, texts, units, today),
    save: ({ water }, seen) => onSave(water, seen),
    done: onDone,
    base,
    faultsFrom: 'leave',
  });
  const { texts, now: read } = form;
  const volume = unitLabel(units.volume);
  return (
    <Screen title={title} aside={<VolumeArithmetic volume={read.ok ? read.volume : null} />}>
      <Txt kind="title" heading={1}>
        {title}
      </Txt>
      <TextEntry form={form} name="name" label="Name" placeholder="What you call it" />
      <ChoiceEntry
        form={form}
        name="sizeKind"
        label="Size of the display"
        options={[
          { value: 'dimensions', label: 'By its sides' },
          { value: 'volume', label: 'By volume' },
        ]}
      />
      <SizeFields form={form} units={units} />
      <FieldRow>
        <TextEntry numeric form={form} name="sump" label="Water in the sump" unit={volume} placeholder="0" />
        <TextEntry numeric form={form} name="rock" label="Rock" unit={massLabel(units)} />
        <TextEntry numeric form={form} name="sand" label="Sand" unit={massLabel(units)} />
      </FieldRow>
      {Number(texts.rock.replace(',', '.')) > 0 ? (
        <ChoiceEntry form={form} name="rockKind" label="What rock" options={ROCK} />
      ) : null}
      {texts.rockKind === 'driedOcean' ? (
        <Txt kind="small" tone="second">
          It rots at first: ammonia, phosphate and a smell. Carbon helps with the smell.
        </Txt>
      ) : null}
      <WhenEntry form={form} name="startDay" kind="date" label="First filled on" />
      <ChoiceEntry form={form} name="filledWith" label="Filled with" options={FILLED} />
      {texts.filledWith === 'tap' ? (
        <>
          <ChoiceEntry form={form} name="tapHolds" label="Your supplier adds" options={TAP} />
          <CheckEntry
            form={form}
            name="conditioned"
            label="Conditioner is in, for all of the water"
            note="By its label, before any bacteria. Chlorine and chloramine kill them; chloramine does not gas off. A stop-gap: tap water brings algae."
          />
        </>
      ) : null}
      <CheckEntry
        form={form}
        name="hasLid"
        label="A lid or net is on"
        note="Nearly every fish jumps, new ones most."
      />
      <CheckEntry
        form={form}
        name="intakesGuarded"
        label="Pump intakes and overflow are guarded"
        note="Asked before an anemone goes in: it wanders, and a pump shreds it."
      />
      <ChoiceEntry
        form={form}
        name="ammoniaSource"
        label="Where ammonia comes from"
        options={AMMONIA}
        stacked
      />
      {texts.ammoniaSource === 'bottled' ? (
        <Caution>
          Ammonia solution burns eyes and skin and must never meet bleach. Follow the label and keep it from
          children.
        </Caution>
      ) : null}
      <Section title="Where bacteria come from">
        {BACTERIA.map(({ value, label }) => (
          <Check
            key={value}
            label={label}
            checked={texts.bacteriaSources.includes(value)}
            onChange={(on) => form.change({ bacteriaSources: toggled(texts.bacteriaSources, value, on) })}
          />
        ))}
      </Section>
      <ChoiceEntry
        form={form}
        name="school"
        label="How you judge that it is ready"
        stacked
        options={SCHOOLS.map((s) => ({
          value: s,
          label: SCHOOL_WORDS[s].title + (s === 'proof24' ? ' · our default' : ''),
          note: `${SCHOOL_WORDS[s].rule} ${SCHOOL_WORDS[s].reason}`,
        }))}
      />
      {form.tried && !read.ok ? (
        <Txt tone="ammonia" live>{`Not saved yet: ${Object.values(read.faults)[0]}`}</Txt>
      ) : null}
      <SaveButton saving={form.saving} kind="primary" label={submit} onPress={form.save} />
      <Caution>
        Mains power near water: drip loops, a residual-current device and a licensed electrician, by your
        local code. A full tank is heavy; ask a structural professional about the floor.
      </Caution>
      {children}
    </Screen>
  );
}
