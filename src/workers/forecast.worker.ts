/** A door to the forecast: fits off the main thread, tells its progress, keeps the particles for what-ifs. Stopped by being terminated. */
import {
  answer,
  coursesFor,
  inputsOf,
  whatIf,
  type Answer,
  type Posterior,
  type Question,
  type WhatIf,
} from '../../core/forecast';
import type { Ask, Told } from './messages';

let kept: { answer: Answer; posterior: Posterior; question: Question; fitOf: string } | null = null;
const tell = (told: Told): void => self.postMessage(told);

self.onmessage = (event: MessageEvent<Ask>) => {
  try {
    if (event.data.kind === 'ask') ask(event.data);
    else tellWhatIfs();
  } catch (error) {
    tell({ kind: 'failed', message: error instanceof Error ? error.message : String(error) });
  }
};

function ask({ document, question }: Extract<Ask, { kind: 'ask' }>): void {
  // Another plan alone asks for no other fit.
  const fitOf = `${inputsOf(document, 'asSoFar', question.atMs)} ${question.seed} ${JSON.stringify(question.options ?? null)}`;
  const run = answer(document, question, kept?.fitOf === fitOf ? kept.posterior : null);
  kept = null;
  let next = run.next();
  let told = 0;
  while (!next.done) {
    if (next.value.done - told > 0.03) {
      told = next.value.done;
      tell({ kind: 'progress', done: told });
    }
    next = run.next();
  }
  if (next.value.posterior)
    kept = { answer: next.value.answer, posterior: next.value.posterior, question, fitOf };
  tell({ kind: 'answer', answer: next.value.answer });
}

function tellWhatIfs(): void {
  if (!kept || kept.answer.status !== 'ok') {
    tell({ kind: 'failed', message: 'there is no forecast to vary yet' });
    return;
  }
  const list: WhatIf[] = [];
  const ids = coursesFor(kept.posterior.timeline.animalsIn);
  for (const id of ids) {
    list.push(whatIf(kept.posterior, kept.answer.forecast, kept.answer.plan, id, kept.question.seed));
    tell({ kind: 'whatIf', list: [...list], complete: list.length === ids.length });
  }
}
