/** States that other tests open at, made once by hand of the app itself. */
import { expect, test as setup } from '@playwright/test';
import { writeDocument } from '../core/document/checks';
import { makeDemo } from '../demo';
import { DEMO_STATE, EVENING, isStored, NO_DATES_STATE, openEmpty, press, saved } from './app';

/** The day where the tests' browser is. */
const zurichDay = (ms: number): string =>
  new Intl.DateTimeFormat('sv-SE', { timeZone: 'Europe/Zurich' }).format(ms);

setup('the demo tanks as one’s own', async ({ page, context }) => {
  await openEmpty(page);
  await press(page, 'Open a file');
  const file = writeDocument(makeDemo(EVENING.getTime(), zurichDay));
  await page
    .getByLabel('File to import')
    .setInputFiles({ name: 'demo.json', mimeType: 'application/json', buffer: Buffer.from(file) });
  await press(page, 'Import it');
  await expect(page.getByRole('link', { name: /^North Window/ }).first()).toBeVisible();
  await saved(page);
  await context.storageState({ path: NO_DATES_STATE, indexedDB: true });
  // What Today and an addition ask the forecast, once for all tests; the North Window last, where the tests begin.
  await page.goto('/water/pantry-cube/cycle/forecast');
  await expect(page.getByText(/^Half the water changed now/)).toBeVisible({ timeout: 60_000 });
  await expect.poll(() => isStored(page, 'e/forecasts/')).toBe(true);
  await page.goto('/water/pantry-cube');
  await expect(page.getByRole('link', { name: /^Both clear .*likely \d+ \w+/ })).toBeVisible({
    timeout: 60_000,
  });
  await page.goto('/water/north-window/stock/add?species=green-chromis');
  await page.getByRole('textbox', { name: 'How many' }).fill('60');
  await expect(page.getByText('The same, by the forecast')).toBeVisible({ timeout: 60_000 });
  await saved(page);
  await context.storageState({ path: DEMO_STATE, indexedDB: true });
});
