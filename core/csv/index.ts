export { guess, parameterNamed, type Told } from './guess';
export { readAsItComes, readTable, type TableFault, type TableRead } from './read';
export { COLUMNS, readingRows } from './write';
export { UNIT_CHOICES } from './units';
export type { DateOrder, Doubt, Guess, Mapping as TableMapping, Table, TableRow } from './types';
