import type { Href } from 'expo-router';
import { useCallback, useState } from 'react';
import { Pressable, View } from 'react-native';
import type { Display } from '../../../core/document';
import { lastOf, trusted } from '../../../core/evidence';
import { loadAfterGates, plannedLoad, type Course } from '../../../core/forecast';
import { waterHolds } from '../../../core/readiness';
import { type Statement } from '../../../core/statements';
import { DAY_MS } from '../../../core/time';
import { SCHOOL_WORDS, sentence } from '../../../core/words';
import {
  dateWords,
  derivation,
  expectedWords,
  headline,
  surpriseWords,
  volumeDoubtWords,
  whyLong,
  type Derived,
} from '../../../core/words/forecast';
import { teachesWords } from '../../../core/words/teaching';
import {
  selectAssessment,
  selectDocument,
  selectEvidence,
  shortDay,
  useAppDispatch,
  useAppSelector,
  useNow,
  weekdayShort,
} from '../../store';
import type { KeptAnswer } from '../../store/answers';
import { useKeptAnswer } from '../../store/useKeptAnswer';
import { keepDates, keepForecast } from '../../store/said';
import {
  Button,
  Go,
  Later,
  Line,
  Row,
  Screen,
  Section,
  space,
  TARGET,
  Txt,
  useTheme,
  styleSheet,
} from '../../ui';
import { useForecast } from '../../workers';
import { useWords, WithDisplay } from '../shell';
import { Bands, BandTable } from './Bands';
import { Courses } from './Courses';
import { LookingBack } from './LookingBack';
import type { Ok } from './ok';
import { PlannedSection } from './PlannedForm';

export function ForecastScreen() {
  return <WithDisplay>{(water) => <ForecastPage key={water.id} water={water} />}</WithDisplay>;
}

/** When: dates with their doubt, what else could be done and what it costs, what the bacteria seem to do. The answer stands first; nothing has to
 *  be asked for. */
function ForecastPage({ water }: { water: Display }) {
  const now = useNow(600_000);
  const dispatch = useAppDispatch();
  const doc = useAppSelector(selectDocument);
  const [kept, setKept] = useKeptAnswer(water.id);
  const onDated = useCallback((dated: Ok) => void dispatch(keepDates(water.id, dated)), [dispatch, water.id]);
  const onSettled = useCallback(
    (whole: KeptAnswer) => {
      void dispatch(keepForecast(water.id, whole));
      setKept(whole);
    },
    [dispatch, water.id, setKept],
  );
  const { state, again } = useForecast({ doc, waterId: water.id, nowMs: now, kept, onDated, onSettled });
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
  const animalsIn = useAppSelector((s) => selectEvidence(s, water.id, a.atMs).isInhabited);
  const [table, setTable] = useState(false);
  const f = a.forecast;
  const words = useWords();
  const now = useNow(600_000);
  const evidence = useAppSelector((s) => selectEvidence(s, water.id, now));
  const held = useAppSelector((s) => waterHolds(selectAssessment(s, water.id, now)));
  const head = held
    ? { word: 'First the water', text: sentence(held, words) }
    : headline(a, shortDay, animalsIn);
  const when = (q: Parameters<typeof dateWords>[0], luck = 0) =>
    dateWords(q, a.atMs, f.horizonDays, shortDay, luck);
  // What was read stands, whatever the model makes of it.
  const seen = (what: 'ammonia' | 'nitrite') =>
    (lastOf(trusted(evidence.series[what]))?.interval.low ?? 0) > 0;
  const unlessSeen = (isSeen: boolean, date: string) =>
    isSeen && date === 'now' ? 'not by your last reading' : date;
  const eitherSeen = seen('ammonia') || seen('nitrite');
  const load = plannedLoad(doc, water.id);
  const loaded = loadAfterGates(f, water.school);
  return (
    <>
      <Txt
        kind="word"
        live
        tone={head.word === 'Now' || (a.proved && !animalsIn) ? 'go' : 'ink'}
        style={head.word.length > 12 ? styles.stretch : styles.word}
      >
        {head.word}
      </Txt>
      <Txt style={styles.big}>{head.text}</Txt>
      {held ? <Go href={`/water/${water.id}` as Href}>Today says what to do</Go> : null}
      {narrowing ? (
        <Txt kind="small" tone="second" live>
          Narrowing: the dates so far still depend a little on the luck of the draw, and are being worked out
          more closely.
        </Txt>
      ) : null}
      {a.surprises.map((s) => (
        <Txt key={`${s.what}${s.day}`} tone="nitrite">
          {surpriseWords(s.what, shortDay(a.startMs + s.day * DAY_MS), expectedWords(s), held !== null)}
        </Txt>
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
        value={unlessSeen(seen('ammonia'), when(f.ammoniaClear, f.luck.ammoniaClear))}
      />
      <Told
        answer={a}
        what="bothClear"
        name="Both read zero"
        value={unlessSeen(eitherSeen, when(f.nitriteClear, f.luck.bothClear))}
      />
      {a.proved ? (
        <Line name="A proof of 2 mg/L would pass" value="passed" />
      ) : (
        <Told
          answer={a}
          what="ready"
          name={animalsIn ? 'The bacteria could clear 2 mg/L in a day' : 'A proof of 2 mg/L would pass'}
          value={when(f.ready, f.luck.ready)}
        />
      )}
      {loaded ? (
        <>
          <Told
            answer={a}
            what="load"
            name={`Ready for ${load.words}`}
            value={unlessSeen(eitherSeen, when(loaded.q))}
          />
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
          <Txt>{teachesWords(a.nextTest, animalsIn)}</Txt>
          {a.volumeDoubt ? <Txt>{volumeDoubtWords(a.volumeDoubt, animalsIn)}</Txt> : null}
        </Section>
      ) : null}
      <PlannedSection water={water} plan={a.plan} />
      <Later>
        <LookingBack water={water} answer={a} />
        <Courses answer={a} courses={courses} litres={a.fitted.believedL} animalsIn={animalsIn} />
      </Later>
    </>
  );
}

const capitalised = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);
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
      <Pressable role="button" aria-expanded={open} onPress={() => setOpen(!open)} style={styles.toldLine}>
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

const styles = styleSheet({
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
