/** Water with animals in it: trouble is walked step by step, and what is done is judged anew. */
import { expect, test, type Page } from '@playwright/test';
import { fill, later, logSample, openDemo, place, press, saved, watchErrors, word } from './app';

test('a deadly ammonia: steps with amounts, kept through a reload, then the change, then the test', async ({
  page,
}) => {
  const errors = watchErrors(page);
  await openDemo(page);
  await expect(word(page)).toHaveText('Steady');
  await expect(page.getByRole('heading', { name: 'May something be added?' })).toBeVisible();
  await logSample(page, { ammonia: '2', pH: '8.3' });
  await expect(word(page)).toHaveText('Act now');
  await expect(page.getByText(/Ammonia is 2 mg\/L NH₄, read/)).toBeVisible();
  const steps = page.getByRole('list', { name: 'What to do, in this order' });
  await expect(steps.getByText(/^\d · Change \d+ L of 238 L$/)).toBeVisible();
  await expect(steps.getByText(/free 0\.\d+ → 0\.\d+/).first()).toBeVisible();
  await expect(page.getByText(/Do not raise pH or temperature/)).toBeVisible();
  // Nobody is told to add anything, least of all ammonia.
  await expect(page.getByText('First the water: nothing goes in while it is not steady.')).toBeVisible();
  await press(page, 'Step 1 is done');
  await press(page, 'Step 2 is done');
  await saved(page);
  await page.reload();
  await expect(page.getByRole('button', { name: 'Step 3 is done' })).toBeVisible();

  await place(page, 'Log');
  await page.getByRole('link', { name: /^Water change/ }).click();
  await fill(page, 'Amount, L', '200');
  await fill(page, 'Salinity of the new water, ppt', '35');
  await fill(page, 'Its temperature, °C', '25');
  await press(page, 'Log it');
  await expect(word(page)).toHaveText('Test');
  await expect(page.getByText(/is expected, not measured/)).toBeVisible();
  await later(page, { minutes: 70 });
  await logSample(page, { ammonia: '0', nitrite: '0' });
  await expect(word(page)).not.toHaveText('Act now');
  expect(errors).toEqual([]);
});

test('what happened asks for its tests by name, and an absence is an entry', async ({ page }) => {
  await openDemo(page);
  await place(page, 'Log');
  await page.getByRole('link', { name: /^Something happened/ }).click();
  await page.getByRole('radio', { name: 'Filter cleaned' }).click();
  await press(page, 'Log it');
  await expect(word(page)).toHaveText('Test');
  await expect(page.getByText(/Filter cleaned: ammonia has not been tested since\./)).toBeVisible();
  await place(page, 'Log');
  const covered = await watchNotice(page);
  await page.getByRole('link', { name: /^Away/ }).click();
  await press(page, 'Log it');
  expect(await covered()).toEqual([]);
  await expect(page.getByText('Say until when you are away.')).toBeVisible();
});

test('ammonia dosed onto animals: its entry says it must not be, Today acts before a test', async ({
  page,
}) => {
  const errors = watchErrors(page);
  await openDemo(page, { at: '/water/north-window/log/event?kind=ammoniaDose' });
  await expect(page.getByText(/Animals are in: no ammonia may go into this water/)).toBeVisible();
  await expect(page.getByRole('link', { name: /Work out the dose/ })).toHaveCount(0);
  await page.getByLabel('Rise it should make').fill('2');
  await press(page, 'Log it');
  await expect(page.getByText(/not tested since: up to 2 mg\/L may be there, with animals in/)).toBeVisible();
  await expect(word(page)).toHaveText('Act now');
  await expect(page.getByText(/total 2 → 0\.5 mg\/L NH₄/)).toBeVisible();
  expect(errors).toEqual([]);
});

/** What was just done is said beside the next action, never on it: two entries in a row need no waiting.
 *  @returns the frames, of all from here on, in which it stood on one, px */
async function watchNotice(page: Page): Promise<() => Promise<number[]>> {
  const watch = await page.evaluateHandle(() => {
    const seen = { frames: 0, covered: [] as number[] };
    const look = () => {
      const notice = Array.from(document.querySelectorAll('[role=status]')).find((e) =>
        e.textContent?.includes('logged'),
      );
      const action = Array.from(document.querySelectorAll('button')).find((e) => e.textContent === 'Log it');
      if (notice && action) {
        seen.frames += 1;
        const over = notice.getBoundingClientRect().bottom - action.getBoundingClientRect().top;
        if (over > 0) seen.covered.push(over);
      }
      requestAnimationFrame(look);
    };
    requestAnimationFrame(look);
    return seen;
  });
  return async () => {
    const { frames, covered } = await watch.jsonValue();
    expect(frames, 'the notice and the action must both have been on the screen').toBeGreaterThan(0);
    return covered;
  };
}
