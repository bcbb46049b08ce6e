/** The drip's form: texts to a drip session or to faults. Plain functions. What is left out is taken as usual, and said so. */
import { DRIP_CHECKS, type Drip } from '../../../core/document';
import { rateForMinutes } from '../../../core/acclimation';
import {
  readEntry,
  showQuantity,
  toMgNPerL,
  type EntryRule,
  type UnitPreferences,
} from '../../../core/units';

export interface DripTexts {
  bagSalinity: string;
  bagTemp: string;
  bagVolume: string;
  /** As a meter shows it; ammonia as a kit prints it, NH4. */
  bagPh: string;
  bagAmmonia: string;
  bagHours: string;
  tankSalinity: string;
  tankTemp: string;
  roomTemp: string;
  container: string;
  dropsPerSecond: string;
  dropsPerMl: string;
  /** In so many minutes: then the drops are worked out. */
  minutes: string;
  floating: boolean;
  /** Empty: as proposed. */
  way: NonNullable<Drip['way']> | '';
}

export type DripFaults = Partial<Record<keyof DripTexts | 'animals', string>>;

/** What is taken where nothing is written, in stored units. */
export interface Taken {
  tankSalinity: number;
  tankTempC: number;
}
const USUAL = {
  bagSalinity: 33,
  bagTempC: 23,
  bagL: 1,
  roomTempC: 21,
  dropsPerSecond: 2,
  containerTimes: 3,
};
const USUAL_WATER: Taken = { tankSalinity: 35, tankTempC: 25 };

const noChecks = (): Drip['checks'] =>
  Object.fromEntries(DRIP_CHECKS.map((c) => [c, null])) as Drip['checks'];

interface Context {
  id: string;
  waterId: string;
  animalIds: string[];
  units: UnitPreferences;
  /** What the log of the water knows; null where it does not. */
  known?: Known;
  /** The same of the water they come from, where that is one of the person's own. */
  cameFrom?: Known;
}

interface Known {
  salinity: number | null;
  tempC: number | null;
}

/** `assumed` names what was left out and is taken as usual, `logged` what is taken from the log of the water they come from; in the person's
 *  units. */
export function readDrip(
  t: DripTexts,
  c: Context,
): { ok: true; drip: Drip; assumed: string[]; logged: string[] } | { ok: false; faults: DripFaults } {
  const faults: DripFaults = {};
  const assumed: string[] = [];
  const logged: string[] = [];
  const { salinity, temperature, volume } = c.units;
  type Field = Exclude<keyof DripTexts, 'floating' | 'way'>;
  const number = (field: Field, rule: EntryRule): number => {
    const entry = readEntry(t[field], rule);
    if (entry.ok) return entry.value;
    faults[field] = entry.message;
    return NaN;
  };
  /** A number that may be left out. */
  const usual = (
    field: Field,
    rule: EntryRule,
    value: number,
    quantity: 'salinity' | 'temperature' | 'volume',
    fromLog: number | null = null,
  ): number => {
    if (t[field].trim() !== '') return number(field, rule);
    const taken = fromLog ?? value;
    (fromLog === null ? assumed : logged).push(`${rule.name} ${showQuantity(quantity, taken, c.units)}`);
    return taken;
  };
  const optional = (field: Field, rule: EntryRule): number | undefined =>
    t[field].trim() === '' ? undefined : number(field, rule);
  const salt: Omit<EntryRule, 'name'> = {
    unit: salinity,
    min: 2,
    max: 42,
    hint: 'Salinity is read between 2 and 42 ppt.',
  };
  const heat: Omit<EntryRule, 'name'> = { unit: temperature, min: 5, max: 38 };
  const litres: Omit<EntryRule, 'name'> = { unit: volume, min: 0, max: 200, above: true };
  const ph = optional('bagPh', { name: 'pH of the bag', unit: null, min: 5, max: 9.5 });
  const ammonia = optional('bagAmmonia', { name: 'Ammonia of the bag', unit: null, min: 0, max: 20 });
  const hours = optional('bagHours', { name: 'Hours in the bag', unit: null, min: 0, max: 240 });
  const bag: Drip['bag'] = {
    salinity: usual(
      'bagSalinity',
      { ...salt, name: 'Bag salinity' },
      USUAL.bagSalinity,
      'salinity',
      c.cameFrom?.salinity,
    ),
    tempC: usual(
      'bagTemp',
      { ...heat, name: 'Bag temperature' },
      USUAL.bagTempC,
      'temperature',
      c.cameFrom?.tempC,
    ),
    litres: usual('bagVolume', { ...litres, name: 'Water in the bag' }, USUAL.bagL, 'volume'),
    ...(ph === undefined ? {} : { ph }),
    ...(ammonia === undefined ? {} : { tanMgN: toMgNPerL('ammonia', 'ion', ammonia) }),
    ...(hours === undefined ? {} : { hours }),
  };
  const water = {
    salinity: usual(
      'tankSalinity',
      { ...salt, name: 'Tank salinity' },
      c.known?.salinity ?? USUAL_WATER.tankSalinity,
      'salinity',
    ),
    tempC: usual(
      'tankTemp',
      { ...heat, name: 'Tank temperature' },
      c.known?.tempC ?? USUAL_WATER.tankTempC,
      'temperature',
    ),
  };
  const roomTempC = usual(
    'roomTemp',
    { name: 'Room temperature', unit: temperature, min: -10, max: 45 },
    USUAL.roomTempC,
    'temperature',
  );
  const containerL = usual(
    'container',
    { ...litres, name: 'Container', max: 500 },
    USUAL.containerTimes * (Number.isFinite(bag.litres) ? bag.litres : USUAL.bagL),
    'volume',
  );
  const dropsPerMl = number('dropsPerMl', {
    name: 'Drops in a millilitre',
    unit: null,
    min: 5,
    max: 60,
    whenEmpty: 20,
  });
  const minutes = optional('minutes', { name: 'Minutes', unit: null, min: 5, max: 240 });
  const set = number('dropsPerSecond', {
    name: 'Drops a second',
    unit: null,
    min: 0,
    max: 50,
    above: true,
    whenEmpty: USUAL.dropsPerSecond,
  });
  if (c.animalIds.length === 0) faults.animals = 'Choose who is coming.';
  if (!faults.container && !faults.bagVolume && containerL <= bag.litres)
    faults.container = 'The container must hold more than the water in the bag.';
  if (Object.keys(faults).length > 0) return { ok: false, faults };
  const course = { bag, water, roomTempC, floating: t.floating, containerL, dropsPerMl };
  const rate = minutes === undefined ? set : rateForMinutes(course, minutes);
  if (rate === null)
    return {
      ok: false,
      faults: {
        minutes: 'No drip does it in that time, or none is needed. Leave it empty and set the drops.',
      },
    };
  return {
    ok: true,
    assumed,
    logged,
    drip: {
      id: c.id,
      waterId: c.waterId,
      animalIds: c.animalIds,
      ...course,
      dropsPerSecond: rate,
      ...(t.way === '' ? {} : { way: t.way }),
      startedAt: null,
      finishedAt: null,
      checks: noChecks(),
    },
  };
}
