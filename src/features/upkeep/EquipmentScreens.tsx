import { Link, useRouter, type Href } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { EQUIPMENT_KINDS, RODI_STAGES, type Equipment, type Water } from '../../../core/document';
import { breakingIn, dueUpkeep, money, nextService } from '../../../core/equipment';
import { readEntry } from '../../../core/units';
import { commit, localDay, newId, shortWrittenDay, useAppDispatch, useAppSelector } from '../../store';
import {
  Button,
  Choice,
  Empty,
  FieldRow,
  Line,
  Row,
  Screen,
  Section,
  space,
  Table,
  TextField,
  Txt,
  useTheme,
  styleSheet,
} from '../../ui';
import { NotHere, useParam, WithWater } from '../shell';
import { CheckEntry, TextEntry, useEntryForm, WhenEntry } from '../shell/form';
import { SaveButton, useLastSeen } from '../shell/saving';
import { BreakInDiary } from './BreakInDiary';
import { Cables, DripLoop } from './Cables';
import {
  KIND_WORDS,
  newPart,
  readPart,
  readSetting,
  textsOfPart,
  withKind,
  type PartTexts,
} from './partForm';

export function EquipmentScreen() {
  return <WithWater>{(water) => <EquipmentList water={water} />}</WithWater>;
}

function EquipmentList({ water }: { water: Water }) {
  const router = useRouter();
  const today = localDay(Date.now());
  const all = useAppSelector((s) => s.document.entities.equipment);
  const parts = Object.values(all)
    .filter((e) => e.waterId === water.id)
    .sort((a, b) => (a.name < b.name ? -1 : 1));
  const [price, setPrice] = useState('0.30');
  const kWh = readEntry(price, { name: 'Price', unit: null, min: 0, max: 10 });
  const sum = money(parts, kWh.ok ? kWh.value : 0);
  const due = dueUpkeep(parts, today);
  return (
    <Screen
      title="Equipment"
      footer={
        <Button
          kind="primary"
          icon="add"
          label="Add a part"
          onPress={() => router.push(`/water/${water.id}/equipment/new` as Href)}
        />
      }
    >
      <Txt kind="title" heading={1}>
        Equipment and consumables
      </Txt>
      {parts.length === 0 ? (
        <Empty
          title="Nothing noted yet"
          text="A heater, a pump, the RO/DI stages: with a day and an interval each, and services come up on Today by themselves."
        />
      ) : null}
      {due.map((d) => (
        <Txt
          key={d.equipmentId + d.kind}
          tone="nitrite"
        >{`${d.name}: ${d.kind === 'service' ? 'service' : 'return of the loan'} due ${d.lateDays === 0 ? 'today' : `since ${shortWrittenDay(d.day)}`}`}</Txt>
      ))}
      <View>
        {parts.map((e) => (
          <PartRow key={e.id} part={e} today={today} />
        ))}
      </View>
      <Cables parts={parts} />
      {parts.length > 0 ? (
        <Section title="Money">
          <TextField
            numeric
            label="Current costs"
            unit="a kWh"
            value={price}
            onChange={setPrice}
            error={kWh.ok ? null : kWh.message}
          />
          <Line name="Spent so far" value={sum.spent.toFixed(2)} />
          <Line
            name="Running, a month"
            value={`${sum.perMonth.toFixed(2)} (${sum.watts.toFixed(0)} W and what is stated)`}
          />
          <Txt kind="small" tone="second">
            In your own currency. Watts are reckoned as if they ran all day.
          </Txt>
        </Section>
      ) : null}
    </Screen>
  );
}

