import { Link, useRouter, type Href } from 'expo-router';
import { memo, useCallback, useDeferredValue, useEffect, useMemo, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import {
  parameterName,
  type Kit,
  type OwnParameterSpec,
  type Sample,
  type Water,
  type WaterEvent,
  editsToRemoveEntry,
} from '../../../core/document';
import type { UnitPreferences } from '../../../core/units';
import {
  commit,
  dayAndHour,
  selectDocument,
  selectVolume,
  useAppDispatch,
  useAppSelector,
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
} from '../../ui';
import { useUnits, WithWater } from '../shell';
import { SaveButton, useSaving } from '../shell/saving';
import { entriesOf, type Entry } from './entries';
import { EVENT_WORDS, eventWords } from './eventWords';
import { shownValue, typedUnit } from './sampleForm';

/** "ammonia 0.25, nitrite 1–2 …", units left to the wide list. */
function sampleWords(
  sample: Sample,
  kits: Record<string, Kit>,
  units: UnitPreferences,
  own: Record<string, OwnParameterSpec> = {},
): string {
  return sample.readings
    .map((r) => {
      const kit = kits[r.kitId];
      const name = parameterName(r.parameter, own);
      return kit
        ? `${name} ${shownValue(r.value, kit, units)}${r.doubted ? ' (not trusted)' : ''} ${typedUnit(kit, units, own).label}`.trimEnd()
        : name;
    })
    .join(', ');
}

function useEntries(waterId: string): Entry[] {
  const samples = useAppSelector((s) => selectDocument(s).samples);
  const events = useAppSelector((s) => selectDocument(s).events);
  return useMemo(() => entriesOf(samples, events, waterId), [samples, events, waterId]);
}

/** An entry in words, for searching. */
function useEntryWords(water: Water): (e: Entry) => string {
  const units = useUnits();
  const kits = useAppSelector((s) => s.document.entities.kits);
  const own = useAppSelector((s) => s.document.entities.ownParameters);
  const netL = useAppSelector((s) => selectVolume(s, water.id).netL);
  return useCallback(
    (e) =>
      e.kind === 'sample'
        ? `sample ${sampleWords(e.sample, kits, units, own)} ${e.sample.note}`
        : `${EVENT_WORDS[e.event.kind]} ${eventWords(e.event, netL, units)} ${e.event.note}`,
    [units, kits, own, netL],
  );
}

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
            ...entries.slice(index.length, index.length + SLICE).map((e) => words(e).toLowerCase()),
          ],
        }),
      0,
    );
    return () => clearTimeout(timer);
  }, [wanted, entries, index, words]);
  return index;
}
const SLICE = 200;
const NOTHING: readonly string[] = [];

const PAGE = 30;
/** Rows drawn in one task. */
const STEP = 5;

function History({ water }: { water: Water }) {
  const entries = useEntries(water.id);
  const [shown, setShown] = useState(PAGE);
  const [what, setWhat] = useState<'all' | 'sample' | 'event'>('all');
  const [query, setQuery] = useState('');
  const index = useSearchIndex(entries, water, query !== '');
  // Typing comes first; the list follows in slices.
  const q = useDeferredValue(query).trim().toLowerCase();
  const filtered = useMemo(
    () =>
      entries.filter(
        (e, i) => (what === 'all' || e.kind === what) && (q === '' || (index[i] ?? '').includes(q)),
      ),
    [entries, what, q, index],
  );
  const row = (e: Entry) => (
    <EntryRow key={e.kind === 'sample' ? e.sample.id : e.event.id} entry={e} water={water} editable />
  );
  return (
    <>
      <Choice
        label="Show"
        options={[
          { value: 'all', label: 'Everything' },
          { value: 'sample', label: 'Samples' },
          { value: 'event', label: 'Events' },
        ]}
        value={what}
        onChange={setWhat}
      />
      <TextField
        label="Search: a parameter, a kind, a word of a note"
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
          <EntryRow key={e.kind === 'sample' ? e.sample.id : e.event.id} entry={e} water={water} />
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
  const units = useUnits();
  const kits = useAppSelector((s) => s.document.entities.kits);
  const netL = useAppSelector((s) => selectVolume(s, water.id).netL);
  const own = useAppSelector((s) => s.document.entities.ownParameters);
  const when = dayAndHour(Date.parse(entry.at));
  const editedAt = entry.kind === 'sample' ? entry.sample.editedAt : entry.event.editedAt;
  const title = entry.kind === 'sample' ? 'Sample' : EVENT_WORDS[entry.event.kind];
  const text =
    entry.kind === 'sample'
      ? sampleWords(entry.sample, kits, units, own)
      : eventWords(entry.event, netL, units);
  const note = entry.kind === 'sample' ? entry.sample.note : entry.event.note;
  const id = entry.kind === 'sample' ? entry.sample.id : entry.event.id;
  const path =
    entry.kind === 'sample'
      ? `/water/${water.id}/log?edit=${id}`
      : `/water/${water.id}/log/event?edit=${id}&kind=${entry.event.kind}`;
  // What is asked elsewhere is corrected there: here it can only be taken away.
  const canEdit =
    entry.kind !== 'event' || (entry.event.kind !== 'schoolChanged' && entry.event.kind !== 'seaweed');
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
    </>
  );
  return (
    <View role="listitem" style={[styles.entry, { borderColor: roles.hairline }]}>
      {canEdit ? (
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

const styles = StyleSheet.create({
  entry: { borderBottomWidth: 1 },
  link: { display: 'flex' },
  inside: { flex: 1, paddingVertical: space(2), gap: 2 },
  between: { justifyContent: 'space-between', alignItems: 'baseline' },
});
