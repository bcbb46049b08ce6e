import { Link, type Href } from 'expo-router';
import { useCallback } from 'react';
import { StyleSheet, View } from 'react-native';
import type { Tank } from '../../../core/document';
import { expectedWords, shortDates, type Answer } from '../../../core/forecast';
import type { GateId } from '../../../core/readiness';
import { forecastKept, localMidnight, selectDocument, shortDay, useAppDispatch, useAppSelector, type KeptForecast } from '../../store';
import { space, Txt } from '../../ui';
import { DateStrip } from '../../ui/charts';
import { useQuietForecast } from '../../workers';

const DAY = 86_400_000;
/** Gates at which a forecast says when; later ones are opened by the calendar or by the person. */
const DATED: readonly GateId[] = ['ammoniaFalling', 'nitriteFalling', 'bothClear', 'film', 'proof'];

export type Likely = Extract<KeptForecast, { atMs: number }>;
export type LikelyState = { kind: 'off' } | { kind: 'working' } | { kind: 'said'; likely: Likely };

/** What is kept of an answer: the two dates Today speaks of and the test that tells most. */
export const keptOf = (inputs: string, a: Answer): KeptForecast =>
  a.status === 'cannotSay' ? { inputs, cannotSay: a.because.slice(0, 400) } : { inputs, atMs: a.atMs, horizonDays: a.forecast.horizonDays, proved: a.proved, ready: a.forecast.ready, bothClear: a.forecast.nitriteClear, nextTest: a.nextTest, surprises: a.surprises.map((s) => ({ what: s.what, atMs: a.startMs + s.day * DAY, expected: expectedWords(s) })) };

/** The forecast for the gate a tank stands at, worked out quietly and kept with its inputs. */
export function useLikely(tank: Tank, gate: GateId | null, now: number): LikelyState {
  const dispatch = useAppDispatch();
  const doc = useAppSelector(selectDocument);
  const kept = useAppSelector((s) => s.drafts.forecasts[tank.id]);
  const on = gate !== null && DATED.includes(gate);
  const onAnswer = useCallback((inputs: string, answer: Answer) => {
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
  const { atMs, ready, bothClear } = state.likely;
  const proof = gate === 'proof';
  const q = proof ? ready : bothClear;
  const words = shortDates(q, atMs, shortDay);
  const later = proof ? null : shortDates(ready, atMs, shortDay);
  const at = (days: number) => atMs + days * DAY;
  const said = words === null ? `${proof ? 'A proof' : 'Both clear'}: not in sight within ${state.likely.horizonDays} days as things go.` : `${proof ? 'Proof passes' : 'Both clear'} ${words}`;
  const more = later ? `A proof of 2 mg/L would pass ${later}.` : '';
  return (
    <>
    {state.likely.surprises.map((s) => (
      <Txt key={`${s.what}${s.atMs}`} kind="small" tone="nitrite">{`The ${s.what} reading of ${shortDay(s.atMs)} surprises: about ${s.expected} was expected. Before believing it, repeat the test; check the kit’s basis and date, and whether a dose or change is missing from the log.`}</Txt>
    ))}
    <Link href={`/tank/${tank.id}/cycle/forecast` as Href} aria-label={`${said}. ${more} To the forecast`} style={styles.link}>
      <View style={styles.place}>
        <Txt kind="strong">{`${said}  `}{more ? null : <Txt style={styles.why}>why</Txt>}</Txt>
        {words !== null && q.p50 !== null && q.p50 >= 0.6 ? (
          <DateStrip nowMs={atMs} lowMs={at(q.p10 ?? 0)} midMs={at(q.p50)} highMs={q.p90 === null ? null : at(q.p90)} summary={said} midnight={localMidnight} dayLabel={shortDay} />
        ) : null}
        {more ? <Txt kind="small" tone="second">{`${more}  `}<Txt kind="small" style={styles.why}>why</Txt></Txt> : null}
      </View>
    </Link>
    </>
  );
}

const styles = StyleSheet.create({ link: { display: 'flex' }, place: { width: '100%', minHeight: 104, gap: space(1) }, why: { textDecorationLine: 'underline' } });
