/** The page's end of the forecast worker. One worker at a time; asking again or stopping ends the one before. */
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
  const stop = () => {
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
    worker?.postMessage(ask);
    guard();
  };
  return {
    ask: (document, question) => {
      stop();
      worker = new Worker(new URL('./forecast.worker.ts', window.location.href));
      worker.onmessage = (event: MessageEvent<Told>) => {
        const told = event.data;
        if (told.kind === 'progress' || (told.kind === 'whatIf' && !told.complete)) guard();
        else clearTimeout(watch);
        hear(told);
      };
      worker.onerror = () => {
        stop();
        hear({ kind: 'failed', message: 'the worker ended unexpectedly' });
      };
      send({ kind: 'ask', document, question });
    },
    whatIf: () => send({ kind: 'whatIf' }),
    stop,
  };
}
