/** Pictures beside the document, as data URLs by their id: a large one and a small one each. Read only when they are looked at. */
import { photosStorage, type Storage } from './storage';

let storage: Storage | null = null;
const opened = (): Storage => (storage ??= photosStorage());

export type PhotoSize = 'whole' | 'small';
const keyOf = (id: string, size: PhotoSize): string => `${size}/${id}`;

/** @throws Error where the browser keeps nothing, or has no room */
export const keepPicture = (id: string, whole: string, small: string): Promise<void> =>
  opened().setMany({ [keyOf(id, 'whole')]: whole, [keyOf(id, 'small')]: small });

/** Null where it is not in this browser: it was taken on another device. */
export async function pictureOf(id: string, size: PhotoSize): Promise<string | null> {
  try {
    const key = keyOf(id, size);
    return (await opened().getMany([key]))[key] ?? null;
  } catch {
    return null;
  }
}

/** A picture's bytes, for a file; null where it is not here. */
export async function pictureBytes(id: string): Promise<Uint8Array<ArrayBuffer> | null> {
  const url = await pictureOf(id, 'whole');
  if (url === null) return null;
  const text = atob(url.slice(url.indexOf(',') + 1));
  return Uint8Array.from(text, (c) => c.charCodeAt(0));
}

/** Takes pictures away for good. */
export const dropPictures = (ids: readonly string[]): Promise<void> =>
  opened().setMany(
    Object.fromEntries(
      ids.flatMap((id) => [
        [keyOf(id, 'whole'), null],
        [keyOf(id, 'small'), null],
      ]),
    ),
  );
