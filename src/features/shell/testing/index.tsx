/** Screens drawn with a real store over a memory, at a frozen time. */
import { act, fireEvent, render, screen } from '@testing-library/react';
import { cloneElement, type ReactElement } from 'react';
import { Provider } from 'react-redux';
import { emptyDocument, type Document, type Edit } from '../../../../core/document';
import { commit, makeStore, selectDocument } from '../../../store';
import { makeDemo } from '../../../store/demo';
import { documentOpened } from '../../../store/documentSlice';
import { draftsOpened, noDrafts, type DraftsState } from '../../../store/draftsSlice';
import { memoryStorage } from '../../../store/storage';
import { ThemeProvider } from '../../../ui';
import { route } from './router';

/** A quiet evening. */
export const NOW = Date.parse('2026-05-01T18:00:00.000Z');
const dayOf = (ms: number): string => new Date(ms).toISOString().slice(0, 10);
export const demo = (): Document => makeDemo(NOW, dayOf);

/** The demo a few minutes after North Window, where animals live, read so much ammonia, mg/L as ion. */
export function poisoned(ammonia = 2): Document {
  const doc = demo();
  doc.samples.bad = {
    id: 'bad',
    waterId: 'north-window',
    at: new Date(NOW - 600_000).toISOString(),
    note: '',
    readings: [{ parameter: 'ammonia', kitId: 'kit-ammonia', value: { kind: 'exact', value: ammonia } }],
  };
  return doc;
}

/** No worker answers here: what waits for one goes on waiting. */
class SilentWorker {
  postMessage(): void {}
  terminate(): void {}
}
Object.assign(globalThis, { Worker: SilentWorker });

export interface Shown {
  doc: () => Document;
  went: () => readonly string[];
  /** What comes in meanwhile, as from a device. */
  comes: (edits: readonly Edit[]) => void;
  /** What was half done before has been read. */
  draftsCome: (drafts?: Partial<DraftsState>) => void;
  /** The same screen at another address. */
  again: (params: Record<string, string>) => void;
  /** Runs what was put off, and so many milliseconds more. */
  settle: (ms?: number) => void;
}

/** Draws a screen for an address's parameters over a document; time stands still until `settle`. */
export function onScreen(
  element: ReactElement,
  o: { doc?: Document; params?: Record<string, string>; draftsUnread?: boolean } = {},
): Shown {
  jest.useFakeTimers({ now: NOW });
  route.params = o.params ?? {};
  route.went = [];
  const { store } = makeStore(memoryStorage(), { post: () => undefined, listen: () => undefined });
  store.dispatch(documentOpened({ document: o.doc ?? emptyDocument(), aside: [] }));
  const draftsCome = (drafts: Partial<DraftsState> = {}) =>
    void store.dispatch(draftsOpened({ ...noDrafts(), ...drafts }));
  if (!o.draftsUnread) draftsCome();
  const drawn = () => (
    <Provider store={store}>
      <ThemeProvider theme="light">{cloneElement(element)}</ThemeProvider>
    </Provider>
  );
  const { rerender } = render(drawn());
  const settle = (ms = 0) => act(() => jest.advanceTimersByTime(ms + 300));
  settle();
  settle();
  const again = (params: Record<string, string>) => {
    route.params = params;
    rerender(drawn());
    settle();
  };
  const comes = (edits: readonly Edit[]) =>
    act(() => void store.dispatch(commit('Kept', edits, { quiet: true })));
  return {
    doc: () => selectDocument(store.getState()),
    went: () => route.went,
    comes,
    draftsCome: (drafts) => act(() => draftsCome(drafts)),
    again,
    settle,
  };
}

export const press = (name: string | RegExp): void =>
  void fireEvent.click(screen.getByRole('button', { name }));
export const choose = (name: string | RegExp): void =>
  void fireEvent.click(screen.getByRole('radio', { name }));
export const tick = (name: string | RegExp): void =>
  void fireEvent.click(screen.getByRole('checkbox', { name }));
export const type = (label: string | RegExp, text: string): void =>
  void fireEvent.change(screen.getByLabelText(label), { target: { value: text } });
export const says = (text: string | RegExp): boolean => screen.queryAllByText(text).length > 0;
/** All that can be read, for looking for what must never stand there. */
export const allText = (): string => document.body.textContent ?? '';
/** Lets what waits for promises come to its end: a form that is read, an entry that is stored. */
export const flush = (): Promise<void> =>
  act(async () => {
    for (let i = 0; i < 20; i++) await Promise.resolve();
  });
/** Presses what saves an entry, and waits until it is stored or refused. */
export async function submit(name: string | RegExp): Promise<void> {
  press(name);
  await flush();
}
