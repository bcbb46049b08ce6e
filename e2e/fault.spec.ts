/** A fault in one screen, and a screen whose code does not come: said in words, with a way on, never a white page. */
import { expect, test } from '@playwright/test';
import { openDemo, place, press } from './app';

test('a screen that breaks says so, keeps the rest usable and offers the data', async ({ page }) => {
  await page.route(/StockScreen-.*\.js/, async (route) => {
    const response = await route.fetch();
    const code = await response.text();
    // Whatever the chunk hands out under the name: a component that throws stands in its place.
    const broken = code.replace(
      /\.StockScreen=(?!void 0)/g,
      '.StockScreen=()=>{throw new Error("no fish today")},0&&',
    );
    expect(broken).not.toBe(code);
    const headers = { 'content-type': 'text/javascript' };
    await route.fulfill({ status: 200, headers, body: broken });
  });
  await openDemo(page);
  await place(page, 'Stock');
  await expect(page.getByRole('heading', { name: 'This screen broke' })).toBeVisible();
  await expect(page.getByText(/no fish today/)).toBeVisible();
  await place(page, 'Today');
  await expect(page.getByText(/Judged by/)).toBeVisible();
  await place(page, 'Stock');
  await page.getByRole('link', { name: 'Export the data' }).click();
  await expect(page).toHaveURL(/\/files$/);
  await expect(page.getByRole('button', { name: /Export/ }).first()).toBeVisible();
});

test(
  'where even that cannot be drawn, plain words and links are left',
  { tag: '@once' },
  async ({ page }) => {
    await openDemo(page);
    // Broken and left in one breath: what Today still draws must not break first.
    await page.evaluate(() => {
      Number.prototype.toFixed = () => {
        throw new Error('no digits today');
      };
      document.querySelector<HTMLElement>('nav a[href$="/stock"]')?.click();
    });
    await expect(page.getByRole('heading', { name: 'Zoarium broke' })).toBeVisible();
    await page.getByRole('link', { name: 'Export the data' }).click();
    await expect(page.getByRole('button', { name: /Export/ }).first()).toBeVisible();
  },
);

test('a screen that cannot be fetched can be tried again', { tag: '@once' }, async ({ page }) => {
  await page.route(/CycleScreen-.*\.js/, (route) => route.abort());
  await openDemo(page);
  await place(page, 'Cycle');
  await expect(page.getByRole('heading', { name: 'This screen could not be fetched' })).toBeVisible();
  await page.unroute(/CycleScreen-.*\.js/);
  await press(page, 'Try again');
  await expect(page.getByRole('heading', { name: 'Where the nitrogen is' })).toBeVisible();
});
