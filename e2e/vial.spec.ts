/** A kit's own card photographed, a vial read against it beside the person's eye, and pictures that go with an entry. */
import { expect, test, type Locator, type Page } from '@playwright/test';
import { fill, follow, openDemo, press, saved, watchErrors } from './app';

const tapAt = async (picture: Locator, places: readonly (readonly [number, number])[]) => {
  for (const [x, y] of places) {
    const box = (await picture.boundingBox())!;
    await picture.click({ position: { x: x * box.width, y: y * box.height }, force: true });
  }
};
/** The nitrite card of the demo tanks and a vial beside it, under a warm lamp: the vial half way between the squares of 1 and 2. */
const vialPicture = (page: Page): Promise<Buffer> =>
  page
    .evaluate(async () => {
      const canvas = new OffscreenCanvas(1200, 600);
      const c = canvas.getContext('2d')!;
      const lamp = [0.96, 0.86, 0.68];
      const paint = (rgb: number[], x: number, y: number, wide: number, high: number) => {
        c.fillStyle = `rgb(${rgb.map((v, i) => Math.round(v * lamp[i]!)).join(',')})`;
        c.fillRect(x, y, wide, high);
      };
      paint([110, 95, 80], 0, 0, 1200, 600);
      paint([240, 238, 232], 60, 60, 700, 480);
      [
        [233, 225, 190],
        [205, 218, 178],
        [164, 203, 170],
        [116, 179, 166],
        [70, 145, 157],
        [42, 104, 138],
      ].forEach((rgb, i) =>
        paint(rgb, 60 + 700 * [0.17, 0.5, 0.83][i % 3]! - 60, 60 + 480 * (i < 3 ? 0.25 : 0.7) - 60, 120, 120),
      );
      paint([93, 162, 161.5], 900, 150, 120, 300);
      const blob = await canvas.convertToBlob({ type: 'image/png' });
      return [...new Uint8Array(await blob.arrayBuffer())];
    })
    .then((bytes) => Buffer.from(bytes));
const CARD_CORNERS = [
  [60 / 1200, 0.1],
  [760 / 1200, 0.1],
  [760 / 1200, 0.9],
  [60 / 1200, 0.9],
] as const;
const VIAL = [0.8, 0.5] as const;

/** A flat card of six squares in two rows, straight on, as a picture. */
const cardPicture = (page: Page): Promise<Buffer> =>
  page
    .evaluate(async () => {
      const canvas = new OffscreenCanvas(900, 600);
      const c = canvas.getContext('2d')!;
      c.fillStyle = '#6b5a48';
      c.fillRect(0, 0, 900, 600);
      c.fillStyle = '#f0eee8';
      c.fillRect(90, 60, 720, 480);
      ['#ece6c8', '#dccfa0', '#c8b26c', '#b48a4c', '#9c6238', '#7c3c2c'].forEach((colour, i) => {
        c.fillStyle = colour;
        c.fillRect(150 + 220 * (i % 3), 120 + 210 * Math.floor(i / 3), 140, 140);
      });
      const blob = await canvas.convertToBlob({ type: 'image/png' });
      return [...new Uint8Array(await blob.arrayBuffer())];
    })
    .then((bytes) => Buffer.from(bytes));

test('a vial in warm light is read as an interval beside the eye, entered when confirmed, and what it said before stays', async ({
  page,
}) => {
  const errors = watchErrors(page);
  await openDemo(page, { at: '/water/pantry-cube/log' });
  await press(page, 'nitrite 0.2');
  await press(page, 'By a photo, against your card: nitrite');
  const panel = page.getByRole('group', { name: 'A photo of the vial, Nitrite drops' });
  await panel
    .getByLabel('File of a photo')
    .setInputFiles({ name: 'vial.png', mimeType: 'image/png', buffer: await vialPicture(page) });
  const picture = page.getByRole('img', { name: 'Card and vial' });
  await expect(picture).toBeVisible();
  await expect(page.getByRole('button', { name: 'Read it: the vial of Nitrite drops' })).toBeDisabled();
  await tapAt(picture, [...CARD_CORNERS, VIAL]);
  await press(page, 'Read it: the vial of Nitrite drops');
  await expect(page.getByText(/^between 1\.\d+ and 1\.\d+, most likely 1\.[45]\d? mg\/L NO₂$/)).toBeVisible();
  await expect(page.getByText(/^They disagree/)).toBeVisible();
  // The middle of the background is no vial.
  await page.getByRole('button', { name: /^The middle of the vial/ }).focus();
  for (let i = 0; i < 4; i++) await page.keyboard.press('Shift+ArrowRight');
  await press(page, 'Read it: the vial of Nitrite drops');
  await expect(page.getByText(/none of the card’s/)).toBeVisible();
  await tapAt(picture, [VIAL]);
  await press(page, 'Read it: the vial of Nitrite drops');
  await press(page, 'Enter what the photo says');
  await expect(page.getByText(/^between 1\.\d+ and 1\.\d+ mg\/L NO₂$/)).toBeVisible();
  await press(page, 'Save 1 reading');
  await saved(page);
  await follow(page, '/water/pantry-cube/log/history');
  const first = page.getByRole('list', { name: 'Entries, newest first' }).getByRole('listitem').first();
  await expect(first).toContainText(/nitrite 1\.\d+–1\.\d+/);
  // Corrected, the entry still tells what it said.
  await first.getByRole('link').click();
  await press(page, 'nitrite 2');
  await press(page, 'Save the correction');
  await saved(page);
  await follow(page, '/water/pantry-cube/log/history');
  await expect(first).toContainText('nitrite 2 ');
  await expect(first).toContainText(/Until .* it said: .*nitrite 1\.\d+/);
  expect(errors).toEqual([]);
});

