/** How much of the usual food is given while something is wrong: as the judgement's own sentences say. */
import type { Statement } from '../statements';
import type { Living } from './judge';

export type FoodLimit = 'none' | 'half' | 'little';

const LIMITS: readonly (readonly [FoodLimit, readonly Statement['code'][]])[] = [
  ['none', ['stepNoFood', 'airNow', 'fedAsksTest', 'seafoodRots']],
  ['half', ['changeSome', 'filterLags']],
  ['little', ['confirmAmmonia', 'fedDayAfter']],
];

/** The strictest that is said anywhere in the judgement; null where feeding goes on as before. */
export function foodLimit(living: Living | null): FoodLimit | null {
  if (!living) return null;
  const said = new Set(
    [
      living.reason,
      living.opens,
      ...living.also.flatMap((f) => [f.finding, f.opens]),
      ...(living.plan?.steps ?? []),
    ].map((s) => s.code),
  );
  return LIMITS.find(([, codes]) => codes.some((code) => said.has(code)))?.[0] ?? null;
}
