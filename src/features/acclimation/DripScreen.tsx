import { View } from 'react-native';
import type { Drip, Water } from '../../../core/document';
import { dripAt, dripWaterUsedL, NEAR_C, nearEnough } from '../../../core/acclimation';
import { showQuantity, toUnit, unitDecimals, unitLabel } from '../../../core/units';
import { isoOf, useAppSelector, useNow } from '../../store';
import { Button, Row, Screen, Section, space, Txt, useChime, styleSheet } from '../../ui';
import { ConvergeChart } from '../../ui/charts/ConvergeChart';
import { NotHere, useParam, useUnits, WithWater } from '../shell';
import { Before } from './Before';
import { CupWatch, DropPulse } from './DropPulse';
import { Float } from './Float';
import { LetIn } from './LetIn';
import { MeasureNow, PourOff } from './OnTheWay';
import { PutBack } from './PutBack';
import { courseFrom, lastMeasuredIn, useCourse, useSession } from './session';
import { SessionTitle } from './SessionTitle';

export function DripScreen() {
  return <WithWater>{(water) => <Resolve water={water} />}</WithWater>;
}

function Resolve({ water }: { water: Water }) {
  const id = useParam('dripId');
  const drips = useAppSelector((s) => s.document.entities.drips);
  const drip = Object.hasOwn(drips, id) ? drips[id] : undefined;
  return drip && drip.waterId === water.id ? <LiveDrip water={water} drip={drip} /> : <NotHere what="drip" />;
}

/** The session by its way: a bag that only floats, or a container that drips, maybe after it floated. */
function LiveDrip({ water, drip }: { water: Water; drip: Drip }) {
  const running = drip.startedAt !== null && drip.finishedAt === null;
  const now = useNow(running ? 1000 : 30_000);
  const floating =
    drip.way === 'temperatureOnly' || (drip.way === 'cleanWater' && (drip.intoCleanAt ?? null) === null);
  return floating ? (
    <Float water={water} drip={drip} now={now} />
  ) : (
    <Dripping water={water} drip={drip} now={now} />
  );
}

/** Preconditions, the run by wall clock (it goes on through sleep and reload), and the steps that close it. */
function Dripping({ water, drip, now }: { water: Water; drip: Drip; now: number }) {
  const units = useUnits();
  // The clock ticks each second; the plan changes only with the session.
  const plan = useCourse(drip);
  const startMs = courseFrom(drip);
  const running = startMs !== null && drip.finishedAt === null;
  const endMs = drip.finishedAt === null ? now : Date.parse(drip.finishedAt);
  const session = useSession(drip, startMs, endMs);
  const { who, least, minutes, clockAt, put } = session;
  const floats = drip.floats?.[drip.floats.length - 1]?.on ?? drip.floating;
  const at = dripAt(plan, Math.min(minutes, 240));
  const setRate = (rate: number) =>
    void put(`Drip rate ${rate.toFixed(1)} a second`, { ...drip, dropsPerSecond: rate });
  // Where temperature never comes near (an open bucket in a cool room) the salinity still tells how long the drip takes.
  const heatLate = plan.readyMinutes === null && plan.salinityReadyMinutes !== null;
  const soonest = plan.readyMinutes ?? plan.salinityReadyMinutes;
  const aim = soonest === null ? null : Math.max(soonest, least);
  const left = aim === null ? null : Math.max(0, aim - minutes);
  const near = running && left === 0;
  // The reckoned end calls for a measurement.
  useChime(near ? 1 : 0);
  const lastMeasured = lastMeasuredIn(drip);
  const found = lastMeasured ? nearEnough(lastMeasured, drip.water) : null;
  const measuredNear = found !== null && found.salinity && found.tempC;
  const usedL = dripWaterUsedL(plan, minutes);
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

  return (
    <Screen title="Drip">
      <SessionTitle what="Drip" who={who} water={water} />
      {startMs === null ? (
        <>
          <Txt kind="title">
            {aim === null
              ? 'More than four hours'
              : `About ${Math.ceil(aim)} min${heatLate ? ', floated' : ''}`}
          </Txt>
          <Before water={water} drip={drip} now={now} session={session} />
        </>
      ) : done ? (
        <PutBack water={water} drip={drip} usedL={usedL} session={session} />
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
              void put(
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
          <LetIn
            water={water}
            drip={drip}
            now={now}
            label={measuredNear ? 'They are in the tank' : 'They are in the tank already'}
            onIn={(finishedAt, edits) =>
              void put(
                `${who} moved in`,
                {
                  ...drip,
                  checks: { ...drip.checks, bagWaterAway: drip.checks.bagWaterAway ?? null },
                  finishedAt,
                },
                edits,
              )
            }
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

const styles = styleSheet({
  clock: { justifyContent: 'space-between', alignItems: 'flex-end' },
  minutes: { alignItems: 'baseline', gap: space(2) },
  ready: { alignItems: 'flex-end' },
});
