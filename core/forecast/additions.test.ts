import { DAY, provedHistory, START_MS, type History } from '../testing/history';
import { QUICK_FIT } from '../testing/quickFit';
import { additionPeaks } from './additions';
import { answer } from './answer';

/** What a tank's forecast says of additions on a day. */
function peaksOf(h: History, day: number) {
  const run = answer(h.doc, {
    waterId: 't',
    atMs: START_MS + day * DAY,
    seed: 3,
    horizonDays: 30,
    plan: 'asSoFar',
    loadMgN: null,
    options: QUICK_FIT,
  });
  let next = run.next();
  while (!next.done) next = run.next();
  const { answer: said, posterior } = next.value;
  if (said.status !== 'ok' || !posterior) throw new Error('no fit');
  return { said, posterior };
}

test('more animals never bring less ammonia, and none where nothing is added to a clear tank', () => {
  const { additions } = peaksOf(provedHistory(), 28.2).said;
  const middle = additions.peakMgN.map(([, mid]) => mid);
  expect(middle).toEqual([...middle].sort((a, b) => a - b));
  for (const [low, mid, high] of additions.peakMgN) {
    expect(low).toBeLessThanOrEqual(mid);
    expect(mid).toBeLessThanOrEqual(high);
  }
  expect(middle[0]).toBeLessThan(0.1);
  expect(middle[middle.length - 1]).toBeGreaterThan(5 * middle[0]!);
});

test('a tank with few bacteria peaks higher than one that has passed the proof', () => {
  const young = provedHistory();
  for (const [id, s] of Object.entries(young.doc.samples))
    if (Date.parse(s.at) > START_MS + 10.5 * DAY) delete young.doc.samples[id];
  for (const [id, e] of Object.entries(young.doc.events))
    if (Date.parse(e.at) > START_MS + 10.5 * DAY) delete young.doc.events[id];
  const at = (h: History, day: number) => peaksOf(h, day).said.additions.peakMgN[3]!;
  expect(at(young, 10.2)[1]).toBeGreaterThan(2 * at(provedHistory(), 28.2)[1]);
});

test('feeding that goes on counts besides what is added', () => {
  const { posterior, said } = peaksOf(provedHistory(), 28.2);
  const fed = additionPeaks(posterior, { ...said.plan, feedMgNPerDay: 60 }, { seed: 3, readsZero: true });
  expect(fed.peakMgN[0]![1]).toBeGreaterThan(said.additions.peakMgN[0]![1]);
});
