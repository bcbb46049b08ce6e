import { act, render } from '@testing-library/react';
import { useLayoutEffect } from 'react';
import { MINUTE_MS } from '../../core/time';
import { useNow } from './hooks';

const START = Date.parse('2026-05-01T18:00:00.000Z');

/** Writes the time it shows; `asleep` passes between its drawing and its timers. */
function Clock({ asleep }: { asleep: number }) {
  const now = useNow(MINUTE_MS);
  useLayoutEffect(() => void jest.setSystemTime(START + asleep), [asleep]);
  return <>{now - START}</>;
}
const shown = (asleep: number) => {
  jest.useFakeTimers({ now: START });
  return render(<Clock asleep={asleep} />).container;
};

test('time that passes between drawing and the first tick is seen at once', () => {
  expect(shown(2 * 24 * 60 * MINUTE_MS).textContent).toBe(String(2 * 24 * 60 * MINUTE_MS));
  expect(shown(-60 * MINUTE_MS).textContent).toBe(String(-60 * MINUTE_MS));
});
test('within its interval nothing is drawn again, after it the time is looked at', () => {
  const clock = shown(MINUTE_MS - 1);
  expect(clock.textContent).toBe('0');
  act(() => jest.advanceTimersByTime(MINUTE_MS));
  expect(clock.textContent).toBe(String(2 * MINUTE_MS - 1));
});
