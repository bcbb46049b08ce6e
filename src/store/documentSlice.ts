/** The document in Redux: what is stored, what can be undone, and how loading and saving stand. Reducers only record. */
import { createAction, type UnknownAction } from '@reduxjs/toolkit';
import {
  applyChanges,
  emptyDocument,
  reversed,
  type Change,
  type CollectionName,
  type Document,
} from '../../core/document';
import type { Aside } from './load';

export interface Act {
  /** What was done, in the past tense, for the undo notice: "Sample logged". */
  label: string;
  changes: Change[];
}

export interface DocumentState {
  status: { kind: 'loading' } | { kind: 'ready' } | { kind: 'failed'; message: string };
  entities: Document;
  undo: Act[];
  redo: Act[];
  /** Counts acts, undos and redos, so that a notice can tell a new one from the last. */
  revision: number;
  lastLabel: string | null;
  aside: Aside[];
  saveError: string | null;
}

/** Acts that can be taken back. */
const UNDO_DEPTH = 100;

const initialState: DocumentState = {
  status: { kind: 'loading' },
  entities: emptyDocument(),
  undo: [],
  redo: [],
  revision: 0,
  lastLabel: null,
  aside: [],
  saveError: null,
};

export const documentOpened = createAction<{ document: Document; aside: Aside[] }>('document/documentOpened');
export const openingFailed = createAction<string>('document/openingFailed');
/** Entries that failed their check after opening; they stand under "aside/" and leave the document. */
export const entriesSetAside = createAction<Aside[]>('document/entriesSetAside');
export const actCommitted = createAction<Act>('document/actCommitted');
export const actUndone = createAction('document/actUndone');
export const actRedone = createAction('document/actRedone');
/** Changes made in another tab of the same browser; they are theirs to undo. */
export const changesArrived = createAction<Change[]>('document/changesArrived');
export const noticeDismissed = createAction('document/noticeDismissed');
export const saveFailed = createAction<string>('document/saveFailed');
export const saveSucceeded = createAction('document/saveSucceeded');

/** A plain reducer, not one that edits drafts: what is replaced is shared structure, and a history of tens of thousands of entities must
 *  not be walked at each act, neither to draft nor to freeze it. */
export function documentReducer(s: DocumentState = initialState, action: UnknownAction): DocumentState {
  if (documentOpened.match(action))
    return {
      ...s,
      status: { kind: 'ready' },
      entities: action.payload.document,
      aside: action.payload.aside,
    };
  if (openingFailed.match(action)) return { ...s, status: { kind: 'failed', message: action.payload } };
  if (actCommitted.match(action)) {
    const act = action.payload;
    return {
      ...s,
      entities: applyChanges(s.entities, act.changes),
      undo: [...s.undo, act].slice(-UNDO_DEPTH),
      redo: [],
      revision: s.revision + 1,
      lastLabel: act.label,
    };
  }
  if (actUndone.match(action)) {
    const act = s.undo[s.undo.length - 1];
    return act
      ? {
          ...s,
          entities: applyChanges(s.entities, reversed(act.changes)),
          undo: s.undo.slice(0, -1),
          redo: [...s.redo, act],
          revision: s.revision + 1,
          lastLabel: `Undone: ${act.label}`,
        }
      : s;
  }
  if (actRedone.match(action)) {
    const act = s.redo[s.redo.length - 1];
    return act
      ? {
          ...s,
          entities: applyChanges(s.entities, act.changes),
          redo: s.redo.slice(0, -1),
          undo: [...s.undo, act],
          revision: s.revision + 1,
          lastLabel: `Done again: ${act.label}`,
        }
      : s;
  }
  if (changesArrived.match(action)) return { ...s, entities: applyChanges(s.entities, action.payload) };
  if (entriesSetAside.match(action)) return withoutAside(s, action.payload);
  if (noticeDismissed.match(action)) return { ...s, lastLabel: null };
  if (saveFailed.match(action)) return { ...s, saveError: action.payload };
  if (saveSucceeded.match(action)) return { ...s, saveError: null };
  return s;
}

function withoutAside(s: DocumentState, aside: Aside[]): DocumentState {
  const gone = aside.flatMap(({ key }): Change[] => {
    const [, collection, id = ''] = key.split('/');
    return [{ collection: collection as CollectionName, id, before: null, after: null }];
  });
  return { ...s, entities: applyChanges(s.entities, gone), aside: [...aside, ...s.aside] };
}
