/** Takes acts and drafts to the storage. An act is done when its transaction has completed; one that could not be written stays in the queue
 *  and is tried again; one whose entities another tab changed meanwhile is not written at all. */
import { VERSION, type AnyEntity, type CollectionName } from '../../core/document';
import { actKey, entryText, revisionOf, standingIn, stepsOf, type Act, type Step, type Way } from './acts';
import { entityKey, META, META_KEY } from './keys';
import type { Storage } from './storage';

/** An entity that is not what an act took it for. */
export interface Differing {
  collection: CollectionName;
  id: string;
  mine: AnyEntity | null;
  theirs: AnyEntity | null;
  /** The revision of theirs. */
  rev: string;
}

/** How an act ended. */
export type Outcome = { kind: 'saved' } | { kind: 'nothing' } | { kind: 'changed'; differing: Differing[] };

/** What the writer tells of itself. */
export interface Listener {
  saved(act: Act, way: Way): void;
  /** Not written: what stands in the storage instead. */
  refused(act: Act, way: Way, differing: Differing[]): void;
  /** Not written yet, and why; null once nothing waits any more. */
  failing(why: string | null): void;
  /** A commit takes its time; false once it is through. */
  slow(slow: boolean): void;
}

/** The page that must not be left while something is unsaved. */
export interface Page {
  /** Asks before leaving while true. */
  hold(on: boolean): void;
  /** Calls when the page is being left or hidden. */
  onHide(run: () => void): void;
  /** Remembers, apart from the storage, that something was once stored; and tells it at a later visit. */
  stamp(): void;
  stamped(): boolean;
}

interface Job {
  act: Act;
  way: Way;
  steps: Step[];
  /** What is written with it or not at all. */
  along: Record<string, string | null>;
  end: (outcome: Outcome) => void;
}

const DRAFTS_WAIT_MS = 300;
const SLOW_MS = 1500;
const FIRST_RETRY_MS = 500;
const LAST_RETRY_MS = 30_000;

export function makeWriter(storage: Storage, page: Page, listener: Listener) {
  const revisions = new Map<string, string>();
  let waiting: Job[] = [];
  const drafts = new Map<string, string | null>();
  let draftTimer: ReturnType<typeof setTimeout> | null = null;
  let retryTimer: ReturnType<typeof setTimeout> | null = null;
  let retryMs = FIRST_RETRY_MS;
  let busy = false;
  /** True while the storage has been emptied under the page: an act could only be taken for one that another tab made void. */
  let emptied = false;
  let running: Promise<void> = Promise.resolve();

  /** Writes what waits, until nothing does. */
  function run(): void {
    if (retryTimer !== null) clearTimeout(retryTimer);
    retryTimer = null;
    if (busy) return;
    if (emptied) {
      page.hold(waiting.length > 0);
      return;
    }
    busy = true;
    page.hold(true);
    running = writeAll();
  }

  async function writeAll(): Promise<void> {
    while (waiting.length > 0) {
      const jobs = [...waiting];
      const slow = setTimeout(() => listener.slow(true), SLOW_MS);
      try {
        const refused = await writeJobs(storage, jobs, new Map(drafts), draftsWritten);
        waiting = waiting.slice(jobs.length);
        retryMs = FIRST_RETRY_MS;
        for (const job of jobs) endJob(job, refused.get(job) ?? null);
      } catch (error) {
        retryTimer = setTimeout(run, retryMs);
        retryMs = Math.min(LAST_RETRY_MS, 2 * retryMs);
        busy = false;
        listener.failing(reasonOf(error));
        return;
      } finally {
        clearTimeout(slow);
        listener.slow(false);
      }
    }
    busy = false;
    page.hold(false);
    listener.failing(null);
  }

  function endJob(job: Job, differing: Differing[] | null): void {
    if (differing === null) {
      for (const key of Object.keys(job.along)) drafts.delete(key);
      listener.saved(job.act, job.way);
      job.end({ kind: 'saved' });
      return;
    }
    for (const d of differing) revisions.set(entityKey(d.collection, d.id), d.rev);
    listener.refused(job.act, job.way, differing);
    job.end({ kind: 'changed', differing: differing.filter((d) => d.mine !== d.theirs) });
  }

  const draftsWritten = (written: ReadonlyMap<string, string | null>) => {
    for (const [key, text] of written) if (drafts.get(key) === text) drafts.delete(key);
  };

  /** A lost draft costs a few taps; the act itself reports its own failures. */
  async function writeDrafts(): Promise<void> {
    if (draftTimer !== null) clearTimeout(draftTimer);
    draftTimer = null;
    // A draft that ends with a waiting act is the act's to write: what is typed must not come back after it.
    const ending = new Set(waiting.flatMap((job) => Object.keys(job.along)));
    const written = new Map([...drafts].filter(([key]) => !ending.has(key)));
    if (written.size === 0) return;
    await storage.setMany(Object.fromEntries(written)).then(
      () => draftsWritten(written),
      () => undefined,
    );
  }

  page.onHide(() => void writeDrafts());

  return {
    revisions,
    /** Whether an act can go its way: its entities are still what it takes them for. */
    stands: (act: Act, way: Way): boolean =>
      stepsOf(act, way).every((step) => (revisions.get(step.key) ?? '') === step.expected),
    /** Queues an act; `along` is written with it. @returns how it ended, once it has */
    save(act: Act, way: Way, along: Record<string, string | null>): Promise<Outcome> {
      const steps = stepsOf(act, way);
      for (const step of steps) revisions.set(step.key, step.rev);
      return new Promise((end) => {
        waiting.push({ act, way, steps, along, end });
        run();
      });
    },
    /** The storage was emptied under the page: what comes waits until all is stored anew. */
    hold(): void {
      emptied = true;
    },
    /** Stores all there is anew. What waits is in it already, and ends with it. @throws when it is refused */
    async storeAll(entries: Record<string, string | null>): Promise<void> {
      const jobs = [...waiting];
      await storage.setMany(Object.assign({}, entries, ...jobs.map((job) => job.along)));
      emptied = false;
      waiting = waiting.slice(jobs.length);
      for (const job of jobs) endJob(job, null);
      run();
    },
    /** Keeps something half done; written a little later, never ahead of an act. */
    draft(key: string, text: string | null): void {
      drafts.set(key, text);
      draftTimer ??= setTimeout(() => void writeDrafts(), DRAFTS_WAIT_MS);
    },
    /** Tries at once what could not be written. */
    retry: () => {
      retryMs = FIRST_RETRY_MS;
      if (waiting.length > 0) run();
    },
    /** Resolves when nothing is under way: all is written, or a failed write waits for its next try. */
    async settled(): Promise<void> {
      while (busy) await running;
      await writeDrafts();
    },
  };
}

