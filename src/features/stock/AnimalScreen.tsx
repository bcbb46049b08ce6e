import { inUnits, sentence } from '../../../core/words';
import { isDay, MINUTE_MS } from '../../../core/time';
import { useRouter, type Href } from 'expo-router';
import { View } from 'react-native';
import { type Animal, type Place, type Tank, currentPlace } from '../../../core/document';
import { speciesById } from '../../../core/species';
import { additionWarnings } from '../../../core/stocking';
import {
  commit,
  dayAndHour,
  isoOf,
  localDay,
  selectAssessment,
  selectDocument,
  selectEvidence,
  useAppDispatch,
  useAppSelector,
  useNow,
  type Outcome,
} from '../../store';
import { Button, Go, Line, Row, Screen, Section, Txt, WhenField } from '../../ui';
import { NotHere, useParam, useWords, WithTank } from '../shell';
import { TextEntry, useEntryForm } from '../shell/form';
import { SaveButton } from '../shell/saving';
import { readWhy } from './animalForm';
import { Arrival } from './Arrival';
import { animalWords, loadWords, moved, PLACE_WORDS } from './model';

export function AnimalScreen() {
  return <WithTank>{(tank) => <AnimalPage tank={tank} />}</WithTank>;
}

/** One animal or group: where it has been, and where it may go next. */
function AnimalPage({ tank }: { tank: Tank }) {
  const id = useParam('animalId');
  const now = useNow(MINUTE_MS);
  const words = useWords();
  const router = useRouter();
  const dispatch = useAppDispatch();
  const doc = useAppSelector(selectDocument);
  const evidence = useAppSelector((s) => selectEvidence(s, tank.id, now));
  const assessment = useAppSelector((s) => selectAssessment(s, tank.id, now));
  const animal = Object.hasOwn(doc.animals, id) ? doc.animals[id] : undefined;
  if (!animal || animal.tankId !== tank.id) return <NotHere what="animal" />;
  const species = speciesById(animal.speciesId);
  const place = currentPlace(animal).to;
  const systems = Object.values(doc.quarantines).filter(
    (q) => q.tankId === tank.id && q.closedDay === null && q.group === species.group,
  );
  const put = (label: string, entity: Animal) => dispatch(commit(label, [{ put: 'animals', entity }]));
  const move = (to: Place, quarantineId: string | null = null, reason = '') =>
    put(
      `${animalWords(animal)}: ${PLACE_WORDS[to].toLowerCase()}`,
      moved(animal, to, isoOf(Date.now()), reason.slice(0, 2000), quarantineId),
    );
  const warnings =
    place === 'wish' || place === 'quarantine'
      ? additionWarnings(evidence, assessment, species, animal.count).warnings
      : [];
  const remove = async () => {
    const used = Object.values(doc.drips).filter((d) => d.animalIds.includes(animal.id));
    await dispatch(
      commit(`${animalWords(animal)} removed`, [
        ...used.map((d) => ({ remove: 'drips' as const, id: d.id })),
        { remove: 'animals' as const, id: animal.id },
      ]),
    );
    router.push(`/tank/${tank.id}/stock` as Href);
  };
  return (
    <Screen
      title={species.common}
      aside={
        <>
          <Txt kind="section" heading={2}>
            Where it has been
          </Txt>
          {animal.moves.map((m, i) => (
            <Line key={i} name={PLACE_WORDS[m.to]} value={dayAndHour(Date.parse(m.at))} />
          ))}
          {animal.moves
            .filter((m) => m.why)
            .map((m, i) => (
              <Txt key={i} kind="small" tone="second">
                {m.why}
              </Txt>
            ))}
          <Line name="Makes" value={loadWords(animal)} />
          <Txt>{inUnits(species.care, words.units)}</Txt>
          <Button
            kind="quiet"
            icon="remove"
            label="Entered by mistake: remove"
            onPress={() => void remove()}
          />
        </>
      }
    >
      <Txt kind="title" heading={1}>
        {animalWords(animal)}
      </Txt>
      <Txt tone="second" style={{ fontStyle: 'italic' }}>
        {species.scientific}
      </Txt>
      <Txt kind="section">{PLACE_WORDS[place]}</Txt>
      {place === 'quarantine' && animal.quarantineId ? (
        <Go href={`/tank/${tank.id}/quarantine/${animal.quarantineId}` as Href}>To its quarantine</Go>
      ) : null}
      {place === 'wish' || place === 'quarantine' ? (
        <>
          <WhenField
            kind="date"
            label="Meant to join the display on"
            value={animal.plannedDay ?? ''}
            hint="Planned steps are dashed in the stair."
            onChange={(day) => {
              if (day === '' || isDay(day))
                put('Plan changed', { ...animal, plannedDay: day === '' ? null : day });
            }}
            error={
              animal.plannedDay && animal.plannedDay < localDay(now)
                ? 'That day has passed. Choose a new one.'
                : null
            }
          />
          {warnings.map((w) => (
            <Txt key={sentence(w.says, words)} tone={w.severity === 'stop' ? 'ammonia' : 'nitrite'}>
              {sentence(w.says, words)}
            </Txt>
          ))}
        </>
      ) : null}
      {place === 'wish' ? (
        <Section title="Bring it home">
          {species.group !== 'coral' || systems.length > 0 ? (
            <View style={{ gap: 12 }}>
              {systems.map((q) => (
                <Button key={q.id} label={`Book into ${q.name}`} onPress={() => move('quarantine', q.id)} />
              ))}
              <Button
                kind={systems.length === 0 ? 'primary' : 'outline'}
                icon="add"
                label="Open a new quarantine"
                onPress={() => router.push(`/tank/${tank.id}/quarantine/new?animal=${animal.id}` as Href)}
              />
            </View>
          ) : (
            <Txt>Corals are dipped and watched for pests in a system of their own.</Txt>
          )}
          <Button
            icon="drip"
            label="Straight to a drip"
            onPress={() => router.push(`/tank/${tank.id}/drip/new?animals=${animal.id}` as Href)}
          />
        </Section>
      ) : null}
      {place === 'quarantine' ? (
        <Section title="Let it in">
          <Button
            kind="primary"
            icon="drip"
            label="Plan the drip"
            onPress={() => router.push(`/tank/${tank.id}/drip/new?animals=${animal.id}` as Href)}
          />
          <Button label="It is in the display" onPress={() => move('display')} />
        </Section>
      ) : null}
      {place !== 'gone' && place !== 'wish' ? <Arrival animal={animal} onPut={put} /> : null}
      {place !== 'gone' ? (
        <Gone onGone={(why) => move('gone', null, why)} />
      ) : (
        <Button label="It is back in the display" onPress={() => move('display')} />
      )}
    </Screen>
  );
}

function Gone({ onGone }: { onGone: (why: string) => Promise<Outcome> }) {
  const form = useEntryForm({
    start: { why: '' },
    read: readWhy,
    save: ({ why }) => onGone(why),
    faultsFrom: 'typing',
  });
  return (
    <Section title="It is gone">
      <TextEntry form={form} name="why" label="Why" placeholder="Given away, died, unknown" />
      <Row wrap>
        <SaveButton saving={form.saving} label="Log that it is gone" onPress={form.save} />
      </Row>
    </Section>
  );
}
