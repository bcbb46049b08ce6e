/** Asks the browser, once, at the first entry that is the person's own, not to remove what is stored when space is short. */
import { demoShown } from '../../store';
import { started } from './started';

const ASKED = 'zoarium-asked-to-keep';

export function keepStorage(): void {
  if (!navigator.storage || demoShown() || askedBefore()) return;
  const stop = started.store.subscribe(() => {
    const { lastLabel, storage } = started.store.getState().document;
    if (lastLabel === null || storage === 'refused') return;
    stop();
    rememberAsked();
    void navigator.storage.persist().catch(() => undefined);
  });
}

function askedBefore(): boolean {
  try {
    return window.localStorage.getItem(ASKED) !== null;
  } catch {
    return true;
  }
}

function rememberAsked(): void {
  try {
    window.localStorage.setItem(ASKED, 'yes');
  } catch {
    // Asked again at the next visit, then.
  }
}
