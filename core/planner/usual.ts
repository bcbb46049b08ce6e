/** A quarantine as it is usually kept: what each is held to, and what one would be that is not set up yet. */
import { peakOf } from '../quarantine/changePlan';
import { FREE_AMMONIA } from '../seawater/limits';
import { PLANNER } from './limits';

const FRESH_WATER = { ph: 8.2, tempC: 25, salinity: 35 };

export const USUAL_QUARANTINE = {
  clockDays: PLANNER.usualClockDays,
  totalLimitMgN: peakOf({ limit: { freeMgN: FREE_AMMONIA.longTerm }, ...FRESH_WATER }),
  bare: null,
  testsPresent: true,
} as const;
