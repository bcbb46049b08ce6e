/** How long opening takes, beside a bare router app: from the start of the navigation until the main part is in the page and the main thread is
 *  free. No debugger watches, since one has every thrown error located. Each app in turn is opened from a page of another site, in a process that
 *  has run nothing yet ("new"), and then, come to rest, once more from itself ("again"). The first opening of all is given time to work out and
 *  keep the forecast. */
import { spawn } from 'node:child_process';
import { cpSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import express, { type Express } from 'express';
import { makeApp } from '../server/app';

const [bareDist = '', dist = '', rounds = '15'] = process.argv.slice(2);
const FIRST_MS = 17_000;
const PAUSE_MS = 500;
/** Half a second after its first picture a page reads and fetches what may be wanted: it is opened again once that is over. */
const REST_MS = 3_000;

interface Opening {
  name: string;
  how: 'first' | 'new' | 'again';
  shown: number;
  free: number;
  /** What stood at the top: a page of excuses opens fast. */
  head: string;
}
const openings: Opening[] = [];
const at = (share: number, values: readonly number[]): number =>
  [...values].sort((a, b) => a - b)[Math.floor(values.length * share)] ?? NaN;

async function listen(app: Express, host: string): Promise<number> {
  const server = app.listen(0, host);
  await new Promise((ready) => server.once('listening', ready));
  return (server.address() as AddressInfo).port;
}

/** Stands before the app's own code: tells when the main part was there and the thread free, then goes on. */
const probe = (hub: number): string => `(() => {
  const how = new URLSearchParams(location.search).get('how') || 'new';
  const watch = new MutationObserver(() => {
    if (!document.querySelector('[role=main]')) return;
    const shown = performance.now();
    const head = document.querySelector('[role=main]').textContent.slice(0, 20);
    watch.disconnect();
    requestAnimationFrame(() => setTimeout(() => {
      const free = performance.now();
      setTimeout(() => {
        navigator.sendBeacon('/opened', JSON.stringify({ how, shown, free, head }));
        location.href = how === 'new' ? '?how=again' : 'http://localhost:${hub}/';
      }, { first: ${FIRST_MS}, new: ${REST_MS}, again: ${PAUSE_MS} }[how]);
    }));
  });
  watch.observe(document, { childList: true, subtree: true, attributes: true });
})();
`;

/** A copy of a build whose first script begins with the probe. */
function probed(build: string, first: RegExp, hub: number): string {
  const copy = mkdtempSync(join(tmpdir(), 'opening-'));
  cpSync(build, copy, { recursive: true });
  const code = join(copy, '_expo', 'static', 'js', 'web');
  const name = readdirSync(code).find((file) => first.test(file));
  if (!name) throw new Error(`${build} has no script ${String(first)}`);
  writeFileSync(join(code, name), probe(hub) + readFileSync(join(code, name), 'utf8'));
  for (const ending of ['.br', '.gz']) rmSync(join(code, name + ending), { force: true });
  return copy;
}

/** The address of an app that notes its openings under a name. */
async function serve(name: string, app: Express): Promise<string> {
  const outer = express();
  outer.post('/opened', express.text({ type: () => true }), (request, response) => {
    openings.push({ name, ...(JSON.parse(String(request.body)) as Omit<Opening, 'name'>) });
    response.end();
  });
  outer.use(app);
  return `http://127.0.0.1:${await listen(outer, '127.0.0.1')}/`;
}

function bareApp(folder: string): Express {
  const app = express();
  app.use(express.static(folder, { index: false, maxAge: '1y' }));
  app.get('/', (_request, response) => {
    response.type('html').send(readFileSync(join(folder, 'index.html'), 'utf8'));
  });
  return app;
}

const hub = express();
const hubPort = await listen(hub, 'localhost');
const bareCopy = probed(bareDist, /^entry-.*\.js$/, hubPort);
const appCopy = probed(dist, /^__expo-metro-runtime.*\.js$/, hubPort);
const bare = await serve('bare', bareApp(bareCopy));
const app = await serve('Zoarium', makeApp({ dist: appCopy, demo: true }));
const plan = [
  `${app}?how=first`,
  `${bare}?how=first`,
  ...Array.from({ length: Number(rounds) + 2 }, () => [bare, app]).flat(),
];
const over = new Promise<void>((done) => {
  hub.get('/', (_request, response) => {
    const next = plan.shift();
    if (next === undefined) done();
    const go = next === undefined ? '' : `setTimeout(() => { location.href = '${next}'; }, ${PAUSE_MS});`;
    response.type('html').set('Cache-Control', 'no-store').send(`<title>hub</title><script>${go}</script>`);
  });
});
const profile = mkdtempSync(join(tmpdir(), 'opening-'));
const browser = spawn(
  process.env.CHROMIUM ?? '/usr/bin/chromium-headless-shell',
  [
    '--no-sandbox',
    '--disable-gpu',
    '--disable-quic',
    '--disable-background-networking',
    '--no-first-run',
    '--remote-debugging-port=0',
    '--window-size=390,844',
    `--user-data-dir=${profile}`,
    `http://localhost:${hubPort}/`,
  ],
  { stdio: 'ignore' },
);
await over;
browser.kill('SIGKILL');
await new Promise((gone) => browser.once('exit', gone));
for (const how of ['again', 'new'] as const) {
  // The first two rounds fill caches.
  const of = (name: string) => openings.filter((o) => o.how === how && o.name === name).slice(2);
  const [theirs, ours] = [of('bare'), of('Zoarium')];
  const ratio = at(
    0.5,
    ours.map((o, i) => o.free / (theirs[i]?.free ?? NaN)),
  );
  const told = (of: Opening[], key: 'shown' | 'free') =>
    `${at(
      0.25,
      of.map((o) => o[key]),
    ).toFixed(0)} / ${at(
      0.5,
      of.map((o) => o[key]),
    ).toFixed(0)}`;
  console.log(
    `opened ${how === 'again' ? 'again' : 'in a new process'}, ${ours.length} times in turn, ms at a quarter / in the middle: ` +
      `bare app shown ${told(theirs, 'shown')}, free ${told(theirs, 'free')}; Zoarium with demo data shown ${told(ours, 'shown')}, ` +
      `free ${told(ours, 'free')}; ratio ${ratio.toFixed(2)} in the middle`,
  );
}
console.log(`at the top stood: ${[...new Set(openings.map((o) => `${o.name}: ${o.head}`))].join('; ')}`);
for (const folder of [profile, bareCopy, appCopy])
  // What the killed browser's children still write comes to rest; what is measured is told before.
  rmSync(folder, { recursive: true, force: true, maxRetries: 10, retryDelay: 300 });
process.exit(0);
