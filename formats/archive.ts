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

/** Document and readings, packed off the page where the browser can. */
export function archiveOf(doc: Document, revisions: Revisions): Promise<Uint8Array<ArrayBuffer>> {
  const files: Zippable = {
    [DOCUMENT_NAME]: strToU8(writeDocument(doc, revisions)),
    [READINGS_NAME]: strToU8(readingsCsv(doc)),
  };
  return new Promise((done, fail) =>
    zip(files, (error, data) => (error ? fail(error) : done(data as Uint8Array<ArrayBuffer>))),
  );
}

/** The text of the document in an archive. Nothing else in it is unpacked, wherever it would go, and nothing larger than a document may be.
 *  @throws ArchiveError */
export function documentInArchive(bytes: Uint8Array): Promise<string> {
  const most = DOCUMENT_LIMITS.fileMegabytes.value * MEGABYTE;
  let tooLarge = false;
  return new Promise((done, fail) =>
    unzip(
      bytes,
      {
        filter: ({ name, originalSize }) => {
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
        else done(strFromU8(found));
      },
    ),
  );
}
