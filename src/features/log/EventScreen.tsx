import { INCIDENT_WORDS, sentence } from '../../../core/words';
import { useRouter, type Href } from 'expo-router';
import { useState } from 'react';
import { z } from 'zod';
import {
  CLARITIES,
  DOSED,
  FILMS,
  FOODS,
  INCIDENTS,
  PARAMETER_NAMES,
  SEEDS,
  SMELLS,
  SOUNDS,
  type Edit,
  type Water,
  type WaterEvent,
} from '../../../core/document';
import { doseGuard } from '../../../core/dosing';
import { ammoniaAtMost, lastOf, type Point } from '../../../core/evidence';
import { addDays, DAY_MS, HOUR_MS, MINUTE_MS } from '../../../core/time';
import { toMgNPerL, parseDecimal, unitLabel } from '../../../core/units';
import {
  agoWords,
  commit,
  dayAndHour,
  fieldTime,
  localDay,
  newId,
  readFieldTime,
  selectEvidence,
  selectVolume,
  useAppDispatch,
  useAppSelector,
  useNow,
  type Outcome,
  type Seen,
} from '../../store';
import { Button, Caution, FieldRow, Go, Screen, Txt } from '../../ui';
import { useParam, useWords, WithWater } from '../shell';
import { CheckEntry, ChoiceEntry, TextEntry, useEntryForm, WhenEntry } from '../shell/form';
import { Attach, photoEdits, type Kept } from '../shell/photos';
import { SaveButton, useLastSeen } from '../shell/saving';
import {
  amountOf,
  awayQuestion,
  emptyEvent,
  eventTextsOf,
  keepingAmounts,
  LOGGABLE,
  PURPOSES,
  readEvent,
  type EventTexts,
} from './eventForm';
import {
  CLARITY_WORDS,
  DOSED_WORDS,
  EVENT_WORDS,
  eventWords,
  FILM_WORDS,
  FOOD_WORDS,
  SEED_WORDS,
  SMELL_WORDS,
  SOUND_WORDS,
} from './eventWords';
import { corrected } from './entries';
import { DeleteEntry, RecentEntries } from './History';
import { capital } from './sampleForm';

const kindParam = z.enum(LOGGABLE).catch('note');

/** From a change to the test that shows what it did. */
const AFTER_CHANGE_MS = HOUR_MS;

/** What to test before the change, by what it is for. */
function beforeWords(purpose: (typeof PURPOSES)[number], last: Point | undefined, now: number): string {
  const name = PARAMETER_NAMES[purpose === 'routine' ? 'nitrate' : purpose];
  if (!last) return `Test ${name} before the change: it was never read here.`;
  const fresh = now - last.atMs < DAY_MS;
  return fresh
    ? `${capital(name)} before it: ${last.text}, ${agoWords(last.atMs, now)}. Test again an hour after.`
    : `The last ${name} is ${last.text}, ${agoWords(last.atMs, now)}: test before the change, and an hour after.`;
}

/** A sheet for each entry and each kind: going from one to the next begins anew. */
export function EventScreen() {
  const entry = `${useParam('edit')} ${useParam('kind')}`;
  return <WithWater>{(water) => <EventSheet key={`${water.id} ${entry}`} water={water} />}</WithWater>;
}

