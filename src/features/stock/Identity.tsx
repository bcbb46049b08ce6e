import { useState } from 'react';
import { renamed, type Animal } from '../../../core/document';
import { speciesOf } from '../../../core/species';
import { dayAndHour, isoOf, type Outcome, useKinds } from '../../store';
import { Button, Line, Row, Section, Txt } from '../../ui';
import { KindSearch } from '../shell/KindSearch';
import { AddKind } from './AddKind';

/** Which kind it is: a name for the time being, its correction, and what it was taken for before. */
export function Identity({
  animal,
  onPut,
}: {
  animal: Animal;
  onPut: (label: string, entity: Animal) => Promise<Outcome>;
}) {
  const kinds = useKinds();
  const [open, setOpen] = useState(false);
  const name = (speciesId: string, provisional: boolean, label: string) => {
    setOpen(false);
    void onPut(label, renamed(animal, speciesId, isoOf(Date.now()), provisional));
  };
  return (
    <Section title="Which kind">
      {animal.provisional ? (
        <Txt tone="nitrite">
          {`Taken for ${speciesOf(kinds, animal.speciesId).common} for the time being: judged as that until you know.`}
        </Txt>
      ) : null}
      {animal.takenFor?.map((t) => (
        <Line
          key={t.until}
          name={`Taken for ${speciesOf(kinds, t.speciesId).common}`}
          value={`until ${dayAndHour(Date.parse(t.until))}`}
        />
      ))}
      <Row wrap>
        {animal.provisional ? (
          <Button label="It is that kind" onPress={() => name(animal.speciesId, false, 'Kind confirmed')} />
        ) : (
          <Button
            kind="quiet"
            label="Not sure of the kind"
            onPress={() => name(animal.speciesId, true, 'Kind in doubt')}
          />
        )}
        <Button kind="quiet" label="It is another kind" onPress={() => setOpen(!open)} />
      </Row>
      {open ? (
        <KindSearch
          kinds={kinds}
          label="The right kind"
          leave={(s) => s.id !== animal.speciesId}
          onChoose={(s) => name(s.id, false, `It is a ${s.common}`)}
          notHere={(query) => (
            <AddKind named={query} onAdded={({ id, common }) => name(id, false, `It is a ${common}`)} />
          )}
        />
      ) : null}
    </Section>
  );
}
