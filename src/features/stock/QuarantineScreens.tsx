import { useState } from 'react';
import { MINUTE_MS } from '../../../core/time';
import { useRouter, type Href } from 'expo-router';
import { type Animal, type Edit, type Look, type Quarantine, SIGNS, type Tank } from '../../../core/document';
import { speciesById } from '../../../core/species';
import { showQuantity, unitLabel } from '../../../core/units';
import {
  commit,
  isoOf,
  localDay,
  newId,
  selectDocument,
  useAppDispatch,
  useAppSelector,
  useNow,
  type Outcome,
} from '../../store';
import { Button, Caution, Check, Line, Row, Screen, Section, Txt } from '../../ui';
import { NotHere, useParam, useUnits, WithTank } from '../shell';
import { ChoiceEntry, TextEntry, toggled, useEntryForm } from '../shell/form';
import { SaveButton } from '../shell/saving';
import { readQuarantine, readSign, type QuarantineTexts, type SignTexts } from './quarantineForm';
import { animalWords, byPlace, moved, quarantineView, SIGN_WORDS } from './model';
import { QuarantineLane } from './QuarantineLane';

export function NewQuarantineScreen() {
  return <WithTank>{(tank) => <NewQuarantine tank={tank} />}</WithTank>;
}

/** Sets up a quarantine system and books wished animals into it, all in. */
function NewQuarantine({ tank }: { tank: Tank }) {
  const units = useUnits();
  const router = useRouter();
  const dispatch = useAppDispatch();
  const doc = useAppSelector(selectDocument);
  const asked = useParam('animal');
  const wished = byPlace(
    Object.values(doc.animals).filter((a) => a.tankId === tank.id),
    'wish',
  );
  const first = wished.find((a) => a.id === asked);
  const [id] = useState(newId);
  const form = useEntryForm({
    start: (): QuarantineTexts => ({
      name: 'Spare tank',
      group: first ? speciesById(first.speciesId).group : 'fish',
      filter: 'cycled',
      clock: '28',
      own: '',
      volume: '',
      booked: first ? [first.id] : [],
    }),
    read: (texts) => readQuarantine(texts, units.volume),
    save: ({ system }) => open(system),
    done: () => router.replace(`/tank/${tank.id}/quarantine/${id}` as Href),
  });
  const { group, clock, booked } = form.texts;
  const fits = wished.filter((a) => speciesById(a.speciesId).group === group);
  const open = (
    system: Pick<Quarantine, 'name' | 'group' | 'volumeL' | 'filter' | 'clockDays'>,
  ): Promise<Outcome> => {
    const at = isoOf(Date.now());
    const quarantine: Quarantine = {
      ...system,
      id,
      tankId: tank.id,
      openedDay: localDay(Date.now()),
      closedDay: null,
    };
    const moves = fits
      .filter((a) => booked.includes(a.id))
      .map((a): Edit => ({ put: 'animals', entity: moved(a, 'quarantine', at, '', id) }));
    return dispatch(
      commit(`${quarantine.name} opened`, [{ put: 'quarantines', entity: quarantine }, ...moves]),
    );
  };
  return (
    <Screen
      title="New quarantine system"
      footer={
        <SaveButton
          saving={form.saving}
          kind="primary"
          icon="add"
          label="Open the system"
          onPress={form.save}
        />
      }
    >
      <Txt kind="title" heading={1}>
        New quarantine system
      </Txt>
      <Txt tone="second">
        A bare tank with a heater, a simple filter, pipes to hide in and a tight lid. Its tools are its own.
        All in, all out.
      </Txt>
      <TextEntry form={form} name="name" label="Name" />
      <ChoiceEntry
        form={form}
        name="group"
        label="For"
        options={[
          { value: 'fish', label: 'Fish' },
          { value: 'invertebrate', label: 'Invertebrates' },
          { value: 'coral', label: 'Corals' },
        ]}
      />
      <TextEntry
        form={form}
        name="volume"
        numeric
        label="Volume"
        unit={unitLabel(units.volume)}
        hint="40 to 150 L; 75 L serves most."
      />
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
      <ChoiceEntry
        form={form}
        name="clock"
        label="Days without any sign"
        options={[
          { value: '21', label: '21' },
          { value: '28', label: '28, our default' },
          { value: 'own', label: 'Own' },
        ]}
      />
      {clock === 'own' ? <TextEntry form={form} name="own" numeric label="Days" /> : null}
      <Section title="Who goes in">
        {fits.length === 0 ? (
          <Txt tone="second">No wished animal of this kind. You can book animals later from their page.</Txt>
        ) : null}
        {fits.map((a) => (
          <Check
            key={a.id}
            label={animalWords(a)}
            checked={booked.includes(a.id)}
            onChange={(on) => form.change({ booked: toggled(booked, a.id, on) })}
          />
        ))}
      </Section>
      <Caution>
        Medicines: the label, a vet and the law decide, never this app. Keep them from children, and copper
        from invertebrates.
      </Caution>
    </Screen>
  );
}

export function QuarantineScreen() {
  return <WithTank>{(tank) => <QuarantinePage tank={tank} />}</WithTank>;
}

