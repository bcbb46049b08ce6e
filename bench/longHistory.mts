/** Measures with many readings in store: opening the log, saving a sample, filtering the history, opening a chart and
 *  panning it, exporting, merging another device's file. 30,000 readings, or as many as the second argument says; as samples, or with `hours` as a
 *  device's hours. Prints the longest main-thread task of each after the first paint, the frames of
 *  the pan, and how large the file is. */
import { statSync } from 'node:fs';
import type { AddressInfo } from 'node:net';
import { chromium } from '@playwright/test';
import { STARTER_KITS } from '../core/document';
import { makeApp } from '../server/app';
import { longTasks, watchMainThread } from './mainThread';

/** Five readings a sample, one sample an hour where there are more than ten years of two-hourly ones. */
const SAMPLES = Math.round(Number(process.argv[3] ?? 30_000) / 5);
const EVERY_MS = SAMPLES > 10_000 ? 3_600_000 : 7_200_000;

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
const AS_HOURS = process.argv[4] === 'hours';
await page.evaluate(
  ({ kits, samples, everyMs, asHours }) =>
    new Promise<void>((done) => {
      const open = indexedDB.open('zoarium-demo');
      open.onsuccess = () => {
        const tx = open.result.transaction('entries', 'readwrite');
        const store = tx.objectStore('entries');
        if (asHours) {
          store.put(
            JSON.stringify({
              id: 'bench',
              waterId: 'pantry-cube',
              name: 'Bench',
              pairedAt: '2020-01-01T00:00:00.000Z',
              revokedAt: null,
            }),
            'e/monitors/bench',
          );
          for (let d = 0; d < (samples * 5) / 24 / 5; d++)
            for (const what of ['freeAmmonia', 'ph', 'temperature', 'level', 'salinity']) {
              const day = new Date(Date.now() - d * 86_400_000).toISOString().slice(0, 10);
              const id = `bench-${what}-${day}`;
              const hours = Array.from({ length: 24 }, (_, h) => `60 ${8 + ((d + h) % 7) / 10} 8 9`).join(
                ';',
              );
              store.put(
                JSON.stringify({ id, monitorId: 'bench', waterId: 'pantry-cube', what, day, hours }),
                `e/monitorDays/${id}`,
              );
            }
        }
        for (let i = 0; i < (asHours ? 0 : samples); i++) {
          const at = new Date(Date.now() - (i + 1) * everyMs).toISOString();
          store.put(
            JSON.stringify({
              id: `bench-${i}`,
              waterId: 'pantry-cube',
              at,
              note: i % 50 === 0 ? 'cleaned the glass' : '',
              readings: kits.map((k, j) => ({
                parameter: k.parameter,
                kitId: k.id,
                value: { kind: 'exact', value: [0, 0, 10, 34.5 + (i % 11) / 10, 25][j] },
              })),
            }),
            `e/samples/bench-${i}`,
          );
        }
        tx.oncomplete = () => {
          open.result.close();
          done();
        };
      };
    }),
  {
    kits: STARTER_KITS.slice(0, 5).map((k) => ({ id: k.id, parameter: k.parameter })),
    samples: SAMPLES,
    everyMs: EVERY_MS,
    asHours: AS_HOURS,
  },
);

const look = await watchMainThread(browser, page);
const report = async (what: string) => {
  await page.waitForTimeout(600);
  const seen = await look();
  console.log(`${what}: longest task after first paint ${longTasks(seen.tasks)}`);
  return seen;
};
await page.goto(`${base}/water/pantry-cube/log`);
await page.getByRole('button', { name: 'ammonia 0', exact: true }).waitFor();
await report('log opens');
const began = Date.now();
await page.getByRole('button', { name: 'ammonia 0', exact: true }).click();
await page.getByRole('button', { name: /^Save / }).click();
await page.waitForURL((url) => !url.pathname.endsWith('/log'));
console.log(`a sample saved in ${Date.now() - began} ms, the taps of the machine in it`);
await report('sample saved');
await page.goto(`${base}/water/pantry-cube/log`);
await page.getByRole('button', { name: 'ammonia 0', exact: true }).waitFor();
await report('log opens again');
await page
  .getByRole('main')
  .getByRole('link', { name: /^History/ })
  .click();
