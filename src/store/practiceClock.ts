/** The clock of a practice tank: while this tab plays one, every clock of the page is the tank's. It stands still until the player moves it. */
import { keepPracticeRun, practiceRun } from './whose';

const CHANGED = 'zoarium-clock';
const run = practiceRun();
let nowMs = run?.nowMs ?? 0;

if (run) {
  const Real = Date;
  class PracticeDate extends Real {
    constructor(...args: unknown[]) {
      // As the language has it: without arguments it is now.
      if (args.length === 0) super(nowMs);
      else super(...(args as [number]));
    }
    static override now(): number {
      return nowMs;
    }
  }
  globalThis.Date = PracticeDate as DateConstructor;
}

/** Moves the practice clock on; kept through a reload. */
export function movePracticeClock(toMs: number): void {
  const standing = practiceRun();
  if (!standing || toMs <= nowMs) return;
  nowMs = toMs;
  keepPracticeRun({ ...standing, nowMs });
  window.dispatchEvent(new Event(CHANGED));
}

/** Hears of each move. @returns how to stop hearing */
export function onPracticeClock(moved: () => void): () => void {
  if (!run) return () => undefined;
  window.addEventListener(CHANGED, moved);
  return () => window.removeEventListener(CHANGED, moved);
}
