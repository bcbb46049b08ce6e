import { useRouter, type Href } from 'expo-router';
import { useRef, useState } from 'react';
import { shallowEqual } from 'react-redux';
import { isOpen, livingIn, type Drip, type Edit, type Task, type Water } from '../../../core/document';
import { ACCLIMATION_LIMITS, cleanWaterDays, type Because } from '../../../core/acclimation';
import { speciesOf } from '../../../core/species';
import { addDays } from '../../../core/time';
import { readEntry, showQuantity, toUnit, unitLabel, formatDecimal } from '../../../core/units';
import { lineFits } from '../../../core/quarantine';
import {
  commit,
  localDay,
  newId,
  selectDocument,
  selectVolume,
  selectWaters,
  shortWrittenDay,
  useAppDispatch,
  useAppSelector,
} from '../../store';
import { Go, Section, Txt } from '../../ui';
import { useUnits } from '../shell';
import { ChoiceEntry, TextEntry, useEntryForm } from '../shell/form';
import { SaveButton } from '../shell/saving';

/** Where the gap is too large for one session: clean water of the bag's own salinity, and a part a day, as tasks of their days. */
export function CleanWaterPlan({
  water,
  drip,
  asked,
}: {
  water: Water;
  drip: Drip;
  /** What the bag's chemistry says, where it is known. */
  asked: Because['code'] | undefined;
}) {
  return wantsCleanWater(drip, asked) ? (
    <Plan key={drip.animalIds.join()} water={water} drip={drip} tooMuch={tooMuch(drip)} />
  ) : null;
}

/** Saltier by more than one session may raise. */
const tooMuch = ({ bag, water }: Drip): boolean =>
  water.salinity - bag.salinity > ACCLIMATION_LIMITS.mostRisePpt.value;

/** One session is not enough: for the salt, or for what is in the bag. */
export const wantsCleanWater = (drip: Drip, asked: Because['code'] | undefined): boolean =>
  asked === 'cleanWaterFirst' || tooMuch(drip);

function Plan({ water, drip, tooMuch }: { water: Water; drip: Drip; tooMuch: boolean }) {
  const units = useUnits();
  const router = useRouter();
  const dispatch = useAppDispatch();
  const doc = useAppSelector(selectDocument);
  const species = drip.animalIds.flatMap((id) => {
    const animal = doc.animals[id];
    return animal ? [speciesOf(doc, animal.speciesId)] : [];
  });
  const places = useAppSelector(selectWaters).filter(
    (w) =>
      w.id !== water.id &&
      isOpen(w) &&
      // Whoever lives in it would have to bear the bag's salinity.
      livingIn(doc, w.id).every((a) => drip.animalIds.includes(a.id)) &&
      (w.kind === 'holding' || (w.kind === 'quarantine' && species.every((s) => lineFits(w.line, s)))),
  );
  const [first] = places;
  const volumes = useAppSelector((s) => places.map((w) => selectVolume(s, w.id).netL), shallowEqual);
  const netLOf = (waterId: string) => volumes[places.findIndex((w) => w.id === waterId)];
  const salt = (ppt: number) => showQuantity('salinity', ppt, units);
  const litres = (l: number) => showQuantity('volume', l, units, 1);
  const [id] = useState(newId);
  const waitsIn = useRef('');
  const form = useEntryForm({
    start: { to: first?.id ?? '', litres: '' },
    read: (texts) => {
      const to = doc.waters[texts.to];
      const entry = readEntry(texts.litres, {
        name: 'Clean water',
        unit: units.volume,
        min: 0,
        max: 2000,
        above: true,
        ...(to ? { whenEmpty: netLOf(to.id) ?? 0 } : {}),
      });
      if (!to) return { ok: false as const, faults: { to: 'Choose the water they wait in.' } };
      if (!entry.ok) return { ok: false as const, faults: { litres: entry.message } };
      const days = cleanWaterDays({
        fromPpt: drip.bag.salinity,
        toPpt: drip.water.salinity,
        litres: entry.value,
      });
      return { ok: true as const, to, litres: entry.value, days };
    },
    save: ({ to, days, litres: inAll }) => {
      waitsIn.current = to.id;
      const today = localDay(Date.now());
      const task = (day: number, title: string, note: string): Edit => ({
        put: 'tasks',
        entity: {
          id: newId(),
          waterId: to.id,
          day: addDays(today, day),
          title: title.slice(0, 80),
          note,
          doneAt: null,
          animalIds: drip.animalIds,
        } satisfies Task,
      });
      return dispatch(
        commit('Way over clean water planned', [
          task(
            0,
            `Mix ${litres(inAll)} of ${salt(drip.bag.salinity)}`,
            'As warm as the display and tested free of ammonia, before the bag is opened.',
          ),
          ...days.map((d) =>
            task(
              d.day,
              `Bring ${to.name} to ${salt(d.salinity)}`,
              `Take ${litres(d.litres)} out and put as much of ${salt(d.with)} in, slowly. Only while they breathe calmly; else wait a day.`,
            ),
          ),
          {
            put: 'drips',
            entity: {
              ...drip,
              id,
              waterId: to.id,
              way: 'temperatureOnly',
              water: { salinity: drip.bag.salinity, tempC: drip.water.tempC },
            },
          },
        ]),
      );
    },
    done: () => router.replace(`/water/${waitsIn.current}/drip/${id}` as Href),
  });
  const { now } = form;
  const netL = netLOf(form.texts.to);
  return (
    <Section title="Over clean water">
      <Txt tone="nitrite">
        {tooMuch
          ? [
              `${salt(drip.bag.salinity)} in the bag, ${salt(drip.water.salinity)} here:`,
              `salinity is never raised by more than ${ACCLIMATION_LIMITS.mostRisePpt.value} ppt in one session.`,
            ].join(' ')
          : 'Too much for this bag: its ammonia turns free while the salt is matched.'}
      </Txt>
      {places.length === 0 ? (
        <>
          <Txt>It takes a water of its own, mixed to the bag’s salinity.</Txt>
          <Go href={'/water/new?kind=holding' as Href}>Open a holding container</Go>
        </>
      ) : (
        <>
          <ChoiceEntry
            form={form}
            name="to"
            stacked
            label="They wait in"
            options={places.map((w) => ({ value: w.id, label: w.name }))}
          />
          <TextEntry
            form={form}
            name="litres"
            numeric
            label="Clean water in it"
            unit={unitLabel(units.volume)}
            placeholder={netL === undefined ? '' : formatDecimal(toUnit(units.volume, netL), 0)}
          />
          {now.ok
            ? now.days.map((d) => (
                <Txt key={d.day} kind="small">
                  {`${shortWrittenDay(addDays(localDay(Date.now()), d.day))}: to ${salt(d.salinity)}, ${litres(d.litres)} out and as much of ${salt(d.with)} in`}
                </Txt>
              ))
            : null}
          <SaveButton saving={form.saving} icon="keep" label="Plan these days" onPress={form.save} />
        </>
      )}
    </Section>
  );
}
