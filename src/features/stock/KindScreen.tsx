import { useRouter, type Href } from 'expo-router';
import { useState } from 'react';
import type { Display } from '../../../core/document';
import { assumedOf, NO_OWN_KINDS, speciesById, type OwnSpecies } from '../../../core/species';
import { unitLabel } from '../../../core/units';
import { commit, newId, selectDocument, useAppDispatch, useAppSelector } from '../../store';
import { Button, Choice, FieldRow, Row, Screen, Section, Txt } from '../../ui';
import { NotHere, useParam, useUnits, WithDisplay } from '../shell';
import { ChoiceEntry, TextEntry, useEntryForm } from '../shell/form';
import { KindSearch } from '../shell/KindSearch';
import { SaveButton } from '../shell/saving';
import { kindTexts, newKind, readKind } from './kindForm';
import { ASSUMED_WORDS } from './kindWords';

export function KindScreen() {
  return <WithDisplay>{(water) => <Kind water={water} />}</WithDisplay>;
}

function Kind({ water }: { water: Display }) {
  const id = useParam('kind');
  const own = useAppSelector((s) => s.document.entities.species[id]);
  if (id !== '' && !own) return <NotHere what="kind" />;
  return <KindForm key={id} water={water} own={own ?? null} />;
}

const NOT_SAID = { value: '', label: 'As its relative' } as const;

/** A kind the list does not hold: what is known of it, the rest from its nearest relative. */
function KindForm({ water, own }: { water: Display; own: OwnSpecies | null }) {
  const units = useUnits();
  const router = useRouter();
  const dispatch = useAppDispatch();
  const named = useParam('name');
  const doc = useAppSelector(selectDocument);
  const [id] = useState(() => own?.id ?? newId());
  const form = useEntryForm({
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
    // Who adds a kind wants to know whether it may come.
    done: () => router.replace(`/water/${water.id}/stock/${own ? 'species' : `add?species=${id}`}` as Href),
  });
  const { likeId } = form.texts;
  const like = likeId === '' ? null : speciesById(likeId);
  const used = own
    ? Object.values(doc.animals).filter(
        (a) => a.speciesId === own.id || a.takenFor?.some((t) => t.speciesId === own.id),
      ).length
    : 0;
  const assumed = form.now.ok ? assumedOf({ ...form.now.kind, id: '' }) : [];
  return (
    <Screen
      title={own ? own.common : 'A kind of your own'}
      footer={
        <SaveButton
          saving={form.saving}
          kind="primary"
          icon="keep"
          label="Keep the kind"
          onPress={form.save}
        />
      }
    >
      <Txt kind="title" heading={1}>
        {own ? own.common : 'Not in the list'}
      </Txt>
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
      {own ? (
        used > 0 ? (
          <Txt kind="small" tone="second">
            {`${used === 1 ? 'One group is' : `${used} groups are`} of this kind: say first what else they are, then it can be removed.`}
          </Txt>
        ) : (
          <Row>
            <Button
              kind="quiet"
              label="Remove this kind"
              onPress={() => {
                void dispatch(
                  commit(`${own.common} removed from the kinds`, [{ remove: 'species', id: own.id }]),
                );
                router.replace(`/water/${water.id}/stock/species` as Href);
              }}
            />
          </Row>
        )
      ) : null}
    </Screen>
  );
}
