export { merged, merging, type Conflict, type Merged, type Versioned } from './merge';
export { tombstoneId } from './tombstone';
