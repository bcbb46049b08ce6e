/** The app in a tester's words. */
import { expect, type Page } from '@playwright/test';

/** A quiet evening; the clock flows from here and is moved by hand. */
export const EVENING = new Date('2026-05-01T18:00:00.000Z');

/** Where the browser's storage with the demo tanks is kept for the run: their dates worked out, so that no test waits beside it. */
export const DEMO_STATE = '.cache/states/demo.json';

/** The same before any forecast. */
export const NO_DATES_STATE = '.cache/states/noDates.json';

/** Fails the test on anything the page itself reports as broken. */
export function watchErrors(page: Page): string[] {
  const errors: string[] = [];
  page.on('pageerror', (error) => errors.push(error.message));
  page.on('console', (message) => {
    if (message.type() === 'error') errors.push(message.text());
  });
  return errors;
}

export async function openEmpty(page: Page): Promise<void> {
  await page.clock.install({ time: EVENING });
  await page.goto('/');
  await expect(page.getByRole('heading', { name: 'Begin' })).toBeVisible();
  await facesThere(page);
}

/** Opens an address with the demo tanks already in the browser's storage (states.setup.ts put them there once), and waits for its screen. */
export async function goFilled(page: Page, at: string, time: Date, state = DEMO_STATE): Promise<void> {
  await page.context().setStorageState(state);
  await page.clock.install({ time });
  await page.goto(at);
  await page.getByRole('main').waitFor();
  // What fills the storage does not wait until it is committed, and then closes its page: under load nothing may have been kept.
  if (!(await isStored(page, 'e/'))) {
    await page.goto('about:blank');
    await page.context().setStorageState(state);
    await page.goto(at);
    await page.getByRole('main').waitFor();
  }
}

/** Opens the app with the demo tanks on a quiet evening.
 *  @param at the address the browser is opened at; Today where none is said */
export async function openDemo(
  page: Page,
  { at = '/', state = DEMO_STATE }: { at?: string; state?: string } = {},
): Promise<void> {
  await goFilled(page, at, EVENING, state);
  await expect(at === '/' ? page.getByText(/Judged by/) : word(page)).toBeVisible();
  await facesThere(page);
}

/** A face that arrives between press and release would move the button away. */
const facesThere = (page: Page) => page.evaluate(async () => void (await document.fonts.ready));

export const wide = (page: Page): boolean => (page.viewportSize()?.width ?? 0) >= 900;

export const place = (page: Page, name: 'Today' | 'Log' | 'Cycle' | 'Stock' | 'Bench') =>
  page.getByRole('navigation', { name: 'Places' }).getByRole('link', { name, exact: true }).click();

/** Goes to a route as the browser's own back and forward do: the app stays, the screen is another. */
export async function follow(page: Page, route: string): Promise<void> {
  // Where the app was on its way elsewhere by itself, its screen would be the one that was left: then once more.
  await expect(async () => {
    await page.evaluate((to) => {
      document.querySelector('[role=main]')?.setAttribute('data-left', '');
      history.pushState(null, '', to);
      dispatchEvent(new PopStateEvent('popstate'));
    }, route);
    await page.locator('[role=main]:not([data-left]) h1').waitFor({ timeout: 5_000 });
  }).toPass({ timeout: 30_000 });
}

export const press = (page: Page, name: string | RegExp) =>
  page.getByRole('button', { name, exact: typeof name === 'string' }).click();

export const fill = (page: Page, label: string, value: string) =>
  page.getByLabel(label, { exact: true }).fill(value);

export const word = (page: Page) => page.getByRole('main').getByRole('heading', { level: 1 });

/** Moves the clock. */
export async function later(page: Page, time: { days?: number; minutes?: number }): Promise<void> {
  await page.clock.fastForward((time.days ?? 0) * 86_400_000 + (time.minutes ?? 0) * 60_000);
  await page.clock.runFor(1100);
  // Running by hand stops the clock; a page opened later would stand still.
  await page.clock.resume();
}

/** All writes so far are in the browser's storage: a reload would show them. */
export async function saved(page: Page): Promise<void> {
  await page.evaluate(
    () =>
      new Promise<void>((done, fail) => {
        const open = indexedDB.open('zoarium');
        open.onerror = () => fail(open.error);
        open.onsuccess = () => {
          const tx = open.result.transaction(Array.from(open.result.objectStoreNames), 'readwrite');
          tx.oncomplete = () => {
            open.result.close();
            done();
          };
        };
      }),
  );
}