function PartRow({ part, today }: { part: Equipment; today: string }) {
  const { roles } = useTheme();
  const next = nextService(part);
  const state = part.endedDay
    ? `out since ${shortWrittenDay(part.endedDay)}`
    : breakingIn(part, today)
      ? 'breaking in'
      : next
        ? `service ${shortWrittenDay(next)}`
        : `since ${shortWrittenDay(part.sinceDay)}`;
  return (
    <Link
      href={`/water/${part.waterId}/equipment/${part.id}` as Href}
      style={[styles.part, { borderColor: roles.hairline }]}
    >
      <View style={styles.inside}>
        <View style={styles.shrink}>
          <Txt kind="row">{part.name}</Txt>
          <Txt kind="small" tone="second">
            {[
              KIND_WORDS[part.kind],
              part.where,
              part.loan && !part.loan.returnedDay ? `on loan from ${part.loan.from}` : '',
            ]
              .filter(Boolean)
              .join(' · ')}
          </Txt>
        </View>
        <Txt kind="small" tone={next !== null && next <= today ? 'nitrite' : 'second'} style={styles.right}>
          {state}
        </Txt>
      </View>
    </Link>
  );
}

export function PartScreen() {
  return <WithWater>{(water) => <ChosenPart water={water} />}</WithWater>;
}

function ChosenPart({ water }: { water: Water }) {
  const id = useParam('partId');
  const all = useAppSelector((s) => s.document.entities.equipment);
  const part = useLastSeen(id, Object.hasOwn(all, id) ? all[id] : undefined) ?? null;
  if (id !== 'new' && !part) return <NotHere what="part" />;
  return <PartForm key={id} water={water} part={part} />;
}

function PartForm({ water, part }: { water: Water; part: Equipment | null }) {
  const router = useRouter();
  const dispatch = useAppDispatch();
  const today = localDay(Date.now());
  const form = useEntryForm({
    start: (): PartTexts => (part ? textsOfPart(part) : newPart(today)),
    read: (texts) => readPart(texts, { id: part?.id ?? newId(), waterId: water.id, before: part }),
    save: ({ part: entity }, seen) =>
      dispatch(
        commit(`${entity.name} ${part ? 'changed' : 'added'}`, [{ put: 'equipment', entity }], { seen }),
      ),
    done: () => router.push(`/water/${water.id}/equipment` as Href),
    base: part ? { collection: 'equipment', entity: part } : undefined,
  });
  const { texts } = form;
  return (
    <Screen
      title={part?.name ?? 'New part'}
      footer={
        <SaveButton
          saving={form.saving}
          kind="primary"
          icon={part ? 'keep' : 'add'}
          label={part ? 'Keep the changes' : 'Add it'}
          onPress={form.save}
        />
      }
      aside={part ? <Upkeep part={part} today={today} /> : undefined}
    >
      <Txt kind="title" heading={1}>
        {part?.name ?? 'New part'}
      </Txt>
      <TextEntry form={form} name="name" label="Name" placeholder="As you call it" />
      <Choice
        label="Kind"
        options={EQUIPMENT_KINDS.map((value) => ({ value, label: KIND_WORDS[value] }))}
        value={texts.kind}
        onChange={(kind) => form.change(part ? { kind } : withKind(texts, kind))}
      />
      {texts.kind === 'rodi' ? (
        <Choice
          label="Which stage"
          options={RODI_STAGES.map((value) => ({ value, label: value }))}
          value={texts.stage}
          onChange={(stage) => form.change({ stage })}
        />
      ) : null}
      <FieldRow>
        <TextEntry form={form} name="where" label="Where" placeholder="Sump, back wall" />
        <WhenEntry form={form} name="sinceDay" kind="date" label="Since" />
        <TextEntry form={form} name="price" numeric label="Price" />
        <TextEntry form={form} name="monthly" numeric label="Costs a month" />
        <TextEntry form={form} name="watts" numeric label="Power" unit="W" />
        <TextEntry form={form} name="socket" label="Plugged in at" placeholder="Strip on the left" />
        <TextEntry form={form} name="by" label="Switched by" placeholder="Timer, hand" />
        <TextEntry
          form={form}
          name="breakIn"
          numeric
          label="Break-in"
          unit="days"
          hint="No verdict before."
        />
        <TextEntry form={form} name="service" numeric label="Service every" unit="days" hint="Empty: none." />
      </FieldRow>
      <CheckEntry form={form} name="onLoan" label="It is on loan" />
      {texts.onLoan ? (
        <FieldRow>
          <TextEntry form={form} name="loanFrom" label="Whose" />
          <WhenEntry form={form} name="loanDue" kind="date" label="Goes back" />
        </FieldRow>
      ) : null}
    </Screen>
  );
}

