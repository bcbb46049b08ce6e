import type { Document } from '../../../core/document';
import { localDay, makeStore, openStore } from '../../store';

/** The demo tanks when the server said so in the page and nothing is stored; loaded only then. */
async function demoIfServed(): Promise<Document | null> {
  const mode = document.querySelector('meta[name="zoarium-mode"]')?.getAttribute('content');
  if (mode !== 'demo') return null;
  const { makeDemo } = await import('../../store/demo');
  return makeDemo(Date.now(), localDay);
}

/** The one store of the page, already being filled. Failures show in its status. */
export const started = makeStore();
/** Resolved when it is filled or has failed; never rejected. */
export const opened = openStore(started, demoIfServed);