function QuarantinePage({ tank }: { tank: Tank }) {
  const id = useParam('quarantineId');
  const look = useParam('look');
  const units = useUnits();
  const now = useNow(MINUTE_MS);
  const router = useRouter();
  const dispatch = useAppDispatch();
  const doc = useAppSelector(selectDocument);
  const quarantine = Object.hasOwn(doc.quarantines, id) ? doc.quarantines[id] : undefined;
  if (!quarantine || quarantine.tankId !== tank.id) return <NotHere what="quarantine" />;
  const view = quarantineView(doc, quarantine, localDay(now), localDay);
  const page = `/tank/${tank.id}/quarantine/${id}`;
  const wished = byPlace(
    Object.values(doc.animals).filter((a) => a.tankId === tank.id),
    'wish',
  ).filter((a) => speciesById(a.speciesId).group === quarantine.group);
  const join = (a: Animal) =>
    dispatch(
      commit(`${animalWords(a)} joined ${quarantine.name}`, [
        { put: 'animals', entity: moved(a, 'quarantine', isoOf(Date.now()), '', id) },
      ]),
    );
  const close = async () => {
    await dispatch(
      commit(`${quarantine.name} closed`, [
        { put: 'quarantines', entity: { ...quarantine, closedDay: localDay(Date.now()) } },
      ]),
    );
    router.push(`/tank/${tank.id}/stock` as Href);
  };
  return (
    <Screen
      title={quarantine.name}
      aside={
        <>
          <Txt kind="section" heading={2}>
            The system
          </Txt>
          <Line name="Volume" value={showQuantity('volume', quarantine.volumeL, units, 0)} />
          <Line
            name="Filter"
            value={quarantine.filter === 'cycled' ? 'cycled media' : 'uncycled: hold ammonia by changes'}
          />
          <Line name="Clock" value={`${quarantine.clockDays} days without any sign`} />
          <Txt kind="small" tone="second">
            The clock belongs to the whole system. One sign stops it for all; it starts again at day 1 when
            the sign is gone, or when an animal joins. A day nobody looked stays hollow; more than one in four
            and as many days are added.
          </Txt>
          {wished.length > 0 ? <Txt kind="row">Book another in (the clock starts again)</Txt> : null}
          {wished.map((a) => (
            <Button
              key={a.id}
              label={animalWords(a)}
              name={`Book ${animalWords(a)} into ${quarantine.name}`}
              onPress={() => join(a)}
            />
          ))}
          {quarantine.closedDay === null && view.animals.length === 0 ? (
            <Button kind="quiet" label="Close this system" onPress={() => void close()} />
          ) : null}
        </>
      }
    >
      <Txt kind="title" heading={1}>
        {quarantine.name}
      </Txt>
      {look === 'sign' ? (
        <SignSheet quarantine={quarantine} onDone={() => router.replace(page as Href)} />
      ) : null}
      <QuarantineLane view={view} tankId={tank.id} />
      {view.clock.status === 'complete' ? (
        <Section title="Free">
          <Txt>The group has done its days. Match the water, and let them in together.</Txt>
          <Button
            kind="primary"
            icon="drip"
            label="Plan the drip"
            onPress={() =>
              router.push(
                `/tank/${tank.id}/drip/new?animals=${view.animals.map((a) => a.id).join(',')}` as Href,
              )
            }
          />
        </Section>
      ) : null}
      <Section title="What to look for, daily">
        <Txt>{`${SIGNS.map((s) => SIGN_WORDS[s].toLowerCase()).join(', ')}. And: does everyone eat?`}</Txt>
      </Section>
    </Screen>
  );
}

function SignSheet({ quarantine, onDone }: { quarantine: Quarantine; onDone: () => void }) {
  const dispatch = useAppDispatch();
  const looks = useAppSelector((s) => s.document.entities.looks);
  const form = useEntryForm({
    start: (): SignTexts => ({ signs: [], note: '' }),
    read: readSign,
    save: ({ sign }) => {
      const today = localDay(Date.now());
      const present = Object.values(looks).find((l) => l.quarantineId === quarantine.id && l.day === today);
      const entity: Look = {
        id: present?.id ?? newId(),
        quarantineId: quarantine.id,
        day: today,
        result: 'sign',
        ...sign,
      };
      return dispatch(commit('Sign logged: the clock stands still', [{ put: 'looks', entity }]));
    },
    done: onDone,
  });
  const { signs } = form.texts;
  return (
    <Section title="What did you see?">
      <Row wrap>
        {SIGNS.map((s) => (
          <Check
            key={s}
            label={SIGN_WORDS[s]}
            checked={signs.includes(s)}
            onChange={(on) => form.change({ signs: toggled(signs, s, on) })}
          />
        ))}
      </Row>
      <TextEntry form={form} name="note" label="In which animal, and how" multiline />
      <Caution>Treatment is for the label and a vet. This app records, it does not prescribe.</Caution>
      <Row wrap>
        <SaveButton
          saving={form.saving}
          kind="primary"
          icon="keep"
          label="Log the sign"
          onPress={form.save}
        />
        <Button kind="quiet" label="Not now" onPress={onDone} />
      </Row>
    </Section>
  );
}
