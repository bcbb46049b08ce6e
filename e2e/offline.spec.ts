/** Without a server: what was opened once works, and an entry made then is there afterwards. */
import { expect, test } from '@playwright/test';
import { openDemo, place, press, saved } from './app';

test.use({ serviceWorkers: 'allow' });

test(
  'once opened, the app works without a server, and nothing entered is lost',
  { tag: '@once' },
  async ({ page, context }) => {
    await openDemo(page);
    await page.evaluate(() => navigator.serviceWorker.ready);
    await expect.poll(() => page.evaluate(async () => (await caches.keys()).length)).toBeGreaterThan(0);
    await context.setOffline(true);
    await page.reload();
    await expect(page.getByText(/Judged by/)).toBeVisible();
    // Screens never opened before come from the browser as well.
    for (const name of ['Log', 'Cycle', 'Stock', 'Bench'] as const) {
      await place(page, name);
      await expect(page.getByRole('main')).toBeVisible();
      await expect(page.getByText('This screen could not be fetched')).toHaveCount(0);
    }
    await page.goto('/water/north-window/log/event?kind=note');
    await page.getByRole('textbox', { name: 'Note' }).fill('written without a network');
    await press(page, 'Log it');
    await expect(page.getByText(/Judged by/)).toBeVisible();
    await saved(page);
    await page.goto('/water/north-window/log/history');
    await expect(page).toHaveURL(/history$/);
    await expect(page.getByRole('main')).toHaveAttribute('aria-label', 'History');
    await expect(page.getByText('written without a network')).toBeVisible();
  },
);

test('it can be installed: a manifest with our icons', { tag: '@once' }, async ({ page, request }) => {
  await page.goto('/');
  const href = await page.locator('link[rel=manifest]').getAttribute('href');
  const manifest = (await (await request.get(href ?? '')).json()) as {
    name: string;
    display: string;
    icons: { src: string; purpose?: string }[];
  };
  expect(manifest).toMatchObject({ name: 'Zoarium', display: 'standalone' });
  expect(manifest.icons.some((icon) => icon.purpose === 'maskable')).toBe(true);
  for (const icon of manifest.icons) expect((await request.get(icon.src)).status()).toBe(200);
});
