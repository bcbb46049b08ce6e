import { animalWords, GONE_WORDS, placeWords } from '../../../core/words';
import { isDay, MINUTE_MS } from '../../../core/time';
import { useRouter, type Href } from 'expo-router';
import { useEffect, useMemo, useState } from 'react';
import { View } from 'react-native';
import {
  GONE_REASONS,
  isComing,
  isOpen,
  placeOf,
  waterOf,
  type Animal,
  type Display,
  type Document,
  type Edit,
  type Water,
} from '../../../core/document';
import { editsToRemoveAnimal } from '../../../core/document/removal';
import { speciesOf } from '../../../core/species';
import { admit, followUpTasks, handlingOf, isCopperDeath } from '../../../core/arrivals';
import { lineFits } from '../../../core/quarantine';
import { additionWarnings, membersOf, openLines } from '../../../core/company';
import { lengthAt } from '../../../core/stocking';
import { showQuantity } from '../../../core/units';
import {
  commit,
  dayAndHour,
  isoOf,
  localDay,
  newId,
  selectAssessment,
  selectDocument,
  selectEvidence,
  selectWaters,
  useAppDispatch,
  useAppSelector,
  useNow,
  type Outcome,
} from '../../store';
import { Button, FieldRow, Go, Line, Row, Screen, Section, Txt } from '../../ui';
import { WhenField } from '../../ui/WhenField';
import { NotHere, useParam, useWords, WithWater } from '../shell';
import { ChoiceEntry, TextEntry, useEntryForm } from '../shell/form';
import { REASON_MISSING, Risks, useRisks } from '../shell/guard';
import { useAdditionPeaks } from '../shell/quietForecast';
import { farQuestion } from './dayWords';
import { HandlingNotes } from '../shell/handling';
import { SaveButton } from '../shell/saving';
import { readCount, readGone, readMove, type GoneTexts, type MoveTexts } from './animalForm';
import { Arrival } from './Arrival';
import { SpeciesFacts } from './SpeciesFacts';
import { Verdicts } from '../shell/company';
import { ForThePlan } from './ForThePlan';
import { CoralDip } from './CoralDip';
import { CoralLight } from './CoralLight';
import { Identity } from './Identity';
import { editsToLose } from './leaving';
import { loadWords } from './model';

export function AnimalScreen() {
  return <WithWater>{(water) => <ChosenAnimal water={water} />}</WithWater>;
}

/** The animal in the address: it is shown under any water it lives in, is meant for, or passed through. */
function ChosenAnimal({ water }: { water: Water }) {
  const id = useParam('animalId');
  const animals = useAppSelector((s) => s.document.entities.animals);
  const animal = Object.hasOwn(animals, id) ? animals[id] : undefined;
  const known =
    animal && (animal.homeId === water.id || animal.moves.some((m) => waterOf(m.to) === water.id));
  return known ? <AnimalPage key={id} water={water} animal={animal} /> : <NotHere what="animal" />;
}

