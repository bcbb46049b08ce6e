/** Reminders through the browser: of what cannot wait, by day, each once; where the app is installed also while it is closed. */
import type { AgendaItem } from '../../../core/agenda';
import { demoShown, practiceRun } from '../../store';
import { forgetReminders, REMIND_TAG } from '../../workers/remindLater';

export const canRemind = (): boolean => typeof Notification !== 'undefined';
export const mayRemind = async (): Promise<boolean> =>
  Notification.permission === 'granted' || (await Notification.requestPermission()) === 'granted';

/** What may be said by an app that is closed: no dose of ammonia, which only the log as it stands may ask for. */
export const mayWaitClosed = (item: AgendaItem): boolean => item.says.code !== 'dose';

export const urgent = (items: readonly AgendaItem[]): AgendaItem[] => items.filter((i) => !i.canWait);

/** Through the installed app where there is one, else from the page. */
export async function remind(title: string, body: string, tag: string): Promise<void> {
  const registration = await navigator.serviceWorker?.getRegistration();
  const options = { body, tag, icon: '/icon-192.png' };
  if (registration) await registration.showNotification(title, options);
  else new Notification(title, options);
}

/** Not every browser has it, and those that do only for an installed app. */
interface WakesUp {
  periodicSync?: {
    register: (tag: string, options: { minInterval: number }) => Promise<void>;
    unregister: (tag: string) => Promise<void>;
  };
}
const EVERY_MS = 6 * 3_600_000;

/** Made-up tanks remind nobody, and leave alone what the person's own have left. */
export const madeUp = (): boolean => demoShown() || practiceRun() !== null;

/** Asks the browser to wake the app's worker now and then. @returns whether it will */
export async function wakeUp(): Promise<boolean> {
  if (madeUp()) return false;
  const registration = (await navigator.serviceWorker?.getRegistration()) as WakesUp | undefined;
  try {
    await registration?.periodicSync?.register(REMIND_TAG, { minInterval: EVERY_MS });
    return registration?.periodicSync !== undefined;
  } catch {
    return false;
  }
}

/** No more reminders: nothing is left for later, and nobody is woken. */
export async function letSleep(): Promise<void> {
  if (madeUp()) return;
  const registration = (await navigator.serviceWorker?.getRegistration()) as WakesUp | undefined;
  await Promise.all([
    registration?.periodicSync?.unregister(REMIND_TAG).catch(() => undefined),
    forgetReminders(),
  ]);
}
