import { Link, useRouter, type Href } from 'expo-router';
import { memo, useCallback, useDeferredValue, useEffect, useMemo, useState } from 'react';
import { View } from 'react-native';
import { type Look, type Sample, type Water, type WaterEvent } from '../../../core/document';
import { editsToRemoveEntry } from '../../../core/document/removal';
import { speciesOf, type WithKinds } from '../../../core/species';
import { animalWords, placeWords } from '../../../core/words';
import {
  commit,
  dayAndHour,
  selectDocument,
  selectVolume,
  useAppDispatch,
  useAppSelector,
  useKinds,
  writtenDay,
} from '../../store';
import {
  Button,
  Choice,
  Empty,
  Go,
  Later,
  Row,
  Screen,
  space,
  Steadily,
  TextField,
  Txt,
  useTheme,
  styleSheet,
} from '../../ui';
import { useUnits, WithWater } from '../shell';
import { SaveButton, useSaving } from '../shell/saving';
import { SIGN_WORDS } from '../shell/quarantine/view';
import { entriesOf, keyOf, type Entry } from './entries';
import { EVENT_WORDS, eventWords } from './eventWords';
import { sampleWords } from './sampleWords';

function useEntries(waterId: string): Entry[] {
  const samples = useAppSelector((s) => selectDocument(s).samples);
  const events = useAppSelector((s) => selectDocument(s).events);
  const animals = useAppSelector((s) => selectDocument(s).animals);
  const looks = useAppSelector((s) => selectDocument(s).looks);
  const all = useMemo(() => ({ samples, events, animals, looks }), [samples, events, animals, looks]);
  // Thousands are sorted: what was just saved is stored first.
  const later = useDeferredValue(all);
  return useMemo(() => entriesOf(later, waterId), [later, waterId]);
}

interface EntryWords {
  title: string;
  text: string;
  note: string;
  /** Where it is corrected; null where it can only be looked at. */
  path: string | null;
  when: string;
  corrections: Sample['corrections'];
  editedAt?: string | undefined;
}

/** An entry in words, for reading and for searching. */
function useEntryWords(water: Water): (e: Entry) => EntryWords {
  const units = useUnits();
  const kits = useAppSelector((s) => s.document.entities.kits);
  const own = useAppSelector((s) => s.document.entities.ownParameters);
  const animals = useAppSelector((s) => s.document.entities.animals);
  const waters = useAppSelector((s) => s.document.entities.waters);
  const netL = useAppSelector((s) => selectVolume(s, water.id).netL);
  const kinds = useKinds();
  return useCallback(
    (e): EntryWords => {
      const when = dayAndHour(Date.parse(e.at));
      if (e.kind === 'sample')
        return {
          title: 'Sample',
          text: sampleWords(e.sample, kits, units, own),
          note: e.sample.note,
          path: `/water/${water.id}/log?edit=${e.sample.id}`,
          when,
          corrections: e.sample.corrections,
          editedAt: e.sample.editedAt,
        };
      if (e.kind === 'event')
        return {
          title: EVENT_WORDS[e.event.kind],
          text: eventWords(e.event, netL, units),
          note: e.event.note,
          // What is asked elsewhere is corrected there: here it can only be taken away.
          path:
            e.event.kind === 'schoolChanged' || e.event.kind === 'seaweed'
              ? null
              : `/water/${water.id}/log/event?edit=${e.event.id}&kind=${e.event.kind}`,
          when,
          corrections: e.event.corrections,
          editedAt: e.event.editedAt,
        };
      if (e.kind === 'look')
        return {
          title: LOOK_TITLES[e.look.result],
          text: [
            e.look.signs.map((s) => SIGN_WORDS[s]).join(', '),
            (e.look.animalIds ?? [])
              .flatMap((id) => (animals[id] ? [animalWords(kinds, animals[id])] : []))
              .join(', '),
          ]
            .filter(Boolean)
            .join(' in '),
          note: e.look.note,
          path: null,
          when: writtenDay(e.look.day),
          corrections: undefined,
        };
      const move = e.animal.moves[e.move]!;
      return {
        title: animalWords(kinds, e.animal),
        text: placeWords(move.to, waters),
        note: move.why,
        path: `/water/${e.animal.homeId}/stock/${e.animal.id}`,
        when,
        corrections: undefined,
      };
    },
    [units, kits, own, netL, animals, waters, kinds, water.id],
  );
}

