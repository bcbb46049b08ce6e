/** The bench from log to logged event, a drifted instrument, timers across a reload, setting up and parts. */
import { expect, test, type Page } from '@playwright/test';
import { fill, follow, later, openDemo, place, press, saved, watchErrors, wide } from './app';

const openTool = async (page: Page, name: RegExp) => {
  await place(page, 'Bench');
  await page.getByRole('main').getByRole('link', { name }).first().click();
  await expect(page.getByRole('heading', { name: 'Answer' }).or(page.getByText(/Fill in “/))).toBeVisible();
};

interface Try {
  link: RegExp;
  fill?: Record<string, string>;
  act: string | RegExp;
  said: string;
  /** Found by searching the history, or standing on Today. */
  history?: { query: string; found: RegExp };
  today?: RegExp;
}

const TOOLS: Try[] = [
  {
    link: /^Real volume/,
    fill: { 'Metered or counted in (if known), L': '231,5' },
    act: 'Use this volume',
    said: 'Volume in use changed.',
  },
  {
    link: /^Salinity in every scale/,
    fill: { 'Salinity now, ppt': '37' },
    act: 'Plan 2 days',
    said: 'Salinity correction planned.',
    today: /Swap .* for RO\/DI water/,
  },
  {
    link: /^New salt water/,
    fill: { 'It came out at (if known), ppt': '34.2' },
    act: 'Log this batch',
    said: 'Batch logged.',
    history: { query: 'mixed', found: /20\.?\d* L with .* g to 34\.2 ppt/ },
  },
  {
    link: /^Water change/,
    act: 'It is done: log it',
    said: 'Water change logged.',
    history: { query: 'water change', found: /\d+ L, 50 %/ },
  },
  {
    link: /^Evaporation/,
    act: /^Log a top-off/,
    said: 'Top-off logged.',
    history: { query: 'top-off', found: /1\.\d L/ },
  },
  {
    link: /^RO\/DI water/,
    fill: { 'TDS of the source, mg/L': '280', 'After the membrane, mg/L': '7' },
    act: /^Log .* made/,
    said: 'Water logged.',
    history: { query: 'RO/DI', found: /40 L in \d+ min/ },
  },
  {
    link: /^Alkalinity, calcium/,
    fill: { 'Aim, dKH': '9.5' },
    act: /^Log (it|the first day) as done/,
    said: 'Dose logged.',
    history: { query: 'alkalinity +', found: /Alkalinity \+0?\.?\d/ },
  },
  {
    link: /^Heat/,
    fill: { 'Its dial says (if known), °C': '26' },
    act: 'Log the dial’s error',
    said: 'Logged.',
    history: { query: 'dial', found: /Heater dial 26\.0/ },
  },
  {
    link: /^Flow/,
    act: 'Log this as a note',
    said: 'Logged.',
    history: { query: 'turnover', found: /turnovers an hour/ },
  },
  { link: /^Sand and rock/, act: 'Take sand and rock into the volume', said: 'Sand and rock changed.' },
  { link: /^Media blocks/, act: 'Plan to buy them', said: 'Planned.', today: /Media: \d to \d blocks/ },
  {
    link: /^Power cut/,
    act: 'Plan the try: pump off, mark the sump',
    said: 'Planned.',
    today: /Pump off: mark where the sump settles/,
  },
  {
    link: /^Weight/,
    act: 'Log this as a note',
    said: 'Logged.',
    history: { query: 'filled weight', found: /Filled weight about \d+ kg/ },
  },
  { link: /^Light/, act: 'Plan 5 steps', said: 'Light ramp planned.', today: /Planned: .*Light to/ },
];

async function tryTool(page: Page, t: Try): Promise<void> {
  await openTool(page, t.link);
  for (const [label, value] of Object.entries(t.fill ?? {})) await fill(page, label, value);
  await page
    .getByRole('main')
    .getByRole('button', { name: t.act, exact: typeof t.act === 'string' })
    .click();
  await expect(page.getByText(t.said, { exact: true }).first()).toBeVisible();
  if (t.today) {
    await place(page, 'Today');
    await expect(page.getByRole('main').getByText(t.today).first()).toBeVisible();
  }
  if (t.history) {
    await place(page, 'Log');
    await page
      .getByRole('main')
      .getByRole('link', { name: /^(History|All entries)/ })
      .first()
      .click();
    await fill(page, 'Search: parameter, animal, kind, a word', t.history.query);
    await expect(
      page.getByRole('list', { name: 'Entries, newest first' }).getByText(t.history.found).first(),
    ).toBeVisible();
  }
}

test('each bench tool, from the log to something done', async ({ page }) => {
  test.setTimeout(240_000);
  const errors = watchErrors(page);
  await openDemo(page);
  // All on the phone; three on the wide screen.
  for (const t of wide(page) ? [TOOLS[3], TOOLS[6], TOOLS[13]] : TOOLS) if (t) await tryTool(page, t);
  await openTool(page, /^Nitrogen and free/);
  await fill(page, 'The kit shows, mg/L', '2');
  await expect(page.getByText('1.553 mg/L')).toBeVisible();
  await press(page, 'Plan a test for tomorrow');
  await expect(page.getByText('Test planned.', { exact: true })).toBeVisible();
  expect(errors).toEqual([]);
});

