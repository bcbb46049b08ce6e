/** The page's end of the forecast worker. One worker at a time: asking while it works, or stopping, ends it;
 *  asking one that has answered lets it use its fit again. */
import type { Document } from '../../core/document';
import type { Question } from '../../core/forecast';
import type { Ask, Told } from './messages';

export interface ForecastClient {
  ask: (document: Document, question: Question) => void;
  whatIf: () => void;
  /** Ends the work; what was kept for what-ifs is lost. */
  stop: () => void;
}

/** A worker that has not spoken for so long is taken for dead. */
const SILENCE_MS = 30_000;

export function forecastClient(hear: (told: Told) => void): ForecastClient {
  let worker: Worker | null = null;
  let watch: ReturnType<typeof setTimeout> | undefined;
  let busy = false;
  const stop = () => {
    busy = false;
    clearTimeout(watch);
    worker?.terminate();
    worker = null;
  };
  const guard = () => {
    clearTimeout(watch);
    watch = setTimeout(() => {
      stop();
      hear({ kind: 'failed', message: 'it stopped answering' });
    }, SILENCE_MS);
  };
  const send = (ask: Ask) => {
    busy = true;
    worker?.postMessage(ask);
    guard();
  };
  const start = (): Worker => {
    const made = new Worker(new URL('./forecast.worker.ts', window.location.href));
    made.onmessage = (event: MessageEvent<Told>) => {
      const told = event.data;
      if (told.kind === 'progress' || (told.kind === 'whatIf' && !told.complete)) guard();
      else {
        busy = false;
        clearTimeout(watch);
      }
      hear(told);
    };
    made.onerror = () => {
      stop();
      hear({ kind: 'failed', message: 'the worker ended unexpectedly' });
    };
    return made;
  };
  return {
    ask: (document, question) => {
      if (busy) stop();
      worker ??= start();
      send({ kind: 'ask', document, question });
    },
    whatIf: () => send({ kind: 'whatIf' }),
    stop,
  };
}