/** Why a write was refused: the browser's name for it says more than its words. */
function reasonOf(error: unknown): string {
  if (!(error instanceof Error)) return String(error);
  return error.name === 'Error' ? error.message : `${error.name}: ${error.message}`;
}

/** One transaction for all jobs that wait, each whole or not at all. @returns the refused ones, with what stands instead */
async function writeJobs(
  storage: Storage,
  jobs: readonly Job[],
  drafts: ReadonlyMap<string, string | null>,
  draftsWritten: (written: ReadonlyMap<string, string | null>) => void,
): Promise<Map<Job, Differing[]>> {
  const refused = new Map<Job, Differing[]>();
  const keys = jobs.flatMap((job) => job.steps.map((step) => step.key));
  await storage.transact([...new Set(keys)], (stored) => {
    refused.clear();
    const standing: Record<string, string | null> = { ...stored };
    const written: Record<string, string | null> = { [META_KEY]: META, ...Object.fromEntries(drafts) };
    for (const job of jobs) {
      const asTaken = job.steps.every((step) => revisionOf(standing[step.key]) === step.expected);
      if (!asTaken) {
        refused.set(
          job,
          job.steps.map((step) => differingAt(step, standing[step.key] ?? null)),
        );
        continue;
      }
      for (const { key, change, rev } of job.steps)
        standing[key] = written[key] = change.after === null ? null : entryText(change.after, rev);
      Object.assign(written, job.along);
    }
    return written;
  });
  draftsWritten(drafts);
  return refused;
}

function differingAt({ change, expected }: Step, stored: string | null): Differing {
  const theirs = standingIn(stored);
  const same = revisionOf(stored) === expected;
  return {
    collection: change.collection,
    id: change.id,
    mine: same ? theirs : change.after,
    theirs,
    rev: revisionOf(stored),
  };
}

/** An act of more changes is not recorded: an import would be stored three times over. */
const RECORDED_CHANGES = 2000;

/** What is written beside an act so that it can be taken back later, also after the page was closed. */
export const recordOf = (act: Act, way: Way): Record<string, string> => {
  if (act.quiet || act.changes.length > RECORDED_CHANGES) return {};
  return {
    [actKey(act.id)]: JSON.stringify({ version: VERSION, ...act, undone: way === 'undone' }),
  };
};
