/** A file that was read, told by a worker in parts: the page takes each message in at one go, and a log of years would hold it up. */
import { COLLECTION_NAMES, emptyDocument, type AnyEntity } from '../../core/document';
import type { LoadResult, Revision } from '../../core/document/checks';
import type { FileTold } from './messages';

/** Entities, or their revisions, in one message. */
const AT_ONCE = 400;

function* portions<T>(list: readonly T[]): Generator<T[]> {
  for (let from = 0; from < list.length; from += AT_ONCE) yield list.slice(from, from + AT_ONCE);
}

/** The worker's end. */
export function* toldInParts(result: LoadResult): Generator<FileTold> {
  if (result.status !== 'ok') {
    yield { kind: 'not', result };
    return;
  }
  for (const collection of COLLECTION_NAMES) {
    for (const entities of portions<AnyEntity>(Object.values(result.document[collection])))
      yield { kind: 'entities', collection, entities };
  }
  for (const of of portions([...result.revisions])) yield { kind: 'revisions', of };
  yield { kind: 'whole', fromVersion: result.fromVersion };
}

/** The page's end: hears the parts, and returns what was read once it has all of it. */
export function gathering(): (told: FileTold) => LoadResult | null {
  const document = emptyDocument();
  const revisions = new Map<string, Revision>();
  return (told) => {
    switch (told.kind) {
      case 'entities': {
        const into: Record<string, AnyEntity> = document[told.collection];
        for (const entity of told.entities) into[entity.id] = entity;
        return null;
      }
      case 'revisions':
        for (const [key, revision] of told.of) revisions.set(key, revision);
        return null;
      case 'whole':
        return { status: 'ok', document, revisions, fromVersion: told.fromVersion };
      case 'not':
        return told.result;
      default:
        return null;
    }
  };
}
