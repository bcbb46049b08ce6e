import { useState } from 'react';
import { newId } from '../../store';
import { Button, Row, Section } from '../../ui';
import { SaveButton } from '../shell/saving';
import { KindFields, useKindForm } from './KindFields';

/** Where a kind is looked for and the list does not hold it: it is added on the spot, and what was begun on the page stays.
 *  @param named what was looked for; @param onAdded with the new kind */
export function AddKind({
  named,
  onAdded,
}: {
  named: string;
  onAdded: (kind: { id: string; common: string }) => void;
}) {
  const [open, setOpen] = useState(false);
  if (!open)
    return (
      <Row wrap>
        <Button kind="quiet" icon="add" label="Not here: add it" onPress={() => setOpen(true)} />
      </Row>
    );
  return (
    <NewKind
      named={named.trim()}
      onAdded={(kind) => {
        setOpen(false);
        onAdded(kind);
      }}
      onLeft={() => setOpen(false)}
    />
  );
}

function NewKind({
  named,
  onAdded,
  onLeft,
}: {
  named: string;
  onAdded: (kind: { id: string; common: string }) => void;
  onLeft: () => void;
}) {
  const [id] = useState(newId);
  const form = useKindForm({
    id,
    own: null,
    named,
    onKept: () => onAdded({ id, common: form.texts.common.trim() }),
  });
  return (
    <Section title="Not in the list">
      <KindFields form={form} />
      <Row wrap>
        <SaveButton saving={form.saving} icon="keep" label="Keep the kind" onPress={form.save} />
        <Button kind="quiet" label="Not now" onPress={onLeft} />
      </Row>
    </Section>
  );
}
