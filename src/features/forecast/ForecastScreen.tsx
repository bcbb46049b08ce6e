import { type Statement } from '../../../core/statements';
import { DAY_MS } from '../../../core/time';
import type { Href } from 'expo-router';
import { useState } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import type { Display } from '../../../core/document';
import { plannedLoad, WHAT_IFS, type Answer, type PlanChoice, type WhatIf } from '../../../core/forecast';
import { sentence, inUnits } from '../../../core/words';
import {
  dateWords,
  derivation,
  expectedWords,
  headline,
  type Derived,
  planWords,
  whyLong,
} from '../../../core/words/forecast';
import { formatDecimal, fromMgNPerL } from '../../../core/units';
import {
  localMidnight,
  selectDocument,
  selectEvidence,
  shortDay,
  useAppSelector,
  useNow,
  weekdayShort,
} from '../../store';
import {
  Button,
  Choice,
  Go,
  Line,
  Row,
  Screen,
  Section,
  space,
  TARGET,
  Table,
  Txt,
  useTheme,
} from '../../ui';
import { BandStrips, type BandSeries } from '../../ui/charts/BandStrips';
import { useWords, WithDisplay } from '../shell';
import { useForecast } from '../../workers';

export function ForecastScreen() {
  return <WithDisplay>{(water) => <ForecastPage water={water} />}</WithDisplay>;
}

const PLAN_WORDS: Record<PlanChoice, { label: string; note: string }> = {
  asSoFar: { label: 'As so far', note: 'what the log shows goes on' },
  dose: { label: 'Dose again when clear', note: 'grows most bacteria' },
  feed: { label: 'Feed a little daily', note: 'slow, gentle' },
  bottle: { label: 'A new bottle of bacteria', note: 'now; then as so far' },
  wait: { label: 'Wait', note: 'nothing more goes in' },
};

/** When: dates with their doubt, under a plan that is shown; what the bacteria seem to do; what another course would change. */
function ForecastPage({ water }: { water: Display }) {
  const now = useNow(600_000);
  const doc = useAppSelector(selectDocument);
  const [plan, setPlan] = useState<PlanChoice>('asSoFar');
  const animalsIn = useAppSelector((s) => selectEvidence(s, water.id, now).residents.length > 0);
  const { state, run, stop, vary } = useForecast(doc, water.id, now);
  const running = state.kind === 'running';
  return (
    <Screen
      title="Forecast"
      footer={
        <Row style={styles.footer}>
          {running ? (
            <Button label="Stop" onPress={stop} />
          ) : (
            <Button
              kind="primary"
              label={state.kind === 'answered' ? 'Work it out again' : 'Work it out'}
              onPress={() => run(plan)}
            />
          )}
        </Row>
      }
      aside={
        <>
          <Txt kind="section" heading={2}>
            What you will go on doing
          </Txt>
          <Choice
            label="Plan"
            stacked
            options={(Object.keys(PLAN_WORDS) as PlanChoice[])
              .filter((p) => !animalsIn || p === 'asSoFar' || p === 'bottle' || p === 'wait')
              .map((value) => ({ value, label: PLAN_WORDS[value].label, note: PLAN_WORDS[value].note }))}
            value={plan}
            onChange={(next) => {
              setPlan(next);
              // What was asked is asked again under the new plan; the fit is kept.
              if (state.kind !== 'idle') run(next);
            }}
          />
          {animalsIn ? (
            <Txt kind="small" tone="second">
              With animals in, ammonia is not dosed any more: the forecast follows what they are fed.
            </Txt>
          ) : null}
          {state.kind === 'answered' && state.answer.status === 'ok' ? (
            <Txt kind="small">{`Reckoned with: ${planWords(state.answer.plan)}`}</Txt>
          ) : null}
          <Txt kind="small" tone="second">
            The dates hold for this plan. Alkalinity is taken to be buffered when it falls under 6 dKH.
          </Txt>
        </>
      }
    >
      <Txt kind="title" heading={1}>
        When?
      </Txt>
      {state.kind === 'idle' ? (
        <Txt tone="second">
          A model of the tank is fitted to your own readings, with what their kits leave open, and run on many
          times. It takes a second or two and says how sure it is.
        </Txt>
      ) : null}
      {running ? <Progress done={state.done} /> : null}
      {state.kind === 'stopped' ? (
        <Txt live>Stopped. Nothing is lost: work it out again when you like.</Txt>
      ) : null}
      {state.kind === 'failed' ? (
        <Txt
          tone="ammonia"
          live
        >{`The forecast did not finish: ${state.message}. Your log is untouched; run it again.`}</Txt>
      ) : null}
      {state.kind === 'answered' ? (
        state.answer.status === 'cannotSay' ? (
          <CannotSay water={water} because={state.answer.because} />
        ) : (
          <Answered
            water={water}
            answer={state.answer}
            whatIfs={state.whatIfs}
            varying={state.varying}
            onVary={vary}
          />
        )
      ) : null}
    </Screen>
  );
}

