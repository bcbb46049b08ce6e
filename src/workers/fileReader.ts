/** The page's end of the worker that reads files: one file at a time, each in a worker of its own. */
import { DOCUMENT_LIMITS } from '../../core/document';
import type { LoadResult } from '../../core/document/checks';
import { gathering } from './fileParts';
import type { FileTold } from './messages';

/** How the reading of a file ended. */
export type FileRead = LoadResult | { status: 'too-large'; megabytes: number } | { status: 'unreadable' };

export interface FileReading {
  /** Never settles once stopped. */
  ended: Promise<FileRead>;
  stop: () => void;
}

const MEGABYTE = 1024 * 1024;

/** @param progress hears how much is done, 0 to 1 */
export function readFile(file: Blob, progress: (done: number) => void): FileReading {
  const megabytes = file.size / MEGABYTE;
  if (megabytes > DOCUMENT_LIMITS.fileMegabytes.value)
    return { ended: Promise.resolve({ status: 'too-large', megabytes }), stop: () => undefined };
  const worker = new Worker(new URL('./file.worker.ts', window.location.href));
  const ended = new Promise<FileRead>((end) => {
    const gather = gathering();
    worker.onmessage = ({ data: told }: MessageEvent<FileTold>) => {
      if (told.kind === 'progress') {
        progress(told.done);
        return;
      }
      const read = told.kind === 'unreadable' ? { status: told.kind } : gather(told);
      if (!read) return;
      worker.terminate();
      end(read);
    };
    worker.onerror = () => {
      worker.terminate();
      end({ status: 'unreadable' });
    };
  });
  worker.postMessage(file);
  return { ended, stop: () => worker.terminate() };
}
