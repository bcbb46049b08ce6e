/** Reads a file off the main thread: text, checks, faults. Stopped by being terminated. */
import { readingDocument } from '../../core/document/checks';
import { toldInParts } from './fileParts';
import type { FileTold } from './messages';

const tell = (told: FileTold): void => self.postMessage(told);

self.onmessage = async (event: MessageEvent<Blob>) => {
  let text: string;
  try {
    text = await event.data.text();
  } catch {
    tell({ kind: 'unreadable' });
    return;
  }
  tell({ kind: 'progress', done: 0.1 });
  const reading = readingDocument(text);
  let step = reading.next();
  while (!step.done) {
    tell({ kind: 'progress', done: step.value });
    step = reading.next();
  }
  for (const part of toldInParts(step.value)) tell(part);
};
