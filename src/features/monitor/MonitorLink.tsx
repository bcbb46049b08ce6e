import { useEffect, useRef } from 'react';
import type { Monitor, MonitorDay } from '../../../core/document';
import { folded, type MonitorReading } from '../../../core/monitor';
import { commit, practiceRun, selectDocument, useAppDispatch, useAppSelector } from '../../store';
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
  const doc = useAppSelector(selectDocument);
  const current = useRef(doc);
  useEffect(() => {
    current.current = doc;
  });
  useEffect(() => {
    let bunch: MonitorReading[] = [];
    let epoch = '';
    let writing = Promise.resolve();
    let timer: ReturnType<typeof setTimeout> | null = null;
    const standing = (): Monitor | undefined => current.current.monitors[monitorId];
    // What is on its way counts as taken, or it would be asked for twice when the line is cut meanwhile.
    let taken = standing()?.taken ?? { epoch: '', seq: 0 };
    const write = () => {
      timer = null;
      const readings = bunch;
      bunch = [];
      writing = writing.then(async () => {
        const monitor = standing();
        if (!monitor || readings.length === 0) return;
        const days: Record<string, MonitorDay> = current.current.monitorDays;
        const last = readings[readings.length - 1] as MonitorReading;
        await dispatch(
          commit(
            '',
            [
              ...folded(readings, monitor, (id) => days[id]).map((entity) => ({
                put: 'monitorDays' as const,
                entity,
              })),
              {
                put: 'monitors',
                entity: { ...monitor, name: last.device.slice(0, 80), taken: { epoch, seq: last.seq } },
              },
            ],
            { quiet: true },
          ),
        );
      });
    };
    const close = listen(
      () => taken,
      (from, readings) => {
        if (from !== epoch) {
          epoch = from;
          if (taken.epoch !== from) taken = { epoch: from, seq: 0 };
        }
        const fresh = readings.filter((r) => r.seq > taken.seq);
        const last = fresh[fresh.length - 1];
        if (!last) return;
        taken = { epoch, seq: last.seq };
        bunch.push(...fresh);
        timer ??= setTimeout(write, BUNCH_MS);
      },
      setLink,
    );
    return () => {
      close();
      if (timer) clearTimeout(timer);
      write();
    };
  }, [dispatch, monitorId]);
  return null;
}
