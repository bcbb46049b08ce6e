import { useState } from 'react';
import type { Animal } from '../../../core/document';
import { speciesById } from '../../../core/species';
import { readEntry } from '../../../core/units';
import { localDay, shortWrittenDay } from '../../store';
import { Button, FieldRow, Line, Section, TextField, Txt, WhenField } from '../../ui';

/** The look into each animal on arrival, counted, and whether it is only on loan. */
export function Arrival({
  animal,
  onPut,
}: {
  animal: Animal;
  onPut: (label: string, entity: Animal) => void;
}) {
  const species = speciesById(animal.speciesId);
  const [aside, setAside] = useState('0');
  const [from, setFrom] = useState('');
  const [due, setDue] = useState('');
  const [fault, setFault] = useState<string | null>(null);
  const entry = readEntry(aside, { name: 'Set aside', unit: null, min: 0, max: animal.count, whole: true });
  const { inspection, loan } = animal;
  const lend = () => {
    if (from.trim() === '' || from.length > 80) setFault('Say whose it is, in 80 characters at most.');
    else if (!/^\d{4}-\d{2}-\d{2}$/.test(due)) setFault('Choose the day it goes back.');
    else {
      setFault(null);
      onPut('Loan noted', { ...animal, loan: { from: from.trim(), dueDay: due, returnedDay: null } });
    }
  };
  return (
    <Section title="On arrival">
      {inspection ? (
        <Line
          name={`Inspected ${shortWrittenDay(inspection.day)}`}
          value={`${inspection.sound} sound, ${inspection.setAside} set aside`}
        />
      ) : (
        <>
          <Txt kind="small" tone="second">
            {species.crew
              ? 'Look into each shell: parasitic snails at the lip, egg jelly, an empty one.'
              : 'Look at each from all sides before it goes in: pests, eggs, torn fins, spots.'}
          </Txt>
          <FieldRow>
            <TextField
              numeric
              label="Set aside"
              unit={`of ${animal.count}`}
              value={aside}
              onChange={setAside}
              error={entry.ok ? null : entry.message}
            />
          </FieldRow>
          <Button
            label="All looked at"
            onPress={() => {
              if (!entry.ok) return;
              onPut('Inspection logged', {
                ...animal,
                inspection: {
                  day: localDay(Date.now()),
                  sound: animal.count - entry.value,
                  setAside: entry.value,
                },
              });
            }}
          />
        </>
      )}
      {loan ? (
        <>
          <Line
            name={`On loan from ${loan.from}`}
            value={
              loan.returnedDay
                ? `back ${shortWrittenDay(loan.returnedDay)}`
                : `until ${shortWrittenDay(loan.dueDay)}`
            }
          />
          {loan.returnedDay ? null : (
            <Button
              kind="quiet"
              label="Given back today"
              onPress={() =>
                onPut('Given back', { ...animal, loan: { ...loan, returnedDay: localDay(Date.now()) } })
              }
            />
          )}
        </>
      ) : (
        <>
          <FieldRow>
            <TextField
              label="On loan from"
              value={from}
              onChange={setFrom}
              placeholder="Nobody: it is yours"
            />
            <WhenField kind="date" label="Goes back" value={due} onChange={setDue} />
          </FieldRow>
          {fault ? (
            <Txt tone="ammonia" kind="small" live>
              {fault}
            </Txt>
          ) : null}
          {from !== '' ? <Button kind="quiet" label="Note the loan" onPress={lend} /> : null}
        </>
      )}
    </Section>
  );
}
