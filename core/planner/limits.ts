/** What the stocking plan goes by. Each number with its unit and where it comes from; docs/limits.md is written from here. */
import { limit, valuesOf, type LimitTable } from '../limits';

export const PLANNER_LIMITS = {
  settleDays: limit(7, 'days', 'between two days on which a load enters', 'science notes 9'),
  firstSettleDays: limit(14, 'days', 'after the first of them', 'science notes 9'),
  doublingDays: limit(30, 'days', 'in which the load may at most double', 'science notes 9'),
  quarantineShare: limit(
    0.5,
    'share',
    'of the water that changes of a quarantine take at most a day',
    'science notes 9',
  ),
  bareShare: limit(0.5, 'share', 'of its limit to which a bare quarantine is filled', 'our choice'),
  beforeAwayDays: limit(3, 'days', 'before an absence nothing is bought or released', 'science notes 9'),
  testDays: limit([1, 3, 7], 'days', 'after a release are tested', 'science notes 9'),
  ammoniaDays: limit(14, 'days', 'after a release free ammonia is predicted', 'science notes 9'),
  usualClockDays: limit(28, 'days', 'a quarantine not set up yet would be seen clear', 'science notes 8'),
  coralDays: limit(14, 'days', 'corals wait longer than fish, and after a first piece', 'our choice'),
  starterAgeDays: limit(
    30,
    'days',
    'of age are the most that a kind among the first cleaners asks of a tank',
    'our choice',
  ),
  glassShare: limit(0.85, 'share', 'of the glass is net water, roughly', 'our estimate'),
  horizonDays: limit(400, 'days', 'ahead a plan looks', 'our choice'),
  exactWishes: limit(12, 'wishes', 'up to which a plan is proved the best', 'our choice'),
} as const satisfies LimitTable;

export const PLANNER = valuesOf(PLANNER_LIMITS);
