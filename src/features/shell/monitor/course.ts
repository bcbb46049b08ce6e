/** What a device showed in a water, ready to be drawn over any span of its years. */
import { useEffect, useMemo, useState } from 'react';
import type { MonitorDay } from '../../../../core/document';
import { course, dayStretch, daysOf, spanOf, type Monitored, type Stretch } from '../../../../core/monitor';
import { selectDocument, useAppSelector } from '../../../store';
import { eachInSlices } from '../../../store/slices';
import type { DrawnCourse } from '../../../ui/charts/TimeChart';

/** Each day as one stretch, worked out once: ten years are some thousands. */
const WHOLE = new WeakMap<MonitorDay, Stretch | null>();

/** Days worked out before anything is drawn again: what is looked at first. */
const FIRST_DAYS = 400;

/** @param show a stored value as it is drawn
 *  @returns null where no device has shown it */
export function useCourse(
  waterId: string,
  what: Monitored | undefined,
  show: (stored: number) => number,
): DrawnCourse | null {
  const all = useAppSelector((s) => selectDocument(s).monitorDays);
  const days = useMemo(() => (what ? daysOf(all, waterId, what) : []), [all, waterId, what]);
  const known = useWholeDays(days);
  return useMemo(() => {
    const span = spanOf(days);
    if (!span) return null;
    return {
      ...span,
      within: (fromMs, toMs, most) =>
        course(days, known, fromMs, toMs, most).stretches.flatMap((s) => {
          const [mean, a, b] = [show(s.mean), show(s.low), show(s.high)];
          return Number.isFinite(mean + a + b)
            ? { ...s, mean, low: Math.min(a, b), high: Math.max(a, b) }
            : [];
        }),
    };
  }, [days, known, show]);
}

/** The days as stretches, so far as they are worked out: the newest first, in slices. */
function useWholeDays(days: readonly MonitorDay[]): readonly (Stretch | null | undefined)[] {
  const [learnt, setLearnt] = useState(0);
  useEffect(() => {
    if (days.length === 0) return undefined;
    let gone = false;
    const learn = async (some: readonly MonitorDay[]) => {
      await eachInSlices(
        some.filter((day) => !WHOLE.has(day)),
        (day) => {
          if (!gone) WHOLE.set(day, dayStretch(day));
        },
        () => performance.now(),
      );
      if (!gone) setLearnt((n) => n + 1);
    };
    const newestFirst = [...days].reverse();
    void learn(newestFirst.slice(0, FIRST_DAYS)).then(() =>
      newestFirst.length > FIRST_DAYS ? learn(newestFirst.slice(FIRST_DAYS)) : undefined,
    );
    return () => {
      gone = true;
    };
  }, [days]);
  return useMemo(() => (learnt > 0 ? days.map((day) => WHOLE.get(day)) : []), [days, learnt]);
}
