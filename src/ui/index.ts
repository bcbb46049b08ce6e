export { Button } from './Button';
export { Check, Choice, numberFault, TextField, WhenField } from './fields';
export { Caution, Empty, FieldRow, Go, Later, Line, Row, Screen, Section, Steadily } from './layout';
export { Mark } from './marks';
export { Table, type TableColumn } from './Table';
export { ThemeProvider, useReducedMotion, useTheme, useWide } from './theme';
export { FONTS, RADIUS, space, TARGET, TYPE, WIDE, type Role } from './tokens';
export { Txt } from './Txt';
export { chime } from './chime';
