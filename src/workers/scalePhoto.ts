/** The page's end of the worker that scales pictures. */
import type { PhotoAsk, PhotoTold } from './messages';

export type Scaled = Extract<PhotoTold, { kind: 'photo' }>;

/** Null where it is no picture the browser can read. */
export function scalePhoto(file: Blob): Promise<Scaled | null> {
  const worker = new Worker(new URL('./photo.worker.ts', window.location.href));
  const told = new Promise<Scaled | null>((done) => {
    worker.onmessage = ({ data }: MessageEvent<PhotoTold>) => done(data.kind === 'photo' ? data : null);
    worker.onerror = () => done(null);
  });
  worker.postMessage({ file } satisfies PhotoAsk);
  return told.finally(() => worker.terminate());
}