const LOOK_TITLES: Record<Look['result'], string> = {
  clear: 'Look: all clear',
  sign: 'Look: a sign',
  healed: 'Look: all healed',
};

/** What an entry is found by: its words, and the scientific name of whom it is about. */
const searchText = ({ title, text, note }: EntryWords, e: Entry, kinds: WithKinds): string =>
  [title, text, note, e.kind === 'move' ? speciesOf(kinds, e.animal.speciesId).scientific : '']
    .join(' ')
    .toLowerCase();

export function HistoryScreen() {
  return (
    <WithWater>
      {(water) => (
        <Screen title="History">
          <Txt kind="title" heading={1}>
            History
          </Txt>
          {/* The last screen is taken down in the task that opens this one: the list waits for the next. */}
          <Later>
            <History water={water} />
          </Later>
        </Screen>
      )}
    </WithWater>
  );
}

/** Entries in words, worked out in slices so that typing never waits for a long history. */
function useSearchIndex(entries: readonly Entry[], water: Water, wanted: boolean): readonly string[] {
  const words = useEntryWords(water);
  const kinds = useKinds();
  const [built, setBuilt] = useState<{ of: readonly Entry[]; index: readonly string[] }>({
    of: [],
    index: [],
  });
  const index = built.of === entries ? built.index : NOTHING;
  useEffect(() => {
    if (!wanted || index.length >= entries.length) return;
    const timer = setTimeout(
      () =>
        setBuilt({
          of: entries,
          index: [
            ...index,
            ...entries.slice(index.length, index.length + SLICE).map((e) => searchText(words(e), e, kinds)),
          ],
        }),
      0,
    );
    return () => clearTimeout(timer);
  }, [wanted, entries, index, words, kinds]);
  return index;
}
const SLICE = 200;
const NOTHING: readonly string[] = [];

const SHOWN: Record<'all' | 'sample' | 'event' | 'animals', readonly Entry['kind'][]> = {
  all: ['sample', 'event', 'move', 'look'],
  sample: ['sample'],
  event: ['event'],
  animals: ['move', 'look'],
};

const PAGE = 30;
/** Rows drawn in one task. */
const STEP = 5;

function History({ water }: { water: Water }) {
  const entries = useEntries(water.id);
  const [shown, setShown] = useState(PAGE);
  const [what, setWhat] = useState<keyof typeof SHOWN>('all');
  const [query, setQuery] = useState('');
  const index = useSearchIndex(entries, water, query !== '');
  // Typing comes first; the list follows in slices.
  const q = useDeferredValue(query).trim().toLowerCase();
  const filtered = useMemo(
    () =>
      entries.filter((e, i) => SHOWN[what].includes(e.kind) && (q === '' || (index[i] ?? '').includes(q))),
    [entries, what, q, index],
  );
  const row = (e: Entry) => <EntryRow key={keyOf(e)} entry={e} water={water} editable />;
  return (
    <>
      <Choice
        label="Show"
        options={[
          { value: 'all', label: 'Everything' },
          { value: 'sample', label: 'Samples' },
          { value: 'event', label: 'Events' },
          { value: 'animals', label: 'Animals and looks' },
        ]}
        value={what}
        onChange={setWhat}
      />
      <TextField
        label="Search: parameter, animal, kind, a word"
        value={query}
        onChange={(text) => {
          setQuery(text);
          setShown(PAGE);
        }}
      />
      {q !== '' && index.length < entries.length ? (
        <Txt
          kind="small"
          tone="second"
        >{`Searched ${index.length} of ${entries.length} entries so far.`}</Txt>
      ) : null}
      {filtered.length === 0 && entries.length > 0 && (q === '' || index.length === entries.length) ? (
        <Txt tone="second">Nothing matches. Clear the search or choose Everything.</Txt>
      ) : null}
      {entries.length === 0 ? (
        <Empty title="Nothing logged yet" text="A sample takes a minute: test, tap, save.">
          <Go href={`/water/${water.id}/log` as Href}>Log a sample</Go>
        </Empty>
      ) : null}
      <View role="list" aria-label="Entries, newest first">
        <Later>
          <Steadily rows={filtered.slice(0, shown).map(row)} step={STEP} />
        </Later>
      </View>
      {filtered.length > shown ? (
        <Button
          label={`Show ${Math.min(PAGE, filtered.length - shown)} more of ${filtered.length}`}
          onPress={() => setShown(shown + PAGE)}
        />
      ) : null}
    </>
  );
}

