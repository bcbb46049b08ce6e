/** What is still to be put back once a session is over: each point is asked, none is asserted. */
import type { Drip, DripCheck } from '../document';

/** Does water of the tank drip in this session? Not where they only float and move. */
export const drips = (drip: Pick<Drip, 'way'>): boolean => drip.way !== 'temperatureOnly';

/** The points that are open after the end, the most pressing first; none while it runs. */
export function leftOpen(drip: Pick<Drip, 'way' | 'finishedAt' | 'checks'>): DripCheck[] {
  if (drip.finishedAt === null) return [];
  const { checks } = drip;
  return [
    ...(checks.topOffUnplugged !== null && checks.topOffBackOn === null ? (['topOffBackOn'] as const) : []),
    ...(drips(drip) && checks.dripWaterReplaced === null ? (['dripWaterReplaced'] as const) : []),
    // Sessions of before were not asked it.
    ...(checks.bagWaterAway === null ? (['bagWaterAway'] as const) : []),
  ];
}
