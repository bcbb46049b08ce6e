import { expect, test } from '@playwright/test';
import { addTank, fill, follow, openDemo, openEmpty, place, press, saved, watchErrors, word } from './app';

test('absurd readings get a sentence at the field and are not stored', async ({ page }) => {
  await openEmpty(page);
  await addTank(page);
  await place(page, 'Log');
  await fill(page, 'pH pen', '81');
  await fill(page, 'Pocket meter, ppt', '350');
  await fill(page, 'Thermometer, °C', '4000');
  await expect(page.getByText(/pH must be between 4 and 11, not 81/i).first()).toBeVisible();
  await expect(page.getByText(/Salinity must be between 2 and 42 ppt, not 350/)).toBeVisible();
  await expect(page.getByText(/Temperature must be between 0 and 45 °C, not 4000/)).toBeVisible();
  await press(page, 'Save');
  await expect(page.getByLabel('pH pen')).toHaveValue('81');
  await fill(page, 'pH pen', 'acid');
  await expect(page.getByText(/“acid” is not a number/).first()).toBeVisible();
  await fill(page, 'pH pen', '-8');
  await expect(page.getByText(/must be between 4 and 11, not -8/).first()).toBeVisible();
  await fill(page, 'pH pen', '8,1');
  await fill(page, 'Pocket meter, ppt', '35');
  await fill(page, 'Thermometer, °C', '25');
  await press(page, 'Taken earlier?');
  await page.getByLabel('Taken at').fill('2031-01-01T10:00');
  await press(page, 'Save');
  await expect(page.getByText(/lies in the future/).first()).toBeVisible();
  await page.getByLabel('Taken at').fill('2026-05-01T10:00');
  await press(page, 'Save 3 readings');
  await expect(page.getByText(/Judged by/)).toBeVisible();
});

test('a tank with an endless name is refused, an emoji name is kept', async ({ page }) => {
  await openEmpty(page);
  await press(page, 'Describe your tank');
  await page.getByLabel('Name', { exact: true }).evaluate(
    (input, text) => {
      // Pasted, not typed: two megabytes at once.
      const set = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')?.set;
      set?.call(input, text);
      input.dispatchEvent(new Event('input', { bubbles: true }));
    },
    'x'.repeat(2 * 1024 * 1024),
  );
  await press(page, 'How big is the glass?');
  await expect(page.getByText('The name is too long: 80 characters is the most.').first()).toBeVisible();
  await fill(page, 'Name', '🐠 Küche');
  await press(page, 'How big is the glass?');
  await press(page, 'Only the volume');
  await fill(page, 'Volume of water, L', '-20');
  await press(page, 'Where are you now?');
  await expect(page.getByText(/Volume must be above 0/).first()).toBeVisible();
  await fill(page, 'Volume of water, L', '60');
  await press(page, 'Enough for now: add it');
  await expect(word(page)).toHaveText('Test');
  await saved(page);
  await page.reload();
  await expect(page.getByRole('link', { name: /🐠 Küche/ })).toBeVisible();
});

test('files that are none of ours change nothing', { tag: '@once' }, async ({ page }) => {
  await openDemo(page, { at: '/files' });
  const choose = (text: string) =>
    page
      .getByLabel('File to import')
      .setInputFiles({ name: 'x.json', mimeType: 'application/json', buffer: Buffer.from(text) });
  await choose('this is no JSON');
  await expect(page.getByText('The file cannot be read')).toBeVisible();
  await choose('{"format":"zoarium","version":1,"tanks":[');
  await expect(page.getByText(/may be cut off/)).toBeVisible();
  await choose('{"format":"zoarium","version":99}');
  await expect(page.getByText('From a newer Zoarium')).toBeVisible();
  await choose('{"format":"zoarium","version":1,"tanks":[{"id":"t"}]}');
  await expect(page.getByText(/tanks\[0\]\.name/)).toBeVisible();
  await expect(page.getByText('Nothing was changed.')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Import it' })).toHaveCount(0);
  await follow(page, '/waters');
  await expect(page.getByRole('link', { name: /Pantry Cube/ }).last()).toBeVisible();
});

test(
  'a damaged entry in storage is set aside and reported; the rest opens',
  { tag: '@once' },
  async ({ page }) => {
    await openDemo(page);
    await page.evaluate(
      () =>
        new Promise<void>((done) => {
          const open = indexedDB.open('zoarium');
          open.onsuccess = () => {
            const tx = open.result.transaction('entries', 'readwrite');
            tx.objectStore('entries').put('{"half', 'e/samples/pantry-sample-3');
            tx.oncomplete = () => {
              open.result.close();
              done();
            };
          };
        }),
    );
    await page.goto('/files');
    await expect(page.getByText('1 stored entry set aside')).toBeVisible();
    await expect(page.getByText(/pantry-sample-3: is not readable as JSON/)).toBeVisible();
    await follow(page, '/water/pantry-cube');
    await expect(word(page)).toHaveText('Wait');
  },
);

test('a sample logged with the keyboard alone', async ({ page }) => {
  const errors = watchErrors(page);
  await openDemo(page, { at: '/water/pantry-cube' });
  await expect(word(page)).toHaveText('Wait');
  await expect(page.getByText(/Judged by/)).toBeVisible();
  await page.keyboard.press('l');
  await expect(page.getByRole('heading', { name: 'A sample', exact: true })).toBeVisible();
  const tabTo = async (name: string) => {
    for (let i = 0; i < 80; i++) {
      await page.keyboard.press('Tab');
      const label = await page.evaluate(
        () => document.activeElement?.getAttribute('aria-label') ?? document.activeElement?.textContent ?? '',
      );
      if (label === name) return;
    }
    throw new Error(`Tab never reached "${name}"`);
  };
  await tabTo('ammonia 0');
  await page.keyboard.press('Enter');
  await tabTo('nitrite 2');
  await page.keyboard.press('Space');
  await tabTo('Pocket meter, ppt');
  await page.keyboard.type('35,2');
  await tabTo('Save 3 readings');
  await page.keyboard.press('Enter');
  await expect(page.getByText('3 readings logged')).toBeVisible();
  expect(errors).toEqual([]);
});

test('units change everywhere and nothing stored moves', async ({ page }) => {
  await openDemo(page, { at: '/settings' });
  await page.getByRole('radio', { name: '°F' }).click();
  await page.getByRole('radio', { name: 'US gallons' }).click();
  await page.getByRole('radio', { name: 'SG 25/25' }).click();
  await page.getByRole('radio', { name: 'in', exact: true }).click();
  await saved(page);
  await follow(page, '/water/north-window');
  await expect(page.getByText(/1\.02\d\d SG 25\/25, 7\d\.\d °F/).first()).toBeVisible();
  await follow(page, '/water/north-window/edit');
  await expect(page.getByLabel('Length inside, in')).toHaveValue('39.37');
});

test('changing the school is logged and can be taken back', { tag: '@once' }, async ({ page }) => {
  await openDemo(page, { at: '/water/pantry-cube/school' });
  await page.getByRole('radio', { name: /^Patient/ }).click();
  await expect(page.getByRole('radio', { name: /^Patient/ })).toHaveAttribute('aria-checked', 'true');
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect(page.getByRole('radio', { name: /^24-hour proof/ })).toHaveAttribute('aria-checked', 'true');
});
