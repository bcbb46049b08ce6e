/** The calendar file. */
import type { AgendaItem } from '../../../core/agenda';
import type { Document } from '../../../core/document';
import type { WordsContext } from '../../../core/words';
import { agendaTitle, agendaWhy } from '../../../core/words/agenda';

/** What writes calendars is fetched when one is wanted. */
export async function calendarText(
  items: readonly AgendaItem[],
  today: string,
  nowMs: number,
  doc: Document,
  words: WordsContext,
): Promise<string> {
  const { calendarOf } = await import('../../../formats/calendar');
  return calendarOf(items, today, nowMs, {
    title: (item) => agendaTitle(item, doc, words),
    why: (item) => agendaWhy(item, words),
    water: (id) => doc.waters[id]?.name ?? '',
  });
}
