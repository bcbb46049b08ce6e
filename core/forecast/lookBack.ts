/** What was said of the date and when: how it moved, which entry moved it, and how far off it was in the end. */
import { DAY_MS } from '../time';
import { TAKEN } from './limits';

/** One forecast of a day. Days from `atMs`; null beyond the horizon. */
export interface Said {
  /** The person's day, "2026-12-04": one forecast a day is kept, the last. */
  day: string;
  atMs: number;
  p10: number | null;
  p50: number | null;
  p90: number | null;
  horizonDays: number;
  /** The plan the dates held for, in words. */
  plan: string;
}

/** The list with one more; the day's earlier one gives way. */
export const remembered = (list: readonly Said[], said: Said): Said[] =>
  [...list.filter((s) => s.day !== said.day), said]
    .sort((a, b) => a.atMs - b.atMs)
    .slice(-TAKEN.rememberedDays);

/** Moments of a band; what lies beyond the horizon stands at its end. */
export function bandOf(s: Said): { lowMs: number; midMs: number; highMs: number } {
  const at = (days: number | null) => s.atMs + Math.min(days ?? s.horizonDays, s.horizonDays) * DAY_MS;
  return { lowMs: at(s.p10), midMs: at(s.p50), highMs: at(s.p90) };
}

/** The date moved by more than a third of its band. */
export interface Move {
  atMs: number;
  fromMs: number;
  toMs: number;
  /** The last entry between the two forecasts; null when time alone passed. */
  because: string | null;
}

/** @param entries of the log, in order of time, each in words */
export function movesOf(list: readonly Said[], entries: readonly { atMs: number; text: string }[]): Move[] {
  return list.slice(1).flatMap((s, i): Move[] => {
    const before = list[i] as Said;
    const was = bandOf(before);
    const is = bandOf(s);
    const width = Math.max(TAKEN.luckFloorDays * DAY_MS, was.highMs - was.lowMs);
    if (Math.abs(is.midMs - was.midMs) <= width / 3) return [];
    const between = entries.filter((e) => e.atMs > before.atMs - DAY_MS / 24 && e.atMs <= s.atMs);
    const because = between[between.length - 1]?.text ?? null;
    return [{ atMs: s.atMs, fromMs: was.midMs, toMs: is.midMs, because }];
  });
}

/** How a forecast stood the test, days: later than it came is positive. */
export interface Held {
  atMs: number;
  offDays: number;
  inside: boolean;
}

/** Each forecast against the day on which it came true; those made after it are left out. */
export const heldAgainst = (list: readonly Said[], readyMs: number): Held[] =>
  list
    .filter((s) => s.atMs < readyMs)
    .map((s) => {
      const { lowMs, midMs, highMs } = bandOf(s);
      return {
        atMs: s.atMs,
        offDays: (midMs - readyMs) / DAY_MS,
        inside: readyMs >= lowMs - DAY_MS / 2 && readyMs <= highMs + DAY_MS / 2,
      };
    });
