/** The form of a water that serves a display: from texts to a water, or to faults by field. Plain functions. */
import { MAX_NOTE, type Quarantine, type Water, type WaterKind } from '../../../core/document';
import { formatDecimal, readEntry, toUnit, type EntryRule, type UnitPreferences } from '../../../core/units';
import { nameFault, NO_SIZE, readSize, startFault, textsOfSize, type SizeTexts } from './sizeForm';

export type ServingKind = Exclude<WaterKind, 'display'>;
export type Serving = Exclude<Water, { kind: 'display' }>;

export interface ServingTexts extends SizeTexts {
  name: string;
  startDay: string;
  hasLid: boolean;
  line: Quarantine['line'];
  filter: Quarantine['filter'];
  clock: '21' | '28' | '30' | 'own';
  /** Days, where they are the person's own. */
  own: string;
  /** Why this many. */
  clockWhy: string;
  /** Days under a treatment count, unless it may hide signs. */
  treatmentDaysCount: boolean;
  /** In the person's units; empty where it is not known. */
  pump: string;
  largest: string;
  /** Identities of the displays it serves. */
  serves: string[];
  /** Identities of wished animals that go in at once. */
  booked: string[];
}
export type ServingFaults = Partial<Record<keyof ServingTexts, string>>;

const NAMES: Record<ServingKind, string> = {
  quarantine: 'Spare tank',
  holding: 'Holding tub',
  mixing: 'Mixing bin',
};

export const newServing = (kind: ServingKind, today: string): ServingTexts => ({
  ...NO_SIZE,
  sizeKind: 'volume',
  name: NAMES[kind],
  startDay: today,
  hasLid: true,
  line: 'fish',
  filter: 'cycled',
  clock: '28',
  own: '',
  clockWhy: '',
  treatmentDaysCount: true,
  pump: '',
  largest: '',
  serves: [],
  booked: [],
});

export function textsOfServing(water: Serving, units: UnitPreferences): ServingTexts {
  const base: ServingTexts = {
    ...newServing(water.kind, water.startDay ?? ''),
    ...textsOfSize(water.size, units),
    name: water.name,
    startDay: water.startDay ?? '',
    hasLid: water.hasLid,
  };
  if (water.kind !== 'quarantine') return base;
  const { line, filter, serves, clockDays } = water;
  const known = (['21', '28', '30'] as const).find((days) => Number(days) === clockDays);
  const show = (unit: string, stored: number | undefined) =>
    stored === undefined ? '' : formatDecimal(toUnit(unit, stored), 1);
  return {
    ...base,
    line,
    filter,
    serves,
    clock: known ?? 'own',
    own: known ? '' : String(clockDays),
    clockWhy: water.clockWhy ?? '',
    treatmentDaysCount: water.treatmentDaysCount !== false,
    pump: show(units.volume, water.pumpLPerHour),
    largest: show(units.length, water.largestCm),
  };
}

export type ReadServing =
  { ok: true; water: Serving; booked: readonly string[] } | { ok: false; faults: ServingFaults };

/** @param before the water being edited; what the form does not ask is kept of it. */
export function readServing(
  { id, kind, before }: { id: string; kind: ServingKind; before: Serving | null },
  t: ServingTexts,
  units: UnitPreferences,
  today: string,
): ReadServing {
  const { size, faults: ofSize } = readSize(t, units);
  const faults: ServingFaults = { ...ofSize };
  const named = nameFault(t.name);
  if (named) faults.name = named;
  const start = startFault(t.startDay, today);
  if (start) faults.startDay = start;
  const days = readEntry(t.clock === 'own' ? t.own : t.clock, {
    name: 'Days',
    unit: null,
    min: 7,
    max: 120,
    whole: true,
  });
  if (kind === 'quarantine' && !days.ok) faults.own = days.message;
  const optional = (field: 'pump' | 'largest', rule: EntryRule): number | undefined => {
    if (kind !== 'quarantine' || t[field].trim() === '') return undefined;
    const entry = readEntry(t[field], rule);
    if (entry.ok) return entry.value;
    faults[field] = entry.message;
    return undefined;
  };
  const pumpLPerHour = optional('pump', {
    name: 'The pump',
    unit: units.volume,
    min: 0,
    max: 100000,
    above: true,
  });
  const largestCm = optional('largest', {
    name: 'Length',
    unit: units.length,
    min: 0,
    max: 200,
    above: true,
  });
  if (t.clockWhy.length > MAX_NOTE) faults.clockWhy = `At most ${MAX_NOTE} characters.`;
  if (Object.keys(faults).length > 0 || size === null) return { ok: false, faults };
  const sameSize = before !== null && JSON.stringify(before.size) === JSON.stringify(size);
  const base = {
    id,
    name: t.name.trim(),
    startDay: t.startDay === '' ? null : t.startDay,
    size,
    sumpL: before?.sumpL ?? 0,
    rockKg: before ? before.rockKg : 0,
    sandKg: before ? before.sandKg : 0,
    hasLid: t.hasLid,
    ...(sameSize && before.volumeInUse ? { volumeInUse: before.volumeInUse } : {}),
  };
  const runs =
    before && 'runs' in before
      ? before.runs
      : [{ openedDay: t.startDay === '' ? today : t.startDay, closedDay: null }];
  return { ok: true, water: waterOfKind(), booked: kind === 'quarantine' ? t.booked : [] };

  function waterOfKind(): Serving {
    switch (kind) {
      case 'quarantine': {
        const clockDays = days.ok ? days.value : 28;
        return {
          ...base,
          kind,
          line: t.line,
          filter: t.filter,
          clockDays,
          ...(t.clockWhy.trim() === '' ? {} : { clockWhy: t.clockWhy.trim() }),
          ...(t.treatmentDaysCount ? {} : { treatmentDaysCount: false }),
          ...(pumpLPerHour === undefined ? {} : { pumpLPerHour }),
          ...(largestCm === undefined ? {} : { largestCm }),
          serves: t.serves,
          runs,
        };
      }
      case 'holding':
        return { ...base, kind, runs };
      case 'mixing':
        return { ...base, kind };
    }
  }
}
