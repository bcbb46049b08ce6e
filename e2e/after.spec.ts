/** Proof run, crew in steps, inspection, a purchase for two tanks, the seafood reminder. */
import { expect, test } from '@playwright/test';
import { addTank, fill, openDemo, openEmpty, place, press, saved, watchErrors } from './app';

test('a passed proof says what it carries; a tank that is not there yet is told what comes first', async ({
  page,
}) => {
  const errors = watchErrors(page);
  await openDemo(page);
  await place(page, 'Cycle');
  await expect(page.getByText(/Passed: 2\.0 mg\/L gone after \d+ h/)).toBeVisible();
  await expect(page.getByText(/Two small fish on light feed are about 12 mg a day/)).toBeVisible();
  await page.goto('/water/pantry-cube/cycle');
  await expect(page.getByText('It comes when ammonia and nitrite have both read zero twice.')).toBeVisible();
  expect(errors).toEqual([]);
});

test('too little film for the grazers asks for seaweed, and Today keeps it', async ({ page }) => {
  await openDemo(page);
  await place(page, 'Cycle');
  await page.getByRole('link', { name: 'After the cycle: reset, film, crew' }).click();
  await expect(page.getByText(/Too little film for those that are there/)).toBeVisible();
  await press(page, 'Remind me of seaweed');
  await expect(page.getByText('Seaweed is planned and stands on Today.')).toBeVisible();
  await place(page, 'Today');
  await press(page, 'Done: Feed dried seaweed to the grazers');
  await expect(page.getByRole('button', { name: 'Done: Feed dried seaweed to the grazers' })).toHaveCount(0);
});

test('one purchase is split over two tanks, each animal looked at on arrival', async ({ page }) => {
  await openDemo(page, { at: '/water/north-window/stock/add?species=nassarius-snail' });
  await fill(page, 'How many', '10');
  await fill(page, 'Of these to Pantry Cube', '12');
  await expect(page.getByText('At least one must stay for this tank.')).toBeVisible();
  await fill(page, 'Of these to Pantry Cube', '4');
  await expect(page.getByText('6 stay for North Window.')).toBeVisible();
  await page.getByRole('button', { name: /^It is in the display/ }).click();
  // They passed no quarantine: a reason is asked, and stays with them.
  await expect(page.getByText(/^It comes from no quarantine of yours/).first()).toBeVisible();
  await fill(page, 'Why all the same', 'from a keeper next door');
  await page.getByRole('button', { name: /^It is in the display/ }).click();
  await expect(page.getByRole('heading', { level: 1 })).toContainText('6');
  await expect(page.getByText('from a keeper next door')).toBeVisible();
  await fill(page, 'Set aside, of 6', '1');
  await press(page, 'All looked at');
  await expect(page.getByText('5 sound, 1 set aside')).toBeVisible();
  await saved(page);
  await page.goto('/water/pantry-cube/stock');
  await expect(page.getByRole('link', { name: /4 .*[Nn]assarius/ }).first()).toBeVisible();
});

test('seafood put in brings its own reminder to take it out', async ({ page }) => {
  await openEmpty(page);
  await addTank(page);
  await place(page, 'Log');
  await page.getByRole('main').getByRole('link', { name: 'Food or seafood in' }).click();
  await page.getByRole('radio', { name: 'Raw seafood' }).click();
  await fill(page, 'Amount as given, g', '12');
  await press(page, 'Log it');
  await expect(page.getByText(/Planned: .*Take the seafood out/)).toBeVisible();
  await press(page, /Undo/);
  await expect(page.getByText(/Take the seafood out/)).toHaveCount(0);
});
