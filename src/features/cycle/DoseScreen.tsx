import { sentence } from '../../../core/words';
import { MINUTE_MS } from '../../../core/time';
import { useRouter, type Href } from 'expo-router';
import { Pressable, View } from 'react-native';
import type { Display, WaterEvent } from '../../../core/document';
import { doseGuard } from '../../../core/dosing';
import { ammoniaAtMost, lastOf } from '../../../core/evidence';
import {
  basisLabel,
  formatDecimal,
  fromMgNPerL,
  NH4CL_PER_N,
  showQuantity,
  toUnit,
  unitLabel,
} from '../../../core/units';
import {
  commit,
  dropsCounted,
  isoOf,
  newId,
  selectEvidence,
  selectVolume,
  useAppDispatch,
  useAppSelector,
  useNow,
  type DropCount,
  type Outcome,
} from '../../store';
import {
  Button,
  Caution,
  Empty,
  FieldRow,
  Go,
  Line,
  RADIUS,
  Row,
  Screen,
  Section,
  Txt,
  space,
  useTheme,
  styleSheet,
} from '../../ui';
import { useWords, WithDisplay } from '../shell';
import { ChoiceEntry, TextEntry, useEntryForm } from '../shell/form';
import { SaveButton, useSaving, type Saving } from '../shell/saving';
import { readDose, textsFrom, type DoseTexts } from './doseForm';

export function DoseScreen() {
  return <WithDisplay>{(water) => <DoseOrNone water={water} />}</WithDisplay>;
}

/** With animals in, nobody is led to a dose: what already went in can still be logged. */
function DoseOrNone({ water }: { water: Display }) {
  const now = useNow(MINUTE_MS);
  const living = useAppSelector((s) => selectEvidence(s, water.id, now).isInhabited);
  if (!living) return <DoseSheet water={water} />;
  return (
    <Screen title="Ammonia dose">
      <Empty
        alone
        title="Animals are in: no ammonia"
        text="A dose would burn their gills. From here the filter shows what it carries by feeding, and by ammonia at zero on the days after."
      >
        <Go href={`/water/${water.id}/log` as Href}>Log a sample</Go>
        <Go href={`/water/${water.id}/log/event?kind=ammoniaDose` as Href}>
          Ammonia went in already: log it
        </Go>
      </Empty>
    </Screen>
  );
}

