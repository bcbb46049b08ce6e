import { readDrafts } from './drafts';
import { forecastKept, type KeptForecast } from './draftsSlice';
import { memoryStorage } from './storage';
import { makeStore, openStore } from './store';

const noTabs = { post: () => undefined, listen: () => undefined };
const kept: KeptForecast = {
  inputs: '0123456789abcdef',
  atMs: 1_800_000_000_000,
  horizonDays: 90,
  proved: false,
  ready: { p10: 3, p50: 9, p90: null },
  bothClear: { p10: 1, p50: 2, p90: 4 },
  luck: { ready: 0.3, bothClear: 0.1 },
  nextTest: { parameters: ['nitrite'], day: 2, of: 'half', widthNow: 21, widthThen: 7, why: 'teaches' },
  additions: { addedMgN: [], peakMgN: [] },
  surprises: [{ what: 'ammonia', atMs: 1_799_000_000_000, expected: '0.2 mg/L NH₄' }],
};

test('a forecast is kept through a reload, with the inputs it came from', async () => {
  const storage = memoryStorage();
  const made = makeStore(storage, noTabs);
  await (
    await openStore(made, async () => null)
  ).whole;
  made.store.dispatch(forecastKept({ waterId: 't', forecast: kept }));
  await made.settled();
  const again = makeStore(storage, noTabs);
  await (
    await openStore(again, async () => null)
  ).whole;
  expect(again.store.getState().drafts.forecasts).toEqual({ t: kept });
});

test.each([
  ['no JSON', '{"half'],
  ['another form', JSON.stringify({ ...kept, inputs: 'short' })],
  ['a missing date', JSON.stringify({ ...kept, ready: undefined })],
  ['an unknown key', JSON.stringify({ ...kept, more: 1 })],
])('what cannot be read back is dropped, not believed: %s', (_what, raw) => {
  expect(readDrafts({ 'draft/forecast/t': raw, 'draft/place/tank': '"t"' })).toMatchObject({
    forecasts: {},
    lastWaterId: 't',
  });
});

test('"cannot say" is kept, too, so that it is not asked again and again', () => {
  const said: KeptForecast = { inputs: '0123456789abcdef', cannotSay: true };
  expect(readDrafts({ 'draft/forecast/t': JSON.stringify(said) }).forecasts.t).toEqual(said);
});
