/** The command that plans the stock: a small JSON file in, the plan out. Whatever is wrong in it is a sentence that names the field. */
import { z } from 'zod';
import { companyOf, type Member, type Tank } from '../core/company';
import { stockingPlan, type Line, type Problem, type Wish } from '../core/planner';
import { speciesById, SPECIES_IDS } from '../core/species';
import { dailyLoadMgN } from '../core/stocking';
import { dayNumber } from '../core/time';
import { AGAINST_WORDS, leftOutText, wishWaits, type PlanSaying } from '../core/words/plan';
import { InputError, parsed } from './input';

const day = z.iso.date({ error: 'expected a date like 2026-01-31' });
const id = z.string().min(1, 'expected an id');
const amount = z.number().min(0);
const line = z.enum(['fish', 'invertebrate', 'coral', 'anemone']);
const temperament = z.union([z.literal(0), z.literal(1), z.literal(2)], { error: 'expected 0, 1 or 2' });
const WEEK = ['sun', 'mon', 'tue', 'wed', 'thu', 'fri', 'sat'] as const;
const count = z.int().min(1).max(1000);

const wishSchema = z.strictObject({
  id,
  speciesId: z.string().optional(),
  count: count.optional(),
  line: line.optional(),
  loadMgNPerDay: amount.optional(),
  price: amount.optional(),
  priority: z.int().min(1),
  temperament: temperament.nullable().optional(),
  crew: z.boolean().optional(),
  needsTankDays: amount.optional(),
  jumps: z.boolean().optional(),
});

const planSchema = z.strictObject({
  today: day,
  gate: z.strictObject({ p50: day.nullable(), p90: day.nullable() }),
  coralGate: day.nullable(),
  display: z.strictObject({
    filledDay: day,
    hasLid: z.boolean().optional(),
    loadMgNPerDay: amount.optional(),
  }),
  firstStepMgN: amount,
  settleDays: z.int().min(0).max(400).optional(),
  firstSettleDays: z.int().min(0).max(400).optional(),
  quarantines: z
    .array(
      z.strictObject({
        id,
        line,
        netL: z.number().gt(0),
        clockDays: z.int().min(0).max(400),
        totalLimitMgNPerL: amount,
        bare: z.boolean().optional(),
        testsPresent: z.boolean().optional(),
      }),
    )
    .max(40),
  wishes: z.array(wishSchema).max(60),
  forbidden: z.array(z.tuple([id, id])).optional(),
  away: z.array(z.tuple([day, day])).optional(),
  shopDays: z.array(z.enum(WEEK)).optional(),
  budgetPerMonth: amount.nullable().optional(),
  rules: z.strictObject({ R6: z.boolean().optional() }).optional(),
  which: z.enum(['likely', 'cautious']).optional(),
  horizonDays: z.int().min(1).max(2000).optional(),
  timeMs: z.number().gt(0).optional(),
  released: z.array(z.strictObject({ day, loadMgNPerDay: amount, line: line.optional() })).optional(),
  fixed: z
    .array(z.strictObject({ wishId: id, buyDay: day, quarantineId: id, releaseDay: day.nullable() }))
    .optional(),
});
type Input = z.infer<typeof planSchema>;

/** With more wishes than are planned exactly, the time a plan takes where none is said, ms; a part of it is kept for the reasons. */
const USUAL_MS = 5000;
const SEARCH_SHARE = 0.65;

/** Names and days as they are written in the file. */
const SAYING: PlanSaying = {
  nameOf: (id) => id,
  day: (day) => day,
  litres: (litres) => `${litres} L`,
};

/** @param clock milliseconds, for the time a plan may take; @throws InputError */
export function plan(text: string, clock: () => number): object {
  const began = clock();
  const input = parsed(planSchema, text);
  const problem = problemOf(input);
  const timeMs = input.timeMs ?? (problem.wishes.length > 12 ? USUAL_MS : Infinity);
  const found = stockingPlan(problem, () => clock() - began < timeMs * SEARCH_SHARE);
  return {
    status: found.status,
    steps: found.steps.map(({ binding, freeMgN: _, ...step }) => ({
      ...step,
      binding: binding.map((reason) => ({ rule: reason.rule, text: wishWaits(reason, SAYING, step.wishId) })),
    })),
    leftOut: found.leftOut.map((l) => ({
      wishId: l.wishId,
      rule: l.rule,
      text: leftOutText(problem, l, found.leftOut),
    })),
    lastRelease: found.lastRelease,
    batches: found.batches,
    bound: found.bound,
    concessions: found.concessions.map((c) => ({ ...c, text: AGAINST_WORDS[c.rule] })),
    ms: Math.round(clock() - began),
  };
}

