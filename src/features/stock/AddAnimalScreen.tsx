import { MINUTE_MS } from '../../../core/time';
import { useRouter, type Href } from 'expo-router';
import { useMemo, useState } from 'react';
import { IN, WISHED, type Animal, type Display } from '../../../core/document';
import { FREE_AMMONIA } from '../../../core/seawater';
import { followUpTasks } from '../../../core/arrivals';
import { additionWarnings, membersOf, type AdditionForecast, openLines } from '../../../core/company';
import { allSpecies, type Species } from '../../../core/species';
import { showQuantity, unitLabel } from '../../../core/units';
import {
  commit,
  isoOf,
  localDay,
  newId,
  selectAssessment,
  selectDocument,
  selectEvidence,
  selectWaters,
  useAppDispatch,
  useAppSelector,
  useKinds,
  useNow,
} from '../../store';
import { Button, Caution, FieldRow, Line, Row, Screen, Section, TextField, Txt } from '../../ui';
import { NotHere, useParam, useWords, WithDisplay } from '../shell';
import { REASON_MISSING, Risks, useRisks } from '../shell/guard';
import { Verdicts } from '../shell/company';
import { useAdditionPeaks } from '../shell/quietForecast';
import { TextEntry, useEntryForm, WhenEntry } from '../shell/form';
import { SaveButton } from '../shell/saving';
import { SpeciesFacts } from './SpeciesFacts';
import {
  readCount,
  readPurchase,
  type Purchase,
  type PurchaseFaults,
  type PurchaseTexts,
} from './animalForm';
import { mgNADay } from './model';

export function AddAnimalScreen() {
  return <WithDisplay>{(water) => <AddAnimal water={water} />}</WithDisplay>;
}

function AddAnimal({ water }: { water: Display }) {
  const id = useParam('species');
  const kinds = useKinds();
  const species = useMemo(() => allSpecies(kinds).find((s) => s.id === id), [kinds, id]);
  return species ? <SpeciesSheet key={id} water={water} species={species} /> : <NotHere what="species" />;
}

/** Peak of free ammonia in the weeks after: reckoned from the proof, and by the tank's own forecast. */
function FreeAmmonia({ forecast: { peakNh3MgN, likelyNh3MgN } }: { forecast: AdditionForecast }) {
  const tone = (mgN: number) => (mgN > FREE_AMMONIA.longTerm ? 'ammonia' : 'go');
  if (peakNh3MgN === null && likelyNh3MgN === null)
    return (
      <Txt kind="small" tone="second">
        Without a logged proof, and until the forecast is worked out, no peak of free ammonia can be
        predicted.
      </Txt>
    );
  const [low, mid, high] = likelyNh3MgN ?? [0, 0, 0];
  return (
    <>
      {peakNh3MgN === null ? null : (
        <Line
          name="Peak of free ammonia, by the proof"
          value={`${peakNh3MgN.toFixed(3)} mg/L NH₃-N`}
          tone={tone(peakNh3MgN)}
        />
      )}
      {likelyNh3MgN === null ? null : (
        <Line
          name="The same, by the forecast"
          value={
            high < 0.0005
              ? 'under 0.001 mg/L NH₃-N'
              : `likely ${mid.toFixed(3)} mg/L NH₃-N (${low.toFixed(3)} to ${high.toFixed(3)})`
          }
          tone={tone(high)}
        />
      )}
    </>
  );
}

