/** From the rows of a table to samples: all of it, or the faults line by line. */
import {
  isNitrogen,
  LIMITS,
  PARAMETER_NAMES,
  type Document,
  type Kit,
  type Parameter,
  type Reading,
  type ReadingValue,
  type Sample,
  type Water,
} from '../document';
import { fromMgNPerL, toMgNPerL, type NitrogenBasis, type NitrogenSpecies } from '../units';
import { MINUTE_MS } from '../time';
import { momentOf } from './dates';
import { converted, figuresOf, isBlank, photoIn, valueIn } from './numbers';
import { parameterNamed } from './guess';
import { DeviceHours, HowOften, type DeviceRead } from './device';
import type { Column, Mapping, Table, TableRow } from './types';
import { unitOf } from './units';

export interface TableFault {
  line: number;
  message: string;
}

export interface TableRead {
  samples: Sample[];
  /** Kits that are not here yet. */
  kits: Kit[];
  readings: number;
  /** Readings that stand in the log, or in the table above, already. */
  duplicates: number;
  faults: TableFault[];
  /** Values that can be and are rare. */
  questioned: TableFault[];
  /** What was taken for granted, in sentences. */
  assumed: string[];
  /** Something is read as often in a day as only a device reads. */
  often: boolean;
  /** What was taken as a device's; null where all of it was taken as tests by hand. */
  device: DeviceRead | null;
}

export interface ReadOptions {
  /** Of times that name none. */
  zone: string;
  /** What a device shows is one's, and kept by the hour: no test by hand, and of no kit. */
  fromDevice?: boolean;
}

/** One value of a row, on its way. */
interface Found {
  line: number;
  waterId: string;
  at: string;
  sampleId: string | null;
  parameter: Parameter;
  value: ReadingValue;
  kit: Kit;
  doubted: boolean;
  photo: Reading['photo'] | null;
  note: string;
  corrected: string | null;
}

export function readTable(table: Table, mapping: Mapping, doc: Document, o: ReadOptions): TableRead {
  const reader = new Reader(table, mapping, doc, o);
  for (const row of table.rows) reader.row(row);
  return reader.end();
}

/** Of readings that come as often as only a device reads those of what a device shows are kept by the hour, unless the person says what they are. */
export function readAsItComes(
  table: Table,
  mapping: Mapping,
  doc: Document,
  o: { zone: string; fromDevice: boolean | undefined },
): TableRead {
  const { zone, fromDevice } = o;
  if (fromDevice !== undefined) return readTable(table, mapping, doc, { zone, fromDevice });
  const reader = new Reader(table, mapping, doc, { zone });
  for (const row of table.rows) {
    reader.row(row);
    // It shows within days: begun again, little was read in vain.
    if (reader.often.isADevice) return readTable(table, mapping, doc, { zone, fromDevice: true });
  }
  return reader.end();
}

const at = (columns: readonly Column[], as: Column['as']): number => columns.findIndex((c) => c.as === as);

class Reader {
  private readonly faults: TableFault[] = [];
  private readonly questioned: TableFault[] = [];
  private readonly assumed = new Set<string>();
  private readonly kits: Kit[] = [];
  private readonly found: Found[] = [];
  private duplicates = 0;
  private readonly waters: Map<string, Water>;
  private readonly standing: Standing;
  private readonly lastKits = new Map<string, Kit | null>();
  readonly often = new HowOften();
  private readonly device: DeviceHours | null;

  constructor(
    private readonly table: Table,
    private readonly mapping: Mapping,
    private readonly doc: Document,
    private readonly o: ReadOptions,
  ) {
    this.waters = new Map(Object.values(doc.waters).map((w) => [w.name.trim().toLowerCase(), w]));
    this.standing = new Standing(doc);
    this.device = o.fromDevice ? new DeviceHours() : null;
  }

