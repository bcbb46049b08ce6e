/** Files on their way out, written in slices while the page goes on. */
import type { Document } from '../../../core/document';
import { writingDocument, type RevisionLookup } from '../../../core/document/checks';
import { pictureBytes } from '../../store/photos';
import { pack } from '../../workers';

/** Milliseconds of writing before the page may breathe. */
const SLICE_MS = 10;
/** Characters handed over at once. */
const BUNCH = 200_000;

/** Hands over everything that is written, in bunches, without holding up the page. */
async function written(parts: Iterable<string>, take: (bunch: string) => void): Promise<void> {
  let since = performance.now();
  let bunch: string[] = [];
  let length = 0;
  for (const part of parts) {
    bunch.push(part);
    length += part.length;
    if (length >= BUNCH) {
      take(bunch.join(''));
      bunch = [];
      length = 0;
    }
    if (performance.now() - since < SLICE_MS) continue;
    await new Promise((go) => setTimeout(go, 0));
    since = performance.now();
  }
  take(bunch.join(''));
}

/** What is written, as a file of a type. */
export async function fileOf(parts: Iterable<string>, type: string): Promise<Blob> {
  const bunches: string[] = [];
  await written(parts, (bunch) => bunches.push(bunch));
  return new Blob(bunches, { type });
}

/** The document as one file. */
export const documentFile = (doc: Document, revisions: RevisionLookup): Promise<Blob> =>
  fileOf(writingDocument(doc, revisions), 'application/json');

/** Document, readings and pictures as a zip. @throws Error where the browser cannot pack it */
export async function archiveFile(doc: Document, revisions: RevisionLookup): Promise<Blob> {
  const { filesOf, pictureName } = await import('../../../formats/archive');
  const packer = pack();
  for (const { name, parts } of filesOf(doc, revisions)) {
    packer.begin(name, true);
    await written(parts, packer.add);
    packer.end();
  }
  for (const id of Object.keys(doc.photos)) {
    const picture = await pictureBytes(id);
    if (!picture) continue;
    packer.begin(pictureName(id), false);
    packer.add(picture);
    packer.end();
  }
  return packer.done();
}
