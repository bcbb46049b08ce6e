/** The service worker: everything the app is made of stays in the browser, so that it opens with no server at all. A newer version waits
 *  until the person takes it. */
import { useEffect, useState } from 'react';

/** Registers the worker once the page has nothing better to do. Where browsers or servers do not offer one, nothing happens. */
export function keepOffline(): void {
  if (!('serviceWorker' in navigator)) return;
  navigator.serviceWorker.register('/sw.js').catch(() => undefined);
}

/** Takes the waiting version, once there is one; null before. The page is loaded anew when it has taken over. */
export function useNewVersion(): (() => void) | null {
  const [waiting, setWaiting] = useState<ServiceWorker | null>(null);
  useEffect(() => {
    if (!('serviceWorker' in navigator)) return;
    let here = true;
    const offer = (worker: ServiceWorker | null): void => {
      // The very first worker replaces nothing: there is no older page to leave.
      if (here && worker && navigator.serviceWorker.controller) setWaiting(worker);
    };
    void navigator.serviceWorker.ready.then((registration) => {
      offer(registration.waiting);
      registration.addEventListener('updatefound', () => {
        const coming = registration.installing;
        coming?.addEventListener('statechange', () => {
          if (coming.state === 'installed') offer(coming);
        });
      });
    });
    return () => {
      here = false;
    };
  }, []);
  if (!waiting) return null;
  return () => {
    navigator.serviceWorker.addEventListener('controllerchange', () => window.location.reload(), {
      once: true,
    });
    waiting.postMessage({ type: 'SKIP_WAITING' });
  };
}
