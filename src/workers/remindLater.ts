/** What falls due in the coming days, left where the browser's worker finds it while the app is closed; and what was said already, by either. */
import type { Reminder } from '../../core/agenda';

/** Name of the wake-up the browser is asked for. */
export const REMIND_TAG = 'zoarium-reminders';

const CACHE = 'zoarium-reminders';
const COMING = '/reminders/coming.json';
const SAID = '/reminders/said.json';
/** So many are remembered as said: more than fall due in a month. */
const MOST_SAID = 500;

async function kept<T>(path: string, otherwise: T): Promise<T> {
  try {
    const found = await (await caches.open(CACHE)).match(path);
    return found ? ((await found.json()) as T) : otherwise;
  } catch {
    // A browser that forbids its storage, or a file that was broken: as if there was none.
    return otherwise;
  }
}

async function keep(path: string, value: unknown): Promise<void> {
  try {
    const body = new Response(JSON.stringify(value), { headers: { 'content-type': 'application/json' } });
    await (await caches.open(CACHE)).put(path, body);
  } catch {
    // Without room nothing is said while the app is closed; what stood there before is out of date and goes.
    await forgetReminders().catch(() => undefined);
  }
}

export const coming = (): Promise<Reminder[]> => kept<Reminder[]>(COMING, []);
export const leaveForLater = (reminders: readonly Reminder[]): Promise<void> => keep(COMING, reminders);
export const alreadySaid = async (): Promise<Set<string>> => new Set(await kept<string[]>(SAID, []));
export async function markSaid(keys: readonly string[]): Promise<void> {
  if (keys.length > 0) await keep(SAID, [...(await alreadySaid()), ...keys].slice(-MOST_SAID));
}
/** Nothing is left for later any more. */
export const forgetReminders = async (): Promise<void> => {
  await globalThis.caches?.delete(CACHE);
};
