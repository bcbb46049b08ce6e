/** Measures in Chromium: time until the first screen stands, against a bare router app; the longest main-thread task while
 *  logging; saving one reading with 10, 1,000 and 30,000 readings stored. Prints a table. */
import type { AddressInfo } from 'node:net';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { chromium, type Browser, type Page } from '@playwright/test';
import express from 'express';
import { makeApp } from '../server/app';
import { STARTER_KITS } from '../core/document';

const [bareDist = '', dist = ''] = process.argv.slice(2);
const median = (xs: number[]): number => [...xs].sort((a, b) => a - b)[Math.floor(xs.length / 2)] ?? NaN;

function serveBare(): ReturnType<typeof express> {
  const app = express();
  app.use(express.static(bareDist, { index: false }));
  app.get(/.*/, (_request, response) => {
    response.type('html').send(readFileSync(join(bareDist, 'index.html'), 'utf8'));
  });
  return app;
}

async function listen(app: ReturnType<typeof express>): Promise<string> {
  const server = app.listen(0, '127.0.0.1');
  await new Promise((ready) => server.once('listening', ready));
  return `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
}

/** From navigation start until the main part is in the page and the main thread has been free for a moment. */
async function interactive(page: Page, url: string): Promise<number> {
  await page.goto(url, { waitUntil: 'commit' });
  await page.locator('[role=main]').first().waitFor();
  return page.evaluate(
    () =>
      new Promise<number>((done) => {
        requestAnimationFrame(() => setTimeout(() => done(performance.now()), 0));
      }),
  );
}

/** A page of its own that has been at the address once, so that what it keeps is kept. */
async function warmPage(browser: Browser, url: string, shows: RegExp): Promise<Page> {
  const context = await browser.newContext({ viewport: { width: 390, height: 844 } });
  const page = await context.newPage();
  await page.goto(url);
  await page.getByText(shows).first().waitFor();
  return page;
}

/** Opens both in turn, so that a slow moment of the machine meets both alike. */
async function openings(one: Page, oneUrl: string, two: Page, twoUrl: string, rounds: number) {
  const times: [number, number][] = [];
  for (let i = 0; i < rounds; i++) {
    // What a page does once it stands must not run into the next opening.
    await one.waitForTimeout(1000);
    const first = await interactive(one, oneUrl);
    await two.waitForTimeout(1000);
    times.push([first, await interactive(two, twoUrl)]);
  }
  return times;
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
const bare = await listen(serveBare());
const app = await listen(makeApp({ dist, demo: true }));
const rounds = 15;
const barePage = await warmPage(browser, bare, /Bare/);
const appPage = await warmPage(browser, app, /Judged by/);
const times = await openings(barePage, bare, appPage, app, rounds);
await barePage.context().close();
await appPage.context().close();
const [bareMs, appMs] = [median(times.map((t) => t[0])), median(times.map((t) => t[1]))];
const ratio = median(times.map(([b, a]) => a / b));
console.log(
  `time to interactive, ${rounds} openings of each in turn: bare router app ${bareMs.toFixed(0)} ms, ` +
    `Zoarium with demo data ${appMs.toFixed(0)} ms, ratio ${ratio.toFixed(2)} in the middle`,
);
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
