/** The page's end of the worker that packs and opens archives. */
import type { ArchiveAsk, ArchiveTold } from './messages';

const start = (): Worker => new Worker(new URL('./archive.worker.ts', window.location.href));

/** What is in an archive, or why it cannot be read. */
export type Unpacked = Extract<ArchiveTold, { kind: 'opened' | 'shut' }>;

export function unpack(file: Blob): Promise<Unpacked> {
  const worker = start();
  const told = new Promise<Unpacked>((done) => {
    worker.onmessage = ({ data }: MessageEvent<Unpacked>) => done(data);
    worker.onerror = () => done({ kind: 'shut', why: 'The browser could not open it.' });
  });
  worker.postMessage({ kind: 'open', file } satisfies ArchiveAsk);
  return told.finally(() => worker.terminate());
}

/** An archive being packed: one file after the other, bit by bit. */
export interface Packer {
  begin: (name: string, packed: boolean) => void;
  add: (part: string | Uint8Array) => void;
  end: () => void;
  /** @throws Error where the browser cannot pack it */
  done: () => Promise<Blob>;
}

export function pack(): Packer {
  const worker = start();
  const ask = (a: ArchiveAsk): void => worker.postMessage(a);
  const told = new Promise<Blob>((done, fail) => {
    worker.onmessage = ({ data }: MessageEvent<Extract<ArchiveTold, { kind: 'packed' }>>) =>
      done(data.archive);
    worker.onerror = () => fail(new Error('the archive could not be packed'));
  });
  return {
    begin: (name, packed) => ask({ kind: 'begin', name, packed }),
    add: (part) => ask({ kind: 'add', part }),
    end: () => ask({ kind: 'end' }),
    done: () => {
      ask({ kind: 'done' });
      return told.finally(() => worker.terminate());
    },
  };
}
