/** Ages and ranges the judgements ask about. */
import type { Point } from '../evidence';
import { DAY_MS } from '../time';
import { LIVING } from './limits';

export const inRange = (x: number, [low, high]: readonly [number, number]): boolean => x >= low && x <= high;
export const isFresh = (p: Point | undefined, nowMs: number): p is Point =>
  p !== undefined && nowMs - p.atMs <= LIVING.staleDays * DAY_MS;
