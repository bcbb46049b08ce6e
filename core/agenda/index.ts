export { agendaOf, groupOf, type AgendaFacts } from './agenda';
export { asksForAmmonia } from './item';
export type { AgendaGroup, AgendaItem, AgendaSays } from './item';
export { AGENDA, AGENDA_LIMITS } from './limits';
export { toSay, type Reminder } from './remind';
