/** What a table holds, guessed from the names of its columns and what stands in them. What two readings would fit is not guessed: it is asked. */
import { isNitrogen, PARAMETER_NAMES, PARAMETERS, type Document, type Parameter } from '../document';
import { holdsClock, holdsDay, isEitherOrder, orderShown } from './dates';
import { decimalShown, isBlank, isEither, numberIn } from './numbers';
import type { Column, Doubt, Guess, Mapping, Table, TableRow } from './types';
import { plainUnit, UNIT_CHOICES, unitOf } from './units';

/** Rows a guess is made from. */
const LOOKED_AT = 2000;

const ROLES: readonly (readonly [Column['as'], RegExp])[] = [
  ['sample', /^sample( id)?$/],
  ['waterId', /^(water|tank) id$/],
  ['kitId', /^kit id$/],
  ['water', /^(water|tank|aquarium|system|basin|becken)( name)?$/],
  ['parameter', /^(parameter|test|analyte|measurement|what|quantity)$/],
  ['value', /^(value|reading|result|measured|wert|amount)$/],
  ['unit', /^(unit|units|einheit)$/],
  ['basis', /^(basis|as)$/],
  ['kit', /^(kit|test kit|instrument|method|device)$/],
  ['doubted', /^doubt(ed)?$/],
  ['corrected', /^(corrected|edited)( at)?$/],
  ['photo', /^photo$/],
  ['note', /^(notes?|comments?|remarks?|bemerkung(en)?)$/],
  ['when', /^(date ?time|time ?stamp|when|moment|date (and|&) time|zeitpunkt|date et heure|fecha y hora)$/],
  ['day', /^(date|day|datum|tag|fecha)$/],
  ['clock', /^(time|clock|uhrzeit|zeit|hour|heure|hora)$/],
];

const NAMES: readonly (readonly [Parameter, RegExp])[] = [
  ['freeAmmonia', /free (ammonia|nh3)|unionised|unionized/],
  ['nitrite', /\bnitrit|\bno2\b/],
  ['nitrate', /\bnitrat|\bno3\b/],
  ['ammonia', /ammoni|\bnh[34]\b|\btan\b/],
  ['phosphate', /phosph|\bpo4\b/],
  ['alkalinity', /\balk|alcalin|\bd?kh\b|carbonate hardness|karbonatharte/],
  ['calcium', /calcium|\bca\b/],
  ['magnesium', /magnes|\bmg\b(?! (n|l|per)\b|\/)/],
  ['salinity', /salin|\bsg\b|gravity|conductivity|\bdichte\b|leitwert|leitfahigkeit|densidad/],
  ['temperature', /temp/],
  ['orp', /\borp\b|redox/],
  ['silicate', /silic|\bsio2\b/],
  ['oxygen', /oxygen|\bo2\b/],
  ['par', /\bpar\b/],
  ['ph', /\bph\b/],
];

/** A column's name without the unit in brackets, and the unit. */
function nameAndUnit(header: string): { name: string; unit: string } {
  const m = /^(.*?)[([](.*)[)\]]\s*$/.exec(header.trim());
  const name = plainName(m ? (m[1] as string) : header);
  return { name, unit: m ? (m[2] as string).trim() : '' };
}
const plainName = (text: string): string =>
  text
    .normalize('NFKD')
    .replace(/[\u0300-\u036f]/g, '')
    .replace(/([a-z]{2})([A-Z])/g, '$1 $2')
    .toLowerCase()
    .replace(/[_\s]+/g, ' ')
    .trim();

/** A parameter as a table names it; null where it names none. */
export function parameterNamed(text: string, doc: Pick<Document, 'ownParameters'>): Parameter | null {
  const exact = PARAMETERS.find((p) => p.toLowerCase() === text.trim().toLowerCase());
  if (exact && !exact.startsWith('own')) return exact;
  const name = plainName(text);
  const known = PARAMETERS.find((p) => PARAMETER_NAMES[p].toLowerCase() === name && !p.startsWith('own'));
  if (known) return known;
  const own = Object.values(doc.ownParameters).find((o) => plainName(o.name) === name);
  if (own) return own.id;
  if (exact) return exact;
  return NAMES.find(([, pattern]) => pattern.test(name))?.[0] ?? null;
}

/** The unit at the end of a column's name, where it is one of the parameter: "Temp F", "Alk dKH", "NO3-N". */
function unitInName(parameter: Parameter, name: string): string {
  const words = name.split(/[\s,]+/).filter(Boolean);
  for (let n = Math.min(3, words.length); n >= 1; n--) {
    const tail = words.slice(-n).join(' ');
    if (isUnit(parameter, tail)) return tail;
  }
  return '';
}