  row(row: TableRow): void {
    const { columns } = this.mapping;
    const fault = (message: string) => void this.faults.push({ line: row.line, message });
    if (row.cells.length !== this.table.header.length)
      return fault(`has ${row.cells.length} fields, the header has ${this.table.header.length}`);
    const cell = (as: Column['as']): string => row.cells[at(columns, as)] ?? '';
    const values = columns.flatMap((c, i) => (c.as === 'reading' && !isBlank(row.cells[i] ?? '') ? [i] : []));
    const long = at(columns, 'parameter') >= 0 && at(columns, 'value') >= 0 && !isBlank(cell('value'));
    // A day without a reading says nothing.
    if (values.length === 0 && !long) return;
    const dayCell = at(columns, 'when') >= 0 ? cell('when') : cell('day');
    const clock = at(columns, 'clock') >= 0 && at(columns, 'when') < 0 ? cell('clock') : null;
    const moment = momentOf(dayCell, clock, this.mapping.dateOrder, this.o.zone);
    if (!moment.ok) return fault(moment.why);
    const waterId = this.waterOf(cell('waterId'), cell('water'));
    if (waterId === null)
      return fault(`there is no water called "${(cell('water') || cell('waterId')).trim().slice(0, 60)}"`);
    const corrected = cell('corrected').trim();
    const common = {
      line: row.line,
      waterId,
      at: moment.at,
      sampleId: idOf(cell('sample')),
      note: unguarded(cell('note')).slice(0, 2000),
      corrected: Number.isNaN(Date.parse(corrected)) ? null : new Date(corrected).toISOString(),
      photo: photoIn(cell('photo')),
    };
    for (const i of values) {
      const column = columns[i] as Column;
      const read = this.value(
        row.cells[i] as string,
        column.parameter as Parameter,
        column.unit ?? '',
        column.basis ?? null,
        '',
        '',
        waterId,
      );
      if (typeof read === 'string') fault(`"${this.table.header[i] as string}": ${read}`);
      else this.take({ ...common, ...read, parameter: column.parameter as Parameter, doubted: false });
    }
    if (long) {
      const parameter = parameterNamed(unguarded(cell('parameter')), this.doc);
      if (!parameter)
        return fault(`"${cell('parameter').trim().slice(0, 40)}" is nothing that can be logged`);
      const basis = BASES[cell('basis').trim().toLowerCase()] ?? null;
      if (cell('basis').trim() !== '' && basis === null)
        return fault(`the basis "${cell('basis').trim().slice(0, 20)}" is none of N, ion, NH3`);
      const valueColumn = columns[at(columns, 'value')] as Column;
      const unit = cell('unit').trim() || valueColumn.unit || this.mapping.units?.[parameter] || '';
      if (parameter === 'salinity' && /^(sg|specific ?gravity)$/i.test(unit))
        this.assumed.add('A specific gravity without its temperatures is taken as 25/25.');
      const read = this.value(
        cell('value'),
        parameter,
        unit,
        basis ?? valueColumn.basis ?? null,
        cell('kit'),
        cell('kitId'),
        waterId,
      );
      if (typeof read === 'string') fault(read);
      else
        this.take({
          ...common,
          ...read,
          parameter,
          doubted: /^(yes|true|1|y|\?)$/i.test(cell('doubted').trim()),
        });
    }
  }

  private waterOf(id: string, name: string): string | null {
    const trimmed = id.trim();
    if (trimmed !== '' && Object.hasOwn(this.doc.waters, trimmed)) return trimmed;
    const named = unguarded(name).trim();
    if (named === '' && trimmed === '') return this.mapping.waterId;
    if (Object.hasOwn(this.doc.waters, named)) return named;
    return this.waters.get(named.toLowerCase())?.id ?? null;
  }

