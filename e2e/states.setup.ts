/** States that other tests open at, made once by hand of the app itself. */
import { expect, test as setup } from '@playwright/test';
import { DEMO_STATE, openEmpty, press, saved } from './app';

setup('the two demo tanks', async ({ page, context }) => {
  await openEmpty(page);
  await press(page, 'Look around with two demo tanks');
  await expect(page.getByText(/Judged by/)).toBeVisible();
  await saved(page);
  await context.storageState({ path: DEMO_STATE, indexedDB: true });
});
