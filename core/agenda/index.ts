export { agendaOf, groupOf, type AgendaFacts } from './agenda';
export type { AgendaGroup, AgendaItem, AgendaSays } from './item';
export { AGENDA_LIMITS } from './limits';
