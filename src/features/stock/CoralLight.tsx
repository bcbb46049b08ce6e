import { lightSteps } from '../../../core/arrivals';
import type { Animal, Edit } from '../../../core/document';
import { addDays } from '../../../core/time';
import { readEntry } from '../../../core/units';
import { animalWords } from '../../../core/words';
import { localDay, newId, shortWrittenDay, type Outcome, useKinds } from '../../store';
import { FieldRow, Section, Txt } from '../../ui';
import { ChoiceEntry, TextEntry, useEntryForm } from '../shell/form';
import { SaveButton } from '../shell/saving';

const FLOWS = ['unknown', 'low', 'moderate', 'strong'] as const;
const FLOW_WORDS: Record<(typeof FLOWS)[number], string> = {
  unknown: 'Unknown',
  low: 'Low',
  moderate: 'Moderate',
  strong: 'Strong',
};

interface LightTexts {
  /** The flow it comes from. */
  flow: (typeof FLOWS)[number];
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
    return { ok: true as const, steps, flow: t.flow };
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

const GO_ON = 'Only if it opens as before and its colour holds; else stay a week longer, or step back.';
const beginWords = (flow: LightTexts['flow']): string =>
  flow === 'unknown'
    ? 'Lower or further from the light, in gentle flow first: nobody knows what it comes from.'
    : `Lower or further from the light, in ${flow} flow as it comes from; change one thing at a time.`;

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
  const kinds = useKinds();
  const today = localDay(Date.now());
  const form = useEntryForm({
    start: (): LightTexts => ({ flow: 'unknown', from: '', to: '', hours: '9' }),
    read: readLight,
    save: ({ steps, flow }) =>
      onAct(
        'Steps of light planned',
        steps.map((s, i): Edit => ({
          put: 'tasks',
          entity: {
            id: newId(),
            waterId,
            day: addDays(today, s.day),
            title: `Light ${Math.round(s.par)} PAR for ${animalWords(kinds, animal)}`.slice(0, 80),
            note: i === 0 ? beginWords(flow) : GO_ON,
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
      <ChoiceEntry
        form={form}
        name="flow"
        label="Flow it comes from"
        options={FLOWS.map((value) => ({ value, label: FLOW_WORDS[value] }))}
      />
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
      {now.ok ? (
        <SaveButton saving={form.saving} icon="keep" label="Plan these steps" onPress={form.save} />
      ) : null}
    </Section>
  );
}
