import { useRouter, type Href } from 'expo-router';
import { useState } from 'react';
import type { Display } from '../../../core/document';
import type { OwnSpecies } from '../../../core/species';
import { commit, newId, selectDocument, useAppDispatch, useAppSelector } from '../../store';
import { Button, Row, Screen, Txt } from '../../ui';
import { NotHere, useParam, WithDisplay } from '../shell';
import { SaveButton } from '../shell/saving';
import { KindFields, useKindForm } from './KindFields';

export function KindScreen() {
  return <WithDisplay>{(water) => <Kind water={water} />}</WithDisplay>;
}

function Kind({ water }: { water: Display }) {
  const id = useParam('kind');
  const own = useAppSelector((s) => s.document.entities.species[id]);
  if (id !== '' && !own) return <NotHere what="kind" />;
  return <KindForm key={id} water={water} own={own ?? null} />;
}

/** A kind the list does not hold: what is known of it, the rest from its nearest relative. */
function KindForm({ water, own }: { water: Display; own: OwnSpecies | null }) {
  const router = useRouter();
  const dispatch = useAppDispatch();
  const named = useParam('name');
  const doc = useAppSelector(selectDocument);
  const [id] = useState(() => own?.id ?? newId());
  const form = useKindForm({
    id,
    own,
    named,
    // Who adds a kind wants to know whether it may come.
    onKept: () => router.replace(`/water/${water.id}/stock/${own ? 'species' : `add?species=${id}`}` as Href),
  });
  const used = own
    ? Object.values(doc.animals).filter(
        (a) => a.speciesId === own.id || a.takenFor?.some((t) => t.speciesId === own.id),
      ).length
    : 0;
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
      <KindFields form={form} />
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
