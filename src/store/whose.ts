/** Whose data this tab shows: the person's own, or the demo, which has a database to itself and is made anew each time it is entered. */

/** Kept for the tab: on, off, or absent where nothing was chosen. */
const CHOSEN = 'zoarium-demo';
/** A browser that keeps, or once kept, the person's own data has this. */
export const STAMP = 'zoarium-was-here';

const OWN_NAME = 'zoarium';
const DEMO_NAME = 'zoarium-demo';

/** What a browser that forbids its storage answers. */
function asked<T>(ask: () => T, otherwise: T): T {
  try {
    return ask();
  } catch {
    return otherwise;
  }
}

/** True while this tab shows the demo: the person chose it, or the server offers it to a browser that holds nothing of their own. */
export function demoShown(): boolean {
  if (typeof window === 'undefined' || typeof document === 'undefined') return false;
  const chosen = asked(() => window.sessionStorage.getItem(CHOSEN), null);
  if (chosen !== null) return chosen === 'on';
  const served = document.querySelector('meta[name="zoarium-mode"]')?.getAttribute('content') === 'demo';
  return served && asked(() => window.localStorage.getItem(STAMP), null) === null;
}

/** Names of the database and of the channel between tabs. */
export const databaseName = (): string => (demoShown() ? DEMO_NAME : OWN_NAME);
export const channelName = (): string => `${databaseName()}-acts`;

/** Into the demo, or out of it; the page starts anew. What is one's own is never opened meanwhile, and what the demo held is thrown away. */
export async function showDemo(on: boolean): Promise<void> {
  await new Promise<void>((done) => {
    const gone = asked(() => window.indexedDB.deleteDatabase(DEMO_NAME), null);
    if (!gone) done();
    else gone.onsuccess = gone.onerror = gone.onblocked = () => done();
  });
  asked(() => window.sessionStorage.setItem(CHOSEN, on ? 'on' : 'off'), undefined);
  window.location.assign('/');
}
