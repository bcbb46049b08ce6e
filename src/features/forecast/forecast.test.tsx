import { act, screen } from '@testing-library/react';
import type { Ask, Told } from '../../workers/messages';
import { demo, onScreen, press, says } from '../shell/testing';
import { ForecastScreen } from './ForecastScreen';

/** A worker that the test speaks for. */
class SpokenFor {
  static last: SpokenFor | null = null;
  onmessage: ((event: { data: Told }) => void) | null = null;
  onerror: (() => void) | null = null;
  asked: Ask[] = [];
  constructor() {
    SpokenFor.last = this;
  }
  postMessage(ask: Ask): void {
    this.asked.push(ask);
  }
  terminate(): void {}
}
beforeEach(() => void Object.assign(globalThis, { Worker: SpokenFor }));
const say = (told: Told) => act(() => SpokenFor.last?.onmessage?.({ data: told }));
const show = () => onScreen(<ForecastScreen />, { doc: demo(), params: { waterId: 'pantry-cube' } });

test('progress is told, and the work can be stopped with nothing lost', () => {
  show();
  press('Work it out');
  say({ kind: 'progress', done: 0.42 });
  expect(screen.getByRole('progressbar').getAttribute('aria-valuenow')).toBe('42');
  press('Stop');
  expect(says(/^Stopped\. Nothing is lost/)).toBe(true);
});

test('what cannot be said is said with its reason and a way on', () => {
  show();
  press('Work it out');
  say({ kind: 'answer', answer: { status: 'cannotSay', because: { code: 'noTrustedNitrogen' } } });
  expect(says(/^Cannot say yet: there is no trusted reading of ammonia or nitrite yet/)).toBe(true);
  expect(screen.getByRole('link', { name: 'Log a sample' }).getAttribute('href')).toBe(
    '/water/pantry-cube/log',
  );
});

test('a worker that ends is said so; running it again asks anew', () => {
  show();
  press('Work it out');
  act(() => SpokenFor.last?.onerror?.());
  expect(says(/did not finish: the worker ended unexpectedly/)).toBe(true);
  const first = SpokenFor.last;
  press('Work it out');
  expect(SpokenFor.last).not.toBe(first);
  expect(SpokenFor.last?.asked[0]?.kind).toBe('ask');
});
