/** What goes to paper: all of it within the sheet, dark on white, whatever the screen looked like. */
import { expect, test } from '@playwright/test';
import { openDemo, widerThanTheScreen } from './app';

/** An A4 sheet, px. */
const SHEET = 794;
const ON_SCREEN = 'rgb(239, 233, 219)';
const ON_PAPER = 'rgb(21, 35, 30)';

for (const [path, heading] of [
  ['stock/plan', /^2 of 4 in by /],
  ['report', /^North Window, /],
] as const)
  test(`${path} on paper, printed from a dark screen`, async ({ page }) => {
    await page.emulateMedia({ colorScheme: 'dark' });
    await openDemo(page, { at: `/water/north-window/${path}` });
    const title = page.getByRole('heading', { level: 1, name: heading });
    await expect(title).toHaveCSS('color', ON_SCREEN);
    await page.evaluate(() => window.dispatchEvent(new Event('beforeprint')));
    await page.emulateMedia({ colorScheme: 'dark', media: 'print' });
    // The page is laid out anew on the sheet, and what it reckons from the window stays.
    await page.evaluate((px) => (document.body.style.width = `${px}px`), SHEET);
    expect(await page.evaluate(widerThanTheScreen, SHEET)).toEqual([]);
    await expect(title).toHaveCSS('color', ON_PAPER);
    // White, also where backgrounds are printed.
    await expect(page.locator('body')).toHaveCSS('background-color', 'rgb(255, 255, 255)');
    await expect(page.getByText('North Window').filter({ visible: true }).first()).toBeVisible();
    for (const gone of ['Demo', 'Places']) await expect(page.getByLabel(gone, { exact: true })).toBeHidden();
    await expect(page.getByText('What it reckons with')).toHaveCount(0);
    if (path === 'stock/plan') {
      // From a phone, too, the drawing takes the width of the sheet, and tells nobody to move a dot of ink.
      const drawing = await page
        .getByRole('img', { name: /^The plan over time/ })
        .locator('svg')
        .boundingBox();
      expect(drawing!.width).toBeGreaterThanOrEqual(600);
      await expect(page.getByText(/move its dot/)).toHaveCount(0);
    }
    if (path === 'report') {
      // One column at any width: in a second the letters of the drawings would shrink.
      const drawing = await page.locator('svg[role=img]').first().boundingBox();
      expect(drawing!.width).toBeGreaterThanOrEqual(600);
    }
    await page.evaluate(() => window.dispatchEvent(new Event('afterprint')));
    await expect(title).toHaveCSS('color', ON_SCREEN);
  });
