/** Asks the browser, once, at the first entry that is the person's own, not to remove what is stored when space is short. */
import { started } from './started';

const ASKED = 'zoarium-asked-to-keep';
/** Opening the demo is no entry of one's own. */
const OWN = (label: string | null): boolean => label !== null && label !== 'Demo tanks opened';

export function keepStorage(): void {
  if (!navigator.storage || askedBefore()) return;
  const stop = started.store.subscribe(() => {
    const { lastLabel, storage } = started.store.getState().document;
    if (!OWN(lastLabel) || storage === 'refused') return;
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
