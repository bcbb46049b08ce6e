import { DAY, History, START_MS } from '../testing/history';
import { QUICK_FIT } from '../testing/quickFit';
import { answer, courseOf, coursesFor, defaultPlan, groundFor, read, type Question } from '.';

const question: Question = {
  waterId: 't',
  atMs: START_MS + 16 * DAY,
  seed: 2,
  horizonDays: 60,
  plan: 'asSoFar',
  loadMgN: null,
  options: QUICK_FIT,
};
const log = new History()
  .dose(1, 2)
  .test(2, { ammonia: 2, nitrite: 0 })
  .test(8, { ammonia: 1, nitrite: 0.5 })
  .test(12, { ammonia: 0.25, nitrite: 2 })
  .test(15, { ammonia: 0, nitrite: 5 });

function fitted() {
  const run = answer(log.doc, question);
  let next = run.next();
  while (!next.done) next = run.next();
  const asked = read(log.doc, question);
  const { posterior, answer: said } = next.value;
  if ('status' in asked || !posterior || said.status !== 'ok') throw new Error('no fit');
  return { asked, posterior, said };
}

test('a course that changes nothing wins nothing; the others are told apart on the same futures', () => {
  const { asked, posterior, said } = fitted();
  const { timeline } = asked.target;
  const ground = groundFor(posterior, said.plan, question);
  expect(courseOf(ground, 'asSoFar', said.plan)).toMatchObject({
    gain: { p10: 0, p50: 0, p90: 0 },
    reachesMore: 0,
  });
  const by = Object.fromEntries(
    coursesFor(timeline).map((id) => [id, courseOf(ground, id, defaultPlan(asked.water, timeline, id))]),
  );
  expect(by.wait?.reachesMore).toBeLessThan(0);
  expect(by.media?.gain.p50 ?? NaN).toBeGreaterThan(1);
  expect(by.warmer?.gain.p50 ?? NaN).toBeGreaterThan(0);
  expect(by.dose?.reachesMore ?? NaN).toBeGreaterThanOrEqual(-0.05);
});

test('many tanks are thinned evenly, few are all taken', () => {
  const { posterior, said } = fitted();
  expect(groundFor(posterior, said.plan, question).posterior.particles).toBe(posterior.particles);
  const times = 9;
  const many = {
    ...posterior,
    particles: posterior.particles * times,
    z: Float64Array.from(
      { length: posterior.z.length * times },
      (_, i) => posterior.z[i % posterior.z.length] as number,
    ),
    states: Float64Array.from(
      { length: posterior.states.length * times },
      (_, i) => posterior.states[i % posterior.states.length] as number,
    ),
    logLikelihood: Float64Array.from(
      { length: posterior.logLikelihood.length * times },
      (_, i) => posterior.logLikelihood[i % posterior.logLikelihood.length] as number,
    ),
  };
  const ground = groundFor(many, said.plan, question);
  expect(ground.posterior.particles).toBe(Math.floor(many.particles / 2));
  expect(ground.posterior.logLikelihood[3]).toBe(many.logLikelihood[6]);
});
