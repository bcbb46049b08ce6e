import { DAY_MS } from '../../../core/time';
import { surpriseWords } from '../../../core/words/forecast';
import { Link, type Href } from 'expo-router';
import { useEffect } from 'react';
import { View } from 'react-native';
import type { Display } from '../../../core/document';
import type { GateId } from '../../../core/statements';
import { localMidnight, selectEvidence, shortDay, useAppSelector } from '../../store';
import { Txt, styleSheet } from '../../ui';
import { DateStrip } from '../../ui/charts/DateStrip';
import { useKeptForecast } from '../shell/quietForecast';
import { isDated, type LikelyState } from './likely';
import { likelyWords, SOON } from './likelyWords';
import { likelyPlace, WorkingOut } from './WorkingOut';

/** The forecast for the gate a tank stands at, worked out quietly, kept with its inputs, and shown. `onState` hears how it stands. */
export function LikelyDates({
  water,
  gate,
  now,
  onState,
}: {
  water: Display;
  gate: GateId | null;
  now: number;
  onState: (state: LikelyState) => void;
}) {
  const state = useLikely(water, gate, now);
  const likely = state.kind === 'said' ? state.likely : null;
  useEffect(() => {
    onState(likely ? { kind: 'said', likely } : { kind: state.kind === 'off' ? 'off' : 'working' });
  }, [onState, state.kind, likely]);
  return <Dates water={water} gate={gate} state={state} />;
}

function useLikely(water: Display, gate: GateId | null, now: number): LikelyState {
  const state = useKeptForecast(water.id, now, isDated(gate));
  return state.kind === 'said' ? { kind: 'said', likely: state.said } : state;
}

/** When the gate is likely to open, as a line of days and in words. */
function Dates({ water, gate, state }: { water: Display; gate: GateId | null; state: LikelyState }) {
  const animalsIn = useAppSelector(
    (s) => state.kind === 'said' && selectEvidence(s, water.id, state.likely.atMs).isInhabited,
  );
  if (state.kind === 'off') return null;
  if (state.kind === 'working') return <WorkingOut />;
  const { atMs } = state.likely;
  const { q, said, more } = likelyWords(state.likely, gate === 'proof', shortDay, animalsIn);
  const at = (days: number) => atMs + days * DAY_MS;
  return (
    <>
      {state.likely.surprises.map((s) => (
        <Txt key={`${s.what}${s.atMs}`} kind="small" tone="nitrite">
          {surpriseWords(s.what, shortDay(s.atMs), s.expected, animalsIn)}
        </Txt>
      ))}
      <Link href={`/water/${water.id}/cycle/forecast` as Href} style={styles.link}>
        <View style={likelyPlace}>
          <Txt kind="strong">
            {`${said}  `}
            {more ? null : <Txt style={styles.why}>why</Txt>}
          </Txt>
          {q.p50 !== null && q.p50 >= SOON ? (
            // It says again what stands above it.
            <View aria-hidden>
              <DateStrip
                nowMs={atMs}
                lowMs={at(q.p10 ?? 0)}
                midMs={at(q.p50)}
                highMs={q.p90 === null ? null : at(q.p90)}
                summary={said}
                midnight={localMidnight}
                dayLabel={shortDay}
              />
            </View>
          ) : null}
          {more ? (
            <Txt kind="small" tone="second">
              {`${more}  `}
              <Txt kind="small" style={styles.why}>
                why
              </Txt>
            </Txt>
          ) : null}
        </View>
      </Link>
    </>
  );
}

const styles = styleSheet({
  link: { display: 'flex' },
  why: { textDecorationLine: 'underline' },
});
