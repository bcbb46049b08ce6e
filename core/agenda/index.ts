export { agendaOf, groupOf, type AgendaFacts } from './agenda';
export type { AgendaGroup, AgendaItem, AgendaSays } from './item';
export { AGENDA, AGENDA_LIMITS } from './limits';
export { toSay, type Reminder } from './remind';
