/** Pictures of views at phone and wide size, from the demo data: `tsx scripts/shots.mts OUT [name ...]`. Needs demo.sh running on PORT. */
import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { chromium, type Page } from '@playwright/test';

interface Shot {
  name: string;
  path: string;
  wide?: boolean;
  dark?: boolean;
  before?: (page: Page) => Promise<void>;
}

const NORTH = '/water/north-window';
const PANTRY = '/water/pantry-cube';

const sampleTaps = async (page: Page) => {
  await page.getByRole('button', { name: 'nitrite 2', exact: true }).click();
  await page.getByRole('button', { name: 'nitrite 5+' }).click();
  await page.getByRole('button', { name: 'ammonia 0', exact: true }).click();
  await page.getByRole('button', { name: 'Wait 5 min for nitrate' }).click();
};

/** A sample of North Window as it would be typed, logged, and Today after it. */
const logged =
  (values: Record<string, string>, taps: readonly string[] = []) =>
  async (page: Page) => {
    await page.goto(`${base}${NORTH}/log`);
    for (const name of taps) await page.getByRole('button', { name, exact: true }).click();
    for (const [label, value] of Object.entries(values)) await page.getByLabel(label).first().fill(value);
    await page.getByRole('button', { name: /^Save / }).click();
    await page.goto(base + NORTH);
    await page.getByRole('heading', { level: 1 }).waitFor();
  };

const startDrip = async (page: Page) => {
  for (const [label, value] of [
    ['Bag salinity, ppt', '32.2'],
    ['Bag temperature, °C', '23.1'],
    ['Water in the bag, L', '0.6'],
    ['Container holds, L', '3'],
    ['Drops a second', '3.4'],
  ] as const) {
    await page.getByLabel(label, { exact: true }).fill(value);
  }
  await page.getByRole('checkbox', { name: /cardinalfish/ }).click();
  await page.getByRole('checkbox', { name: /floats/ }).click();
  await page.getByRole('button', { name: 'Go to the drip' }).click();
  for (const name of [
    'Tank is topped off and at its usual salinity',
    'Automatic top-off is unplugged, or there is none',
    'Lid is on or within reach',
  ])
    await page.getByRole('checkbox', { name }).click();
  await page.getByRole('button', { name: 'Start the drip' }).click();
  await page.clock.fastForward(13 * 60_000);
  await page.clock.runFor(3000);
};

/** The spare tank without its media: ammonia rises, and changes hold it. */
const bareTank = async (page: Page) => {
  await page.getByRole('radio', { name: /^Uncycled/ }).click();
  await page.getByRole('button', { name: 'Keep the changes' }).click();
  const heading = page.getByRole('heading', { name: 'Ammonia in the bare tank' });
  await heading.waitFor();
  await heading.evaluate((h) => h.scrollIntoView({ block: 'start' }));
};

/** A bag after a long journey. */
const longJourney = async (page: Page) => {
  await page.getByLabel('Bag salinity, ppt').fill('32.5');
  await page.getByLabel('pH of the bag').fill('7.1');
  await page.getByLabel(/^Ammonia of the bag/).fill('8');
  const heading = page.getByRole('heading', { name: 'Which way' });
  await heading.evaluate((h) => h.scrollIntoView({ block: 'start' }));
};

const basket = async (page: Page) => {
  for (const kind of ['Yellow watchman goby', 'Royal gramma'])
    await page.getByRole('button', { name: `One ${kind}`, exact: true }).click();
  await page.getByRole('heading', { level: 1 }).evaluate((h) => h.scrollIntoView({ block: 'start' }));
};

/** The dates are final, and the other courses are there. */
const workOut = async (page: Page) => {
  await page.getByText(/Half the water changed now/).waitFor();
};

/** The forecast has put its dates on Today. */
const dated = (page: Page) =>
  page
    .getByText(/likely \d/)
    .first()
    .waitFor();

/** The first page of someone who has nothing yet. */
const leaveDemo = async (page: Page) => {
  await page.getByRole('button', { name: 'Leave the demo' }).click();
  await page.getByRole('heading', { name: 'Begin' }).waitFor();
};

