/** The page's end of the worker that looks into pictures. */
import type { Patch } from '../../core/vial';
import type { PhotoAsk, PhotoTold } from './messages';

export type Scaled = Extract<PhotoTold, { kind: 'photo' }>;

function asked(ask: PhotoAsk): Promise<PhotoTold> {
  const worker = new Worker(new URL('./photo.worker.ts', window.location.href));
  const told = new Promise<PhotoTold>((done) => {
    worker.onmessage = ({ data }: MessageEvent<PhotoTold>) => done(data);
    worker.onerror = () => done({ kind: 'none' });
  });
  worker.postMessage(ask);
  return told.finally(() => worker.terminate());
}

/** Null where it is no picture the browser can read. */
export async function scalePhoto(file: Blob): Promise<Scaled | null> {
  const told = await asked({ kind: 'scale', file });
  return told.kind === 'photo' ? told : null;
}

/** Colours of spots in a picture, as it was taken; null where it cannot be read. */
export async function patchesOf(
  file: Blob,
  spots: Extract<PhotoAsk, { kind: 'patches' }>['spots'],
): Promise<Patch[] | null> {
  const told = await asked({ kind: 'patches', file, spots });
  return told.kind === 'patches' ? told.patches : null;
}
