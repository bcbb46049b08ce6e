/** Measures in Chromium: the longest main-thread task while logging; saving one reading with 10, 1,000 and 30,000 readings stored. */
import type { AddressInfo } from 'node:net';
import { chromium, type Browser } from '@playwright/test';
import type { Express } from 'express';
import { makeApp } from '../server/app';
import { STARTER_KITS } from '../core/document';

const [dist = ''] = process.argv.slice(2);
const median = (xs: number[]): number => [...xs].sort((a, b) => a - b)[Math.floor(xs.length / 2)] ?? NaN;

async function listen(app: Express): Promise<string> {
  const server = app.listen(0, '127.0.0.1');
  await new Promise((ready) => server.once('listening', ready));
  return `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
}

async function longestTaskWhileLogging(
  browser: Browser,
  base: string,
): Promise<{ longest: number; over50: number }> {
  const context = await browser.newContext({ viewport: { width: 390, height: 844 } });
  const page = await context.newPage();
  await page.goto(base);
  await page.getByText(/Judged by/).waitFor();
  await page.goto(`${base}/water/pantry-cube/log`);
  await page.getByRole('button', { name: 'ammonia 0', exact: true }).waitFor();
  await page.evaluate(() => {
    const w = window as unknown as { tasks: number[] };
    w.tasks = [];
    new PerformanceObserver((list) => list.getEntries().forEach((e) => w.tasks.push(e.duration))).observe({
      type: 'longtask',
    });
  });
  for (const name of ['ammonia 0', 'nitrite 2', 'nitrate 10', 'nitrate 20'])
    await page.getByRole('button', { name, exact: true }).click();
  await page
    .getByRole('button', { name: '+ salinity', exact: true })
    .click()
    .catch(() => undefined);
  await page.getByLabel('Pocket meter, ppt').pressSequentially('35.1');
  await page.getByRole('button', { name: /^Save/ }).click();
  await page.getByText(/Judged by/).waitFor();
  const tasks = await page.evaluate(() => (window as unknown as { tasks: number[] }).tasks);
  await context.close();
  return { longest: Math.max(0, ...tasks), over50: tasks.length };
}

async function saving(browser: Browser, base: string, readings: number): Promise<number> {
  const context = await browser.newContext({ viewport: { width: 390, height: 844 } });
  const page = await context.newPage();
  await page.goto(base);
  await page.getByText(/Judged by/).waitFor();
  // Five readings a sample, one sample every two hours back from now.
  await page.evaluate(
    ({ count, kits }) =>
      new Promise<void>((done) => {
        const open = indexedDB.open('zoarium-demo');
        open.onsuccess = () => {
          const tx = open.result.transaction('entries', 'readwrite');
          const store = tx.objectStore('entries');
          for (let i = 0; i < count / 5; i++) {
            const id = `bench-${i}`;
            const at = new Date(Date.now() - (i + 1) * 7_200_000).toISOString();
            const values = [0, 0, 10, 35, 25];
            store.put(
              JSON.stringify({
                id,
                waterId: 'pantry-cube',
                at,
                note: '',
                readings: kits.map((k, j) => ({
                  parameter: k.parameter,
                  kitId: k.id,
                  value: { kind: 'exact', value: values[j] },
                })),
              }),
              `e/samples/${id}`,
            );
          }
          tx.oncomplete = () => {
            open.result.close();
            done();
          };
        };
      }),
    { count: readings, kits: STARTER_KITS.slice(0, 5).map((k) => ({ id: k.id, parameter: k.parameter })) },
  );
  const times: number[] = [];
  for (let i = 0; i < 7; i++) {
    await page.goto(`${base}/water/pantry-cube/log/event?kind=note`);
    await page.getByRole('textbox', { name: 'Note' }).fill(`n${i}`);
    times.push(
      await page.evaluate(
        () =>
          new Promise<number>((done) => {
            const put = IDBObjectStore.prototype.put;
            const start = performance.now();
            IDBObjectStore.prototype.put = function (
              this: IDBObjectStore,
              value: unknown,
              key?: IDBValidKey,
            ) {
              if (String(key).startsWith('e/')) {
                this.transaction.addEventListener('complete', () => done(performance.now() - start));
                IDBObjectStore.prototype.put = put;
              }
              return put.call(this, value, key);
            };
            const button = Array.from(document.querySelectorAll('button')).find(
              (b) => b.textContent === 'Log it',
            );
            button?.click();
          }),
      ),
    );
  }
  await context.close();
  return median(times);
}

const browser = await chromium.launch({
  executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium-headless-shell',
  args: [
    '--no-sandbox',
    '--disable-gpu',
    '--disable-quic',
    '--disable-background-networking',
    '--no-first-run',
  ],
});
const app = await listen(makeApp({ dist, demo: true }));
const logging = await longestTaskWhileLogging(browser, app);
console.log(
  `longest main-thread task while logging: ${logging.longest === 0 ? 'none above 50 ms' : `${logging.longest.toFixed(0)} ms (${logging.over50} above 50 ms)`}`,
);
for (const n of [10, 1000, 30000])
  console.log(
    `saving one entry with ${n} readings more in store: ${(await saving(browser, app, n)).toFixed(1)} ms, click to committed, median of 7`,
  );
await browser.close();
process.exit(0);
