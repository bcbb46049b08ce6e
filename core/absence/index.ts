export { carerNote, leavingDays, type Away, type BeforeLeaving, type CarerNote } from './note';
