/** The store and its opening. */
import { combineReducers, configureStore, type ThunkAction, type UnknownAction } from '@reduxjs/toolkit';
import { changesOf, type Document, type Edit } from '../../core/document';
import { actCommitted, documentOpened, documentReducer, openingFailed, actUndone } from './documentSlice';
import { draftsOpened, draftsReducer, readDrafts } from './draftsSlice';
import { emptyDocument } from '../../core/document';
import { loadDocument } from './load';
import { browserTabs, persistence, type Tabs } from './persistence';
import { browserStorage, type Storage } from './storage';

const rootReducer = combineReducers({ document: documentReducer, drafts: draftsReducer });
export type RootState = ReturnType<typeof rootReducer>;
export type Thunk<R = void> = ThunkAction<R, RootState, unknown, UnknownAction>;

export function makeStore(storage: Storage = browserStorage(), tabs: Tabs = browserTabs()) {
  const effects = persistence(storage, tabs);
  const store = configureStore({
    reducer: rootReducer,
    // The document may hold tens of thousands of entities: the development checks would walk them all on each act.
    middleware: (defaults) => defaults({ serializableCheck: false, immutableCheck: false }).prepend(effects.middleware),
  });
  effects.listenToTabs(store.dispatch);
  return { store, storage, settled: effects.settled };
}

export type AppStore = ReturnType<typeof makeStore>['store'];
export type AppDispatch = AppStore['dispatch'];

/** Opens what is stored; with nothing stored, what `first` offers (the demo) or an empty document. Nothing is written
 *  until a load has succeeded. */
export async function openStore(made: Pick<ReturnType<typeof makeStore>, 'store' | 'storage'>, first: () => Promise<Document | null>): Promise<void> {
  const { store, storage } = made;
  try {
    const loaded = await loadDocument(storage);
    if (loaded.status === 'too-new') {
      store.dispatch(openingFailed(`What is stored here was written by a newer Zoarium (version ${loaded.version}). Nothing was touched. Reload to get the newer app.`));
      return;
    }
    store.dispatch(draftsOpened(readDrafts(loaded.drafts)));
    if (loaded.status === 'ok') {
      store.dispatch(documentOpened({ document: loaded.document, aside: loaded.aside }));
      return;
    }
    const offered = await first();
    store.dispatch(documentOpened({ document: emptyDocument(), aside: [] }));
    if (offered) store.dispatch(replaceDocument(offered, 'Demo tanks opened'));
  } catch (error) {
    store.dispatch(openingFailed(`This browser does not let the app read its storage (${error instanceof Error ? error.message : String(error)}). Allow storage for this page and reload.`));
  }
}

/** Commits edits as one act that can be undone. Returns false when nothing would change. */
export const commit = (label: string, edits: readonly Edit[]): Thunk<boolean> => (dispatch, getState) => {
  const changes = changesOf(getState().document.entities, edits);
  if (changes.length === 0) return false;
  dispatch(actCommitted({ label, changes }));
  return true;
};

/** Replaces the whole document, as one act. */
export const replaceDocument = (next: Document, label: string): Thunk => (dispatch, getState) => {
  const now = getState().document.entities;
  const edits: Edit[] = [];
  for (const name of Object.keys(now) as (keyof Document)[]) {
    for (const id of Object.keys(now[name])) if (!Object.hasOwn(next[name], id)) edits.push({ remove: name, id });
    for (const entity of Object.values(next[name])) edits.push({ put: name, entity } as Edit);
  }
  dispatch(commit(label, edits));
};

export const undo = actUndone;
