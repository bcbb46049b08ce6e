import { expect, test } from '@playwright/test';
import { addTank, EVENING, fill, openEmpty, place, press, saved, switchTo, watchErrors, word } from './app';

test('the demo has a place of its own: entered, changed and left, it never touches one’s own tank', async ({
  page,
}) => {
  const errors = watchErrors(page);
  await openEmpty(page);
  await addTank(page, 'My own reef');
  await saved(page);
  await page.getByRole('link', { name: /switch water/ }).click();
  await press(page, 'Look around in a demo');
  await expect(page.getByText('The demo: made-up tanks. Your own data is not touched.')).toBeVisible();
  await expect(word(page)).toHaveText('Steady');
  await expect(page.getByText('My own reef')).toHaveCount(0);
  await press(page, 'Edit tank');
  await fill(page, 'Name', 'Changed in the demo');
  await press(page, 'Keep the changes');
  await expect(page.getByText('Changed in the demo changed')).toBeVisible();
  // A reload stays in the demo.
  await page.reload();
  await expect(page.getByRole('link', { name: /^Changed in the demo/ })).toBeVisible();
  await press(page, 'Leave the demo');
  await expect(page.getByRole('link', { name: /^My own reef/ })).toBeVisible();
  await expect(page.getByRole('note')).toHaveCount(0);
  // Entered again it is as it was made.
  await page.getByRole('link', { name: /switch water/ }).click();
  await press(page, 'Look around in a demo');
  await expect(page.getByRole('link', { name: /^North Window/ })).toBeVisible();
  expect(errors).toEqual([]);
});

/** What the browser would say by now, kept back. */
interface Held {
  held: (() => void)[];
}

test(
  'a storage that answers late: nothing is told before, everything after',
  { tag: '@once' },
  async ({ page }) => {
    const errors = watchErrors(page);
    await page.clock.install({ time: EVENING });
    await page.addInitScript(() => {
      const held: (() => void)[] = [];
      const listen = EventTarget.prototype.addEventListener;
      IDBOpenDBRequest.prototype.addEventListener = function (type: string, said: EventListener) {
        listen.call(this, type, type === 'success' ? (event) => held.push(() => said(event)) : said);
      };
      Object.assign(window, { held });
    });
    await page.goto('/');
    await page.waitForFunction(
      () => (window as unknown as Held).held.length > 0 && document.querySelector('#root > *') !== null,
    );
    await expect(page.getByRole('main')).toHaveCount(0);
    await page.evaluate(() => (window as unknown as Held).held.forEach((answer) => answer()));
    await expect(page.getByRole('heading', { name: 'Begin' })).toBeVisible();
    expect(errors).toEqual([]);
  },
);

test('a stocked tank is judged as one from its first evening', async ({ page }) => {
  await openEmpty(page);
  await press(page, 'Describe your tank');
  await fill(page, 'Name', 'Den');
  await press(page, 'How big is the glass?');
  await press(page, 'Only the volume');
  await fill(page, 'Volume of water, L', '200');
  await press(page, 'Where are you now?');
  await page.getByRole('radio', { name: /^Animals are in/ }).click();
  await press(page, 'What came before?');
  await fill(page, 'First filled on', '1 Sep 2025');
  await fill(page, 'Find an animal', 'ocellaris');
  await press(page, 'Ocellaris clownfish');
  await fill(page, 'Came on', '10 Oct 2025');
  await press(page, 'How do you go on?');
  await press(page, 'Add, then log tests');
  for (const name of ['ammonia 0', 'nitrite 0', 'nitrate 10']) await press(page, name);
  await fill(page, 'Thermometer, °C', '25');
  await fill(page, 'Pocket meter, ppt', '35');
  await press(page, 'Save 5 readings');
  await expect(page.getByText('5 readings logged')).toBeVisible();
  await expect(page.getByText(/as told on 1 May, before the log/).first()).toBeVisible();
  await expect(page.getByText(/Nothing for the bacteria to eat|must rise first/)).toHaveCount(0);
  await place(page, 'Stock');
  await expect(page.getByRole('link', { name: /^Ocellaris clownfish/ })).toBeVisible();
});

test('a second water needs no second install: a display and what serves it, side by side', async ({
  page,
}) => {
  await openEmpty(page);
  await addTank(page);
  await page.getByRole('link', { name: /switch water/ }).click();
  await press(page, 'Mixing container');
  await fill(page, 'Volume of water, L', '60');
  await press(page, 'Set it up');
  await expect(page.getByText('No reading of salinity yet. Test salinity.')).toBeVisible();
  await switchTo(page, 'Shelf Reef');
  await expect(page.getByText(/Judged by/)).toBeVisible();
});

test.describe('where the month is written first', () => {
  test.use({ locale: 'en-US' });
  test('units and dates are guessed from the language', { tag: '@once' }, async ({ page }) => {
    await openEmpty(page);
    await press(page, 'Describe your tank');
    await expect(page.getByRole('radio', { name: 'in · gal · °F' })).toBeChecked();
    await fill(page, 'Name', 'Porch');
    await press(page, 'How big is the glass?');
    await press(page, 'Only the volume');
    await fill(page, 'Volume of water, gal', '40');
    await press(page, 'Where are you now?');
    await page.getByRole('radio', { name: /^Filling/ }).click();
    await press(page, 'What came before?');
    const filled = page.getByLabel('First filled on');
    await filled.fill('4/3/2026');
    await filled.blur();
    await expect(filled).toHaveValue('Apr 3, 2026');
    await filled.fill('soon');
    await filled.blur();
    await expect(page.getByText('That is no day. Write it as in May 5, 2026.')).toBeVisible();
  });
});