/** One animal or group: where it has been, and where it may go next. */
function AnimalPage({ water, animal }: { water: Water; animal: Animal }) {
  const now = useNow(MINUTE_MS);
  const words = useWords();
  const router = useRouter();
  const dispatch = useAppDispatch();
  const doc = useAppSelector(selectDocument);
  const species = speciesOf(doc, animal.speciesId);
  const place = placeOf(animal);
  const home = doc.waters[animal.homeId];
  const hereId = waterOf(place);
  const act = (label: string, edits: readonly Edit[]) => dispatch(commit(label, edits));
  const put = (label: string, entity: Animal) => act(label, [{ put: 'animals', entity }]);
  const lose = ({ count, reason, why }: Parameters<typeof editsToLose>[1]) =>
    act(
      `${animalWords(doc, { ...animal, count })}: ${GONE_WORDS[reason].toLowerCase()}`,
      editsToLose(animal, { count, reason, why }, isoOf(Date.now()), localDay(Date.now()), newId()),
    );
  const remove = async () => {
    await act(`${animalWords(doc, animal)} removed`, editsToRemoveAnimal(doc, animal.id));
    router.push(`/water/${water.id}/stock` as Href);
  };
  const origin = animal.splitFrom === undefined ? undefined : doc.animals[animal.splitFrom];
  return (
    <Screen
      title={species.common}
      aside={
        <>
          <Txt kind="section" heading={2}>
            Where it has been
          </Txt>
          {animal.moves.map((m, i) => (
            <View key={i}>
              <Line name={placeWords(m.to, doc.waters)} value={dayAndHour(Date.parse(m.at))} />
              {m.why ? (
                <Txt kind="small" tone="second">
                  {m.why}
                </Txt>
              ) : null}
            </View>
          ))}
          {origin ? (
            <Go href={`/water/${origin.homeId}/stock/${origin.id}` as Href}>
              {`One group once with ${animalWords(doc, origin)}`}
            </Go>
          ) : null}
          {species.load.kind === 'fish' ? (
            <Line
              name="Length now, reckoned"
              value={`about ${showQuantity('length', lengthAt(doc, animal, now), words.units, 0)}`}
            />
          ) : null}
          <Line name="Makes" value={loadWords(doc, animal, now)} />
          <Button
            kind="quiet"
            icon="remove"
            label={place.kind === 'wish' ? 'No longer wished for: remove' : 'Entered by mistake: remove'}
            onPress={() => void remove()}
          />
          <SpeciesFacts species={species} adultOnly />
        </>
      }
    >
      <Txt kind="title" heading={1}>
        {animalWords(doc, animal)}
      </Txt>
      <Txt tone="second" style={{ fontStyle: 'italic' }}>
        {species.scientific}
      </Txt>
      <Txt kind="section">{placeWords(place, doc.waters)}</Txt>
      {hereId !== null && hereId !== water.id ? (
        <Go href={`/water/${hereId}` as Href}>{`To ${doc.waters[hereId]?.name ?? 'its water'}`}</Go>
      ) : null}
      {place.kind === 'gone' ? null : (
        <HandlingNotes species={[species]} leaveOut={hereId === null ? [] : ['dip']} />
      )}
      {home?.kind === 'display' && isComing(animal) ? (
        <Coming animal={animal} home={home} onPut={put} />
      ) : null}
      <WhereNext key={hereId ?? place.kind} animal={animal} onAct={act} />
      {hereId !== null && handlingOf(species).includes('dip') ? (
        <CoralDip animal={animal} onPut={put} />
      ) : null}
      {hereId !== null && species.group === 'coral' ? (
        <CoralLight animal={animal} waterId={hereId} onAct={act} />
      ) : null}
      {hereId !== null ? (
        <Arrival
          animal={animal}
          onPut={put}
          onAct={act}
          onGivenBack={() => void lose({ count: animal.count, reason: 'returned', why: '' })}
        />
      ) : null}
      {place.kind === 'wish' ? <ForThePlan animal={animal} now={now} onPut={put} /> : null}
      {place.kind === 'wish' ? null : <Identity animal={animal} onPut={put} />}
      {hereId !== null ? <Gone key={animal.count} animal={animal} onGone={lose} /> : null}
    </Screen>
  );
}

/** Meant for a display: when, and what speaks against it there now. */
function Coming({
  animal,
  home,
  onPut,
}: {
  animal: Animal;
  home: Display;
  onPut: (label: string, entity: Animal) => Promise<Outcome>;
}) {
  const now = useNow(MINUTE_MS);
  const doc = useAppSelector(selectDocument);
  const evidence = useAppSelector((s) => selectEvidence(s, home.id, now));
  const assessment = useAppSelector((s) => selectAssessment(s, home.id, now));
  const species = speciesOf(evidence, animal.speciesId);
  const peaks = useAdditionPeaks(home.id, now);
  const { warnings } = additionWarnings(
    evidence,
    assessment,
    {
      id: animal.id,
      species,
      count: animal.count,
      stage: placeOf(animal).kind === 'wish' ? 'wish' : 'coming',
    },
    {
      others: membersOf(doc, home).filter((m) => m.stage !== 'wish'),
      lines: openLines(doc, home),
      dayOfMs: localDay,
      peaks,
    },
  );
  return (
    <>
      <WhenField
        kind="date"
        label={`Meant to join ${home.name} on`}
        value={animal.plannedDay ?? ''}
        hint="Your own day: dashed in the stair. The plan looks for the first that every rule allows."
        onChange={(day) => {
          if (day === '' || isDay(day))
            void onPut('Plan changed', { ...animal, plannedDay: day === '' ? null : day });
        }}
        error={
          animal.plannedDay && animal.plannedDay < localDay(now)
            ? 'That day has passed. Choose a new one.'
            : null
        }
        question={farQuestion(animal.plannedDay ?? '', localDay(now))}
      />
      <Verdicts of={warnings} />
    </>
  );
}

/** The person's waters an animal may go to from where it is: quarantines of its line, displays and holding containers in use. Where copper was, no
 *  invertebrate or coral goes. */
function watersFor(animal: Animal, waters: readonly Water[], doc: Document): Water[] {
  const hereId = waterOf(placeOf(animal));
  const species = speciesOf(doc, animal.speciesId);
  return waters.filter(
    (w) =>
      w.id !== hereId &&
      isOpen(w) &&
      w.kind !== 'mixing' &&
      !isCopperDeath(doc, species, w) &&
      (w.kind !== 'quarantine' || lineFits(w.line, species)),
  );
}

