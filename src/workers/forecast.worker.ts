/** A door to the forecast, off the main thread: fits islands, pools them, answers, compares courses. Stopped by being terminated. */
import {
  answerFrom,
  courseOf,
  coursesFor,
  defaultPlan,
  groundFor,
  inferIsland,
  islandOptions,
  narrowing,
  pooled,
  read,
  refreshIsland,
  type Answer,
  type Asked,
  type Island,
  type Posterior,
} from '../../core/forecast';
import type { Ask, Told } from './messages';

type Reading = Asked | Extract<Answer, { status: 'cannotSay' }>;
let reading: Reading | null = null;
let last: { posterior: Posterior; answer: Answer } | null = null;
const tell = (told: Told): void => self.postMessage(told);

self.onmessage = ({ data: ask }: MessageEvent<Ask>) => {
  try {
    hear(ask);
  } catch (error) {
    tell({ job: ask.job, kind: 'failed', message: error instanceof Error ? error.message : String(error) });
  }
};

function hear(ask: Ask): void {
  if (ask.kind === 'read') {
    reading = read(ask.document, ask.question);
    last = null;
    return;
  }
  if (!reading) throw new Error('nothing was asked yet');
  if ('status' in reading) {
    if (ask.kind !== 'courses')
      tell({ job: ask.job, kind: 'answer', answer: reading, islands: 0, narrowing: false });
    return;
  }
  if (ask.kind === 'island') fitIsland(ask.job, reading, ask.index, ask.kept);
  else if (ask.kind === 'answer') answerWith(ask.job, ask.islands, reading);
  else compareCourses(ask.job, reading);
}

function fitIsland(job: number, asked: Asked, index: number, kept: Island | null): void {
  const options = islandOptions(asked.question, index);
  const through = <T>(run: Generator<{ done: number }, T>): T => {
    let next = run.next();
    let told = 0;
    while (!next.done) {
      if (next.value.done - told > 0.1) {
        told = next.value.done;
        tell({ job, kind: 'progress', index, done: told });
      }
      next = run.next();
    }
    return next.value;
  };
  const refreshed = kept ? through(refreshIsland(kept, asked.target, options)) : null;
  const island = refreshed ?? through(inferIsland(asked.target, options));
  tell({ job, kind: 'island', index, island });
}

function answerWith(job: number, islands: Island[], asked: Asked): void {
  const posterior = pooled(asked.target, islands, asked.question.seed);
  const answer = answerFrom(asked, posterior);
  last = { posterior, answer };
  const many = islands.length;
  tell({ job, kind: 'answer', answer, islands: many, narrowing: narrowing(answer, many) });
}

function compareCourses(job: number, { target, water, question }: Asked): void {
  if (last?.answer.status !== 'ok') throw new Error('there is no forecast to compare with yet');
  const { horizonDays } = last.answer.forecast;
  const ground = groundFor(last.posterior, last.answer.plan, { horizonDays, seed: question.seed });
  for (const id of coursesFor(target.timeline)) {
    if (id === 'asSoFar') continue;
    const plan = defaultPlan(water, target.timeline, id);
    const course = courseOf(ground, id, plan);
    tell({ job, kind: 'course', course });
  }
  tell({ job, kind: 'coursesDone' });
}
