/** Geometry of the drawings: plain functions from numbers to numbers and path strings, on typed d3 wrappers. */
import { DAY_MS } from '../../../core/time';
import { ticks } from 'd3-array';
import { scaleLinear } from 'd3-scale';
import { area, line } from 'd3-shape';

export type Scale = (value: number) => number;
/** What every drawing over time is told: its window, where days begin, how a day is written, and the drawing in a sentence. */
export interface TimeAxis {
  fromMs: number;
  toMs: number;
  midnight: (ms: number) => number;
  dayLabel: (ms: number) => string;
  summary: string;
}

export interface XY {
  x: number;
  y: number;
}

/** A straight scale from a domain to pixels; a domain of no width maps to the middle. */
export function linear(domain: readonly [number, number], range: readonly [number, number]): Scale {
  if (domain[0] === domain[1]) return () => (range[0] + range[1]) / 2;
  const scale = scaleLinear()
    .domain([...domain])
    .range([...range]);
  return (value) => scale(value);
}

/** Round tick values inside a domain, about `count` of them. */
export const niceTicks = (low: number, high: number, count: number): number[] => ticks(low, high, count);

/** A round top for an axis that starts at zero: the first tick at or above the highest value. */
export function niceTop(highest: number, count = 3): number {
  if (!(highest > 0)) return 1;
  const steps = niceTicks(0, highest, count);
  const step = steps.length > 1 ? (steps[1] ?? highest) - (steps[0] ?? 0) : highest;
  return Math.ceil(highest / step - 1e-9) * step;
}

export const linePath = (points: readonly XY[]): string =>
  line<XY>()
    .x((p) => p.x)
    .y((p) => p.y)([...points]) ?? '';

export const areaPath = (points: readonly { x: number; y0: number; y1: number }[]): string =>
  area<{ x: number; y0: number; y1: number }>()
    .x((p) => p.x)
    .y0((p) => p.y0)
    .y1((p) => p.y1)([...points]) ?? '';

/** Moves labels apart vertically so that none is nearer than `gap`; keeps their order and stays inside [top, bottom]. */
export function spreadLabels(wanted: readonly number[], gap: number, top: number, bottom: number): number[] {
  const order = wanted.map((y, i) => ({ y, i })).sort((a, b) => a.y - b.y);
  let floor = top;
  for (const item of order) {
    item.y = Math.max(item.y, floor);
    floor = item.y + gap;
  }
  let ceiling = bottom;
  for (const item of [...order].reverse()) {
    item.y = Math.min(item.y, ceiling);
    ceiling = item.y - gap;
  }
  const out = [...wanted];
  for (const item of order) out[item.i] = item.y;
  return out;
}

/** Days to mark on a time axis: about `count`, at local midnights given by `midnight`. */
export function dayTicks(
  fromMs: number,
  toMs: number,
  count: number,
  midnight: (ms: number) => number,
): number[] {
  const day = DAY_MS;
  const days = Math.max(1, (toMs - fromMs) / day);
  const every = [1, 2, 3, 4, 7, 14, 28, 56, 112].find((n) => days / n <= count) ?? 224;
  const out: number[] = [];
  for (let t = midnight(fromMs + day - 1); t <= toMs; t = midnight(t + every * day + day / 2)) out.push(t);
  return out;
}
