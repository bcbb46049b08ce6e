/** Practice: a tank with a clock of its own, real screens, its own database; one's own data untouched by it. */
import { readFileSync } from 'node:fs';
import { expect, test, type Page } from '@playwright/test';
import { fill, follow, openDemo, press, watchErrors } from './app';

/** What is due is read and logged; what comes next is asked of the log with it. */
async function testInPractice(page: Page): Promise<void> {
  await press(page, 'Test');
  await press(page, 'Log what they show');
  await expect(page.getByRole('button', { name: 'Log what they show' })).toHaveCount(0);
}

/** The real screen for it, and back to the clock. */
async function doseInPractice(page: Page): Promise<void> {
  await follow(page, '/water/practice/log/event?kind=ammoniaDose');
  await page.getByLabel('Rise it should make, mg/L NH₄').fill('2');
  await press(page, 'Log it');
  await expect(page).toHaveURL(/\/water\/practice$/);
  await follow(page, '/practice');
}

/** Stored once the kits stand ready again. */
async function logWhatTheyShow(page: Page): Promise<void> {
  await press(page, 'Log what they show');
  await expect(page.getByRole('button', { name: 'Test', exact: true })).toBeVisible();
}

test('a week of the dead bottle is lived, looked back on, and left; one’s own tanks are as they were', async ({
  page,
}) => {
  const errors = watchErrors(page);
  await openDemo(page, { at: '/practice' });
  await page.clock.resume();
  await page.getByRole('radio', { name: 'The dead bottle' }).click();
  await press(page, 'Begin');
  await expect(page.getByRole('heading', { name: 'The dead bottle' })).toBeVisible();
  await expect(page.getByText(/^Day 1 of 120, .*07:00$/)).toBeVisible();
  await press(page, 'To the next evening');
  await expect(page.getByText(/^Day 1 of 120, .*19:00$/)).toBeVisible();
  await press(page, 'Test');
  await logWhatTheyShow(page);
  // The real screens work at the tank's own hour.
  await doseInPractice(page);
  for (let i = 0; i < 4; i++) {
    await press(page, 'To the next evening');
    // On some evenings nothing is due: a kit is taken all the same.
    if (await page.getByRole('button', { name: 'Test', exact: true }).isDisabled())
      await page.getByRole('checkbox', { name: 'ammonia' }).click();
    await press(page, 'Test');
    await logWhatTheyShow(page);
  }
  await page.reload();
  await expect(page.getByText(/^Day 5 of 120, .*19:\d\d$/)).toBeVisible();
  await page.goto('/water/practice/log/history');
  await expect(page.getByRole('list', { name: 'Entries, newest first' })).toContainText(/ammonia 2 mg\/L/);
  await follow(page, '/practice');
  await press(page, 'End it and look back');
  await expect(page.getByText('nobody', { exact: true })).toBeVisible();
  await expect(page.getByText(/^Day 1: Ammonia dosed, .* mg\/L NH₄$/)).toBeVisible();
  await expect(page.getByText(/proof/).first()).toBeVisible();
  await expect(page.getByText(/^5 of 190: tests 5, water 0/)).toBeVisible();
  await expect(
    page.getByText(/^It would have put in a bottle on day 1, dosed 2 mg\/L NH₄ on days 1/),
  ).toBeVisible();
  const file = page.waitForEvent('download');
  await press(page, 'Keep this run as a file');
  const kept = await (await file).path();
  const run = JSON.parse(readFileSync(kept, 'utf8')) as {
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
  // The file goes on where it stood.
  await follow(page, '/practice');
  await page.getByLabel('Scenario or run file', { exact: true }).setInputFiles(kept);
  await expect(page.getByText(/^Day 5 of 120, .*19:\d\d$/)).toBeVisible();
  await press(page, 'End it and look back');
  await expect(page.getByText(/^5 of 190: tests 5, water 0/)).toBeVisible();
  await press(page, 'Leave practice');
  expect(errors).toEqual([]);
});

test('the clock goes to what is due, runs at the speed that is chosen, and stops', async ({ page }) => {
  await openDemo(page, { at: '/practice' });
  await page.clock.resume();
  await press(page, 'Begin');
  await expect(page.getByText(/^Day 1 of 120, .*07:00$/)).toBeVisible();
  await press(page, 'To the next event');
  await expect(page.getByText(/^Day 1 of 120, .*19:00$/)).toBeVisible();
  await expect(page.getByText(/^Nothing was to be seen\. Due: Test .*\.$/)).toBeVisible();
  await testInPractice(page);
  await doseInPractice(page);
  for (let i = 0; i < 2; i++) {
    await press(page, 'To the next event');
    await testInPractice(page);
  }
  await press(page, 'To the next event');
  await expect(
    page.getByRole('img', { name: /^Ammonia and nitrite as they were read, and the moment/ }),
  ).toBeVisible();
  const day = async (): Promise<number> =>
    Number(/^Day (\d+)/.exec(await page.getByText(/^Day \d+ of 120/).innerText())?.[1]);
  const before = await day();
  await press(page, 'Let it run');
  await page.getByRole('radio', { name: '10 s', exact: true }).click();
  await expect.poll(day).toBeGreaterThan(before);
  await press(page, 'Stop');
  await expect(page.getByRole('button', { name: 'Let it run' })).toBeVisible();
  await expect(page.getByText(/^Nothing was to be seen\.$/)).toBeVisible();
});

test('on a Saturday the shop leads to the animals', async ({ page }) => {
  await openDemo(page, { at: '/practice' });
  await page.clock.resume();
  await press(page, 'Begin');
  const shop = page.getByRole('link', { name: /^Let an animal in/ });
  for (let i = 0; i < 7 && !(await shop.isVisible()); i++) await press(page, 'To the next evening');
  await shop.click();
  await fill(page, 'Search', 'ocellaris');
  await page.getByRole('link', { name: /Ocellaris clownfish/ }).click();
  await expect(page.getByRole('button', { name: 'Wish for it' })).toBeVisible();
});

test('a tank by dials and one from a file are begun; what is no scenario is said, and nothing is begun', async ({
  page,
}) => {
  await openDemo(page, { at: '/practice' });
  await page.clock.resume();
  const file = page.getByLabel('Scenario or run file', { exact: true });
  await file.setInputFiles({
    name: 'no.json',
    mimeType: 'application/json',
    buffer: Buffer.from('{"id": 3}'),
  });
  await expect(page.getByText(/^That is no scenario: .*Nothing was begun\.$/)).toBeVisible();
  await file.setInputFiles({
    name: 'no-run.json',
    mimeType: 'application/json',
    buffer: Buffer.from('{"format": "zoarium-practice-run", "version": 1, "seed": -1}'),
  });
  await expect(page.getByText(/^That is no run: .*Nothing was begun\.$/)).toBeVisible();
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
