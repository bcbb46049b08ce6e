/** Which tests are worth doing now. */
import type { Parameter } from '../document';
import { lastOf, type WaterEvidence } from '../evidence';
import type { Statement } from '../statements';
import { DAY_MS } from '../time';
import type { Judgement } from './judgement';
import { RULES } from './limits';

type Rhythm = readonly (readonly [Parameter, number])[];

/** Days between two tests of a parameter, common practice: in a display empty and stocked, in little water with animals in it, with and
 *  without grown bacteria. */
const EVERY_DAYS: Record<'cycling' | 'stocked' | 'bare' | 'cycled', Rhythm> = {
  cycling: [
    ['ammonia', 2],
    ['nitrite', 2],
    ['nitrate', 4],
    ['salinity', 3],
    ['temperature', 3],
    ['alkalinity', 5],
    ['ph', 5],
  ],
  stocked: [
    ['ammonia', 3],
    ['nitrite', 7],
    ['nitrate', 7],
    ['salinity', 3],
    ['temperature', 3],
    ['alkalinity', 5],
    ['ph', 7],
    ['phosphate', 7],
  ],
  bare: [
    ['ammonia', 1],
    ['temperature', 1],
    ['salinity', 2],
    ['ph', 4],
  ],
  cycled: [
    ['ammonia', 2],
    ['temperature', 1],
    ['nitrite', 4],
    ['salinity', 3],
    ['ph', 7],
  ],
};

function rhythmOf({ water, residents }: WaterEvidence): Rhythm {
  const stocked = residents.length > 0;
  if (water.kind === 'display') return EVERY_DAYS[stocked ? 'stocked' : 'cycling'];
  if (!stocked) return [];
  return EVERY_DAYS[water.kind === 'quarantine' && water.filter === 'cycled' ? 'cycled' : 'bare'];
}

/** What the judgements ask for first, then what has not been tested for its usual time. */
export function dueTests(e: WaterEvidence, judgements: readonly Pick<Judgement, 'opens'>[]): Parameter[] {
  const due = new Set<Parameter>(judgements.flatMap((j) => asked(j.opens)));
  for (const [parameter, days] of rhythmOf(e)) {
    const last = lastOf(e.series[parameter]);
    if (!last || e.nowMs - last.atMs > (days - RULES.dueEarlyDays) * DAY_MS) due.add(parameter);
  }
  return [...due];
}

/** The parameters a statement asks to be read. */
function asked(statement: Statement): readonly Parameter[] {
  if ('parameters' in statement) return statement.parameters;
  return 'parameter' in statement ? [statement.parameter] : [];
}
