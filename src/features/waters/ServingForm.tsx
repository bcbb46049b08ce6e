import { useRouter, type Href } from 'expo-router';
import { useState } from 'react';
import {
  IN,
  isComing,
  livingIn,
  moved,
  placeOf,
  QUARANTINE_LINES,
  starterKits,
  type Edit,
} from '../../../core/document';
import { editsToRemoveWater } from '../../../core/document/removal';
import { speciesOf } from '../../../core/species';
import { showQuantity, showRange, unitLabel } from '../../../core/units';
import { fitWords } from '../../../core/words/quarantine';
import { animalWords, KIND_WORDS, LINE_WORDS } from '../../../core/words';
import { netVolume } from '../../../core/volume';
import {
  commit,
  isoOf,
  localDay,
  newId,
  selectDocument,
  selectWaters,
  useAppDispatch,
  useAppSelector,
  type Outcome,
  type Seen,
  useKinds,
} from '../../store';
import { Button, Caution, Check, FieldRow, Screen, Section, Txt } from '../../ui';
import { useParam, useUnits } from '../shell';
import { CheckEntry, ChoiceEntry, TextEntry, toggled, useEntryForm, WhenEntry } from '../shell/form';
import { BareAbsence } from '../shell/alone';
import { SaveButton } from '../shell/saving';
import {
  newServing,
  readServing,
  textsOfServing,
  type Serving,
  type ServingKind,
  type ServingTexts,
} from './servingForm';
import { SizeFields } from './SizeFields';
import { VolumeArithmetic } from './VolumeArithmetic';

const LEDE: Record<ServingKind, string> = {
  quarantine:
    'A bare tank with a heater, a simple filter, pipes to hide in and a tight lid. Its tools are its own. All in, all out.',
  holding: 'Anything that keeps animals for a while: a tub for a move, a bucket for an emergency.',
  mixing: 'Where new salt water is mixed and kept until it is needed.',
};

/** Sets up a water that serves a display, with wished animals in it where it is a quarantine. */
export function NewServing({ kind }: { kind: ServingKind }) {
  const units = useUnits();
  const router = useRouter();
  const dispatch = useAppDispatch();
  const doc = useAppSelector(selectDocument);
  const asked = useParam('animal');
  const serves = useParam('serves');
  const [id] = useState(newId);
  const animal = Object.hasOwn(doc.animals, asked) ? doc.animals[asked] : undefined;
  const today = localDay(Date.now());
  const only = Object.values(doc.waters).filter((w) => w.kind === 'display');
  const [one] = only;
  const save = (water: Serving, booked: readonly string[]) => {
    const at = isoOf(Date.now());
    const starters: Edit[] =
      Object.keys(doc.kits).length === 0
        ? starterKits(units).map((entity): Edit => ({ put: 'kits', entity }))
        : [];
    const moves = booked.flatMap((animalId): Edit[] => {
      const a = doc.animals[animalId];
      return a ? [{ put: 'animals', entity: moved(a, IN(id), at) }] : [];
    });
    return dispatch(
      commit(`${water.name} set up`, [...starters, { put: 'waters', entity: water }, ...moves]),
    );
  };
  return (
    <ServingForm
      title={`New ${KIND_WORDS[kind].toLowerCase()}`}
      id={id}
      kind={kind}
      before={null}
      start={{
        ...newServing(kind, today),
        line: animal ? speciesOf(doc, animal.speciesId).group : 'fish',
        serves: serves !== '' ? [serves] : one && only.length === 1 ? [one.id] : [],
        booked: animal ? [animal.id] : [],
      }}
      submit="Set it up"
      onSave={save}
      onDone={() => router.replace(`/water/${id}` as Href)}
    />
  );
}

/** Changes a water that serves a display, or removes it with its log. */
export function EditServing({ water }: { water: Serving }) {
  const units = useUnits();
  const router = useRouter();
  const dispatch = useAppDispatch();
  const doc = useAppSelector(selectDocument);
  const inIt = livingIn(doc, water.id);
  const remove = async () => {
    await dispatch(commit(`${water.name} removed with its log`, editsToRemoveWater(doc, water.id)));
    router.replace('/waters');
  };
  return (
    <ServingForm
      title={water.name}
      id={water.id}
      kind={water.kind}
      before={water}
      start={textsOfServing(water, units)}
      submit="Keep the changes"
      base={{ collection: 'waters', entity: water }}
      onSave={(next, _booked, seen) =>
        dispatch(commit(`${next.name} changed`, [{ put: 'waters', entity: next }], { seen }))
      }
      onDone={() => router.push(`/water/${water.id}` as Href)}
    >
      <Section title="Remove">
        {inIt.length > 0 ? (
          <Txt tone="second">{`${inIt.map((a) => animalWords(doc, a)).join(', ')}: still in it. Move them first.`}</Txt>
        ) : (
          <>
            <Txt tone="second">
              Takes it with its readings, looks and events; the animals that passed through keep the rest of
              their way. It can be undone. To keep its log, take it out of use instead.
            </Txt>
            <Button icon="remove" label={`Remove ${water.name}`} onPress={() => void remove()} />
          </>
        )}
      </Section>
    </ServingForm>
  );
}

interface FormProps {
  title: string;
  id: string;
  kind: ServingKind;
  before: Serving | null;
  start: ServingTexts;
  submit: string;
  base?: Seen;
  onSave: (water: Serving, booked: readonly string[], seen: readonly Seen[]) => Promise<Outcome>;
  onDone: () => void;
  children?: React.ReactNode;
}

