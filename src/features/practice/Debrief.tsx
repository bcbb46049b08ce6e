import { useMemo } from 'react';
import { bandOf, saidOf } from '../../../core/forecast';
import {
  PRACTICE_WATER,
  purse,
  truthOfRun,
  writeRun,
  type CarefulCourse,
  type Scenario,
  type Truth,
} from '../../../core/practice';
import { DAY_MS } from '../../../core/time';
import {
  localDay,
  localMidnight,
  practiceRun,
  selectDocument,
  selectEvidence,
  shortDay,
  useAppSelector,
  useNow,
  type PracticeRun,
} from '../../store';
import { Button, Line, Row, Section, Txt } from '../../ui';
import { BandStrips } from '../../ui/charts/BandStrips';
import { Curves } from '../../ui/charts/Curves';
import { download } from '../shell/download';
import { useUnits } from '../shell';
import { asRead } from './curves';
import { Decisions } from './Decisions';
import { carefulWords } from './told';
import { useCareful } from './useCareful';

/** Truth against log on one drawing, what it cost, and what the careful course would have done from the same start. */
export function Debrief({
  run,
  scenario,
  truth,
  lost,
}: {
  run: PracticeRun;
  scenario: Scenario;
  truth: Truth;
  /** In the tank and beside it. */
  lost: Truth['lost'];
}) {
  const now = useNow();
  const doc = useAppSelector(selectDocument);
  const evidence = useAppSelector((s) => selectEvidence(s, PRACTICE_WATER, now));
  const looked = practiceRun()?.looked === true;
  const careful = useCareful(scenario, run.seed, !looked && scenario.school !== 'firstFish');
  const course = truth.course;
  type At = Truth['course'][number];
  const curve = (label: string, of: (c: At) => number, lived = course) => ({
    label,
    points: lived.filter((_, i) => i % 5 === 0).map((c, i) => ({ x: (i * 5) / 10, y: of(c) })),
  });
  const first = Object.values(doc.animals)
    .filter((a) => a.id.startsWith('start-') === false)
    .flatMap((a) => a.moves.filter((m) => m.to.kind === 'water').map((m) => Date.parse(m.at)))
    .sort((a, b) => a - b)[0];
  const events = Object.values(doc.events);
  const paid = purse(scenario, doc);
  const changed = events.reduce((sum, e) => (e.kind === 'waterChange' ? sum + e.litres : sum), 0);
  const doses = events.filter((e) => e.kind === 'ammoniaDose').length;
  return (
    <Section title="Looking back">
      <Txt>{scenario.lesson}</Txt>
      {course.length > 1 ? (
        <Curves
          curves={[
            curve('NH₄', (c) => c.ammonia),
            curve('NO₂', (c) => c.nitrite),
            ...asRead(evidence, run.startMs),
          ]}
          xLabel="day"
          yLabel="mg/L N"
          summary="Ammonia and nitrite as they were, and as they were read."
        />
      ) : null}
      {course.length > 1 ? (
        <Curves
          curves={[
            curve('first', (c) => c.first * truth.trueL),
            curve('second', (c) => c.second * truth.trueL),
            ...(careful ? [curve('careful', (c) => c.second * truth.trueL, careful.course)] : []),
          ]}
          xLabel="day"
          yLabel="mg N a day"
          summary="What the first and the second bacteria could do in a day, and the second by the careful course."
        />
      ) : null}
      <Line name="Real volume" value={`${truth.trueL.toFixed(0)} L of ${scenario.start.litres} believed`} />
      <Line
        name="First animal of yours"
        value={first === undefined ? 'none' : `day ${(1 + (first - run.startMs) / DAY_MS).toFixed(0)}`}
      />
      <Line name="Would a proof pass now" value={truth.passes() ? 'yes' : 'no'} />
      <Line name="Highest free ammonia with animals in" value={`${truth.peakFree.toFixed(3)} mg/L N`} />
      <Line
        name="Lost"
        value={
          lost.length === 0 ? 'nobody' : lost.map((l) => `${l.why}, day ${(l.day + 1).toFixed(0)}`).join('; ')
        }
      />
      <Line name="Doses, and water changed" value={`${doses}, ${changed.toFixed(0)} L`} />
      <Line
        name="Spent"
        value={`${paid.spent.toFixed(0)} of ${scenario.budget.toFixed(0)}: tests ${paid.tests.toFixed(0)}, water ${paid.water.toFixed(0)}, bacteria ${paid.bacteria.toFixed(0)}, animals ${paid.animals.toFixed(0)}`}
      />
      <DatesAsSaid run={run} scenario={scenario} now={now} />
      <Decisions run={run} scenario={scenario} now={now} />
      {scenario.school === 'firstFish' ? (
        <Txt kind="small">
          With fish from the first day there is no day of a proof to hold a run against: what counts is that
          everybody lives.
        </Txt>
      ) : (
        <Careful looked={looked} careful={careful} />
      )}
      <Row wrap>
        <Button
          icon="exported"
          label="Keep this run as a file"
          onPress={() =>
            download(
              `zoarium-practice-${scenario.id}-${run.seed}-${localDay(Date.now())}.json`,
              'application/json',
              writeRun({ scenario, seed: run.seed, startMs: run.startMs, document: doc }),
            )
          }
        />
      </Row>
    </Section>
  );
}

