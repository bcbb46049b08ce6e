import { assumedOf, NO_OWN_KINDS, speciesById, type OwnSpecies } from '../../../core/species';
import { unitLabel } from '../../../core/units';
import { commit, useAppDispatch } from '../../store';
import { Button, Choice, FieldRow, Row, Section, Txt } from '../../ui';
import { useUnits } from '../shell';
import { ChoiceEntry, TextEntry, useEntryForm } from '../shell/form';
import { KindSearch } from '../shell/KindSearch';
import { kindTexts, newKind, readKind } from './kindForm';
import { ASSUMED_WORDS } from './kindWords';

/** A kind of the person's own being written. @param own the one that is corrected; @param named what was looked for */
export function useKindForm({
  id,
  own,
  named,
  onKept,
}: {
  id: string;
  own: OwnSpecies | null;
  named: string;
  onKept: () => void;
}) {
  const units = useUnits();
  const dispatch = useAppDispatch();
  return useEntryForm({
    start: () => (own ? kindTexts(own, units) : newKind(named)),
    read: (texts) => readKind(texts, units),
    base: own ? { collection: 'species', entity: own } : undefined,
    save: ({ kind }) => {
      const entity = { ...kind, id };
      return dispatch(
        commit(own ? `${kind.common} changed` : `${kind.common} added to the kinds`, [
          { put: 'species', entity },
        ]),
      );
    },
    done: onKept,
  });
}

const NOT_SAID = { value: '', label: 'As its relative' } as const;

/** What is known of a kind: name, adult size and nearest relative are needed, the rest is the relative's. */
export function KindFields({ form }: { form: ReturnType<typeof useKindForm> }) {
  const units = useUnits();
  const { likeId } = form.texts;
  const like = likeId === '' ? null : speciesById(likeId);
  const assumed = form.now.ok ? assumedOf({ ...form.now.kind, id: '' }) : [];
  return (
    <>
      <FieldRow>
        <TextEntry form={form} name="common" label="What it is called" />
        <TextEntry form={form} name="adult" numeric label="Grows to" unit={unitLabel(units.length)} />
      </FieldRow>
      <Section title="Nearest relative in the list">
        {like ? (
          <Row>
            <Txt kind="row">{`${like.common} · ${like.scientific}`}</Txt>
            <Button kind="quiet" label="Another one" onPress={() => form.change({ likeId: '' })} />
          </Row>
        ) : (
          <KindSearch
            kinds={NO_OWN_KINDS}
            label="Relative"
            hint="Of its genus or family, and of its habits."
            onChoose={(s) => form.change({ likeId: s.id })}
          />
        )}
        {form.fault('likeId') ? (
          <Txt tone="ammonia" live>
            {form.fault('likeId')}
          </Txt>
        ) : null}
      </Section>
      <Section title="What you know of it">
        <TextEntry form={form} name="scientific" label="Scientific name" placeholder="May be left empty" />
        <FieldRow>
          <TextEntry form={form} name="arrival" numeric label="Bought at" unit={unitLabel(units.length)} />
          <TextEntry form={form} name="minTank" numeric label="Least tank" unit={unitLabel(units.volume)} />
          <TextEntry
            form={form}
            name="minLength"
            numeric
            label="Least length of the glass"
            unit={unitLabel(units.length)}
          />
        </FieldRow>
        <ChoiceEntry
          form={form}
          name="temperament"
          label="Temperament"
          options={[
            NOT_SAID,
            { value: 'gentle', label: 'Gentle' },
            { value: 'firm', label: 'Firm' },
            { value: 'territorial', label: 'Territorial' },
          ]}
        />
        <ChoiceEntry
          form={form}
          name="reefSafe"
          label="Corals with it"
          options={[
            NOT_SAID,
            { value: 'yes', label: 'Safe' },
            { value: 'caution', label: 'With caution' },
            { value: 'no', label: 'Not safe' },
          ]}
        />
        <Choice
          label="Jumps"
          options={[NOT_SAID, { value: 'yes', label: 'Yes' }, { value: 'no', label: 'No' }]}
          value={form.texts.jumps}
          onChange={(jumps) => form.change({ jumps })}
        />
        <FieldRow>
          <TextEntry form={form} name="most" numeric label="Most in one tank" />
          <TextEntry form={form} name="age" numeric label="The tank is at least" unit="days old" />
        </FieldRow>
        {like && assumed.length > 0 ? (
          <Txt kind="small" tone="second">
            {`Assumed as of ${like.common}: ${assumed.map((f) => ASSUMED_WORDS[f]).join(', ')}. Room grows with its size.`}
          </Txt>
        ) : null}
      </Section>
    </>
  );
}
