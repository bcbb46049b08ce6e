import { sentence } from '../../../core/words';
import { useRouter, type Href } from 'expo-router';
import { useState } from 'react';
import { z } from 'zod';
import {
  CLARITIES,
  DOSED,
  FILMS,
  FOODS,
  SEEDS,
  SMELLS,
  SOUNDS,
  type Edit,
  type Tank,
} from '../../../core/document';
import { doseGuard } from '../../../core/dosing';
import { lastOf } from '../../../core/evidence';
import { addDays, MINUTE_MS } from '../../../core/time';
import { toMgNPerL, parseDecimal, unitLabel } from '../../../core/units';
import {
  commit,
  fieldTime,
  localDay,
  newId,
  readFieldTime,
  selectEvidence,
  selectVolume,
  useAppDispatch,
  useAppSelector,
  useNow,
} from '../../store';
import { Button, Caution, Check, Choice, FieldRow, Go, Screen, TextField, Txt, WhenField } from '../../ui';
import { useParam, useWords, WithTank } from '../shell';
import {
  amountOf,
  CLARITY_WORDS,
  DOSED_WORDS,
  emptyEvent,
  EVENT_WORDS,
  eventTextsOf,
  keepingAmounts,
  FILM_WORDS,
  FOOD_WORDS,
  LOGGABLE,
  readEvent,
  SEED_WORDS,
  SMELL_WORDS,
  SOUND_WORDS,
  type EventTexts,
} from './eventForm';
import { RecentEntries } from './History';

const kindParam = z.enum(LOGGABLE).catch('note');

export function EventScreen() {
  return <WithTank>{(tank) => <EventSheet tank={tank} />}</WithTank>;
}

