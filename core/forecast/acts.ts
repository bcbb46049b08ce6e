/** What happens to a tank on its line of time. */

export const ACT = {
  none: 0,
  ammonia: 1,
  food: 2,
  slow: 3,
  seafoodOut: 4,
  bottle: 5,
  mature: 6,
  change: 7,
  alkalinity: 8,
  load: 9,
} as const;
export type ActCode = (typeof ACT)[keyof typeof ACT];

export interface Act {
  day: number;
  code: ActCode;
  /** mg N in the believed volume for ammonia, food, slow; strength share for seeds; fraction for changes; dKH; mg N a day for load. */
  amount: number;
}
