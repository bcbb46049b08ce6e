import { defineConfig } from '@playwright/test';

const port = Number(process.env.E2E_PORT ?? 4199);

const PHONE = { viewport: { width: 390, height: 844 }, hasTouch: true };
const WIDE = { viewport: { width: 1280, height: 800 } };
const WHOLE_WAY = 'walk.spec.ts';

/** Debian's Chromium, as the machine has it; two sizes of the same journeys. */
export default defineConfig({
  testDir: 'e2e',
  fullyParallel: true,
  workers: 2,
  forbidOnly: true,
  // A loaded machine may be late once; a fault is late twice.
  retries: 1,
  // Far above what any takes: a slow machine is no failure.
  timeout: 240_000,
  expect: { timeout: 10_000 },
  reporter: [['list'], ['./scripts/countReporter.ts']],
  use: {
    baseURL: `http://127.0.0.1:${port}`,
    timezoneId: 'Europe/Zurich',
    actionTimeout: 15_000,
    locale: 'en-GB',
    // Each test opens a browser of its own; only the offline journey keeps the app in it.
    serviceWorkers: 'block',
    launchOptions: {
      executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium-headless-shell',
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-quic',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
        '--no-first-run',
      ],
    },
  },
  projects: [
    { name: 'states', testMatch: 'states.setup.ts' },
    // The longest by far goes first: begun last it would leave a core idle.
    { name: 'phone, the whole way', testMatch: WHOLE_WAY, use: PHONE },
    { name: 'wide, the whole way', testMatch: WHOLE_WAY, use: WIDE },
    { name: 'phone', testIgnore: WHOLE_WAY, dependencies: ['states'], use: PHONE },
    {
      name: 'wide',
      testIgnore: WHOLE_WAY,
      dependencies: ['states'],
      // What the width cannot touch (storage, clocks, workers, files) runs on the phone alone.
      grepInvert: /@once/,
      use: WIDE,
    },
  ],
  webServer: {
    command: `npx tsx server/main.ts`,
    env: { PORT: String(port), ZOARIUM_DEMO: '', ZOARIUM_JOURNAL: '' },
    url: `http://127.0.0.1:${port}/health`,
    reuseExistingServer: false,
  },
});
