/** A device: paired, its readings taken, the line cut and resumed, nothing twice, and what it says beside the hand tests. */
import type { AddressInfo } from 'node:net';
import type { Server } from 'node:http';
import { expect, test, type APIRequestContext, type Page } from '@playwright/test';
import { makeApp } from '../server/app';
import { Door } from '../server/door';
import { EVENING, press } from './app';

let server: Server;
let base: string;
test.beforeEach(async () => {
  const door = new Door(() => EVENING.getTime());
  server = makeApp({ dist: 'dist', demo: true, door }).listen(0, '127.0.0.1');
  await new Promise((ready) => server.once('listening', ready));
  base = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
});
test.afterEach(() => {
  server.closeAllConnections();
  server.close();
});

const send = (
  request: APIRequestContext,
  token: string,
  minutes: readonly number[],
  temperature: (m: number) => number,
) =>
  request.post(`${base}/readings`, {
    headers: { Authorization: `Bearer ${token}` },
    data: {
      device: 'Shelf bridge',
      readings: minutes.map((m) => ({
        at: new Date(EVENING.getTime() - m * 60_000).toISOString(),
        what: 'temperature',
        value: temperature(m),
      })),
    },
  });
const token = (page: Page) => page.evaluate(() => window.localStorage.getItem('zoarium-monitor-token')!);
const counted = (page: Page) =>
  page.evaluate(
    () =>
      new Promise<number>((done) => {
        const open = indexedDB.open('zoarium-demo');
        open.onsuccess = () => {
          const all = open.result.transaction('entries').objectStore('entries').getAll();
          all.onsuccess = () => {
            open.result.close();
            done(
              (all.result as unknown[])
                .filter((t): t is string => typeof t === 'string' && t.includes('"monitorId"'))
                // Each hour begins with its count.
                .flatMap((t) => (JSON.parse(t) as { entity: { hours: string } }).entity.hours.split(';'))
                .reduce((n, h) => n + (h === '' ? 0 : Number(h.split(' ')[0])), 0),
            );
          };
        };
      }),
  );

test(
  'what is sent while the line is cut comes when it is back, and nothing counts twice',
  { tag: '@once' },
  async ({ page, request }) => {
    await page.clock.install({ time: EVENING });
    await page.goto(`${base}/monitor`);
    await expect(page.getByRole('heading', { name: 'Monitor' })).toBeVisible();
    await press(page, 'Pair');
    await expect(page.getByText('Connected.')).toBeVisible();
    const t = await token(page);
    expect((await send(request, t, [130, 70, 10], () => 25.2)).status()).toBe(202);
    await page.clock.runFor(3000);
    await expect(page.getByText('Shelf bridge')).toBeVisible();
    await expect(page.getByText(/^25\.2 °C/)).toBeVisible();
    await expect.poll(() => counted(page)).toBe(3);
    // The line is cut: the server drops it, and meanwhile more comes, some of it again.
    server.closeAllConnections();
    await expect(page.getByText(/^The line is cut/)).toBeVisible();
    await send(request, t, [70, 10, 5], () => 25.2);
    await page.clock.runFor(5000);
    await expect(page.getByText('Connected.')).toBeVisible();
    await page.clock.runFor(3000);
    await expect.poll(() => counted(page)).toBe(4);
    await page.reload();
    await expect(page.getByText('Connected.')).toBeVisible();
    await page.clock.runFor(3000);
    await expect.poll(() => counted(page)).toBe(4);
  },
);

test('a fast rise asks for a hand test; a revoked token is said', async ({ page, request }) => {
  await page.clock.install({ time: EVENING });
  await page.goto(`${base}/monitor`);
  await press(page, 'Pair');
  await expect(page.getByText('Connected.')).toBeVisible();
  const t = await token(page);
  await send(request, t, [250, 190, 130, 70, 10], (m) => (m > 60 ? 25 : 26.8));
  await page.clock.runFor(3000);
  await expect(page.getByText(/^Temperature rose by 1\.8 °C within 6 hours/)).toBeVisible();
  // Its course is drawn here, and beside the tests by hand.
  await expect(page.getByRole('group', { name: /^Temperature by the hour/ }).locator('path')).not.toHaveCount(
    0,
  );
  await page.getByRole('link', { name: 'The same beside your tests by hand' }).click();
  const chart = page.getByRole('group', { name: /A device’s hours from/ });
  await chart.press('+');
  await expect(chart.locator('path')).not.toHaveCount(0);
  await page.goBack();
  await press(page, 'Show the token');
  await expect(page.getByText(t)).toBeVisible();
  expect((await send(request, 'f'.repeat(32), [1], () => 25)).status()).toBe(401);
  await press(page, 'Revoke it');
  await expect(page.getByRole('button', { name: 'Pair', exact: true })).toBeVisible();
  expect((await send(request, t, [1], () => 25)).status()).toBe(401);
});
