import { useState } from 'react';
import type { Display } from '../../../core/document';
import type { CarePlan } from '../../../core/forecast';
import { unitLabel } from '../../../core/units';
import { plannedWords } from '../../../core/words/forecast';
import { commit, useAppDispatch } from '../../store';
import { Button, FieldRow, Row, Section, Txt } from '../../ui';
import { useWords } from '../shell';
import { TextEntry, useEntryForm } from '../shell/form';
import { SaveButton } from '../shell/saving';
import { readPlanned, textsOfPlanned } from './plannedForm';

/** What the person means to do from now on, which the futures then do. */
export function PlannedSection({ water, plan }: { water: Display; plan: CarePlan }) {
  const { units } = useWords();
  const [open, setOpen] = useState(false);
  return (
    <Section title="What you plan">
      <Txt>{plannedWords(plan, units)}</Txt>
      {open ? (
        <PlannedForm water={water} onDone={() => setOpen(false)} />
      ) : (
        <Row>
          <Button kind="quiet" label="Change the plan" onPress={() => setOpen(true)} />
        </Row>
      )}
    </Section>
  );
}

function PlannedForm({ water, onDone }: { water: Display; onDone: () => void }) {
  const { units } = useWords();
  const dispatch = useAppDispatch();
  const form = useEntryForm({
    start: () => textsOfPlanned(water.planned, units),
    read: (texts) => readPlanned(texts, units),
    save: ({ planned }, seen) => {
      const { planned: _, ...without } = water;
      const entity = planned ? { ...water, planned } : without;
      return dispatch(commit('Plan changed', [{ put: 'waters', entity }], { seen }));
    },
    done: onDone,
    base: { collection: 'waters', entity: water },
  });
  return (
    <>
      <FieldRow>
        <TextEntry
          form={form}
          name="tempC"
          numeric
          label="Temperature"
          unit={unitLabel(units.temperature)}
          hint="Empty: as it was measured."
        />
        <TextEntry
          form={form}
          name="alkalinity"
          numeric
          label="Alkalinity kept up to"
          unit="dKH"
          hint="Empty: buffered when it falls under 6."
        />
      </FieldRow>
      <FieldRow>
        <TextEntry
          form={form}
          name="percent"
          numeric
          label="Water changed"
          unit="%"
          hint="Empty: none planned."
        />
        <TextEntry form={form} name="everyDays" numeric label="Every" unit="days" />
      </FieldRow>
      <Row wrap>
        <SaveButton saving={form.saving} kind="primary" label="Keep the plan" onPress={form.save} />
        <Button kind="quiet" label="Cancel" onPress={onDone} />
      </Row>
    </>
  );
}
