import type { Forecast, Quantiles } from './forecast';
import { loadAfterGates } from './order';

const q = (p10: number | null, p50: number | null, p90: number | null): Quantiles => ({ p10, p50, p90 });
const forecast = (readyForLoad: Quantiles | null, bothClear: Quantiles, ready: Quantiles) =>
  ({ readyForLoad, nitriteClear: bothClear, ready }) as Forecast;

test('a load the bacteria could carry waits for the gate of the school, and that is said', () => {
  const f = forecast(q(1, 3, 9), q(2, 5, 8), q(6, 12, null));
  expect(loadAfterGates(f, 'proof24')).toEqual({ q: q(6, 12, null), held: true });
  // Where no proof is asked for, both clear is the gate.
  expect(loadAfterGates(f, 'zeroZero')).toEqual({ q: q(2, 5, 9), held: true });
});
test('a load that takes longer than the gate stands as it is', () => {
  const f = forecast(q(8, 20, 40), q(2, 5, 8), q(6, 12, 30));
  expect(loadAfterGates(f, 'proof24')).toEqual({ q: q(8, 20, 40), held: false });
});
test('a gate that is not in sight holds every load; without a load there is nothing to say', () => {
  expect(loadAfterGates(forecast(q(1, 3, 9), q(2, 5, 8), q(40, null, null)), 'proof24')).toEqual({
    q: q(40, null, null),
    held: true,
  });
  expect(loadAfterGates(forecast(null, q(2, 5, 8), q(6, 12, 30)), 'proof24')).toBeNull();
});
