import { useState } from 'react';
import type { Treatment, Water } from '../../../../core/document';
import { amountFor, asksOf, conflictsOf, treatmentsOf } from '../../../../core/quarantine';
import { formatDecimal, unitLabel } from '../../../../core/units';
import { askWords, CONFLICT_WORDS, HOLDS_WORDS } from '../../../../core/words/treatments';
import {
  commit,
  isoOf,
  localDay,
  newId,
  selectDocument,
  selectEvidence,
  shortDay,
  shortWrittenDay,
  useAppDispatch,
  useAppSelector,
} from '../../../store';
import { Button, Caution, FieldRow, Row, Section, Txt } from '../../../ui';
import { useUnits } from '..';
import { CheckEntry, ChoiceEntry, TextEntry, useEntryForm, WhenEntry } from '../form';
import { SaveButton } from '../saving';
import { newTreatment, readTreatment } from './treatmentForm';

/** Treatments of a water as records: what label or vet say, what was given, what it asks for and what speaks against it. */
export function Treatments({ water, now }: { water: Water; now: number }) {
  const doc = useAppSelector(selectDocument);
  const [open, setOpen] = useState(false);
  const list = treatmentsOf(doc, water.id);
  return (
    <Section title="Treatments">
      {list.map((t) => (
        <One key={t.id} water={water} treatment={t} now={now} />
      ))}
      {open ? (
        <NewTreatment water={water} onDone={() => setOpen(false)} />
      ) : (
        <Row>
          <Button kind="quiet" label="Note a treatment" onPress={() => setOpen(true)} />
        </Row>
      )}
    </Section>
  );
}

function One({ water, treatment: t, now }: { water: Water; treatment: Treatment; now: number }) {
  const units = useUnits();
  const dispatch = useAppDispatch();
  const doc = useAppSelector(selectDocument);
  const evidence = useAppSelector((s) => selectEvidence(s, water.id, now));
  const today = localDay(now);
  const put = (label: string, entity: Treatment) =>
    void dispatch(commit(label, [{ put: 'treatments', entity }]));
  const changes = evidence.changes.map((c) => ({ atMs: c.atMs, litres: c.fraction * evidence.netL }));
  const running = t.endDay === null || t.endDay >= today;
  const whole = amountFor(t, evidence.netL);
  const last = t.given[t.given.length - 1];
  return (
    <>
      <Txt kind="strong">
        {`${t.product}, ${shortWrittenDay(t.startDay)} to ${t.endDay === null ? 'open end' : shortWrittenDay(t.endDay)}`}
      </Txt>
      <Txt>{t.says}</Txt>
      {conflictsOf(doc, water, t).map((c) => (
        <Txt key={c} tone="ammonia">
          {CONFLICT_WORDS[c]}
        </Txt>
      ))}
      {asksOf(t, changes, today).map((ask) => (
        <Txt key={ask.code} tone="nitrite">
          {askWords(ask, t, units)}
        </Txt>
      ))}
      {whole !== null && t.per ? (
        <Txt kind="small" tone="second">
          {`As the label has it, ${formatDecimal(whole, 2)} ${t.per.unit} for all of this water.${last ? ` Last given ${shortDay(Date.parse(last.at))}.` : ''}`}
        </Txt>
      ) : null}
      <Row wrap>
        {running && whole !== null ? (
          <Button
            kind="quiet"
            label={`Given: ${formatDecimal(whole, 2)} ${t.per?.unit ?? ''}`}
            onPress={() =>
              put(`${t.product} given`, {
                ...t,
                given: [...t.given, { at: isoOf(Date.now()), amount: whole, note: '' }],
              })
            }
          />
        ) : null}
        {running ? (
          <Button
            kind="quiet"
            label="It ends today"
            onPress={() => put(`${t.product} ends`, { ...t, endDay: today })}
          />
        ) : null}
        {t.filtersOff && t.filtersOnAt === null ? (
          <Button
            kind="quiet"
            label="Carbon and ultraviolet are on again"
            onPress={() => put('Filters on again', { ...t, filtersOnAt: isoOf(Date.now()) })}
          />
        ) : null}
      </Row>
    </>
  );
}

function NewTreatment({ water, onDone }: { water: Water; onDone: () => void }) {
  const units = useUnits();
  const dispatch = useAppDispatch();
  const doc = useAppSelector(selectDocument);
  const [id] = useState(newId);
  const today = localDay(Date.now());
  const form = useEntryForm({
    start: () => newTreatment(today),
    read: (texts) => readTreatment(texts, { id, waterId: water.id, units, today }),
    save: ({ treatment }) =>
      dispatch(commit(`${treatment.product} noted`, [{ put: 'treatments', entity: treatment }])),
    done: onDone,
  });
  const { holds, hidesSigns, hidesAmmonia } = form.texts;
  const conflicts = conflictsOf(doc, water, {
    holds,
    hides: [...(hidesSigns ? (['signs'] as const) : []), ...(hidesAmmonia ? (['ammonia'] as const) : [])],
  });
  return (
    <>
      <TextEntry form={form} name="product" label="Product, as its label has it" />
      <TextEntry form={form} name="says" label="What the label or the vet says" multiline />
      <ChoiceEntry
        form={form}
        name="holds"
        label="It holds"
        options={(['copper', 'antibiotic', 'other'] as const).map((value) => ({
          value,
          label: HOLDS_WORDS[value],
        }))}
      />
      {conflicts.map((c) => (
        <Txt key={c} tone="ammonia">
          {CONFLICT_WORDS[c]}
        </Txt>
      ))}
      <CheckEntry
        form={form}
        name="hidesSigns"
        label="It may hide signs: its days do not count for the clock"
      />
      <CheckEntry form={form} name="hidesAmmonia" label="It may hide ammonia from the kit" />
      <FieldRow>
        <WhenEntry form={form} name="startDay" kind="date" label="Begins" />
        <WhenEntry form={form} name="endDay" kind="date" label="Ends" hint="May stay open." />
      </FieldRow>
      <FieldRow>
        <TextEntry form={form} name="amount" numeric label="Amount on the label" />
        <TextEntry form={form} name="unit" label="In" />
        <TextEntry form={form} name="litres" numeric label="For" unit={unitLabel(units.volume)} />
      </FieldRow>
      <CheckEntry form={form} name="filtersOff" label="Carbon and ultraviolet are off for it" />
      <Caution>
        The label, a vet and the law decide what is given and how much, never this app. Keep medicines from
        children.
      </Caution>
      <Row wrap>
        <SaveButton saving={form.saving} kind="primary" icon="keep" label="Note it" onPress={form.save} />
        <Button kind="quiet" label="Not now" onPress={onDone} />
      </Row>
    </>
  );
}