  /** @returns a text that says what is wrong */
  private value(
    cell: string,
    parameter: Parameter,
    unitText: string,
    basis: NitrogenBasis | null,
    kitName: string,
    kitId: string,
    waterId: string,
  ): { value: ReadingValue; kit: Kit } | string {
    const shown = valueIn(cell, this.mapping.decimal);
    if (!shown) return `"${cell.trim().slice(0, 40)}" is no reading`;
    const unit = unitText.trim() === '' ? null : unitOf(parameter, unitText);
    if (unitText.trim() !== '' && !unit)
      return `${PARAMETER_NAMES[parameter]} is not measured in "${unitText.trim().slice(0, 20)}"`;
    if (!unit && NEEDS_UNIT.has(parameter) && unitText.trim() === '')
      return `${PARAMETER_NAMES[parameter]} needs its unit, which its figures do not tell: a column of units must say it`;
    const counted = basis ?? unit?.basis ?? null;
    const species = speciesOf(parameter);
    if (counted === 'NH3' && species !== 'ammonia')
      return `${PARAMETER_NAMES[parameter]} is not counted as NH3`;
    const kit = this.kitFor(waterId, parameter, kitName, kitId, counted);
    if (typeof kit === 'string') return kit;
    let value = unit ? converted(shown, unit.toStored) : shown;
    if (species) {
      const of = basisOf(parameter, kit.basis);
      if (counted === null) {
        const formula = of === 'ion' ? ION[species] : of;
        const like = this.kits.includes(kit) ? 'as most kits print it' : `as "${kit.name}" prints it`;
        this.assumed.add(`${PARAMETER_NAMES[parameter]} without a basis is taken as ${formula}, ${like}.`);
      } else if (counted !== of) {
        const from = basisOf(parameter, counted);
        value = converted(value, (x) => fromMgNPerL(species, of, toMgNPerL(species, from, x)));
      }
    }
    const [low, high] = LIMITS[parameter].possible;
    const off = figuresOf(value).find((x) => x < low || x > high || !Number.isFinite(x));
    if (off !== undefined)
      return `${PARAMETER_NAMES[parameter]} of ${cell.trim().slice(0, 20)}${unitText ? ` ${unitText.trim()}` : ''} cannot be: ${LIMITS[parameter].hint}`;
    return { value, kit };
  }

  /** The kit named, or the one last used there, or any of the parameter, or a new one. */
  private kitFor(
    waterId: string,
    parameter: Parameter,
    name: string,
    id: string,
    basis: NitrogenBasis | null,
  ): Kit | string {
    const named = unguarded(name).trim();
    const byId = this.doc.kits[id.trim()];
    if (byId)
      return byId.parameter === parameter
        ? byId
        : `kit "${id.trim()}" is for ${PARAMETER_NAMES[byId.parameter]}`;
    if (named !== '') {
      const all = [...Object.values(this.doc.kits), ...this.kits];
      const found = all.find(
        (k) => k.parameter === parameter && k.name.trim().toLowerCase() === named.toLowerCase(),
      );
      return found ?? this.newKit(parameter, named.slice(0, 80), basis, idOf(id));
    }
    const key = `${waterId} ${parameter}`;
    let kit = this.lastKits.get(key);
    if (kit === undefined) {
      kit = this.standing.kitOf(waterId, parameter);
      this.lastKits.set(key, kit);
    }
    if (kit) return kit;
    const made = this.newKit(parameter, `${PARAMETER_NAMES[parameter]}, from a table`, basis, null);
    this.lastKits.set(key, made);
    return made;
  }

  private newKit(parameter: Parameter, name: string, basis: NitrogenBasis | null, id: string | null): Kit {
    const known = this.kits.find((k) => k.parameter === parameter && k.name === name);
    if (known) return known;
    const free = id !== null && !this.kits.some((k) => k.id === id);
    const kit: Kit = {
      id: free ? id : `table-${hashOf(`${parameter} ${name}`)}`,
      name,
      parameter,
      scale: { kind: 'number', resolution: RESOLUTION[parameter] ?? 0.01 },
      basis: speciesOf(parameter) ? basisOf(parameter, basis) : null,
      salinityUnit: parameter === 'salinity' ? 'ppt' : null,
      expires: null,
      waitMinutes: null,
      archived: false,
    };
    this.kits.push(kit);
    return kit;
  }

  private take(found: Found): void {
    if (isPlain(found)) {
      const { waterId, parameter, at: atIso } = found;
      this.often.add(waterId, parameter, atIso);
      if (this.device?.take(waterId, parameter, atIso, asDevice(found))) return this.question(found);
    }
    const stands = this.standing.like(found);
    if (stands === 'same') {
      this.duplicates++;
      return;
    }
    if (stands === 'other') {
      this.faults.push({
        line: found.line,
        message: `${PARAMETER_NAMES[found.parameter]} of ${found.at} stands already with another value: mend one of the two`,
      });
      return;
    }
    this.question(found);
    this.standing.add(found);
    this.found.push(found);
  }

