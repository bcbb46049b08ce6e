export { production, rejection, RESIN_MG_PER_L, resinLitresLeft } from './rodi';