/** Not every text is a unit: a parameter's own name is none, and "NO3" by itself names the parameter, not what it is counted as. */
const isUnit = (parameter: Parameter, text: string): boolean =>
  plainUnit(text) !== '' &&
  plainUnit(text) !== 'ph' &&
  !isBareSpecies(text) &&
  unitOf(parameter, text) !== null &&
  (isNitrogen(parameter) ? /n$|mg|ppm|ppb|ug/.test(plainUnit(text)) : !parameter.startsWith('own'));
/** Also "NH3/NH4": both together are the total, and still say nothing of what it is counted as. */
const isBareSpecies = (text: string): boolean =>
  /^(no2-?|no3-?|nh[34]\+?([/+&,-]?nh[34]\+?)?)$/.test(plainUnit(text));

/** What a column was recognised as, the table's cells aside. */
function columnOf(header: string, doc: Document): Column {
  const { name, unit } = nameAndUnit(header);
  const role = ROLES.find(([, pattern]) => pattern.test(name))?.[0];
  if (role) return { as: role };
  const parameter = parameterNamed(name === '' ? header : name, doc);
  if (!parameter) return { as: 'ignore' };
  const inName = unitInName(parameter, name);
  const said = unit !== '' && !isBareSpecies(unit) ? unit : inName;
  // "PO4-P (ppb)": the element stands with the name, the unit behind it.
  const element = /[- ](p|si)$/.exec(name)?.[1];
  const written = element && unitOf(parameter, `${said} ${element}`) ? `${said} ${element}` : said;
  const found = written === '' ? null : unitOf(parameter, written);
  const basis = found?.basis ?? (inName === '' ? null : unitOf(parameter, inName)?.basis);
  return {
    as: 'reading',
    parameter,
    ...(written === '' ? {} : { unit: written.slice(0, 40) }),
    ...(basis ? { basis } : {}),
  };
}

/** @param told what the person says of columns, by name, and of the whole; it stands over every guess */
export interface Told {
  decimal?: Mapping['decimal'] | undefined;
  dateOrder?: Mapping['dateOrder'] | undefined;
  columns?: Readonly<Record<string, Column>> | undefined;
  waterId?: string | null | undefined;
  /** Whether the readings are a device's; where nothing is said, how often they come tells. */
  fromDevice?: boolean | undefined;
}

/** @returns the reading of the table as far as it can be guessed, with what cannot */
export function guess(table: Table, doc: Document, told: Told = {}): Guess {
  const rows = table.rows.slice(0, LOOKED_AT);
  const cellsOf = (i: number): string[] => rows.map((r) => r.cells[i] ?? '').filter((c) => !isBlank(c));
  const doubts: Doubt[] = [];
  const assumed: string[] = [];
  const columns = table.header.map((name): Column => told.columns?.[name] ?? columnOf(name, doc));
  settleMoments(columns, cellsOf);
  settleRows(columns, table, told);
  doubts.push(...doubled(table, columns));
  const numeric = columns.flatMap((c, i) => (c.as === 'reading' || c.as === 'value' ? cellsOf(i) : []));
  const decimal = decimalOf(table, columns, numeric, told, doubts, cellsOf);
  const dateOrder = orderOf(table, columns, told, doubts, cellsOf);
  const settled = columns.map((c, i) =>
    withUnit(c, table.header[i] as string, cellsOf(i), decimal, doubts, assumed),
  );
  const waterId = waterOf(doc, columns, told, doubts);
  doubts.push(...missing(columns));
  const ignored = table.header.filter((_, i) => settled[i]?.as === 'ignore');
  if (ignored.length > 0) assumed.push(`Not read: ${ignored.map((h) => `"${h}"`).join(', ')}.`);
  const units = unitsOfRows(table, settled, rows, decimal, doc, assumed);
  return { mapping: { decimal, dateOrder, columns: settled, waterId, units }, doubts, assumed };
}

/** A column called time may hold the whole moment, and one called date the time of day as well. */
function settleMoments(columns: Column[], cellsOf: (i: number) => string[]): void {
  const has = (as: Column['as']) => columns.some((c) => c.as === as);
  columns.forEach((c, i) => {
    const cells = cellsOf(i);
    const days = cells.filter(holdsDay).length;
    if (c.as === 'clock' && !has('day') && !has('when') && days > cells.length / 2)
      columns[i] = { as: 'when' };
    if (c.as === 'day' && !has('clock') && cells.some((cell) => holdsDay(cell) && holdsClock(cell)))
      columns[i] = { as: 'when' };
  });
}

