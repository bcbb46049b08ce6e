import type { Animal } from '../../../core/document';
import { speciesById } from '../../../core/species';
import { localDay, shortWrittenDay, type Outcome } from '../../store';
import { Button, FieldRow, Line, Section, Txt } from '../../ui';
import { TextEntry, useEntryForm, WhenEntry } from '../shell/form';
import { SaveButton } from '../shell/saving';
import { readLoan, readSetAside } from './animalForm';

/** The look into each animal on arrival, counted, and whether it is only on loan. */
export function Arrival({
  animal,
  onPut,
  onGivenBack,
}: {
  animal: Animal;
  onPut: (label: string, entity: Animal) => Promise<Outcome>;
  /** The whole group goes back to whose it is. */
  onGivenBack: () => void;
}) {
  const species = speciesById(animal.speciesId);
  const looked = useEntryForm({
    start: { aside: '0' },
    read: (texts) => readSetAside(texts, animal.count),
    save: ({ setAside }) =>
      onPut('Inspection logged', {
        ...animal,
        inspection: { day: localDay(Date.now()), sound: animal.count - setAside, setAside },
      }),
    faultsFrom: 'typing',
  });
  const lending = useEntryForm({
    start: { loanFrom: '', loanDue: '' },
    read: readLoan,
    save: ({ loan }) => onPut('Loan noted', { ...animal, loan: { ...loan, returnedDay: null } }),
  });
  const { inspection, loan } = animal;
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
            <TextEntry form={looked} name="aside" numeric label="Set aside" unit={`of ${animal.count}`} />
          </FieldRow>
          <SaveButton saving={looked.saving} icon="keep" label="All looked at" onPress={looked.save} />
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
          {loan.returnedDay ? null : <Button kind="quiet" label="Given back today" onPress={onGivenBack} />}
        </>
      ) : (
        <>
          <FieldRow>
            <TextEntry
              form={lending}
              name="loanFrom"
              label="On loan from"
              placeholder="Nobody: it is yours"
            />
            <WhenEntry form={lending} name="loanDue" kind="date" label="Goes back" />
          </FieldRow>
          {lending.texts.loanFrom !== '' ? (
            <SaveButton saving={lending.saving} kind="quiet" label="Note the loan" onPress={lending.save} />
          ) : null}
        </>
      )}
    </Section>
  );
}
