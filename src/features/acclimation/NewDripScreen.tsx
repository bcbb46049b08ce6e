import { MINUTE_MS } from '../../../core/time';
import { useRouter, type Href } from 'expo-router';
import { useState } from 'react';
import { BAG_WAYS, isIn, placeOf, type Drip, type Purchase, type Water } from '../../../core/document';
import { ACCLIMATION_LIMITS, dripPlan, leastMinutes, NEAR_C } from '../../../core/acclimation';
import { lastOf, trusted } from '../../../core/evidence';
import { speciesById } from '../../../core/species';
import { animalWords, placeWords } from '../../../core/words';
import {
  formatDecimal,
  fromMgNPerL,
  toUnit,
  unitDecimals,
  unitLabel,
  showDifference,
  showQuantity,
} from '../../../core/units';
import {
  commit,
  newId,
  selectDocument,
  selectEvidence,
  useAppDispatch,
  useAppSelector,
  useNow,
} from '../../store';
import { Check, Line, FieldRow, Screen, Section, Txt } from '../../ui';
import { useParam, useUnits, WithWater } from '../shell';
import { CheckEntry, ChoiceEntry, TextEntry, toggled, useEntryForm } from '../shell/form';
import { SaveButton } from '../shell/saving';
import { BagAdvice, useBagAdvice, WAY_WORDS } from './BagAdvice';
import { CleanWaterPlan } from './CleanWaterPlan';
import { readDrip, type DripTexts } from './dripForm';

export function NewDripScreen() {
  return <WithWater>{(water) => <NewDrip water={water} />}</WithWater>;
}

/** What was noted of the bag when they were bought; nothing for others. */
const bagOf = (purchases: readonly Purchase[], asked: readonly string[]): Partial<Purchase['bag']> =>
  purchases
    .filter((p) => p.animalIds.some((id) => asked.includes(id)))
    .sort((a, b) => a.at.localeCompare(b.at))
    .pop()?.bag ?? {};

