/** Kills the whole browser at a random moment after an entry was acknowledged, again and again, and looks whether the entry is there.
 *  `npx tsx bench/kill.mts [ROUNDS] [SEED]` on a finished build. */
import { spawn, type ChildProcess } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium, type Page } from '@playwright/test';
import { seededRandom } from '../core/random';
import { localDay } from '../src/store/time';
import { makeApp } from '../server/app';

const rounds = Number(process.argv[2] ?? 200);
const random = seededRandom(Number(process.argv[3] ?? 1));
/** The kill comes at most so long after the acknowledgement. */
const LATEST_MS = 600;
const DAY_MS = 86_400_000;

const server = makeApp({ dist: process.env.DIST ?? 'dist', demo: true }).listen(0, '127.0.0.1');
await new Promise((ready) => server.once('listening', ready));
const base = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
const profile = mkdtempSync(join(tmpdir(), 'zoarium-kill-'));

interface Running {
  page: Page;
  kill: () => Promise<void>;
}

/** The same profile in a browser of its own; its clock stands on a day of its own, so that each round has a look to log. */
async function start(day: number): Promise<Running> {
  const child = spawn(
    process.env.CHROMIUM ?? '/usr/bin/chromium-headless-shell',
    [
      '--headless=new',
      '--no-sandbox',
      '--disable-gpu',
      '--no-first-run',
      '--disable-background-networking',
    ].concat(['--remote-debugging-port=0', `--user-data-dir=${profile}`, 'about:blank']),
    { detached: true, stdio: ['ignore', 'ignore', 'pipe'] },
  );
  const browser = await chromium.connectOverCDP(await debuggerOf(child));
  const context = browser.contexts()[0] ?? (await browser.newContext());
  const page = await context.newPage();
  await page.clock.install({ time: Date.now() + day * DAY_MS });
  return {
    page,
    kill: async () => {
      const ended = new Promise((done) => child.once('exit', done));
      process.kill(-(child.pid ?? 0), 'SIGKILL');
      await ended;
      await browser.close().catch(() => undefined);
    },
  };
}

const debuggerOf = (child: ChildProcess): Promise<string> =>
  new Promise((found, failed) => {
    let said = '';
    child.stderr?.on('data', (bytes: Buffer) => {
      said += bytes.toString();
      const address = /DevTools listening on (ws:\S+)/.exec(said)?.[1];
      if (address) found(address);
    });
    child.once('exit', () => failed(new Error(`the browser ended: ${said.slice(-500)}`)));
  });

/** Everything stored, by key. */
const stored = (page: Page): Promise<Record<string, string>> =>
  page.evaluate(
    () =>
      new Promise<Record<string, string>>((done, fail) => {
        const open = indexedDB.open('zoarium-demo');
        open.onerror = () => fail(new Error(String(open.error)));
        open.onsuccess = () => {
          const table = open.result.transaction('entries').objectStore('entries');
          const keys = table.getAllKeys();
          const values = table.getAll();
          values.onsuccess = () => {
            open.result.close();
            done(Object.fromEntries(keys.result.map((key, i) => [String(key), String(values.result[i])])));
          };
        };
      }),
  );

const texts = (all: Record<string, string>, collection: string): string[] =>
  Object.entries(all).flatMap(([key, text]) => (key.startsWith(`e/${collection}/`) ? [text] : []));
const has = (all: Record<string, string>, collection: string, part: string): boolean =>
  texts(all, collection).some((text) => text.includes(part));

interface Deed {
  /** Does it and returns once the app has acknowledged it. */
  act: (page: Page, mark: string) => Promise<void>;
  /** What must be stored afterwards; null when it is, else what is missing. */
  missing: (all: Record<string, string>, mark: string) => string | null;
}

const water = `${base}/water/pantry-cube`;
const press = (page: Page, name: string | RegExp) => page.getByRole('button', { name }).first().click();
const open = (page: Page, name: RegExp) => page.getByRole('link', { name }).first().click();
/** Right when the notice is in the page: not a frame later. */
const said = (page: Page, text: string) =>
  page.waitForFunction((t) => document.body.textContent?.includes(t) ?? false, text, { polling: 10 });
const note = async (page: Page, mark: string) => {
  await page.goto(`${water}/log/event?kind=note`);
  await page.getByRole('textbox', { name: 'Note' }).fill(mark);
  await press(page, 'Log it');
  await said(page, 'Note logged');
};

