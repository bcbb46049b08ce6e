/** The check of the species file; a test holds the file to it, so that no start has to. What each field means, its unit and where it
 *  comes from stands in fields.ts. */
import { z } from 'zod';

const PREY_KINDS = [
  'snails',
  'shrimp',
  'crabs',
  'smallFish',
  'worms',
  'clams',
  'corals',
  'softCorals',
  'zoanthids',
  'fleshyCorals',
  'smallPolypCorals',
] as const;
export type PreyKind = (typeof PREY_KINDS)[number];

const DIETS = ['algae', 'detritus', 'meaty', 'plankton', 'pods', 'sponges', 'light'] as const;
const SENSITIVITIES = [
  'alkalinity',
  'copper',
  'finicky',
  'flow',
  'frequent feeding',
  'iodine',
  'low oxygen',
  'needs algae',
  'needs caves',
  'needs pods',
  'needs sand',
  'nutrients',
  'salinity',
  'shy',
  'slow feeder',
] as const;
/** What it is, for those who eat it and for how it is handled. */
const KINDS = [
  'anemone',
  'clam',
  'coral',
  'crab',
  'cucumber',
  'fish',
  'fleshy',
  'mushroom',
  'pod',
  'puffer',
  'shrimp',
  'smallFish',
  'smallPolyp',
  'snail',
  'soft',
  'sponge',
  'star',
  'urchin',
  'worm',
  'zoanthid',
] as const;

const GROUPS = ['fish', 'invertebrate', 'coral'] as const;
const TEMPERAMENTS = ['gentle', 'firm', 'territorial'] as const;
const WORK = ['grazes', 'scavenges', 'sifts'] as const;

/** Lowest and highest, in this order. */
const span = (max: number) =>
  z.tuple([z.number().min(0).max(max), z.number().min(0).max(max)]).refine(([low, high]) => low < high);

const coralSchema = z.strictObject({
  light: span(1000),
  flow: z.enum(['low', 'medium', 'high']),
  stingCm: z.number().min(0).max(40),
  growthCmYear: z.number().gt(0).max(30),
  nutrients: z.enum(['clean', 'some', 'rich']),
  calcifies: z.enum(['no', 'slow', 'fast']),
});

export const speciesSchema = z
  .strictObject({
    id: z.string().regex(/^[a-z0-9][a-z0-9-]{0,63}$/),
    common: z.string().min(3).max(60),
    scientific: z.string().regex(/^[A-Z][a-z]+ [a-z]+$/),
    family: z.string().regex(/^[A-Z][a-z]+idae$/),
    group: z.enum(GROUPS),
    adultCm: z.number().gt(0).max(60),
    arrivalCm: z.number().gt(0).max(40),
    minTankL: z.number().gt(0).max(5000),
    minTankCm: z.number().gt(0).max(400),
    temperament: z.enum(TEMPERAMENTS),
    territory: z.enum(['none', 'cave', 'patch', 'tank']),
    reefSafe: z.enum(['yes', 'caution', 'no']),
    jumps: z.boolean(),
    crew: z.boolean(),
    work: z.enum(WORK).optional(),
    load: z.discriminatedUnion('kind', [
      z.strictObject({
        kind: z.literal('fish'),
        massA: z.number().gt(0.005).max(0.05),
        rationPercent: z.number().gt(0).max(6),
        proteinPercent: z.number().min(20).max(70),
      }),
      z.strictObject({ kind: z.literal('fixed'), mgNPerDay: z.number().min(0).max(50) }),
    ]),
    sensitivities: z.array(z.enum(SENSITIVITIES)),
    rivalKey: z.string().nullable(),
    rivalGenus: z.boolean(),
    maxPerTank: z.int().min(1).nullable(),
    leastGroup: z.int().min(1).max(10),
    eats: z.array(z.enum(PREY_KINDS)),
    is: z.array(z.enum(KINDS)),
    diet: z.array(z.enum(DIETS)).min(1),
    minTankAgeDays: z.int().min(0).max(400),
    tempC: span(35),
    hardiness: z.enum(['hardy', 'average', 'delicate']),
    danger: z.enum(['none', 'spines', 'venom', 'sting', 'toxin']),
    exit: z.enum(['easy', 'hard']),
    bred: z.enum(['usual', 'some', 'wild']),
    coral: coralSchema.optional(),
    doubt: z.enum(['low', 'some', 'high']),
  })
  .refine((s) => (s.group === 'coral') === (s.coral !== undefined) || s.is.includes('clam'), {
    error: 'expected light, flow and reach of every coral, and of clams',
  })
  .refine((s) => s.arrivalCm <= s.adultCm, { error: 'expected a purchase length up to the adult one' })
  .refine((s) => s.maxPerTank === null || s.leastGroup <= s.maxPerTank, {
    error: 'expected the smallest group within the most a tank may hold',
  })
  .refine((s) => !s.crew || s.work !== undefined, { error: 'expected the work of a cleaner' });

export type Species = z.infer<typeof speciesSchema>;

/** What is only read on a screen: other names in use, how it is kept, and where that is from. */
export const guideSchema = z.record(
  z.string(),
  z.strictObject({
    names: z.array(z.string().min(3).max(60)),
    care: z.string().min(20).max(240),
    source: z.string().min(10),
  }),
);
