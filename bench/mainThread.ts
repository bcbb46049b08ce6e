/** The main thread as the browser's own trace has it. */
import type { Browser, Page } from '@playwright/test';

interface Event {
  name: string;
  ts: number;
  dur?: number;
  tdur?: number;
  pid: number;
  tid: number;
  args?: { name?: string };
}

/** How long a task stood on the clock, and how much of that its thread was running. Where other work, or another guest of the machine,
 *  has the processor meanwhile, the clock goes on. */
export interface Task {
  ms: number;
  ranMs: number;
}

export interface Seen {
  /** Of the page's main thread, all that began after the first paint, the longest first. */
  tasks: readonly Task[];
  /** When frames were drawn, ms, in order. */
  drawnMs: readonly number[];
}

const CATEGORIES = [
  'toplevel',
  'loading',
  'devtools.timeline',
  'disabled-by-default-devtools.timeline.frame',
  '__metadata',
];

/** Begins to watch; each look tells what was since the one before. */
export async function watchMainThread(browser: Browser, page: Page): Promise<() => Promise<Seen>> {
  const start = () => browser.startTracing(page, { categories: CATEGORIES });
  await start();
  return async () => {
    const { traceEvents } = JSON.parse((await browser.stopTracing()).toString()) as { traceEvents: Event[] };
    await start();
    return seenIn(traceEvents);
  };
}

function seenIn(events: readonly Event[]): Seen {
  const main = new Set(
    events
      .filter((e) => e.name === 'thread_name' && e.args?.name === 'CrRendererMain')
      .map((e) => `${e.pid}/${e.tid}`),
  );
  const painted = Math.max(0, ...events.filter((e) => e.name === 'firstContentfulPaint').map((e) => e.ts));
  const tasks = events
    .filter((e) => e.name.endsWith('RunTask') && main.has(`${e.pid}/${e.tid}`) && e.ts >= painted)
    .map((e) => ({ ms: (e.dur ?? 0) / 1000, ranMs: (e.tdur ?? 0) / 1000 }))
    .sort((a, b) => b.ms - a.ms);
  const drawnMs = events
    .filter((e) => e.name === 'DrawFrame')
    .map((e) => e.ts / 1000)
    .sort((a, b) => a - b);
  return { tasks, drawnMs };
}

/** "under 50 ms", or each longer task with what its thread ran of it. */
export function longTasks(tasks: readonly Task[]): string {
  const long = tasks.filter((t) => t.ms > 50);
  if (long.length === 0) return 'under 50 ms';
  return long.map((t) => `${t.ms.toFixed(0)} ms (ran ${t.ranMs.toFixed(0)})`).join(', ');
}
