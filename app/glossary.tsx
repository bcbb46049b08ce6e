export { GlossaryScreen as default } from '../src/features/screens';
