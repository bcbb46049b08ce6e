/** The drip's form: texts to a drip session or to faults. Plain functions. */
import { DRIP_CHECKS, type Drip } from '../../../core/document';
import { readEntry, type UnitPreferences } from '../../../core/units';

export interface DripTexts {
  bagSalinity: string;
  bagTemp: string;
  bagVolume: string;
  tankSalinity: string;
  tankTemp: string;
  roomTemp: string;
  container: string;
  dropsPerSecond: string;
  dropsPerMl: string;
  floating: boolean;
}

export type DripFaults = Partial<Record<keyof DripTexts | 'animals', string>>;

const noChecks = (): Drip['checks'] =>
  Object.fromEntries(DRIP_CHECKS.map((c) => [c, null])) as Drip['checks'];

export function readDrip(
  t: DripTexts,
  c: { id: string; waterId: string; animalIds: string[]; units: UnitPreferences },
): { ok: true; drip: Drip } | { ok: false; faults: DripFaults } {
  const faults: DripFaults = {};
  const number = (
    field: Exclude<keyof DripTexts, 'floating'>,
    name: string,
    unit: string | null,
    min: number,
    max: number,
    above = false,
    hint?: string,
  ): number => {
    const entry = readEntry(t[field], { name, unit, min, max, above, hint });
    if (entry.ok) return entry.value;
    faults[field] = entry.message;
    return NaN;
  };
  const { salinity, temperature, volume } = c.units;
  const salt = 'Salinity is read between 2 and 42 ppt.';
  const bag = {
    salinity: number('bagSalinity', 'Bag salinity', salinity, 2, 42, false, salt),
    tempC: number('bagTemp', 'Bag temperature', temperature, 5, 38),
    litres: number('bagVolume', 'Water in the bag', volume, 0, 200, true),
  };
  const water = {
    salinity: number('tankSalinity', 'Tank salinity', salinity, 2, 42, false, salt),
    tempC: number('tankTemp', 'Tank temperature', temperature, 5, 38),
  };
  const roomTempC = number('roomTemp', 'Room temperature', temperature, -10, 45);
  const containerL = number('container', 'Container', volume, 0, 500, true);
  const dropsPerSecond = number('dropsPerSecond', 'Drops a second', null, 0, 50, true);
  const dropsPerMl = number('dropsPerMl', 'Drops in a millilitre', null, 5, 60);
  if (c.animalIds.length === 0) faults.animals = 'Choose who is coming.';
  if (!faults.container && !faults.bagVolume && containerL <= bag.litres)
    faults.container = 'The container must hold more than the water in the bag.';
  if (Object.keys(faults).length > 0) return { ok: false, faults };
  return {
    ok: true,
    drip: {
      id: c.id,
      waterId: c.waterId,
      animalIds: c.animalIds,
      bag,
      water,
      roomTempC,
      floating: t.floating,
      containerL,
      dropsPerSecond,
      dropsPerMl,
      startedAt: null,
      finishedAt: null,
      checks: noChecks(),
    },
  };
}
