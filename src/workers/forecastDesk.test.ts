import { emptyDocument } from '../../core/document';
import type { Answer, Island } from '../../core/forecast';
import { forecastDesk, type Enquiry, type Heard } from './forecastDesk';
import type { Ask, Told } from './messages';

/** A worker that the test speaks for. */
class FakeWorker {
  static made: FakeWorker[] = [];
  onmessage: ((event: { data: Told }) => void) | null = null;
  onerror: (() => void) | null = null;
  asked: Ask[] = [];
  ended = false;
  constructor() {
    FakeWorker.made.push(this);
  }
  postMessage(ask: Ask): void {
    this.asked.push(ask);
  }
  terminate(): void {
    this.ended = true;
  }
  say(told: Told): void {
    if (!this.ended) this.onmessage?.({ data: told });
  }
  /** The last thing asked of it. */
  get task(): Ask | undefined {
    return this.asked[this.asked.length - 1];
  }
}

const enquiry = (inputs: string): Enquiry => ({
  inputs,
  document: emptyDocument(),
  question: { waterId: 't', atMs: 0, seed: 1, horizonDays: 90, plan: 'asSoFar', loadMgN: null },
});
const island = (mark: number): Island => ({
  dims: new Int32Array(0),
  x: Float64Array.of(mark),
  logLikelihood: new Float64Array(1),
  acceptance: 0.2,
  rounds: 3,
});
const ok = { status: 'ok' } as Answer;
let heard: Heard[] = [];
const hear = (h: Heard) => void heard.push(h);
const worker = (i: number): FakeWorker => {
  const made = FakeWorker.made[i];
  if (!made) throw new Error(`worker ${i} was not made`);
  return made;
};
/** Does what a worker is asked for, until neither has anything to do. `narrow`: how many answers say that luck still counts. */
function work(narrow = 0): void {
  const seen = new Map<FakeWorker, number>();
  for (let left = narrow; ;) {
    // In turn: both are as quick.
    const [next] = FakeWorker.made
      .filter((w) => !w.ended && (seen.get(w) ?? 0) < w.asked.length)
      .sort((a, b) => (seen.get(a) ?? 0) - (seen.get(b) ?? 0));
    if (!next) {
      // The courses wait for a moment.
      jest.advanceTimersByTime(400);
      if (FakeWorker.made.some((w) => !w.ended && (seen.get(w) ?? 0) < w.asked.length)) continue;
      return;
    }
    const at = seen.get(next) ?? 0;
    seen.set(next, at + 1);
    const ask = next.asked[at] as Ask;
    const { job } = ask;
    if (ask.kind === 'island') next.say({ job, kind: 'island', index: ask.index, island: island(ask.index) });
    if (ask.kind === 'answer') {
      const islands = ask.islands.length;
      const narrowing = left > 0;
      if (narrowing) left--;
      next.say({ job, kind: 'answer', answer: ok, islands, narrowing });
    }
    if (ask.kind === 'courses') next.say({ job, kind: 'coursesDone' });
  }
}
const answers = () => heard.flatMap((h) => (h.kind === 'answer' ? [h.narrowing] : []));
const islandsAsked = () => FakeWorker.made.flatMap((w) => w.asked.filter((a) => a.kind === 'island'));

beforeEach(() => {
  jest.useFakeTimers();
  heard = [];
  FakeWorker.made = [];
  Object.assign(globalThis, { Worker: FakeWorker, window: { location: { href: 'http://localhost/' } } });
});
afterEach(() => jest.useRealTimers());

