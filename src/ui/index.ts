export { Button } from './Button';
export { Check, Choice, TextField } from './fields';
export {
  Caution,
  Empty,
  FieldRow,
  Go,
  KeepsRoom,
  Later,
  Line,
  PageEndContext,
  Row,
  Screen,
  Section,
  Steadily,
} from './layout';
export { Mark } from './marks';
export { Table } from './Table';
export { ThemeProvider, useReducedMotion, useTheme, useWide } from './theme';
export { RADIUS, space, TARGET, TREND_HEIGHT, TYPE, type Role } from './tokens';
export { styleSheet } from './styleSheet';
export { Txt } from './Txt';
export { useWidth } from './useWidth';
export { chime } from './chime';
export { useChime } from './useChime';
export { ICONS } from './icons';
