import { lightSteps } from '../../../core/arrivals';
import type { Animal, Edit } from '../../../core/document';
import { addDays } from '../../../core/time';
import { readEntry } from '../../../core/units';
import { animalWords } from '../../../core/words';
import { localDay, newId, shortWrittenDay, type Outcome } from '../../store';
import { FieldRow, Section, Txt } from '../../ui';
import { TextEntry, useEntryForm } from '../shell/form';
import { SaveButton } from '../shell/saving';

interface LightTexts {
  from: string;
  to: string;
  hours: string;
}

/** The steps of light, or a fault for each field; from may be left empty. */
function readLight(t: LightTexts) {
  const par = { unit: null, min: 1, max: 2500 };
  const from = t.from.trim() === '' ? null : readEntry(t.from, { ...par, name: 'The light it comes from' });
  const to = readEntry(t.to, { ...par, name: 'The light here' });
  const hours = readEntry(t.hours, { name: 'Hours', unit: null, min: 1, max: 24 });
  if ((from === null || from.ok) && to.ok && hours.ok) {
    const steps = lightSteps({ fromPar: from?.value ?? null, toPar: to.value, hours: hours.value });
    return { ok: true as const, steps };
  }
  return {
    ok: false as const,
    faults: {
      ...(from && !from.ok ? { from: from.message } : {}),
      ...(to.ok ? {} : { to: to.message }),
      ...(hours.ok ? {} : { hours: hours.message }),
    },
  };
}

/** Getting a coral used to the light of its place, step by step, as tasks of their days. */
export function CoralLight({
  animal,
  waterId,
  onAct,
}: {
  animal: Animal;
  waterId: string;
  onAct: (label: string, edits: readonly Edit[]) => Promise<Outcome>;
}) {
  const today = localDay(Date.now());
  const form = useEntryForm({
    start: (): LightTexts => ({ from: '', to: '', hours: '9' }),
    read: readLight,
    save: ({ steps }) =>
      onAct(
        'Steps of light planned',
        steps.slice(1).map((s): Edit => ({
          put: 'tasks',
          entity: {
            id: newId(),
            waterId,
            day: addDays(today, s.day),
            title: `Light ${Math.round(s.par)} PAR for ${animalWords(animal)}`.slice(0, 80),
            note: 'Only if it opens as before and its colour holds; else stay a week longer, or step back.',
            doneAt: null,
            animalIds: [animal.id],
          },
        })),
      ),
    done: 'restart',
    faultsFrom: 'typing',
  });
  const { now } = form;
  const [first] = now.ok ? now.steps : [];
  return (
    <Section title="Light, step by step">
      <FieldRow>
        <TextEntry
          form={form}
          name="from"
          numeric
          label="PAR it comes from"
          hint="Empty: shop, unknown; then it starts at 60."
        />
        <TextEntry form={form} name="to" numeric label="PAR at its place" />
        <TextEntry form={form} name="hours" numeric label="Hours a day" />
      </FieldRow>
      {now.ok && first ? (
        <Txt>
          {now.steps.length === 1
            ? `No steps needed: it comes from as much light. Begin at ${Math.round(first.par)} PAR.`
            : `Begin at ${Math.round(first.par)} PAR, lower or further from the light, then ${now.steps
                .slice(1)
                .map((s) => `${shortWrittenDay(addDays(today, s.day))} ${Math.round(s.par)}`)
                .join(', ')}: equal ratios, a week apart.`}
        </Txt>
      ) : null}
      {now.ok && now.steps.length > 1 ? (
        <SaveButton saving={form.saving} icon="keep" label="Plan these steps" onPress={form.save} />
      ) : null}
    </Section>
  );
}