/** What a species is like, what speaks against it in this tank now, and the ways to take it on. */
function SpeciesSheet({ water, species }: { water: Display; species: Species }) {
  const words = useWords();
  const { units } = words;
  const now = useNow(MINUTE_MS);
  const router = useRouter();
  const dispatch = useAppDispatch();
  const doc = useAppSelector(selectDocument);
  const evidence = useAppSelector((s) => selectEvidence(s, water.id, now));
  const assessment = useAppSelector((s) => selectAssessment(s, water.id, now));
  const others = useAppSelector(selectWaters).filter((w) => w.kind === 'display' && w.id !== water.id);
  const [id] = useState(newId);
  const form = useEntryForm({
    start: (): PurchaseTexts => ({ count: '1', split: {}, length: '', since: '', why: '' }),
    read: (texts) => readPurchase(texts, others, { lengthUnit: units.length, today: localDay(now) }),
    save: ({ purchase }) => take(purchase, false),
    done: () => router.push(`/water/${water.id}/stock/${id}` as Href),
    faultsFrom: 'typing',
  });
  const { split } = form.texts;
  const counted = readCount(form.texts.count);
  const count = counted.ok ? counted.value : 1;
  const faults: PurchaseFaults = form.now.ok ? {} : form.now.faults;
  const peaks = useAdditionPeaks(water.id, now);
  const { warnings, forecast } = useMemo(
    () =>
      additionWarnings(
        evidence,
        assessment,
        { id: '', species, count, stage: 'wish' },
        {
          others: membersOf(doc, water).filter((m) => m.stage !== 'wish'),
          lines: openLines(doc, water),
          dayOfMs: localDay,
          peaks,
        },
      ),
    [doc, water, evidence, assessment, species, count, peaks],
  );
  const stops = warnings.filter((w) => w.severity === 'no');
  const newcomer = useMemo(() => [{ speciesId: species.id, count, moves: [] }], [species.id, count]);
  const { risks, never } = useRisks(newcomer, water, now);
  const [asked, setAsked] = useState(false);
  /** It counts from the day it really joined: then it is told, and nothing is left to be guarded. */
  const told = (since: string | null) => since !== null && since < localDay(Date.now());
  const letIn = () => {
    const { since, why } = form.texts;
    const asks = risks.length > 0 && !told(since === '' ? null : since) && why.trim() === '';
    setAsked(asks);
    if (!asks) form.saveWith(({ purchase }) => take(purchase, true));
  };
  const take = ({ left, given, lengthCm, since, why }: Purchase, isIn: boolean) => {
    // At noon, where only the day is known.
    const joined = isIn && told(since);
    const at = joined ? new Date(`${since}T12:00:00`).toISOString() : isoOf(Date.now());
    const reason = !isIn ? '' : joined ? `In since then; entered on ${localDay(Date.now())}.` : why;
    const against = isIn && risks.length > 0 ? { against: risks.map((r) => r.code) } : {};
    const placeIn = (waterId: string) => (isIn ? IN(waterId) : WISHED);
    const animal: Animal = {
      id,
      homeId: water.id,
      speciesId: species.id,
      count: left,
      ...(lengthCm === null ? {} : { lengthCm }),
      moves: [{ to: placeIn(water.id), at, why: reason, ...against }],
      plannedDay: null,
    };
    return dispatch(
      commit(`${species.common} ${isIn ? 'in the display' : 'wished for'}`, [
        { put: 'animals', entity: animal },
        ...(isIn && !joined ? followUpTasks(evidence, [animal], water, localDay(Date.now()), newId) : []),
        ...given.map((g) => ({
          put: 'animals' as const,
          entity: {
            ...animal,
            id: newId(),
            homeId: g.waterId,
            count: g.count,
            moves: [{ to: placeIn(g.waterId), at, why: reason, ...against }],
          },
        })),
      ]),
    );
  };
  return (
    <Screen
      title={species.common}
      aside={
        <>
          <SpeciesFacts species={species} />
        </>
      }
    >
      <Txt kind="title" heading={1}>
        {species.common}
      </Txt>
      <FieldRow>
        <TextEntry form={form} name="count" numeric label="How many" />
        {species.load.kind === 'fish' ? (
          <TextEntry
            form={form}
            name="length"
            numeric
            label="Length"
            unit={unitLabel(units.length)}
            hint={`May be left empty: ${showQuantity('length', species.arrivalCm, units, 0)}, as usually sold.`}
          />
        ) : null}
        <WhenEntry
          form={form}
          name="since"
          kind="date"
          label="In since"
          hint="Where it joined before today."
        />
      </FieldRow>
      {others.length > 0 && count > 1 ? (
        <Section title="One purchase for several tanks">
          {others.map((t) => (
            <TextField
              key={t.id}
              numeric
              label={`Of these to ${t.name}`}
              value={split[t.id] ?? ''}
              onChange={(text) => form.change({ split: { ...split, [t.id]: text } })}
              error={faults[`split.${t.id}`]}
            />
          ))}
          <Txt kind="small" tone={faults.left ? 'ammonia' : 'second'}>
            {form.now.ok ? `${form.now.purchase.left} stay for ${water.name}.` : (faults.left ?? '')}
          </Txt>
        </Section>
      ) : null}
      {warnings.length === 0 ? (
        <Txt kind="section" tone="go">
          Nothing speaks against it today.
        </Txt>
      ) : null}
      <Verdicts of={warnings} />
      <Section title="What it would do to the load">
        <Line name="Now" value={mgNADay(forecast.presentMgN)} />
        <Line name="After" value={mgNADay(forecast.presentMgN + forecast.addedMgN)} />
        <FreeAmmonia forecast={forecast} />
      </Section>
      {species.group === 'coral' ? (
        <Caution>
          Some soft corals and their rock carry palytoxin: gloves and goggles, never boil or scrub dry, and
          seek medical help after contact.
        </Caution>
      ) : null}
      {asked ? (
        <>
          <Risks risks={risks} />
          <TextEntry form={form} name="why" label="Why all the same" />
          <Txt kind="small" tone="ammonia" live>
            {REASON_MISSING}
          </Txt>
        </>
      ) : null}
      <Row wrap>
        <SaveButton saving={form.saving} kind="primary" icon="add" label="Wish for it" onPress={form.save} />
        {never ? null : (
          <Button
            label={stops.length > 0 || asked ? 'It is in the display all the same' : 'It is in the display'}
            onPress={letIn}
          />
        )}
      </Row>
      {never ? <Risks risks={risks} /> : null}
      <Txt kind="small" tone="second">
        A wished animal can be booked into quarantine, dripped and let in from its own page.
      </Txt>
    </Screen>
  );
}