/** What the careful course would have done from the same start, and when it would have been ready. */
function Careful({ looked, careful }: { looked: boolean; careful: CarefulCourse | undefined }) {
  const units = useUnits();
  if (looked)
    return (
      <Txt tone="nitrite">
        You have looked at the truth: nothing is held against the careful course any more.
      </Txt>
    );
  const ready =
    careful === undefined
      ? 'being worked out'
      : careful.readyDay === null
        ? 'not within these days'
        : `on day ${(careful.readyDay + 1).toFixed(0)}`;
  return (
    <>
      <Line name="The careful course would have been ready" value={ready} />
      {careful ? <Txt kind="small">{carefulWords(careful, units)}</Txt> : null}
      <Txt kind="small" tone="second">
        It sees the truth, doses when both are nearly gone, keeps alkalinity up and proves on the first
        evening on which it would pass. Nobody could play it: it is what a run is held against.
      </Txt>
    </>
  );
}

/** The forecast's likely day of the proof as it was said on each day, against the evening on which one would truly have passed. */
function DatesAsSaid({ run, scenario, now }: { run: PracticeRun; scenario: Scenario; now: number }) {
  const doc = useAppSelector(selectDocument);
  const list = saidOf(doc, PRACTICE_WATER);
  const [first] = list;
  const truly = useMemo(
    () => truthOfRun(scenario, run.seed, doc, PRACTICE_WATER, run.startMs, now).readyDay,
    [scenario, run.seed, run.startMs, doc, now],
  );
  const words =
    truly === null
      ? 'None would have passed by now.'
      : `Truly one would have passed from day ${Math.floor(truly) + 1}.`;
  if (!first || list.length < 2)
    return <Txt kind="small">{`The forecast said its dates on fewer than two days. ${words}`}</Txt>;
  const dayOf = (ms: number) => (ms - run.startMs) / DAY_MS;
  const bands = list.map((said) => {
    const { lowMs, midMs, highMs } = bandOf(said);
    return { atMs: Date.parse(said.at), low: dayOf(lowMs), mid: dayOf(midMs), high: dayOf(highMs) };
  });
  const points =
    truly === null ? [] : [{ atMs: run.startMs + truly * DAY_MS, low: truly, mid: truly, high: truly }];
  return (
    <>
      <BandStrips
        series={[{ name: 'proof', unit: 'day of the tank', tone: 'nitrate', bands, points }]}
        nowMs={now}
        fromMs={Date.parse(first.at)}
        toMs={now}
        midnight={localMidnight}
        dayLabel={shortDay}
        summary={`The likely day of the proof as it was said on ${list.length} days. ${words}`}
      />
      <Txt kind="small">{`The dates of the proof as the forecast said them. ${words}`}</Txt>
    </>
  );
}