/** No dates: why, and where to go on. */
function CannotSay({ water, because }: { water: Display; because: Statement }) {
  const words = useWords();
  return (
    <>
      <Txt kind="row" live>{`Cannot say yet: ${sentence(because, words)}`}</Txt>
      <Row wrap>
        <Go href={`/water/${water.id}/log` as Href}>Log a sample</Go>
        <Go href={`/water/${water.id}/cycle` as Href}>What the ledger finds</Go>
      </Row>
    </>
  );
}

function Progress({ done }: { done: number }) {
  const { roles } = useTheme();
  const percent = Math.round(done * 100);
  return (
    <View
      role="progressbar"
      aria-label="Fitting the model to your readings"
      aria-valuenow={percent}
      aria-valuemin={0}
      aria-valuemax={100}
      style={styles.progress}
    >
      <Txt>{`Fitting the model to your readings, ${percent} %`}</Txt>
      <View style={[styles.track, { backgroundColor: roles.hairline }]}>
        <View style={[styles.bar, { backgroundColor: roles.nitrate, width: `${percent}%` }]} />
      </View>
    </View>
  );
}

type Ok = Extract<Answer, { status: 'ok' }>;

function Answered({
  water,
  answer: a,
  whatIfs,
  varying,
  onVary,
}: {
  water: Display;
  answer: Ok;
  whatIfs: WhatIf[] | null;
  varying: boolean;
  onVary: () => void;
}) {
  const { units } = useWords();
  const doc = useAppSelector(selectDocument);
  const [table, setTable] = useState(false);
  const f = a.forecast;
  const head = headline(a, shortDay);
  const when = (q: Parameters<typeof dateWords>[0]) => dateWords(q, a.atMs, f.horizonDays, shortDay);
  const load = plannedLoad(doc, water.id);
  const hours = ([low, mid, high]: [number, number, number]) =>
    `about every ${mid.toFixed(0)} h (${low.toFixed(0)} to ${high.toFixed(0)})`;
  return (
    <>
      <Txt kind="word" live tone={head.word === 'Now' || a.proved ? 'go' : 'ink'} style={styles.word}>
        {head.word}
      </Txt>
      <Txt style={styles.big}>{head.text}</Txt>
      {a.surprises.map((s) => (
        <Txt
          key={`${s.what}${s.day}`}
          tone="nitrite"
        >{`The ${s.what} reading of ${shortDay(a.startMs + s.day * DAY_MS)} surprises: about ${expectedWords(s)} was expected. Before believing it: repeat the test, check basis and date, and whether a dose or change is missing from the log.`}</Txt>
      ))}
      <Told answer={a} what="ammoniaClear" name="Ammonia reads zero" value={when(f.ammoniaClear)} />
      <Told answer={a} what="bothClear" name="Both read zero" value={when(f.nitriteClear)} />
      {a.proved ? (
        <Line name="A proof of 2 mg/L would pass" value="passed" />
      ) : (
        <Told answer={a} what="ready" name="A proof of 2 mg/L would pass" value={when(f.ready)} />
      )}
      {f.readyForLoad ? (
        <Told answer={a} what="load" name={`Ready for ${load.words}`} value={when(f.readyForLoad)} />
      ) : null}
      {f.ready.p50 !== null && f.neverShare > 0.1 && !a.proved ? (
        <Txt
          kind="small"
          tone="second"
        >{`In ${Math.round(f.neverShare * 100)} of 100 futures it does not get there. ${whyLong(a)}`}</Txt>
      ) : null}
      {a.nextTest ? (
        <Txt kind="strong">{`The next test that tells most: ${a.nextTest.what} on ${weekdayShort(a.atMs + a.nextTest.day * DAY_MS)}.`}</Txt>
      ) : null}
      <Bands water={water} answer={a} />
      <Button
        kind="quiet"
        label={table ? 'Hide the table' : 'Show as a table'}
        expanded={table}
        onPress={() => setTable(!table)}
      />
      {table ? (
        <Table
          caption="Forecast, mg N/L and dKH: lowest tenth, middle, highest tenth"
          columns={[
            { title: 'day', flex: 0.8 },
            { title: 'ammonia', flex: 1.3 },
            { title: 'nitrite', flex: 1.3 },
            { title: 'nitrate', flex: 1.3 },
            { title: 'alkalinity', flex: 1.3 },
          ]}
          rows={f.bands
            .filter((b) => b.day % 5 === 0 && b.day <= 60)
            .map((b) => [
              shortDay(a.atMs + b.day * DAY_MS),
              ...[b.ammonia, b.nitrite, b.nitrate, b.alkalinity].map((x) =>
                x.map((v) => formatDecimal(v, v < 10 ? 2 : 1)).join(' / '),
              ),
            ])}
        />
      ) : null}
      <Section title="What the bacteria seem to do">
        <Told answer={a} what="doublingA" name="First group doubles" value={hours(f.doublingA)} />
        <Told answer={a} what="doublingN" name="Second group doubles" value={hours(f.doublingN)} />
        <Told
          answer={a}
          what="alkalinity"
          name="Alkalinity under 7 dKH, unbuffered"
          value={when(f.alkalinity7)}
        />
        <Line name="Under 5 dKH" value={when(f.alkalinity5)} />
        <Txt
          kind="small"
          tone="second"
        >{`Fitted to ${a.readings} trusted readings as intervals, with the reader’s error, by sequential Monte Carlo; growth may wander from week to week and kits may err together, because the tank is not the model. Doubling when food is plenty.`}</Txt>
      </Section>
      <Section title="What if">
        {whatIfs === null ? <Button label="Compare other courses" onPress={onVary} /> : null}
        {varying ? (
          <Txt live tone="second">
            Working through the other courses.
          </Txt>
        ) : null}
        {whatIfs && whatIfs.length > 0 ? (
          <Table
            caption="Other courses against the present one"
            columns={[
              { title: 'course', flex: 1.6 },
              { title: 'proof passes', flex: 1.5 },
              { title: 'days won', flex: 1.1 },
            ]}
            rows={whatIfs.map((w) => [inUnits(WHAT_IFS[w.id].title, units), when(w.ready), gainWords(w)])}
          />
        ) : null}
      </Section>
    </>
  );
}