const fillGlass = async (page: Page) => {
  await page.getByLabel('Name').fill('Hallway Reef');
  await page.getByRole('button', { name: 'How big is the glass?' }).click();
  await page.getByLabel('Length inside').fill('80');
  await page.getByLabel('Width inside').fill('45');
  await page.getByLabel('Water height').fill('43');
};

/** The dot of a batch moved twelve days to the left. */
const tryEarlier = async (page: Page) => {
  const dot = page.getByRole('slider', { name: 'Let in: Yellow watchman goby' });
  await dot.focus();
  for (let i = 0; i < 12; i++) await page.keyboard.press('ArrowLeft');
  await page.getByText(/12 days sooner/).waitFor();
};

/** Two made-up pictures of one view, laid over each other. */
const twoPhotos = async (page: Page) => {
  for (const [colour, size] of [
    ['#3b6ea0', 180],
    ['#356394', 260],
  ] as const) {
    await page.getByLabel('View', { exact: true }).fill('front, left corner');
    await page.getByLabel('How the light is set').fill('30 %');
    const bytes = await page.evaluate(
      async ([ground, r]) => {
        const canvas = new OffscreenCanvas(1600, 1200);
        const c = canvas.getContext('2d')!;
        c.fillStyle = ground;
        c.fillRect(0, 0, 1600, 1200);
        c.fillStyle = '#b9a98a';
        c.beginPath();
        c.ellipse(700, 1050, 620, 380, 0, 0, 7);
        c.fill();
        c.fillStyle = '#d9a55c';
        for (let i = 0; i < 9; i++) {
          c.beginPath();
          c.ellipse(700 + (r * Math.cos(i)) / 1.2, 640 + (r * Math.sin(i)) / 1.6, r / 2.2, r / 2.6, i, 0, 7);
          c.fill();
        }
        const blob = await canvas.convertToBlob({ type: 'image/png' });
        return [...new Uint8Array(await blob.arrayBuffer())];
      },
      [colour, size] as const,
    );
    await page
      .getByLabel('File of a photo')
      .setInputFiles({ name: 'view.png', mimeType: 'image/png', buffer: Buffer.from(bytes) });
    await page.waitForTimeout(1200);
  }
  const small = page.getByRole('checkbox', { name: /^front/ });
  await small.first().click();
  await small.last().click();
  await page.getByRole('slider', { name: /^Left the older/ }).waitFor();
  await page.getByRole('heading', { level: 1 }).scrollIntoViewIfNeeded();
};

/** Away from the tenth day on, for two weeks; and the note. */
const goAway = async (page: Page) => {
  await page.getByRole('link', { name: 'I will be away' }).click();
  const at = (days: number) => new Date(Date.now() + days * 86_400_000).toISOString().slice(0, 16);
  await page.getByRole('button', { name: /From another time/ }).click();
  await page.getByLabel('From', { exact: true }).fill(at(10));
  await page.getByLabel('Until').fill(at(24));
  await page.getByRole('button', { name: 'Log it' }).click();
  await page.waitForURL((url) => !url.pathname.endsWith('/event'));
  await page.goto(`${base}${NORTH}/carer`);
  await page.getByRole('heading', { name: 'Feeding' }).waitFor();
};

const TABLE = [
  'Datum;Uhrzeit;NO3;NH4-N;KH;Temp;Dichte SG;Bemerkung',
  '03.04.2026;20:15;5,0;<0,05;8,1;25,2;1,0255;nach dem Wechsel',
  '05.04.2026;19:40;7,5;0;7,9;25,0;1,0256;',
  '08.04.2026;;10;0;9,9;24,8;1,0270;',
].join('\n');

/** A table chosen, and what would come of it. */
const chooseTable = async (page: Page) => {
  await page
    .getByLabel('File to import')
    .setInputFiles({ name: 'notebook.csv', mimeType: 'text/csv', buffer: Buffer.from(TABLE) });
  await page.getByLabel('All of it was measured in').selectOption('north-window');
  const heading = page.getByRole('heading', { name: /readings in/ });
  await heading.waitFor();
  await heading.evaluate((h) => h.scrollIntoView({ block: 'start' }));
};

