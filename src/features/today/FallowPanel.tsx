import { admit } from '../../../core/arrivals';
import { isOpen, quarantinesOf, type Display } from '../../../core/document';
import { fallowOf } from '../../../core/quarantine';
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
import { Button, Row, Section, Txt } from '../../ui';

/** After an outbreak: the fish out in one act, and the days without any. */
export function FallowPanel({ water, now }: { water: Display; now: number }) {
  const dispatch = useAppDispatch();
  const doc = useAppSelector(selectDocument);
  const fallow = fallowOf(doc, water, now, localDay);
  if (!fallow) return null;
  const { fishIn, day, of, overDay, over } = fallow;
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
          {`Counted from the last fish out, for 24 to 26 °C. Snails, crabs and corals stay, and are fed.`}
        </Txt>
      </Section>
    );
  return (
    <Section title="Outbreak">
      <Txt kind="strong" tone="ammonia">
        {`Still in the display: ${fishIn.map(animalWords).join(', ')}. All fish out together, then it lies fallow for ${of} days.`}
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
