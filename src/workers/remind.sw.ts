/** Part of the service worker: woken by the browser now and then, where the app is installed and the person asked for reminders, it says what
 *  has fallen due since. It knows only what the app left for it, and never speaks at night. */
import { toSay } from '../../core/agenda/remind';
import { coming, markSaid, REMIND_TAG, alreadySaid } from './remindLater';

/** As much of a service worker as is used here. */
interface Worker {
  registration: { showNotification: (title: string, options: NotificationOptions) => Promise<void> };
  clients: {
    matchAll: (of: {
      type: 'window';
      includeUncontrolled: boolean;
    }) => Promise<readonly { focus: () => Promise<unknown>; navigate: (url: string) => Promise<unknown> }[]>;
    openWindow: (url: string) => Promise<unknown>;
  };
  addEventListener: (type: string, listener: (event: WorkerEvent) => void) => void;
}
interface WorkerEvent extends Event {
  tag?: string;
  notification?: { close: () => void };
  waitUntil: (work: Promise<unknown>) => void;
}
const worker = globalThis as unknown as Worker;

/** More than so many are said as one. */
const MOST = 3;

worker.addEventListener('periodicsync', (event) => {
  if (event.tag === REMIND_TAG) event.waitUntil(sayDue());
});
worker.addEventListener('notificationclick', (event) => {
  event.notification?.close();
  event.waitUntil(showAgenda());
});

async function sayDue(): Promise<void> {
  const now = new Date();
  const two = (n: number): string => String(n).padStart(2, '0');
  const today = `${now.getFullYear()}-${two(now.getMonth() + 1)}-${two(now.getDate())}`;
  const due = toSay(await coming(), today, now.getHours() + now.getMinutes() / 60, await alreadySaid());
  const options = (body: string, tag: string): NotificationOptions => ({ body, tag, icon: '/icon-192.png' });
  for (const { title, body, key } of due.length > MOST ? [] : due)
    await worker.registration.showNotification(title, options(body, key));
  if (due.length > MOST)
    await worker.registration.showNotification(
      `${due.length} things are due`,
      options(due.map((d) => d.title).join('; '), REMIND_TAG),
    );
  await markSaid(due.map((d) => d.key));
}

async function showAgenda(): Promise<void> {
  const [open] = await worker.clients.matchAll({ type: 'window', includeUncontrolled: true });
  if (open) await open.focus();
  else await worker.clients.openWindow('/agenda');
}
