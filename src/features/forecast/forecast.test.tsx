import { act, screen } from '@testing-library/react';
import { useState } from 'react';
import type { Document, Water } from '../../../core/document';
import { answerNow, inputsOf, plannedLoad, sliceFor, type Answer } from '../../../core/forecast';
import { QUICK_FIT } from '../../../core/testing/quickFit';
import type { Ask, Told } from '../../workers/messages';
import { closeDesk } from '../../workers/useForecast';
import { demo, onScreen, poisoned, press, says } from '../shell/testing';
import { keptOf, useKeptForecast } from '../shell/quietForecast';
import { ForecastScreen } from './ForecastScreen';
import type { Ok } from './ok';

/** Workers that the test speaks for. */
class SpokenFor {
  static made: SpokenFor[] = [];
  static stopped = 0;
  onmessage: ((event: { data: Told }) => void) | null = null;
  onerror: (() => void) | null = null;
  asked: Ask[] = [];
  constructor() {
    SpokenFor.made.push(this);
  }
  postMessage(ask: Ask): void {
    this.asked.push(ask);
  }
  terminate(): void {
    SpokenFor.stopped++;
  }
}
beforeEach(() => {
  jest.useFakeTimers();
  closeDesk();
  SpokenFor.made = [];
  SpokenFor.stopped = 0;
  Object.assign(globalThis, { Worker: SpokenFor });
});
afterEach(() => jest.useRealTimers());
const aWhile = () => act(() => void jest.advanceTimersByTime(1000));
const say = (told: Told) => act(() => SpokenFor.made[0]?.onmessage?.({ data: told }));
const show = async (screenful = <ForecastScreen />) => {
  const doc = demo();
  const shown = onScreen(screenful, { doc, params: { waterId: 'pantry-cube' } });
  // The browser is asked for a kept answer first.
  await act(async () => undefined);
  aWhile();
  return { ...shown, was: doc };
};
/** A quick fit of the demo's log. */
function fitted(doc: Document): Ok {
  const answer = answerNow(doc, {
    waterId: 'pantry-cube',
    atMs: Date.now(),
    seed: 1,
    horizonDays: 90,
    plan: 'asSoFar',
    loadMgN: plannedLoad(doc, 'pantry-cube').mgN,
    options: QUICK_FIT,
  });
  if (answer.status !== 'ok') throw new Error('no answer');
  return answer;
}
const answered = (answer: Answer, narrowing = false): Told => ({
  job: 1,
  kind: 'answer',
  answer,
  islands: narrowing ? 2 : 4,
  narrowing,
});

test('opens by itself, tells progress, and says what cannot be said with its reason and a way on', async () => {
  await show();
  expect(SpokenFor.made).toHaveLength(2);
  say({ job: 1, kind: 'progress', index: 0, done: 0.42 });
  expect(screen.getByRole('progressbar').getAttribute('aria-valuenow')).toBe('11');
  const because = { code: 'noTrustedNitrogen' } as const;
  say({ job: 1, kind: 'answer', answer: { status: 'cannotSay', because }, islands: 0, narrowing: false });
  expect(says(/^Cannot say yet: there is no trusted reading of ammonia or nitrite yet/)).toBe(true);
  expect(screen.getByRole('link', { name: 'Log a sample' }).getAttribute('href')).toBe(
    '/water/pantry-cube/log',
  );
});

test('dates so far are shown as narrowing; the courses come below, with what they cost', async () => {
  const { was } = await show();
  const answer = fitted(was);
  const [first] = SpokenFor.made;
  const dismissed = { job: 1, kind: 'island', index: 0, island: {} } as unknown as Told;
  say(dismissed);
  act(() => first?.onmessage?.({ data: answered(answer, true) }));
  aWhile();
  // What was said before is looked up, too.
  await act(async () => undefined);
  expect(says(/^Narrowing: the dates so far/)).toBe(true);
  expect(says(/^Working through the other courses/)).toBe(true);
  const course = {
    id: 'change' as const,
    plan: { ...answer.plan, changeShare: 0.5 },
    ready: answer.forecast.ready,
    gain: { p10: -2, p50: 3, p90: 5 },
    reachesMore: 0,
  };
  say({ job: 1, kind: 'course', course });
  expect(says(/^Half the water changed now\. \d+ L of new salt water\./)).toBe(true);
  expect(says(/^3 \(−2 to 5\)$/)).toBe(true);
});

