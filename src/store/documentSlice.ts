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
import type { Act, Way } from './acts';
import type { Aside } from './load';

export interface DocumentState {
  status: { kind: 'loading' } | { kind: 'ready' } | { kind: 'failed'; message: string; canGoOn: boolean };
  entities: Document;
  undo: Act[];
  redo: Act[];
  /** Counts what was stored, so that a notice can tell a new one from the last. */
  revision: number;
  lastLabel: string | null;
  aside: Aside[];
  /** Why what was done is not stored yet. */
  saveError: string | null;
  /** Storing takes longer than it should. */
  slow: boolean;
  /** What became of the browser's storage: `refused` keeps nothing, `emptied` was thrown away while the page was open, `evicted` before it. */
  storage: 'kept' | 'refused' | 'emptied' | 'evicted';
}

/** Acts that can be taken back. */
export const UNDO_DEPTH = 100;

const initialState: DocumentState = {
  status: { kind: 'loading' },
  entities: emptyDocument(),
  undo: [],
  redo: [],
  revision: 0,
  lastLabel: null,
  aside: [],
  saveError: null,
  slow: false,
  storage: 'kept',
};

export const documentOpened = createAction<{ document: Document; aside: Aside[] }>('document/documentOpened');
/** `canGoOn`: without a storage, nothing there would be harmed. */
export const openingFailed = createAction<{ message: string; canGoOn: boolean }>('document/openingFailed');
/** Entries that failed their check after opening; they stand under "aside/" and leave the document. */
export const entriesSetAside = createAction<Aside[]>('document/entriesSetAside');
/** Done in memory; the storage follows. */
export const actCommitted = createAction<Act>('document/actCommitted');
export const actUndone = createAction('document/actUndone');
export const actRedone = createAction('document/actRedone');
/** Its transaction has completed: only now may it be said. */
export const actSaved = createAction<{ act: Act; way: Way }>('document/actSaved');
/** Another tab had changed what it touches: what stands in the storage counts. */
export const actRefused = createAction<{ act: Act; way: Way; changes: Change[] }>('document/actRefused');
/** Acts of before this page was opened. */
export const actsOpened = createAction<{ undo: Act[]; redo: Act[] }>('document/actsOpened');
/** Changes made in another tab of the same browser; they are theirs to undo. */
export const changesArrived = createAction<Change[]>('document/changesArrived');
export const noticeDismissed = createAction('document/noticeDismissed');
export const saveFailed = createAction<string>('document/saveFailed');
export const saveSucceeded = createAction('document/saveSucceeded');
export const storageLost = createAction('document/storageLost');
export const storageFound = createAction('document/storageFound');
/** Something was stored here once and is no more. */
export const storageEvicted = createAction('document/storageEvicted');
/** The browser stores nothing: the page is all there is. */
export const storageRefused = createAction('document/storageRefused');
export const savingSlow = createAction<boolean>('document/savingSlow');

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
  if (openingFailed.match(action)) return { ...s, status: { kind: 'failed', ...action.payload } };
  if (actCommitted.match(action)) {
    const act = action.payload;
    const entities = applyChanges(s.entities, act.changes);
    if (act.quiet) return { ...s, entities };
    return {
      ...s,
      entities,
      undo: [...s.undo, act].slice(-UNDO_DEPTH),
      redo: [],
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
        }
      : s;
  }
  if (actSaved.match(action) && action.payload.act.quiet) return s;
  if (actSaved.match(action)) return said(s, SAID[action.payload.way] + action.payload.act.label);
  if (actRefused.match(action)) {
    const { act, way, changes } = action.payload;
    const standing = { ...s, entities: applyChanges(s.entities, changes) };
    if (act.quiet) return standing;
    const refused = said(standing, REFUSED[way](act.label));
    return { ...refused, undo: without(s.undo, act), redo: without(s.redo, act) };
  }
  if (actsOpened.match(action)) {
    // What was done since the page opened may be stored already: it stands once.
    const known = new Set([...s.undo, ...s.redo].map((act) => act.id));
    const before = action.payload.undo.filter((act) => !known.has(act.id));
    return {
      ...s,
      undo: [...before, ...s.undo].slice(-UNDO_DEPTH),
      redo: s.undo.length > 0 ? s.redo : action.payload.redo,
    };
  }
  if (storageLost.match(action)) return { ...s, storage: 'emptied' };
  if (storageEvicted.match(action)) return { ...s, storage: 'evicted' };
  if (storageRefused.match(action)) return { ...s, storage: 'refused' };
  if (storageFound.match(action)) return { ...s, storage: 'kept' };
  if (savingSlow.match(action)) return { ...s, slow: action.payload };
  if (changesArrived.match(action)) return { ...s, entities: applyChanges(s.entities, action.payload) };
  if (entriesSetAside.match(action)) return withoutAside(s, action.payload);
  if (noticeDismissed.match(action)) return { ...s, lastLabel: null };
  if (saveFailed.match(action)) return { ...s, saveError: action.payload };
  if (saveSucceeded.match(action)) return { ...s, saveError: null };
  return s;
}

const SAID: Record<Way, string> = { done: '', undone: 'Undone: ', redone: 'Done again: ' };
const REFUSED: Record<Way, (label: string) => string> = {
  done: (label) => `Not stored, another tab changed it meanwhile: ${label}`,
  undone: (label) => `Not undone, another tab changed it since: ${label}`,
  redone: (label) => `Not done again, another tab changed it since: ${label}`,
};

const said = (s: DocumentState, lastLabel: string): DocumentState => ({
  ...s,
  revision: s.revision + 1,
  lastLabel,
});
const without = (acts: Act[], act: Act): Act[] => acts.filter((a) => a.id !== act.id);

function withoutAside(s: DocumentState, aside: Aside[]): DocumentState {
  const gone = aside.flatMap(({ key }): Change[] => {
    const [, collection, id = ''] = key.split('/');
    return [{ collection: collection as CollectionName, id, before: null, after: null }];
  });
  return { ...s, entities: applyChanges(s.entities, gone), aside: [...aside, ...s.aside] };
}
