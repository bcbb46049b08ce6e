import { useRouter, type Href } from 'expo-router';
import { Fragment, memo, useCallback, useEffect, useRef, useState } from 'react';
import { Pressable, View } from 'react-native';
import {
  isOwnParameter,
  parameterName,
  PARAMETERS,
  type Edit,
  type Kit,
  type Parameter,
  type Water,
} from '../../../core/document';
import {
  commit,
  dayAndHour,
  fieldTime,
  newId,
  readFieldTime,
  sampleDrafted,
  selectAssessment,
  selectEvidence,
  useAppDispatch,
  useAppSelector,
  useLaterLog,
  useNow,
  type SampleDraft,
} from '../../store';
import { Button, Go, Later, Row, Screen, space, TARGET, TextField, Txt, useWide, styleSheet } from '../../ui';
import { WhenField } from '../../ui/WhenField';
import { useParam, useUnits, WithWater } from '../shell';
import { Attach, photoEdits } from '../shell/photos';
import { SaveButton, useLastSeen, useSaving } from '../shell/saving';
import { EventLinks } from './EventLinks';
import { corrected } from './entries';
import { DeleteEntry, RecentEntries } from './History';
import { whatItSaid } from './sampleWords';
import {
  draftOf,
  EMPTY_DRAFT,
  PARAMETERS_IN_HAND,
  readSampleDraft,
  rowsToShow,
  slotOf,
  usedUp,
} from './sampleForm';
import { SampleRow } from './SampleRow';
import { useKitFor } from './kits';

/** A sheet for each entry: going from one to the next begins at its top. */
export function SampleScreen() {
  const editId = useParam('edit');
  return <WithWater>{(water) => <Sitting key={`${water.id} ${editId}`} water={water} />}</WithWater>;
}

/** The sheet until it is stored; then it is put away before the next screen is drawn, each in a task of its own. */
function Sitting({ water }: { water: Water }) {
  const [next, setNext] = useState<Href | null>(null);
  return next ? <PutAway next={next} /> : <SampleSheet water={water} onSaved={setNext} />;
}

function PutAway({ next }: { next: Href }) {
  const router = useRouter();
  useEffect(() => {
    const soon = setTimeout(() => router.push(next), 0);
    return () => clearTimeout(soon);
  }, [router, next]);
  return (
    <Screen title="Log a sample">
      <Txt kind="title" heading={1}>
        Stored
      </Txt>
      <Go href={next}>Go on</Go>
    </Screen>
  );
}

