/** The store and what is kept of it: acts and drafts go to the writer, what came of them comes back as actions, other tabs are told. */
import { createListenerMiddleware, isAnyOf, type Dispatch, type TypedStartListening } from '@reduxjs/toolkit';
import { COLLECTION_NAMES, type Change, type Document } from '../../core/document';
import { actId, actKey, entryText, FIRST, revisionOf, standingIn, stepsOf, type Act, type Way } from './acts';
import {
  actRefused,
  actSaved,
  changesArrived,
  documentOpened,
  saveFailed,
  saveSucceeded,
  savingSlow,
  storageFound,
  storageLost,
  type DocumentState,
} from './documentSlice';
import {
  dropsCounted,
  forecastKept,
  sampleDrafted,
  stepDone,
  waterVisited,
  type DraftsState,
} from './draftsSlice';
import { newId } from './ids';
import { DRAFT, entityKey, META, META_KEY } from './keys';
import { memoryStorage, type Replaceable } from './storage';
import { channelName, demoShown, practiceRun, STAMP } from './whose';
import { makeWriter, recordOf, type Outcome, type Page } from './writer';

interface PersistedState {
  document: DocumentState;
  drafts: DraftsState;
}

/** What one tab tells the others, once it is stored. */
export interface Told {
  act: Act;
  way: Way;
}

/** A way to tell the other tabs of this browser. */
export interface Tabs {
  post(told: Told): void;
  listen(receive: (told: Told) => void): void;
}

export function browserTabs(): Tabs {
  const channel = typeof BroadcastChannel === 'undefined' ? null : new BroadcastChannel(channelName());
  return {
    post: (told) => channel?.postMessage(told),
    listen: (receive) => {
      if (channel) channel.onmessage = (event: MessageEvent<Told>) => receive(event.data);
    },
  };
}

/** The browser asks before the page is left only while something is really unsaved. */
export function browserPage(): Page {
  if (typeof window === 'undefined' || typeof window.addEventListener !== 'function')
    return {
      hold: () => undefined,
      onHide: () => undefined,
      stamp: () => undefined,
      stamped: () => false,
    };
  const ask = (event: BeforeUnloadEvent) => event.preventDefault();
  return {
    hold(on) {
      if (on) window.addEventListener('beforeunload', ask);
      else window.removeEventListener('beforeunload', ask);
    },
    onHide(run) {
      window.addEventListener('pagehide', run);
      document.addEventListener('visibilitychange', () => {
        if (document.visibilityState === 'hidden') run();
      });
    },
    stamp: () => (demoShown() || practiceRun() ? null : stampIn((kept) => kept.setItem(STAMP, 'yes'))),
    stamped: () =>
      !demoShown() && !practiceRun() && (stampIn((kept) => kept.getItem(STAMP) !== null) ?? false),
  };
}

/** A browser that throws away its database for want of space leaves the stamp; what it says is only that something was there. The demo
 *  leaves none. */
function stampIn<T>(act: (kept: globalThis.Storage) => T): T | null {
  try {
    return act(window.localStorage);
  } catch {
    return null;
  }
}

/** Where acts are saved, for the thunks that make them. */
export interface Keeping {
  /** Keeps an act; with it, or not at all, the drafts it ends and the acts it makes impossible to take back. */
  save(
    act: Act,
    way: Way,
    along?: { drafts?: readonly string[]; forgotten?: readonly Act[] },
  ): Promise<Outcome>;
  stands(act: Act, way: Way): boolean;
  /** For a new act: sorts after every one before it. */
  newActId(): string;
  revisions: Map<string, string>;
  /** Writes all there is into a storage that was emptied. @throws when it refuses */
  storeAgain(document: Document): Promise<void>;
  /** Goes on in memory alone; the page asks before it is left. */
  forgoStorage(): void;
  retry(): void;
  settled(): Promise<void>;
}