function ServingForm({ title, id, kind, before, start, submit, base, onSave, onDone, children }: FormProps) {
  const units = useUnits();
  const today = localDay(Date.now());
  const form = useEntryForm({
    start,
    read: (texts: ServingTexts) => readServing({ id, kind, before }, texts, units, today),
    save: ({ water, booked }, seen) => onSave(water, booked, seen),
    done: onDone,
    base,
    faultsFrom: 'leave',
  });
  const { now: read } = form;
  return (
    <Screen
      title={title}
      aside={<VolumeArithmetic volume={read.ok ? netVolume(read.water) : null} />}
      footer={
        <SaveButton saving={form.saving} kind="primary" icon="keep" label={submit} onPress={form.save} />
      }
    >
      <Txt kind="title" heading={1}>
        {title}
      </Txt>
      <Txt tone="second">{LEDE[kind]}</Txt>
      <TextEntry form={form} name="name" label="Name" />
      <ChoiceEntry
        form={form}
        name="sizeKind"
        label="Size"
        options={[
          { value: 'volume', label: 'By volume' },
          { value: 'dimensions', label: 'By its sides' },
        ]}
      />
      <SizeFields
        form={form}
        units={units}
        {...(kind === 'quarantine'
          ? {
              hint: `${showRange('volume', [40, 150], units, 0)}; ${showQuantity('volume', 75, units, 0)} serves most.`,
            }
          : {})}
      />
      <WhenEntry form={form} name="startDay" kind="date" label="First filled on" />
      <CheckEntry form={form} name="hasLid" label="It has a tight lid" />
      {kind === 'quarantine' ? <QuarantineRules form={form} booking={before === null} /> : null}
      {children}
    </Screen>
  );
}

/** Whom a quarantine is for, how it filters, and how long it watches. */
function QuarantineRules({
  form,
  booking,
}: {
  form: ReturnType<typeof useEntryForm<ServingTexts, ReturnType<typeof readServing>>>;
  booking: boolean;
}) {
  const { texts, now: read } = form;
  const units = useUnits();
  const kinds = useKinds();
  const waters = useAppSelector(selectWaters);
  const animals = useAppSelector((s) => s.document.entities.animals);
  const displays = waters.filter((w) => w.kind === 'display');
  const wished = Object.values(animals).filter(
    (a) =>
      placeOf(a).kind === 'wish' &&
      isComing(a) &&
      speciesOf(kinds, a.speciesId).group === texts.line &&
      texts.serves.includes(a.homeId),
  );
  return (
    <>
      <ChoiceEntry
        form={form}
        name="line"
        label="For"
        options={QUARANTINE_LINES.map((value) => ({ value, label: LINE_WORDS[value] }))}
      />
      {displays.length > 0 ? (
        <Section title="Whom it serves">
          {displays.map((d) => (
            <Check
              key={d.id}
              label={d.name}
              checked={texts.serves.includes(d.id)}
              onChange={(on) => form.change({ serves: toggled(texts.serves, d.id, on) })}
            />
          ))}
        </Section>
      ) : null}
      <ChoiceEntry
        form={form}
        name="filter"
        stacked
        label="Filter"
        options={[
          {
            value: 'cycled',
            label: 'Cycled media',
            note: 'Easier water; antibiotics would harm it, and rock or ceramic soaks up copper.',
          },
          {
            value: 'uncycled',
            label: 'Uncycled',
            note: 'Any medicine a vet names is possible; ammonia must be held by frequent large changes.',
          },
        ]}
      />
      {read.ok && read.water.kind === 'quarantine' ? (
        <BareAbsence water={read.water} now={Date.now()} />
      ) : null}
      <ChoiceEntry
        form={form}
        name="clock"
        label="Days seen clear"
        options={[
          { value: '21', label: '21' },
          { value: '28', label: '28, our default' },
          { value: '30', label: '30' },
          { value: 'own', label: 'Own' },
        ]}
      />
      <Txt kind="small" tone="second">
        21 cover what shows quickly in warm water; 28 to 30 most stages that hide; longer where copper or a
        fallow display is part of the plan. Practitioners differ: 28 is the careful middle.
      </Txt>
      {texts.clock === 'own' ? (
        <>
          <TextEntry form={form} name="own" numeric label="Days" />
          <TextEntry form={form} name="clockWhy" label="Why this many" placeholder="May be left empty" />
        </>
      ) : null}
      <CheckEntry
        form={form}
        name="treatmentDaysCount"
        label="Days under a treatment count"
        note="Never those under one that may hide signs."
      />
      <Section title="Its size and flow">
        <FieldRow>
          <TextEntry
            form={form}
            name="largest"
            numeric
            label="Largest animal to come"
            unit={unitLabel(units.length)}
          />
          <TextEntry
            form={form}
            name="pump"
            numeric
            label="The pump moves an hour"
            unit={unitLabel(units.volume)}
          />
        </FieldRow>
        {read.ok && read.water.kind === 'quarantine'
          ? fitWords(read.water, netVolume(read.water).netL, units).map((line) => (
              <Txt key={line.text} tone={line.fits ? 'ink' : 'nitrite'}>
                {line.text}
              </Txt>
            ))
          : null}
      </Section>
      {booking ? (
        <Section title="Who goes in">
          {wished.length === 0 ? (
            <Txt tone="second">
              No wished animal of this kind. You can book animals later from their page.
            </Txt>
          ) : null}
          {wished.map((a) => (
            <Check
              key={a.id}
              label={animalWords(kinds, a)}
              checked={texts.booked.includes(a.id)}
              onChange={(on) => form.change({ booked: toggled(texts.booked, a.id, on) })}
            />
          ))}
        </Section>
      ) : null}
      <Caution>
        Medicines: the label, a vet and the law decide, never this app. Keep them from children, and copper
        from invertebrates.
      </Caution>
    </>
  );
}