/** Service, settings with dates, return, out of use. */
function Upkeep({ part, today }: { part: Equipment; today: string }) {
  const dispatch = useAppDispatch();
  const put = (patch: Partial<Equipment>, label: string) =>
    dispatch(commit(label, [{ put: 'equipment', entity: { ...part, ...patch } }]));
  const form = useEntryForm({
    start: { what: '', value: '' },
    read: readSetting,
    save: ({ setting }) =>
      put(
        { settings: [...part.settings, { day: today, ...setting }] },
        `${part.name}: ${setting.what} noted`,
      ),
    done: 'restart',
  });
  const lastService = [...part.services].sort((a, b) => (a.day < b.day ? 1 : -1))[0];
  const next = nextService(part);
  return (
    <>
      <Txt kind="section" heading={2}>
        Upkeep
      </Txt>
      <Line name="Last service" value={lastService ? shortWrittenDay(lastService.day) : 'none yet'} />
      <Line name="Next" value={next ? shortWrittenDay(next) : 'no interval'} />
      {breakingIn(part, today) ? (
        <Txt tone="second">Still breaking in: a poor week now is no fault of the part.</Txt>
      ) : null}
      <Row wrap>
        <Button
          label="Serviced today"
          onPress={() =>
            put({ services: [...part.services, { day: today, note: '' }] }, `${part.name} serviced`)
          }
        />
        {part.loan && !part.loan.returnedDay ? (
          <Button
            label="Given back today"
            onPress={() =>
              part.loan &&
              put({ loan: { ...part.loan, returnedDay: today }, endedDay: today }, `${part.name} given back`)
            }
          />
        ) : null}
        {part.endedDay === null ? (
          <Button
            kind="quiet"
            label="Out of use"
            onPress={() => put({ endedDay: today }, `${part.name} out of use`)}
          />
        ) : (
          <Button
            kind="quiet"
            label="In use again"
            onPress={() => put({ endedDay: null }, `${part.name} in use again`)}
          />
        )}
        <Button
          kind="quiet"
          icon="remove"
          label="Remove"
          onPress={() => dispatch(commit(`${part.name} removed`, [{ remove: 'equipment', id: part.id }]))}
        />
      </Row>
      <BreakInDiary part={part} />
      <DripLoop part={part} />
      <Section title="Settings, dated">
        {part.settings.length > 0 ? (
          <Table
            caption="Settings"
            columns={[{ title: 'since', flex: 0.8 }, { title: 'what' }, { title: 'set to' }]}
            rows={[...part.settings].reverse().map((s) => [shortWrittenDay(s.day), s.what, s.value])}
          />
        ) : (
          <Txt kind="small" tone="second">
            Pump percent, skimmer height, light percent: what was it before?
          </Txt>
        )}
        <FieldRow>
          <TextEntry form={form} name="what" label="What" placeholder="Pump" />
          <TextEntry form={form} name="value" label="Set to" placeholder="60 %" />
        </FieldRow>
        <SaveButton saving={form.saving} kind="quiet" label="Note the setting" onPress={form.save} />
      </Section>
    </>
  );
}

const styles = styleSheet({
  part: { display: 'flex', borderBottomWidth: 1 },
  inside: {
    flex: 1,
    flexDirection: 'row',
    justifyContent: 'space-between',
    alignItems: 'center',
    gap: space(3),
    paddingVertical: space(3),
  },
  shrink: { flexShrink: 1 },
  right: { textAlign: 'right', flexShrink: 0 },
});
