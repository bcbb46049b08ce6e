/** Scales a picture off the main thread: turned as the camera held it, and written anew, so that no place, time or name of a device is left in it. */
import type { PhotoAsk, PhotoTold } from './messages';

/** The longer side, px, and how finely it is written. */
const SIZES = { whole: { side: 1600, quality: 0.82 }, small: { side: 320, quality: 0.72 } } as const;

self.onmessage = async ({ data }: MessageEvent<PhotoAsk>) => {
  const tell = (told: PhotoTold): void => self.postMessage(told);
  try {
    const bitmap = await createImageBitmap(data.file, { imageOrientation: 'from-image' });
    const whole = await scaled(bitmap, SIZES.whole);
    const small = await scaled(bitmap, SIZES.small);
    bitmap.close();
    tell({
      kind: 'photo',
      whole: whole.url,
      small: small.url,
      width: whole.width,
      height: whole.height,
      bytes: whole.bytes,
    });
  } catch {
    tell({ kind: 'none' });
  }
};

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
