/** A task of one's own as typed. */
import type { Task } from '../../../core/document';
import { isDay } from '../../../core/time';

export const REPEATS = [
  { value: 'never', label: 'once' },
  { value: 'after', label: 'so many days after it was done' },
  { value: 'daily', label: 'every so many days by the calendar' },
  { value: 'weekly', label: 'every so many weeks' },
  { value: 'monthly', label: 'every so many months' },
] as const;
export type RepeatChoice = (typeof REPEATS)[number]['value'];

export interface TaskTexts {
  title: string;
  note: string;
  day: string;
  waterId: string;
  repeat: RepeatChoice;
  every: string;
}
export type TaskFaults = Partial<Record<'title' | 'day' | 'waterId' | 'every', string>>;

const FREQ = { daily: 'DAILY', weekly: 'WEEKLY', monthly: 'MONTHLY' } as const;

export function readTask(
  t: TaskTexts,
  id: string,
  today: string,
): { ok: true; task: Task } | { ok: false; faults: TaskFaults } {
  const faults: TaskFaults = {};
  const title = t.title.trim();
  if (title === '') faults.title = 'Say what is to be done.';
  if (title.length > 80) faults.title = 'At most 80 characters.';
  if (!isDay(t.day)) faults.day = 'Give a day like 2026-01-31.';
  else if (t.day < today) faults.day = 'That day is past: give today or a day to come.';
  if (t.waterId === '') faults.waterId = 'Say for which water.';
  const every = Number(t.every.trim());
  if (t.repeat !== 'never' && (!Number.isInteger(every) || every < 1 || every > 1000))
    faults.every = 'Give a whole number, 1 or more.';
  if (Object.keys(faults).length > 0) return { ok: false, faults };
  const repeat: Task['repeat'] =
    t.repeat === 'never'
      ? undefined
      : t.repeat === 'after'
        ? { kind: 'after', days: every }
        : {
            kind: 'rule',
            rule: `FREQ=${FREQ[t.repeat]}${every === 1 ? '' : `;INTERVAL=${every}`}`,
            from: t.day,
          };
  return {
    ok: true,
    task: {
      id,
      waterId: t.waterId,
      day: t.day,
      title,
      note: t.note.trim(),
      doneAt: null,
      ...(repeat ? { repeat } : {}),
    },
  };
}
