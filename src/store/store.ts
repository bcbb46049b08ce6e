/** The store and its opening. */
import { combineReducers, configureStore, type ThunkAction, type UnknownAction } from '@reduxjs/toolkit';
import {
  changesOf,
  emptyDocument,
  VERSION,
  type AnyEntity,
  type Document,
  type Edit,
} from '../../core/document';
import {
  actCommitted,
  documentOpened,
  documentReducer,
  entriesSetAside,
  openingFailed,
  saveFailed,
  actUndone,
} from './documentSlice';
import { draftsOpened, draftsReducer, placeRemembered } from './draftsSlice';
import { PLACE_KEY } from './keys';
import { isCollection, isEmpty, readStored, readUnchecked, type Stored } from './load';
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
    middleware: (defaults) =>
      defaults({ serializableCheck: false, immutableCheck: false }).prepend(effects.middleware),
  });
  effects.listenToTabs(store.dispatch);
  return { store, storage, settled: effects.settled };
}

type MadeStore = ReturnType<typeof makeStore>;
export type AppStore = ReturnType<typeof makeStore>['store'];
export type AppDispatch = AppStore['dispatch'];

/** When work that can wait may be done. */
export type WhenIdle = () => Promise<void>;

/** What goes on after the document can be shown: half-done entries are read, then everything is checked. */
export interface Opening {
  draftsRead: Promise<void>;
  whole: Promise<void>;
}
const nothingMore: Opening = { draftsRead: Promise.resolve(), whole: Promise.resolve() };

/** Opens what is stored; with nothing stored, what `first` offers (the demo) or an empty document. Nothing is written until a load has
 *  succeeded. The document can be shown when this resolves. */
export async function openStore(
  made: MadeStore,
  first: () => Promise<Document | null>,
  whenIdle: WhenIdle = async () => undefined,
): Promise<Opening> {
  const { store, storage } = made;
  try {
    const stored = await readStored(storage);
    if (stored.version > VERSION) {
      store.dispatch(openingFailed(tooNew(stored.version)));
      return nothingMore;
    }
    const place = readPlace(stored.drafts[PLACE_KEY]);
    if (place !== null) store.dispatch(placeRemembered(place));
    if (isEmpty(stored)) {
      const offered = await first();
      store.dispatch(documentOpened({ document: emptyDocument(), aside: [] }));
      if (offered) store.dispatch(replaceDocument(offered, 'Demo tanks opened'));
      return openLater(made, stored, whenIdle, null);
    }
    const unchecked = stored.checked ? readUnchecked(stored) : null;
    if (unchecked) {
      store.dispatch(documentOpened({ document: unchecked, aside: stored.asideBefore }));
      return openLater(made, stored, whenIdle, unchecked);
    }
    const { checkEntries, writeChecked } = await import('./check');
    const checked = await checkEntries(stored, () => performance.now());
    await writeChecked(storage, stored, checked);
    const aside = [...checked.aside, ...stored.asideBefore];
    store.dispatch(documentOpened({ document: checked.document, aside }));
    return openLater(made, stored, whenIdle, null);
  } catch (error) {
    store.dispatch(openingFailed(unreadable(error)));
    return nothingMore;
  }
}

const tooNew = (version: number): string =>
  `What is stored here was written by a newer Zoarium (version ${version}). Nothing was touched. Reload to get the newer app.`;

const unreadable = (error: unknown): string =>
  `This browser does not let the app read its storage (${error instanceof Error ? error.message : String(error)}). ` +
  'Allow storage for this page and reload.';

/** The tank last looked at, as stored; null when it cannot be read. */
function readPlace(raw: string | undefined): string | null {
  try {
    const value: unknown = raw === undefined ? null : JSON.parse(raw);
    return typeof value === 'string' ? value : null;
  } catch {
    return null;
  }
}

/** @param unchecked the document shown without a check; null when it was checked before it was shown */
function openLater(made: MadeStore, stored: Stored, whenIdle: WhenIdle, unchecked: Document | null): Opening {
  const draftsRead = openDrafts(made, stored, whenIdle);
  const whole = unchecked ? draftsRead.then(() => checkLater(made, stored, unchecked)) : draftsRead;
  return { draftsRead, whole };
}

async function openDrafts({ store }: MadeStore, stored: Stored, whenIdle: WhenIdle): Promise<void> {
  await whenIdle();
  const { readDrafts } = await import('./drafts');
  store.dispatch(draftsOpened(readDrafts(stored.drafts)));
}

/** The check of what was opened unchecked. What fails it leaves the document and goes aside, unless it was changed since. */
async function checkLater(made: MadeStore, stored: Stored, opened: Document): Promise<void> {
  const { checkEntries, movedAside } = await import('./check');
  const { aside } = await checkEntries(stored, () => performance.now());
  const asOpened = aside.filter(({ key }) => {
    const now = entityAt(made.store.getState().document.entities, key);
    return now !== undefined && now === entityAt(opened, key);
  });
  if (asOpened.length === 0) return;
  made.store.dispatch(entriesSetAside(asOpened));
  try {
    await made.storage.setMany(movedAside(asOpened));
  } catch (error) {
    made.store.dispatch(saveFailed(error instanceof Error ? error.message : String(error)));
  }
}

function entityAt(document: Document, key: string): AnyEntity | undefined {
  const [, collection, id = ''] = key.split('/');
  return isCollection(collection) ? document[collection][id] : undefined;
}

/** Commits edits as one act that can be undone. Returns false when nothing would change. */
export const commit =
  (label: string, edits: readonly Edit[]): Thunk<boolean> =>
  (dispatch, getState) => {
    const changes = changesOf(getState().document.entities, edits);
    if (changes.length === 0) return false;
    dispatch(actCommitted({ label, changes }));
    return true;
  };

/** Replaces the whole document, as one act. */
export const replaceDocument =
  (next: Document, label: string): Thunk =>
  (dispatch, getState) => {
    const now = getState().document.entities;
    const edits: Edit[] = [];
    for (const name of Object.keys(now) as (keyof Document)[]) {
      for (const id of Object.keys(now[name]))
        if (!Object.hasOwn(next[name], id)) edits.push({ remove: name, id });
      for (const entity of Object.values(next[name])) edits.push({ put: name, entity } as Edit);
    }
    dispatch(commit(label, edits));
  };

export const undo = actUndone;
