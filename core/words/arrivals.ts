/** Bags and drips in words. */
import type { Because } from '../acclimation';

const mg = (free: number): string => `${free.toFixed(3)} mg/L NH₃-N`;
const gap = (ppt: number): string => `${Math.abs(ppt).toFixed(1)} ppt ${ppt >= 0 ? 'saltier' : 'fresher'}`;

/** Why this way out of the bag. */
export function becauseWords(b: Because): string {
  switch (b.code) {
    case 'noGap':
      return `The salinities are close, so there is nothing to drip for${b.dripFree > 1.2 * b.bagFree + 0.001 ? `: it would only let free ammonia rise from ${mg(b.bagFree)} to ${mg(b.dripFree)}` : ''}. Match the temperature with the bag closed, open it last, and move.`;
    case 'cleanBag':
      return `The water is ${gap(b.gapPpt)}, which wants time, and the bag is clean enough for it: free ammonia peaks at ${mg(b.dripFree)}.`;
    case 'gapMayBeMoved':
      return `A drip would let free ammonia rise to ${mg(b.dripFree)}. The water is ${gap(b.gapPpt)}, which may be taken at once: match the temperature with the bag closed, open it last, and move.`;
    case 'quickStaysUnder':
      return `The water is ${gap(b.gapPpt)}. A slow drip would let free ammonia rise to ${mg(b.dripFree)}, a quick one to ${mg(b.quickFree)}.`;
    case 'cleanWaterFirst':
      return `The water is ${gap(b.gapPpt)}, too much for one session out of this bag (a drip would reach ${mg(b.dripFree)}). Match the temperature and move into clean water of the bag’s own salinity, then change it by 1 ppt a day: ${b.days} days.`;
  }
}
