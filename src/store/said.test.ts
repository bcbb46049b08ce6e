/** Forecasts kept with the log, and whole in a database in memory. */
import 'fake-indexeddb/auto';
import { answerNow, saidOf } from '../../core/forecast';
import { DAY, History, START_MS } from '../../core/testing/history';
import { QUICK_FIT } from '../../core/testing/quickFit';
import { keptAnswer, type KeptAnswer } from './answers';
import { keepForecast } from './said';
import { makeStore, openStore, replaceDocument } from './store';
import { memoryStorage } from './storage';

const log = () =>
  new History().dose(1, 2).test(2, { ammonia: 2, nitrite: 0 }).test(8, { ammonia: 1, nitrite: 1 });
function kept(hours = 0): KeptAnswer {
  const answer = answerNow(log().doc, {
    waterId: 't',
    atMs: START_MS + 9 * DAY + hours * 3_600_000,
    seed: 1,
    horizonDays: 60,
    plan: 'asSoFar',
    loadMgN: null,
    options: QUICK_FIT,
  });
  if (answer.status !== 'ok') throw new Error('no answer');
  return { inputs: '0123456789abcdef', answer, courses: [] };
}
async function opened() {
  const storage = memoryStorage();
  const made = makeStore(storage, { post: () => undefined, listen: () => undefined });
  await openStore(made, async () => null);
  await made.store.dispatch(replaceDocument(log().doc, 'A log'));
  const doc = () => made.store.getState().document.entities;
  return { ...made, stored: storage, doc };
}

test('an answer is kept whole only once its dates are with the log: a page closed between loses nothing', async () => {
  const { store, stored } = await opened();
  let write = (): void => undefined;
  const held = new Promise<void>((go) => (write = go));
  const { transact } = stored;
  stored.transact = async (...args) => {
    await held;
    return transact(...args);
  };
  const keeping = store.dispatch(keepForecast('t', kept()));
  expect(await keptAnswer('t')).toBeNull();
  write();
  await keeping;
  expect(await keptAnswer('t')).toMatchObject({ inputs: kept().inputs });
});

test('what was said is kept with the log, once a day, without a word and without an act to take back', async () => {
  const { store, stored, doc, settled } = await opened();
  const before = store.getState().document;
  await store.dispatch(keepForecast('t', kept()));
  await store.dispatch(keepForecast('t', kept(1)));
  const [said, ...more] = saidOf(doc(), 't');
  expect(more).toEqual([]);
  expect(said).toMatchObject({ at: new Date(kept(1).answer.atMs).toISOString(), horizonDays: 60 });
  const { undo, redo, revision, lastLabel } = store.getState().document;
  expect({ undo, redo, revision, lastLabel }).toEqual({
    undo: before.undo,
    redo: before.redo,
    revision: before.revision,
    lastLabel: before.lastLabel,
  });
  await settled();
  const keys = [...(await stored.entries({ from: '', below: '~' })).keys()];
  expect(keys.filter((k) => k.startsWith('e/forecasts/'))).toHaveLength(1);
  expect(keys.filter((k) => k.startsWith('act/'))).toHaveLength(undo.length);
});

test('nothing is kept of a tank that is gone, or once a proof has settled it', async () => {
  const { store, doc } = await opened();
  await store.dispatch(keepForecast('gone', kept()));
  const one = kept();
  await store.dispatch(keepForecast('t', { ...one, answer: { ...one.answer, proved: true } }));
  expect(Object.keys(doc().forecasts)).toEqual([]);
});

test('the same forecast again is not written again', async () => {
  const { store, doc } = await opened();
  await store.dispatch(keepForecast('t', kept()));
  const first = doc();
  await store.dispatch(keepForecast('t', kept()));
  expect(doc()).toBe(first);
});
