/** What a device sent: in the storage with how far it was taken, each reading once. */
import { hoursFrom } from '../../core/document';
import type { MonitorReading } from '../../core/monitor';
import { oneDisplay } from '../../core/testing/display';
import { takenOf, takeReadings } from './device';
import { memoryStorage } from './storage';
import { commit, makeStore, openStore } from './store';

const quiet = { post: () => undefined, listen: () => undefined };
const page = { hold: () => undefined, onHide: () => undefined, stamp: () => undefined, stamped: () => false };
const T0 = Date.UTC(2026, 4, 1);
const readings = (from: number, to: number): MonitorReading[] =>
  Array.from({ length: to - from + 1 }, (_, i) => ({
    seq: from + i,
    device: 'bridge',
    atMs: T0 + (from + i) * 600_000,
    what: 'ph',
    value: 8.1,
  }));

async function opened(storage = memoryStorage()) {
  const made = makeStore(storage, quiet, page);
  await openStore(made, async () => oneDisplay([], 100, {}));
  const { dispatch, getState } = made.store;
  const counted = () =>
    Object.values(getState().document.entities.monitorDays)
      .flatMap((d) => hoursFrom(d.hours))
      .reduce((n, h) => n + (h?.n ?? 0), 0);
  return { dispatch, counted, storage };
}
const paired = {
  put: 'monitors' as const,
  entity: { id: 'm', waterId: 't', name: 'Device', pairedAt: new Date(T0).toISOString(), revokedAt: null },
};

test('bunches that overlap, also two at once, count each reading once; another run of the door counts anew', async () => {
  const { dispatch, counted } = await opened();
  await dispatch(commit('paired', [paired]));
  await Promise.all([
    dispatch(takeReadings('m', 'a', readings(1, 10))),
    dispatch(takeReadings('m', 'a', readings(8, 14))),
  ]);
  expect(counted()).toBe(14);
  expect(dispatch(takenOf('m'))).toEqual({ epoch: 'a', seq: 14 });
  expect(await dispatch(takeReadings('m', 'a', readings(1, 14)))).toEqual({ epoch: 'a', seq: 14 });
  expect(counted()).toBe(14);
  await dispatch(takeReadings('m', 'b', readings(1, 2)));
  expect([counted(), dispatch(takenOf('m'))]).toEqual([16, { epoch: 'b', seq: 2 }]);
  expect(await dispatch(takeReadings('gone', 'b', readings(3, 4)))).toEqual({ epoch: '', seq: 0 });
});
test('opened again it goes on where the storage stands', async () => {
  const first = await opened();
  await first.dispatch(commit('paired', [paired]));
  await first.dispatch(takeReadings('m', 'a', readings(1, 5)));
  const again = await opened(first.storage);
  expect([again.counted(), again.dispatch(takenOf('m'))]).toEqual([5, { epoch: 'a', seq: 5 }]);
  await again.dispatch(takeReadings('m', 'a', readings(4, 9)));
  expect(again.counted()).toBe(9);
});