/** Logs or corrects one event. */
function EventSheet({ tank }: { tank: Tank }) {
  const words = useWords();
  const { units } = words;
  const router = useRouter();
  const dispatch = useAppDispatch();
  const now = useNow(MINUTE_MS);
  const editId = useParam('edit');
  const kind = kindParam.parse(useParam('kind'));
  const netL = useAppSelector((s) => selectVolume(s, tank.id).netL);
  const edited = useAppSelector((s) =>
    editId && Object.hasOwn(s.document.entities.events, editId)
      ? s.document.entities.events[editId]
      : undefined,
  );
  const ammonia = useAppSelector((s) => lastOf(selectEvidence(s, tank.id, now).series.ammonia));
  const [shown] = useState<EventTexts>(
    () => (edited && eventTextsOf(edited, netL, units, fieldTime)) || emptyEvent(kind),
  );
  const [texts, setTexts] = useState(shown);
  const [tried, setTried] = useState(false);
  const change = (patch: Partial<EventTexts>) => setTexts((t) => ({ ...t, ...patch }));
  const context = {
    id: edited?.id ?? 'new',
    tankId: tank.id,
    netL,
    units,
    nowMs: Date.now(),
    readTime: readFieldTime,
  };
  const read = readEvent(texts, context);
  const faults = read.ok || !tried ? {} : read.faults;
  const amount = amountOf(texts.kind, units, texts.what);
  const typed = parseDecimal(texts.amount);
  const guard =
    texts.kind === 'ammoniaDose' && typed.ok && !edited
      ? doseGuard(toMgNPerL('ammonia', 'ion', typed.value), ammonia?.interval.mid ?? 0)
      : null;
  const save = () => {
    setTried(true);
    const final = readEvent(texts, { ...context, id: edited?.id ?? newId(), nowMs: Date.now() });
    if (!final.ok) return;
    const reminder: Edit[] =
      !edited && final.event.kind === 'food' && final.event.food === 'seafood'
        ? [
            {
              put: 'tasks',
              entity: {
                id: newId(),
                tankId: tank.id,
                day: addDays(localDay(Date.parse(final.event.at)), 5),
                title: 'Take the seafood out',
                note: 'Then log it under Seafood out; what stays goes on rotting.',
                doneAt: null,
              },
            },
          ]
        : [];
    dispatch(
      commit(`${EVENT_WORDS[texts.kind]} ${edited ? 'corrected' : 'logged'}`, [
        ...reminder,
        {
          put: 'events',
          entity: edited
            ? {
                ...keepingAmounts(edited, shown, texts, final.event),
                editedAt: new Date().toISOString(),
              }
            : final.event,
        },
      ]),
    );
    router.push(edited ? (`/tank/${tank.id}/log/history` as Href) : (`/tank/${tank.id}` as Href));
  };
  const options = <T extends string>(list: readonly T[], words: Record<T, string>) =>
    list.map((value) => ({ value, label: words[value] }));

  return (
    <Screen
      title={EVENT_WORDS[texts.kind]}
      aside={<RecentEntries tank={tank} />}
      footer={<Button kind="primary" label={edited ? 'Save the correction' : 'Log it'} onPress={save} />}
    >
      <Txt kind="title" heading={1}>
        {EVENT_WORDS[texts.kind]}
      </Txt>
      {texts.kind === 'ammoniaDose' ? (
        <>
          <Go href={`/tank/${tank.id}/cycle/dose` as Href}>Work out the dose from the bottle</Go>
          <Caution>
            Ammonia solution burns eyes and skin and must never meet bleach. Follow the label.
          </Caution>
        </>
      ) : null}
      {texts.kind === 'bacteria' ? (
        <Choice
          label="From"
          options={options(SEEDS, SEED_WORDS)}
          value={texts.seed}
          onChange={(seed) => change({ seed })}
        />
      ) : null}
      {texts.kind === 'bacteria' ? (
        <FieldRow>
          <TextField
            label="From"
            value={texts.from}
            onChange={(from) => change({ from })}
            error={faults.from}
            placeholder={texts.seed === 'bottle' ? 'Which bottle' : 'Whose tank'}
            hint="May be left empty."
          />
          {texts.seed === 'bottle' ? (
            <WhenField
              kind="date"
              label="Good until"
              value={texts.expires}
              onChange={(expires) => change({ expires })}
              hint="Kept cool? Past its date it may be dead."
            />
          ) : (
            <TextField
              numeric
              label="Days it ran there"
              value={texts.ranDays}
              onChange={(ranDays) => change({ ranDays })}
              error={faults.ranDays}
            />
          )}
          {texts.seed === 'bottle' ? (
            <TextField
              label="Label promises"
              value={texts.label}
              onChange={(label) => change({ label })}
              error={faults.label}
              hint="Such as litres it serves."
            />
          ) : null}
          {texts.seed === 'bottle' ? (
            <TextField
              label="Kept"
              value={texts.storage}
              onChange={(storage) => change({ storage })}
              error={faults.storage}
              hint="Fridge, shelf, in the car."
            />
          ) : null}
          <TextField
            numeric
            label="Share into the sump"
            unit="%"
            value={texts.sumpPercent}
            onChange={(sumpPercent) => change({ sumpPercent })}
            error={faults.sumpPercent}
          />
        </FieldRow>
      ) : null}
      {texts.kind === 'bacteria' && texts.seed !== 'bottle' ? (
        <Check
          label="It stayed wet on the way"
          checked={texts.keptWet}
          onChange={(keptWet) => change({ keptWet })}
          note="Media that fell dry or cold has lost most of its bacteria."
        />
      ) : null}
      {texts.kind === 'food' && texts.food === 'seafood' && !edited ? (
        <Txt kind="small" tone="second">
          A reminder to take it out stands on Today in five days.
        </Txt>
      ) : null}
      {texts.kind === 'food' ? (
        <Choice
          label="What"
          options={options(FOODS, FOOD_WORDS)}
          value={texts.food}
          onChange={(food) => change({ food })}
        />
      ) : null}
      {texts.kind === 'film' ? (
        <>
          <Choice
            label="What grows"
            options={options(FILMS, FILM_WORDS)}
            value={texts.film}
            onChange={(film) => change({ film })}
          />
          <Choice
            label="How much"
            options={[
              { value: '0', label: '0 gone' },
              { value: '1', label: '1 a trace' },
              { value: '2', label: '2 patches' },
              { value: '3', label: '3 most' },
              { value: '4', label: '4 all over' },
            ]}
            value={texts.extent}
            onChange={(extent) => change({ extent })}
          />
        </>
      ) : null}
      {texts.kind === 'observation' ? (
        <>
          <Choice
            label="Smell"
            options={options(SMELLS, SMELL_WORDS)}
            value={texts.smell}
            onChange={(smell) => change({ smell })}
          />
          <Choice
            label="Sound"
            options={options(SOUNDS, SOUND_WORDS)}
            value={texts.sound}
            onChange={(sound) => change({ sound })}
          />
          <Choice
            label="Water"
            options={options(CLARITIES, CLARITY_WORDS)}
            value={texts.clarity}
            onChange={(clarity) => change({ clarity })}
          />
          <TextField
            label="Animals seen"
            value={texts.seen}
            onChange={(seen) => change({ seen })}
            error={faults.seen}
            hint="May be left empty: who was out, what was new."
          />
          <TextField
            label="Animals not seen"
            value={texts.missing}
            onChange={(missing) => change({ missing })}
            error={faults.missing}
            hint="May be left empty. Something missing asks for an ammonia test."
          />
        </>
      ) : null}
      {texts.kind === 'dose' ? (
        <>
          <Choice
            label="What"
            options={DOSED.map((value) => ({ value, label: DOSED_WORDS[value].title }))}
            value={texts.what}
            onChange={(what) => change({ what })}
          />
          <Go href={`/tank/${tank.id}/bench/minerals` as Href}>Work out the dose</Go>
        </>
      ) : null}
      {amount ? (
        <TextField
          big
          numeric
          label={amount.label}
          unit={amount.unit}
          value={texts.amount}
          onChange={(next) => change({ amount: next })}
          error={faults.amount}
          question={guard ? sentence(guard, words) : null}
          hint={amount.optional ? 'May be left empty.' : undefined}
        />
      ) : null}
      {texts.kind === 'saltMixed' || texts.kind === 'dose' ? (
        <TextField
          numeric
          label={texts.kind === 'dose' ? 'Powder' : 'Salt used'}
          unit="g"
          value={texts.grams}
          onChange={(grams) => change({ grams })}
          error={faults.grams}
          hint={texts.kind === 'dose' ? 'May be left empty.' : undefined}
        />
      ) : null}
      {texts.kind === 'waterMade' ? (
        <TextField
          numeric
          label="Time it took"
          unit="min"
          value={texts.grams}
          onChange={(grams) => change({ grams })}
          error={faults.grams}
          hint="May be left empty."
        />
      ) : null}
      {texts.kind === 'saltMixed' || texts.kind === 'waterChange' ? (
        <TextField
          numeric
          label="Salinity of the new water"
          unit={unitLabel(units.salinity)}
          value={texts.salinity}
          onChange={(salinity) => change({ salinity })}
          error={faults.salinity}
          hint={texts.kind === 'waterChange' ? 'May be left empty: taken as matched.' : undefined}
        />
      ) : null}
      {texts.kind === 'waterChange' ? (
        <Caution>
          Heater and pumps off before the water falls below them; back on after. Never start a siphon by
          mouth.
        </Caution>
      ) : null}
      {texts.kind === 'waterChange' && ammonia ? (
        <Txt
          kind="small"
          tone="second"
        >{`Test before and after: the last ammonia reading is ${ammonia.text} mg/L.`}</Txt>
      ) : null}
      {texts.kind === 'topOff' ? (
        <Txt tone="second">
          Fresh water only. Evaporation leaves the salt behind; topping up with salt water is the classic
          mistake.
        </Txt>
      ) : null}
      {texts.atText === '' ? (
        <Button
          kind="quiet"
          label="Done earlier?"
          onPress={() => change({ atText: fieldTime(Date.now()) })}
        />
      ) : (
        <WhenField
          kind="datetime-local"
          label="Done at"
          value={texts.atText}
          onChange={(atText) => change({ atText })}
          error={faults.at}
        />
      )}
      <TextField
        label="Note"
        multiline
        value={texts.note}
        onChange={(note) => change({ note })}
        error={faults.note}
        hint={texts.kind === 'note' ? 'What you saw, smelled or heard.' : 'May be left empty.'}
      />
    </Screen>
  );
}