test('what was read stands, whatever the model makes of it: first the water, and no date denies the reading', async () => {
  onScreen(<ForecastScreen />, { doc: poisoned(), params: { waterId: 'north-window' } });
  await act(async () => undefined);
  aWhile();
  const answer = fitted(demo());
  const now = { ...answer.forecast.nitriteClear, p10: 0, p50: 0, p90: 0 };
  const surprise: Ok['surprises'][number] = {
    what: 'ammonia',
    day: 1,
    expected: [0, 0.01, 0.02],
    low: 1.4,
    high: 1.7,
  };
  say(
    answered({
      ...answer,
      surprises: [surprise],
      forecast: { ...answer.forecast, ammoniaClear: now, nitriteClear: now },
    }),
  );
  expect(says('First the water')).toBe(true);
  expect(says(/^Ammonia is 2 mg\/L NH₄, read /)).toBe(true);
  expect(screen.getAllByText('not by your last reading').length).toBeGreaterThanOrEqual(2);
  expect(screen.queryByText('now')).toBeNull();
  expect(says(/Act by what was read, then repeat the test/)).toBe(true);
});

/** As Today does. */
function InPassing() {
  const [now] = useState(() => Date.now());
  useKeptForecast('pantry-cube', now, true);
  return null;
}

test('in passing nothing is worked out before it is known whether it was kept', () => {
  const doc = demo();
  const { draftsCome } = onScreen(<InPassing />, { doc, draftsUnread: true });
  aWhile();
  expect(SpokenFor.made).toHaveLength(0);
  const kept = keptOf(inputsOf(sliceFor(doc, 'pantry-cube')), fitted(doc));
  draftsCome({ forecasts: { 'pantry-cube': kept } });
  aWhile();
  expect(SpokenFor.made).toHaveLength(0);
});

test('in passing the dates are worked out where none were kept', () => {
  const { draftsCome } = onScreen(<InPassing />, { doc: demo(), draftsUnread: true });
  aWhile();
  draftsCome();
  aWhile();
  expect(SpokenFor.made).toHaveLength(2);
});

test.each([
  ['the page', <ForecastScreen key="page" />],
  ['what asks in passing', <InPassing key="passing" />],
])(
  '%s keeps dates with the log as soon as they narrow no more, once, and goes on with the courses',
  async (_, screenful) => {
    const { was, doc, comes } = await show(screenful);
    const answer = fitted(was);
    const said = () => Object.values(doc().forecasts).filter((f) => f.waterId === 'pantry-cube');
    const before = said().length;
    const speak = async (told: Told) => {
      say(told);
      await act(async () => undefined);
      aWhile();
    };
    expect(SpokenFor.made).toHaveLength(2);
    await speak({ job: 1, kind: 'island', index: 0, island: {} } as unknown as Told);
    await speak(answered(answer, true));
    expect(said()).toHaveLength(before);
    await speak(answered(answer));
    expect(said()).toHaveLength(before + 1);
    expect(said().some((f) => f.p50 === answer.forecast.ready.p50)).toBe(true);
    await speak(answered(answer));
    expect(said()).toHaveLength(before + 1);
    // Something written elsewhere stops no work either.
    comes([{ put: 'waters', entity: { ...(was.waters['north-window'] as Water), name: 'Another' } }]);
    aWhile();
    expect(SpokenFor.made).toHaveLength(2);
    expect(SpokenFor.stopped).toBe(0);
  },
);

test('a worker that ends is said so; trying again asks anew', async () => {
  await show();
  act(() => SpokenFor.made[0]?.onerror?.());
  expect(says(/did not finish: the worker ended unexpectedly/)).toBe(true);
  press('Try again');
  aWhile();
  expect(SpokenFor.made).toHaveLength(4);
  expect(SpokenFor.made[2]?.asked[0]?.kind).toBe('read');
});
