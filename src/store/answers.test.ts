import { answerNow, type Course } from '../../core/forecast';
import { DAY, History, START_MS } from '../../core/testing/history';
import { QUICK_FIT } from '../../core/testing/quickFit';
import { keptAnswer, readAnswer, writeAnswer, type KeptAnswer } from './answers';

function kept(): KeptAnswer {
  const { doc } = new History()
    .dose(1, 2)
    .test(2, { ammonia: 2, nitrite: 0 })
    .test(8, { ammonia: 1, nitrite: 1 });
  const answer = answerNow(doc, {
    waterId: 't',
    atMs: START_MS + 9 * DAY,
    seed: 1,
    horizonDays: 60,
    plan: 'asSoFar',
    loadMgN: 12,
    options: QUICK_FIT,
  });
  if (answer.status !== 'ok') throw new Error('no answer');
  const { ready } = answer.forecast;
  const course: Course = { id: 'wait', plan: answer.plan, ready, gain: ready, reachesMore: 0.1 };
  return { inputs: '0123456789abcdef', answer, courses: [course] };
}

test('an answer is read back as it was, but for its single futures', () => {
  const one = kept();
  const back = readAnswer(writeAnswer(one));
  const { readyDays, ...forecast } = back?.answer.forecast ?? one.answer.forecast;
  const { readyDays: before, ...was } = one.answer.forecast;
  expect(forecast).toEqual(was);
  expect([readyDays.length, before.length > 0]).toEqual([0, true]);
  expect({ ...back?.answer, forecast: null }).toEqual({ ...one.answer, forecast: null });
  expect(back?.courses).toEqual(one.courses);
});
test('a reading above the top step surprises without an upper edge', () => {
  const one = kept();
  const over = {
    day: 3,
    what: 'ammonia' as const,
    expected: [0, 1, 2] as [number, number, number],
    low: 5,
    high: Infinity,
  };
  one.answer.surprises = [over];
  expect(readAnswer(writeAnswer(one))?.answer.surprises).toEqual([over]);
});
test.each([
  ['no JSON', '{"half'],
  ['another form', writeAnswer(kept()).replace('"form":1', '"form":2')],
  ['a date that is none', writeAnswer(kept()).replace('"atMs":', '"atMs":"x","was":')],
])('what cannot be read is let go: %s', (_, text) => expect(readAnswer(text)).toBeNull());
test('a browser that keeps nothing has nothing kept', async () => {
  expect(await keptAnswer('t')).toBeNull();
});
