export { AgendaScreen as default } from '../src/features/screens';
