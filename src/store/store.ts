/** The store and its opening. */
import { combineReducers, configureStore, type ThunkAction, type UnknownAction } from '@reduxjs/toolkit';
import {
  changesOf,
  emptyDocument,
  entityIn,
  VERSION,
  type AnyEntity,
  type Change,
  type CollectionName,
  type Document,
  type Edit,
} from '../../core/document';
import type { Revisions } from '../../core/document/checks';
import { tombstoneId } from '../../core/merge/tombstone';
import { ABSENT, ACTS, elsewhereOf, type Act } from './acts';
import {
  actCommitted,
  actRedone,
  actRefused,
  actsOpened,
  actUndone,
  documentOpened,
  documentReducer,
  entriesSetAside,
  openingFailed,
  saveFailed,
  storageEvicted,
  storageRefused,
  UNDO_DEPTH,
} from './documentSlice';
import { draftsOpened, draftsReducer, noDrafts, placeRemembered } from './draftsSlice';
import { entityKey, PLACE_KEY } from './keys';
import { isCollection, isEmpty, readStored, readUnchecked, type Stored } from './load';
import { browserPage, browserTabs, persistence, type Keeping, type Tabs } from './persistence';
import { browserStorage, replaceable, type Storage } from './storage';
import type { Differing, Outcome, Page } from './writer';

const rootReducer = combineReducers({ document: documentReducer, drafts: draftsReducer });
export type RootState = ReturnType<typeof rootReducer>;
export type Thunk<R = void> = ThunkAction<R, RootState, Keeping, UnknownAction>;

export function makeStore(
  storage: Storage = browserStorage(),
  tabs: Tabs = browserTabs(),
  page: Page = browserPage(),
) {
  const held = replaceable(storage);
  const effects = persistence(held, tabs, page);
  const { keeping } = effects;
  const store = configureStore({
    reducer: rootReducer,
    // The document may hold tens of thousands of entities: the development checks would walk them all on each act.
    middleware: (defaults) =>
      defaults({
        serializableCheck: false,
        immutableCheck: false,
        thunk: { extraArgument: keeping },
      }).prepend(effects.middleware),
  });
  effects.attach(store);
  return { store, storage: held, page, keeping, settled: keeping.settled };
}

type MadeStore = ReturnType<typeof makeStore>;
export type AppStore = ReturnType<typeof makeStore>['store'];
export type AppDispatch = AppStore['dispatch'];

/** When work that can wait may be done: each call waits for a task of its own. */
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
    const stored = await readStored(storage, () => performance.now());
    if (stored.version > VERSION) {
      store.dispatch(openingFailed({ message: tooNew(stored.version), canGoOn: false }));
      return nothingMore;
    }
    const place = readPlace(stored.drafts[PLACE_KEY]);
    if (place !== null) store.dispatch(placeRemembered(place));
    if (isEmpty(stored)) {
      if (!stored.checked && made.page.stamped()) store.dispatch(storageEvicted());
      const offered = await first();
      store.dispatch(documentOpened({ document: emptyDocument(), aside: [] }));
      if (offered) store.dispatch(replaceDocument(offered, 'Demo tanks opened'));
      return openLater(made, stored, whenIdle, null);
    }
    const unchecked = stored.checked ? await readUnchecked(stored, () => performance.now()) : null;
    if (unchecked) {
      known(made, unchecked.revisions);
      store.dispatch(documentOpened({ document: unchecked.document, aside: stored.asideBefore }));
      return openLater(made, stored, whenIdle, unchecked.document);
    }
    const { checkEntries, writeChecked } = await import('./check');
    const checked = await checkEntries(stored, () => performance.now());
    await writeChecked(storage, stored, checked);
    known(made, checked.revisions);
    const aside = [...checked.aside, ...stored.asideBefore];
    store.dispatch(documentOpened({ document: checked.document, aside }));
    return openLater(made, stored, whenIdle, null);
  } catch (error) {
    store.dispatch(openingFailed({ message: unreadable(error), canGoOn: true }));
    return nothingMore;
  }
}

function known({ keeping }: MadeStore, revisions: ReadonlyMap<string, string>): void {
  for (const [key, rev] of revisions) keeping.revisions.set(key, rev);
}

const tooNew = (version: number): string =>
  `What is stored here was written by a newer Zoarium (version ${version}). Nothing was touched. Reload to get the newer app.`;

const unreadable = (error: unknown): string =>
  `This browser does not let the app read its storage (${error instanceof Error ? error.message : String(error)}). ` +
  'Allow storage for this page and reload.';

/** Goes on without a storage: everything works and nothing outlives the page, which is said for as long as it is open. */
export const goOnUnstored = (): Thunk => (dispatch, _getState, keeping) => {
  keeping.forgoStorage();
  dispatch(documentOpened({ document: emptyDocument(), aside: [] }));
  dispatch(draftsOpened(noDrafts()));
  dispatch(storageRefused());
};

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

