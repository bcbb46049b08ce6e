/** Door to the demo scenario, so that it is loaded only when asked for. */
export { makeDemo } from '../../demo';