function problemOf(input: Input): Problem {
  const wishes = input.wishes.map(wishOf);
  const wishAt = indexOf('wishes', wishes);
  const quarantineAt = indexOf('quarantines', input.quarantines);
  const gate = input.which === 'cautious' ? input.gate.p90 : input.gate.p50;
  const away = (input.away ?? []).map(([a, b], i): [number, number] => {
    if (b < a) throw new InputError(`"away[${i}]" must end on or after the day it begins, got ${a} to ${b}`);
    return [dayNumber(a), dayNumber(b)];
  });
  return {
    today: dayNumber(input.today),
    horizonDays: input.horizonDays ?? 400,
    gate: gate === null ? null : dayNumber(gate),
    coralGate: input.coralGate === null ? null : dayNumber(input.coralGate),
    filled: dayNumber(input.display.filledDay),
    hasLid: input.display.hasLid ?? false,
    displayLoadMgN: input.display.loadMgNPerDay ?? 0,
    firstStepMgN: input.firstStepMgN,
    settleDays: input.settleDays ?? 7,
    firstSettleDays: input.firstSettleDays ?? 14,
    quarantines: input.quarantines.map((q) => ({
      id: q.id,
      line: q.line,
      netL: q.netL,
      clockDays: q.clockDays,
      totalLimitMgN: q.totalLimitMgNPerL,
      bare: q.bare ?? null,
      testsPresent: q.testsPresent ?? false,
    })),
    wishes,
    forbidden: [
      ...(input.forbidden ?? []).map(([a, b], i): [number, number] => [
        wishAt(a, `forbidden[${i}][0]`),
        wishAt(b, `forbidden[${i}][1]`),
      ]),
      ...clashing(input.wishes),
    ],
    away,
    shopDays: (input.shopDays ?? []).map((d) => WEEK.indexOf(d)),
    budget: input.budgetPerMonth ?? null,
    released: (input.released ?? []).map((r) => ({ day: dayNumber(r.day), loadMgN: r.loadMgNPerDay })),
    fixed: (input.fixed ?? []).map((f, i) => {
      if (f.releaseDay !== null && f.releaseDay < f.buyDay)
        throw new InputError(
          `"fixed[${i}].releaseDay" must be on or after its "buyDay", got ${f.releaseDay}`,
        );
      if ((input.fixed ?? []).findIndex((x) => x.wishId === f.wishId) !== i)
        throw new InputError(`"fixed[${i}].wishId" must name each wish once, got "${f.wishId}" again`);
      const quarantine = quarantineAt(f.quarantineId, `fixed[${i}].quarantineId`);
      const wish = wishAt(f.wishId, `fixed[${i}].wishId`);
      if ((input.quarantines[quarantine] as { line: Line }).line !== (wishes[wish] as Wish).line)
        throw new InputError(
          `"fixed[${i}].quarantineId" must be a quarantine of the line of "${f.wishId}", got "${f.quarantineId}"`,
        );
      return {
        wish,
        buy: dayNumber(f.buyDay),
        quarantine,
        release: f.releaseDay === null ? null : dayNumber(f.releaseDay),
      };
    }),
  };
}

/** The place of an id in a list. @throws InputError for an id twice, and later for one that is not there */
function indexOf(name: string, list: readonly { id: string }[]): (id: string, field: string) => number {
  const at = new Map<string, number>();
  list.forEach((x, i) => {
    if (at.has(x.id))
      throw new InputError(`"${name}[${i}].id" must be another than "${x.id}", which is taken`);
    at.set(x.id, i);
  });
  return (wanted, field) => {
    const found = at.get(wanted);
    if (found === undefined) throw new InputError(`"${field}" must be an id in "${name}", got "${wanted}"`);
    return found;
  };
}

/** No glass is said: a pair that bears each other only in a large one is taken not to. */
const ANY_TANK: Tank = {
  glassL: 0,
  lengthCm: null,
  hasLid: true,
  sandKg: null,
  rockKg: null,
  ageDays: null,
  tempC: null,
  carriesMgN: null,
  food: null,
};

/** Pairs of wishes named by species that the rules of company forbid. */
function clashing(wishes: Input['wishes']): [number, number][] {
  const members = wishes.flatMap((w, i): (Member & { at: number })[] =>
    w.speciesId === undefined
      ? []
      : [{ id: w.id, species: speciesById(w.speciesId), count: w.count ?? 1, stage: 'wish', at: i }],
  );
  return members.flatMap((a, i) =>
    members.slice(i + 1).flatMap((b): [number, number][] => {
      const pair = companyOf(ANY_TANK, [a, b]).filter((f) => f.severity === 'no' && f.lasting);
      return pair.some((f) => f.ids.includes(a.id) && f.ids.includes(b.id)) ? [[a.at, b.at]] : [];
    }),
  );
}

const TEMPERAMENTS = { gentle: 0, firm: 1, territorial: 2 } as const;

/** A wish as it is written, the species file giving what it leaves out. */
function wishOf(w: z.infer<typeof wishSchema>, i: number): Wish {
  const where = (field: string) => `"wishes[${i}].${field}"`;
  if (w.speciesId !== undefined && !SPECIES_IDS.has(w.speciesId))
    throw new InputError(`${where('speciesId')} must be in the species list, got "${w.speciesId}"`);
  const species = w.speciesId === undefined ? null : speciesById(w.speciesId);
  const lineOfWish =
    w.line ?? (species ? (species.is.includes('anemone') ? 'anemone' : species.group) : undefined);
  if (lineOfWish === undefined)
    throw new InputError(`${where('line')} must be fish, invertebrate, coral or anemone, got nothing`);
  const load =
    w.loadMgNPerDay ?? (species ? (w.count ?? 1) * dailyLoadMgN(species, species.arrivalCm) : undefined);
  if (load === undefined) throw new InputError(`${where('loadMgNPerDay')} must be a number, got nothing`);
  const fierce = w.temperament ?? (species?.group === 'fish' ? TEMPERAMENTS[species.temperament] : null);
  if (lineOfWish === 'fish' && fierce === null)
    throw new InputError(`${where('temperament')} must be 0, 1 or 2 for a fish, got nothing`);
  return {
    id: w.id,
    line: lineOfWish,
    loadMgN: load,
    price: w.price ?? 0,
    priority: w.priority,
    temperament: lineOfWish === 'fish' ? fierce : null,
    crew: w.crew ?? species?.crew ?? false,
    needsTankDays: w.needsTankDays ?? species?.minTankAgeDays ?? 0,
    jumps: w.jumps ?? species?.jumps ?? false,
  };
}
