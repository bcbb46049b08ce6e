export { Button } from './Button';
export { Check, Choice, TextField, WhenField } from './fields';
export { Caution, Empty, FieldRow, Go, Later, Line, Row, Screen, Section, Steadily } from './layout';
export { Mark } from './marks';
export { Table } from './Table';
export { ThemeProvider, useReducedMotion, useTheme, useWide } from './theme';
export { RADIUS, space, TARGET, TYPE } from './tokens';
export { Txt } from './Txt';
export { chime } from './chime';
