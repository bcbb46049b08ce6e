/** Pictures: taken in scaled, kept through a reload, laid over each other, and there again from the zip. */
import { readFileSync } from 'node:fs';
import { expect, test, type Page } from '@playwright/test';
import { fill, openDemo, press, saved, watchErrors } from './app';

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

const take = async (page: Page, colour: string) => {
  await page
    .getByLabel('File of a photo')
    .setInputFiles({ name: 'coral.png', mimeType: 'image/png', buffer: await drawn(page, colour) });
  await saved(page);
};

test('two of one view are laid over each other; they hold through a reload and come back out of the zip', async ({
  page,
}) => {
  const errors = watchErrors(page);
  await openDemo(page);
  await page.goto('/water/north-window/photos');
  await expect(page.getByRole('heading', { name: 'No photo yet' })).toBeVisible();
  await fill(page, 'View', 'front');
  await fill(page, 'How the light is set', '30 %');
  await take(page, '#246');
  await expect(page.getByRole('heading', { name: 'One photo' })).toBeVisible();
  await take(page, '#264');
  await expect(page.getByRole('heading', { name: '2 photos' })).toBeVisible();
  await page.reload();
  const small = page.getByRole('checkbox', { name: /^front, / });
  await expect(small).toHaveCount(2);
  const image = page.getByRole('img', { name: /^front, / }).first();
  await expect.poll(() => image.evaluate((e: HTMLImageElement) => e.naturalWidth)).toBe(320);
  await small.first().click();
  await small.last().click();
  await expect(page.getByRole('slider', { name: 'Left the older, right the newer' })).toBeVisible();
  await page.goto('/files');
  const file = page.waitForEvent('download');
  await press(page, 'The same as a zip, with tables and photos');
  const zip = readFileSync(await (await file).path());
  await page.goto('/water/north-window/photos');
  await page
    .getByRole('checkbox', { name: /^front, / })
    .first()
    .click();
  await press(page, 'Delete this photo');
  await saved(page);
  await expect(page.getByRole('heading', { name: 'One photo' })).toBeVisible();
  await page.goto('/files');
  await page
    .getByLabel('File to import')
    .setInputFiles({ name: 'all.zip', mimeType: 'application/zip', buffer: zip });
  await press(page, 'Replace everything');
  // Called done only when the pictures are stored, too.
  await expect(page).toHaveURL(/\/waters$/);
  await saved(page);
  await page.goto('/water/north-window/photos');
  await expect(page.getByRole('heading', { name: '2 photos' })).toBeVisible();
  expect(errors).toEqual([]);
});

test('what is no picture is said, and nothing is kept', { tag: '@once' }, async ({ page }) => {
  await openDemo(page);
  await page.goto('/water/north-window/photos');
  await page
    .getByLabel('File of a photo')
    .setInputFiles({ name: 'no.png', mimeType: 'image/png', buffer: Buffer.from('hello') });
  await expect(page.getByText(/^That is no picture this browser can read/)).toBeVisible();
  await expect(page.getByRole('heading', { name: 'No photo yet' })).toBeVisible();
});