/** A wish no day is right for, so that there is something to see. */
const wishForTang = async (page: Page) => {
  await page.goto(`${base}${NORTH}/stock/add?species=yellow-tang`);
  await page.getByRole('button', { name: 'Wish for it' }).click();
  await page.waitForURL(/stock\/[^?]+$/);
  await page.goto(`${base}${NORTH}/stock/company`);
  await page.getByText('No day is right for this').waitFor();
};

/** The demo's picture of a vial, tapped and read beside the person's own step. */
const readVial = async (page: Page) => {
  await page.getByRole('button', { name: 'nitrite 1', exact: true }).click();
  await page.getByRole('button', { name: 'By a photo, against your card: nitrite' }).click();
  await page.getByRole('button', { name: 'The demo’s picture' }).click();
  const picture = page.getByRole('img', { name: 'Card and vial' });
  await picture.waitFor();
  await page.waitForTimeout(300);
  for (const [x, y] of [
    [0.07, 0.2],
    [0.66, 0.13],
    [0.68, 0.84],
    [0.05, 0.78],
    [0.83, 0.5],
  ] as const) {
    const box = (await picture.boundingBox())!;
    await picture.click({ position: { x: x * box.width, y: y * box.height }, force: true });
  }
  await page.getByRole('button', { name: /^Read it: the vial/ }).click();
  await page.getByText('By the photo', { exact: true }).waitFor();
  await page.getByRole('heading', { name: 'Nitrite' }).evaluate((h) => h.scrollIntoView({ block: 'start' }));
};

/** Two weeks of a practice tank lived by hand: bacteria, a dose, kits on some evenings. */
const practise = async (page: Page) => {
  await page.getByRole('radio', { name: 'The dead bottle' }).click();
  await page.getByRole('button', { name: 'Begin', exact: true }).click();
  await page.getByRole('heading', { name: 'The dead bottle' }).waitFor();
  for (let i = 0; i < 8; i++) {
    await page.getByRole('button', { name: 'To the next event' }).click();
    await page.getByRole('button', { name: 'Test', exact: true }).click();
    await page.getByRole('button', { name: 'Log what they show' }).click();
    if (i === 0) {
      await page.goto(`${base}/water/practice/log/event?kind=ammoniaDose`);
      await page.getByLabel(/^Rise it should make/).fill('2');
      await page.getByRole('button', { name: 'Log it' }).click();
      await page.waitForURL((url) => !url.pathname.endsWith('/event'));
      await page.goto(`${base}/practice`);
      await page.getByRole('heading', { name: 'The clock' }).waitFor();
    }
  }
  await page.getByRole('button', { name: 'To the next event' }).click();
  await page.getByRole('heading', { level: 1 }).evaluate((h) => h.scrollIntoView({ block: 'center' }));
};
const lookBack = async (page: Page) => {
  await practise(page);
  await page.getByRole('button', { name: 'End it and look back' }).click();
  const heading = page.getByRole('heading', { name: 'Looking back' });
  await heading.evaluate((h) => h.scrollIntoView({ block: 'start' }));
  await page.waitForTimeout(6000);
  const decisions = page.getByRole('heading', { name: 'What each decision came to' });
  await decisions.evaluate((h) => h.scrollIntoView({ block: 'center' }));
};