/** A line that opens how its number came about. */
function Told({ answer, what, name, value }: { answer: Ok; what: Derived; name: string; value: string }) {
  const { units } = useWords();
  const { roles } = useTheme();
  const [open, setOpen] = useState(false);
  return (
    <View style={[styles.told, { borderColor: roles.hairline }]}>
      <Pressable
        role="button"
        aria-expanded={open}
        aria-label={`${name}: ${value}. How it is worked out`}
        onPress={() => setOpen(!open)}
        style={styles.toldLine}
      >
        <Txt style={styles.toldName}>
          {`${name}  `}
          <Txt kind="small" tone="second" style={styles.how}>
            how
          </Txt>
        </Txt>
        <Txt kind="strong" style={styles.toldValue}>
          {value}
        </Txt>
      </Pressable>
      {open ? (
        <View style={styles.toldHow}>
          {derivation(what, answer, units).map((line) => (
            <Txt key={line} kind="small" tone="second">
              {line}
            </Txt>
          ))}
        </View>
      ) : null}
    </View>
  );
}

/** "4 (1 to 9)", "no change", "12 more in 100 get there". */
function gainWords(w: WhatIf): string {
  const more = Math.round(w.reachesMore * 100);
  const share =
    Math.abs(more) >= 5 ? `${Math.abs(more)} ${more > 0 ? 'more' : 'fewer'} in 100 get there` : '';
  const { p10, p50, p90 } = w.gain;
  if (p10 === null || p50 === null || p90 === null) return share || 'cannot compare';
  const gain =
    Math.abs(p50) < 0.5 && Math.abs(p10) < 1 && Math.abs(p90) < 1
      ? 'no change'
      : `${p50.toFixed(0)} (${p10.toFixed(0)} to ${p90.toFixed(0)})`;
  return [gain, share].filter(Boolean).join(', ');
}

