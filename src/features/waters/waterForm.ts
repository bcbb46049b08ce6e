/** The form of a display as texts, and from texts to a display or to faults by field. Plain functions, tested without rendering. */
import type { Display, FILLED_WITH, ROCK_KINDS, TAP_HOLDS } from '../../../core/document';
import { formatDecimal, readEntry, toUnit, type UnitPreferences } from '../../../core/units';
import { netVolume, type NetVolume } from '../../../core/volume';
import { nameFault, NO_SIZE, readSize, startFault, textsOfSize, type SizeTexts } from './sizeForm';

export interface WaterTexts extends SizeTexts {
  name: string;
  sump: string;
  rock: string;
  sand: string;
  /** Empty while it is dry, or where nobody remembers. */
  startDay: string;
  hasLid: boolean;
  intakesGuarded: boolean;
  rockKind: (typeof ROCK_KINDS)[number] | 'unknown';
  filledWith: (typeof FILLED_WITH)[number] | 'unknown';
  tapHolds: (typeof TAP_HOLDS)[number];
  conditioned: boolean;
  ammoniaSource: Display['ammoniaSource'];
  bacteriaSources: Display['bacteriaSources'];
  school: Display['school'];
}

export const NEW_WATER: WaterTexts = {
  ...NO_SIZE,
  name: '',
  sump: '',
  rock: '',
  sand: '',
  startDay: '',
  hasLid: false,
  intakesGuarded: false,
  rockKind: 'unknown',
  filledWith: 'unknown',
  tapHolds: 'unknown',
  conditioned: false,
  ammoniaSource: 'bottled',
  bacteriaSources: ['bottle'],
  school: 'proof24',
};

/** Rock and sand are bought by the kilogram or the pound; the mass unit decides. */
const KG_PER_LB = 0.45359237;
export const massLabel = (units: UnitPreferences): string => (units.mass === 'lb' ? 'lb' : 'kg');
const massToKg = (units: UnitPreferences, x: number): number => (units.mass === 'lb' ? x * KG_PER_LB : x);

export function textsOf(water: Display, units: UnitPreferences): WaterTexts {
  const mass = (kg: number | null) =>
    kg === null ? '' : formatDecimal(units.mass === 'lb' ? kg / KG_PER_LB : kg, 2);
  return {
    ...textsOfSize(water.size, units),
    name: water.name,
    sump: formatDecimal(toUnit(units.volume, water.sumpL), 2),
    rock: mass(water.rockKg),
    sand: mass(water.sandKg),
    startDay: water.startDay ?? '',
    hasLid: water.hasLid,
    intakesGuarded: water.intakesGuarded === true,
    rockKind: water.rockKind ?? 'unknown',
    filledWith: water.filledWith ?? 'unknown',
    tapHolds: water.tap?.holds ?? 'unknown',
    conditioned: water.tap?.conditioned ?? false,
    ammoniaSource: water.ammoniaSource,
    bacteriaSources: water.bacteriaSources,
    school: water.school,
  };
}

/** What the form does not ask holds on; a better estimate of the volume as long as the size it was made for does. */
export function keepingRest(before: Display, after: Display): Display {
  const size = (w: Display) => JSON.stringify([w.size, w.sumpL, w.rockKg, w.sandKg]);
  return {
    ...after,
    ...(before.volumeInUse && size(before) === size(after) ? { volumeInUse: before.volumeInUse } : {}),
    ...(before.told ? { told: before.told } : {}),
    ...(before.hold ? { hold: before.hold } : {}),
    ...(before.planned ? { planned: before.planned } : {}),
    ...(before.nitriteWeight ? { nitriteWeight: before.nitriteWeight } : {}),
  };
}

export type WaterFaults = Partial<Record<keyof WaterTexts, string>>;
export type ReadWater = { ok: true; water: Display; volume: NetVolume } | { ok: false; faults: WaterFaults };

export function readWater(id: string, t: WaterTexts, units: UnitPreferences, today: string): ReadWater {
  const { size, faults: ofSize } = readSize(t, units);
  const faults: WaterFaults = { ...ofSize };
  const sump = readEntry(t.sump, { name: 'Sump', unit: units.volume, min: 0, max: 50000, whenEmpty: 0 });
  if (!sump.ok) faults.sump = sump.message;
  const mass = (field: 'rock' | 'sand', name: string): number | null => {
    if (t[field].trim() === '') return null;
    const entry = readEntry(t[field], { name, unit: null, min: 0, max: 5000 });
    if (entry.ok) return massToKg(units, entry.value);
    faults[field] = entry.message;
    return NaN;
  };
  const named = nameFault(t.name);
  if (named) faults.name = named;
  const rockKg = mass('rock', 'Rock');
  const sandKg = mass('sand', 'Sand');
  const start = startFault(t.startDay, today);
  if (start) faults.startDay = start;
  if (Object.keys(faults).length > 0 || size === null || !sump.ok) return { ok: false, faults };
  const water: Display = {
    id,
    name: t.name.trim(),
    kind: 'display',
    startDay: t.startDay === '' ? null : t.startDay,
    size,
    sumpL: sump.value,
    rockKg,
    sandKg,
    hasLid: t.hasLid,
    ...(t.intakesGuarded ? { intakesGuarded: true as const } : {}),
    ammoniaSource: t.ammoniaSource,
    bacteriaSources: t.bacteriaSources,
    school: t.school,
    ...(t.rockKind === 'unknown' || rockKg === 0 ? {} : { rockKind: t.rockKind }),
    ...(t.filledWith === 'unknown' ? {} : { filledWith: t.filledWith }),
    ...(t.filledWith === 'tap' ? { tap: { holds: t.tapHolds, conditioned: t.conditioned } } : {}),
  };
  try {
    return { ok: true, water, volume: netVolume(water) };
  } catch {
    return {
      ok: false,
      faults: {
        rock: 'Rock and sand displace more water than the tank holds. Check the masses and the size.',
      },
    };
  }
}