const SHOTS: Shot[] = [
  { name: 'today', path: PANTRY, before: dated },
  { name: 'today-wide', path: NORTH, wide: true },
  { name: 'today-cycling-wide', path: PANTRY, wide: true, before: dated },
  { name: 'today-cycling-dark', path: PANTRY, dark: true, before: dated },
  { name: 'today-dark', path: NORTH, dark: true },
  { name: 'act', path: NORTH, before: logged({}, ['ammonia 2']) },
  { name: 'act-wide-dark', path: NORTH, wide: true, dark: true, before: logged({}, ['ammonia 2']) },
  { name: 'watch', path: NORTH, before: logged({ 'Pocket meter': '31.9' }) },
  { name: 'watch-dark', path: NORTH, dark: true, before: logged({ 'Pocket meter': '31.9' }) },
  { name: 'log-dark', path: `${PANTRY}/log`, dark: true, before: sampleTaps },
  { name: 'log-wide', path: `${NORTH}/log`, wide: true },
  { name: 'cycle', path: `${PANTRY}/cycle` },
  { name: 'cycle-wide', path: `${NORTH}/cycle`, wide: true },
  { name: 'stock', path: `${NORTH}/stock` },
  { name: 'stock-wide-dark', path: `${NORTH}/stock`, wide: true, dark: true },
  { name: 'drip-dark', path: `${NORTH}/drip/new`, dark: true, before: startDrip },
  { name: 'dose', path: `${PANTRY}/cycle/dose` },
  { name: 'begin', path: '/', before: leaveDemo },
  { name: 'begin-wide', path: '/', wide: true, before: leaveDemo },
  { name: 'new-tank', path: '/water/new', before: fillGlass },
  { name: 'new-tank-wide', path: '/water/new', wide: true, before: fillGlass },
  { name: 'schools', path: `${PANTRY}/school` },
  { name: 'forecast', path: `${PANTRY}/cycle/forecast`, before: workOut },
  { name: 'forecast-wide-dark', path: `${PANTRY}/cycle/forecast`, wide: true, dark: true, before: workOut },
  { name: 'after', path: `${NORTH}/cycle/after` },
  { name: 'tool', path: `${NORTH}/bench/evaporation` },
  { name: 'change', path: `${NORTH}/bench/change` },
  {
    name: 'change-wide',
    path: `${NORTH}/bench/change`,
    wide: true,
    before: (page) => page.getByLabel('Aim, mg/L NO₃').fill('3'),
  },
  { name: 'bacteria', path: `${PANTRY}/log/event?kind=bacteria` },
  {
    name: 'dose-guarded',
    path: `${PANTRY}/cycle/dose`,
    dark: true,
    before: async (page) => {
      await page.getByLabel('Raise ammonia by, mg/L NH₄').fill('5');
      await page.getByLabel('Ammonium chloride, g/L').fill('10');
    },
  },
  { name: 'readings', path: `${NORTH}/log/readings/alkalinity` },
  { name: 'equipment-dark', path: `${NORTH}/equipment`, dark: true },
  { name: 'bench', path: `${NORTH}/bench` },
  { name: 'history', path: `${NORTH}/log/history` },
  { name: 'species', path: `${NORTH}/stock/species` },
  { name: 'kind', path: `${NORTH}/stock/kind?name=spotted+thing` },
  { name: 'kind-wide', path: `${NORTH}/stock/kind?name=spotted+thing`, wide: true },
  { name: 'add', path: `${NORTH}/stock/add?species=ocellaris-clownfish` },
  { name: 'add-wide', path: `${PANTRY}/stock/add?species=yellow-tang`, wide: true },
  { name: 'quarantine', path: `/water/north-qt` },
  { name: 'bare', path: '/water/north-qt/edit', before: bareTank },
  { name: 'bag-wide', path: `${NORTH}/drip/new?animals=north-cardinals`, wide: true, before: longJourney },
  { name: 'buy', path: `${NORTH}/stock/buy`, before: basket },
  {
    name: 'plan',
    path: `${NORTH}/stock/plan`,
    before: async (page) => {
      await page.getByRole('checkbox', { name: /^Cleaners and corals without/ }).click();
      await page.getByLabel('Why the risk is taken').fill('grown by a friend, no fish in his tank');
      await page.getByRole('button', { name: 'Plan it so' }).click();
      await page.getByText(/^All in by/).waitFor();
      await page.getByRole('heading', { level: 1 }).scrollIntoViewIfNeeded();
    },
  },
  {
    name: 'plan-wide',
    path: `${NORTH}/stock/plan`,
    wide: true,
    before: (page) => page.getByText(/^\d of \d in by/).waitFor(),
  },
  { name: 'plan-tried', path: `${NORTH}/stock/plan`, before: tryEarlier },
  { name: 'plan-tried-wide', path: `${NORTH}/stock/plan`, wide: true, dark: true, before: tryEarlier },
  { name: 'company', path: `${NORTH}/stock/company`, before: wishForTang },
  { name: 'company-wide', path: `${NORTH}/stock/company`, wide: true, dark: true },
  { name: 'board', path: `${NORTH}/stock/board` },
  { name: 'board-wide', path: `${NORTH}/stock/board`, wide: true, dark: true },
  { name: 'money', path: `${NORTH}/stock/money` },
  { name: 'animal', path: `${NORTH}/stock/north-cardinals` },
  { name: 'files', path: '/files' },
  { name: 'agenda', path: '/agenda' },
  { name: 'agenda-wide', path: '/agenda', wide: true, dark: true },
  { name: 'report', path: `${NORTH}/report` },
  { name: 'report-wide', path: `${NORTH}/report`, wide: true, dark: true },
  { name: 'photos', path: `${NORTH}/photos`, before: twoPhotos },
  { name: 'photos-wide', path: `${NORTH}/photos`, wide: true, dark: true, before: twoPhotos },
  { name: 'carer', path: `${NORTH}/carer`, before: goAway },
  { name: 'carer-wide', path: `${NORTH}/carer`, wide: true, before: goAway },
  { name: 'table', path: '/files', before: chooseTable },
  { name: 'table-wide', path: '/files', wide: true, dark: true, before: chooseTable },
  { name: 'vial', path: `${PANTRY}/log`, before: readVial },
  { name: 'vial-wide', path: `${PANTRY}/log`, wide: true, dark: true, before: readVial },
  { name: 'card', path: '/kits/kit-nitrite/card' },
  { name: 'bench-wide', path: `${NORTH}/bench`, wide: true, dark: true },
  { name: 'supply', path: `${NORTH}/bench/supply` },
  { name: 'sources-wide', path: `${NORTH}/bench/sources`, wide: true },
  { name: 'pump-wide', path: `${NORTH}/bench/pump`, wide: true, dark: true },
  { name: 'start', path: `${PANTRY}/bench/start` },
  { name: 'month', path: `${NORTH}/month` },
  { name: 'glossary', path: '/glossary' },
  { name: 'test-plan', path: `${NORTH}/log/readings` },
  { name: 'practice-choose', path: '/practice' },
  { name: 'practice', path: '/practice', before: practise },
  { name: 'practice-wide', path: '/practice', wide: true, dark: true, before: lookBack },
  { name: 'settings', path: '/settings' },
  { name: 'kits', path: '/kits' },
  { name: 'waters', path: '/waters' },
  { name: 'gallery', path: '/gallery', wide: true },
];

