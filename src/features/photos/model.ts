/** Pictures as plain data: strips by what they show, and what a picture may be of. */
import { isIn, placeOf, type Document, type Photo } from '../../../core/document';
import { animalWords } from '../../../core/words';
import { compared } from '../../../core/time';

/** Pictures of a water, newest first. */
export const photosOf = (doc: Document, waterId: string): Photo[] =>
  Object.values(doc.photos)
    .filter((p) => p.waterId === waterId)
    .sort((a, b) => compared(b.at, a.at));

export interface Strip {
  key: string;
  title: string;
  photos: Photo[];
}

/** What a picture shows, in a word or two. */
function subjectOf(doc: Document, photo: Photo): string {
  if (photo.view !== '') return photo.view;
  if (photo.of?.kind === 'animal') {
    const animal = doc.animals[photo.of.id];
    return animal ? animalWords(doc, animal) : 'one that is gone';
  }
  return photo.of === undefined
    ? 'The tank'
    : { sample: 'A sitting', look: 'A look', event: 'An entry' }[photo.of.kind];
}

/** One strip for each view or animal, the one with the newest picture first; oldest picture first in each. */
export function stripsOf(doc: Document, photos: readonly Photo[]): Strip[] {
  const strips = new Map<string, Strip>();
  for (const photo of photos) {
    const title = subjectOf(doc, photo);
    const strip = strips.get(title) ?? { key: title, title, photos: [] };
    strip.photos.unshift(photo);
    strips.set(title, strip);
  }
  return [...strips.values()];
}

/** Of each strip the newest stay, and before them the first of each month: what would go. */
const NEWEST_KEPT = 4;
export function thinnedOut(strips: readonly Strip[]): Photo[] {
  return strips.flatMap(({ photos }) => {
    const months = new Set<string>();
    return photos.slice(0, -NEWEST_KEPT).filter((p) => {
      const month = p.at.slice(0, 7);
      const first = !months.has(month);
      months.add(month);
      return !first;
    });
  });
}

/** Whom a picture of a water may show. */
export const subjects = (doc: Document, waterId: string): { value: string; label: string }[] => [
  { value: '', label: 'the tank as a whole' },
  ...Object.values(doc.animals)
    .filter((a) => isIn(a, waterId) || (a.homeId === waterId && placeOf(a).kind === 'water'))
    .map((a) => ({ value: a.id, label: animalWords(doc, a) })),
];

/** "3.4 MB". */
export const megabytes = (bytes: number): string => `${(bytes / 1e6).toFixed(bytes < 1e7 ? 1 : 0)} MB`;
