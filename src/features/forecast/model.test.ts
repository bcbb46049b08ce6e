import { answerNow } from '../../../core/forecast';
import { History, START_MS, DAY } from '../../../core/testing/history';
import { dateWords, headline, plannedLoad, sliceFor, whyLong } from './model';
import { signatureOf } from './useForecast';

const day = (ms: number) => `day ${Math.round(ms / DAY)}`;

test.each([
  [{ p10: 0, p50: 0, p90: 0 }, 'now'],
  [{ p10: 2, p50: 4, p90: 9 }, 'day 2 to day 9, most likely day 4'],
  [{ p10: 3, p50: 3, p90: 3 }, 'day 3'],
  [{ p10: 5, p50: 20, p90: null }, 'from day 5, most likely about day 20, perhaps not within 90 days'],
  [{ p10: 40, p50: null, p90: null }, 'hardly within 90 days, day 40 at the earliest'],
  [{ p10: null, p50: null, p90: null }, 'not within 90 days'],
])('dates in words %#', (q, words) => expect(dateWords(q, 0, 90, day)).toBe(words));

const history = () => new History().test(0, { ammonia: 0, nitrite: 0 }).dose(1, 2).test(4, { ammonia: 2, nitrite: 0 }).test(9, { ammonia: 1, nitrite: 1 });

test('the plan itself is named when it is why', () => {
  const a = answerNow(history().doc, { tankId: 't', atMs: START_MS + 10 * DAY, seed: 1, horizonDays: 60, plan: 'wait', loadMgN: null, options: { particles: 100, sweeps: 1 } });
  if (a.status !== 'ok') throw new Error(a.because);
  expect(whyLong(a)).toMatch(/stop growing/);
  expect(headline(a, day).word).toBe('Not yet in sight');
});
test('the worker gets one tank, and the first animals meant or two small fish', () => {
  const { doc } = history();
  const tank = doc.tanks.t;
  if (!tank) throw new Error('no tank');
  const two = { ...doc, tanks: { ...doc.tanks, u: { ...tank, id: 'u' } }, events: { ...doc.events, x: { id: 'x', tankId: 'u', at: '2026-01-02T00:00:00.000Z', note: '', kind: 'note' as const } } };
  const slice = sliceFor(two, 't');
  expect(Object.keys(slice.tanks)).toEqual(['t']);
  expect(slice.events.x).toBeUndefined();
  expect(plannedLoad(doc, 't').mgN).toBe(12);
});
test('the signature changes with a reading, a plan and the hour, and with nothing else', () => {
  const one = signatureOf(sliceFor(history().doc, 't'), 't', 'asSoFar', START_MS);
  expect(signatureOf(sliceFor(history().doc, 't'), 't', 'asSoFar', START_MS + 1000)).toBe(one);
  expect(signatureOf(sliceFor(history().doc, 't'), 't', 'wait', START_MS)).not.toBe(one);
  expect(signatureOf(sliceFor(history().test(10, { ammonia: 0 }).doc, 't'), 't', 'asSoFar', START_MS)).not.toBe(one);
});