  private question({ line, parameter, value }: Found): void {
    const [low, high] = LIMITS[parameter].usual;
    const rare = figuresOf(value).find((x) => x < low || x > high);
    if (rare === undefined) return;
    const message = `${PARAMETER_NAMES[parameter]} ${rare} is rare. ${LIMITS[parameter].hint}`;
    this.questioned.push({ line, message });
  }

  /** The id the table brings along, else one made of water and moment: the same table read on two devices makes the same samples. */
  private freeId(f: Found): string {
    const made = `table-${hashOf(`${f.waterId} ${f.at}`)}`;
    const taken = (id: string) => Object.hasOwn(this.doc.samples, id);
    if (f.sampleId !== null && !taken(f.sampleId)) return f.sampleId;
    let id = made;
    for (let n = 2; taken(id); n++) id = `${made}-${n}`;
    return id;
  }

  end(): TableRead {
    const bySample = new Map<string, Sample>();
    for (const f of this.found) {
      const key = f.sampleId ?? `${f.waterId} ${f.at}`;
      const reading: Reading = {
        parameter: f.parameter,
        kitId: f.kit.id,
        value: f.value,
        ...(f.doubted ? { doubted: true as const } : {}),
        ...(f.photo ? { photo: f.photo } : {}),
      };
      const sample = bySample.get(key);
      if (sample) {
        sample.readings.push(reading);
        if (sample.note === '') sample.note = f.note;
        continue;
      }
      bySample.set(key, {
        id: this.freeId(f),
        waterId: f.waterId,
        at: f.at,
        readings: [reading],
        note: f.note,
        ...(f.corrected ? { editedAt: f.corrected } : {}),
      });
    }
    const columns = this.table.header.join('\n');
    const device = this.device?.end(this.doc, (id) => `table-${hashOf(`device ${id} ${columns}`)}`) ?? null;
    const used = new Set(this.found.map((f) => f.kit));
    return {
      samples: [...bySample.values()],
      kits: this.kits.filter((k) => used.has(k)),
      readings: this.found.length,
      duplicates: this.duplicates + (device?.duplicates ?? 0),
      faults: this.faults,
      questioned: this.questioned,
      assumed: [...this.assumed],
      often: this.often.isADevice,
      device,
    };
  }
}

/** Nothing but a figure, as a device gives it: no kit's steps, no doubt, note or picture, and of no sitting. */
const isPlain = (f: Found): boolean =>
  f.value.kind === 'exact' && !f.doubted && !f.photo && f.note === '' && !f.corrected && f.sampleId === null;

/** A plain figure in a device's units: ammonia in mg N/L, the rest as stored. */
function asDevice({ parameter, value, kit }: Found): number {
  const [figure = NaN] = figuresOf(value);
  const species = speciesOf(parameter);
  if (!species) return figure;
  return Math.round(toMgNPerL(species, basisOf(parameter, kit.basis), figure) * 1e6) / 1e6;
}

/** A reading that stands already. */
interface Stood {
  value: ReadingValue;
  kitId: string;
  sampleId: string | null;
  /** Not from the table itself. */
  inLog: boolean;
}

