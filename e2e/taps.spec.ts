/** How many taps the main ways take, counted from Today. */
import { expect, test, type Locator, type Page } from '@playwright/test';
import { openDemo, word } from './app';

/** Counts what a finger does: a press on something, not the letters typed. */
function finger(page: Page) {
  let taps = 0;
  return {
    tap: async (target: Locator) => {
      taps++;
      await target.click();
    },
    place: async function (name: string) {
      await this.tap(
        page.getByRole('navigation', { name: 'Places' }).getByRole('link', { name, exact: true }),
      );
    },
    taps: () => taps,
  };
}

test('three due tests of one sitting: seven taps at most', async ({ page }) => {
  await openDemo(page);
  await page.goto('/water/pantry-cube');
  const by = finger(page);
  await by.place('Log');
  await by.tap(page.getByRole('button', { name: 'ammonia 0', exact: true }));
  await by.tap(page.getByRole('button', { name: 'nitrite 5+', exact: true }));
  await by.tap(page.getByRole('button', { name: 'nitrate 20', exact: true }));
  await by.tap(page.getByRole('button', { name: 'Save 3 readings' }));
  await expect(page.getByText('3 readings logged')).toBeVisible();
  expect(by.taps()).toBeLessThanOrEqual(7);
});

test('a quarantine look: two taps at most', async ({ page }) => {
  await openDemo(page);
  await page.goto('/water/north-window');
  const by = finger(page);
  await by.tap(page.getByRole('button', { name: /Look$/ }));
  await by.tap(page.getByRole('button', { name: /^All clear today/ }).first());
  await expect(page.getByText('Look logged: all clear')).toBeVisible();
  expect(by.taps()).toBeLessThanOrEqual(2);
});

test('a correction of the last reading: four taps at most', async ({ page }) => {
  await openDemo(page);
  await page.goto('/water/pantry-cube');
  const by = finger(page);
  await by.place('Log');
  await by.tap(page.getByRole('link', { name: /^Sample.*\d\d:\d\d/ }).first());
  await expect(word(page)).toHaveText('Correct a sample');
  await by.tap(page.getByRole('button', { name: 'ammonia 0.25', exact: true }));
  await by.tap(page.getByRole('button', { name: 'Save the correction' }));
  await expect(page.getByText('Sample corrected')).toBeVisible();
  expect(by.taps()).toBeLessThanOrEqual(4);
});