async function openDrafts({ store, storage }: MadeStore, stored: Stored, whenIdle: WhenIdle): Promise<void> {
  await whenIdle();
  const { makeDraftChecks, readActs, readDrafts } = await import('./drafts');
  await makeDraftChecks(() => performance.now());
  store.dispatch(draftsOpened(readDrafts(stored.drafts)));
  await whenIdle();
  const acts = await readActs(await storage.entries(ACTS), () => performance.now());
  store.dispatch(actsOpened(acts));
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

export interface CommitOptions {
  /** What the edits were made from: where another tab changed it since, nothing is done and both are handed back. */
  seen?: readonly Seen[];
  /** Drafts that end with the act: cleared in its transaction, never before. */
  drafts?: readonly string[];
  /** What the app itself keeps: no notice, nothing to take back. */
  quiet?: boolean;
  /** Another document takes the place of this one: what is not in it was not deleted. */
  replaces?: boolean;
  /** Of entities taken from another device's file, the revisions they had there. */
  elsewhere?: Revisions;
}
/** An entity as a form was opened with it. */
export interface Seen {
  collection: CollectionName;
  entity: AnyEntity;
}

/** Commits edits as one act that can be undone. In memory at once; what is resolved says how it ended, once its transaction has completed. */
export const commit =
  (
    label: string,
    edits: readonly Edit[],
    { seen = [], drafts = [], quiet = false, replaces = false, elsewhere }: CommitOptions = {},
  ): Thunk<Promise<Outcome>> =>
  async (dispatch, getState, keeping) => {
    const { entities, undo: before, redo } = getState().document;
    const differing = changedSince(entities, edits, seen);
    if (differing.length > 0) return { kind: 'changed', differing };
    const asked = changesOf(entities, edits);
    const buried = quiet || replaces ? [] : burials(entities, asked, keeping.revisions);
    const changes = [...asked, ...changesOf(entities, buried)];
    if (changes.length === 0) return { kind: 'nothing' };
    const was = Object.fromEntries(
      changes.map((c) => {
        const key = entityKey(c.collection, c.id);
        return [key, keeping.revisions.get(key) ?? ABSENT];
      }),
    );
    const act: Act = {
      id: keeping.newActId(),
      label,
      changes,
      was,
      ...(quiet ? { quiet } : {}),
      ...(elsewhere ? { elsewhere: elsewhereOf(changes, elsewhere) } : {}),
    };
    dispatch(actCommitted(act));
    if (quiet) return keeping.save(act, 'done', { drafts });
    const tooMany = before.slice(0, Math.max(0, before.length + 1 - UNDO_DEPTH));
    return keeping.save(act, 'done', { drafts, forgotten: [...redo, ...tooMany] });
  };

/** A tombstone for whatever is deleted, so that another device's copy does not bring it back; none for what stands again. */
function burials(doc: Document, changes: readonly Change[], revisions: ReadonlyMap<string, string>): Edit[] {
  const at = new Date().toISOString();
  return changes.flatMap(({ collection, id, before, after }): Edit[] => {
    if (collection === 'tombstones') return [];
    const graveId = tombstoneId(collection, id);
    if (after !== null)
      return Object.hasOwn(doc.tombstones, graveId) ? [{ remove: 'tombstones', id: graveId }] : [];
    if (before === null) return [];
    const revision = revisions.get(entityKey(collection, id)) ?? ABSENT;
    return [{ put: 'tombstones', entity: { id: graveId, collection, of: id, revision, at } }];
  });
}

/** What the edits were made from and is no longer so. */
function changedSince(doc: Document, edits: readonly Edit[], seen: readonly Seen[]): Differing[] {
  return seen.flatMap(({ collection, entity }) => {
    const theirs = entityIn(doc, collection, entity.id);
    if (theirs === entity || JSON.stringify(theirs) === JSON.stringify(entity)) return [];
    const mine = edits.find((e) => 'put' in e && e.put === collection && e.entity.id === entity.id);
    return [{ collection, id: entity.id, mine: mine && 'put' in mine ? mine.entity : null, theirs, rev: '' }];
  });
}

/** Replaces the whole document, as one act.
 *  @param elsewhere the revisions it had where it comes from */
export const replaceDocument =
  (next: Document, label: string, elsewhere?: Revisions): Thunk<Promise<Outcome>> =>
  (dispatch, getState) => {
    const now = getState().document.entities;
    const edits: Edit[] = [];
    for (const name of Object.keys(now) as (keyof Document)[]) {
      for (const id of Object.keys(now[name]))
        if (!Object.hasOwn(next[name], id)) edits.push({ remove: name, id });
      if (next[name] === now[name]) continue;
      for (const entity of Object.values(next[name]) as AnyEntity[])
        if (entityIn(now, name, entity.id) !== entity) edits.push({ put: name, entity } as Edit);
    }
    return dispatch(commit(label, edits, { replaces: true, ...(elsewhere ? { elsewhere } : {}) }));
  };

/** Takes back the last act, unless another tab changed what it touched. */
export const undo = (): Thunk<Promise<Outcome>> => (dispatch, getState) => {
  const { undo: acts } = getState().document;
  return dispatch(turn(acts[acts.length - 1], 'undone'));
};
/** Does again what was taken back last. */
export const redo = (): Thunk<Promise<Outcome>> => (dispatch, getState) => {
  const { redo: acts } = getState().document;
  return dispatch(turn(acts[acts.length - 1], 'redone'));
};

const turn =
  (act: Act | undefined, way: 'undone' | 'redone'): Thunk<Promise<Outcome>> =>
  async (dispatch, _getState, keeping) => {
    if (!act) return { kind: 'nothing' };
    if (!keeping.stands(act, way)) {
      dispatch(actRefused({ act, way, changes: [] }));
      return { kind: 'changed', differing: [] };
    }
    dispatch(way === 'undone' ? actUndone() : actRedone());
    return keeping.save(act, way);
  };
