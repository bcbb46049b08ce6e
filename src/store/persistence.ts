/** Effects of the store: every act becomes one storage transaction, in order; drafts follow; other tabs are told. */
import { createListenerMiddleware, isAnyOf, type Dispatch, type TypedStartListening } from '@reduxjs/toolkit';
import { reversed, type Change } from '../../core/document';
import {
  actCommitted,
  actRedone,
  actUndone,
  changesArrived,
  saveFailed,
  saveSucceeded,
  type DocumentState,
} from './documentSlice';
import { dropsCounted, forecastKept, sampleDrafted, tankVisited, type DraftsState } from './draftsSlice';
import { DRAFT, entityKey, META, META_KEY } from './keys';
import type { Storage } from './storage';

interface PersistedState {
  document: DocumentState;
  drafts: DraftsState;
}

/** A way to tell the other tabs of this browser. */
export interface Tabs {
  post(changes: Change[]): void;
  listen(receive: (changes: Change[]) => void): void;
}

export function browserTabs(): Tabs {
  const channel = typeof BroadcastChannel === 'undefined' ? null : new BroadcastChannel('zoarium');
  return {
    post: (changes) => channel?.postMessage(changes),
    listen: (receive) => {
      if (channel) channel.onmessage = (event: MessageEvent<Change[]>) => receive(event.data);
    },
  };
}

/** Entries to write for some changes: as many as there are changes, whatever the history. */
function entriesOf(changes: readonly Change[]): Record<string, string | null> {
  const entries: Record<string, string | null> = { [META_KEY]: META };
  for (const c of changes) entries[entityKey(c.collection, c.id)] = c.after ? JSON.stringify(c.after) : null;
  return entries;
}

export function persistence(storage: Storage, tabs: Tabs) {
  const middleware = createListenerMiddleware();
  const startListening = middleware.startListening as TypedStartListening<PersistedState, Dispatch>;
  let queue: Promise<void> = Promise.resolve();

  startListening({
    matcher: isAnyOf(actCommitted, actUndone, actRedone),
    effect: (action, api) => {
      const before = api.getOriginalState().document;
      const changes = actCommitted.match(action)
        ? action.payload.changes
        : actUndone.match(action)
          ? reversed(before.undo[before.undo.length - 1]?.changes ?? [])
          : (before.redo[before.redo.length - 1]?.changes ?? []);
      if (changes.length === 0) return;
      tabs.post(changes);
      queue = queue
        .then(() => storage.setMany(entriesOf(changes)))
        .then(
          () => {
            if (api.getState().document.saveError) api.dispatch(saveSucceeded());
          },
          (error: unknown) => {
            api.dispatch(saveFailed(error instanceof Error ? error.message : String(error)));
          },
        );
    },
  });

  startListening({
    matcher: isAnyOf(sampleDrafted, dropsCounted, forecastKept, tankVisited),
    effect: (action, api) => {
      const drafts = api.getState().drafts;
      const entry = (key: string, value: unknown) => ({
        [DRAFT + key]: value === undefined ? null : JSON.stringify(value),
      });
      const entries = sampleDrafted.match(action)
        ? entry(`sample/${action.payload.tankId}`, drafts.samples[action.payload.tankId])
        : dropsCounted.match(action)
          ? entry(`drops/${action.payload.tankId}`, drafts.drops[action.payload.tankId])
          : forecastKept.match(action)
            ? entry(`forecast/${action.payload.tankId}`, action.payload.forecast)
            : entry('place/tank', drafts.lastTankId ?? undefined);
      // A lost draft costs a few taps; the act itself reports its own failures.
      queue = queue.then(() => storage.setMany(entries)).catch(() => undefined);
    },
  });

  return {
    middleware: middleware.middleware,
    settled: () => queue,
    listenToTabs: (dispatch: (action: ReturnType<typeof changesArrived>) => void) =>
      tabs.listen((changes) => dispatch(changesArrived(changes))),
  };
}
