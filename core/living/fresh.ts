/** Ages and ranges the gates ask about. */
import type { Point } from '../evidence';
import { DAY_MS } from '../time';
import { RULES } from './limits';

export const inRange = (x: number, [low, high]: readonly [number, number]): boolean => x >= low && x <= high;
export const isFresh = (p: Point | undefined, nowMs: number): p is Point =>
  p !== undefined && nowMs - p.atMs <= RULES.staleDays * DAY_MS;
