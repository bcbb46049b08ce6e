/** Where forecasts are asked for: two workers, one question at a time, and what was last fitted for each water. Islands of a fit are shared out
 *  between the workers; the dates are said once there are some, and more are fitted while they still depend on luck. */
import type { Document } from '../../core/document';
import type { Answer, Course, Island, Question } from '../../core/forecast';
import { FORECAST_LIMITS } from '../../core/forecast/limits';
import type { Ask, Told } from './messages';

/** What a screen hears of the question it asked. */
export type Heard =
  | { kind: 'progress'; done: number }
  | { kind: 'answer'; answer: Answer; narrowing: boolean }
  /** Other courses so far. */
  | { kind: 'courses'; list: Course[]; complete: boolean }
  | { kind: 'failed'; message: string };

/** A question and the log it is asked of: `inputs` tells logs apart. */
export interface Enquiry {
  inputs: string;
  document: Document;
  question: Question;
}

export interface Desk {
  /** Fits, where it is not fitted yet, answers, and then compares the other courses. Returns a way to leave; work that nobody waits for any more is stopped. */
  ask(enquiry: Enquiry, hear: (heard: Heard) => void): () => void;
}

const [USUAL, MOST] = FORECAST_LIMITS.islands.value;
/** A worker that has not spoken for so long is taken for dead. */
const SILENCE_MS = 30_000;
const WORKERS = 2;
const IDLE_MS = 300;

interface Job {
  id: number;
  enquiry: Enquiry;
  islands: Map<number, Island>;
  /** From the log as it was before: what a fit may begin with. */
  kept: readonly Island[];
  goal: number;
  next: number;
  progress: number[];
  /** Islands in the last answer, and the one being worked out. */
  answered: number;
  answering: boolean;
  settled: boolean;
  last: Extract<Heard, { kind: 'answer' }> | null;
  courses: Extract<Heard, { kind: 'courses' }>;
  hearers: Set<(heard: Heard) => void>;
}

interface Hand {
  worker: Worker;
  /** Things asked for and not answered yet. */
  owes: number;
  watch: ReturnType<typeof setTimeout> | undefined;
}