const DEEDS: Record<string, Deed> = {
  sample: {
    act: async (page, mark) => {
      await page.goto(`${water}/log?show=ph`);
      await page.getByLabel(/^pH/).fill('8.11');
      await press(page, 'Add a note');
      await page.getByRole('textbox', { name: 'Note' }).fill(mark);
      await press(page, /^Save 1 reading/);
      await said(page, '1 reading logged');
    },
    missing: (all, mark) => (has(all, 'samples', mark) ? null : 'the sample'),
  },
  event: {
    act: note,
    missing: (all, mark) => (has(all, 'events', mark) ? null : 'the note'),
  },
  'event with its reminder': {
    act: async (page, mark) => {
      await page.goto(`${water}/log/event?kind=food`);
      await page.getByRole('radio', { name: 'Raw seafood' }).click();
      await page.getByLabel('Amount as given, g').fill('12');
      await page.getByRole('textbox', { name: 'Note' }).fill(mark);
      await press(page, 'Log it');
      await said(page, 'logged');
    },
    missing: (all, mark) => (has(all, 'events', mark) ? null : 'the food'),
  },
  'quarantine look': {
    act: async (page) => {
      await page.goto(`${base}/water/north-qt`);
      await press(page, /^All clear today/);
      await said(page, 'Look logged');
    },
    missing: (all, mark) => (has(all, 'looks', mark) ? null : 'the look'),
  },
  correction: {
    act: async (page, mark) => {
      await note(page, `${mark} before`);
      await page.goto(`${water}/log/history`);
      await open(page, /^Note.*\d\d:\d\d/);
      await page.getByRole('textbox', { name: 'Note' }).fill(`${mark} corrected`);
      await press(page, 'Save the correction');
      await said(page, 'Note corrected');
    },
    missing: (all, mark) => (has(all, 'events', `${mark} corrected`) ? null : 'the correction'),
  },
  deletion: {
    act: async (page, mark) => {
      await note(page, mark);
      await page.goto(`${water}/log/history`);
      await open(page, /^Note.*\d\d:\d\d/);
      await press(page, 'Delete this entry');
      await said(page, ' deleted');
    },
    missing: (all, mark) => (has(all, 'events', mark) ? 'the deletion' : null),
  },
  undo: {
    act: async (page, mark) => {
      await note(page, mark);
      await press(page, /^Undo: /);
      await said(page, 'Undone: ');
    },
    missing: (all, mark) => (has(all, 'events', mark) ? 'the undo' : null),
  },
};

/** An act that was stored in part: food without its reminder, or a record whose entity is not what it says. */
function half(all: Record<string, string>): number {
  const foods = texts(all, 'events').filter(
    (text) => text.includes('"seafood"') && text.includes('kill-'),
  ).length;
  const reminders = texts(all, 'tasks').filter((text) => text.includes('Take the seafood out')).length;
  return Math.abs(foods - (reminders - before));
}

const names = Object.keys(DEEDS);
const tally = new Map(names.map((name) => [name, { killed: 0, lost: 0 }]));
let failedOpenings = 0;
let halves = 0;
let before = 0;
let last: { name: string; mark: string } | null = null;

for (let round = 0; round <= rounds; round++) {
  const { page, kill } = await start(round);
  try {
    await page.goto(base);
    // The page of whichever water was looked at last, with its word.
    await page.getByRole('main').getByRole('heading', { level: 1 }).waitFor({ timeout: 20_000 });
  } catch {
    failedOpenings++;
  }
  if (round === 0) {
    await page.waitForTimeout(1500);
    before = texts(await stored(page), 'tasks').filter((t) => t.includes('Take the seafood out')).length;
  } else {
    const all = await stored(page);
    const missing = last ? DEEDS[last.name]?.missing(all, last.mark) : null;
    if (last && missing) {
      const row = tally.get(last.name);
      if (row) row.lost++;
      console.log(`round ${round}: ${missing} is lost`);
    }
    const halfNow = half(all);
    if (halfNow > halves) console.log(`round ${round}: an act is stored in part`);
    halves = Math.max(halves, halfNow);
  }
  if (round === rounds) {
    await kill();
    break;
  }
  const name = names[round % names.length] ?? 'event';
  const todayMs = await page.evaluate(() => Date.now());
  const today = localDay(todayMs);
  last = { name, mark: name === 'quarantine look' ? `"day":"${today}"` : `kill-${round}` };
  await DEEDS[name]?.act(page, last.mark);
  const waitMs = random() * LATEST_MS;
  await new Promise((done) => setTimeout(done, waitMs));
  await kill();
  const row = tally.get(name);
  if (row) row.killed++;
}
server.close();
rmSync(profile, { recursive: true, force: true });

console.log('| what was acknowledged | killed | lost |\n|---|---|---|');
for (const [name, row] of tally) console.log(`| ${name} | ${row.killed} | ${row.lost} |`);
const lost = [...tally.values()].reduce((sum, row) => sum + row.lost, 0);
console.log(
  `${rounds} kills: ${lost} acknowledged lost, ${halves} half acts, ${failedOpenings} failed openings`,
);
process.exit(lost + halves + failedOpenings > 0 ? 1 : 0);