/** In a table of one reading a row, other columns that look like readings only say the same again. */
function settleRows(columns: Column[], table: Table, told: Told): void {
  const has = (as: Column['as']) => columns.some((c) => c.as === as);
  if (!has('parameter') || !has('value')) return;
  columns.forEach((c, i) => {
    if (c.as === 'reading' && !told.columns?.[table.header[i] as string]) columns[i] = { as: 'ignore' };
  });
}

/** Two columns that would be the same. */
function doubled(table: Table, columns: readonly Column[]): Doubt[] {
  const seen = new Map<string, string>();
  const doubts: Doubt[] = [];
  columns.forEach((c, i) => {
    if (c.as === 'ignore') return;
    const key = c.as === 'reading' ? `reading ${c.parameter ?? ''}` : c.as;
    const name = table.header[i] as string;
    const before = seen.get(key);
    const what = c.as === 'reading' ? PARAMETER_NAMES[c.parameter as Parameter] : c.as;
    if (before !== undefined)
      doubts.push({
        column: name,
        message: `"${before}" and "${name}" both look like ${what}: the mapping must say which, the other as "ignore"`,
      });
    else seen.set(key, name);
  });
  const names = table.header.filter((h, i) => table.header.indexOf(h) !== i && h.trim() !== '');
  for (const name of new Set(names))
    if (!doubts.some((d) => d.column === name))
      doubts.push({ column: name, message: `two columns are called "${name}": give each its own name` });
  return doubts;
}

function decimalOf(
  table: Table,
  columns: readonly Column[],
  numeric: readonly string[],
  told: Told,
  doubts: Doubt[],
  cellsOf: (i: number) => string[],
): Mapping['decimal'] {
  if (told.decimal) return told.decimal;
  const shown = decimalShown(numeric);
  if (shown === 'both') {
    doubts.push({
      column: null,
      message:
        'some figures have a decimal point and some a comma: the mapping must say "decimal", "." or ","',
    });
    return '.';
  }
  if (shown !== null) return shown;
  // Only figures like "1,025": a specific gravity is near one, anything else might be thousands.
  const either = columns.findIndex(
    (c, i) => (c.as === 'reading' || c.as === 'value') && cellsOf(i).some(isEither),
  );
  if (either < 0) return '.';
  const cells = cellsOf(either).filter(isEither);
  const mark = cells[0]?.includes(',') ? ',' : '.';
  if (columns[either]?.parameter === 'salinity' && cells.every((c) => /^\s*1[.,]0\d\d\s*$/.test(c)))
    return mark;
  doubts.push({
    column: table.header[either] as string,
    message: `"${table.header[either] as string}": ${cells[0]?.trim() ?? ''} may be a fraction or thousands: the mapping must say "decimal", "." or ","`,
  });
  return '.';
}

function orderOf(
  table: Table,
  columns: readonly Column[],
  told: Told,
  doubts: Doubt[],
  cellsOf: (i: number) => string[],
): Mapping['dateOrder'] {
  if (told.dateOrder !== undefined && told.dateOrder !== null) return told.dateOrder;
  const at = columns.findIndex((c) => c.as === 'when' || c.as === 'day');
  if (at < 0) return null;
  const cells = cellsOf(at);
  const shown = orderShown(cells);
  const name = table.header[at] as string;
  if (shown === 'both') {
    doubts.push({
      column: name,
      message: `"${name}": some dates have the day first and some the month: the mapping must say "dateOrder", "dmy" or "mdy", and the others be mended`,
    });
    return null;
  }
  if (shown === null) {
    const either = cells.find(isEitherOrder);
    if (either !== undefined)
      doubts.push({
        column: name,
        message: `"${name}": ${either.trim()} may have the day or the month first: the mapping must say "dateOrder", "dmy" or "mdy"`,
      });
  }
  return shown;
}

/** Between these a column of figures can only be in one unit. Ends that touch another unit's are left out on purpose. */
const TELLING: Partial<Record<Parameter, readonly (readonly [string, number, number])[]>> = {
  temperature: [
    ['C', 5, 40],
    ['F', 60, 100],
  ],
  salinity: [
    ['SG 25/25', 1, 1.06],
    ['ppt', 15, 41],
    ['mS/cm', 44, 60],
  ],
  alkalinity: [
    ['meq/L', 1.4, 4.4],
    ['dKH', 5.2, 20],
    ['mg/L CaCO3', 70, 400],
  ],
  phosphate: [
    ['mg/L', 0, 2],
    ['ppb', 5, 2000],
  ],
};

/** Figures that say something of a unit: zero fits all. */
const figuresIn = (cells: readonly string[], decimal: Mapping['decimal']): number[] =>
  cells
    .map((cell) => numberIn(cell.replace(/^[<>≤≥]\s*/, ''), decimal))
    .filter((x): x is number => x !== null && x !== 0);

