/** Who may live here, and in what order: found misspelled, added by hand, judged together, placed, planned. */
import { expect, test, type Locator, type Page } from '@playwright/test';
import { fill, follow, openDemo, press, saved, watchErrors } from './app';

const NORTH = '/water/north-window/stock';

test('a kind is found misspelled and by what it does; one that is not there is added, and judged', async ({
  page,
}) => {
  const errors = watchErrors(page);
  await openDemo(page, { at: `${NORTH}/species` });
  await fill(page, 'Search', 'oscelaris');
  await expect(page.getByText('None by that name. The nearest:')).toBeVisible();
  await expect(page.getByRole('link', { name: /Ocellaris clownfish/ })).toBeVisible();
  await fill(page, 'Search', 'eats algae for 60 L');
  await expect(page.getByRole('link', { name: /Chestnut turban snail/ })).toBeVisible();
  await fill(page, 'Search', 'speckled blenny of the market');
  await press(page, 'Not here: add it');
  await fill(page, 'What it is called', 'Speckled blenny');
  await fill(page, 'Grows to, cm', '30');
  await fill(page, 'Relative', 'tailspot');
  await press(page, 'Tailspot blenny');
  await expect(page.getByText(/^Assumed as of Tailspot blenny: /)).toBeVisible();
  await press(page, 'Keep the kind');
  // Five times as long as its relative: 7.85 times the room.
  await expect(page.getByText(/Speckled blenny grows to 30 cm and wants a glass of 588 L/)).toBeVisible();
  await press(page, 'Wish for it');
  await saved(page);
  await follow(page, `${NORTH}/company`);
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Not all of them together');
  await expect(page.getByText(/^The fewest without whom the rest fits: Speckled blenny/)).toBeVisible();
  await page.getByRole('checkbox', { name: /^Speckled blenny/ }).click();
  await expect(page.getByText('That would be gone')).toBeVisible();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('They may live together');
  expect(errors).toEqual([]);
});

test('a coral is placed by a touch, and its place holds through a reload', async ({ page }) => {
  await openDemo(page, { at: `${NORTH}/board` });
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('One stands badly');
  await page.getByRole('radio', { name: /Button polyps/ }).click();
  const front = page.getByRole('img', { name: /^Front:/ });
  const box = (await front.boundingBox())!;
  // On the other side of the glass, half way up: out of the leather's shade, and nothing to stand on.
  await front.click({ position: { x: box.width * 0.8, y: box.height * 0.5 } });
  await expect(page.getByText(/hangs in open water/)).toBeVisible();
  // On the sand below.
  await front.click({ position: { x: box.width * 0.8, y: box.height * 0.9 } });
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('All stand well');
  await saved(page);
  await page.reload();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('All stand well');
  await expect(page.getByRole('img', { name: /^Front:.*polyps (79|80|81) cm from the left/ })).toBeVisible();
});

/** What is held follows in the frames after each step, and those wait for the clock. */
const frames = (page: Page) => page.clock.runFor(500);

async function dragDown(page: Page, row: Locator): Promise<void> {
  const box = (await row.boundingBox())!;
  await page.mouse.move(box.x + 60, box.y + box.height / 2);
  await page.mouse.down();
  for (const share of [0.6, 1, 1.4, 1.6]) {
    await page.mouse.move(box.x + 60, box.y + box.height * (0.5 + share));
    await frames(page);
  }
  await page.mouse.up();
  await frames(page);
}

test('by keys a wish goes one place at a time, far down a page as well, and is said by its name', async ({
  page,
}) => {
  await openDemo(page, { at: `${NORTH}/plan` });
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(/^2 of 4 in by /);
  const rows = page.getByRole('button', { name: /: move$/ });
  await rows.last().focus();
  await page.keyboard.press('Space');
  await expect(page.getByText('2 × Button polyps: place 3 of 3.')).toBeAttached();
  await page.keyboard.press('ArrowUp');
  await expect(page.getByText('2 × Button polyps: place 2 of 3.')).toBeAttached();
  await page.keyboard.press('Space');
  await expect(rows).toHaveText([/Yellow watchman goby/, /2 × Button polyps/, /Toadstool leather/]);
  await expect(page.getByRole('button', { name: '2. 2 × Button polyps: move' })).toBeInViewport();
});

test('the plan: an earlier day says what it breaks, held days stay, the order of the wishes is kept', async ({
  page,
}) => {
  await openDemo(page, { at: `${NORTH}/plan` });
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(/^2 of 4 in by /);
  // In no order yet they have no number: the first wished for stands first.
  const first = page.getByRole('button', { name: /: move$/ }).first();
  await expect(first).toHaveAccessibleName('Yellow watchman goby: move');
  await page.getByText(/^Drag, or space and arrows/).scrollIntoViewIfNeeded();
  await dragDown(page, first);
  await expect(page.getByRole('button', { name: '1. Toadstool leather: move' })).toBeVisible();
  await press(page, 'And sooner: Yellow watchman goby');
  const slide = page.getByRole('slider', { name: 'Day it is let in: Yellow watchman goby' });
  await slide.focus();
  for (let i = 0; i < 20; i++) await page.keyboard.press('ArrowLeft');
  await expect(page.getByText(/20 days sooner/)).toBeVisible();
  await expect(page.getByText(/^Its quarantine is (not over|taken by)/).first()).toBeVisible();
  await press(page, 'Hold the days of Yellow watchman goby');
  await expect(page.getByRole('button', { name: 'Let the days go of Yellow watchman goby' })).toBeVisible();
  await saved(page);
  await page.reload();
  await expect(page.getByRole('button', { name: '1. Toadstool leather: move' })).toBeVisible();
  await expect(page.getByRole('button', { name: 'Let the days go of Yellow watchman goby' })).toBeVisible();
});

test('the dot of a batch is dragged in the drawing, and the day set all the same stays', async ({ page }) => {
  await openDemo(page, { at: `${NORTH}/plan` });
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(/^2 of 4 in by /);
  const dot = page.getByRole('slider', { name: 'Let in: Yellow watchman goby' });
  await dot.scrollIntoViewIfNeeded();
  const box = (await dot.boundingBox())!;
  const [least, most, value] = await dot.evaluate((e: HTMLInputElement) => [+e.min, +e.max, +e.value]);
  // The dot is as wide as its track is high.
  const x = (day: number) =>
    box.x + box.height / 2 + ((day - least!) / (most! - least!)) * (box.width - box.height);
  const y = box.y + box.height / 2;
  await page.mouse.move(x(value!), y);
  await page.mouse.down();
  await page.mouse.move(x(value! - 20), y, { steps: 4 });
  await page.mouse.up();
  await expect(page.getByText(/(19|20|21) days sooner/)).toBeVisible();
  await expect(page.getByText(/^Its quarantine is (not over|taken by)/).first()).toBeVisible();
  await press(page, 'Set this day all the same');
  await saved(page);
  await page.reload();
  await expect(page.getByRole('button', { name: 'Let the days go of Yellow watchman goby' })).toBeVisible();
  await expect(page.getByText('Set by you, against a rule')).toBeVisible();
});