test('two workers share the islands; the dates come with six', () => {
  forecastDesk().ask(enquiry('a'), hear);
  expect(FakeWorker.made).toHaveLength(2);
  work();
  expect(
    islandsAsked()
      .map((a) => a.kind === 'island' && a.index)
      .sort(),
  ).toEqual([0, 1, 2, 3]);
  expect(answers()).toEqual([false]);
  expect(heard[heard.length - 1]).toEqual({ kind: 'courses', list: [], complete: true });
});
test('the islands of an answer are pooled in their order, whoever was quicker', () => {
  forecastDesk().ask(enquiry('a'), hear);
  for (const index of [1, 2, 3]) worker(1).say({ job: 1, kind: 'island', index, island: island(index) });
  expect(worker(0).task?.kind).toBe('island');
  worker(0).say({ job: 1, kind: 'island', index: 0, island: island(0) });
  const { task } = worker(0);
  expect(task?.kind === 'answer' && task.islands.map((i) => i.x[0])).toEqual([0, 1, 2, 3]);
});
test('while luck still counts, as many again are fitted, up to twenty', () => {
  forecastDesk().ask(enquiry('a'), hear);
  work(99);
  expect(islandsAsked()).toHaveLength(20);
  expect(answers()).toEqual([true, true, true, true, false]);
});
test('who asks the same while it is known hears it at once; nothing is fitted twice', () => {
  const desk = forecastDesk();
  desk.ask(enquiry('a'), hear);
  work();
  heard = [];
  desk.ask(enquiry('a'), hear);
  expect(heard.map((h) => h.kind)).toEqual(['answer', 'courses']);
  expect(islandsAsked()).toHaveLength(4);
});
test('a log that has changed begins with what was kept of the one before', () => {
  const desk = forecastDesk();
  desk.ask(enquiry('a'), hear)();
  desk.ask(enquiry('a'), hear);
  work();
  desk.ask(enquiry('b'), hear);
  const begins = FakeWorker.made.slice(-2).map((w) => w.task?.kind === 'island' && w.task.kept?.x[0]);
  expect(begins).toEqual([0, 1]);
});
test('asking something else ends what is under way; what it still says is not heard', () => {
  const desk = forecastDesk();
  desk.ask(enquiry('a'), hear);
  desk.ask(enquiry('b'), hear);
  expect(worker(0).ended && worker(1).ended).toBe(true);
  expect(FakeWorker.made).toHaveLength(4);
  worker(2).say({ job: 1, kind: 'answer', answer: ok, islands: 2, narrowing: false });
  expect(heard).toEqual([]);
});
test('when nobody waits any more the work is stopped; while somebody does it goes on', () => {
  const desk = forecastDesk();
  const leave = desk.ask(enquiry('a'), hear);
  const other = desk.ask(enquiry('a'), (h) => hear(h));
  leave();
  expect(worker(0).ended).toBe(false);
  other();
  expect(worker(0).ended).toBe(true);
});
test('what cannot be said is said once', () => {
  forecastDesk().ask(enquiry('a'), hear);
  const answer: Answer = { status: 'cannotSay', because: { code: 'nothingLogged' } };
  for (const i of [0, 1]) worker(i).say({ job: 1, kind: 'answer', answer, islands: 0, narrowing: false });
  expect(heard).toEqual([
    { kind: 'answer', answer, narrowing: false },
    { kind: 'courses', list: [], complete: true },
  ]);
});
test('a worker that dies is a failure with words, and the next question starts new ones', () => {
  const desk = forecastDesk();
  desk.ask(enquiry('a'), hear);
  worker(1).onerror?.();
  expect(heard).toEqual([{ kind: 'failed', message: 'the worker ended unexpectedly' }]);
  desk.ask(enquiry('a'), hear);
  expect(FakeWorker.made).toHaveLength(4);
});
test('a worker that falls silent is given up; one that goes on telling is not', () => {
  forecastDesk().ask(enquiry('a'), hear);
  for (let i = 1; i <= 5; i++) {
    jest.advanceTimersByTime(25_000);
    for (const w of [0, 1]) worker(w).say({ job: 1, kind: 'progress', index: w, done: i / 10 });
  }
  expect(heard.every((h) => h.kind === 'progress')).toBe(true);
  jest.advanceTimersByTime(31_000);
  expect(heard[heard.length - 1]).toEqual({ kind: 'failed', message: 'it stopped answering' });
});
test('after the answer silence is no failure', () => {
  forecastDesk().ask(enquiry('a'), hear);
  work();
  jest.advanceTimersByTime(120_000);
  expect(heard.some((h) => h.kind === 'failed')).toBe(false);
});
