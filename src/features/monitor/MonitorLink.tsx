import { useEffect } from 'react';
import type { MonitorReading } from '../../../core/monitor';
import { practiceRun, selectDocument, useAppDispatch, useAppSelector } from '../../store';
import { takenOf, takeReadings } from '../../store/device';
import { setLink } from './link';
import { listen } from './stream';

/** Takes what devices send as long as the page is open: folded into hours, kept quietly, each reading once. Draws nothing. */
export function MonitorLink() {
  const monitors = useAppSelector((s) => selectDocument(s).monitors);
  const monitor = Object.values(monitors).find((m) => m.revokedAt === null);
  return monitor && !practiceRun() ? <Link key={monitor.id} monitorId={monitor.id} /> : null;
}

/** Readings wait for one another this long before they are written. */
const BUNCH_MS = 1500;

function Link({ monitorId }: { monitorId: string }) {
  const dispatch = useAppDispatch();
  useEffect(() => {
    const gone = new AbortController();
    let close = (): void => undefined;
    const hear = () => {
      let bunch: MonitorReading[] = [];
      let epoch = '';
      let writing: Promise<unknown> = Promise.resolve();
      let timer: ReturnType<typeof setTimeout> | null = null;
      const write = () => {
        timer = null;
        const readings = bunch;
        bunch = [];
        if (readings.length === 0) return;
        const of = epoch;
        writing = writing.then(() => dispatch(takeReadings(monitorId, of, readings)));
      };
      const cut = listen(
        () => dispatch(takenOf(monitorId)),
        (from, readings) => {
          if (from !== epoch) write();
          epoch = from;
          bunch.push(...readings);
          timer ??= setTimeout(write, BUNCH_MS);
        },
        setLink,
      );
      close = () => {
        cut();
        if (timer) clearTimeout(timer);
        write();
      };
    };
    void onlyHere(gone.signal, hear);
    return () => {
      gone.abort();
      close();
    };
  }, [dispatch, monitorId]);
  return null;
}

/** Of several tabs one hears the device; when it goes, the next takes over from where the storage stands. */
async function onlyHere(gone: AbortSignal, hear: () => void): Promise<void> {
  if (!('locks' in navigator)) return hear();
  await navigator.locks
    .request('zoarium-monitor', { signal: gone }, () => {
      if (gone.aborted) return undefined;
      hear();
      // Held until this tab is done with it.
      return new Promise<void>((done) => gone.addEventListener('abort', () => done()));
    })
    .catch(() => undefined);
}