test('a card is kept by its corners and squares; one tapped on its rim or off the card is named', async ({
  page,
}) => {
  await openDemo(page, { at: '/kits/kit-ammonia/card' });
  await page.getByLabel('File of a photo').setInputFiles({
    name: 'card.png',
    mimeType: 'image/png',
    buffer: await cardPicture(page),
  });
  const picture = page.getByRole('img', { name: 'The card' });
  await expect(picture).toBeVisible();
  const square = (i: number): [number, number] => [
    (220 + 220 * (i % 3)) / 900,
    (190 + 210 * Math.floor(i / 3)) / 600,
  ];
  await tapAt(picture, [
    [0.1, 0.1],
    [0.9, 0.1],
    [0.9, 0.9],
  ]);
  await press(page, 'Keep the card');
  await expect(page.getByText('Still to be tapped: Lower left corner of the card.')).toBeVisible();
  await tapAt(picture, [
    [0.1, 0.9],
    ...[0, 1, 2, 3, 4].map(square),
    // On the rim of the last one.
    [590 / 900, 400 / 600],
  ]);
  await press(page, 'Keep the card');
  await expect(page.getByText(/^Square 5 is not of one colour there/)).toBeVisible();
  await tapAt(picture, [[0.97, 0.97]]);
  await press(page, 'Keep the card');
  await expect(page.getByText(/^Square 5 lies off the card/)).toBeVisible();
  await tapAt(picture, [square(5)]);
  await press(page, 'Keep the card');
  await saved(page);
  await expect(page).toHaveURL(/\/kits\/kit-ammonia$/);
  await page.goto('/kits/kit-ammonia/card');
  await page.reload();
  await expect(
    page.getByRole('group', { name: 'Squares of the card' }).getByText('0.5', { exact: true }),
  ).toBeVisible();
  await follow(page, '/water/pantry-cube/log');
  await expect(page.getByRole('button', { name: 'By a photo, against your card: ammonia' })).toBeVisible();
});

test('a photo goes with a sample, half entered through a reload, and is found among the photos', async ({
  page,
}) => {
  await openDemo(page, { at: '/water/north-window/log' });
  await press(page, 'ammonia 0');
  await page.getByLabel('File of a photo').setInputFiles({
    name: 'card.png',
    mimeType: 'image/png',
    buffer: await cardPicture(page),
  });
  await expect(page.getByText('A photo goes with it.')).toBeVisible();
  await page.waitForTimeout(0);
  await page.clock.runFor(2000);
  await page.reload();
  await expect(page.getByText('A photo goes with it.')).toBeVisible();
  await press(page, 'Save 1 reading');
  await saved(page);
  await follow(page, '/water/north-window/photos');
  await expect(page.getByRole('heading', { name: 'One photo' })).toBeVisible();
  await expect(page.getByRole('heading', { name: 'A sitting' })).toBeVisible();
});

test('the history is searched by animal, common or scientific, and shows its way', async ({ page }) => {
  await openDemo(page, { at: '/water/north-window/log/history' });
  await fill(page, 'Search: parameter, animal, kind, a word', 'pterapogon');
  const list = page.getByRole('list', { name: 'Entries, newest first' });
  await expect(list.getByText(/cardinalfish/).first()).toBeVisible();
  await expect(list.getByText(/^In Spare tank$/).first()).toBeVisible();
  await page.getByRole('radio', { name: 'Samples' }).click();
  await expect(page.getByText(/^Nothing matches/)).toBeVisible();
});
