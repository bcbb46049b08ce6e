import { startTransition, useEffect, useMemo, useRef, useState } from 'react';
import type { Document } from '../../core/document';
import { inputsOf, plannedLoad, sliceFor, type Answer, type Course } from '../../core/forecast';
import { HOUR_MS } from '../../core/time';
import { forecastDesk, type Desk, type Enquiry, type Heard } from './forecastDesk';

const HORIZON_DAYS = 90;
const SEED = 1;
/** How long an answer stands while nothing is logged. */
const STANDS_MS = 6 * HOUR_MS;

let desk: Desk | null = null;
/** One for all screens: what one has asked for, the next one hears at once. */
const theDesk = (): Desk => (desk ??= forecastDesk());
/** For tests, which bring workers of their own. */
export const closeDesk = (): void => void (desk = null);

/** Asked as of the coming full hour, so that two screens that ask within the same hour get the same answer; what was logged so far counts. */
const asOf = (nowMs: number): number => Math.ceil(nowMs / HOUR_MS) * HOUR_MS;

/** Is an answer still that of this log, at this time? */
const stands = (kept: { inputs: string; atMs: number }, inputs: string, nowMs: number): boolean =>
  kept.inputs === inputs && Math.abs(nowMs - kept.atMs) < STANDS_MS;

function enquiryOf(doc: Document, waterId: string, nowMs: number): Enquiry {
  const document = sliceFor(doc, waterId);
  return {
    inputs: inputsOf(document),
    document,
    question: {
      waterId,
      atMs: asOf(nowMs),
      seed: SEED,
      horizonDays: HORIZON_DAYS,
      plan: 'asSoFar',
      loadMgN: plannedLoad(doc, waterId).mgN,
    },
  };
}

/** The question as it stood, as long as nothing it rests on has changed: what is written elsewhere meanwhile, the dates themselves among it, begins
 *  no work anew. */
function useSteady<E extends Enquiry | null>(enquiry: E): E {
  const [steady, setSteady] = useState(enquiry);
  if (steady === enquiry || (steady && enquiry && isSame(steady, enquiry))) return steady;
  setSteady(enquiry);
  return enquiry;
}

const isSame = (a: Enquiry, b: Enquiry): boolean =>
  a.inputs === b.inputs && JSON.stringify(a.question) === JSON.stringify(b.question);

/** The forecast's own page asks after a breath, Today after a pause. */
const BREATH_MS = 150;
const PAUSE_MS = 700;

/** An answer that was kept, to begin with. */
export interface Begin {
  inputs: string;
  answer: Extract<Answer, { status: 'ok' }>;
  courses: Course[];
}

export interface ForecastState {
  /** Share done of the first dates; null when nothing is being worked out for them. */
  done: number | null;
  answer: Answer | null;
  /** More is being fitted, because the dates still depend on luck. */
  narrowing: boolean;
  /** Other courses so far. */
  courses: Course[];
  failed: string | null;
}

const NOTHING: ForecastState = {
  done: null,
  answer: null,
  narrowing: false,
  courses: [],
  failed: null,
};

function after(was: ForecastState, heard: Heard): ForecastState {
  switch (heard.kind) {
    case 'progress':
      return { ...was, done: heard.done };
    case 'answer':
      return { ...was, done: null, answer: heard.answer, narrowing: heard.narrowing };
    case 'courses':
      return { ...was, courses: heard.list };
    case 'failed':
      return { ...was, done: null, narrowing: false, failed: heard.message };
  }
}

type Dated = Begin['answer'];

/** The forecast of a water: what was kept at once, else worked out; then the other courses, in time nobody waits for. `kept` is undefined while
 *  it is being looked up. `onDated` hears the dates when they narrow no more, `onSettled` the whole when the courses are there, too. */