await page.getByRole('list', { name: 'Entries, newest first' }).waitFor();
await report('history opens');
await page.getByLabel('Search: parameter, animal, kind, a word').pressSequentially('glass');
if (!AS_HOURS) await page.getByText('cleaned the glass').first().waitFor();
await report('history filters');
// With a device's hours the ribbon of all its years lies beside the readings by hand.
await page.goto(`${base}/water/pantry-cube/log/readings/salinity`);
await page.getByRole('group', { name: /Arrow keys/ }).waitFor();
await report('chart opens');
await page.getByRole('button', { name: /^all/ }).click();
await report('chart shows all');
await page.getByRole('button', { name: '3 months' }).click();
const box = await page.getByRole('group', { name: /Arrow keys/ }).boundingBox();
if (box) {
  await page.mouse.move(box.x + 60, box.y + 120);
  await page.mouse.down();
  for (let i = 0; i < 120; i++) await page.mouse.move(box.x + 60 + (i % 60) * 4, box.y + 120);
  await page.mouse.up();
  const { drawnMs, tasks } = await report('chart pans');
  const gaps = drawnMs
    .slice(1)
    .map((t, i) => t - (drawnMs[i] ?? t))
    .sort((x, y) => x - y);
  const at = (share: number) => (gaps[Math.floor(gaps.length * share)] ?? NaN).toFixed(1);
  console.log(`${drawnMs.length} frames drawn for 120 moves, ${at(0.5)} ms apart in the middle`);
  console.log(`95 % within ${at(0.95)} ms, at most ${at(0.999)} ms`);
  console.log(`longest main-thread task of the pan ${tasks[0]?.ms.toFixed(0)} ms`);
}
await page.goto(`${base}/monitor`);
await page.getByRole('heading', { level: 1 }).waitFor();
await report('monitor opens');
await page.goto(`${base}/water/pantry-cube/cycle`);
await page.getByRole('heading', { level: 1 }).waitFor();
await report('cycle opens');
await page.goto(`${base}/agenda`);
await page.getByRole('heading', { level: 1 }).waitFor();
await report('agenda opens');
await page.goto(`${base}/water/pantry-cube/report`);
await page.getByRole('button', { name: 'Print the report' }).waitFor();
await report('report opens');
await page.goto(`${base}/files`);
await page.getByRole('heading', { level: 1 }).waitFor();
await report('files open');
const exported: string[] = [];
for (const label of ['Export everything', 'The same as a zip, with tables and photos']) {
  const start = Date.now();
  const file = page.waitForEvent('download', { timeout: 120_000 });
  await page.getByRole('button', { name: label }).click();
  const path = await (await file).path();
  exported.push(path);
  console.log(
    `${label}: ${(statSync(path).size / 1e6).toFixed(1)} MB in ${((Date.now() - start) / 1000).toFixed(1)} s`,
  );
  await report(label);
}
// The same as another device's: what was saved since is here, the rest is in both.
await page.goto(`${base}/water/pantry-cube/log`);
await page.getByRole('button', { name: 'ammonia 0', exact: true }).click();
await page.getByRole('button', { name: /^Save / }).click();
await page.waitForURL((url) => !url.pathname.endsWith('/log'));
await page.goto(`${base}/files`);
await page.getByRole('heading', { level: 1 }).waitFor();
await report('files open');
const chosenMs = Date.now();
await page
  .getByLabel('File to import')
  // By its path: the bytes themselves would be unpacked in the page.
  .setInputFiles(exported[0] ?? '');
await page.getByRole('button', { name: 'Take both together' }).waitFor({ timeout: 120_000 });
console.log(`another device's file read and compared in ${((Date.now() - chosenMs) / 1000).toFixed(1)} s`);
await report('file read and compared');
const takenMs = Date.now();
await page.getByRole('button', { name: 'Take both together' }).click();
await page.waitForURL(/\/waters$/, { timeout: 120_000 });
console.log(`both taken together in ${((Date.now() - takenMs) / 1000).toFixed(1)} s`);
await report('both taken together');
await browser.close();
server.close();
process.exit(0);
