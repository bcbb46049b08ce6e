import { emptyDocument } from '../../core/document';
import { forecastClient } from './forecastClient';
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
}

const question = { waterId: 't', atMs: 0, seed: 1, horizonDays: 90, plan: 'asSoFar' as const, loadMgN: null };
const answer: Told = { kind: 'answer', answer: { status: 'cannotSay', because: { code: 'nothingLogged' } } };
let heard: Told[] = [];
const start = () => forecastClient((told) => heard.push(told));
const worker = (i: number): FakeWorker => {
  const made = FakeWorker.made[i];
  if (!made) throw new Error(`worker ${i} was not made`);
  return made;
};

beforeEach(() => {
  jest.useFakeTimers();
  heard = [];
  FakeWorker.made = [];
  Object.assign(globalThis, { Worker: FakeWorker, window: { location: { href: 'http://localhost/' } } });
});
afterEach(() => jest.useRealTimers());

test('asks one worker, hears its progress and its answer', () => {
  start().ask(emptyDocument(), question);
  worker(0).say({ kind: 'progress', done: 0.4 });
  worker(0).say(answer);
  expect(worker(0).asked).toEqual([{ kind: 'ask', document: emptyDocument(), question }]);
  expect(heard).toEqual([{ kind: 'progress', done: 0.4 }, answer]);
});
test('asking again ends the worker before: only the latest question is answered', () => {
  const client = start();
  client.ask(emptyDocument(), question);
  client.ask(emptyDocument(), { ...question, plan: 'wait' });
  expect(worker(0).ended).toBe(true);
  worker(0).say(answer);
  expect(heard).toEqual([]);
  worker(1).say(answer);
  expect(heard).toEqual([answer]);
});
test('a worker that has answered is asked again: it may use its fit once more', () => {
  const client = start();
  client.ask(emptyDocument(), question);
  worker(0).say(answer);
  client.ask(emptyDocument(), { ...question, plan: 'wait' });
  expect(FakeWorker.made).toHaveLength(1);
  expect(worker(0).asked).toHaveLength(2);
});
test('a worker that dies is a failure with words, and the next question starts a new one', () => {
  const client = start();
  client.ask(emptyDocument(), question);
  worker(0).onerror?.();
  expect(heard).toEqual([{ kind: 'failed', message: 'the worker ended unexpectedly' }]);
  client.ask(emptyDocument(), question);
  worker(1).say(answer);
  expect(heard).toHaveLength(2);
});
test('a worker that falls silent is given up; one that goes on telling is not', () => {
  start().ask(emptyDocument(), question);
  for (let i = 1; i <= 5; i++) {
    jest.advanceTimersByTime(25_000);
    worker(0).say({ kind: 'progress', done: i / 10 });
  }
  expect(heard.every((t) => t.kind === 'progress')).toBe(true);
  jest.advanceTimersByTime(31_000);
  expect(heard[heard.length - 1]).toEqual({ kind: 'failed', message: 'it stopped answering' });
  expect(worker(0).ended).toBe(true);
});
test('after the answer silence is no failure, and the same worker is asked for what-ifs', () => {
  const client = start();
  client.ask(emptyDocument(), question);
  worker(0).say(answer);
  jest.advanceTimersByTime(120_000);
  expect(heard).toEqual([answer]);
  client.whatIf();
  expect(worker(0).asked[1]).toEqual({ kind: 'whatIf' });
});
test('stopped, it says nothing more', () => {
  const client = start();
  client.ask(emptyDocument(), question);
  client.stop();
  worker(0).say(answer);
  jest.advanceTimersByTime(120_000);
  expect(heard).toEqual([]);
});
