/** What checks the document: schemas, and files read and written. Apart from the rest, so that a screen that only shows things does
 *  not carry the checks along. */
export {
  brokenInTurn,
  brokenReferences,
  fileSchema,
  parseEntity,
  readDocument,
  readingDocument,
  writeDocument,
  writingDocument,
  canonicalText,
  type Broken,
  type LoadResult,
  type Revision,
  type RevisionLookup,
  type Revisions,
} from './file';
export { columnSchema, equipmentSchema, kitSchema } from './schema';
