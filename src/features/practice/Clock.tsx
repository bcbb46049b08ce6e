import { useEffect, useRef, useState } from 'react';
import { useStore } from 'react-redux';
import {
  nextEvent,
  PRACTICE_WATER,
  truthAt,
  truthBeside,
  type NextEvent,
  type Scenario,
  type Truth,
} from '../../../core/practice';
import { DAY_MS, HOUR_MS } from '../../../core/time';
import { agendaTitle } from '../../../core/words/agenda';
import {
  LOCAL,
  movePracticeClock,
  selectDocument,
  selectEvidence,
  useAppSelector,
  useKinds,
  type PracticeRun,
} from '../../store';
import { Button, Choice, Row, Section, Txt } from '../../ui';
import { Curves } from '../../ui/charts/Curves';
import { useWords } from '../shell';
import { asRead } from './curves';
import { between } from './told';

const EVENING = 19;
/** How far the next event is looked for. */
const EVENINGS_AHEAD = 14;
/** What a day may take, in seconds, and how often the clock is moved meanwhile, in ms. */
const SPEEDS = [
  { value: '2', label: '2 s', tickMs: 250 },
  { value: '10', label: '10 s', tickMs: 500 },
  { value: '60', label: 'a minute', tickMs: 1000 },
] as const;
type Speed = (typeof SPEEDS)[number]['value'];

interface Props {
  now: number;
  run: PracticeRun;
  scenario: Scenario;
  /** Who is dead by now, in the tank and beside it. */
  lost: Truth['lost'];
}

/** Moves time: to the evening, to the next event, on by hours, or running until something happens; and tells what happened between. */
export function Clock({ now, run, scenario, lost }: Props) {
  const { getState } = useStore<Parameters<typeof selectDocument>[0]>();
  const kinds = useKinds();
  const words = useWords();
  const [running, setRunning] = useState(false);
  const [speed, setSpeed] = useState<Speed>('2');
  const [told, setTold] = useState<{ line: string; fromMs: number } | null>(null);
  const lostBefore = useRef(lost.length);
  const last = run.startMs + scenario.days * DAY_MS;
  const move = (toMs: number, more = '') => {
    const line = between(scenario, run.startMs, now, Math.min(toMs, last));
    setTold({ line: [line, more].filter(Boolean).join(' '), fromMs: now });
    movePracticeClock(Math.min(toMs, last));
  };
  const toNextEvent = () => {
    const doc = selectDocument(getState());
    const evenings = eveningsAfter(now, last);
    const until = evenings[evenings.length - 1] ?? last;
    const beside = Object.values(doc.waters).filter((w) => w.kind === 'quarantine' || w.kind === 'holding');
    const dying = [
      truthAt(scenario, run.seed, doc, PRACTICE_WATER, run.startMs, until),
      ...beside.map((w) => truthBeside(scenario, run.seed, doc, w.id, run.startMs, until)),
    ].flatMap((t) => t.lost);
    const next = nextEvent({ scenario, doc, startMs: run.startMs, nowMs: now }, evenings, dying, LOCAL);
    const titles = next.due.map((item) => agendaTitle(item, { ...kinds, ...doc }, words));
    move(next.atMs, eventWords(next, titles));
  };
  useEffect(() => {
    if (!running) return;
    const { tickMs } = SPEEDS.find((s) => s.value === speed) ?? SPEEDS[0];
    const step = (DAY_MS * tickMs) / (Number(speed) * 1000);
    const timer = setInterval(() => movePracticeClock(Math.min(Date.now() + step, last)), tickMs);
    return () => clearInterval(timer);
  }, [running, speed, last]);
  useEffect(() => {
    // What happens stops it: somebody died, or the days are over.
    if (running && (lost.length > lostBefore.current || now >= last)) setRunning(false);
    lostBefore.current = lost.length;
  }, [running, lost.length, now, last]);
  return (
    <Section title="The clock">
      <Row wrap>
        <Button
          kind="primary"
          label="To the next evening"
          onPress={() => move(eveningsAfter(now, last)[0] ?? last)}
        />
        <Button label="To the next event" onPress={toNextEvent} />
        <Button label="Six hours on" onPress={() => move(now + 6 * HOUR_MS)} />
        <Button
          label={running ? 'Stop' : 'Let it run'}
          onPress={() => {
            if (!running) setTold({ line: '', fromMs: now });
            else if (told) setTold({ ...told, line: between(scenario, run.startMs, told.fromMs, now) });
            setRunning(!running);
          }}
        />
      </Row>
      {running ? (
        <Choice label="A day takes" options={[...SPEEDS]} value={speed} onChange={setSpeed} />
      ) : null}
      {told ? <Between told={told} run={run} now={now} /> : null}
    </Section>
  );
}

/** What happened since the clock was moved: a line, and what the kits have read, with the moment it was moved from. */
function Between({
  told,
  run,
  now,
}: {
  told: { line: string; fromMs: number };
  run: PracticeRun;
  now: number;
}) {
  const evidence = useAppSelector((s) => selectEvidence(s, PRACTICE_WATER, now));
  const curves = asRead(evidence, run.startMs);
  return (
    <>
      {told.line ? (
        <Txt kind="small" tone="second" live>
          {told.line}
        </Txt>
      ) : null}
      {curves.length > 0 ? (
        <Curves
          curves={curves}
          xLabel="day"
          yLabel="mg/L N"
          height={150}
          until={(now - run.startMs) / DAY_MS}
          mark={{ x: (told.fromMs - run.startMs) / DAY_MS, label: 'moved from' }}
          summary="Ammonia and nitrite as they were read, and the moment the clock was moved from."
        />
      ) : null}
    </>
  );
}

/** The coming evenings, up to the end. */
function eveningsAfter(now: number, last: number): number[] {
  const evenings = Array.from({ length: EVENINGS_AHEAD + 1 }, (_, i) => {
    const day = new Date(now);
    day.setDate(day.getDate() + i);
    return day.setHours(EVENING, 0, 0, 0);
  }).filter((ms) => ms > now && ms <= last);
  return evenings.length > 0 ? evenings : [last];
}

function eventWords({ why }: NextEvent, due: readonly string[]): string {
  if (why === 'due') return `Due: ${due.join('; ')}.`;
  if (why === 'leaving') return 'Tomorrow you leave.';
  return why === 'nothing' ? `Nothing is due in ${EVENINGS_AHEAD} days.` : '';
}