/** The last few entries, beside the sheet: drawn again with a new entry, not with each key pressed. */
export const RecentEntries = memo(function RecentEntries({ water }: { water: Water }) {
  const entries = useEntries(water.id).slice(0, 6);
  return (
    <>
      <Txt kind="section" heading={2}>
        Last entries
      </Txt>
      {entries.length === 0 ? <Txt tone="second">None yet.</Txt> : null}
      <View role="list" aria-label="Last entries">
        {entries.map((e) => (
          <EntryRow key={keyOf(e)} entry={e} water={water} />
        ))}
      </View>
      {entries.length > 0 ? (
        <Go href={`/water/${water.id}/log/history` as Href}>All entries, to correct or delete</Go>
      ) : null}
    </>
  );
});

const EntryRow = memo(function EntryRow({
  entry,
  water,
  editable,
}: {
  entry: Entry;
  water: Water;
  editable?: boolean;
}) {
  const { roles } = useTheme();
  const { title, text, note, path, when, corrections, editedAt } = useEntryWords(water)(entry);
  const inside = (
    <>
      <Row style={styles.between}>
        <Txt kind="row">{title}</Txt>
        <Txt kind="small" tone="second">
          {when}
        </Txt>
      </Row>
      {text ? <Txt kind={editable ? 'body' : 'small'}>{text}</Txt> : null}
      {note ? (
        <Txt kind="small" tone="second">
          {note}
        </Txt>
      ) : null}
      {editedAt ? (
        <Txt kind="small" tone="nitrite">{`corrected ${dayAndHour(Date.parse(editedAt))}`}</Txt>
      ) : null}
      {editable
        ? corrections?.map((c, i) => (
            <Txt
              key={i}
              kind="small"
              tone="second"
            >{`Until ${dayAndHour(Date.parse(c.until))} it said: ${c.said}`}</Txt>
          ))
        : null}
    </>
  );
  return (
    <View role="listitem" style={[styles.entry, { borderColor: roles.hairline }]}>
      {path !== null ? (
        <Link href={path as Href} style={styles.link}>
          <View style={styles.inside}>{inside}</View>
        </Link>
      ) : (
        <View style={styles.inside}>{inside}</View>
      )}
    </View>
  );
});

/** Deletes the entry whose sheet it stands on, and goes back to the others. */
export function DeleteEntry({
  waterId,
  collection,
  entity,
  title,
}: {
  waterId: string;
  collection: 'samples' | 'events';
  entity: Sample | WaterEvent;
  title: string;
}) {
  const router = useRouter();
  const doc = useAppSelector(selectDocument);
  const dispatch = useAppDispatch();
  const saving = useSaving({ collection, entity });
  const when = dayAndHour(Date.parse(entity.at));
  return (
    <SaveButton
      saving={saving}
      kind="quiet"
      icon="remove"
      label="Delete this entry"
      onPress={() =>
        void saving.run(
          (seen) =>
            dispatch(
              commit(`${title} of ${when} deleted`, editsToRemoveEntry(doc, collection, entity.id), { seen }),
            ),
          () => router.push(`/water/${waterId}/log/history` as Href),
        )
      }
    />
  );
}

const styles = styleSheet({
  entry: { borderBottomWidth: 1 },
  link: { display: 'flex' },
  inside: { flex: 1, paddingVertical: space(2), gap: 2 },
  between: { justifyContent: 'space-between', alignItems: 'baseline' },
});
