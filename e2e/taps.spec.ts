/** How many taps the main ways take, counted from Today. */
import { expect, test, type Locator, type Page } from '@playwright/test';
import { follow, openDemo, word } from './app';

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
  await openDemo(page, { at: '/water/pantry-cube' });
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
  await openDemo(page, { at: '/water/north-window' });
  const by = finger(page);
  await by.tap(page.getByRole('button', { name: /Look$/ }));
  await by.tap(page.getByRole('button', { name: /^All clear today/ }).first());
  await expect(page.getByText('Look logged: all clear')).toBeVisible();
  expect(by.taps()).toBeLessThanOrEqual(2);
});

test('a purchase of four kinds: ten taps at most, each into its water, in one act', async ({ page }) => {
  await openDemo(page, { at: '/water/north-window' });
  const by = finger(page);
  await by.place('Stock');
  await by.tap(page.getByRole('button', { name: 'Something came home' }));
  for (const kind of ['Yellow watchman goby', 'Royal gramma', 'Blue-green chromis', 'Fire dartfish'])
    await by.tap(page.getByRole('button', { name: `One ${kind}`, exact: true }));
  // Those who are in the quarantine already are not forgotten: it is said before, not after.
  await expect(page.getByText(/^Somebody is in Spare tank already/)).toBeVisible();
  await by.tap(page.getByRole('button', { name: 'Note the purchase' }));
  await expect(page.getByText(/^Came home/)).toBeVisible();
  expect(by.taps()).toBeLessThanOrEqual(10);
  await expect(page.getByRole('heading', { name: 'Royal gramma' })).toBeVisible();
  await page.reload();
  await expect(page.getByText('✓ Bought')).toHaveCount(4);
  // It stays readable, from the stock.
  await follow(page, '/water/north-window/stock');
  await page.getByRole('link', { name: /Royal gramma, Blue-green chromis/ }).click();
  await expect(page.getByText(/^Came home/)).toBeVisible();
});

test('a correction of the last reading: four taps at most', async ({ page }) => {
  await openDemo(page, { at: '/water/pantry-cube' });
  const by = finger(page);
  await by.place('Log');
  await by.tap(page.getByRole('link', { name: /^Sample.*\d\d:\d\d/ }).first());
  await expect(word(page)).toHaveText('Correct a sample');
  await by.tap(page.getByRole('button', { name: 'ammonia 0.2', exact: true }));
  await by.tap(page.getByRole('button', { name: 'Save the correction' }));
  await expect(page.getByText('Sample corrected')).toBeVisible();
  expect(by.taps()).toBeLessThanOrEqual(4);
});

test('a new water: twelve taps at most, the units chosen first, a name and a volume', async ({ page }) => {
  await openDemo(page, { at: '/water/north-window' });
  const by = finger(page);
  await by.tap(page.getByRole('link', { name: /switch water/ }));
  await by.tap(page.getByRole('button', { name: 'New display' }));
  await by.tap(page.getByRole('radio', { name: 'in · gal · °F' }));
  await by.tap(page.getByRole('textbox', { name: 'Name' }));
  await page.keyboard.type('Hall tank');
  await by.tap(page.getByRole('button', { name: 'How big is the glass?' }));
  await by.tap(page.getByRole('button', { name: 'Only the volume' }));
  await by.tap(page.getByRole('textbox', { name: 'Volume of water, gal' }));
  await page.keyboard.type('50');
  await by.tap(page.getByRole('button', { name: 'Enough for now: add it' }));
  await expect(page.getByText('Hall tank added')).toBeVisible();
  await expect(word(page)).toHaveText('Test');
  expect(by.taps()).toBeLessThanOrEqual(12);
});
