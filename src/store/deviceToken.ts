/** The token of the paired device: kept beside the document, in this browser and in no file. */
const KEY = 'zoarium-monitor-token';

/** Null where none is kept, or the browser forbids its storage. */
export function deviceToken(): string | null {
  try {
    return window.localStorage.getItem(KEY);
  } catch {
    return null;
  }
}

/** @throws Error where the browser keeps nothing */
export function keepDeviceToken(token: string | null): void {
  if (token === null) window.localStorage.removeItem(KEY);
  else window.localStorage.setItem(KEY, token);
}