/** Is something stored whose key begins so? What the app keeps by itself is written a little after it is shown. */
export const isStored = (page: Page, prefix: string): Promise<boolean> =>
  page.evaluate(
    (from) =>
      new Promise<boolean>((done, fail) => {
        const open = indexedDB.open('zoarium');
        open.onerror = () => fail(open.error);
        open.onsuccess = () => {
          const all = open.result.transaction('entries').objectStore('entries');
          all.count(IDBKeyRange.bound(from, `${from}\uffff`)).onsuccess = (event) => {
            open.result.close();
            done((event.target as IDBRequest<number>).result > 0);
          };
        };
      }),
    prefix,
  );

export async function addTank(page: Page, name = 'Shelf Reef'): Promise<void> {
  await press(page, 'Describe your tank');
  await fill(page, 'Name', name);
  await press(page, 'How big is the glass?');
  await fill(page, 'Length inside, cm', '100');
  await fill(page, 'Width inside, cm', '50');
  await fill(page, 'Water height, cm', '48,0');
  await fill(page, 'Rock, kg', '24');
  await fill(page, 'Sand, kg', '28');
  await expect(page.getByRole('img', { name: /filled: 220 L/ })).toBeVisible();
  await press(page, 'Where are you now?');
  await page.getByRole('radio', { name: /^Filling/ }).click();
  await press(page, 'What came before?');
  await fill(page, 'First filled on', 'today');
  await press(page, 'How do you go on?');
  await page.getByRole('checkbox', { name: 'A lid or net is on' }).click();
  await press(page, 'Add, then log tests');
  await expect(word(page)).toHaveText('A sample');
  await place(page, 'Today');
  await expect(word(page)).toHaveText('Test');
}

/** Another of the person's waters, through the name above. */
export async function switchTo(page: Page, name: string): Promise<void> {
  await page.getByRole('link', { name: /switch water/ }).click();
  await page
    .getByRole('main')
    .getByRole('link', { name: new RegExp(`^${name}`) })
    .click();
}

type Readings = Partial<
  Record<'ammonia' | 'nitrite' | 'nitrate' | 'salinity' | 'temperature' | 'alkalinity' | 'pH', string>
>;
const FIELD: Record<string, string> = {
  salinity: 'Pocket meter, ppt',
  temperature: 'Thermometer, °C',
  alkalinity: 'Alkalinity titration, dKH',
  pH: 'pH pen',
};

/** Logs one sitting through the sheet. */
export async function logSample(page: Page, readings: Readings): Promise<void> {
  await place(page, 'Log');
  for (const [name, value] of Object.entries(readings)) {
    const field = FIELD[name];
    const add = page.getByRole('button', { name: `+ ${name}`, exact: true });
    await expect(page.getByRole('heading', { name, level: 2 }).or(add)).toBeVisible();
    if (await add.isVisible()) await add.click();
    if (!field) {
      await press(page, `${name} ${value}`);
      continue;
    }
    await fill(page, field, value);
  }
  const n = Object.keys(readings).length;
  await press(page, n === 1 ? 'Save 1 reading' : `Save ${n} readings`);
  await expect(page.getByText(/Judged by/)).toBeVisible();
}

/** Doses 2 mg/L from a bottle of 10 g NH4Cl per litre. */
export async function dose(page: Page): Promise<void> {
  await place(page, 'Cycle');
  await press(page, 'Work out a dose');
  await fill(page, 'Ammonium chloride, g/L', '10');
  await press(page, 'It is in: log it');
  await expect(page.getByRole('heading', { name: 'Where the nitrogen is' })).toBeVisible();
}

/** What stands out of the page to the right, or out of so many px. Runs in the page. */
export function widerThanTheScreen(px: number | null): string[] {
  const width = px ?? document.documentElement.clientWidth;
  return Array.from(document.querySelectorAll('[role=main] *'))
    .filter((e) => e.getBoundingClientRect().right > width + 1 && !e.closest('svg'))
    .map((e) => e.outerHTML.slice(0, 160));
}