/** What the log holds, and what the table has brought so far, by minute. */
class Standing {
  private readonly byMinute = new Map<string, Stood[]>();
  private readonly last = new Map<string, { at: string; kitId: string }>();
  constructor(private readonly doc: Document) {
    for (const s of Object.values(doc.samples))
      for (const r of s.readings) {
        this.put(s.waterId, s.at, r.parameter, { ...r, sampleId: s.id, inLog: true });
        const key = `${s.waterId} ${r.parameter}`;
        const before = this.last.get(key);
        if (!doc.kits[r.kitId]?.archived && (!before || before.at < s.at))
          this.last.set(key, { at: s.at, kitId: r.kitId });
      }
  }
  private keyOf(waterId: string, atIso: string, parameter: Parameter): string {
    return `${waterId} ${Math.floor(Date.parse(atIso) / MINUTE_MS)} ${parameter}`;
  }
  private put(waterId: string, atIso: string, parameter: Parameter, stood: Stood): void {
    const key = this.keyOf(waterId, atIso, parameter);
    const list = this.byMinute.get(key);
    if (list) list.push(stood);
    else this.byMinute.set(key, [stood]);
  }
  add({ waterId, at: atIso, parameter, value, kit, sampleId }: Found): void {
    this.put(waterId, atIso, parameter, { value, kitId: kit.id, sampleId, inLog: false });
  }
  /** The same value of that minute; another by the same kit; or nothing. A table that tells samples apart may hold two of one minute. */
  like(f: Found): 'same' | 'other' | null {
    const list = this.byMinute.get(this.keyOf(f.waterId, f.at, f.parameter)) ?? [];
    const own = f.sampleId === null ? list : list.filter((r) => r.sampleId === f.sampleId);
    const known = own.length > 0 || f.sampleId === null ? own : list.filter((r) => r.inLog);
    const byKit = known.filter((r) => r.kitId === f.kit.id);
    if ((f.sampleId === null ? known : byKit).some((r) => alike(r.value, f.value))) return 'same';
    return own.some((r) => r.kitId === f.kit.id) ? 'other' : null;
  }
  kitOf(waterId: string, parameter: Parameter): Kit | null {
    const { kits } = this.doc;
    const last = this.last.get(`${waterId} ${parameter}`);
    return (
      (last && kits[last.kitId]) ??
      Object.values(kits).find((k) => k.parameter === parameter && !k.archived) ??
      null
    );
  }
}

/** The same to six digits: two ways of converting are one value. */
function alike(a: ReadingValue, b: ReadingValue): boolean {
  if (a.kind !== b.kind) return false;
  const [x, y] = [figuresOf(a), figuresOf(b)];
  return (
    x.length === y.length &&
    x.every((v, i) => Math.abs(v - (y[i] as number)) <= 1e-6 * Math.max(1, Math.abs(v)))
  );
}

/** What a nitrogen reading counts; null for everything else. */
const speciesOf = (parameter: Parameter): NitrogenSpecies | null =>
  parameter === 'freeAmmonia' ? 'ammonia' : isNitrogen(parameter) ? parameter : null;

/** As what a figure is counted, where a basis is named or none is. Free ammonia is NH3, unless it is said to be nitrogen. */
const basisOf = (parameter: Parameter, basis: NitrogenBasis | null): NitrogenBasis =>
  parameter === 'freeAmmonia' ? (basis === 'N' ? 'N' : 'NH3') : (basis ?? 'ion');

const ION: Record<'ammonia' | 'nitrite' | 'nitrate', string> = {
  ammonia: 'NH4',
  nitrite: 'NO2',
  nitrate: 'NO3',
};
const BASES: Record<string, NitrogenBasis> = {
  n: 'N',
  ion: 'ion',
  nh3: 'NH3',
  nh4: 'ion',
  no2: 'ion',
  no3: 'ion',
};
const NEEDS_UNIT = new Set<Parameter>(['temperature', 'salinity', 'alkalinity']);
const RESOLUTION: Partial<Record<Parameter, number>> = {
  temperature: 0.1,
  salinity: 0.1,
  alkalinity: 0.1,
  calcium: 5,
  magnesium: 10,
  orp: 1,
  par: 1,
};

/** A text in 64 bits, twice FNV-1a (Fowler, Noll, Vo), in letters and digits. */
function hashOf(text: string): string {
  const one = (seed: number): string => {
    let h = seed;
    for (let i = 0; i < text.length; i++) h = Math.imul(h ^ text.charCodeAt(i), 0x01000193);
    return (h >>> 0).toString(36);
  };
  return one(0x811c9dc5) + one(0x9747b28c);
}

/** An id a table brings along, where it can be one. */
const idOf = (text: string): string | null =>
  /^[A-Za-z0-9][A-Za-z0-9_-]{0,63}$/.test(text.trim()) ? text.trim() : null;

/** A text as it was before it was guarded against being run as a formula. */
const unguarded = (text: string): string => (/^'+[=+\-@\t\r]/.test(text) ? text.slice(1) : text);
/** A text that a spreadsheet would run as a formula is led by an apostrophe. */
export const guarded = (text: string): string => (/^'*[=+\-@\t\r]/.test(text) ? `'${text}` : text);
