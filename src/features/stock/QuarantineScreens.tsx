import { MINUTE_MS } from '../../../core/time';
import { useRouter, type Href } from 'expo-router';
import { useState } from 'react';
import { type Animal, type Edit, type Quarantine, type Sign, SIGNS, type Tank } from '../../../core/document';
import { speciesById } from '../../../core/species';
import { readEntry, showQuantity, unitLabel } from '../../../core/units';
import {
  commit,
  isoOf,
  localDay,
  newId,
  selectDocument,
  useAppDispatch,
  useAppSelector,
  useNow,
} from '../../store';
import { Button, Caution, Check, Choice, Line, Row, Screen, Section, TextField, Txt } from '../../ui';
import { NotHere, useParam, useUnits, WithTank } from '../shell';
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
  const [name, setName] = useState('Spare tank');
  const [group, setGroup] = useState<Quarantine['group']>(
    first ? speciesById(first.speciesId).group : 'fish',
  );
  const [filter, setFilter] = useState<Quarantine['filter']>('cycled');
  const [clock, setClock] = useState<'21' | '28' | 'own'>('28');
  const [own, setOwn] = useState('');
  const [volume, setVolume] = useState('');
  const [booked, setBooked] = useState<string[]>(first ? [first.id] : []);
  const [tried, setTried] = useState(false);
  const volumeEntry = readEntry(volume, {
    name: 'Volume',
    unit: units.volume,
    min: 0,
    max: 2000,
    above: true,
  });
  const daysEntry = readEntry(clock === 'own' ? own : clock, {
    name: 'Days',
    unit: null,
    min: 7,
    max: 120,
    whole: true,
  });
  const nameFault =
    name.trim() === ''
      ? 'Give it a name.'
      : name.length > 80
        ? 'The name is too long: 80 characters is the most.'
        : null;
  const fits = wished.filter((a) => speciesById(a.speciesId).group === group);
  const save = () => {
    setTried(true);
    if (nameFault || !volumeEntry.ok || !daysEntry.ok) return;
    const id = newId();
    const at = isoOf(Date.now());
    const quarantine: Quarantine = {
      id,
      tankId: tank.id,
      name: name.trim(),
      group,
      volumeL: volumeEntry.value,
      filter,
      clockDays: daysEntry.value,
      openedDay: localDay(Date.now()),
      closedDay: null,
    };
    const moves = fits
      .filter((a) => booked.includes(a.id))
      .map((a): Edit => ({ put: 'animals', entity: moved(a, 'quarantine', at, '', id) }));
    dispatch(commit(`${quarantine.name} opened`, [{ put: 'quarantines', entity: quarantine }, ...moves]));
    router.replace(`/tank/${tank.id}/quarantine/${id}` as Href);
  };
  return (
    <Screen
      title="New quarantine system"
      footer={<Button kind="primary" label="Open the system" onPress={save} />}
    >
      <Txt kind="title" heading={1}>
        New quarantine system
      </Txt>
      <Txt tone="second">
        A bare tank with a heater, a simple filter, pipes to hide in and a tight lid. Its tools are its own.
        All in, all out.
      </Txt>
      <TextField label="Name" value={name} onChange={setName} error={tried ? nameFault : null} />
      <Choice
        label="For"
        options={[
          { value: 'fish', label: 'Fish' },
          { value: 'invertebrate', label: 'Invertebrates' },
          { value: 'coral', label: 'Corals' },
        ]}
        value={group}
        onChange={setGroup}
      />
      <TextField
        numeric
        label="Volume"
        unit={unitLabel(units.volume)}
        value={volume}
        onChange={setVolume}
        error={tried && !volumeEntry.ok ? volumeEntry.message : null}
        hint="40 to 150 L; 75 L serves most."
      />
      <Choice
        stacked
        label="Filter"
        value={filter}
        onChange={setFilter}
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
      <Choice
        label="Days without any sign"
        options={[
          { value: '21', label: '21' },
          { value: '28', label: '28, our default' },
          { value: 'own', label: 'Own' },
        ]}
        value={clock}
        onChange={setClock}
      />
      {clock === 'own' ? (
        <TextField
          numeric
          label="Days"
          value={own}
          onChange={setOwn}
          error={tried && !daysEntry.ok ? daysEntry.message : null}
        />
      ) : null}
      <Section title="Who goes in">
        {fits.length === 0 ? (
          <Txt tone="second">No wished animal of this kind. You can book animals later from their page.</Txt>
        ) : null}
        {fits.map((a) => (
          <Check
            key={a.id}
            label={animalWords(a)}
            checked={booked.includes(a.id)}
            onChange={(on) => setBooked(on ? [...booked, a.id] : booked.filter((x) => x !== a.id))}
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
  const close = () => {
    dispatch(
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
            <Button kind="quiet" label="Close this system" onPress={close} />
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
  const [signs, setSigns] = useState<Sign[]>([]);
  const [note, setNote] = useState('');
  const [tried, setTried] = useState(false);
  const save = () => {
    setTried(true);
    if ((signs.length === 0 && note.trim() === '') || note.length > 2000) return;
    const today = localDay(Date.now());
    const present = Object.values(looks).find((l) => l.quarantineId === quarantine.id && l.day === today);
    dispatch(
      commit('Sign logged: the clock stands still', [
        {
          put: 'looks',
          entity: {
            id: present?.id ?? newId(),
            quarantineId: quarantine.id,
            day: today,
            result: 'sign',
            signs,
            note,
          },
        },
      ]),
    );
    onDone();
  };
  return (
    <Section title="What did you see?">
      <Row wrap>
        {SIGNS.map((s) => (
          <Check
            key={s}
            label={SIGN_WORDS[s]}
            checked={signs.includes(s)}
            onChange={(on) => setSigns(on ? [...signs, s] : signs.filter((x) => x !== s))}
          />
        ))}
      </Row>
      <TextField
        label="In which animal, and how"
        multiline
        value={note}
        onChange={setNote}
        error={
          tried && signs.length === 0 && note.trim() === ''
            ? 'Choose a sign or write what you saw.'
            : note.length > 2000
              ? 'The note is too long: 2000 characters is the most.'
              : null
        }
      />
      <Caution>Treatment is for the label and a vet. This app records, it does not prescribe.</Caution>
      <Row wrap>
        <Button kind="primary" label="Log the sign" onPress={save} />
        <Button kind="quiet" label="Not now" onPress={onDone} />
      </Row>
    </Section>
  );
}