/** What came in the bag, what is in the tank, how fast it drips: and from that how long. */
function NewDrip({ water }: { water: Water }) {
  const units = useUnits();
  const now = useNow(MINUTE_MS);
  const router = useRouter();
  const dispatch = useAppDispatch();
  const doc = useAppSelector(selectDocument);
  const series = useAppSelector((s) => selectEvidence(s, water.id, now).series);
  const asked = useParam('animals').split(',').filter(Boolean);
  // A quarantine takes what is wished for by the displays it serves; any other water what is meant for it.
  const homes = water.kind === 'quarantine' ? water.serves : [water.id];
  const coming = Object.values(doc.animals).filter(
    (a) =>
      asked.includes(a.id) ||
      (homes.includes(a.homeId) &&
        !isIn(a, water.id) &&
        (placeOf(a).kind === 'wish' || (water.kind === 'display' && placeOf(a).kind === 'water'))),
  );
  const [chosen, setChosen] = useState<string[]>(() =>
    coming.filter((a) => asked.includes(a.id)).map((a) => a.id),
  );
  const startTexts = (): DripTexts => {
    const show = (unit: string, stored: number | undefined) =>
      stored === undefined ? '' : formatDecimal(toUnit(unit, stored), unitDecimals(unit));
    const bag = bagOf(Object.values(doc.purchases), asked);
    const plain = (stored: number | undefined, decimals: number) =>
      stored === undefined ? '' : formatDecimal(stored, decimals);
    const ammonia = bag.tanMgN === undefined ? undefined : fromMgNPerL('ammonia', 'ion', bag.tanMgN);
    return {
      bagSalinity: show(units.salinity, bag.salinity),
      bagTemp: show(units.temperature, bag.tempC),
      bagVolume: '',
      bagPh: plain(bag.ph, 2),
      bagAmmonia: plain(ammonia, 2),
      bagHours: plain(bag.hours, 1),
      tankSalinity: show(units.salinity, lastOf(trusted(series.salinity))?.interval.mid),
      tankTemp: show(units.temperature, lastOf(trusted(series.temperature))?.interval.mid),
      roomTemp: '',
      container: '',
      dropsPerSecond: '',
      dropsPerMl: '20',
      minutes: '',
      floating: false,
      way: '',
    };
  };
  const [id] = useState(newId);
  const form = useEntryForm({
    start: startTexts,
    read: (texts) =>
      readDrip(texts, {
        id,
        waterId: water.id,
        animalIds: chosen,
        units,
        known: {
          salinity: lastOf(trusted(series.salinity))?.interval.mid ?? null,
          tempC: lastOf(trusted(series.temperature))?.interval.mid ?? null,
        },
      }),
    save: ({ drip }) => dispatch(commit('Drip planned', [{ put: 'drips', entity: inItsWay(drip) }])),
    done: () => router.replace(`/water/${water.id}/drip/${id}` as Href),
    faultsFrom: 'typing',
  });
  const { now: read } = form;
  const found = useBagAdvice(water, read.ok ? read.drip : null);
  /** The way that was chosen, else the one proposed; a quick drip is quick unless its drops were set. */
  const inItsWay = (drip: Drip): Drip => {
    const way = drip.way ?? found?.way ?? 'slowDrip';
    const { dropsPerSecond, minutes } = form.texts;
    const unset = dropsPerSecond.trim() === '' && minutes.trim() === '';
    const quick = way === 'quickDrip' && unset ? ACCLIMATION_LIMITS.quickTimes.value : 1;
    return { ...drip, way, dropsPerSecond: drip.dropsPerSecond * quick };
  };
  const plan = read.ok ? dripPlan(inItsWay(read.drip)) : null;
  const species = coming.filter((a) => chosen.includes(a.id)).map((a) => speciesById(a.speciesId));
  const least = leastMinutes(species);
  const aim =
    plan?.readyMinutes === null || plan?.readyMinutes === undefined
      ? null
      : Math.max(plan.readyMinutes, least);
  const salt = unitLabel(units.salinity);
  const heat = unitLabel(units.temperature);
  const litres = unitLabel(units.volume);
  const sensitive = coming.filter(
    (a) => chosen.includes(a.id) && speciesById(a.speciesId).sensitivities.includes('salinity'),
  );
  return (
    <Screen
      title="Plan a drip"
      footer={
        <SaveButton
          saving={form.saving}
          kind="primary"
          icon="drip"
          label="Go to the drip"
          onPress={form.save}
        />
      }
      aside={
        <>
          <Txt kind="section" heading={2}>
            How long
          </Txt>
          {plan ? (
            <>
              <Txt kind="number">{aim === null ? 'over 4 h' : `${Math.ceil(aim)} min`}</Txt>
              {aim !== null && plan.readyMinutes !== null && aim > plan.readyMinutes ? (
                <Txt
                  kind="small"
                  tone="second"
                >{`Not less than ${least} minutes for them, however small the gap.`}</Txt>
              ) : null}
              {read.ok && read.assumed.length > 0 ? (
                <Txt
                  kind="small"
                  tone="nitrite"
                >{`Taken as usual, because nothing is written: ${read.assumed.join('; ')}.`}</Txt>
              ) : null}
              <Line
                name="Salinity within 0.001 SG"
                value={
                  plan.salinityReadyMinutes === null
                    ? 'not in 4 h'
                    : `${Math.ceil(plan.salinityReadyMinutes)} min`
                }
              />
              <Line
                name={`Temperature within ${showDifference('temperature', NEAR_C, units)}`}
                value={
                  plan.temperatureReadyMinutes === null
                    ? 'not in 4 h'
                    : `${Math.ceil(plan.temperatureReadyMinutes)} min`
                }
              />
              <Line
                name="Drip"
                value={`${read.ok ? read.drip.dropsPerSecond.toFixed(1) : ''} drops a second, ${showQuantity('volume', plan.litresPerHour, units, 2)} an hour`}
              />
              <Line
                name="Salt water to have ready"
                value={showQuantity('volume', (plan.litresPerHour * (aim ?? 90)) / 60, units, 1)}
              />
              <Line
                name="Pour off"
                value={
                  plan.pourOffMinutes.length === 0
                    ? 'not needed'
                    : `at ${plan.pourOffMinutes
                        .slice(0, 3)
                        .map((m) => `${Math.round(m)}`)
                        .join(', ')} min`
                }
              />
              {plan.temperatureReadyMinutes === null ? (
                <Txt tone="nitrite">An open container follows the room: it cools as it drips. Float it.</Txt>
              ) : null}
            </>
          ) : (
            <Txt tone="second">It appears when bag and tank are in.</Txt>
          )}
          <Txt kind="section" heading={2}>
            Which way
          </Txt>
          {read.ok ? <BagAdvice drip={read.drip} found={found} /> : null}
          {read.ok ? (
            <CleanWaterPlan water={water} drip={read.drip} asked={found?.advice.because.code} />
          ) : null}
        </>
      }
    >
      <Txt kind="title" heading={1}>
        Plan a drip
      </Txt>
      {coming.length === 0 ? (
        <Txt tone="second">No animal is wished for or in quarantine. Find one under Stock first.</Txt>
      ) : null}
      {coming.map((a) => (
        <Check
          key={a.id}
          label={animalWords(a)}
          note={placeWords(placeOf(a), doc.waters)}
          checked={chosen.includes(a.id)}
          onChange={(on) => setChosen(toggled(chosen, a.id, on))}
        />
      ))}
      {form.fault('animals') ? (
        <Txt tone="ammonia" live>
          {form.fault('animals')}
        </Txt>
      ) : null}
      {sensitive.length > 0 ? (
        <Txt tone="nitrite">{`${sensitive.map(animalWords).join(', ')}: very gradual change of salinity, an hour or more.`}</Txt>
      ) : null}
      <Section title="In the bag">
        <FieldRow>
          <TextEntry form={form} name="bagSalinity" numeric label="Bag salinity" unit={salt} />
          <TextEntry form={form} name="bagTemp" numeric label="Bag temperature" unit={heat} />
          <TextEntry form={form} name="bagVolume" numeric label="Water in the bag" unit={litres} />
        </FieldRow>
        <FieldRow>
          <TextEntry form={form} name="bagPh" numeric label="pH of the bag" />
          <TextEntry form={form} name="bagAmmonia" numeric label="Ammonia of the bag" unit="mg/L NH₄" />
          <TextEntry form={form} name="bagHours" numeric label="Hours in the bag" />
        </FieldRow>
        <Txt kind="small" tone="second">
          Whatever is left empty is taken as usual and said so. Bags float closed and are opened last.
        </Txt>
      </Section>
      <Section title="Tank and room">
        <FieldRow>
          <TextEntry form={form} name="tankSalinity" numeric label="Tank salinity" unit={salt} />
          <TextEntry form={form} name="tankTemp" numeric label="Tank temperature" unit={heat} />
          <TextEntry form={form} name="roomTemp" numeric label="Room temperature" unit={heat} />
        </FieldRow>
      </Section>
      <Section title="The drip">
        <FieldRow>
          <TextEntry form={form} name="container" numeric label="Container holds" unit={litres} />
          <TextEntry form={form} name="minutes" numeric label="In so many minutes" />
          <TextEntry form={form} name="dropsPerSecond" numeric label="Drops a second" />
          <TextEntry
            form={form}
            name="dropsPerMl"
            numeric
            label="Drops in a millilitre"
            hint="Count them into 10 mL once."
          />
        </FieldRow>
        <CheckEntry
          form={form}
          name="floating"
          label="The container floats in the tank or sump"
          note="An open bucket in a cool room ends colder than the tank."
        />
        <ChoiceEntry
          form={form}
          name="way"
          stacked
          label="Which way"
          options={[
            { value: '', label: `As proposed: ${WAY_WORDS[found?.way ?? 'slowDrip'].toLowerCase()}` },
            ...BAG_WAYS.map((value) => ({ value, label: WAY_WORDS[value] })),
          ]}
        />
      </Section>
    </Screen>
  );
}
