import { View } from 'react-native';
import { editsToInspect, type Found, type OneFound } from '../../../core/arrivals';
import { FOUND_ON_ARRIVAL, FOUND_TO_BE, type Animal, type Edit } from '../../../core/document';
import { speciesOf } from '../../../core/species';
import { isoOf, localDay, newId, shortWrittenDay, type Outcome, useKinds } from '../../store';
import { Button, Check, Choice, FieldRow, Line, Row, Section, Txt } from '../../ui';
import { TextEntry, toggled, useEntryForm, WhenEntry } from '../shell/form';
import { SaveButton } from '../shell/saving';
import { readLoan, readTally, type TallyTexts } from './animalForm';

/** What may be found, and what to do with those set aside for it. */
const FOUND: Record<Found, { label: string; what: string }> = {
  parasites: {
    label: 'Parasites',
    what: 'Parasites were seen: keep them in their own water, look daily, and ask the label or a vet; none of their water goes on.',
  },
  eggs: {
    label: 'Eggs or jelly',
    what: 'Eggs were seen: take them off with the shell or plug they sit on, throw them away, and look again for two weeks.',
  },
  shellOrFoot: {
    label: 'Shell or foot hurt',
    what: 'Shell or foot is hurt: calm clean water, nothing that climbs on it, and a look each day whether it holds.',
  },
  tissue: {
    label: 'Tissue hurt',
    what: 'Tissue recedes: low light, gentle flow, apart from the others; cut or dip only as its label and a keeper who knows say.',
  },
  weak: {
    label: 'Weak',
    what: 'Weak: keep apart in calm water of the same salinity, and let it go on only once it is sound.',
  },
};

/** More than this is counted, not listed. */
const MOST_ONE_BY_ONE = 20;
const AS_WORDS: Record<OneFound['as'], string> = { sound: 'Sound', setAside: 'Set aside', dead: 'Dead' };

/** Each animal with what it was found to be. */
function OneByOne({ each, onChange }: { each: readonly OneFound[]; onChange: (each: OneFound[]) => void }) {
  const put = (i: number, one: OneFound) => onChange(each.map((was, k) => (k === i ? one : was)));
  return (
    <>
      {each.map((one, i) => (
        <View key={i}>
          <Choice
            label={`Number ${i + 1}`}
            options={FOUND_TO_BE.map((value) => ({ value, label: AS_WORDS[value] }))}
            value={one.as}
            onChange={(as) => put(i, { ...one, as })}
          />
          {one.as === 'sound' ? null : (
            <Row wrap>
              {FOUND_ON_ARRIVAL.map((f) => (
                <Check
                  key={f}
                  label={FOUND[f].label}
                  checked={one.found.includes(f)}
                  onChange={(on) => put(i, { ...one, found: toggled(one.found, f, on) })}
                />
              ))}
            </Row>
          )}
        </View>
      ))}
    </>
  );
}

/** The look into each animal on arrival, counted, and whether it is only on loan. */
export function Arrival({
  animal,
  onPut,
  onAct,
  onGivenBack,
}: {
  animal: Animal;
  onAct: (label: string, edits: readonly Edit[]) => Promise<Outcome>;
  onPut: (label: string, entity: Animal) => Promise<Outcome>;
  /** The whole group goes back to whose it is. */
  onGivenBack: () => void;
}) {
  const species = speciesOf(useKinds(), animal.speciesId);
  const looked = useEntryForm({
    start: (): TallyTexts => ({ aside: '0', dead: '0', found: [], each: [] }),
    read: (texts) => readTally(texts, animal.count),
    save: ({ tally }) =>
      onAct(
        'Inspection logged',
        editsToInspect(animal, tally, {
          at: isoOf(Date.now()),
          today: localDay(Date.now()),
          asideId: newId(),
          deadId: newId(),
        }),
      ),
    faultsFrom: 'typing',
  });
  const { found, each } = looked.texts;
  const lending = useEntryForm({
    start: { loanFrom: '', loanDue: '' },
    read: readLoan,
    save: ({ loan }) => onPut('Loan noted', { ...animal, loan: { ...loan, returnedDay: null } }),
  });
  const { inspection, loan } = animal;
  return (
    <Section title="On arrival">
      {inspection ? (
        <>
          <Line
            name={`Inspected ${shortWrittenDay(inspection.day)}`}
            value={`${inspection.sound} sound, ${inspection.setAside} set aside${inspection.dead ? `, ${inspection.dead} dead` : ''}`}
          />
          {animal.asideSince === undefined ? null : (
            <>
              <Txt
                kind="strong"
                tone="nitrite"
              >{`Set aside since ${shortWrittenDay(animal.asideSince)}`}</Txt>
              {(inspection.found ?? []).map((f) => (
                <Txt key={f}>{FOUND[f].what}</Txt>
              ))}
              {(inspection.found ?? []).length === 0 ? <Txt>{FOUND.weak.what}</Txt> : null}
              <Button
                kind="quiet"
                label="It is sound now"
                onPress={() => {
                  const { asideSince: _, ...sound } = animal;
                  void onPut('Sound now', sound);
                }}
              />
            </>
          )}
        </>
      ) : (
        <>
          <Txt kind="small" tone="second">
            {species.crew
              ? 'Look into each shell: parasitic snails at the lip, egg jelly, an empty one.'
              : 'Look at each from all sides before it goes in: pests, eggs, torn fins, spots.'}
          </Txt>
          {each.length > 0 ? (
            <OneByOne each={each} onChange={(next) => looked.change({ each: next })} />
          ) : (
            <>
              <FieldRow>
                <TextEntry form={looked} name="aside" numeric label="Set aside" unit={`of ${animal.count}`} />
                <TextEntry
                  form={looked}
                  name="dead"
                  numeric
                  label="Dead on arrival"
                  unit={`of ${animal.count}`}
                />
              </FieldRow>
              <Row wrap>
                {FOUND_ON_ARRIVAL.map((f) => (
                  <Check
                    key={f}
                    label={FOUND[f].label}
                    checked={found.includes(f)}
                    onChange={(on) => looked.change({ found: toggled(found, f, on) })}
                  />
                ))}
              </Row>
              {animal.count > 1 && animal.count <= MOST_ONE_BY_ONE ? (
                <Row>
                  <Button
                    kind="quiet"
                    label="Look at them one by one"
                    onPress={() =>
                      looked.change({
                        each: Array.from({ length: animal.count }, (): OneFound => ({
                          as: 'sound',
                          found: [],
                        })),
                      })
                    }
                  />
                </Row>
              ) : null}
            </>
          )}
          <Txt kind="small" tone="second">
            The sound ones go on as this group; what is set aside becomes a group of its own.
          </Txt>
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
