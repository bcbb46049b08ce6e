/** What is due over all waters, kept through a reload; tables and other devices' files taken in. */
import { readFileSync } from 'node:fs';
import { expect, test } from '@playwright/test';
import { EVENING, fill, follow, isStored, openDemo, place, press, saved, watchErrors } from './app';

test('switched off stands on top through a reload until it is on again; tasks are done, put off and left out', async ({
  page,
}) => {
  const errors = watchErrors(page);
  await openDemo(page, { at: '/agenda' });
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(/today$/);
  await press(page, 'I switch something off');
  await page.getByRole('checkbox', { name: 'heater' }).click();
  await press(page, 'It is off');
  await saved(page);
  await page.reload();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('One thing now');
  await press(page, 'New task');
  await fill(page, 'What', 'Rinse the sponge');
  await page.getByLabel('It comes').selectOption('after');
  await fill(page, 'So many', '3');
  await press(page, 'Keep the task');
  await expect(page.getByText('Rinse the sponge', { exact: true })).toBeVisible();
  await press(page, 'Done: Rinse the sponge');
  await saved(page);
  await press(page, 'Later: Service: Filter socks');
  await press(page, 'In three days: Service: Filter socks');
  await expect(page.getByText('Service: Filter socks', { exact: true })).toHaveCount(0);
  await press(page, 'On again: Switch on again: heater');
  await saved(page);
  await page.reload();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(/today$/);
  await expect(page.getByText('Rinse the sponge', { exact: true })).toBeVisible();
  const file = page.waitForEvent('download');
  await press(page, 'Calendar file');
  const text = readFileSync(await (await file).path(), 'utf8');
  expect(text).toContain('SUMMARY:North Window: Rinse the sponge');
  expect(text).toContain('END:VCALENDAR');
  expect(errors).toEqual([]);
});

test('an absence is said ahead, and the note for whoever looks after the tank is a page and a file', async ({
  page,
}) => {
  await openDemo(page, { at: '/water/north-window/carer' });
  await page.getByRole('link', { name: 'I will be away' }).click();
  await press(page, 'From another time?');
  const from = await page.evaluate(() => Date.now());
  const at = (n: number) => new Date(from + n * 86_400_000).toISOString().slice(0, 16);
  await page.getByLabel('From', { exact: true }).fill(at(10));
  await page.getByLabel('Until').fill(at(24));
  await press(page, 'Log it');
  await saved(page);
  await follow(page, '/water/north-window/carer');
  await fill(page, 'Whom to call, and how', 'the number on the fridge');
  await page.getByLabel('Who looks after it').focus();
  await expect(page.getByText(/^Call the number on the fridge\. Water on the floor/)).toBeVisible();
  await saved(page);
  const file = page.waitForEvent('download');
  await press(page, 'Note as a file');
  const html = readFileSync(await (await file).path(), 'utf8');
  expect(html).toContain('the number on the fridge');
  expect(html).not.toContain('<script');
  await follow(page, '/agenda');
  await expect(page.getByText(/^Before you leave/)).toBeVisible();
});

const TABLE = 'Datum;Alk;NO3\n03/04/2026;3;5,5\n04/04/2026;2,9;<2,5\n';
const table = { name: 'notebook.csv', mimeType: 'text/csv', buffer: Buffer.from(TABLE) };

test('a table is asked about, shown, taken in as one act, and read the same way next time; faults change nothing', async ({
  page,
}) => {
  const errors = watchErrors(page);
  await openDemo(page, { at: '/files' });
  await page.getByLabel('File to import').setInputFiles(table);
  await expect(page.getByText('Not clear yet')).toBeVisible();
  await page.getByRole('radio', { name: 'the day' }).click();
  await page.getByLabel('All of it was measured in').selectOption('north-window');
  await expect(page.getByRole('heading', { name: '4 readings in 2 sittings' })).toBeVisible();
  await press(page, 'Take them into the log');
  await saved(page);
  await follow(page, '/files');
  await page.getByLabel('File to import').setInputFiles(table);
  await expect(page.getByRole('heading', { name: 'Nothing new in it' })).toBeVisible();
  await page.getByLabel('File to import').setInputFiles({
    name: 'bad.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from('Datum;Alk;NO3\n03/04/2026;3;lots\n'),
  });
  await expect(page.getByText('line 2: "NO3": "lots" is no reading')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Take them into the log' })).toHaveCount(0);
  expect(errors).toEqual([]);
});

test('a device’s table is kept by the hour, drawn beside the tests by hand, and warns while it is fresh', async ({
  page,
}) => {
  const errors = watchErrors(page);
  // Every half hour of four days, up to the evening; at the end the water warms fast.
  const rows = Array.from({ length: 192 }, (_, i) => {
    const at = new Date(EVENING.getTime() - (191 - i) * 1_800_000).toISOString();
    return `${at},${i > 188 ? 27.4 : (25 + (i % 5) / 10).toFixed(1)}`;
  });
  const file = (lines: readonly string[]) => ({
    name: 'controller.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(`time,temperature C\n${lines.join('\n')}\n`),
  });
  await openDemo(page, { at: '/files' });
  await page.getByLabel('File to import').setInputFiles(file(rows));
  await page.getByLabel('All of it was measured in').selectOption('north-window');
  await expect(page.getByRole('heading', { name: '192 readings of a device on 5 days' })).toBeVisible();
  await expect(page.getByRole('radio', { name: 'a device’s, by the hour' })).toBeChecked();
  await press(page, 'Take them into the log');
  await saved(page);
  await page.reload();
  await place(page, 'Today');
  await expect(page.getByText(/^Temperature rose by 2\.4 °C within 6 hours/)).toBeVisible();
  await follow(page, '/monitor');
  await page.getByRole('link', { name: /^A device, from a table, North Window, until / }).click();
  await page.getByRole('link', { name: /^temperature/ }).click();
  const chart = page.getByRole('group', { name: /A device’s hours from/ });
  await expect(chart.locator('path')).not.toHaveCount(0);
  // Once more it changes nothing.
  await follow(page, '/files');
  await page.getByLabel('File to import').setInputFiles(file(rows.slice(20)));
  await page.getByLabel('All of it was measured in').selectOption('north-window');
  await expect(page.getByRole('heading', { name: 'Nothing new in it' })).toBeVisible();
  // Removed, and brought back.
  await follow(page, '/monitor');
  const gone = page.getByText('No longer connected');
  await press(page, 'Remove it and its hours');
  await expect(gone).toHaveCount(0);
  await saved(page);
  expect(await isStored(page, 'e/monitorDays/')).toBe(false);
  await press(page, 'Undo: Device removed');
  await expect(gone).toBeVisible();
  await saved(page);
  expect(await isStored(page, 'e/monitorDays/')).toBe(true);
  expect(errors).toEqual([]);
});

test(
  'the file of another device is taken together with what is here; its own file changes nothing',
  { tag: '@once' },
  async ({ page }) => {
    await openDemo(page, { at: '/files' });
    const file = page.waitForEvent('download');
    await press(page, 'The same as a zip, with tables and photos');
    const path = await (await file).path();
    await page
      .getByLabel('File to import')
      .setInputFiles({ name: 'other.zip', mimeType: 'application/zip', buffer: readFileSync(path) });
    await expect(page.getByText('Nothing: the file holds nothing that is not here.')).toBeVisible();
  },
);
