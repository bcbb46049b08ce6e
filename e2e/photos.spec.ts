/** Pictures: taken in scaled, kept through a reload, laid over each other, and there again from the zip. */
import { readFileSync } from 'node:fs';
import { expect, test, type Page } from '@playwright/test';
import { fill, follow, openDemo, press, saved, watchErrors } from './app';

/** A picture drawn in the page, larger than is kept. */
const drawn = (page: Page, colour: string): Promise<Buffer> =>
  page
    .evaluate(async (fillStyle) => {
      const canvas = new OffscreenCanvas(2400, 1800);
      const context = canvas.getContext('2d')!;
      context.fillStyle = fillStyle;
      context.fillRect(0, 0, 2400, 1800);
      context.fillStyle = '#fff';
      context.fillRect(400, 400, 300, 300);
      const blob = await canvas.convertToBlob({ type: 'image/png' });
      return [...new Uint8Array(await blob.arrayBuffer())];
    }, colour)
    .then((bytes) => Buffer.from(bytes));

const take = async (page: Page, colour: string) =>
  page
    .getByLabel('File of a photo')
    .setInputFiles({ name: 'coral.png', mimeType: 'image/png', buffer: await drawn(page, colour) });

/** A picture is scaled before it is kept: only once the page counts it there is something to be stored. */
const counted = async (page: Page, heading: string) => {
  await expect(page.getByRole('heading', { name: heading })).toBeVisible();
  await saved(page);
};

test('two of one view are laid over each other; they hold through a reload and come back out of the zip', async ({
  page,
}) => {
  const errors = watchErrors(page);
  await openDemo(page, { at: '/water/north-window/photos' });
  await expect(page.getByRole('heading', { name: 'No photo yet' })).toBeVisible();
  await fill(page, 'View', 'front');
  await fill(page, 'How the light is set', '30 %');
  await take(page, '#246');
  await counted(page, 'One photo');
  await take(page, '#264');
  await counted(page, '2 photos');
  await page.reload();
  const small = page.getByRole('checkbox', { name: /^front, / });
  await expect(small).toHaveCount(2);
  const image = page.getByRole('img', { name: /^front, / }).first();
  await expect.poll(() => image.evaluate((e: HTMLImageElement) => e.naturalWidth)).toBe(320);
  await small.first().click();
  await small.last().click();
  await expect(page.getByRole('slider', { name: 'Left the older, right the newer' })).toBeVisible();
  await follow(page, '/files');
  const file = page.waitForEvent('download');
  await press(page, 'The same as a zip, with tables and photos');
  const zip = readFileSync(await (await file).path());
  await follow(page, '/water/north-window/photos');
  await page
    .getByRole('checkbox', { name: /^front, / })
    .first()
    .click();
  await press(page, 'Delete this photo');
  await saved(page);
  await expect(page.getByRole('heading', { name: 'One photo' })).toBeVisible();
  await follow(page, '/files');
  await page
    .getByLabel('File to import')
    .setInputFiles({ name: 'all.zip', mimeType: 'application/zip', buffer: zip });
  await press(page, 'Replace everything');
  // Called done only when the pictures are stored, too.
  await expect(page).toHaveURL(/\/waters$/);
  await saved(page);
  await follow(page, '/water/north-window/photos');
  await expect(page.getByRole('heading', { name: '2 photos' })).toBeVisible();
  expect(errors).toEqual([]);
});

test('what is no picture is said, and nothing is kept', { tag: '@once' }, async ({ page }) => {
  await openDemo(page, { at: '/water/north-window/photos' });
  await page
    .getByLabel('File of a photo')
    .setInputFiles({ name: 'no.png', mimeType: 'image/png', buffer: Buffer.from('hello') });
  await expect(page.getByText(/^That is no picture this browser can read/)).toBeVisible();
  await expect(page.getByRole('heading', { name: 'No photo yet' })).toBeVisible();
});

test(
  'without room no photo is kept and it is said; a zip is then not imported at all',
  { tag: '@once' },
  async ({ page }) => {
    // Full for pictures only, while the page says so.
    await page.addInitScript(() => {
      const put = IDBObjectStore.prototype.put;
      IDBObjectStore.prototype.put = function (...args) {
        if (this.transaction.db.name.endsWith('-photos') && localStorage.getItem('test-full') === 'yes')
          throw new DOMException('no room left', 'QuotaExceededError');
        return put.apply(this, args);
      };
    });
    const full = (is: boolean) =>
      page.evaluate((yes) => localStorage.setItem('test-full', yes ? 'yes' : 'no'), is);
    await openDemo(page, { at: '/water/north-window/photos' });
    await fill(page, 'View', 'front');
    await take(page, '#246');
    await counted(page, 'One photo');
    await follow(page, '/files');
    const file = page.waitForEvent('download');
    await press(page, 'The same as a zip, with tables and photos');
    const zip = readFileSync(await (await file).path());
    await follow(page, '/water/north-window/photos');
    await full(true);
    await fill(page, 'View', 'side');
    await take(page, '#264');
    await expect(page.getByText(/^This browser has no room left for it/)).toBeVisible();
    await expect(page.getByRole('heading', { name: 'One photo' })).toBeVisible();
    await page.getByRole('checkbox', { name: /^front/ }).click();
    await press(page, 'Delete this photo');
    await saved(page);
    await follow(page, '/files');
    await page
      .getByLabel('File to import')
      .setInputFiles({ name: 'all.zip', mimeType: 'application/zip', buffer: zip });
    await press(page, 'Replace everything');
    await expect(page.getByText(/nothing was imported/i).first()).toBeVisible();
    await follow(page, '/water/north-window/photos');
    await expect(page.getByRole('heading', { name: 'No photo yet' })).toBeVisible();
    await full(false);
  },
);
