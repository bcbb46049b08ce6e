/** Practice: a tank with a clock of its own, real screens, its own database; one's own data untouched by it. */
import { readFileSync } from 'node:fs';
import { expect, test } from '@playwright/test';
import { openDemo, press, watchErrors } from './app';

test('a week of the dead bottle is lived, looked back on, and left; one’s own tanks are as they were', async ({
  page,
}) => {
  const errors = watchErrors(page);
  await openDemo(page);
  await page.clock.resume();
  await page.goto('/practice');
  await page.getByRole('radio', { name: 'The dead bottle' }).click();
  await press(page, 'Begin');
  await expect(page.getByRole('heading', { name: 'The dead bottle' })).toBeVisible();
  await expect(page.getByText(/^Day 1 of 120, .*07:00$/)).toBeVisible();
  await press(page, 'To the next evening');
  await expect(page.getByText(/^Day 1 of 120, .*19:00$/)).toBeVisible();
  await press(page, 'Test');
  await press(page, 'Log what they show');
  // The real screens work at the tank's own hour.
  await page.goto('/water/practice/log/event?kind=ammoniaDose');
  await page.getByLabel('Rise it should make, mg/L NH₄').fill('2');
  await press(page, 'Log it');
  await expect(page).toHaveURL(/\/water\/practice$/);
  await page.goto('/practice');
  for (let i = 0; i < 4; i++) {
    await press(page, 'To the next evening');
    // On some evenings nothing is due: a kit is taken all the same.
    if (await page.getByRole('button', { name: 'Test', exact: true }).isDisabled())
      await page.getByRole('checkbox', { name: 'ammonia' }).click();
    await press(page, 'Test');
    await press(page, 'Log what they show');
  }
  await page.reload();
  await expect(page.getByText(/^Day 5 of 120, .*19:\d\d$/)).toBeVisible();
  await page.goto('/water/practice/log/history');
  await expect(page.getByRole('list', { name: 'Entries, newest first' })).toContainText(/ammonia 2 mg\/L/);
  await page.goto('/practice');
  await press(page, 'End it and look back');
  await expect(page.getByText('nobody', { exact: true })).toBeVisible();
  await expect(page.getByText(/^Day 1: Ammonia dosed, .* mg N\/L$/)).toBeVisible();
  await expect(page.getByText(/proof/).first()).toBeVisible();
  await expect(page.getByText(/^5 of 190: tests 5, water 0/)).toBeVisible();
  const file = page.waitForEvent('download');
  await press(page, 'Keep this run as a file');
  const run = JSON.parse(readFileSync(await (await file).path(), 'utf8')) as {
    seed: number;
    scenario: { id: string };
    document: { samples: unknown[] };
  };
  expect([run.seed, run.scenario.id, run.document.samples.length]).toEqual([1, 'dead-bottle', 5]);
  await press(page, 'Leave practice');
  await expect(page).toHaveURL(/\/(water.*)?$/);
  await page.goto('/waters');
  await expect(page.getByText('North Window').first()).toBeVisible();
  await expect(page.getByText(/^Practice: The dead bottle/)).toHaveCount(0);
  expect(errors).toEqual([]);
});

test('a tank by dials and one from a file are begun; what is no scenario is said, and nothing is begun', async ({
  page,
}) => {
  await openDemo(page);
  await page.clock.resume();
  await page.goto('/practice');
  const file = page.getByLabel('Scenario file', { exact: true });
  await file.setInputFiles({
    name: 'no.json',
    mimeType: 'application/json',
    buffer: Buffer.from('{"id": 3}'),
  });
  await expect(page.getByText(/^That is no scenario: .*Nothing was begun\.$/)).toBeVisible();
  await page.getByLabel('Water, as believed, L').fill('5');
  await press(page, 'Begin by dials');
  await expect(page.getByText(/^That is no scenario: start\.litres: /)).toBeVisible();
  await page.getByLabel('Water, as believed, L').fill('90');
  await page.getByRole('radio', { name: 'dead', exact: true }).click();
  await press(page, 'Begin by dials');
  await expect(page.getByRole('heading', { name: 'By dials' })).toBeVisible();
  await expect(page.getByText('day 0 · 90 L')).toBeVisible();
  await press(page, 'Leave practice');
});
