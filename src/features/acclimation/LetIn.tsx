import { useMemo, useState } from 'react';
import { isIn, type Drip, type Edit, type Water } from '../../../core/document';
import { admit, followUpTasks } from '../../../core/arrivals';
import { MINUTE_MS } from '../../../core/time';
import { isoOf, localDay, newId, selectDocument, useAppSelector, useKinds } from '../../store';
import { Button, TextField } from '../../ui';
import { REASON_MISSING, Risks, useRisks } from '../shell/guard';

/** Who of a session is still to come. */
export function useComing(water: Water, drip: Drip) {
  const doc = useAppSelector(selectDocument);
  return useMemo(
    () =>
      drip.animalIds.flatMap((id) => {
        const animal = doc.animals[id];
        return animal && !isIn(animal, water.id) ? [animal] : [];
      }),
    [drip.animalIds, doc.animals, water.id],
  );
}

/** The guard's question at the end of a session, and the act that lets them in. */
export function LetIn({
  water,
  drip,
  now,
  label,
  onIn,
}: {
  water: Water;
  drip: Drip;
  now: number;
  label: string;
  /** With the moment, and what moves the animals and plans the looks after. */
  onIn: (at: string, edits: Edit[]) => void;
}) {
  const coming = useComing(water, drip);
  const guardMs = Math.floor(now / MINUTE_MS) * MINUTE_MS;
  const { risksOf, risks, never } = useRisks(coming, water, guardMs);
  const kinds = useKinds();
  const [why, setWhy] = useState('');
  const [asked, setAsked] = useState(false);
  const letIn = () => {
    const at = isoOf(Date.now());
    const admitted = admit(
      coming.map((animal) => ({ animal, count: animal.count, partId: '' })),
      water,
      { at, why, risksOf },
    );
    setAsked(!admitted.ok);
    if (admitted.ok)
      onIn(at, [...admitted.edits, ...followUpTasks(kinds, coming, water, localDay(Date.now()), newId)]);
  };
  return (
    <>
      <Risks risks={risks} to={water} />
      {risks.length > 0 && !never ? (
        <TextField
          label="Why all the same"
          value={why}
          onChange={setWhy}
          error={asked && why.trim() === '' ? REASON_MISSING : undefined}
        />
      ) : null}
      <Button kind="primary" disabled={never} label={label} onPress={letIn} />
    </>
  );
}
