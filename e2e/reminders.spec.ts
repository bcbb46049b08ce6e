/** Reminders while the app is closed: what the page leaves, and what the worker says of it when the browser wakes it. */
import { expect, test, type Page } from '@playwright/test';
import { openDemo } from './app';

test.use({ serviceWorkers: 'allow', permissions: ['notifications'] });

const read = <T>(page: Page, path: string): Promise<T | null> =>
  page.evaluate(async (p) => {
    const found = await (await caches.open('zoarium-reminders')).match(p);
    return found ? ((await found.json()) as unknown) : null;
  }, path) as Promise<T | null>;

interface Scope {
  Date: DateConstructor;
  Real?: DateConstructor;
  shown: string[];
  registration: { showNotification: (title: string) => Promise<void> };
  caches: CacheStorage;
}

test(
  'what falls due is left for the worker, which says it by day, once, and never at night',
  { tag: '@once' },
  async ({ page, context }) => {
    // A browser without a screen forbids what it was told to allow.
    await page.addInitScript(() => {
      Object.defineProperty(Notification, 'permission', { get: () => 'granted' });
    });
    await openDemo(page, { at: '/agenda' });
    await page.evaluate(() => navigator.serviceWorker.ready);
    await page.getByRole('checkbox', { name: 'Remind me while the app is open or installed' }).click();
    type Left = { key: string; day: string; title: string }[];
    await expect
      .poll(async () => (await read<Left>(page, '/reminders/coming.json'))?.length ?? 0)
      .toBeGreaterThan(0);
    const left = (await read<Left>(page, '/reminders/coming.json'))!;
    const last = left
      .map((r) => r.day)
      .sort()
      .at(-1)!;
    const said = async (): Promise<string[]> => (await read<string[]>(page, '/reminders/said.json')) ?? [];
    const before = (await said()).length;
    expect(left.length).toBeGreaterThan(before);

    const [worker] = context.serviceWorkers();
    const client = await context.newCDPSession(page);
    const id = new Promise<string>((found) => {
      client.on('ServiceWorker.workerRegistrationUpdated', ({ registrations }) => {
        if (registrations[0]) found(registrations[0].registrationId);
      });
    });
    await client.send('ServiceWorker.enable');
    const registrationId = await id;
    /** The browser wakes the worker at a time; what it then says, while nothing is shown without a screen. */
    const wokenAt = async (time: string): Promise<string[]> => {
      await worker!.evaluate((at) => {
        const scope = globalThis as unknown as Scope;
        const Real = (scope.Real ??= scope.Date);
        scope.Date = class extends Real {
          constructor() {
            super(at);
          }
        } as DateConstructor;
        scope.shown = [];
        scope.registration.showNotification = (title) => {
          scope.shown.push(title);
          return Promise.resolve();
        };
      }, time);
      await client.send('ServiceWorker.dispatchPeriodicSyncEvent', {
        origin: new URL(page.url()).origin,
        registrationId,
        tag: 'zoarium-reminders',
      });
      return worker!.evaluate(async () => {
        const scope = globalThis as unknown as Scope;
        // What the event does stands in the worker's queue before this.
        for (let i = 0; i < 50 && scope.shown.length === 0; i++) await scope.caches.keys();
        return scope.shown;
      });
    };
    expect(await wokenAt(`${last}T23:10:00`)).toEqual([]);
    expect(await wokenAt(`${last}T07:10:00`)).toEqual([]);
    expect((await said()).length).toBe(before);
    expect(await wokenAt(`${last}T12:10:00`)).toEqual([`${left.length - before} things are due`]);
    await expect.poll(async () => (await said()).length).toBe(left.length);
    expect(await wokenAt(`${last}T15:10:00`)).toEqual([]);
    // Switched off, nothing is left behind.
    await page.getByRole('checkbox', { name: 'Remind me while the app is open or installed' }).click();
    await expect.poll(() => page.evaluate(() => caches.has('zoarium-reminders'))).toBe(false);
  },
);
