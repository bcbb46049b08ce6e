/** The commands about arrivals: a bag's chemistry, a bare quarantine's changes, a quarantine's clock. Files are small JSON of their own; whatever is
 *  wrong in one is a sentence that names the field, and the exit status is 2. */
import { z } from 'zod';
import { ACCLIMATION_LIMITS, adviceFor, bagCourse, type BagInput } from '../core/acclimation';
import { becauseWords } from '../core/words/arrivals';
import { DOSING_LIMITS } from '../core/dosing';
import { changePlan, quarantineClock, type ClockFacts } from '../core/quarantine';
import { dicAt } from '../core/seawater';
import { addDays, daysBetween, isDay } from '../core/time';
import { checked, InputError, inWords, jsonOf, parsed } from './input';

const number = z.number();
const acclimateSchema = z.strictObject({
  bag: z.strictObject({
    litres: number,
    salinity: number,
    tempC: number,
    ph: number,
    tanMgNPerL: number,
    alkalinityUmolPerKg: number,
  }),
  water: z.strictObject({
    salinity: number,
    tempC: number,
    alkalinityUmolPerKg: number,
    dicUmolPerKg: number.optional(),
    ph: number.optional(),
  }),
  /** Who is in the bag; a fish unless it is said. */
  animal: z.enum(['fish', 'invertebrate', 'coral']).optional(),
  roomTempC: number,
  floating: z.boolean(),
  containerL: number,
  pourToL: number,
  dripLPerHour: number,
  co2PerHour: number,
  minutes: number,
});

/** A drip from an opened bag, minute by minute, and which way is advised. @throws InputError */
export function acclimate(text: string): object {
  const { animal, water, ...rest } = parsed(acclimateSchema, text);
  if ((water.dicUmolPerKg === undefined) === (water.ph === undefined))
    throw new InputError('"water" must have one of "dicUmolPerKg" and "ph"');
  const { salinity, tempC, alkalinityUmolPerKg } = water;
  return inWords(() => {
    if (water.ph !== undefined && !(water.ph >= 6 && water.ph <= 9.5))
      throw new InputError(`"water.ph" must be between 6 and 9.5, got ${water.ph}`);
    const dicUmolPerKg =
      water.dicUmolPerKg ?? dicOf('water', water.ph as number, alkalinityUmolPerKg, salinity, tempC);
    const input: BagInput = { ...rest, water: { salinity, tempC, alkalinityUmolPerKg, dicUmolPerKg } };
    const course = bagCourse(input);
    const { way, because } = adviceFor(input, animal);
    return {
      series: course.series,
      peakFreeMgNPerL: course.peakFreeMgNPerL,
      peakAtMinute: course.peakAtMinute,
      doneAtMinute: course.doneAtMinute,
      advice: way,
      because: becauseWords(because),
    };
  });
}

function dicOf(where: string, ph: number, alkalinity: number, salinity: number, tempC: number): number {
  const from = ACCLIMATION_LIMITS.carbonateFrom.value;
  if (!(salinity >= 5 && salinity <= 42))
    throw new InputError(`"${where}.salinity" must be between 5 and 42 practical salinity, got ${salinity}`);
  if (!(tempC >= 5 && tempC <= 35))
    throw new InputError(`"${where}.tempC" must be between 5 and 35 C, got ${tempC}`);
  return dicAt(ph, alkalinity * 1e-6, Math.max(from, salinity), tempC) * 1e6;
}

const bareSchema = z.strictObject({
  loadMgNPerDay: number,
  netL: number,
  ph: number,
  tempC: number,
  salinity: number,
  freeLimitMgNPerL: number.optional(),
  totalLimitMgNPerL: number.optional(),
  everyDays: number,
});
const dayName = z.union([z.int(), z.string().refine(isDay, 'expected a day like 2026-01-31')]);
const clockSchema = z.strictObject({
  clockDays: z.int().min(1).max(400),
  joins: z.array(dayName).min(1),
  looks: z.array(z.strictObject({ day: dayName, result: z.enum(['clear', 'sign', 'healed']) })),
  today: dayName,
});

/** A bare quarantine's change plan, or the clock of a quarantine: told apart by their fields. @throws InputError */
export function quarantine(text: string): object {
  const raw = jsonOf(text);
  const isClock = typeof raw === 'object' && raw !== null && ('clockDays' in raw || 'looks' in raw);
  return isClock ? clock(checked(clockSchema, raw)) : bare(checked(bareSchema, raw));
}

function bare({
  freeLimitMgNPerL: free,
  totalLimitMgNPerL: total,
  ...tank
}: z.infer<typeof bareSchema>): object {
  if ((free === undefined) === (total === undefined))
    throw new InputError('one of "freeLimitMgNPerL" and "totalLimitMgNPerL" must be given');
  return inWords(() => {
    const limit = free === undefined ? { totalMgN: total as number } : { freeMgN: free };
    const plan = changePlan({ ...tank, limit }, tank.everyDays, DOSING_LIMITS.saltGramsPerLitre.value);
    const { fraction, feasible, firstReachedDays, litresPerWeek, saltGramsPerWeek } = plan;
    return {
      fraction,
      feasible,
      firstReachedDays: Number.isFinite(firstReachedDays) ? firstReachedDays : null,
      litresPerWeek,
      saltGramsPerWeek,
    };
  });
}

/** Days may be numbers or dates; they come back as they went in. */
function clock({ clockDays, joins, looks, today }: z.infer<typeof clockSchema>): object {
  const given = [today, ...joins, ...looks.map((l) => l.day)];
  const numbers = given.every((d) => typeof d === 'number');
  if (!numbers && given.some((d) => typeof d === 'number'))
    throw new InputError('"joins", "looks" and "today" must all be dates, or all be numbers of days');
  const zero = '2000-01-01';
  const date = (d: number | string): string => (typeof d === 'number' ? addDays(zero, d) : d);
  const back = (d: string): number | string => (numbers ? daysBetween(zero, d) : d);
  const now = date(today);
  looks.forEach((l, i) => {
    if (date(l.day) > now)
      throw new InputError(`"looks[${i}].day" lies in the future: ${l.day} is after "today", ${today}`);
  });
  const facts: ClockFacts = {
    joins: joins.map(date),
    looks: looks.map((l) => ({ ...l, day: date(l.day) })),
    losses: [],
    masked: () => false,
    clockDays,
    today: now,
  };
  const said = quarantineClock(facts);
  return {
    status: said.status,
    clockDay: said.clockDay,
    releaseDay: said.releaseDay === null ? null : back(said.releaseDay),
    restarts: said.restarts.map((r) => ({
      day: back(r.day),
      because:
        r.because === 'joined'
          ? 'an animal joined'
          : `all were healed after the sign of day ${back(r.since)}`,
    })),
    missedDays: said.missedDays.map(back),
  };
}
