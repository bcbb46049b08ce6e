export { WAYS, type Way, type WayId } from './ways';
export { WEEKS } from './weeks';
