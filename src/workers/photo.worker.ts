/** Scales a picture off the main thread: turned as the camera held it, and written anew, so that no place, time or name of a device is left in it. */
import { patchAt, type Patch } from '../../core/vial';
import type { PhotoAsk, PhotoTold } from './messages';

/** The longer side, px, and how finely it is written. */
const SIZES = { whole: { side: 1600, quality: 0.82 }, small: { side: 320, quality: 0.72 } } as const;

self.onmessage = async ({ data }: MessageEvent<PhotoAsk>) => {
  const tell = (told: PhotoTold): void => self.postMessage(told);
  try {
    const bitmap = await createImageBitmap(data.file, { imageOrientation: 'from-image' });
    tell(
      data.kind === 'scale'
        ? await bothSizes(bitmap)
        : { kind: 'patches', patches: patches(bitmap, data.spots) },
    );
    bitmap.close();
  } catch {
    tell({ kind: 'none' });
  }
};

async function bothSizes(bitmap: ImageBitmap): Promise<PhotoTold> {
  const whole = await scaled(bitmap, SIZES.whole);
  const small = await scaled(bitmap, SIZES.small);
  const { width, height, bytes } = whole;
  return { kind: 'photo', whole: whole.url, small: small.url, width, height, bytes };
}

/** From the picture as it was taken: writing it anew would smear colours into each other. */
function patches(bitmap: ImageBitmap, spots: Extract<PhotoAsk, { kind: 'patches' }>['spots']): Patch[] {
  const { width, height } = bitmap;
  const context = new OffscreenCanvas(width, height).getContext('2d');
  if (!context) throw new Error('no canvas');
  context.drawImage(bitmap, 0, 0);
  return spots.map(({ at: [x, y], radius }) => {
    const r = Math.min(LARGEST, Math.max(1, radius * width));
    const [left, top] = [Math.floor(x * width - r), Math.floor(y * height - r)];
    const side = Math.ceil(2 * r) + 2;
    return patchAt(context.getImageData(left, top, side, side), x * width - left, y * height - top, r);
  });
}
/** Pixels: more of a plain colour tell no more. */
const LARGEST = 40;

async function scaled(bitmap: ImageBitmap, { side, quality }: { side: number; quality: number }) {
  const by = Math.min(1, side / Math.max(bitmap.width, bitmap.height));
  const [width, height] = [
    Math.max(1, Math.round(bitmap.width * by)),
    Math.max(1, Math.round(bitmap.height * by)),
  ];
  const canvas = new OffscreenCanvas(width, height);
  const context = canvas.getContext('2d');
  if (!context) throw new Error('no canvas');
  context.imageSmoothingQuality = 'high';
  context.drawImage(bitmap, 0, 0, width, height);
  const blob = await canvas.convertToBlob({ type: 'image/jpeg', quality });
  return { url: await urlOf(blob), width, height, bytes: blob.size };
}

const urlOf = (blob: Blob): Promise<string> =>
  new Promise((done, fail) => {
    const reader = new FileReader();
    reader.onload = () => done(String(reader.result));
    reader.onerror = () => fail(new Error('unreadable'));
    reader.readAsDataURL(blob);
  });
