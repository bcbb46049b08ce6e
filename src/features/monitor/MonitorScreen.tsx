import { useState } from 'react';
import type { Monitor, Water } from '../../../core/document';
import { hoursOf, isChecked, MONITORED, type Monitored } from '../../../core/monitor';
import { HOUR_MS } from '../../../core/time';
import { MONITORED_WORDS, monitorValue } from '../../../core/words/monitor';
import {
  agoWords,
  commit,
  isoOf,
  newId,
  selectDocument,
  selectEvidence,
  selectWaters,
  useAppDispatch,
  useAppSelector,
  useNow,
} from '../../store';
import { deviceToken } from '../../store/deviceToken';
import { Button, Go, Line, Row, Screen, Section, Txt } from '../../ui';
import { Curves } from '../../ui/charts/Curves';
import { Pick } from '../../ui/Pick';
import { useUnits } from '../shell';
import { DeviceAlarms } from '../shell/monitor/DeviceAlarms';
import { handOf, recentDays } from '../shell/monitor/recent';
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
    </Screen>
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

/** The newest value of each, what asks for an eye, and two days drawn. */
function Tile({ monitor, water }: { monitor: Monitor; water: Water }) {
  const now = useNow();
  const units = useUnits();
  const all = useAppSelector((s) => selectDocument(s).monitorDays);
  const evidence = useAppSelector((s) => selectEvidence(s, water.id, now));
  const days = recentDays(all, monitor.id, now);
  const hand = handOf(evidence);
  const [what, setWhat] = useState<Monitored>('temperature');
  const had = MONITORED.filter((m) => days.some((d) => d.what === m));
  const drawn = hoursOf(days, what).filter((x) => now - x.atMs < 48 * HOUR_MS);
  const first = drawn[0];
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
            name={`${MONITORED_WORDS[m]}${isChecked(by?.atMs, now) ? '' : ', not checked by hand this week'}`}
            value={`${monitorValue(m, last.hour.mean, units)}, ${agoWords(Math.min(now, last.atMs + HOUR_MS), now)}`}
          />
        ) : null;
      })}
      {had.length > 0 ? (
        <Pick
          label="Two days of"
          value={what}
          options={had.map((m) => ({ value: m, label: MONITORED_WORDS[m] }))}
          onChange={setWhat}
        />
      ) : null}
      {first && drawn.length > 1 ? (
        <Curves
          curves={(['low', 'mean', 'high'] as const).map((k) => ({
            label: k,
            points: drawn.map((x) => ({ x: (x.atMs - now) / HOUR_MS, y: x.hour[k] })),
          }))}
          xLabel="h"
          yLabel=""
          summary={`${MONITORED_WORDS[what]} of the last two days by the hour; ${48 - drawn.length} hours have no reading.`}
        />
      ) : null}
      {first ? (
        <Txt kind="small" tone="second">
          {`${drawn.length} of 48 hours have readings.`}
        </Txt>
      ) : null}
      <Go href={`/water/${water.id}/log`}>Test by hand: that checks the device</Go>
    </>
  );
}
