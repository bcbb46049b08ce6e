/** Measures the forecast in Chromium: from asking to the answer, in the worker, with the main thread's longest task meanwhile; the
 *  demo's young tank and one with 30 days of daily readings. */
import type { AddressInfo } from 'node:net';
import { chromium } from '@playwright/test';
import { makeApp } from '../server/app';
import { longTasks, watchMainThread, type Task } from './mainThread';

const server = makeApp({ dist: process.argv[2] ?? 'dist', demo: true }).listen(0, '127.0.0.1');
await new Promise((ready) => server.once('listening', ready));
const base = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
const browser = await chromium.launch({
  executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium-headless-shell',
  args: ['--no-sandbox', '--disable-gpu', '--no-first-run'],
});
const page = await (await browser.newContext({ viewport: { width: 390, height: 844 } })).newPage();
await page.goto(base);
await page.getByText(/Judged by/).waitFor();
const median = (xs: number[]): number => [...xs].sort((a, b) => a - b)[Math.floor(xs.length / 2)] ?? NaN;
const BOTH = 'Both read zero';
/** Looked at with every frame: a locator looks twice a second. */
const stands = (text: string, there = true) =>
  page.waitForFunction(
    ([what, is]) => (document.querySelector('[role=main]')?.textContent ?? '').includes(what) === is,
    [text, there] as const,
    { timeout: 120_000 },
  );
const measure = async (what: string, path: string) => {
  const first: number[] = [];
  const last: number[] = [];
  const courses: number[] = [];
  const tasks: Task[] = [];
  for (let i = 0; i < 5; i++) {
    // Nothing kept, and workers of its own.
    await page.goto(`${base}/bench`);
    await page.evaluate(
      () =>
        new Promise<void>((done) => {
          const gone = indexedDB.deleteDatabase('zoarium-demo-answers');
          gone.onsuccess = gone.onblocked = gone.onerror = () => done();
        }),
    );
    await page.goto(base + path.replace(/\/forecast$/, ''));
    const link = page.getByRole('button', { name: 'Forecast' }).first();
    await link.waitFor();
    await page.waitForTimeout(1000);
    await link.click();
    await page.getByRole('progressbar').waitFor();
    const begun = Date.now();
    const look = await watchMainThread(browser, page);
    await stands(BOTH);
    first.push(Date.now() - begun);
    await stands('Narrowing', false);
    last.push(Date.now() - begun);
    await stands('Half the water changed now');
    courses.push((Date.now() - begun - (last[i] ?? 0)) / (await page.getByRole('row').count()));
    tasks.push(...(await look()).tasks);
    await browser.stopTracing();
  }
  const all = (xs: number[]) => `${median(xs).toFixed(0)} (${xs.map((x) => x.toFixed(0)).join(', ')})`;
  console.log(
    `${what}: ms to the first dates ${all(first)}, to the last ${all(last)}, a course ${all(courses)}; main-thread tasks meanwhile: ${longTasks(tasks)}`,
  );
};
/** One more reading, typed into the app: from the pause that Today makes to the dates. The first on a page that was only opened, so that
 *  nothing fitted is in memory; each of the others over the fit of the one before. */
const refit = async () => {
  const times: number[] = [];
  await page.goto(`${base}/water/pantry-cube`);
  for (let i = 0; i < 6; i++) {
    await page
      .getByText(/likely|not in sight|cleared now/)
      .first()
      .waitFor();
    await page.waitForTimeout(4000);
    await page.getByRole('button', { name: 'Log a sample' }).first().click();
    await page.getByRole('button', { name: 'nitrite 2', exact: true }).click();
    await page.getByRole('button', { name: /^Save / }).click();
    await page.getByText('Working out when').waitFor();
    const begun = Date.now();
    await stands('Working out when', false);
    times.push(Date.now() - begun);
  }
  const [reopened, ...over] = times;
  console.log(
    `ms to the dates after one more reading, of which 700 are the pause before asking: ${reopened} on a page just opened, over what stands ${over.join(', ')}`,
  );
};
await measure('12 days, 25 readings', '/water/pantry-cube/cycle/forecast');
await refit();
await page.evaluate(
  () =>
    new Promise<void>((done) => {
      const open = indexedDB.open('zoarium-demo');
      open.onsuccess = () => {
        const tx = open.result.transaction('entries', 'readwrite');
        const all = tx.objectStore('entries');
        all.getAllKeys().onsuccess = (event) => {
          const keys = (event.target as IDBRequest<IDBValidKey[]>).result.map(String);
          for (const k of keys) if (k.startsWith('e/samples/pantry')) all.delete(k);
          for (let d = 0; d < 30; d++) {
            const at = new Date(Date.now() - (30 - d) * 86_400_000 + 3_600_000).toISOString();
            const a = d < 3 ? 2 : d < 12 ? 1 : 0;
            const n = d < 6 ? 0 : d < 22 ? 2 : 0.25;
            all.put(
              JSON.stringify({
                id: `day-${d}`,
                waterId: 'pantry-cube',
                at,
                note: '',
                readings: [
                  ['ammonia', a],
                  ['nitrite', n],
                  ['alkalinity', 9 - d * 0.05],
                ].map(([p, value]) => ({ parameter: p, kitId: `kit-${p}`, value: { kind: 'exact', value } })),
              }),
              `e/samples/day-${d}`,
            );
          }
        };
        tx.oncomplete = () => {
          open.result.close();
          done();
        };
      };
    }),
);
await measure('30 days, 90 readings', '/water/pantry-cube/cycle/forecast');
await browser.close();
server.close();
process.exit(0);
