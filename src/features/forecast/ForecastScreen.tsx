import { type Statement } from '../../../core/statements';
import { DAY_MS } from '../../../core/time';
import type { Href } from 'expo-router';
import { useCallback, useEffect, useState } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import type { Display } from '../../../core/document';
import { isOfDisplay, proofState } from '../../../core/evidence';
import {
  bandOf,
  heldAgainst,
  loadAfterGates,
  movesOf,
  plannedLoad,
  type Answer,
  type Course,
  type Said,
} from '../../../core/forecast';
import { SCHOOL_WORDS, sentence, inUnits } from '../../../core/words';
import {
  COURSE_NAMES,
  courseCost,
  dateWords,
  derivation,
  expectedWords,
  headline,
  heldWords,
  moveWords,
  movingEntries,
  type Derived,
  planWords,
  teachesWords,
  volumeDoubtWords,
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
import { Button, Go, Later, Line, Row, Screen, Section, space, TARGET, Table, Txt, useTheme } from '../../ui';
import { BandStrips, type BandSeries } from '../../ui/charts/BandStrips';
import { useWords, WithDisplay } from '../shell';
import { keepAnswer, keptAnswer, keptSaid, type KeptAnswer } from '../../store/answers';
import { useForecast } from '../../workers';

export function ForecastScreen() {
  return <WithDisplay>{(water) => <ForecastPage key={water.id} water={water} />}</WithDisplay>;
}

/** When: dates with their doubt, what else could be done and what it costs, what the bacteria seem to do. The answer stands first; nothing has to
 *  be asked for. */
function ForecastPage({ water }: { water: Display }) {
  const now = useNow(600_000);
  const doc = useAppSelector(selectDocument);
  const [kept, setKept] = useKeptAnswer(water.id);
  const onSettled = useCallback(
    (whole: KeptAnswer) => {
      void keepAnswer(water.id, whole);
      setKept(whole);
    },
    [water.id, setKept],
  );
  const { state, again } = useForecast({ doc, waterId: water.id, nowMs: now, kept, onSettled });
  const { answer } = state;
  return (
    <Screen title="Forecast" aside={answer?.status === 'ok' ? <Bacteria answer={answer} /> : undefined}>
      <Txt kind="title" heading={1}>
        When?
      </Txt>
      {state.failed !== null ? (
        <>
          <Txt
            tone="ammonia"
            live
          >{`The forecast did not finish: ${state.failed}. Your log is untouched.`}</Txt>
          <Row>
            <Button kind="primary" label="Try again" onPress={again} />
          </Row>
        </>
      ) : null}
      {answer === null && state.failed === null ? <Progress done={state.done ?? 0} /> : null}
      {answer?.status === 'cannotSay' ? <CannotSay water={water} because={answer.because} /> : null}
      {answer?.status === 'ok' ? (
        <Answered water={water} answer={answer} narrowing={state.narrowing} courses={state.courses} />
      ) : null}
    </Screen>
  );
}

/** What this browser kept of the last forecast; undefined while it is looked up. */
function useKeptAnswer(waterId: string) {
  const [kept, setKept] = useState<KeptAnswer | null>();
  useEffect(() => {
    let here = true;
    void keptAnswer(waterId).then((k) => {
      if (here) setKept(k);
    });
    return () => {
      here = false;
    };
  }, [waterId]);
  return [kept, setKept] as const;
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
  narrowing,
  courses,
}: {
  water: Display;
  answer: Ok;
  narrowing: boolean;
  courses: Course[];
}) {
  const doc = useAppSelector(selectDocument);
  const animalsIn = useAppSelector((s) => selectEvidence(s, water.id, a.atMs).residents.length > 0);
  const [table, setTable] = useState(false);
  const f = a.forecast;
  const head = headline(a, shortDay);
  const when = (q: Parameters<typeof dateWords>[0], luck = 0) =>
    dateWords(q, a.atMs, f.horizonDays, shortDay, luck);
  const load = plannedLoad(doc, water.id);
  const loaded = loadAfterGates(f, water.school);
  return (
    <>
      <Txt
        kind="word"
        live
        tone={head.word === 'Now' || a.proved ? 'go' : 'ink'}
        style={head.word.length > 12 ? styles.stretch : styles.word}
      >
        {head.word}
      </Txt>
      <Txt style={styles.big}>{head.text}</Txt>
      {narrowing ? (
        <Txt kind="small" tone="second" live>
          Narrowing: the dates so far still depend a little on the luck of the draw, and are being worked out
          more closely.
        </Txt>
      ) : null}
      {a.surprises.map((s) => (
        <Txt
          key={`${s.what}${s.day}`}
          tone="nitrite"
        >{`The ${s.what} reading of ${shortDay(a.startMs + s.day * DAY_MS)} surprises: about ${expectedWords(s)} was expected. Before believing it: repeat the test, check basis and date, and whether a dose or change is missing from the log.`}</Txt>
      ))}
      <Later>
        <Bands water={water} answer={a} />
      </Later>
      <Button
        kind="quiet"
        label={table ? 'Hide the table' : 'Show as a table'}
        expanded={table}
        onPress={() => setTable(!table)}
      />
      {table ? <BandTable answer={a} /> : null}
      <Told
        answer={a}
        what="ammoniaClear"
        name="Ammonia reads zero"
        value={when(f.ammoniaClear, f.luck.ammoniaClear)}
      />
      <Told
        answer={a}
        what="bothClear"
        name="Both read zero"
        value={when(f.nitriteClear, f.luck.bothClear)}
      />
      {a.proved ? (
        <Line name="A proof of 2 mg/L would pass" value="passed" />
      ) : (
        <Told
          answer={a}
          what="ready"
          name="A proof of 2 mg/L would pass"
          value={when(f.ready, f.luck.ready)}
        />
      )}
      {loaded ? (
        <>
          <Told answer={a} what="load" name={`Ready for ${load.words}`} value={when(loaded.q)} />
          {loaded.held && f.readyForLoad ? (
            <Txt kind="small" tone="second">
              {`The bacteria alone could carry them ${when(f.readyForLoad)}; the school’s rule is what waits: ${SCHOOL_WORDS[water.school].rule}`}
            </Txt>
          ) : null}
        </>
      ) : null}
      {f.ready.p50 !== null && f.neverShare > 0.1 && !a.proved ? (
        <Txt
          kind="small"
          tone="second"
        >{`In ${Math.round(f.neverShare * 100)} of 100 futures it does not get there. ${whyLong(a)}`}</Txt>
      ) : null}
      {a.nextTest && !animalsIn && !a.proved ? (
        <Section title="The next test">
          <Txt kind="strong">
            {`${capitalised(a.nextTest.parameters.join(' and '))} ${a.nextTest.day === 0 ? 'today' : `on ${weekdayShort(a.atMs + a.nextTest.day * DAY_MS)}`}`}
          </Txt>
          <Txt>{teachesWords(a.nextTest)}</Txt>
          {a.volumeDoubt ? <Txt>{volumeDoubtWords(a.volumeDoubt, animalsIn)}</Txt> : null}
        </Section>
      ) : null}
      <Later>
        <LookingBack water={water} answer={a} />
        <Courses answer={a} courses={courses} litres={a.fitted.believedL} animalsIn={animalsIn} />
      </Later>
    </>
  );
}