export function forecastDesk(): Desk {
  let hands: Hand[] = [];
  let job: Job | null = null;
  let jobs = 0;
  const kept = new Map<string, readonly Island[]>();

  const tellAll = (heard: Heard) => job?.hearers.forEach((hear) => hear(heard));
  const dismiss = () => {
    for (const hand of hands) {
      clearTimeout(hand.watch);
      hand.worker.terminate();
    }
    hands = [];
  };
  const fail = (message: string) => {
    dismiss();
    const failed = job;
    job = null;
    failed?.hearers.forEach((hear) => hear({ kind: 'failed', message }));
  };
  const guard = (hand: Hand) => {
    clearTimeout(hand.watch);
    hand.watch = setTimeout(() => fail('it stopped answering'), SILENCE_MS);
  };
  const send = (hand: Hand, ask: Ask) => {
    hand.owes++;
    hand.worker.postMessage(ask);
    guard(hand);
  };
  const employ = (): Hand => {
    const worker = new Worker(new URL('./forecast.worker.ts', window.location.href));
    const hand: Hand = { worker, owes: 0, watch: undefined };
    worker.onmessage = (event: MessageEvent<Told>) => hear(hand, event.data);
    worker.onerror = () => fail('the worker ended unexpectedly');
    return hand;
  };

  /** Islands from the first on, as far as there is no gap. */
  const inOrder = (j: Job): Island[] => {
    const list: Island[] = [];
    for (let i = 0; j.islands.has(i); i++) list.push(j.islands.get(i) as Island);
    return list;
  };

  /** Gives every hand that is free something to do. */
  function share(): void {
    const j = job;
    if (!j || j.settled) return;
    const [first] = hands;
    const ready = inOrder(j);
    if (first && first.owes === 0 && !j.answering && ready.length >= j.goal && ready.length > j.answered) {
      j.answering = true;
      send(first, { job: j.id, kind: 'answer', islands: ready });
    }
    // Once there are dates on the page it keeps a core for itself.
    for (const hand of j.last ? hands.slice(0, 1) : hands) {
      if (hand.owes > 0 || j.next >= j.goal) continue;
      const index = j.next++;
      send(hand, { job: j.id, kind: 'island', index, kept: j.kept[index] ?? null });
    }
  }

  function hear(hand: Hand, told: Told): void {
    const j = job;
    if (!j || told.job !== j.id) return;
    if (told.kind === 'progress') {
      guard(hand);
      j.progress[told.index] = told.done;
      if (!j.last) tellAll({ kind: 'progress', done: progressOf(j) });
      return;
    }
    if (told.kind === 'failed') {
      fail(told.message);
      return;
    }
    if (told.kind === 'course') {
      guard(hand);
      coursesNow(j, [...j.courses.list, told.course], false);
      return;
    }
    hand.owes--;
    if (hand.owes > 0) guard(hand);
    else clearTimeout(hand.watch);
    if (told.kind === 'coursesDone') coursesNow(j, j.courses.list, true);
    else if (told.kind === 'island') {
      j.islands.set(told.index, told.island);
      j.progress[told.index] = 1;
    } else if (told.kind === 'answer') answered(j, told);
    share();
  }

  function answered(j: Job, told: Extract<Told, { kind: 'answer' }>): void {
    // Both hands say that nothing can be said.
    if (told.islands === 0 && j.settled) return;
    j.answering = false;
    j.answered = told.islands;
    if (told.islands === 0) j.settled = true;
    else if (told.islands >= j.goal) {
      if (told.narrowing && j.goal < MOST) j.goal = Math.min(MOST, j.goal + USUAL);
      else j.settled = true;
    }
    if (j.settled) kept.set(j.enquiry.question.waterId, inOrder(j));
    const heard: Heard = { kind: 'answer', answer: told.answer, narrowing: !j.settled };
    j.last = heard;
    tellAll(heard);
    const [first] = hands;
    if (!j.settled || !first) return;
    // In time nobody waits for: the answer is drawn first.
    if (told.answer.status === 'ok')
      setTimeout(() => {
        if (job === j) send(first, { job: j.id, kind: 'courses' });
      }, IDLE_MS);
    else coursesNow(j, [], true);
  }

  function coursesNow(j: Job, list: Course[], complete: boolean): void {
    j.courses = { kind: 'courses', list, complete };
    tellAll(j.courses);
  }

  return {
    ask(enquiry, hear) {
      const same =
        job &&
        job.enquiry.inputs === enquiry.inputs &&
        job.enquiry.question.waterId === enquiry.question.waterId &&
        job.enquiry.question.atMs === enquiry.question.atMs;
      if (!same || !job) {
        if (hands.some((h) => h.owes > 0)) dismiss();
        while (hands.length < WORKERS) hands.push(employ());
        job = {
          id: ++jobs,
          enquiry,
          islands: new Map(),
          kept: kept.get(enquiry.question.waterId) ?? [],
          goal: USUAL,
          next: 0,
          progress: [],
          answered: 0,
          answering: false,
          settled: false,
          last: null,
          courses: { kind: 'courses', list: [], complete: false },
          hearers: new Set([hear]),
        };
        for (const { worker } of hands)
          worker.postMessage({
            job: job.id,
            kind: 'read',
            document: enquiry.document,
            question: enquiry.question,
          } satisfies Ask);
        share();
      } else {
        job.hearers.add(hear);
        if (job.last) hear(job.last);
        if (job.courses.list.length > 0 || job.courses.complete) hear(job.courses);
      }
      const asked = job;
      return () => {
        asked.hearers.delete(hear);
        // What nobody waits for any more is not worked out.
        if (asked.hearers.size === 0 && asked === job && !asked.courses.complete) {
          dismiss();
          job = null;
        }
      };
    },
  };
}

const progressOf = (j: Job): number => {
  const sum = Array.from({ length: USUAL }, (_, i) => j.progress[i] ?? 0).reduce((a, b) => a + b, 0);
  return Math.min(0.98, sum / USUAL);
};