/** From a target and the bottle's strength to mL and drops; a counter that can be left and taken up again; logs the dose. */
function DoseSheet({ water }: { water: Display }) {
  const words = useWords();
  const { units } = words;
  const now = useNow(MINUTE_MS);
  const dispatch = useAppDispatch();
  const router = useRouter();
  const netL = useAppSelector((s) => selectVolume(s, water.id).netL);
  const present = useAppSelector((s) => ammoniaAtMost(selectEvidence(s, water.id, now)));
  const count = useAppSelector((s) => s.drafts.drops[water.id]);
  const lastProduct = useAppSelector((s) =>
    lastOf(
      selectEvidence(s, water.id, now).events.flatMap((x) =>
        x.kind === 'ammoniaDose' && x.product ? [x.product] : [],
      ),
    ),
  );
  const form = useEntryForm({
    start: (): DoseTexts => textsFrom(lastProduct, (litres) => toUnit(units.volume, litres)),
    read: (texts) => readDose(texts, netL, units.volume),
    save: ({ dose }) => log(dose.mgN, dose.mL),
    done: () => router.push(`/water/${water.id}/cycle` as Href),
    faultsFrom: 'typing',
  });
  const counting = useSaving();
  const { texts, now: read } = form;
  // A count taken up again after a reload may be of another bottle than the fields now show.
  const log = async (mgN: number, mL: number): Promise<Outcome> => {
    const entity: WaterEvent = {
      id: newId(),
      waterId: water.id,
      at: isoOf(Date.now()),
      note: '',
      kind: 'ammoniaDose',
      mgN,
      mL,
      ...(read.ok && Math.abs(read.dose.mL - mL) < 1e-6 ? { product: read.product } : {}),
    };
    const outcome = await dispatch(
      commit('Ammonia dose logged', [{ put: 'events', entity }], { drafts: [`drops/${water.id}`] }),
    );
    dispatch(dropsCounted({ waterId: water.id, count: null }));
    return outcome;
  };
  const after = read.ok ? present + read.dose.mgNPerL : 0;
  const guard = read.ok ? doseGuard(read.dose.mgNPerL, present) : null;

  return (
    <Screen
      title="Ammonia dose"
      aside={
        <>
          <Txt kind="section" heading={2}>
            How it is worked out
          </Txt>
          <Txt kind="small">{`Everything passes through nitrogen. 2 mg/L as NH₄ is 2 / 1.2878 = 1.553 mg N/L. Times ${showQuantity('volume', netL, units, 0)} of real water gives the milligrams.`}</Txt>
          <Txt kind="small">{`NH₄Cl: 1 g holds 1000 / ${NH4CL_PER_N} = 261.9 mg N. NH₃ solution: 1 % by mass holds 10 / 1.2159 = 8.22 mg N in a millilitre.`}</Txt>
          <Txt kind="small">
            About 20 drops make a millilitre; count your bottle’s drops into 10 mL once and enter the number.
          </Txt>
          <Caution>
            Ammonia solution burns eyes and skin and must never meet bleach. Follow the label and keep it from
            children.
          </Caution>
        </>
      }
    >
      <Txt kind="title" heading={1}>
        Ammonia dose
      </Txt>
      {count ? (
        <Counter
          count={count}
          onCount={(next) => dispatch(dropsCounted({ waterId: water.id, count: next }))}
          saving={counting}
          onDone={() =>
            void counting.run(
              () => log(count.mgN, count.mL),
              () => router.push(`/water/${water.id}/cycle` as Href),
            )
          }
        />
      ) : null}
      <FieldRow>
        <TextEntry
          form={form}
          name="target"
          big
          numeric
          label="Raise ammonia by"
          unit={`mg/L ${basisLabel('ammonia', texts.basis)}`}
        />
      </FieldRow>
      <ChoiceEntry
        form={form}
        name="basis"
        label="Counted as"
        options={[
          { value: 'ion', label: 'NH₄, as most kits' },
          { value: 'NH3', label: 'NH₃' },
          { value: 'N', label: 'N' },
        ]}
      />
      <ChoiceEntry
        form={form}
        name="strengthKind"
        label="The bottle states"
        options={[
          { value: 'gramsNH4ClPerL', label: 'g NH₄Cl per litre' },
          { value: 'percentNH3', label: '% NH₃' },
          { value: 'drops', label: 'drops per volume' },
        ]}
      />
      {texts.strengthKind === 'gramsNH4ClPerL' ? (
        <TextEntry
          form={form}
          name="grams"
          numeric
          label="Ammonium chloride"
          unit="g/L"
          hint="A dose without a strength cannot be worked out: it stands on the label."
        />
      ) : null}
      {texts.strengthKind === 'percentNH3' ? (
        <TextEntry
          form={form}
          name="percent"
          numeric
          label="Ammonia"
          unit="% NH₃"
          hint="It stands on the label."
        />
      ) : null}
      {texts.strengthKind === 'drops' ? (
        <FieldRow>
          <TextEntry form={form} name="drops" numeric label="So many drops" />
          <TextEntry form={form} name="perLitres" numeric label="in" unit={unitLabel(units.volume)} />
          <TextEntry
            form={form}
            name="raises"
            numeric
            label="raise it by"
            unit={`mg/L ${basisLabel('ammonia', texts.basis)}`}
          />
        </FieldRow>
      ) : null}
      <TextEntry form={form} name="dropsPerMl" numeric label="Drops in a millilitre" />
      {read.ok ? (
        <Section title="The dose">
          <Row style={styles.result}>
            <View>
              <Txt kind="number">{formatDecimal(read.dose.mL, read.dose.mL < 10 ? 2 : 1)}</Txt>
              <Txt tone="second">mL</Txt>
            </View>
            <View>
              <Txt kind="number">{String(read.dose.drops)}</Txt>
              <Txt tone="second">drops</Txt>
            </View>
          </Row>
          <Line name="Nitrogen in it" value={`${read.dose.mgN.toFixed(0)} mg N`} />
          <Line
            name="Ammonia after it, about"
            value={`${fromMgNPerL('ammonia', 'ion', after).toFixed(1)} mg/L NH₄`}
          />
          {guard ? (
            <Txt tone={guard.code === 'doseTooMuch' ? 'ammonia' : 'nitrite'}>{sentence(guard, words)}</Txt>
          ) : null}
          <Row wrap>
            {guard?.code === 'doseTooMuch' ? null : (
              <Button
                label="Count the drops"
                onPress={() =>
                  dispatch(
                    dropsCounted({
                      waterId: water.id,
                      count: { target: read.dose.drops, counted: 0, mgN: read.dose.mgN, mL: read.dose.mL },
                    }),
                  )
                }
              />
            )}
            <SaveButton
              saving={form.saving}
              kind={guard ? undefined : 'primary'}
              icon="keep"
              label="It is in: log it"
              onPress={form.save}
            />
          </Row>
        </Section>
      ) : (
        <Txt tone="second">The dose appears when the strength is in.</Txt>
      )}
    </Screen>
  );
}

/** Counts drops with a large target; the count is kept through calls, reloads and dinner. */
function Counter({
  count,
  saving,
  onCount,
  onDone,
}: {
  count: DropCount;
  saving: Saving;
  onCount: (next: DropCount | null) => void;
  onDone: () => void;
}) {
  const { roles } = useTheme();
  const left = Math.max(0, count.target - count.counted);
  const add = (n: number) => onCount({ ...count, counted: Math.max(0, count.counted + n) });
  return (
    <View style={[styles.counter, { borderColor: roles.edge }]}>
      <Pressable role="button" onPress={() => add(1)} style={[styles.tap, { backgroundColor: roles.wash }]}>
        <Txt kind="word">{String(count.counted)}</Txt>
        <Txt live>
          {left > 0 ? `of ${count.target} drops. Tap with each one.` : `${count.target} drops are in.`}
        </Txt>
      </Pressable>
      <Row wrap>
        <Button label="One back" onPress={() => add(-1)} />
        <Button label="+10" name="+10 drops fell" onPress={() => add(10)} />
        <Button kind="quiet" label="Stop counting" onPress={() => onCount(null)} />
      </Row>
      {left === 0 ? (
        <SaveButton saving={saving} kind="primary" icon="keep" label="Log this dose" onPress={onDone} />
      ) : null}
    </View>
  );
}

const styles = styleSheet({
  result: { gap: space(10) },
  counter: { borderWidth: 1.5, borderRadius: RADIUS, padding: space(3), gap: space(3) },
  tap: {
    borderRadius: RADIUS,
    minHeight: 180,
    alignItems: 'center',
    justifyContent: 'center',
    gap: space(2),
  },
});
