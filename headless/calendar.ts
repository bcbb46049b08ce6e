/** The command that prints what is due as an iCalendar file. */
import { agendaOf } from '../core/agenda';
import { gatherEvidence } from '../core/evidence';
import { assessmentOf } from '../core/readiness';
import { addDays, UTC } from '../core/time';
import { words } from './commands';
import { agendaTitle, agendaWhy } from '../core/words/agenda';
import { calendarOf } from '../formats/calendar';
import { documentIn } from './files';
import { InputError } from './input';

const USUAL_DAYS = 60;
const MOST_DAYS = 1000;

export function calendar(
  file: string,
  o: { at?: string | undefined; days?: string | undefined },
  nowMs: number,
): string {
  const { document } = documentIn(file, 'the file');
  const atMs = o.at === undefined ? nowMs : Date.parse(o.at);
  if (Number.isNaN(atMs)) throw new InputError(`--at "${o.at ?? ''}" is no moment like 2026-01-31T20:15:00Z`);
  const days = o.days === undefined ? USUAL_DAYS : Number(o.days);
  if (!Number.isInteger(days) || days < 0 || days > MOST_DAYS)
    throw new InputError(`--days must be a whole number from 0 to ${MOST_DAYS}, got "${o.days ?? ''}"`);
  const today = UTC.dayOf(atMs);
  const evidenceOf = (waterId: string) => gatherEvidence(document, waterId, atMs);
  const items = agendaOf(
    document,
    {
      nowMs: atMs,
      local: UTC,
      evidenceOf,
      assessmentOf: (waterId) => assessmentOf(document, evidenceOf(waterId), atMs, UTC),
    },
    addDays(today, days),
  );
  return calendarOf(items, today, atMs, {
    title: (item) => agendaTitle(item, document, words),
    why: (item) => agendaWhy(item, words),
    water: (id) => document.waters[id]?.name ?? id,
  });
}
