/** States that other tests open at, made once by hand of the app itself. */
import { expect, test as setup } from '@playwright/test';
import { writeDocument } from '../core/document/checks';
import { makeDemo } from '../demo';
import { DEMO_STATE, EVENING, openEmpty, press, saved } from './app';

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
  await context.storageState({ path: DEMO_STATE, indexedDB: true });
});
