/** Reminders through the browser: only by day, only of what cannot wait, each once. */
import type { AgendaItem } from '../../../core/agenda';

const FROM_HOUR = 8;
const TO_HOUR = 21;

export const canRemind = (): boolean => typeof Notification !== 'undefined';
export const mayRemind = async (): Promise<boolean> =>
  Notification.permission === 'granted' || (await Notification.requestPermission()) === 'granted';

/** What is to be said now: nothing at night, nothing twice. @param hour of the day where the person is */
export const toRemind = (
  items: readonly AgendaItem[],
  today: string,
  hour: number,
  said: ReadonlySet<string>,
): AgendaItem[] =>
  hour < FROM_HOUR || hour >= TO_HOUR
    ? []
    : items.filter((i) => i.day <= today && !i.canWait && !said.has(i.key));

/** Through the installed app where there is one, else from the page. */
export async function remind(title: string, body: string, tag: string): Promise<void> {
  const registration = await navigator.serviceWorker?.getRegistration();
  const options = { body, tag, icon: '/icon-192.png' };
  if (registration) await registration.showNotification(title, options);
  else new Notification(title, options);
}
