/** The document in Redux: what is stored, what can be undone, and how loading and saving stand. Reducers only record. */
import { createSlice, original, type PayloadAction } from '@reduxjs/toolkit';
import { applyChanges, emptyDocument, reversed, type Change, type Document } from '../../core/document';
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
export const UNDO_DEPTH = 100;

const initialState: DocumentState = {
  status: { kind: 'loading' }, entities: emptyDocument(), undo: [], redo: [], revision: 0, lastLabel: null, aside: [], saveError: null,
};

/** The plain state behind a draft: the document is replaced by structural sharing, not edited through proxies. */
const plain = (state: DocumentState): DocumentState => original(state) ?? state;

const documentSlice = createSlice({
  name: 'document',
  initialState,
  reducers: {
    documentOpened: (state, { payload }: PayloadAction<{ document: Document; aside: Aside[] }>) => ({
      ...plain(state), status: { kind: 'ready' as const }, entities: payload.document, aside: payload.aside,
    }),
    openingFailed: (state, { payload }: PayloadAction<string>) => ({ ...plain(state), status: { kind: 'failed' as const, message: payload } }),
    actCommitted: (state, { payload }: PayloadAction<Act>) => {
      const s = plain(state);
      return {
        ...s, entities: applyChanges(s.entities, payload.changes), undo: [...s.undo, payload].slice(-UNDO_DEPTH), redo: [],
        revision: s.revision + 1, lastLabel: payload.label,
      };
    },
    actUndone: (state) => {
      const s = plain(state);
      const act = s.undo[s.undo.length - 1];
      if (!act) return s;
      return {
        ...s, entities: applyChanges(s.entities, reversed(act.changes)), undo: s.undo.slice(0, -1), redo: [...s.redo, act],
        revision: s.revision + 1, lastLabel: `Undone: ${act.label}`,
      };
    },
    actRedone: (state) => {
      const s = plain(state);
      const act = s.redo[s.redo.length - 1];
      if (!act) return s;
      return {
        ...s, entities: applyChanges(s.entities, act.changes), redo: s.redo.slice(0, -1), undo: [...s.undo, act],
        revision: s.revision + 1, lastLabel: `Done again: ${act.label}`,
      };
    },
    /** Changes made in another tab of the same browser; they are theirs to undo. */
    changesArrived: (state, { payload }: PayloadAction<Change[]>) => {
      const s = plain(state);
      return { ...s, entities: applyChanges(s.entities, payload) };
    },
    noticeDismissed: (state) => {
      state.lastLabel = null;
    },
    saveFailed: (state, { payload }: PayloadAction<string>) => {
      state.saveError = payload;
    },
    saveSucceeded: (state) => {
      state.saveError = null;
    },
  },
});

export const { documentOpened, openingFailed, actCommitted, actUndone, actRedone, changesArrived, noticeDismissed, saveFailed, saveSucceeded } = documentSlice.actions;
export const documentReducer = documentSlice.reducer;