/** Into a display by a drip; into any water at once; the whole group or a part of it. */
function WhereNext({
  animal,
  onAct,
}: {
  animal: Animal;
  onAct: (label: string, edits: readonly Edit[]) => Promise<Outcome>;
}) {
  const router = useRouter();
  const waters = useAppSelector(selectWaters);
  const words = useAppSelector((s) => s.document.entities.waters);
  const place = placeOf(animal);
  const doc = useAppSelector(selectDocument);
  const options = watersFor(animal, waters, doc);
  const [toId, setTo] = useState('');
  const to = words[toId];
  const now = useNow(MINUTE_MS);
  const [moved, setMoved] = useState(animal.count);
  const who = useMemo(() => [{ ...animal, count: moved }], [animal, moved]);
  const { risksOf, risks } = useRisks(who, to, now);
  const form = useEntryForm({
    start: (): MoveTexts => ({ count: String(animal.count), to: '', why: '' }),
    read: (texts) => {
      const read = readMove(texts, animal.count);
      return read.ok && risks.length > 0 && texts.why.trim() === ''
        ? { ok: false as const, faults: { why: REASON_MISSING } }
        : read;
    },
    save: async ({ move }) => {
      if (!to) throw new RangeError(`there is no water "${move.to}"`);
      const partId = newId();
      const admitted = admit([{ animal, count: move.count, partId }], to, {
        at: isoOf(Date.now()),
        why: move.why,
        risksOf,
      });
      if (!admitted.ok) return { kind: 'nothing' };
      return onAct(`${animalWords(doc, { ...animal, count: move.count })} moved to ${to.name}`, [
        ...admitted.edits,
        ...followUpTasks(
          doc,
          [{ ...animal, id: move.count < animal.count ? partId : animal.id, count: move.count }],
          to,
          localDay(Date.now()),
          newId,
        ),
      ]);
    },
  });
  const { to: chosen, count } = form.texts;
  useEffect(() => {
    setTo(chosen);
    const counted = readCount(count);
    setMoved(counted.ok ? counted.value : animal.count);
  }, [chosen, count, animal.count]);
  const title = place.kind === 'wish' ? 'Bring it home' : place.kind === 'gone' ? 'It is back' : 'Move it';
  const quarantined = options.some((w) => w.kind === 'quarantine');
  return (
    <Section title={title}>
      {isComing(animal) ? (
        <Button
          kind={place.kind === 'wish' ? 'outline' : 'primary'}
          icon="drip"
          label={place.kind === 'wish' ? 'Straight to a drip' : 'Plan the drip'}
          onPress={() => router.push(`/water/${animal.homeId}/drip/new?animals=${animal.id}` as Href)}
        />
      ) : null}
      {options.length > 0 ? (
        <>
          <ChoiceEntry
            form={form}
            name="to"
            stacked
            label="To which water"
            options={options.map((w) => ({ value: w.id, label: w.name }))}
          />
          {form.fault('to') ? (
            <Txt tone="ammonia" live>
              {form.fault('to')}
            </Txt>
          ) : null}
          {form.texts.to !== '' ? (
            <>
              <Risks risks={risks} to={to} />
              <FieldRow>
                {animal.count > 1 ? (
                  <TextEntry form={form} name="count" numeric label="How many" unit={`of ${animal.count}`} />
                ) : null}
                <TextEntry
                  form={form}
                  name="why"
                  label={risks.length > 0 ? 'Why all the same' : 'Why'}
                  placeholder={risks.length > 0 ? '' : 'May be left empty'}
                />
              </FieldRow>
              <Row wrap>
                <SaveButton
                  saving={form.saving}
                  kind="primary"
                  icon="keep"
                  label="Log the move"
                  onPress={form.save}
                />
              </Row>
            </>
          ) : null}
        </>
      ) : null}
      {place.kind === 'wish' && !quarantined ? (
        <Button
          icon="add"
          label="Open a new quarantine"
          onPress={() =>
            router.push(`/water/new?kind=quarantine&serves=${animal.homeId}&animal=${animal.id}` as Href)
          }
        />
      ) : null}
    </Section>
  );
}

function Gone({
  animal,
  onGone,
}: {
  animal: Animal;
  onGone: (gone: Parameters<typeof editsToLose>[1]) => Promise<Outcome>;
}) {
  const form = useEntryForm({
    start: (): GoneTexts => ({ count: String(animal.count), reason: '', why: '' }),
    read: (texts) => readGone(texts, animal.count),
    save: ({ gone }) => onGone(gone),
    faultsFrom: 'typing',
  });
  return (
    <Section title="It is gone">
      <ChoiceEntry
        form={form}
        name="reason"
        label="What happened"
        options={GONE_REASONS.filter((r) => r !== 'notSaid').map((r) => ({
          value: r,
          label: GONE_WORDS[r],
        }))}
      />
      {form.texts.reason === '' ? null : (
        <>
          <FieldRow>
            {animal.count > 1 ? (
              <TextEntry
                form={form}
                name="count"
                numeric
                label="How many are gone"
                unit={`of ${animal.count}`}
              />
            ) : null}
            <TextEntry form={form} name="why" label="What you know of it" placeholder="May be left empty" />
          </FieldRow>
          <Row wrap>
            <SaveButton saving={form.saving} label="Log that it is gone" onPress={form.save} />
          </Row>
        </>
      )}
    </Section>
  );
}