type Strip = 'ammonia' | 'nitrite' | 'nitrate' | 'alkalinity';

/** Past and future as bands with the readings over them. */
function Bands({ water, answer: a }: { water: Display; answer: Ok }) {
  const now = useNow(600_000);
  const evidence = useAppSelector((s) => selectEvidence(s, water.id, now));
  const ahead = Math.min(45, a.forecast.horizonDays);
  const toMs = a.atMs + ahead * DAY_MS;
  const fromMs = Math.max(a.startMs, a.atMs - 60 * DAY_MS);
  const days = [...a.fit, ...a.forecast.bands.filter((b) => b.day <= ahead)];
  const of = (key: Strip, k: number): BandSeries['bands'] =>
    days
      .map((b) => ({
        atMs: a.atMs + b.day * DAY_MS,
        low: b[key][0] * k,
        mid: b[key][1] * k,
        high: b[key][2] * k,
      }))
      .filter((b) => b.atMs >= fromMs);
  const points = (key: Strip, k: number): BandSeries['points'] =>
    evidence.series[key]
      .filter((p) => p.atMs >= fromMs && p.doubts.length === 0)
      .map((p) => ({
        atMs: p.atMs,
        low: p.interval.low * k,
        mid: p.interval.mid * k,
        high: p.interval.high * k,
      }));
  const nh4 = fromMgNPerL('ammonia', 'ion', 1);
  const no2 = fromMgNPerL('nitrite', 'ion', 1);
  const no3 = fromMgNPerL('nitrate', 'ion', 1);
  const series: BandSeries[] = [
    {
      name: 'ammonia',
      unit: 'mg/L NH₄',
      tone: 'ammonia',
      bands: of('ammonia', nh4),
      points: points('ammonia', nh4),
    },
    {
      name: 'nitrite',
      unit: 'mg/L NO₂',
      tone: 'nitrite',
      bands: of('nitrite', no2),
      points: points('nitrite', no2),
    },
    {
      name: 'nitrate',
      unit: 'mg/L NO₃',
      tone: 'nitrate',
      bands: of('nitrate', no3),
      points: points('nitrate', no3),
    },
    {
      name: 'alkalinity',
      unit: 'dKH',
      tone: 'second',
      bands: of('alkalinity', 1),
      points: points('alkalinity', 1),
    },
  ];
  return (
    <>
      <BandStrips
        series={series}
        nowMs={a.atMs}
        fromMs={fromMs}
        toMs={toMs}
        midnight={localMidnight}
        dayLabel={shortDay}
        summary={`Fitted past and forecast of ammonia, nitrite, nitrate and alkalinity to ${shortDay(toMs)}. The table has the numbers.`}
      />
      <Txt kind="small" tone="second">
        Bands hold eight of ten futures; dots are your readings with what they leave open. Left of “now” you
        see how well the model fits them.
      </Txt>
    </>
  );
}

const styles = StyleSheet.create({
  footer: { justifyContent: 'flex-end' },
  word: { fontSize: 56, lineHeight: 58 },
  big: { fontSize: 19, lineHeight: 28 },
  told: { borderBottomWidth: 1 },
  toldLine: {
    flexDirection: 'row',
    justifyContent: 'space-between',
    gap: space(4),
    paddingVertical: space(2),
    minHeight: TARGET,
  },
  toldName: { flexShrink: 1 },
  toldValue: { textAlign: 'right', flexShrink: 0, maxWidth: '60%' },
  toldHow: { gap: space(1), paddingBottom: space(3) },
  how: { textDecorationLine: 'underline' },
  progress: { gap: space(2) },
  track: { height: 10, borderRadius: 5, overflow: 'hidden' },
  bar: { height: 10 },
});
