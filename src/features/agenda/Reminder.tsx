import { useEffect, useRef } from 'react';
import { AGENDA, toSay, type AgendaItem } from '../../../core/agenda';
import { agendaTitle, agendaWhy } from '../../../core/words/agenda';
import { LOCAL, selectDocument, useAppSelector } from '../../store';
import { alreadySaid, leaveForLater, markSaid } from '../../workers/remindLater';
import { useWords } from '../shell';
import { madeUp, mayWaitClosed, remind, urgent, wakeUp } from './reminders';
import { useAgenda } from './useAgenda';

/** Draws nothing: says what falls due, each once, and leaves what comes for the worker to say while the app is closed. */
export function Reminder() {
  const { items, nowMs, today } = useAgenda(AGENDA.remindAheadDays);
  const doc = useAppSelector(selectDocument);
  const words = useWords();
  // One after the other: what one says the next finds said.
  const turn = useRef(Promise.resolve());
  useEffect(() => {
    if (madeUp()) return;
    if (typeof Notification === 'undefined' || Notification.permission !== 'granted') return;
    const reminderOf = (item: AgendaItem) => ({
      key: item.key,
      day: item.day,
      title: agendaTitle(item, doc, words),
      body: agendaWhy(item, words),
    });
    const due = urgent(items);
    turn.current = turn.current.then(async () => {
      await leaveForLater(due.filter(mayWaitClosed).map(reminderOf));
      const now = toSay(due.map(reminderOf), today, LOCAL.hourOf(nowMs), await alreadySaid());
      await markSaid(now.map((r) => r.key));
      // Forbidden since, by the browser or the system: the next are tried again.
      for (const { title, body, key } of now) await remind(title, body, key).catch(() => undefined);
    });
  }, [items, nowMs, today, doc, words]);
  // An app that was installed since then is woken from now on.
  useEffect(() => void wakeUp(), []);
  return null;
}
