import { Link, type Href } from 'expo-router';
import { useCallback } from 'react';
import { StyleSheet, View } from 'react-native';
import type { Tank } from '../../../core/document';
import type { GateId } from '../../../core/readiness';
import { forecastKept, localMidnight, selectDocument, shortDay, useAppDispatch, useAppSelector } from '../../store';
import { space, Txt } from '../../ui';
import { DateStrip } from '../../ui/charts';
import { useQuietForecast } from '../../workers';
import { keptOf, likelyWords, SOON, type Likely } from './likelyWords';

const DAY = 86_400_000;
/** Gates at which a forecast says when; later ones are opened by the calendar or by the person. */
const DATED: readonly GateId[] = ['ammoniaFalling', 'nitriteFalling', 'bothClear', 'film', 'proof'];

export type LikelyState = { kind: 'off' } | { kind: 'working' } | { kind: 'said'; likely: Likely };

/** The forecast for the gate a tank stands at, worked out quietly and kept with its inputs. */
export function useLikely(tank: Tank, gate: GateId | null, now: number): LikelyState {
  const dispatch = useAppDispatch();
  const doc = useAppSelector(selectDocument);
  const kept = useAppSelector((s) => s.drafts.forecasts[tank.id]);
  const on = gate !== null && DATED.includes(gate);
  const onAnswer = useCallback((inputs: string, answer: Parameters<typeof keptOf>[1]) => {
    dispatch(forecastKept({ tankId: tank.id, forecast: keptOf(inputs, answer) }));
  }, [dispatch, tank.id]);
  const inputs = useQuietForecast({ doc, tankId: tank.id, nowMs: now, on, keptInputs: kept?.inputs ?? null, onAnswer });
  if (inputs === null) return { kind: 'off' };
  if (kept?.inputs !== inputs) return { kind: 'working' };
  return 'atMs' in kept ? { kind: 'said', likely: kept } : { kind: 'off' };
}

/** When the gate is likely to open, as a line of days and in words. */
export function LikelyDates({ tank, gate, state }: { tank: Tank; gate: GateId | null; state: LikelyState }) {
  if (state.kind === 'off') return null;
  if (state.kind === 'working') return <View style={styles.place}><Txt kind="small" tone="second">Working out when …</Txt></View>;
  const { atMs } = state.likely;
  const { q, said, more } = likelyWords(state.likely, gate === 'proof', shortDay);
  const at = (days: number) => atMs + days * DAY;
  return (
    <>
      {state.likely.surprises.map((s) => (
        <Txt key={`${s.what}${s.atMs}`} kind="small" tone="nitrite">{`The ${s.what} reading of ${shortDay(s.atMs)} surprises: about ${s.expected} was expected. Before believing it, repeat the test; check the kit’s basis and date, and whether a dose or change is missing from the log.`}</Txt>
      ))}
      <Link href={`/tank/${tank.id}/cycle/forecast` as Href} aria-label={`${said}. ${more} To the forecast`} style={styles.link}>
        <View style={styles.place}>
          <Txt kind="strong">{`${said}  `}{more ? null : <Txt style={styles.why}>why</Txt>}</Txt>
          {q.p50 !== null && q.p50 >= SOON ? (
            <DateStrip nowMs={atMs} lowMs={at(q.p10 ?? 0)} midMs={at(q.p50)} highMs={q.p90 === null ? null : at(q.p90)} summary={said} midnight={localMidnight} dayLabel={shortDay} />
          ) : null}
          {more ? <Txt kind="small" tone="second">{`${more}  `}<Txt kind="small" style={styles.why}>why</Txt></Txt> : null}
        </View>
      </Link>
    </>
  );
}

const styles = StyleSheet.create({ link: { display: 'flex' }, place: { width: '100%', minHeight: 104, gap: space(1) }, why: { textDecorationLine: 'underline' } });
