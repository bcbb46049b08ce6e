/** Whose data this tab shows: the person's own, or the demo, which has a database to itself and is made anew each time it is entered. */

/** Kept for the tab: on, off, or absent where nothing was chosen. */
const CHOSEN = 'zoarium-demo';
/** A browser that keeps, or once kept, the person's own data has this. */
export const STAMP = 'zoarium-was-here';

const OWN_NAME = 'zoarium';
const DEMO_NAME = 'zoarium-demo';
const PRACTICE_NAME = 'zoarium-practice';

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

/** A practice tank in play: what is hidden in it, and where its clock stands. Kept for the tab. */
export interface PracticeRun {
  /** A scenario of the app by its id, or a whole one of the person's own. */
  scenario: unknown;
  seed: number;
  startMs: number;
  nowMs: number;
  /** The player has looked at the truth: nothing is held against the careful course any more. */
  looked: boolean;
}

const PRACTICE = 'zoarium-practice';
/** The document a run from a file goes on with. */
const PRACTICE_BEGUN = 'zoarium-practice-begun';

/** The practice tank this tab plays; null where it shows the person's own or the demo. */
export function practiceRun(): PracticeRun | null {
  if (typeof window === 'undefined') return null;
  const text = asked(() => window.sessionStorage.getItem(PRACTICE), null);
  return text === null ? null : asked(() => JSON.parse(text) as PracticeRun, null);
}

export function keepPracticeRun(run: PracticeRun): void {
  asked(() => window.sessionStorage.setItem(PRACTICE, JSON.stringify(run)), undefined);
}

/** The file text of the document this tab's practice tank goes on with; null where it begins anew. */
export const practiceBegunWith = (): string | null =>
  asked(() => window.sessionStorage.getItem(PRACTICE_BEGUN), null);

/** Names of the database and of the channel between tabs. */
export const databaseName = (): string =>
  practiceRun() ? PRACTICE_NAME : demoShown() ? DEMO_NAME : OWN_NAME;
export const channelName = (): string => `${databaseName()}-acts`;

/** Into the demo, or out of it; the page starts anew. What is one's own is never opened meanwhile, and what the demo held is thrown away. */
export async function showDemo(on: boolean): Promise<void> {
  await thrownAway(DEMO_NAME);
  asked(() => window.sessionStorage.setItem(CHOSEN, on ? 'on' : 'off'), undefined);
  window.location.assign('/');
}

const thrownAway = (name: string): Promise<void> =>
  new Promise<void>((done) => {
    const gone = asked(() => window.indexedDB.deleteDatabase(name), null);
    if (!gone) done();
    else gone.onsuccess = gone.onerror = gone.onblocked = () => done();
  });

/** Into a practice tank, or out of it; the page starts anew. It has a database to itself, thrown away with it: nothing of one's own is opened meanwhile.
 *  @param begunWith file text of the document it goes on with; null for a tank begun anew
 *  @throws Error where the browser has no room for that text; then nothing is changed */
export async function showPractice(run: PracticeRun | null, begunWith: string | null = null): Promise<void> {
  if (begunWith === null) asked(() => window.sessionStorage.removeItem(PRACTICE_BEGUN), undefined);
  else window.sessionStorage.setItem(PRACTICE_BEGUN, begunWith);
  await Promise.all(['', '-answers', '-photos'].map((part) => thrownAway(`${PRACTICE_NAME}${part}`)));
  if (run) keepPracticeRun(run);
  else asked(() => window.sessionStorage.removeItem(PRACTICE), undefined);
  window.location.assign(run ? '/practice' : '/');
}