/** Logs or corrects one event. */
function EventSheet({ water }: { water: Water }) {
  const words = useWords();
  const { units } = words;
  const router = useRouter();
  const dispatch = useAppDispatch();
  const now = useNow(MINUTE_MS);
  const editId = useParam('edit');
  const kind = kindParam.parse(useParam('kind'));
  const netL = useAppSelector((s) => selectVolume(s, water.id).netL);
  const edited = useLastSeen(
    editId,
    useAppSelector((s) =>
      editId && Object.hasOwn(s.document.entities.events, editId)
        ? s.document.entities.events[editId]
        : undefined,
    ),
  );
  const present = useAppSelector((s) => ammoniaAtMost(selectEvidence(s, water.id, now)));
  const living = useAppSelector((s) => selectEvidence(s, water.id, now).isInhabited);
  const series = useAppSelector((s) => selectEvidence(s, water.id, now).series);
  const [shown] = useState<EventTexts>(
    () => (edited && eventTextsOf(edited, netL, units, fieldTime)) || emptyEvent(kind),
  );
  const [pictures, setPictures] = useState<Kept[]>([]);
  const form = useEntryForm({
    start: shown,
    read: (texts) =>
      readEvent(texts, {
        id: edited?.id ?? newId(),
        waterId: water.id,
        netL,
        units,
        nowMs: Date.now(),
        readTime: readFieldTime,
      }),
    save: ({ event }, seen) => log(event, seen),
    done: () => router.push((edited ? `/water/${water.id}/log/history` : `/water/${water.id}`) as Href),
    base: edited ? { collection: 'events', entity: edited } : undefined,
  });
  const { texts, change } = form;
  const amount = amountOf(texts.kind, units, texts.what);
  const typed = parseDecimal(texts.amount);
  const guard =
    texts.kind === 'ammoniaDose' && typed.ok && !edited
      ? doseGuard(toMgNPerL('ammonia', 'ion', typed.value), present)
      : null;
  const log = (event: WaterEvent, seen: readonly Seen[]): Promise<Outcome> => {
    const reminder: Edit[] =
      !edited && event.kind === 'food' && event.food === 'seafood'
        ? [
            {
              put: 'tasks',
              entity: {
                id: newId(),
                waterId: water.id,
                day: addDays(localDay(Date.parse(event.at)), living ? 0 : 5),
                title: 'Take the seafood out',
                note: 'Then log it under Seafood out; what stays goes on rotting.',
                doneAt: null,
              },
            },
          ]
        : [];
    const nowIso = new Date().toISOString();
    const entity = edited
      ? {
          ...keepingAmounts(edited, shown, texts, event),
          editedAt: nowIso,
          corrections: corrected(
            edited,
            [dayAndHour(Date.parse(edited.at)), eventWords(edited, netL, units), edited.note]
              .filter(Boolean)
              .join(' · '),
            nowIso,
          ),
        }
      : event;
    if (!edited && event.kind === 'waterChange' && texts.purpose !== 'routine')
      reminder.push({
        put: 'tasks',
        entity: {
          id: newId(),
          waterId: water.id,
          day: localDay(Date.parse(event.at) + AFTER_CHANGE_MS),
          title: `Test ${PARAMETER_NAMES[texts.purpose]} after the change`,
          note: 'What it did is seen when the water has mixed.',
          doneAt: null,
        },
      });
    return dispatch(
      commit(
        `${EVENT_WORDS[event.kind]} ${edited ? 'corrected' : 'logged'}`,
        [
          ...reminder,
          { put: 'events', entity },
          ...photoEdits(pictures, { kind: 'event', id: entity.id }, water.id, entity.at),
        ],
        { seen },
      ),
    );
  };
  const options = <T extends string>(list: readonly T[], words: Record<T, string>) =>
    list.map((value) => ({ value, label: words[value] }));

  return (
    <Screen
      title={EVENT_WORDS[texts.kind]}
      aside={<RecentEntries water={water} />}
      footer={
        <SaveButton
          saving={form.saving}
          kind="primary"
          icon="keep"
          label={edited ? 'Save the correction' : 'Log it'}
          onPress={form.save}
        />
      }
    >
      <Txt kind="title" heading={1}>
        {EVENT_WORDS[texts.kind]}
      </Txt>
      {texts.kind === 'ammoniaDose' ? (
        <>
          {living ? (
            <Caution>
              Animals are in: no ammonia may go into this water. Log it only where it has happened, then do
              what Today says.
            </Caution>
          ) : (
            <Go href={`/water/${water.id}/cycle/dose` as Href}>Work out the dose from the bottle</Go>
          )}
          <Caution>
            Ammonia solution burns eyes and skin and must never meet bleach. Follow the label.
          </Caution>
        </>
      ) : null}
      {texts.kind === 'bacteria' ? (
        <ChoiceEntry form={form} name="seed" label="From" options={options(SEEDS, SEED_WORDS)} />
      ) : null}
      {texts.kind === 'bacteria' ? (
        <FieldRow>
          <TextEntry
            form={form}
            name="from"
            label="From"
            placeholder={texts.seed === 'bottle' ? 'Which bottle' : 'Whose tank'}
            hint="May be left empty."
          />
          {texts.seed === 'bottle' ? (
            <WhenEntry
              form={form}
              name="expires"
              kind="date"
              label="Good until"
              hint="Kept cool? Past its date it may be dead."
            />
          ) : (
            <TextEntry form={form} name="ranDays" numeric label="Days it ran there" />
          )}
          {texts.seed === 'bottle' ? (
            <TextEntry form={form} name="label" label="Label promises" hint="Such as litres it serves." />
          ) : null}
          {texts.seed === 'bottle' ? (
            <TextEntry form={form} name="storage" label="Kept" hint="Fridge, shelf, in the car." />
          ) : null}
          <TextEntry form={form} name="sumpPercent" numeric label="Share into the sump" unit="%" />
        </FieldRow>
      ) : null}
      {texts.kind === 'bacteria' ? (
        <Txt kind="small" tone="second">
          Filled with tap water? Chlorine and chloramine kill bacteria: conditioner first, by its label for
          all of the water, then wait as it says. Chloramine does not gas off by itself.
        </Txt>
      ) : null}
      {texts.kind === 'bacteria' && texts.seed !== 'bottle' ? (
        <CheckEntry
          form={form}
          name="keptWet"
          label="It stayed wet on the way"
          note="Media that fell dry or cold has lost most of its bacteria."
        />
      ) : null}
      {texts.kind === 'food' && texts.food === 'seafood' && !edited ? (
        <Txt kind="small" tone={living ? 'ammonia' : 'second'}>
          {living
            ? 'Animals are in: raw seafood rots to the ammonia that harms them. Take it out at once; a reminder stands on Today.'
            : 'A reminder to take it out stands on Today in five days.'}
        </Txt>
      ) : null}
      {texts.kind === 'food' ? (
        <ChoiceEntry form={form} name="food" label="What" options={options(FOODS, FOOD_WORDS)} />
      ) : null}
      {texts.kind === 'film' ? (
        <>
          <ChoiceEntry form={form} name="film" label="What grows" options={options(FILMS, FILM_WORDS)} />
          <ChoiceEntry
            form={form}
            name="extent"
            label="How much"
            options={[
              { value: '0', label: '0 gone' },
              { value: '1', label: '1 a trace' },
              { value: '2', label: '2 patches' },
              { value: '3', label: '3 most' },
              { value: '4', label: '4 all over' },
            ]}
          />
        </>
      ) : null}
      {texts.kind === 'incident' ? (
        <>
          <ChoiceEntry
            form={form}
            name="incident"
            label="What"
            options={options(INCIDENTS, INCIDENT_WORDS)}
          />
          <TextEntry
            form={form}
            name="name"
            label="Name, as printed"
            hint="Of a medicine; may be left empty."
          />
          <Txt kind="small" tone="second">
            Ammonia may follow: the tests of today and tomorrow are asked for by name.
          </Txt>
          {texts.incident === 'medicine' ? (
            <Caution>
              The label and a vet decide on medicines and doses. This app records, it does not prescribe.
            </Caution>
          ) : null}
        </>
      ) : null}
      {texts.kind === 'observation' ? (
        <>
          <ChoiceEntry form={form} name="smell" label="Smell" options={options(SMELLS, SMELL_WORDS)} />
          <ChoiceEntry form={form} name="sound" label="Sound" options={options(SOUNDS, SOUND_WORDS)} />
          <ChoiceEntry form={form} name="clarity" label="Water" options={options(CLARITIES, CLARITY_WORDS)} />
          <TextEntry
            form={form}
            name="seen"
            label="Animals seen"
            hint="May be left empty: who was out, what was new."
          />
          <TextEntry
            form={form}
            name="missing"
            label="Animals not seen"
            hint="May be left empty. Something missing asks for an ammonia test."
          />
        </>
      ) : null}
      {texts.kind === 'dose' ? (
        <>
          <ChoiceEntry
            form={form}
            name="what"
            label="What"
            options={DOSED.map((value) => ({ value, label: DOSED_WORDS[value].title }))}
          />
          <Go href={`/water/${water.id}/bench/minerals` as Href}>Work out the dose</Go>
        </>
      ) : null}
      {amount ? (
        <TextEntry
          form={form}
          name="amount"
          big
          numeric
          label={amount.label}
          unit={amount.unit}
          question={guard ? sentence(guard, words) : null}
          hint={amount.optional ? 'May be left empty.' : undefined}
        />
      ) : null}
      {texts.kind === 'saltMixed' || texts.kind === 'dose' ? (
        <TextEntry
          form={form}
          name="grams"
          numeric
          label={texts.kind === 'dose' ? 'Powder' : 'Salt used'}
          unit="g"
          hint={texts.kind === 'dose' ? 'May be left empty.' : undefined}
        />
      ) : null}
      {texts.kind === 'waterMade' ? (
        <TextEntry
          form={form}
          name="grams"
          numeric
          label="Time it took"
          unit="min"
          hint="May be left empty."
        />
      ) : null}
      {texts.kind === 'saltMixed' || texts.kind === 'waterChange' ? (
        <TextEntry
          form={form}
          name="salinity"
          numeric
          label="Salinity of the new water"
          unit={unitLabel(units.salinity)}
          hint={texts.kind === 'waterChange' ? 'May be left empty: taken as matched.' : undefined}
        />
      ) : null}
      {texts.kind === 'waterChange' ? (
        <FieldRow>
          <TextEntry
            form={form}
            name="tempC"
            numeric
            label="Its temperature"
            unit={unitLabel(units.temperature)}
            hint="All of it may be left empty; what is noted is mixed into what is expected."
          />
          {(['alkalinity', 'calcium', 'magnesium'] as const).map((what) => (
            <TextEntry
              key={what}
              form={form}
              name={what}
              numeric
              label={`Its ${what}`}
              unit={DOSED_WORDS[what].unit}
            />
          ))}
        </FieldRow>
      ) : null}
      {texts.kind === 'waterChange' ? (
        <Caution>
          Heater and pumps off before the water falls below them; back on after. Never start a siphon by
          mouth.
        </Caution>
      ) : null}
      {texts.kind === 'waterChange' && !edited ? (
        <ChoiceEntry
          form={form}
          name="purpose"
          label="What it is for"
          options={PURPOSES.map((value) => ({
            value,
            label: capital(value === 'routine' ? 'routine' : PARAMETER_NAMES[value]),
          }))}
        />
      ) : null}
      {texts.kind === 'waterChange' && !edited ? (
        <Txt kind="small" tone="second">
          {beforeWords(
            texts.purpose,
            lastOf(series[texts.purpose === 'routine' ? 'nitrate' : texts.purpose]),
            now,
          )}
        </Txt>
      ) : null}
      {texts.kind === 'topOff' ? (
        <Txt tone="second">
          Fresh water only. Evaporation leaves the salt behind; topping up with salt water is the classic
          mistake.
        </Txt>
      ) : null}
      {texts.kind === 'incident' || texts.kind === 'away' ? (
        <WhenEntry
          form={form}
          name="untilText"
          kind="datetime-local"
          label={texts.kind === 'away' ? 'Until' : 'Ended at'}
          hint={texts.kind === 'away' ? undefined : 'Where it lasted: a cut, a pump that stood.'}
          question={awayQuestion(texts, now, readFieldTime)}
        />
      ) : null}
      {texts.atText === '' ? (
        <Button
          kind="quiet"
          label={texts.kind === 'away' ? 'From another time?' : 'Done earlier?'}
          onPress={() => change({ atText: fieldTime(Date.now()) })}
        />
      ) : (
        <WhenEntry
          form={form}
          name="atText"
          kind="datetime-local"
          label={texts.kind === 'away' ? 'From' : 'Done at'}
        />
      )}
      <TextEntry
        form={form}
        name="note"
        label="Note"
        multiline
        hint={texts.kind === 'note' ? 'What you saw, smelled or heard.' : 'May be left empty.'}
      />
      <Attach of={edited && { kind: 'event', id: edited.id }} pending={pictures} onChange={setPictures} />
      {edited ? (
        <DeleteEntry
          waterId={water.id}
          collection="events"
          entity={edited}
          title={EVENT_WORDS[edited.kind]}
        />
      ) : null}
    </Screen>
  );
}
