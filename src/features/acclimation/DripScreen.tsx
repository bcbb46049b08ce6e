import { MINUTE_MS } from '../../../core/time';
import { useRouter, type Href } from 'expo-router';
import { useMemo, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { isIn, type Drip, type DripCheck, type Edit, type Water } from '../../../core/document';
import { admit, followUpTasks } from '../../../core/arrivals';
import {
  dripAt,
  dripPlan,
  dripWaterUsedL,
  leastMinutes,
  NEAR_C,
  nearEnough,
} from '../../../core/acclimation';
import { speciesById } from '../../../core/species';
import { animalWords } from '../../../core/words';
import { showQuantity, toUnit, unitDecimals, unitLabel } from '../../../core/units';
import {
  clockTime,
  commit,
  isoOf,
  localDay,
  newId,
  selectDocument,
  useAppDispatch,
  useAppSelector,
  useNow,
} from '../../store';
import { Button, Check, Row, Screen, Section, space, TextField, Txt } from '../../ui';
import { ConvergeChart } from '../../ui/charts/ConvergeChart';
import { NotHere, useParam, useUnits, WithWater } from '../shell';
import { REASON_MISSING, Risks, useRisks } from '../shell/guard';
import { CupWatch, DropPulse } from './DropPulse';
import { MeasureNow, PourOff } from './OnTheWay';

export function DripScreen() {
  return <WithWater>{(water) => <Resolve water={water} />}</WithWater>;
}

/** When the container was floated or taken out, minutes from the start. */
const changesOf = ({ startedAt, floats = [] }: Drip) =>
  startedAt === null
    ? []
    : floats.map((f) => ({ minutes: (Date.parse(f.at) - Date.parse(startedAt)) / MINUTE_MS, on: f.on }));

function Resolve({ water }: { water: Water }) {
  const id = useParam('dripId');
  const drips = useAppSelector((s) => s.document.entities.drips);
  const drip = Object.hasOwn(drips, id) ? drips[id] : undefined;
  return drip && drip.waterId === water.id ? <LiveDrip water={water} drip={drip} /> : <NotHere what="drip" />;
}

const BEFORE: readonly { id: DripCheck; label: string; needed: boolean }[] = [
  { id: 'toppedOff', label: 'Tank is topped off and at its usual salinity', needed: true },
  { id: 'topOffUnplugged', label: 'Automatic top-off is unplugged, or there is none', needed: true },
  { id: 'lidOn', label: 'Lid is on or within reach', needed: true },
  { id: 'lightsLow', label: 'Lights are low', needed: false },
  { id: 'placeReady', label: 'Its place in the tank is ready', needed: false },
];
const AFTER: readonly { id: DripCheck; label: string }[] = [
  { id: 'topOffBackOn', label: 'Top-off is plugged in again' },
  { id: 'dripWaterReplaced', label: 'Drip water is replaced with salt water' },
  { id: 'bagWaterAway', label: 'Bag water is poured away, none of it in the tank' },
];
const isOpenCheck = (drip: Drip, id: DripCheck): boolean => (drip.checks[id] ?? null) === null;

/** The session: preconditions, the run by wall clock (it goes on through sleep and reload), and the steps that close it. */
function LiveDrip({ water, drip }: { water: Water; drip: Drip }) {
  const units = useUnits();
  const router = useRouter();
  const dispatch = useAppDispatch();
  const doc = useAppSelector(selectDocument);
  const running = drip.startedAt !== null && drip.finishedAt === null;
  const now = useNow(running ? 1000 : 30_000);
  // The clock ticks each second; the plan changes only with the session.
  const plan = useMemo(() => dripPlan({ ...drip, changes: changesOf(drip) }), [drip]);
  const floats = drip.floats?.[drip.floats.length - 1]?.on ?? drip.floating;
  const startMs = drip.startedAt === null ? null : Date.parse(drip.startedAt);
  const endMs = drip.finishedAt === null ? now : Date.parse(drip.finishedAt);
  const minutes = startMs === null ? 0 : Math.max(0, (endMs - startMs) / MINUTE_MS);
  const at = dripAt(plan, Math.min(minutes, 240));
  const who = drip.animalIds
    .flatMap((id) => (doc.animals[id] ? [animalWords(doc.animals[id])] : []))
    .join(', ');
  const put = (label: string, entity: Drip, more: Edit[] = []) =>
    dispatch(commit(label, [{ put: 'drips', entity }, ...more]));
  const check = (id: DripCheck, label: string, on: boolean) =>
    put(on ? `${label} ✓` : `${label}: taken back`, {
      ...drip,
      checks: { ...drip.checks, [id]: on ? isoOf(Date.now()) : null },
    });
  const setRate = (rate: number) =>
    void put(`Drip rate ${rate.toFixed(1)} a second`, { ...drip, dropsPerSecond: rate });
  const missing = BEFORE.filter((c) => c.needed && isOpenCheck(drip, c.id));
  // Where temperature never comes near (an open bucket in a cool room) the salinity still tells how long the drip takes.
  const heatLate = plan.readyMinutes === null && plan.salinityReadyMinutes !== null;
  const least = leastMinutes(
    drip.animalIds.flatMap((id) => (doc.animals[id] ? [speciesById(doc.animals[id].speciesId)] : [])),
  );
  const soonest = plan.readyMinutes ?? plan.salinityReadyMinutes;
  const aim = soonest === null ? null : Math.max(soonest, least);
  const left = aim === null ? null : Math.max(0, aim - minutes);
  const near = running && left === 0;
  const lastMeasured = drip.measured?.[drip.measured.length - 1];
  const found = lastMeasured ? nearEnough(lastMeasured, drip.water) : null;
  const measuredNear = found !== null && found.salinity && found.tempC;
  const usedL = dripWaterUsedL(plan, minutes);
  const coming = useMemo(
    () =>
      drip.animalIds.flatMap((id) => {
        const animal = doc.animals[id];
        return animal && !isIn(animal, water.id) ? [animal] : [];
      }),
    [drip.animalIds, doc.animals, water.id],
  );
  const guardMs = Math.floor(now / MINUTE_MS) * MINUTE_MS;
  const { risksOf, risks, never } = useRisks(coming, water, guardMs);
  const [why, setWhy] = useState('');
  const [asked, setAsked] = useState(false);
  const finish = () => {
    const time = isoOf(Date.now());
    const admitted = admit(
      coming.map((animal) => ({ animal, count: animal.count, partId: '' })),
      water,
      { at: time, why, risksOf },
    );
    setAsked(!admitted.ok);
    if (!admitted.ok) return;
    const checks = { ...drip.checks, bagWaterAway: drip.checks.bagWaterAway ?? null };
    put(`${who} moved in`, { ...drip, checks, finishedAt: time }, [
      ...admitted.edits,
      ...followUpTasks(coming, water, localDay(Date.now()), newId),
    ]);
  };
  /** One tap for who has done all of it. */
  const startNow = () => {
    const at = isoOf(Date.now());
    const done = Object.fromEntries(BEFORE.map((c) => [c.id, drip.checks[c.id] ?? at]));
    put('Drip started', { ...drip, checks: { ...drip.checks, ...done }, startedAt: at });
  };
  const clockAt = (m: number) =>
    startMs === null ? `${Math.round(m)} min` : clockTime(startMs + m * MINUTE_MS);
  const end = Math.min(240, Math.max(30, (aim ?? 90) * 1.25, minutes + 5));
  const saltUnit = unitLabel(units.salinity);
  const salt = (v: number) => shownOr(units.salinity, v);
  const inUnit = (salinity: number) => `${salt(toUnitOr(units.salinity, salinity))} ${saltUnit}`;
  const nearAfter =
    plan.salinityReadyMinutes === null
      ? 'not within four hours'
      : `after ${Math.ceil(plan.salinityReadyMinutes)} minutes`;
  const heat = (tempC: number) => showQuantity('temperature', tempC, units);
  const colder = at.tempC < drip.water.tempC - NEAR_C;
  const warmth = !colder ? 'near enough' : floats ? 'still warming' : 'too cold, float it';
  const done = drip.finishedAt !== null;
  const toPutBack = AFTER.filter(
    (c) =>
      isOpenCheck(drip, c.id) &&
      !(c.id === 'topOffBackOn' && drip.checks.topOffUnplugged === null) &&
      // Sessions of before were not asked it.
      !(c.id === 'bagWaterAway' && !('bagWaterAway' in drip.checks) && done),
  );

  return (
    <Screen title="Drip">
      <Row style={styles.between} wrap>
        <Txt kind="section" heading={1} style={styles.shrink}>{`Drip · ${who}`}</Txt>
        <Txt kind="small" tone="second">
          {water.name}
        </Txt>
      </Row>
      {startMs === null ? (
        <>
          <Txt kind="title">
            {aim === null
              ? 'More than four hours'
              : `About ${Math.ceil(aim)} min${heatLate ? ', floated' : ''}`}
          </Txt>
          <Risks risks={risks} />
          <Section title="Before the valve opens">
            {BEFORE.map((c) => (
              <Check
                key={c.id}
                label={c.label}
                checked={!isOpenCheck(drip, c.id)}
                onChange={(on) => check(c.id, c.label, on)}
              />
            ))}
            {missing.length > 0 ? (
              <Button
                kind="primary"
                icon="drip"
                label="All of this is done: start the drip"
                onPress={startNow}
              />
            ) : null}
            <Button
              kind={missing.length > 0 ? 'quiet' : 'primary'}
              icon="drip"
              label="Start the drip"
              disabled={missing.length > 0}
              onPress={() => put('Drip started', { ...drip, startedAt: isoOf(Date.now()) })}
            />
            {missing.length > 0 ? (
              <Txt
                kind="small"
                tone="second"
              >{`Still open: ${missing.map((m) => m.label.toLowerCase()).join('; ')}.`}</Txt>
            ) : null}
          </Section>
        </>
      ) : done ? (
        <>
          <Txt kind="title">
            {toPutBack.length === 0
              ? 'All done'
              : toPutBack.length === 1
                ? 'One thing left'
                : `${toPutBack.length} things left`}
          </Txt>
          <Txt tone="second">{`${who} went in at ${clockTime(endMs)} after ${Math.round(minutes)} min.`}</Txt>
          <Section title="Put back">
            {AFTER.map((c) => (
              <Check
                key={c.id}
                label={
                  c.id === 'dripWaterReplaced'
                    ? `${c.label}: ${showQuantity('volume', usedL, units)}`
                    : c.label
                }
                checked={!isOpenCheck(drip, c.id)}
                onChange={(on) => check(c.id, c.label, on)}
              />
            ))}
          </Section>
          {toPutBack.length > 0 ? (
            <Txt tone="ammonia">Today keeps asking until it is done.</Txt>
          ) : (
            <Button label="To the stock" onPress={() => router.push(`/water/${water.id}/stock` as Href)} />
          )}
          <Txt kind="small" tone="second">
            Light feeding, lights low today; ammonia tests on days 1, 3 and 7.
          </Txt>
        </>
      ) : (
        <>
          <Row style={styles.clock}>
            <Row style={styles.minutes}>
              <Txt kind="word" live={near}>
                {left === null ? '–' : near ? 'Near' : String(Math.ceil(left))}
              </Txt>
              <Txt kind="title">{left === null || near ? '' : 'min'}</Txt>
            </Row>
            <View style={styles.ready}>
              <Txt kind="small" tone="second">
                {near
                  ? heatLate
                    ? 'salinity near since'
                    : 'near enough since'
                  : heatLate
                    ? 'salinity near about'
                    : 'ready about'}
              </Txt>
              <Txt kind="title">{aim === null ? 'not in 4 h' : clockAt(aim)}</Txt>
            </View>
          </Row>
        </>
      )}
      <ConvergeChart
        course={plan.points.map((p) => ({ minutes: p.minutes, value: toUnitOr(units.salinity, p.salinity) }))}
        now={startMs === null ? null : { minutes, value: toUnitOr(units.salinity, at.salinity) }}
        water={toUnitOr(units.salinity, drip.water.salinity)}
        near={nearInUnit(units.salinity, drip.water.salinity)}
        readyMinutes={plan.salinityReadyMinutes}
        endMinutes={end}
        format={salt}
        unit={saltUnit}
        timeLabel={clockAt}
        containerWord="container"
        summary={`Container at ${inUnit(at.salinity)}, tank at ${inUnit(drip.water.salinity)}; near enough ${nearAfter}.`}
      />
      <Txt tone={colder ? 'ammonia' : 'ink'} live>
        {`Container ${heat(at.tempC)}, tank ${heat(drip.water.tempC)}: ${warmth}.`}
      </Txt>
      {!done ? (
        <Row wrap>
          <Button
            kind="quiet"
            label={floats ? 'It no longer floats' : 'It floats now'}
            onPress={() =>
              put(
                floats ? 'Container taken out' : 'Container floated',
                drip.startedAt === null
                  ? { ...drip, floating: !floats }
                  : { ...drip, floats: [...(drip.floats ?? []), { at: isoOf(Date.now()), on: !floats }] },
              )
            }
          />
        </Row>
      ) : null}
      {!done ? (
        <Section title={`${drip.dropsPerSecond.toFixed(1)} drops a second`}>
          <DropPulse dropsPerSecond={drip.dropsPerSecond} onMeasured={setRate} />
          <CupWatch dropsPerMl={drip.dropsPerMl} onMeasured={setRate} />
        </Section>
      ) : null}
      {running ? <PourOff plan={plan} minutes={minutes} toL={drip.bag.litres} clockAt={clockAt} /> : null}
      {running ? <MeasureNow drip={drip} onMeasured={(entity) => put('Measured', entity)} /> : null}
      {running ? (
        <Section title="Then">
          <Txt>{`${showQuantity('volume', usedL, units, 1)} of tank water used so far: have as much salt water ready. A cup is kinder than a net; none of the bag water goes in.`}</Txt>
          {measuredNear ? null : (
            <Txt kind="small" tone="nitrite">
              The end is told by what is measured in the container, not by the clock alone.
            </Txt>
          )}
          <Risks risks={risks} />
          {risks.length > 0 && !never ? (
            <TextField
              label="Why all the same"
              value={why}
              onChange={setWhy}
              error={asked && why.trim() === '' ? REASON_MISSING : undefined}
            />
          ) : null}
          <Button
            kind="primary"
            disabled={never}
            label={measuredNear ? 'They are in the tank' : 'They are in the tank already'}
            onPress={finish}
          />
        </Section>
      ) : null}
    </Screen>
  );
}

const toUnitOr = (unit: string, stored: number): number => {
  try {
    return toUnit(unit, stored);
  } catch {
    return stored;
  }
};
const shownOr = (unit: string, shown: number): string => shown.toFixed(Math.min(4, unitDecimals(unit)));
/** 0.001 of specific gravity in the unit shown, about 1.31 ppt. */
const nearInUnit = (unit: string, salinity: number): number =>
  Math.abs(toUnitOr(unit, salinity) - toUnitOr(unit, salinity - 1.31));

const styles = StyleSheet.create({
  between: { justifyContent: 'space-between' },
  shrink: { flexShrink: 1 },
  clock: { justifyContent: 'space-between', alignItems: 'flex-end' },
  minutes: { alignItems: 'baseline', gap: space(2) },
  ready: { alignItems: 'flex-end' },
});
