/** Long work in slices: a touch is answered in between. */

/** Milliseconds of work before the page may breathe. */
const SLICE_MS = 8;
const breathe = (): Promise<void> => new Promise((done) => setTimeout(done, 0));

/** Does the work for each item in turn; with few of them nothing is waited for. @param clock milliseconds from anywhere */
export async function eachInSlices<T>(
  items: Iterable<T>,
  work: (item: T) => void,
  clock: () => number,
): Promise<void> {
  let sinceMs = clock();
  for (const item of items) {
    if (clock() - sinceMs > SLICE_MS) {
      await breathe();
      sinceMs = clock();
    }
    work(item);
  }
}