const [out = '.cache/shots', ...names] = process.argv.slice(2);
if (out.startsWith('-')) throw new Error('usage: shots.mts OUT [name ...], OUT being a folder');
const base = `http://127.0.0.1:${process.env.PORT ?? '4173'}`;
mkdirSync(out, { recursive: true });
const browser = await chromium.launch({
  executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium-headless-shell',
  args: [
    '--no-sandbox',
    '--disable-gpu',
    '--disable-quic',
    '--disable-background-networking',
    '--no-first-run',
  ],
});
for (const shot of SHOTS.filter((s) => names.length === 0 || names.includes(s.name))) {
  const context = await browser.newContext({
    viewport: shot.wide ? { width: 1280, height: 800 } : { width: 390, height: 844 },
    deviceScaleFactor: 1.5,
    colorScheme: shot.dark ? 'dark' : 'light',
    timezoneId: 'Europe/Zurich',
    locale: 'en-GB',
    reducedMotion: 'reduce',
  });
  const page = await context.newPage();
  page.on('pageerror', (error) => console.error(`${shot.name}: ${error.message}`));
  page.on('console', (m) => {
    if (m.type() === 'error') console.error(`${shot.name}: ${m.text()}`);
  });
  if (shot.before === startDrip) await page.clock.install({ time: new Date() });
  await page.goto(base + shot.path);
  await page.getByRole('main').waitFor();
  if (shot.before) await shot.before(page);
  await page.evaluate(() => document.fonts.ready);
  // The notices of the demo are not part of the view.
  await page.addStyleTag({ content: '[role=status],[aria-label=Demo]{display:none!important}' });
  await page.screenshot({ path: join(out, `${shot.name}.png`) });
  await context.close();
}
await browser.close();