/** One sitting: due tests first, each by the person's own kit, saved as one sample. What is half entered survives a reload. */
function SampleSheet({ water, onSaved }: { water: Water; onSaved: (next: Href) => void }) {
  const editId = useParam('edit');
  const dispatch = useAppDispatch();
  const units = useUnits();
  const wide = useWide();
  const now = useNow(15_000);
  const kits = useAppSelector((s) => s.document.entities.kits);
  const edited = useLastSeen(
    editId,
    useAppSelector((s) =>
      editId && Object.hasOwn(s.document.entities.samples, editId)
        ? s.document.entities.samples[editId]
        : undefined,
    ),
  );
  const saving = useSaving(edited ? { collection: 'samples', entity: edited } : undefined);
  const draftKey = edited?.id ?? water.id;
  const stored = useAppSelector((s) => s.drafts.samples[draftKey]);
  const draft: SampleDraft = stored ?? (edited ? draftOf(edited, kits, units, fieldTime) : EMPTY_DRAFT);
  const log = useLaterLog(water.id);
  const { due } = selectAssessment(log, water.id, now);
  const { series } = selectEvidence(log, water.id, now);
  const kitFor = useKitFor(water.id);
  const kitOf = (p: Parameter) => {
    const id =
      draft.kits[p] ??
      edited?.readings.find((r) => r.parameter === p)?.kitId ??
      draft.readings.find((r) => r.parameter === p && !draft.also.includes(r.kitId))?.kitId;
    return (id ? kits[id] : undefined) ?? kitFor(p);
  };
  const own = useAppSelector((s) => s.document.entities.ownParameters);
  const shownParam = useParam('show');
  const asked = shownParam.split(',').filter((p) => (PARAMETERS as readonly string[]).includes(p));
  const [tried, setTried] = useState(false);
  const current = useRef(draft);
  useEffect(() => {
    current.current = draft;
  });
  const alter = useCallback(
    (of: (draft: SampleDraft) => Partial<SampleDraft>) => {
      current.current = { ...current.current, ...of(current.current) };
      dispatch(sampleDrafted({ waterId: draftKey, draft: current.current }));
    },
    [dispatch, draftKey],
  );
  const change = (patch: Partial<SampleDraft>) => alter(() => patch);
  const read = readSampleDraft(draft, {
    id: edited?.id ?? 'new',
    waterId: water.id,
    kitOf,
    kits,
    units,
    nowMs: Date.now(),
    own,
    readTime: readFieldTime,
    before: edited,
  });
  const faults = read.ok ? {} : read.faults;
  const rows = edited
    ? rowsToShow(
        edited.readings.map((r) => r.parameter),
        draft,
      )
    : rowsToShow(due, { ...draft, shown: [...draft.shown, ...asked] });
  const hidden = PARAMETERS_IN_HAND.filter(
    (p) => !rows.includes(p) && (!isOwnParameter(p) || Object.hasOwn(own, p)),
  );
  const slipKits = Object.values(kits).filter((k) => k.shop === true && !k.archived);
  const count = read.ok ? read.sample.readings.length : 0;

  const save = () => {
    setTried(true);
    const final = readSampleDraft(draft, {
      id: edited?.id ?? newId(),
      waterId: water.id,
      kitOf,
      kits,
      units,
      nowMs: Date.now(),
      own,
      readTime: readFieldTime,
      before: edited,
    });
    if (!final.ok) return;
    const n = final.sample.readings.length;
    const label = edited ? 'Sample corrected' : `${n} reading${n === 1 ? '' : 's'} logged`;
    const nowIso = new Date().toISOString();
    const edits: Edit[] = [
      {
        put: 'samples',
        entity: edited
          ? {
              ...final.sample,
              editedAt: nowIso,
              corrections: corrected(edited, whatItSaid(edited, kits, units, own), nowIso),
            }
          : final.sample,
      },
      ...photoEdits(draft.photos, { kind: 'sample', id: final.sample.id }, water.id, final.sample.at),
      ...(edited ? [] : usedUp(final.sample, kits).map((entity): Edit => ({ put: 'kits', entity }))),
    ];
    void saving.run(
      (seen) => dispatch(commit(label, edits, { seen, drafts: [`sample/${draftKey}`] })),
      () => {
        onSaved((edited ? `/water/${water.id}/log/history` : `/water/${water.id}`) as Href);
        dispatch(sampleDrafted({ waterId: draftKey, draft: null }));
      },
    );
  };

  const label =
    count === 0 ? 'Save' : edited ? 'Save the correction' : `Save ${count} reading${count === 1 ? '' : 's'}`;
  const nitritePresent = (series.nitrite[series.nitrite.length - 1]?.interval.mid ?? 0) > 0.15;
  return (
    <Screen
      title="Log a sample"
      aside={<RecentEntries water={water} />}
      footer={
        <View style={styles.footer}>
          {tried && !read.ok ? (
            <Txt tone="ammonia" kind="small" live>
              {Object.values(read.faults)[0] ?? ''}
            </Txt>
          ) : null}
          <SaveButton saving={saving} kind="primary" label={label} onPress={save} />
        </View>
      }
    >
      <Row style={styles.between} wrap>
        <Txt kind="title" heading={1}>
          {edited ? 'Correct a sample' : 'A sample'}
        </Txt>
        <Txt kind="small" tone="second">
          {draft.atText === '' ? `now, ${dayAndHour(now)}` : ''}
        </Txt>
      </Row>
      {rows.map((p) => {
        const kit = kitOf(p);
        if (!kit)
          return (
            <Go
              key={p}
              href={`/kits/new?parameter=${p}` as Href}
            >{`Add a kit for ${parameterName(p, own)}`}</Go>
          );
        const row = (of: Kit, second: boolean) => (
          <SampleRow
            key={slotOf(of, second)}
            kit={of}
            waterId={water.id}
            draft={draft}
            due={due.includes(p) && !second}
            last={series[p][series[p].length - 1]}
            fault={faults[slotOf(of, second)] ?? null}
            nitritePresent={nitritePresent}
            now={now}
            second={second}
            onChange={alter}
          />
        );
        const also = draft.also.flatMap((id) => (kits[id]?.parameter === p ? [kits[id]] : []));
        return (
          <Fragment key={p}>
            {row(kit, false)}
            {also.map((k) => row(k, true))}
          </Fragment>
        );
      })}
      {!edited && slipKits.length > 1 && slipKits.some((k) => draft.kits[k.parameter] !== k.id) ? (
        <Button
          kind="quiet"
          label={`A slip of ${slipKits[0]?.name ?? 'the shop'}: all values as one entry`}
          onPress={() =>
            alter((d) => ({
              kits: { ...d.kits, ...Object.fromEntries(slipKits.map((k) => [k.parameter, k.id])) },
              shown: [...new Set([...d.shown, ...slipKits.map((k) => k.parameter)])],
            }))
          }
        />
      ) : null}
      {hidden.length > 0 ? (
        <Row wrap>
          {hidden.map((p) => (
            <AddRow key={p} parameter={p} name={parameterName(p, own)} onAdd={alter} />
          ))}
        </Row>
      ) : null}
      <Row wrap style={styles.top}>
        {draft.atText === '' ? (
          <Button
            kind="quiet"
            label="Taken earlier?"
            onPress={() => change({ atText: fieldTime(Date.now()) })}
          />
        ) : (
          <WhenField
            kind="datetime-local"
            label="Taken at"
            value={draft.atText}
            onChange={(atText) => change({ atText })}
            error={faults.at}
          />
        )}
        {draft.note === '' && !draft.shown.includes('note') ? (
          <Button
            kind="quiet"
            label="Add a note"
            onPress={() => change({ shown: [...draft.shown, 'note'] })}
          />
        ) : null}
      </Row>
      {draft.note !== '' || draft.shown.includes('note') ? (
        <TextField
          label="Note"
          multiline
          value={draft.note}
          onChange={(note) => change({ note })}
          error={faults.note}
        />
      ) : null}
      <Attach
        of={edited && { kind: 'sample', id: edited.id }}
        pending={draft.photos}
        onChange={(photos) => change({ photos })}
      />
      {edited ? (
        <DeleteEntry waterId={water.id} collection="samples" entity={edited} title="Sample" />
      ) : (
        <Later>
          <EventLinks waterId={water.id} />
        </Later>
      )}
      <Go href={`/water/${water.id}/log/readings` as Href}>
        Readings by parameter: charts, targets, steadiness
      </Go>
      {wide ? null : <Go href="/kits">Kits and instruments</Go>}
    </Screen>
  );
}

/** Brings a row that is not due onto the sheet. */
const AddRow = memo(function AddRow({
  parameter,
  name,
  onAdd,
}: {
  parameter: Parameter;
  name: string;
  onAdd: (change: (draft: SampleDraft) => Partial<SampleDraft>) => void;
}) {
  return (
    <Pressable
      role="button"
      onPress={() => onAdd((d) => ({ shown: [...d.shown, parameter] }))}
      style={styles.add}
    >
      <Txt tone="second">{`+ ${name}`}</Txt>
    </Pressable>
  );
});

const styles = styleSheet({
  between: { justifyContent: 'space-between' },
  footer: { gap: space(1) },
  add: { minHeight: TARGET, paddingHorizontal: space(2), justifyContent: 'center' },
  top: { alignItems: 'flex-start' },
});
