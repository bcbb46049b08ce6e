import { useMemo, useState } from 'react';
import type { Edit, Monitor, Water } from '../../../core/document';
import { BY_HAND, hoursOf, isChecked, MONITORED, type Monitored } from '../../../core/monitor';
import { HOUR_MS } from '../../../core/time';
import { formatDecimal } from '../../../core/units';
import { MONITORED_WORDS, monitorScale, monitorValue } from '../../../core/words/monitor';
import {
  agoWords,
  commit,
  isoOf,
  localMidnight,
  newId,
  selectDocument,
  selectEvidence,
  selectWaters,
  shortDay,
  useAppDispatch,
  useAppSelector,
  useNow,
} from '../../store';
import { deviceToken } from '../../store/deviceToken';
import { Button, Go, Line, Row, Screen, Section, Txt } from '../../ui';
import { TimeChart } from '../../ui/charts/TimeChart';
import { Pick } from '../../ui/Pick';
import { useUnits } from '../shell';
import { useCourse } from '../shell/monitor/course';
import { DeviceAlarms } from '../shell/monitor/DeviceAlarms';
import { handOf, newestDays, recentDays } from '../shell/monitor/recent';
import { useLink } from './link';
import { pair, revoke } from './stream';

const LINK_WORDS = {
  connecting: 'Connecting.',
  open: 'Connected.',
  cut: 'The line is cut: it is tried again by itself, and nothing is lost meanwhile.',
  refused: 'The token is wrong or was revoked: pair again.',
};

/** A device beside the hand tests: paired, read, watched; it closes no gate. */
export function MonitorScreen() {
  const monitors = useAppSelector((s) => selectDocument(s).monitors);
  const monitor = Object.values(monitors).find((m) => m.revokedAt === null);
  return (
    <Screen title="Monitor">
      <Txt kind="title" heading={1}>
        Monitor
      </Txt>
      {monitor ? <Paired key={monitor.id} monitor={monitor} /> : <Pairing />}
      <Earlier />
    </Screen>
  );
}

/** What was disconnected, and what tables brought: it is in the log all the same, until it is removed. */
function Earlier() {
  const { monitors, monitorDays } = useAppSelector(selectDocument);
  const gone = Object.values(monitors).filter(
    (m) => m.revokedAt !== null && newestDays(monitorDays, m.id).size > 0,
  );
  if (gone.length === 0) return null;
  return (
    <Section title="No longer connected">
      {gone.map((m) => (
        <Disconnected key={m.id} monitor={m} />
      ))}
    </Section>
  );
}

function Disconnected({ monitor: { id, name, waterId, revokedAt } }: { monitor: Monitor }) {
  const dispatch = useAppDispatch();
  const { waters, monitorDays } = useAppSelector(selectDocument);
  const until = revokedAt === null ? '' : `, until ${shortDay(Date.parse(revokedAt))}`;
  const remove = () => {
    const hours = Object.values(monitorDays).filter((d) => d.monitorId === id);
    void dispatch(
      commit('Device removed', [
        ...hours.map((d): Edit => ({ remove: 'monitorDays', id: d.id })),
        { remove: 'monitors', id },
      ]),
    );
  };
  return (
    <Row wrap>
      <Go href={`/water/${waterId}/log/readings`}>{`${name}, ${waters[waterId]?.name ?? ''}${until}`}</Go>
      <Button kind="quiet" label="Remove it and its hours" onPress={remove} />
    </Row>
  );
}

function Pairing() {
  const dispatch = useAppDispatch();
  const waters = useAppSelector(selectWaters);
  const [waterId, setWaterId] = useState(waters[0]?.id ?? '');
  const [said, setSaid] = useState<string | null>(null);
  const go = async () => {
    try {
      await pair();
    } catch (error) {
      setSaid(error instanceof Error ? error.message : 'It could not be paired.');
      return;
    }
    await dispatch(
      commit('Device paired', [
        {
          put: 'monitors',
          entity: { id: newId(), waterId, name: 'Device', pairedAt: isoOf(Date.now()), revokedAt: null },
        },
      ]),
    );
  };
  return (
    <>
      <Txt>
        A device, or a bridge to one, sends its readings to the server that hands out this page; here they
        become hours. It stands beside your kits: it can warn, it closes no gate.
      </Txt>
      {waters.length === 0 ? (
        <Txt tone="second">Describe a tank first.</Txt>
      ) : (
        <>
          <Pick
            label="It hangs in"
            value={waterId}
            options={waters.map((w) => ({ value: w.id, label: w.name }))}
            onChange={setWaterId}
          />
          <Row>
            <Button kind="primary" label="Pair" onPress={() => void go()} />
          </Row>
        </>
      )}
      {said ? (
        <Txt tone="ammonia" live>
          {said}
        </Txt>
      ) : null}
    </>
  );
}

