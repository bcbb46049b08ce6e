/** An acknowledgement is a promise, in the browser: kept through reloads, other tabs, and a storage that refuses. */
import { expect, test, type Page } from '@playwright/test';
import { openDemo, press, saved } from './app';

const NOTE = '/water/pantry-cube/log/event?kind=note';

/** Everything stored, as one text. */
const storedText = (page: Page): Promise<string> =>
  page.evaluate(
    () =>
      new Promise<string>((done) => {
        const open = indexedDB.open('zoarium');
        open.onsuccess = () => {
          const all = open.result.transaction('entries').objectStore('entries').getAll();
          all.onsuccess = () => {
            open.result.close();
            done(all.result.join('\n'));
          };
        };
      }),
  );

const note = (page: Page) => page.getByRole('textbox', { name: 'Note' });

async function logNote(page: Page, text: string): Promise<void> {
  await page.goto(NOTE);
  await note(page).fill(text);
  await press(page, 'Log it');
  await expect(page.getByText('Note logged')).toBeVisible();
}

/** Presses, and leaves in the very moment in which the page says that it is stored. */
const leaveWhenSaid = (page: Page, way: 'reload' | 'navigate' | 'wait') =>
  page.evaluate(
    (how) =>
      new Promise<void>((done) => {
        const watch = new MutationObserver(() => {
          if (!document.body.textContent?.includes('Note logged')) return;
          watch.disconnect();
          done();
          if (how === 'reload') window.location.reload();
          if (how === 'navigate') window.location.assign('/kits');
        });
        watch.observe(document.body, { childList: true, subtree: true, characterData: true });
        const button = Array.from(document.querySelectorAll<HTMLElement>('[role=button], button')).find(
          (b) => b.textContent === 'Log it',
        );
        button?.click();
      }),
    way,
  );

for (const way of ['reload', 'navigate', 'close'] as const) {
  // The way to the storage is the same at any width.
  const once = { tag: '@once' };
  test(
    `what was acknowledged is there after a ${way} in that very moment, ten times`,
    once,
    async ({ page, context }) => {
      await openDemo(page);
      let here = page;
      for (let i = 0; i < 10; i++) {
        const mark = `${way} ${i} of ten`;
        await here.goto(NOTE);
        await note(here).fill(mark);
        if (way === 'close') {
          await leaveWhenSaid(here, 'wait');
          await here.close();
          here = await context.newPage();
          // Any page of ours sees the storage.
          await here.goto('/health');
        } else {
          const there = here.waitForEvent('load');
          await leaveWhenSaid(here, way).catch(() => undefined);
          await there;
        }
        expect(await storedText(here)).toContain(mark);
      }
    },
  );
}

test('the same entry corrected in two tabs: both are shown, and the person picks', async ({
  page,
  context,
}) => {
  await openDemo(page);
  await logNote(page, 'as it was');
  await page.goto('/water/pantry-cube/log/history');
  await page
    .getByRole('link', { name: /^Note.*\d\d:\d\d/ })
    .first()
    .click();
  await note(page).fill('mine');
  const other = await context.newPage();
  await other.goto(page.url());
  await note(other).fill('theirs');
  await press(other, 'Save the correction');
  await expect(other.getByText('Note corrected')).toBeVisible();
  // What is being typed stays.
  await page.bringToFront();
  await expect(note(page)).toHaveValue('mine');
  await press(page, 'Save the correction');
  const both = page.getByRole('alert').filter({ hasText: 'Changed in another tab' });
  await expect(both).toContainText('mine');
  await expect(both).toContainText('theirs');
  await press(page, 'Keep mine');
  await expect(page.getByText('Note corrected')).toBeVisible();
  await expect(other.getByText('mine', { exact: true })).toBeVisible();
});

test(
  'what another tab deletes while it is corrected stays in sight and can be put back',
  { tag: '@once' },
  async ({ page, context }) => {
    await openDemo(page);
    await logNote(page, 'not for long');
    await page.goto('/water/pantry-cube/log/history');
    await page
      .getByRole('link', { name: /^Note.*\d\d:\d\d/ })
      .first()
      .click();
    await note(page).fill('still wanted');
    const other = await context.newPage();
    await other.goto('/water/pantry-cube/log/history');
    await other
      .getByRole('link', { name: /^Note.*\d\d:\d\d/ })
      .first()
      .click();
    await press(other, 'Delete this entry');
    await expect(other.getByText(/deleted/)).toBeVisible();
    await page.bringToFront();
    await expect(note(page)).toHaveValue('still wanted');
    await press(page, 'Save the correction');
    await expect(page.getByText('Deleted in another tab meanwhile.')).toBeVisible();
    await press(page, 'Put it back');
    await expect(page.getByText('Note corrected')).toBeVisible();
    expect(await storedText(page)).toContain('still wanted');
  },
);

test(
  'a storage that is full: said at once, nothing typed is lost, stored as soon as there is room',
  { tag: '@once' },
  async ({ page }) => {
    await openDemo(page, { at: NOTE });
    await note(page).fill('typed with care');
    await page.evaluate(() => {
      const put = IDBObjectStore.prototype.put;
      Object.assign(window, { room: () => (IDBObjectStore.prototype.put = put) });
      IDBObjectStore.prototype.put = () => {
        throw new DOMException('no room left', 'QuotaExceededError');
      };
    });
    await press(page, 'Log it');
    await expect(page.getByRole('alert')).toContainText('Not stored yet');
    await expect(page.getByRole('button', { name: 'Saving: Log it' })).toBeVisible();
    await expect(note(page)).toHaveValue('typed with care');
    await page.evaluate(() => (window as unknown as { room: () => void }).room());
    await press(page, 'Try again');
    await expect(page.getByText('Note logged')).toBeVisible();
    await expect(page.getByRole('alert')).toHaveCount(0);
    expect(await storedText(page)).toContain('typed with care');
  },
);

test('a browser that keeps nothing says so and lets one go on', { tag: '@once' }, async ({ page }) => {
  await page.addInitScript(() => {
    IDBFactory.prototype.open = () => {
      throw new DOMException('storage is switched off', 'SecurityError');
    };
  });
  await page.goto('/');
  await expect(page.getByRole('heading', { name: 'Zoarium could not open' })).toBeVisible();
  await press(page, 'Go on, nothing is kept');
  await press(page, 'Look around in a demo');
  await expect(page.getByRole('alert')).toContainText('This browser keeps nothing.');
  await expect(page.getByText(/Judged by/)).toBeVisible();
});

test(
  'what the browser removed between two visits is named; undo lives through a reload',
  { tag: '@once' },
  async ({ page }) => {
    await openDemo(page);
    await logNote(page, 'taken back later');
    await page.reload();
    await expect(page.getByText(/Judged by/)).toBeVisible();
    // The acts of before are read once the picture has stood for a moment.
    await expect(async () => {
      await page.keyboard.press('u');
      await expect(page.getByText('Undone: Note logged')).toBeVisible({ timeout: 500 });
    }).toPass();
    await saved(page);
    await page.evaluate(
      () =>
        new Promise<void>((done) => {
          const open = indexedDB.open('zoarium');
          open.onsuccess = () => {
            const tx = open.result.transaction('entries', 'readwrite');
            tx.objectStore('entries').clear();
            tx.oncomplete = () => done();
          };
        }),
    );
    await page.goto('/');
    await expect(page.getByText(/this browser has removed it/)).toBeVisible();
  },
);