/** The one unit that figures of a parameter can be in; null where there is none, or more than one. */
function onlyUnit(parameter: Parameter, figures: readonly number[]): string | null {
  const fits = (TELLING[parameter] ?? []).filter(([, low, high]) =>
    figures.every((x) => x >= low && x <= high),
  );
  return figures.length > 0 && fits.length === 1 ? (fits[0]?.[0] ?? null) : null;
}

const byItsFigures = (unit: string): string =>
  `taken as ${unit}, by its figures${unit.startsWith('SG') ? '; without temperatures it is 25/25' : ''}.`;

/** Of one reading a row the units that nothing names, by what was measured, as far as all figures of it tell. */
function unitsOfRows(
  table: Table,
  columns: readonly Column[],
  rows: readonly TableRow[],
  decimal: Mapping['decimal'],
  doc: Document,
  assumed: string[],
): Partial<Record<Parameter, string>> {
  const at = (as: Column['as']) => columns.findIndex((c) => c.as === as);
  const [parameterAt, valueAt, unitAt] = [at('parameter'), at('value'), at('unit')];
  if (parameterAt < 0 || valueAt < 0 || columns[valueAt]?.unit) return {};
  const cells: Partial<Record<Parameter, string[]>> = {};
  for (const row of rows) {
    const parameter = parameterNamed(row.cells[parameterAt] ?? '', doc);
    if (parameter && TELLING[parameter] && isBlank(row.cells[unitAt] ?? ''))
      (cells[parameter] ??= []).push(row.cells[valueAt] ?? '');
  }
  const units: Partial<Record<Parameter, string>> = {};
  for (const parameter of Object.keys(cells) as Parameter[]) {
    const only = onlyUnit(parameter, figuresIn(cells[parameter] ?? [], decimal));
    if (only === null) continue;
    units[parameter] = only;
    assumed.push(`${PARAMETER_NAMES[parameter]} without a unit: ${byItsFigures(only)}`);
  }
  return units;
}

/** A column with its unit: as its name says it, or as its figures can only be meant. */
function withUnit(
  c: Column,
  name: string,
  cells: readonly string[],
  decimal: Mapping['decimal'],
  doubts: Doubt[],
  assumed: string[],
): Column {
  if (c.as !== 'reading' || !c.parameter) return c;
  const { parameter } = c;
  if (c.unit !== undefined) {
    if (unitOf(parameter, c.unit)) {
      if (parameter === 'salinity' && plainUnit(c.unit) === 'sg')
        assumed.push(`"${name}": a specific gravity without its temperatures is taken as 25/25.`);
      return c;
    }
    doubts.push({
      column: name,
      message: `"${name}": ${PARAMETER_NAMES[parameter]} is not measured in "${c.unit}": the mapping must say its "unit"`,
    });
    return c;
  }
  const telling = TELLING[parameter];
  if (!telling) return c;
  const figures = figuresIn(cells, decimal);
  const only = onlyUnit(parameter, figures);
  if (only !== null) {
    assumed.push(`"${name}": ${byItsFigures(only)}`);
    return { ...c, unit: only };
  }
  if (figures.length === 0) return { ...c, unit: telling[0]?.[0] ?? '' };
  doubts.push({
    column: name,
    message: `"${name}": the unit of ${PARAMETER_NAMES[parameter]} cannot be told from its figures: the mapping must say "unit", one of ${(UNIT_CHOICES[parameter] ?? []).join(', ')}`,
  });
  return c;
}

function waterOf(doc: Document, columns: readonly Column[], told: Told, doubts: Doubt[]): string | null {
  if (told.waterId !== undefined && told.waterId !== null) return told.waterId;
  if (columns.some((c) => c.as === 'water' || c.as === 'waterId')) return null;
  const waters = Object.values(doc.waters);
  if (waters.length === 1) return waters[0]?.id ?? null;
  doubts.push({
    column: null,
    message:
      waters.length === 0
        ? 'there is no water in the document the readings could be of'
        : `no column names the water: the mapping must say "water", one of ${waters.map((w) => w.id).join(', ')}`,
  });
  return null;
}

/** What no table of readings can be without. */
function missing(columns: readonly Column[]): Doubt[] {
  const has = (as: Column['as']) => columns.some((c) => c.as === as);
  const doubts: Doubt[] = [];
  if (!has('when') && !has('day'))
    doubts.push({
      column: null,
      message: 'no column holds the date: the mapping must say which, as "day" or "when"',
    });
  if (!has('reading') && !(has('parameter') && has('value')))
    doubts.push({
      column: null,
      message: 'no column holds readings: the mapping must say which, as "reading" with its "parameter"',
    });
  return doubts;
}
