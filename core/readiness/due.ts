/** Which tests are worth doing now. */
import type { Parameter } from '../document';
import { lastOf, type TankEvidence } from '../evidence';
import type { Statement } from '../statements';
import { DAY_MS } from '../time';
import type { Judgement } from './judgement';
import { RULES } from './limits';

/** Days between two tests of a parameter, empty tank and stocked; common practice. */
const EVERY_DAYS: Record<'cycling' | 'stocked', readonly (readonly [Parameter, number])[]> = {
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
};

/** What the judgements ask for first, then what has not been tested for its usual time. */
export function dueTests(e: TankEvidence, fish: Judgement, coral: Judgement): Parameter[] {
  const due = new Set<Parameter>([...asked(fish.opens), ...asked(coral.opens)]);
  for (const [parameter, days] of EVERY_DAYS[e.inDisplay.length === 0 ? 'cycling' : 'stocked']) {
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