test('the bench without a tank, and what it refuses', async ({ page }) => {
  await page.goto('/');
  await press(page, 'Only the bench: calculators without a tank');
  await page
    .getByRole('main')
    .getByRole('link', { name: /^Water change/ })
    .click();
  await fill(page, 'Before, mg/L NO₃', '40');
  await fill(page, 'Aim, mg/L NO₃', '10');
  await fill(page, 'Real water volume, L', '200');
  await expect(page.getByText('75 %, 150.0 L')).toBeVisible();
  await fill(page, 'Aim, mg/L NO₃', '60');
  await expect(page.getByText(/cannot be reached: it must lie between/)).toBeVisible();
  await fill(page, 'Real water volume, L', '0');
  await expect(page.getByText(/Real water volume must be above 0/)).toBeVisible();
  await page.getByRole('link', { name: 'All tools' }).click();
  await page
    .getByRole('main')
    .getByRole('link', { name: /^Salinity in every/ })
    .click();
  await fill(page, 'Salinity now, ppt', '350');
  await expect(page.getByText(/must be between 2.* and 42/)).toBeVisible();
  await page.getByRole('radio', { name: 'conductivity', exact: true }).click();
  await fill(page, 'Temperature, °C', '25');
  await fill(page, 'Real water volume, L', '200');
  await fill(page, 'Conductivity, mS/cm', '53,065');
  await expect(page.getByText('35.00 ppt')).toBeVisible();
  await fill(page, 'Conductivity, mS/cm', '90');
  await expect(page.getByText(/between 2 and 42 practical salinity/)).toBeVisible();
  await page.getByRole('link', { name: 'All tools' }).click();
  await page
    .getByRole('main')
    .getByRole('link', { name: /^Real volume/ })
    .click();
  for (const [label, value] of [
    ['Length inside', '100'],
    ['Width inside', '50'],
    ['Height of the water', '48'],
  ] as const)
    await fill(page, `${label} (if known), cm`, value);
  await fill(page, 'Dry rock (if known), kg', '24');
  await expect(page.getByText('230 L ± 7 L').first()).toBeVisible();
  await expect(page.getByRole('main').getByText(/NaN|Infinity/)).toHaveCount(0);
});

test('a drifted instrument makes old readings doubtful, visibly', async ({ page }) => {
  await openDemo(page, { at: '/kits/kit-salinity' });
  await fill(page, 'Standard, ppt', '35');
  await fill(page, 'It shows, ppt', '37,2');
  await press(page, 'Log the calibration');
  await expect(
    page.getByText(/found a drift: readings since the good one before are kept, not trusted/),
  ).toBeVisible();
  await saved(page);
  await follow(page, '/water/north-window/log/readings/salinity');
  await expect(page.getByText('instrument had drifted').first()).toBeVisible();
  await follow(page, '/');
  await expect(page.getByText(/salinity instrument was found to have drifted/).first()).toBeVisible();
});

test('reagent timers run side by side and survive a reload', async ({ page }) => {
  await openDemo(page, { at: '/water/pantry-cube/log' });
  await press(page, 'Wait 5 min for ammonia');
  await press(page, 'Wait 5 min for nitrite');
  await later(page, { minutes: 2 });
  await saved(page);
  await page.reload();
  await expect(page.getByText(/of 5:00/)).toHaveCount(2);
  await later(page, { minutes: 4 });
  await expect(page.getByText('Read it now')).toHaveCount(2);
});

test('a repeat is averaged visibly, a jump is questioned and kept without trust', async ({ page }) => {
  await openDemo(page);
  await place(page, 'Log');
  const add = page.getByRole('button', { name: '+ alkalinity', exact: true });
  await expect(add.or(page.getByLabel('Alkalinity titration, dKH', { exact: true }))).toBeVisible();
  if (await add.isVisible()) await add.click();
  await fill(page, 'Alkalinity titration, dKH', '8.2 / 8.4');
  await expect(page.getByText('Mean of 2: 8.3 (mean of 8.2, 8.4)')).toBeVisible();
  await fill(page, 'Alkalinity titration, dKH', '3.1');
  await expect(page.getByText(/That is unusual|big step/)).toBeVisible();
  await page.getByRole('checkbox', { name: 'Keep it, do not trust it: alkalinity' }).click();
  await press(page, /^Save/);
  await expect(page.getByText(/Judged by/)).toBeVisible();
  await saved(page);
  await follow(page, '/water/north-window/log/readings/alkalinity');
  await expect(page.getByText('marked by you')).toBeVisible();
});

test('setting up holds the sea water gate; a part’s service stands on Today until done', async ({ page }) => {
  await openDemo(page, { at: '/water/pantry-cube/setup' });
  await page.getByRole('checkbox', { name: /^1\. Floor/ }).click();
  await expect(page.getByText('done', { exact: false }).first()).toBeVisible();
  await saved(page);
  await follow(page, '/water/pantry-cube');
  await expect(page.getByText(/essential points of setting up are open/).first()).toBeVisible();
  await follow(page, '/water/north-window/equipment/new');
  await fill(page, 'Name', 'Carbon');
  await page.getByRole('radio', { name: 'filter, socks, carbon' }).click();
  await page.getByLabel('Since', { exact: true }).fill('2026-04-01');
  await press(page, 'Add it');
  await expect(page.getByText(/Carbon: service due/)).toBeVisible();
  await place(page, 'Today');
  await page.getByRole('button', { name: /Carbon: service is due/ }).click();
  await press(page, 'Serviced today');
  await place(page, 'Today');
  await expect(page.getByText(/Carbon: service is due/)).toHaveCount(0);
});