function Paired({ monitor }: { monitor: Monitor }) {
  const dispatch = useAppDispatch();
  const waters = useAppSelector((s) => selectDocument(s).waters);
  const water: Water | undefined = waters[monitor.waterId];
  const link = useLink();
  const [shown, setShown] = useState(false);
  const token = deviceToken();
  return (
    <>
      <Line name={monitor.name} value={water?.name ?? ''} />
      <Txt tone={link === 'open' ? 'second' : 'nitrite'} live>
        {LINK_WORDS[link]}
      </Txt>
      {water ? <Tile monitor={monitor} water={water} /> : null}
      <Section title="For the bridge">
        <Txt kind="small" tone="second">
          POST /readings on this server, JSON, with the header Authorization: Bearer and the token.
          docs/monitor.md has an example.
        </Txt>
        {token && shown ? <Txt>{token}</Txt> : null}
        <Row wrap>
          {token && !shown ? <Button label="Show the token" onPress={() => setShown(true)} /> : null}
          <Button
            kind="quiet"
            label="Revoke it"
            onPress={() => {
              void revoke();
              void dispatch(
                commit('Device revoked', [
                  { put: 'monitors', entity: { ...monitor, revokedAt: isoOf(Date.now()) } },
                ]),
              );
            }}
          />
        </Row>
      </Section>
    </>
  );
}

/** The newest value of each, what asks for an eye, and its course drawn. */
function Tile({ monitor, water }: { monitor: Monitor; water: Water }) {
  const now = useNow();
  const units = useUnits();
  const all = useAppSelector((s) => selectDocument(s).monitorDays);
  const evidence = useAppSelector((s) => selectEvidence(s, water.id, now));
  const days = recentDays(all, monitor.id, now);
  const hand = handOf(evidence);
  const [wanted, setWanted] = useState<Monitored>('temperature');
  // Also what it sent long ago: what the log holds is not denied.
  const sent = newestDays(all, monitor.id);
  const had = MONITORED.filter((m) => sent.has(m));
  const what = had.includes(wanted) ? wanted : had[0];
  return (
    <>
      <DeviceAlarms water={water} />
      {had.length === 0 ? <Txt tone="second">Nothing has come yet.</Txt> : null}
      {had.map((m) => {
        const last = hoursOf(days, m).at(-1);
        const by = hand[m];
        return last ? (
          <Line
            key={m}
            name={`${MONITORED_WORDS[m]}${!BY_HAND[m] || isChecked(by?.atMs, now) ? '' : ', not checked by hand this week'}`}
            value={`${monitorValue(m, last.hour.mean, units)}, ${agoWords(Math.min(now, last.atMs + HOUR_MS), now)}`}
          />
        ) : null;
      })}
      {what ? (
        <>
          <Pick
            label="Drawn"
            value={what}
            options={had.map((m) => ({ value: m, label: MONITORED_WORDS[m] }))}
            onChange={setWanted}
          />
          <Drawn key={what} water={water} what={what} now={now} />
        </>
      ) : null}
      <Go href={`/water/${water.id}/log`}>Test by hand: that checks the device</Go>
    </>
  );
}

/** All hours of one quantity, the last two days first. */
function Drawn({ water, what, now }: { water: Water; what: Monitored; now: number }) {
  const units = useUnits();
  const scale = useMemo(() => monitorScale(what, units), [what, units]);
  const course = useCourse(water.id, what, scale.show);
  const parameter = BY_HAND[what];
  if (!course) return null;
  return (
    <>
      <TimeChart
        points={[]}
        course={course}
        days={2}
        band={null}
        marks={[]}
        unit={scale.label || MONITORED_WORDS[what]}
        format={(x) => formatDecimal(x, scale.decimals)}
        midnight={localMidnight}
        dayLabel={shortDay}
        nowMs={now}
        summary={`${MONITORED_WORDS[what]} by the hour, from ${shortDay(course.firstMs)} to ${shortDay(course.lastMs - 1)}.`}
      />
      <Txt kind="small" tone="second">
        From the lowest to the highest of each stretch, its mean as a line; open where nothing came.
      </Txt>
      {parameter ? (
        <Go href={`/water/${water.id}/log/readings/${parameter}`}>The same beside your tests by hand</Go>
      ) : null}
    </>
  );
}
