import { useState } from 'react';
import { renamed, type Animal } from '../../../core/document';
import { matching, SPECIES, speciesById } from '../../../core/species';
import { dayAndHour, isoOf, type Outcome } from '../../store';
import { Button, Choice, Line, Row, Section, TextField, Txt } from '../../ui';

/** As many as can be read at a glance. */
const SHOWN = 6;

/** Which kind it is: a name for the time being, its correction, and what it was taken for before. */
export function Identity({
  animal,
  onPut,
}: {
  animal: Animal;
  onPut: (label: string, entity: Animal) => Promise<Outcome>;
}) {
  const [open, setOpen] = useState(false);
  const [query, setQuery] = useState('');
  const name = (speciesId: string, provisional: boolean, label: string) => {
    setOpen(false);
    void onPut(label, renamed(animal, speciesId, isoOf(Date.now()), provisional));
  };
  const found = matching(SPECIES, query).filter((s) => s.id !== animal.speciesId);
  return (
    <Section title="Which kind">
      {animal.provisional ? (
        <Txt tone="nitrite">
          {`Taken for ${speciesById(animal.speciesId).common} for the time being: judged as that until you know.`}
        </Txt>
      ) : null}
      {animal.takenFor?.map((t) => (
        <Line
          key={t.until}
          name={`Taken for ${speciesById(t.speciesId).common}`}
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
        <>
          <TextField
            label="The right kind"
            value={query}
            onChange={setQuery}
            placeholder="Common or scientific name"
          />
          {found.length === 0 ? <Txt tone="second">None by that name.</Txt> : null}
          {query.trim() === '' ? null : (
            <Choice
              label="Which one"
              stacked
              options={found
                .slice(0, SHOWN)
                .map((s) => ({ value: s.id, label: s.common, note: s.scientific }))}
              value=""
              onChange={(id) => name(id, false, `It is a ${speciesById(id).common}`)}
            />
          )}
        </>
      ) : null}
    </Section>
  );
}
