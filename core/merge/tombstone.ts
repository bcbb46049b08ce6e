import type { CollectionName } from '../document';

/** Under what id a deletion is remembered. */
export const tombstoneId = (collection: CollectionName, id: string): string => `${collection}-${id}`;
