/** A document with its tables as one zip archive; fflate does the packing. */
import { strFromU8, strToU8, unzip, zip, type Zippable } from 'fflate';
import { DOCUMENT_LIMITS, type Document } from '../core/document';
import { writeDocument, type Revisions } from '../core/document/checks';
import { readingsCsv } from './csv';

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

/** Document, readings and pictures, packed off the page where the browser can. */
export function archiveOf(
  doc: Document,
  revisions: Revisions,
  pictures: Pictures = new Map(),
): Promise<Uint8Array<ArrayBuffer>> {
  const files: Zippable = {
    [DOCUMENT_NAME]: strToU8(writeDocument(doc, revisions)),
    [READINGS_NAME]: strToU8(readingsCsv(doc)),
    // Packed already.
    ...Object.fromEntries(
      [...pictures].map(([id, bytes]) => [`photos/${id}.jpg`, [bytes, { level: 0 as const }]]),
    ),
  };
  return new Promise((done, fail) =>
    zip(files, (error, data) => (error ? fail(error) : done(data as Uint8Array<ArrayBuffer>))),
  );
}

/** The text of the document in an archive, and its pictures. Nothing else in it is unpacked, wherever it would go, and nothing larger than such
 *  things are.
 *  @throws ArchiveError */
export function archiveIn(bytes: Uint8Array): Promise<{ text: string; pictures: Pictures }> {
  const most = DOCUMENT_LIMITS.fileMegabytes.value * MEGABYTE;
  let tooLarge = false;
  let pictureBytes = 0;
  return new Promise((done, fail) =>
    unzip(
      bytes,
      {
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
      },
      (error, files) => {
        const found = files?.[DOCUMENT_NAME];
        if (tooLarge)
          fail(
            new ArchiveError(
              `${DOCUMENT_NAME} in it is larger than ${DOCUMENT_LIMITS.fileMegabytes.value} MB`,
            ),
          );
        else if (error) fail(new ArchiveError('it is no whole zip archive'));
        else if (!found) fail(new ArchiveError(`there is no ${DOCUMENT_NAME} in it`));
        else done({ text: strFromU8(found), pictures: picturesIn(files) });
      },
    ),
  );
}

const picturesIn = (files: Record<string, Uint8Array>): Pictures =>
  new Map(
    Object.entries(files).flatMap(([name, bytes]) => {
      const id = PICTURE.exec(name)?.[1];
      return id === undefined ? [] : [[id, bytes]];
    }),
  );
