import { useEffect, useRef } from 'react';
import { agendaTitle, agendaWhy } from '../../../core/words/agenda';
import { LOCAL, selectDocument, useAppSelector } from '../../store';
import { useWords } from '../shell';
import { remind, toRemind } from './reminders';
import { useAgenda } from './useAgenda';

/** Draws nothing: says what falls due, each once while the page is open. */
export function Reminder() {
  const { items, nowMs, today } = useAgenda(0);
  const doc = useAppSelector(selectDocument);
  const words = useWords();
  const said = useRef(new Set<string>());
  useEffect(() => {
    if (typeof Notification === 'undefined' || Notification.permission !== 'granted') return;
    for (const item of toRemind(items, today, LOCAL.hourOf(nowMs), said.current)) {
      said.current.add(item.key);
      void remind(agendaTitle(item, doc, words), agendaWhy(item, words), item.key);
    }
  }, [items, nowMs, today, doc, words]);
  return null;
}
