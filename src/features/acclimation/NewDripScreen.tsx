import { compared, MINUTE_MS } from '../../../core/time';
import { useRouter, type Href } from 'expo-router';
import { useEffect, useRef, useState } from 'react';
import {
  BAG_WAYS,
  isIn,
  placeOf,
  waterOf,
  type Drip,
  type Purchase,
  type Water,
} from '../../../core/document';
import { ACCLIMATION_LIMITS, dripPlan, leastMinutes, type Because } from '../../../core/acclimation';
import { lastOf, trusted, type WaterEvidence } from '../../../core/evidence';
import { speciesOf } from '../../../core/species';
import { animalWords, placeWords } from '../../../core/words';
import { formatDecimal, fromMgNPerL, toUnit, unitDecimals, unitLabel } from '../../../core/units';
import {
  commit,
  newId,
  selectDocument,
  selectEvidence,
  useAppDispatch,
  useAppSelector,
  useNow,
} from '../../store';
import { Check, FieldRow, Screen, Section, Txt } from '../../ui';
import { useParam, useUnits, WithWater } from '../shell';
import { CheckEntry, ChoiceEntry, TextEntry, toggled, useEntryForm } from '../shell/form';
import { SaveButton } from '../shell/saving';
import { BagAdvice, useBagAdvice, WAY_WORDS } from './BagAdvice';
import { CleanWaterPlan, wantsCleanWater } from './CleanWaterPlan';
import { readDrip, type DripTexts } from './dripForm';
import { HowLong } from './HowLong';

export function NewDripScreen() {
  return <WithWater>{(water) => <NewDrip water={water} />}</WithWater>;
}

/** What was noted of the bag when they were bought; nothing for others. */
const bagOf = (purchases: readonly Purchase[], asked: readonly string[]): Partial<Purchase['bag']> =>
  purchases
    .filter((p) => p.animalIds.some((id) => asked.includes(id)))
    .sort((a, b) => compared(a.at, b.at))
    .pop()?.bag ?? {};

/** What the newest readings say, where they are trusted. */
const knownOf = (series: WaterEvidence['series']) => ({
  salinity: lastOf(trusted(series.salinity))?.interval.mid ?? null,
  tempC: lastOf(trusted(series.temperature))?.interval.mid ?? null,
});

