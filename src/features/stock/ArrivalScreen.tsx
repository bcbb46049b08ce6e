import type { Href } from 'expo-router';
import { View } from 'react-native';
import { openTasks, stagesOf, type Stage } from '../../../core/arrivals';
import { placeOf, waterOf, type Animal, type Display, type Purchase } from '../../../core/document';
import { clockOf } from '../../../core/quarantine';
import { addDays, MINUTE_MS } from '../../../core/time';
import { animalWords, placeWords } from '../../../core/words';
import { dayAndHour, localDay, selectDocument, shortWrittenDay, useAppSelector, useNow } from '../../store';
import { Go, Line, Screen, Section, Txt } from '../../ui';
import { NotHere, useParam, WithDisplay } from '../shell';
import { FROM_WORDS } from './SaidOfThem';

export function ArrivalScreen() {
  return <WithDisplay>{(water) => <Chosen water={water} />}</WithDisplay>;
}

function Chosen({ water }: { water: Display }) {
  const id = useParam('id');
  const purchases = useAppSelector((s) => s.document.entities.purchases);
  const purchase = Object.hasOwn(purchases, id) ? purchases[id] : undefined;
  return purchase ? <Arrived water={water} purchase={purchase} /> : <NotHere what="purchase" />;
}

const STAGE_WORDS: Record<Stage['id'], string> = {
  bought: 'Bought',
  inspected: 'Looked into',
  quarantined: 'Quarantine',
  released: 'In the display',
  monthOne: 'Month one',
};

/** The walk from purchase to month one: for each group what is done and what comes. */
function Arrived({ water, purchase }: { water: Display; purchase: Purchase }) {
  const doc = useAppSelector(selectDocument);
  const { bag } = purchase;
  const groups = Object.values(doc.animals).filter(
    (a) => purchase.animalIds.includes(a.id) || purchase.animalIds.includes(a.splitFrom ?? ''),
  );
  return (
    <Screen
      title="Arrival"
      aside={
        <>
          <Txt kind="section" heading={2}>
            As it was said
          </Txt>
          <Line
            name="From"
            value={`${FROM_WORDS[purchase.from]}${purchase.fromWhom ? `, ${purchase.fromWhom}` : ''}`}
          />
          {purchase.price === null ? null : <Line name="Price" value={String(purchase.price)} />}
          {purchase.quarantinedDays === null ? null : (
            <Line name="Quarantined there" value={`${purchase.quarantinedDays} days`} />
          )}
          {purchase.treatedWith ? <Line name="Treated there with" value={purchase.treatedWith} /> : null}
          {bag.hours === undefined ? null : <Line name="In the bag" value={`${bag.hours} hours`} />}
          {bag.ph === undefined ? null : <Line name="pH of the bag" value={bag.ph.toFixed(1)} />}
        </>
      }
    >
      <Txt kind="title" heading={1}>
        {`Came home ${dayAndHour(Date.parse(purchase.at))}`}
      </Txt>
      {groups.length === 0 ? <Txt tone="second">None of them is in the log any more.</Txt> : null}
      {groups.map((a) => (
        <Walk key={a.id} water={water} animal={a} purchase={purchase} />
      ))}
    </Screen>
  );
}

/** What is planned for a group and not done yet, soonest first. */
function Due({ animalId, today }: { animalId: string; today: string }) {
  const doc = useAppSelector(selectDocument);
  const at = waterOf(doc.animals[animalId]?.moves.at(-1)?.to);
  const due = at === null ? [] : openTasks(doc, at, today).filter((t) => t.animalIds?.includes(animalId));
  return (
    <>
      {due.map((t) => (
        <Line
          key={t.id}
          name={t.title}
          value={t.day < today ? `since ${shortWrittenDay(t.day)}` : shortWrittenDay(t.day)}
          {...(t.day <= today ? { tone: 'nitrite' as const } : {})}
        />
      ))}
    </>
  );
}

function Walk({ water, animal, purchase }: { water: Display; animal: Animal; purchase: Purchase }) {
  const now = useNow(MINUTE_MS);
  const doc = useAppSelector(selectDocument);
  const place = placeOf(animal);
  const here = doc.waters[waterOf(place) ?? ''];
  const release = here?.kind === 'quarantine' ? clockOf(doc, here, now, localDay).releaseDay : null;
  const displayIds = new Set(Object.values(doc.waters).flatMap((w) => (w.kind === 'display' ? [w.id] : [])));
  const stages = stagesOf(animal, purchase, {
    displayIds,
    release,
    today: localDay(now),
    dayOfMs: localDay,
    addDays,
  });
  const href = (path: string) => `/water/${here?.id ?? water.id}${path}` as Href;
  return (
    <Section title={animalWords(doc, animal)}>
      <Txt tone="second">{placeWords(place, doc.waters)}</Txt>
      <View>
        {stages.map((s) => (
          <Line
            key={s.id}
            name={`${s.done ? '✓ ' : ''}${STAGE_WORDS[s.id]}`}
            value={s.day === null ? 'not yet' : `${s.done ? '' : 'from '}${shortWrittenDay(s.day)}`}
            {...(s.done ? { tone: 'go' as const } : {})}
          />
        ))}
      </View>
      <Due animalId={animal.id} today={localDay(now)} />
      {place.kind === 'gone' ? null : (
        <>
          <Go href={`/water/${water.id}/stock/${animal.id}` as Href}>
            {animal.inspection ? 'To its page' : 'Look into each'}
          </Go>
          {here ? <Go href={href(`/drip/new?animals=${animal.id}`)}>{`Acclimate to ${here.name}`}</Go> : null}
        </>
      )}
    </Section>
  );
}