const capitalised = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);
/** What was said of the date and when; what moved it; and, once it has come true, how far off it was. */
function LookingBack({ water, answer: a }: { water: Display; answer: Ok }) {
  const evidence = useAppSelector((s) => selectEvidence(s, water.id, a.atMs));
  const [list, setList] = useState<Said[]>([]);
  useEffect(() => {
    let here = true;
    void keptSaid(water.id).then((said) => {
      if (here) setList(said);
    });
    return () => {
      here = false;
    };
  }, [water.id, a]);
  const first = list[0];
  const last = list[list.length - 1];
  if (!first || !last || list.length < 2) return null;
  const proof = isOfDisplay(evidence) ? proofState(evidence) : null;
  const readyMs = proof?.status === 'passed' ? proof.proof.testAtMs : null;
  const dayOf = (ms: number) => (ms - a.startMs) / DAY_MS;
  const bands = list.map((s) => {
    const { lowMs, midMs, highMs } = bandOf(s);
    return { atMs: s.atMs, low: dayOf(lowMs), mid: dayOf(midMs), high: dayOf(highMs) };
  });
  const ready = readyMs === null ? [] : [{ atMs: readyMs, day: dayOf(readyMs) }];
  return (
    <Section title="What was said, and when">
      <BandStrips
        series={[
          {
            name: 'proof',
            unit: 'day of the tank',
            tone: 'nitrate',
            bands,
            points: ready.map(({ atMs, day }) => ({ atMs, low: day, mid: day, high: day })),
          },
        ]}
        nowMs={Math.max(a.atMs, last.atMs)}
        fromMs={first.atMs}
        toMs={Math.max(a.atMs, last.atMs)}
        midnight={localMidnight}
        dayLabel={shortDay}
        summary={`The likely day of the proof as it was said on ${list.length} days; the sentences below say what moved it.`}
      />
      {movesOf(list, movingEntries(evidence)).map((m) => (
        <Txt key={m.atMs} kind="small">
          {moveWords(m, shortDay)}
        </Txt>
      ))}
      {readyMs === null
        ? null
        : heldAgainst(list, readyMs).map((h) => (
            <Txt key={h.atMs} kind="small">
              {heldWords(h, shortDay)}
            </Txt>
          ))}
    </Section>
  );
}

