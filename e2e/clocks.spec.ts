/** Clocks: zones far from ours, the hour that never comes and the one that comes twice, a clock set back, 29 February. */
import { readFileSync } from 'node:fs';
import { expect, test, type Page } from '@playwright/test';
import { fill, follow, goFilled, press, saved, watchErrors, word } from './app';

const open = (page: Page, at: string, path: string) => goFilled(page, path, new Date(at));
const newest = (page: Page) =>
  page.getByRole('list', { name: 'Entries, newest first' }).getByRole('listitem').first();

/** A top-off at a local time, and how the history shows it. */
async function logged(page: Page, local: string): Promise<string> {
  await page.goto('/water/north-window/log/event?kind=topOff');
  await fill(page, 'Amount, L', '2');
  await press(page, 'Done earlier?');
  await page.getByLabel('Done at', { exact: true }).fill(local);
  await press(page, 'Log it');
  await saved(page);
  await page.goto('/water/north-window/log/history');
  await expect(newest(page)).toContainText('Top-off');
  return newest(page).innerText();
}

test.describe('where it is tomorrow already', () => {
  test.use({ timezoneId: 'Pacific/Kiritimati' });
  test('an entry keeps the person’s own day and hour', { tag: '@once' }, async ({ page }) => {
    // 18:00 UTC is 08:00 of the next day there.
    await open(page, '2026-05-01T18:00:00.000Z', '/water/north-window/log/history');
    expect(await logged(page, '2026-05-02T07:45')).toContain('Sat 2 May, 07:45');
    await page.reload();
    await expect(newest(page)).toContainText('Sat 2 May, 07:45');
  });
});

test.describe('half an hour off', () => {
  test.use({ timezoneId: 'America/St_Johns' });
  test('an entry keeps the person’s own day and hour', { tag: '@once' }, async ({ page }) => {
    await open(page, '2026-05-02T01:00:00.000Z', '/water/north-window/log/history');
    expect(await logged(page, '2026-05-01T22:15')).toContain('Fri 1 May, 22:15');
  });
});

test.describe('when summer time begins and ends', () => {
  test.use({ timezoneId: 'Europe/Zurich' });
  test(
    'the hour that never comes is taken for the next one, and read back so',
    { tag: '@once' },
    async ({ page }) => {
      await open(page, '2027-03-28T10:00:00.000Z', '/water/north-window/log/history');
      expect(await logged(page, '2027-03-28T02:30')).toContain('Sun 28 Mar, 03:30');
    },
  );
  test(
    'of the hour that comes twice an entry of the second stays where it was when it is corrected',
    { tag: '@once' },
    async ({ page }) => {
      // 01:40 UTC is the second 02:40 of that night.
      await open(page, '2026-10-25T01:40:00.000Z', '/water/north-window/log/event?kind=topOff');
      await fill(page, 'Amount, L', '2');
      await press(page, 'Log it');
      await saved(page);
      await follow(page, '/water/north-window/log/history');
      await expect(newest(page)).toContainText('Sun 25 Oct, 02:40');
      await newest(page).getByRole('link').click();
      await fill(page, 'Amount, L', '3');
      await press(page, 'Save the correction');
      await saved(page);
      await follow(page, '/files');
      const file = page.waitForEvent('download');
      await press(page, 'Export everything');
      const { events } = JSON.parse(readFileSync(await (await file).path(), 'utf8')) as {
        events: { kind: string; at: string }[];
      };
      const at = events
        .filter((e) => e.kind === 'topOff')
        .map((e) => e.at)
        .sort()
        .at(-1);
      expect(at).toMatch(/^2026-10-25T01:40:/);
    },
  );
});

test.describe('a clock set back', () => {
  test(
    'what was logged while it went ahead is kept, said on Today, and judged when its time comes',
    { tag: '@once' },
    async ({ page }) => {
      const errors = watchErrors(page);
      await open(page, '2026-05-03T18:00:00.000Z', '/water/north-window/log?show=ammonia');
      await press(page, 'ammonia 2');
      await press(page, 'Save 1 reading');
      await saved(page);
      await expect(word(page)).toHaveText('Act now');
      // The clock is put right: two days back.
      await page.clock.setFixedTime(new Date('2026-05-01T18:00:00.000Z'));
      await follow(page, '/water/north-window');
      await expect(page.getByText(/^One entry bears a later time than this device shows/)).toBeVisible();
      await follow(page, '/water/north-window/log/history');
      await expect(newest(page)).toContainText('Sun 3 May, 20:00');
      await page.clock.setFixedTime(new Date('2026-05-03T18:10:00.000Z'));
      await follow(page, '/water/north-window');
      await expect(word(page)).toHaveText('Act now');
      await expect(page.getByText(/bears a later time/)).toHaveCount(0);
      expect(errors).toEqual([]);
    },
  );
});

test('on 29 February an entry of the day is of that day', { tag: '@once' }, async ({ page }) => {
  await open(page, '2028-02-29T18:00:00.000Z', '/water/north-window/log/history');
  expect(await logged(page, '2028-02-29T18:30')).toContain('Tue 29 Feb, 18:30');
});
