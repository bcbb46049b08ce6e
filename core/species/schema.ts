/** The check of the species file; a test holds the file to it, so that no start has to. */
import { z } from 'zod';

const preyKinds = ['snails', 'shrimp', 'crabs', 'smallFish', 'corals', 'worms'] as const;
export type PreyKind = (typeof preyKinds)[number];

export const speciesSchema = z.strictObject({
  id: z.string().regex(/^[a-z0-9][a-z0-9-]{0,63}$/),
  common: z.string().min(3).max(60),
  scientific: z.string().regex(/^[A-Z][a-z]+ [a-z]+$/),
  group: z.enum(['fish', 'invertebrate', 'coral']),
  adultCm: z.number().gt(0).max(60),
  /** Length when it is usually bought, cm. */
  arrivalCm: z.number().gt(0).max(40),
  minTankL: z.number().gt(0).max(5000),
  temperament: z.enum(['gentle', 'firm', 'territorial']),
  reefSafe: z.enum(['yes', 'caution', 'no']),
  jumps: z.boolean(),
  /** Clean-up crew: grazers and scavengers added for the work they do. */
  crew: z.boolean(),
  /** What a cleaner does: only grazers live on film. */
  work: z.enum(['grazes', 'scavenges', 'sifts']).optional(),
  load: z.discriminatedUnion('kind', [
    z.strictObject({
      kind: z.literal('fish'),
      massA: z.number().gt(0.005).max(0.05),
      rationPercent: z.number().gt(0).max(6),
      proteinPercent: z.number().min(20).max(70),
    }),
    z.strictObject({ kind: z.literal('fixed'), mgNPerDay: z.number().min(0).max(50) }),
  ]),
  sensitivities: z.array(z.string().min(3).max(30)),
  /** Animals that share a key contest the same ground. */
  rivalKey: z.string().nullable(),
  maxPerTank: z.int().min(1).nullable(),
  eats: z.array(z.enum(preyKinds)),
  is: z.array(z.string()),
  minTankAgeDays: z.int().min(0).max(400),
  care: z.string().min(20).max(240),
  source: z.string().min(10),
});
