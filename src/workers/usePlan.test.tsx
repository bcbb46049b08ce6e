import { act, renderHook } from '@testing-library/react';
import type { StockingPlan } from '../../core/planner';
import { aProblem } from '../../core/testing/plans';
import type { PlanAsk, PlanTold } from './messages';
import { closePlanner, usePlans } from './usePlan';

/** A worker that the test speaks for. */
class FakeWorker {
  static made: FakeWorker[] = [];
  onmessage: ((event: { data: PlanTold }) => void) | null = null;
  onerror: (() => void) | null = null;
  asked: PlanAsk[] = [];
  ended = false;
  constructor() {
    FakeWorker.made.push(this);
  }
  postMessage(ask: PlanAsk): void {
    this.asked.push(ask);
  }
  terminate(): void {
    this.ended = true;
  }
  say(told: PlanTold): void {
    act(() => this.onmessage?.({ data: told }));
  }
}

const A_PLAN: StockingPlan = {
  status: 'none',
  steps: [],
  leftOut: [],
  concessions: [],
  lastRelease: null,
  batches: 0,
  bound: { placed: 0, lastRelease: null, gapDays: 0 },
};
const asking = (budget: number) => [{ name: 'plan', problem: aProblem([], { budget }) }];
const workers = () => FakeWorker.made.map(({ asked, ended }) => [asked.length, ended]);
const begun = () => renderHook(({ budget }) => usePlans(asking(budget)), { initialProps: { budget: 60 } });

beforeEach(() => {
  closePlanner();
  FakeWorker.made = [];
  Object.assign(globalThis, { Worker: FakeWorker });
});

test('a worker that has made its plans makes the next', () => {
  const { result, rerender, unmount } = begun();
  const [worker] = FakeWorker.made as [FakeWorker];
  worker.say({ name: 'plan', plan: A_PLAN });
  worker.say({ lets: {}, apart: [] });
  expect(result.current.made).toEqual({ plan: A_PLAN });
  rerender({ budget: 80 });
  expect(result.current.made).toEqual({});
  expect(workers()).toEqual([[2, false]]);
  worker.say({ name: 'plan', plan: A_PLAN });
  expect(result.current.made).toEqual({ plan: A_PLAN });
  worker.say({ lets: {}, apart: [] });
  unmount();
  begun();
  expect(workers()).toEqual([[3, false]]);
});

test('what was planned is not planned again, on whatever page it is asked for', () => {
  const first = begun();
  const [worker] = FakeWorker.made as [FakeWorker];
  worker.say({ name: 'plan', plan: A_PLAN });
  worker.say({ lets: {}, apart: [] });
  first.unmount();
  const quiet = renderHook(() => usePlans(asking(60), false));
  expect(quiet.result.current.made).toEqual({ plan: A_PLAN });
  expect(workers()).toEqual([[1, false]]);
  quiet.unmount();
  const { result } = begun();
  expect(result.current.made).toEqual({ plan: A_PLAN });
  // It is asked only what would let others in, and told the plan.
  expect(worker.asked.map(({ asked, withLets }) => [asked[0]?.plan, withLets])).toEqual([
    [null, true],
    [A_PLAN, true],
  ]);
});

test('nothing is begun where nothing is asked, and of many plans the oldest are made again', () => {
  renderHook(() => usePlans([]));
  expect(workers()).toEqual([]);
  const { rerender } = begun();
  const [worker] = FakeWorker.made as [FakeWorker];
  for (let budget = 61; budget <= 77; budget++) {
    worker.say({ name: 'plan', plan: A_PLAN });
    worker.say({ lets: {}, apart: [] });
    rerender({ budget });
  }
  rerender({ budget: 60 });
  rerender({ budget: 76 });
  const known = FakeWorker.made.slice(1).map(({ asked }) => asked[0]?.asked[0]?.plan);
  expect(known).toEqual([null, A_PLAN]);
});

test('one that is still at it is ended, and so is one whose plans were made before and are asked anew', () => {
  const { rerender, unmount } = begun();
  FakeWorker.made[0]?.say({ name: 'plan', plan: A_PLAN });
  rerender({ budget: 80 });
  expect(workers()).toEqual([
    [1, true],
    [1, false],
  ]);
  FakeWorker.made[1]?.say({ lets: {}, apart: [] });
  rerender({ budget: 100 });
  rerender({ budget: 120 });
  expect(workers()).toEqual([
    [1, true],
    [2, true],
    [1, false],
  ]);
  unmount();
  expect(FakeWorker.made.every(({ ended }) => ended)).toBe(true);
});

test('one that failed is not asked again', () => {
  const { result, rerender } = begun();
  act(() => FakeWorker.made[0]?.onerror?.());
  expect(result.current.failed).toBe(true);
  rerender({ budget: 80 });
  expect(result.current.failed).toBe(false);
  expect(workers()).toEqual([
    [1, true],
    [1, false],
  ]);
});
