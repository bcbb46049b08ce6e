/** Every act is a list of changes that can be applied, reversed and stored: undo, storage and import share it. */
import { type AnyEntity, type Document, type Entity } from './types';
import { type CollectionName } from './vocabulary';

export interface Change {
  collection: CollectionName;
  id: string;
  before: AnyEntity | null;
  after: AnyEntity | null;
}

/** What a caller wants: put an entity (new or changed) or remove one. */
export type Edit =
  | { [C in CollectionName]: { put: C; entity: Entity<C> } }[CollectionName]
  | { remove: CollectionName; id: string };

/** Edits against the present document -> changes with their `before`, one for each entity: the last edit of it counts. Edits that change
 *  nothing are dropped. */
export function changesOf(doc: Document, edits: readonly Edit[]): Change[] {
  const changes = edits.map((edit): Change => {
    const [collection, id, after] =
      'put' in edit ? [edit.put, edit.entity.id, edit.entity] : [edit.remove, edit.id, null];
    return { collection, id, before: entityIn(doc, collection, id), after };
  });
  const ofEach = new Map(changes.map((change) => [`${change.collection}/${change.id}`, change]));
  return [...ofEach.values()].filter((change) => change.before !== change.after);
}

/** The entity of a document, or null where there is none. */
export const entityIn = (doc: Document, collection: CollectionName, id: string): AnyEntity | null =>
  Object.hasOwn(doc[collection], id) ? (doc[collection][id] ?? null) : null;

/** The changes that take these back, in reverse order. */
export function reversed(changes: readonly Change[]): Change[] {
  return [...changes].reverse().map((c) => ({ ...c, before: c.after, after: c.before }));
}

/** A new document with the changes applied; untouched collections are shared. */
export function applyChanges(doc: Document, changes: readonly Change[]): Document {
  const next: Record<string, Record<string, AnyEntity>> = { ...doc };
  const copied = new Set<CollectionName>();
  for (const { collection, id, after } of changes) {
    if (!copied.has(collection)) {
      next[collection] = { ...next[collection] };
      copied.add(collection);
    }
    const entities = next[collection];
    if (!entities) continue;
    if (after) entities[id] = after;
    else delete entities[id];
  }
  return next as unknown as Document;
}