export function useForecast(o: {
  doc: Document;
  waterId: string;
  nowMs: number;
  kept: Begin | null | undefined;
  onDated: (answer: Dated) => void;
  onSettled: (kept: Begin) => void;
}) {
  const { doc, waterId, nowMs, kept, onDated, onSettled } = o;
  const hour = asOf(nowMs);
  const enquiry = useSteady(useMemo(() => enquiryOf(doc, waterId, hour), [doc, waterId, hour]));
  // What was heard, and of which log: one that has changed meanwhile is not spoken of.
  const [heardOf, setHeardOf] = useState({ inputs: '', state: NOTHING });
  const { inputs } = enquiry;
  const state = heardOf.inputs === inputs ? heardOf.state : NOTHING;
  const [tries, setTries] = useState(0);
  const begin =
    kept && stands({ inputs: kept.inputs, atMs: kept.answer.atMs }, enquiry.inputs, nowMs) ? kept : null;
  const looking = kept === undefined;
  const complete = begin !== null && begin.courses.length > 0;
  useEffect(() => {
    if (looking || complete) return;
    let mine: ForecastState = { ...NOTHING, done: 0 };
    let leave = (): void => undefined;
    // The screen stands first: two workers at once leave the page no core of its own on a small machine.
    const timer = setTimeout(() => {
      leave = theDesk().ask(enquiry, (heard) => {
        mine = after(mine, heard);
        const now = { inputs: enquiry.inputs, state: mine };
        if (heard.kind === 'progress') setHeardOf(now);
        // What it says is a page to draw anew, up to ten times: in slices, so that a touch comes through.
        else startTransition(() => setHeardOf(now));
        if (heard.kind === 'answer' && !heard.narrowing && heard.answer.status === 'ok')
          onDated(heard.answer);
        if (heard.kind === 'courses' && heard.complete && mine.answer?.status === 'ok')
          onSettled({ inputs: enquiry.inputs, answer: mine.answer, courses: mine.courses });
      });
    }, BREATH_MS);
    return () => {
      clearTimeout(timer);
      leave();
    };
  }, [enquiry, looking, complete, onDated, onSettled, tries]);
  const shown: ForecastState = begin ? { ...NOTHING, answer: begin.answer, courses: begin.courses } : state;
  return {
    state: shown,
    again: () => {
      setHeardOf({ inputs, state: NOTHING });
      setTries(tries + 1);
    },
  };
}

/** A log larger than this is no cycle any more; reading it for its identity would take too long for a screen that waits for nobody. */
const MOST_ENTRIES = 1500;

function isLarge(doc: Document, waterId: string): boolean {
  let entries = 0;
  for (const collection of [doc.events, doc.samples]) {
    for (const id in collection) {
      if (collection[id]?.waterId === waterId && ++entries > MOST_ENTRIES) return true;
    }
  }
  return false;
}

/** Works the forecast out by itself, once the screen has been standing for a moment, when nothing is kept for this log. Silent on failure: it
 *  is an addition, and the forecast's own page says what went wrong. Returns the log's identity, null while off. */
export function useQuietForecast(o: {
  doc: Document;
  waterId: string;
  nowMs: number;
  on: boolean;
  kept: { inputs: string; atMs?: number } | undefined;
  onAnswer: (inputs: string, answer: Answer) => void;
  onSettled: (kept: Begin) => void;
}): string | null {
  const { doc, waterId, nowMs, on, kept, onAnswer, onSettled } = o;
  const hour = asOf(nowMs);
  const asked = useSteady(
    useMemo(
      () => (on && !isLarge(doc, waterId) ? enquiryOf(doc, waterId, hour) : null),
      [doc, waterId, hour, on],
    ),
  );
  // Looked at when the pause is over, not waited on: what is kept changes when the answer comes, and the courses come after it.
  const known = useRef(kept);
  useEffect(() => {
    known.current = kept;
  }, [kept]);
  useEffect(() => {
    if (!asked) return;
    let leave = (): void => undefined;
    const timer = setTimeout(() => {
      const before = known.current;
      if (before && stands({ atMs: hour, ...before }, asked.inputs, hour)) return;
      let answer: Answer | null = null;
      leave = theDesk().ask(asked, (heard) => {
        if (heard.kind === 'answer' && !heard.narrowing) {
          answer = heard.answer;
          onAnswer(asked.inputs, answer);
        }
        if (heard.kind === 'courses' && heard.complete && answer?.status === 'ok')
          onSettled({ inputs: asked.inputs, answer, courses: heard.list });
      });
    }, PAUSE_MS);
    return () => {
      clearTimeout(timer);
      leave();
    };
  }, [asked, hour, onAnswer, onSettled]);
  return asked?.inputs ?? null;
}