export function persistence(storage: Replaceable, tabs: Tabs, browser: Page) {
  let forgone = false;
  const page: Page = { ...browser, hold: (on) => browser.hold(on || forgone) };
  const middleware = createListenerMiddleware();
  const startListening = middleware.startListening as TypedStartListening<PersistedState, Dispatch>;
  let dispatch: Dispatch = (action) => action;
  let state: () => PersistedState;

  const writer = makeWriter(storage, page, {
    saved(act, way) {
      dispatch(actSaved({ act, way }));
      tabs.post({ act, way });
      page.stamp();
    },
    refused(act, way, differing) {
      const changes = differing.map((d): Change => ({
        collection: d.collection,
        id: d.id,
        before: null,
        after: d.theirs,
      }));
      dispatch(actRefused({ act, way, changes }));
    },
    failing(why) {
      if (why !== null) dispatch(saveFailed(why));
      else if (state().document.saveError !== null) dispatch(saveSucceeded());
    },
    slow(slow) {
      if (state().document.slow !== slow) dispatch(savingSlow(slow));
    },
  });

  startListening({
    matcher: isAnyOf(sampleDrafted, dropsCounted, forecastKept, stepDone, waterVisited),
    effect: (action, api) => {
      const drafts = api.getState().drafts;
      const keep = (key: string, value: unknown) =>
        writer.draft(DRAFT + key, value === undefined ? null : JSON.stringify(value));
      if (sampleDrafted.match(action))
        keep(`sample/${action.payload.waterId}`, drafts.samples[action.payload.waterId]);
      else if (dropsCounted.match(action))
        keep(`drops/${action.payload.waterId}`, drafts.drops[action.payload.waterId]);
      else if (forecastKept.match(action))
        keep(`forecast/${action.payload.waterId}`, action.payload.forecast);
      else if (stepDone.match(action)) keep(`steps/${action.payload.waterId}`, action.payload.steps);
      else keep('place/tank', drafts.lastWaterId ?? undefined);
    },
  });

  /** What another tab did. Where it does not follow on what is known here, the storage is asked what stands. */
  async function hear({ act, way }: Told): Promise<void> {
    const steps = stepsOf(act, way);
    const follows = steps.every((step) => (writer.revisions.get(step.key) ?? '') === step.expected);
    if (follows) {
      for (const step of steps) writer.revisions.set(step.key, step.rev);
      dispatch(changesArrived(steps.map((step) => step.change)));
      return;
    }
    const standing = await storage.getMany(steps.map((step) => step.key));
    const changes = steps.map(({ change, key }): Change => {
      const raw = standing[key] ?? null;
      writer.revisions.set(key, revisionOf(raw));
      return { ...change, after: standingIn(raw) };
    });
    dispatch(changesArrived(changes));
  }

  /** What was told while this tab still reads: a long history takes a while, and what was read of it may be older. */
  const toldMeanwhile: Told[] = [];
  function receive(told: Told): void {
    if (state().document.status.kind === 'loading') {
      toldMeanwhile.push(told);
      return;
    }
    // A storage that cannot be read now is no reason to show what is out of date.
    hear(told).catch(() => dispatch(changesArrived(stepsOf(told.act, told.way).map((s) => s.change))));
  }
  startListening({
    actionCreator: documentOpened,
    effect: () => toldMeanwhile.splice(0).forEach(receive),
  });

  let lastMs = 0;
  const keeping: Keeping = {
    newActId() {
      lastMs = Math.max(Date.now(), lastMs + 1);
      return actId(lastMs, newId());
    },
    save: (act, way, { drafts = [], forgotten = [] } = {}) =>
      writer.save(act, way, {
        ...recordOf(act, way),
        ...Object.fromEntries(
          [...drafts.map((key) => DRAFT + key), ...forgotten.map((a) => actKey(a.id))].map((key) => [
            key,
            null,
          ]),
        ),
      }),
    stands: writer.stands,
    revisions: writer.revisions,
    async storeAgain(document) {
      const entries: Record<string, string> = { [META_KEY]: META };
      for (const name of COLLECTION_NAMES) {
        for (const entity of Object.values(document[name])) {
          const key = entityKey(name, entity.id);
          entries[key] = entryText(entity, writer.revisions.get(key) ?? FIRST);
          writer.revisions.set(key, revisionOf(entries[key]));
        }
      }
      await writer.storeAll(entries);
      dispatch(storageFound());
    },
    forgoStorage() {
      forgone = true;
      page.hold(true);
      storage.replaceBy(memoryStorage());
    },
    retry: writer.retry,
    settled: writer.settled,
  };
  return {
    middleware: middleware.middleware,
    keeping,
    attach(store: { dispatch: Dispatch; getState: () => PersistedState }) {
      dispatch = store.dispatch;
      state = store.getState;
      storage.onLost(() => {
        writer.hold();
        dispatch(storageLost());
      });
      tabs.listen(receive);
    },
  };
}
