/** A document with its tables as one zip archive; fflate does the packing. */
import { strFromU8, strToU8, unzipSync, Zip, ZipDeflate, ZipPassThrough } from 'fflate';
import { DOCUMENT_LIMITS, type Document } from '../core/document';
import { writingDocument, type RevisionLookup } from '../core/document/checks';
import { writingReadings } from './csv';

const DOCUMENT_NAME = 'zoarium.json';
const READINGS_NAME = 'readings.csv';
const MEGABYTE = 1024 * 1024;

/** What is wrong with an archive, in a sentence. */
export class ArchiveError extends Error {}

/** Pictures by their id, as JPEG. */
export type Pictures = ReadonlyMap<string, Uint8Array>;
const PICTURE = /^photos\/([A-Za-z0-9][A-Za-z0-9_-]{0,63})\.jpg$/;
/** Of a picture, and of all together, bytes. */
const MOST_PICTURE = 8 * MEGABYTE;
const MOST_PICTURES = 500 * MEGABYTE;

/** Packs an archive bit by bit. */
export class Packing {
  private readonly parts: Uint8Array<ArrayBuffer>[] = [];
  private readonly zip = new Zip((error, data) => {
    if (error) throw error;
    this.parts.push(data as Uint8Array<ArrayBuffer>);
  });
  private file: ZipDeflate | ZipPassThrough | null = null;

  /** The next file begins. @param packed false for what is packed already */
  begin(name: string, packed = true): void {
    this.file = packed ? new ZipDeflate(name, { level: 6 }) : new ZipPassThrough(name);
    this.zip.add(this.file);
  }
  add(part: string | Uint8Array): void {
    this.file?.push(typeof part === 'string' ? strToU8(part) : part);
  }
  /** The file is whole. */
  end(): void {
    this.file?.push(new Uint8Array(0), true);
    this.file = null;
  }
  /** The archive in the pieces it was made of. */
  done(): Uint8Array<ArrayBuffer>[] {
    this.zip.end();
    return this.parts;
  }
}

/** The files of an archive, as they are to be packed: the document, its readings and its pictures. */
export function* filesOf(
  doc: Document,
  revisions: RevisionLookup,
): Generator<{ name: string; parts: Iterable<string> }, void, undefined> {
  yield { name: DOCUMENT_NAME, parts: writingDocument(doc, revisions) };
  yield { name: READINGS_NAME, parts: writingReadings(doc) };
}
export const pictureName = (id: string): string => `photos/${id}.jpg`;

/** The text of the document in an archive, and its pictures. Nothing else in it is unpacked, wherever it would go, and nothing larger than such
 *  things are. It takes its time: on a page it belongs in a worker.
 *  @throws ArchiveError */
export function archiveIn(bytes: Uint8Array): { text: string; pictures: Pictures } {
  const most = DOCUMENT_LIMITS.fileMegabytes.value * MEGABYTE;
  let tooLarge = false;
  let pictureBytes = 0;
  let files: Record<string, Uint8Array>;
  try {
    files = unzipSync(bytes, {
      filter: ({ name, originalSize }) => {
        if (PICTURE.test(name)) {
          if (originalSize > MOST_PICTURE || pictureBytes + originalSize > MOST_PICTURES) return false;
          pictureBytes += originalSize;
          return true;
        }
        if (name !== DOCUMENT_NAME) return false;
        // The archive says how large it will be; one that says less than it is ends at that.
        tooLarge = originalSize > most;
        return !tooLarge;
      },
    });
  } catch {
    throw new ArchiveError('it is no whole zip archive');
  }
  if (tooLarge)
    throw new ArchiveError(`${DOCUMENT_NAME} in it is larger than ${DOCUMENT_LIMITS.fileMegabytes.value} MB`);
  const found = files[DOCUMENT_NAME];
  if (!found) throw new ArchiveError(`there is no ${DOCUMENT_NAME} in it`);
  return { text: strFromU8(found), pictures: picturesIn(files) };
}

const picturesIn = (files: Record<string, Uint8Array>): Pictures =>
  new Map(
    Object.entries(files).flatMap(([name, bytes]) => {
      const id = PICTURE.exec(name)?.[1];
      return id === undefined ? [] : [[id, bytes]];
    }),
  );
