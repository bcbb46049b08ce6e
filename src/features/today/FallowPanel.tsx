import { admit } from '../../../core/arrivals';
import { useState } from 'react';
import { isOpen, MAX_NOTE, quarantinesOf, type Display } from '../../../core/document';
import { fallowOf, outbreaksOf, QUARANTINE_LIMITS } from '../../../core/quarantine';
import { readEntry, showQuantity, type UnitPreferences } from '../../../core/units';
import { animalWords } from '../../../core/words';
import {
  commit,
  isoOf,
  localDay,
  selectDocument,
  shortWrittenDay,
  useAppDispatch,
  useAppSelector,
} from '../../store';
import { Button, FieldRow, Row, Section, Txt } from '../../ui';
import { useUnits } from '../shell';
import { TextEntry, useEntryForm } from '../shell/form';
import { SaveButton } from '../shell/saving';

const range = (low: number, high: number, units: UnitPreferences) =>
  `${showQuantity('temperature', low, units, 0)} to ${showQuantity('temperature', high, units, 0)}`;
const { fallowWarmC, fallowWarmDays, fallowDays } = QUARANTINE_LIMITS;
const warm = (units: UnitPreferences) => showQuantity('temperature', fallowWarmC.value, units, 0);

/** Fewer days, for a reason that is kept. */
function Shorter({ water, now }: { water: Display; now: number }) {
  const units = useUnits();
  const dispatch = useAppDispatch();
  const doc = useAppSelector(selectDocument);
  const [open, setOpen] = useState(false);
  const form = useEntryForm({
    start: { days: String(fallowWarmDays.value), why: '' },
    read: (texts) => {
      const days = readEntry(texts.days, {
        name: 'Days',
        unit: null,
        min: fallowWarmDays.value,
        max: fallowDays.value - 1,
        whole: true,
      });
      const why = texts.why.trim();
      const said = why !== '' && why.length <= MAX_NOTE;
      return days.ok && said
        ? { ok: true as const, fallow: { days: days.value, why } }
        : {
            ok: false as const,
            faults: {
              ...(days.ok ? {} : { days: days.message }),
              ...(said ? {} : { why: 'Say why fewer days are enough here. It stays with the outbreak.' }),
            },
          };
    },
    save: ({ fallow }) => {
      const outbreak = outbreaksOf(doc, water.id, now).pop();
      return outbreak
        ? dispatch(commit('Fewer days without fish', [{ put: 'events', entity: { ...outbreak, fallow } }]))
        : Promise.resolve({ kind: 'nothing' as const });
    },
  });
  if (!open)
    return (
      <Row>
        <Button kind="quiet" label="Fewer days, where it is warm" onPress={() => setOpen(true)} />
      </Row>
    );
  return (
    <>
      <Txt kind="small" tone="second">
        {`Only at ${warm(units)} or more all the time, shown by a reading every week; else it is ${fallowDays.value} again.`}
      </Txt>
      <FieldRow>
        <TextEntry form={form} name="days" numeric label="Days without fish" />
        <TextEntry form={form} name="why" label="Why they are enough" />
      </FieldRow>
      <SaveButton saving={form.saving} icon="keep" label="Choose fewer days" onPress={form.save} />
    </>
  );
}

/** After an outbreak: the fish out in one act, and the days without any. */
export function FallowPanel({ water, now }: { water: Display; now: number }) {
  const units = useUnits();
  const dispatch = useAppDispatch();
  const doc = useAppSelector(selectDocument);
  const fallow = fallowOf(doc, water, now, localDay);
  if (!fallow) return null;
  const { fishIn, day, of, overDay, over, shorter } = fallow;
  const places = quarantinesOf(doc, water.id).filter((q) => isOpen(q) && q.line === 'fish');
  if (fishIn.length === 0)
    return (
      <Section title="Fallow">
        <Txt>
          {over
            ? `${of} days without fish are over. Fish that passed their own quarantine may come again.`
            : `Day ${day} of ${of} without fish; until ${overDay ? shortWrittenDay(overDay) : ''} none goes in. A fish before that begins the days again.`}
        </Txt>
        <Txt kind="small" tone="second">
          {`Counted from the last fish out, for ${range(24, 26, units)}. Snails, crabs and corals stay, and are fed.`}
        </Txt>
        {shorter ? (
          <Txt tone={shorter.warm ? 'ink' : 'nitrite'}>
            {shorter.warm
              ? `${shorter.days} days by your choice, as long as it stays at ${warm(units)} or more: ${shorter.why}`
              : `You chose ${shorter.days} days, which hold only with a reading of ${warm(units)} or more every week and none below. The log does not show that, so ${of} count.`}
          </Txt>
        ) : over ? null : (
          <Shorter water={water} now={now} />
        )}
      </Section>
    );
  return (
    <Section title="Outbreak">
      <Txt kind="strong" tone="ammonia">
        {`Still in the display: ${fishIn.map((a) => animalWords(doc, a)).join(', ')}. All fish out together, then it lies fallow for ${of} days.`}
      </Txt>
      {places.length === 0 ? (
        <Txt>Open a quarantine for fish first: every one of them goes, the sound ones too.</Txt>
      ) : (
        <Row wrap>
          {places.map((q) => (
            <Button
              key={q.id}
              kind="primary"
              label={`All fish to ${q.name}`}
              onPress={() => {
                const out = admit(
                  fishIn.map((animal) => ({ animal, count: animal.count, partId: '' })),
                  q,
                  { at: isoOf(Date.now()), why: 'outbreak in the display', risksOf: () => [] },
                );
                if (out.ok) void dispatch(commit(`All fish moved to ${q.name}`, out.edits));
              }}
            />
          ))}
        </Row>
      )}
      <Txt kind="small" tone="second">
        Treatment is for the label and a vet; in the quarantine, not in the display.
      </Txt>
    </Section>
  );
}