/** What came in the bag, what is in the tank, how fast it drips: and from that how long. */
function NewDrip({ water }: { water: Water }) {
  const units = useUnits();
  const now = useNow(MINUTE_MS);
  const router = useRouter();
  const dispatch = useAppDispatch();
  const doc = useAppSelector(selectDocument);
  const series = useAppSelector((s) => selectEvidence(s, water.id, now).series);
  const named = useParam('animals').split(',').filter(Boolean);
  // A quarantine takes what is wished for by the displays it serves; any other water what is meant for it.
  const homes = water.kind === 'quarantine' ? water.serves : [water.id];
  const coming = Object.values(doc.animals).filter(
    (a) =>
      named.includes(a.id) ||
      (homes.includes(a.homeId) &&
        !isIn(a, water.id) &&
        (placeOf(a).kind === 'wish' || (water.kind === 'display' && placeOf(a).kind === 'water'))),
  );
  const [chosen, setChosen] = useState<string[]>(() =>
    coming.filter((a) => named.includes(a.id)).map((a) => a.id),
  );
  const startTexts = (): DripTexts => {
    const show = (unit: string, stored: number | undefined) =>
      stored === undefined ? '' : formatDecimal(toUnit(unit, stored), unitDecimals(unit));
    const bag = bagOf(Object.values(doc.purchases), named);
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
  // Who comes from a water of one's own comes in that water.
  const sources = new Set(coming.filter((a) => chosen.includes(a.id)).map((a) => waterOf(placeOf(a)) ?? ''));
  const [sourceId = ''] = sources.size === 1 ? [...sources] : [];
  const source = doc.waters[sourceId];
  const sourceSeries = useAppSelector((s) => (source ? selectEvidence(s, source.id, now).series : null));
  const [id] = useState(newId);
  const because = useRef<Because['code'] | undefined>(undefined);
  const readTexts = (texts: DripTexts) =>
    readDrip(texts, {
      id,
      waterId: water.id,
      animalIds: chosen,
      units,
      known: knownOf(series),
      ...(sourceSeries ? { cameFrom: knownOf(sourceSeries) } : {}),
    });
  const form = useEntryForm({
    start: startTexts,
    // What the bag's chemistry says is known only once it is read.
    read: (texts) => {
      const said = readTexts(texts);
      return said.ok && texts.way === '' && wantsCleanWater(said.drip, because.current)
        ? {
            ok: false as const,
            faults: {
              way: 'Too much for one session: plan the days over clean water, or choose a way all the same.',
            },
          }
        : said;
    },
    save: ({ drip }) => dispatch(commit('Drip planned', [{ put: 'drips', entity: inItsWay(drip) }])),
    done: () => router.replace(`/water/${water.id}/drip/${id}` as Href),
    faultsFrom: 'typing',
  });
  const read = readTexts(form.texts);
  const found = useBagAdvice(water, read.ok ? read.drip : null);
  const asked = found?.advice.because.code;
  useEffect(() => {
    because.current = asked;
  }, [asked]);
  const overClean = read.ok && wantsCleanWater(read.drip, asked);
  /** The way that was chosen, else the one proposed; a quick drip is quick unless its drops were set. */
  const inItsWay = (drip: Drip): Drip => {
    const way = drip.way ?? found?.way ?? 'slowDrip';
    const { dropsPerSecond, minutes } = form.texts;
    const unset = dropsPerSecond.trim() === '' && minutes.trim() === '';
    const quick = way === 'quickDrip' && unset ? ACCLIMATION_LIMITS.quickTimes.value : 1;
    return { ...drip, way, dropsPerSecond: drip.dropsPerSecond * quick };
  };
  const species = coming.filter((a) => chosen.includes(a.id)).map((a) => speciesOf(doc, a.speciesId));
  const least = leastMinutes(species);
  const salt = unitLabel(units.salinity);
  const heat = unitLabel(units.temperature);
  const litres = unitLabel(units.volume);
  const sensitive = coming.filter(
    (a) => chosen.includes(a.id) && speciesOf(doc, a.speciesId).sensitivities.includes('salinity'),
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
          {read.ok && overClean ? (
            <Txt tone="nitrite">More than one session: see the days over clean water.</Txt>
          ) : read.ok ? (
            <HowLong drip={inItsWay(read.drip)} plan={dripPlan(inItsWay(read.drip))} least={least} />
          ) : (
            <Txt tone="second">It appears when bag and tank are in.</Txt>
          )}
          {read.ok && source && read.logged.length > 0 ? (
            <Txt
              kind="small"
              tone="second"
            >{`From the log of ${source.name}: ${read.logged.join('; ')}.`}</Txt>
          ) : null}
          {read.ok && read.assumed.length > 0 ? (
            <Txt
              kind="small"
              tone="nitrite"
            >{`Taken as usual, because nothing is written: ${read.assumed.join('; ')}.`}</Txt>
          ) : null}
          <Txt kind="section" heading={2}>
            Which way
          </Txt>
          {read.ok ? <BagAdvice drip={read.drip} found={found} /> : null}
          {read.ok ? <CleanWaterPlan water={water} drip={read.drip} asked={asked} /> : null}
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
          label={animalWords(doc, a)}
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
        <Txt tone="nitrite">{`${sensitive.map((a) => animalWords(doc, a)).join(', ')}: very gradual change of salinity, an hour or more.`}</Txt>
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
          Whatever is left empty is taken from the log of the water they come from, else as usual, and said
          so. Bags float closed and are opened last.
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
            {
              value: '',
              label: `As proposed: ${overClean ? 'over clean water, day by day' : WAY_WORDS[found?.way ?? 'slowDrip'].toLowerCase()}`,
            },
            ...BAG_WAYS.map((value) => ({ value, label: WAY_WORDS[value] })),
          ]}
        />
        {form.fault('way') ? (
          <Txt tone="ammonia" live>
            {form.fault('way')}
          </Txt>
        ) : null}
      </Section>
    </Screen>
  );
}