/** The bands as numbers, every fifth day. */
function BandTable({ answer: a }: { answer: Ok }) {
  return (
    <Table
      caption="Forecast, mg N/L and dKH: lowest tenth, middle, highest tenth"
      columns={[
        { title: 'day', flex: 0.8 },
        { title: 'ammonia', flex: 1.3 },
        { title: 'nitrite', flex: 1.3 },
        { title: 'nitrate', flex: 1.3 },
        { title: 'alkalinity', flex: 1.3 },
      ]}
      rows={a.forecast.bands
        .filter((b) => b.day % 5 === 0 && b.day <= 60)
        .map((b) => [
          shortDay(a.atMs + b.day * DAY_MS),
          ...[b.ammonia, b.nitrite, b.nitrate, b.alkalinity].map((x) =>
            x.map((v) => formatDecimal(v, v < 10 ? 2 : 1)).join(' / '),
          ),
        ])}
    />
  );
}

/** What else could be done: when the proof would pass then, and what it costs. Comes by itself, while nobody waits. */
function Courses({
  answer: a,
  courses,
  litres,
  animalsIn,
}: {
  answer: Ok;
  courses: Course[];
  litres: number;
  animalsIn: boolean;
}) {
  const { units } = useWords();
  const when = (q: Parameters<typeof dateWords>[0]) => dateWords(q, a.atMs, a.forecast.horizonDays, shortDay);
  if (a.proved) return null;
  return (
    <Section title="Other courses">
      <Txt kind="small" tone="second">
        {`The dates above hold for what you have been doing: ${planWords(a.plan)} Alkalinity is taken to be buffered when it falls under 6 dKH.`}
      </Txt>
      {animalsIn ? (
        <Txt kind="small" tone="second">
          With animals in, ammonia is not dosed any more: the forecast follows what they are fed.
        </Txt>
      ) : null}
      {courses.length === 0 ? (
        <Txt kind="small" tone="second" live>
          Working through the other courses …
        </Txt>
      ) : (
        <Table
          caption="Other courses against the present one"
          columns={[
            { title: 'course, and what it costs', flex: 1.7 },
            { title: 'proof passes', flex: 1.4 },
            { title: 'days won', flex: 1 },
          ]}
          rows={courses.map((c) => [
            `${inUnits(COURSE_NAMES[c.id], units)}. ${courseCost(c.id, c.plan, litres, units)}.`,
            when(c.ready),
            gainWords(c),
          ])}
        />
      )}
    </Section>
  );
}

/** What the fit believes of the bacteria. */
function Bacteria({ answer: a }: { answer: Ok }) {
  const f = a.forecast;
  const when = (q: Parameters<typeof dateWords>[0]) => dateWords(q, a.atMs, f.horizonDays, shortDay);
  const hours = ([low, mid, high]: [number, number, number]) =>
    `about every ${mid.toFixed(0)} h (${low.toFixed(0)} to ${high.toFixed(0)})`;
  return (
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

/** "4 won (1 to 9)", "40 lost (13 to 65)", "no change", "12 more in 100 get there". */
function gainWords(w: Course): string {
  const more = Math.round(w.reachesMore * 100);
  const share =
    Math.abs(more) >= 5 ? `${Math.abs(more)} ${more > 0 ? 'more' : 'fewer'} in 100 get there` : '';
  const { p10, p50, p90 } = w.gain;
  if (p10 === null || p50 === null || p90 === null) return share || 'cannot compare';
  const gain =
    Math.abs(p50) < 0.5 && Math.abs(p10) < 1 && Math.abs(p90) < 1
      ? 'no change'
      : p50 < 0 && p90 <= 0
        ? `${(-p50).toFixed(0)} lost (${(-p90).toFixed(0)} to ${(-p10).toFixed(0)})`
        : `${p50.toFixed(0)} (${signed(p10)} to ${signed(p90)})`;
  return [gain, share].filter(Boolean).join(', ');
}

const signed = (days: number): string => (days < -0.5 ? `−${(-days).toFixed(0)}` : Math.abs(days).toFixed(0));

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
  word: { fontSize: 56, lineHeight: 58 },
  stretch: { fontSize: 34, lineHeight: 40 },
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
