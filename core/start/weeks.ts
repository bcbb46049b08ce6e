/** Weeks by the forecast's prior; made by scripts/startTable.mts, which also checks that it still holds. Half weeks; null beyond 150 days. */
import type { WayId } from './ways';

type Span = readonly [p10: number | null, p50: number | null, p90: number | null];
/** Until 2 mg/L ammonia are cleared in a day with their nitrite, and until both first read zero. */
export const WEEKS: Readonly<Record<WayId, { proof: Span; clear: Span }>> = {
  dryPatient: { proof: [4.5, 8.5, null], clear: [3.5, 5.5, 10] },
  dryBottle: { proof: [3, 5.5, null], clear: [1.5, 2.5, 4.5] },
  dryMedia: { proof: [1.5, 3.5, null], clear: [0.5, 1, 2] },
  dryFood: { proof: [7, 19.5, null], clear: [0, 0, 6] },
  bottleFood: { proof: [4.5, 15, null], clear: [0, 0, 2.5] },
  seafood: { proof: [5.5, 15, null], clear: [3.5, 5.5, 8] },
  rotting: { proof: [6.5, 17, null], clear: [3.5, 5, 7.5] },
  runningRock: { proof: [1.5, 3.5, null], clear: [0.5, 1, 2] },
  transfer: { proof: [0.5, 6, null], clear: [0, 0, 0.5] },
};
