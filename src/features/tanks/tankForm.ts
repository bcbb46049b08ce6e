/** The tank form as texts, and from texts to a tank or to faults by field. Plain functions, tested without rendering. */
import { MAX_NAME, ROCK_KINDS, type Tank } from '../../../core/document';
import { displaySchema } from '../../../core/document/checks';
import { formatDecimal, readEntry, toUnit, type UnitPreferences } from '../../../core/units';
import { netVolume, type NetVolume } from '../../../core/volume';

export interface TankTexts {
  name: string;
  displayKind: 'dimensions' | 'volume';
  length: string;
  width: string;
  height: string;
  volume: string;
  sump: string;
  rock: string;
  sand: string;
  startDay: string;
  hasLid: boolean;
  rockKind: (typeof ROCK_KINDS)[number] | 'unknown';
  ammoniaSource: Tank['ammoniaSource'];
  bacteriaSource: Tank['bacteriaSource'];
  school: Tank['school'];
}

export const NEW_TANK: Omit<TankTexts, 'startDay'> = {
  name: '',
  displayKind: 'dimensions',
  length: '',
  width: '',
  height: '',
  volume: '',
  sump: '',
  rock: '',
  sand: '',
  hasLid: false,
  rockKind: 'unknown',
  ammoniaSource: 'bottled',
  bacteriaSource: 'bottle',
  school: 'proof24',
};

/** Rock and sand are bought by the kilogram or the pound; the mass unit decides. */
const KG_PER_LB = 0.45359237;
export const massLabel = (units: UnitPreferences): string => (units.mass === 'lb' ? 'lb' : 'kg');
const massToKg = (units: UnitPreferences, x: number): number => (units.mass === 'lb' ? x * KG_PER_LB : x);

export function textsOf(tank: Tank, units: UnitPreferences): TankTexts {
  const show = (unit: string, stored: number) => formatDecimal(toUnit(unit, stored), 2);
  const mass = (kg: number) => formatDecimal(units.mass === 'lb' ? kg / KG_PER_LB : kg, 2);
  const d = tank.display;
  return {
    name: tank.name,
    displayKind: d.kind,
    length: d.kind === 'dimensions' ? show(units.length, d.lengthCm) : '',
    width: d.kind === 'dimensions' ? show(units.length, d.widthCm) : '',
    height: d.kind === 'dimensions' ? show(units.length, d.waterHeightCm) : '',
    volume: d.kind === 'volume' ? show(units.volume, d.volumeL) : '',
    sump: show(units.volume, tank.sumpL),
    rock: mass(tank.rockKg),
    sand: mass(tank.sandKg),
    startDay: tank.startDay,
    hasLid: tank.hasLid,
    rockKind: tank.rockKind ?? 'unknown',
    ammoniaSource: tank.ammoniaSource,
    bacteriaSource: tank.bacteriaSource,
    school: tank.school,
  };
}

/** A better estimate of the volume holds as long as the size it was made for does. */
export function keepingVolume(before: Tank, after: Tank): Tank {
  const size = (t: Tank) => JSON.stringify([t.display, t.sumpL, t.rockKg, t.sandKg]);
  return before.volumeInUse && size(before) === size(after)
    ? { ...after, volumeInUse: before.volumeInUse }
    : after;
}

export type TankFaults = Partial<Record<keyof TankTexts, string>>;
export type ReadTank = { ok: true; tank: Tank; volume: NetVolume } | { ok: false; faults: TankFaults };

/** Name faults as sentences; null when the name will do. Emoji are letters like any other. */
function nameFault(name: string): string | null {
  if (name.trim() === '') return 'Give the tank a name.';
  if (name.length > MAX_NAME) return `The name is too long: ${MAX_NAME} characters is the most.`;
  if (/[\u0000-\u001f]/.test(name)) return 'The name must be one line without control characters.';
  return null;
}

export function readTank(id: string, t: TankTexts, units: UnitPreferences, today: string): ReadTank {
  const faults: TankFaults = {};
  const number = (
    field: keyof TankTexts,
    name: string,
    unit: string,
    max: number,
    whenEmpty?: number,
  ): number => {
    const entry = readEntry(String(t[field]), {
      name,
      unit,
      min: 0,
      max,
      above: whenEmpty === undefined,
      whenEmpty,
    });
    if (entry.ok) return entry.value;
    faults[field] = entry.message;
    return NaN;
  };
  const mass = (field: 'rock' | 'sand', name: string): number => {
    const entry = readEntry(t[field], { name, unit: null, min: 0, max: 5000, whenEmpty: 0 });
    if (entry.ok) return massToKg(units, entry.value);
    faults[field] = entry.message;
    return NaN;
  };
  const named = nameFault(t.name);
  if (named) faults.name = named;
  const display: Tank['display'] =
    t.displayKind === 'dimensions'
      ? {
          kind: 'dimensions',
          lengthCm: number('length', 'Length', units.length, 2000),
          widthCm: number('width', 'Width', units.length, 2000),
          waterHeightCm: number('height', 'Water height', units.length, 500),
        }
      : { kind: 'volume', volumeL: number('volume', 'Volume', units.volume, 100000) };
  const sumpL = number('sump', 'Sump', units.volume, 50000, 0);
  const rockKg = mass('rock', 'Rock');
  const sandKg = mass('sand', 'Sand');
  if (!/^\d{4}-\d{2}-\d{2}$/.test(t.startDay)) faults.startDay = 'Choose the day the tank was first filled.';
  else if (t.startDay > today)
    faults.startDay = 'The start lies in the future. Enter it on the day, or choose today.';
  else if (t.startDay < '1980-01-01') faults.startDay = 'That start is too long ago. Check the year.';
  if (Object.keys(faults).length > 0 || !displaySchema.safeParse(display).success)
    return { ok: false, faults };
  const tank: Tank = {
    id,
    name: t.name.trim(),
    startDay: t.startDay,
    display,
    sumpL,
    rockKg,
    sandKg,
    hasLid: t.hasLid,
    ammoniaSource: t.ammoniaSource,
    bacteriaSource: t.bacteriaSource,
    school: t.school,
    ...(t.rockKind === 'unknown' || rockKg === 0 ? {} : { rockKind: t.rockKind }),
  };
  try {
    return { ok: true, tank, volume: netVolume(tank) };
  } catch {
    return {
      ok: false,
      faults: {
        rock: 'Rock and sand displace more water than the tank holds. Check the masses and the size.',
      },
    };
  }
}
