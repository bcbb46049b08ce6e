/** What was said of the date and when: how it moved, which entry moved it, and how far off it was in the end. */
import type { Document, Edit, Said } from '../document';
import { compared, DAY_MS } from '../time';
import { TAKEN } from './limits';

/** What was said of a water, day by day; where two tabs kept one each of the same day, the later. */
export function saidOf(doc: Document, waterId: string): Said[] {
  const list = Object.values(doc.forecasts)
    .filter((s) => s.waterId === waterId)
    .sort((a, b) => compared(a.at, b.at));
  return list.filter((s, i) => list[i + 1]?.day !== s.day);
}

/** Keeps one more: an earlier one of its day gives way, and the oldest once there are too many. @param id for it, where the day is new */
export function editsToSay(doc: Document, said: Omit<Said, 'id'>, id: string): Edit[] {
  const list = saidOf(doc, said.waterId);
  const same = list.find((s) => s.day === said.day);
  const tooMany = same ? [] : list.slice(0, Math.max(0, list.length + 1 - TAKEN.rememberedDays));
  return [
    { put: 'forecasts', entity: { ...said, id: same?.id ?? id } },
    ...tooMany.map((s): Edit => ({ remove: 'forecasts', id: s.id })),
  ];
}

const atMsOf = (s: Said): number => Date.parse(s.at);

/** Moments of a band; what lies beyond the horizon stands at its end. */
export function bandOf(s: Said): { lowMs: number; midMs: number; highMs: number } {
  const at = (days: number | null) => atMsOf(s) + Math.min(days ?? s.horizonDays, s.horizonDays) * DAY_MS;
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
    const between = entries.filter((e) => e.atMs > atMsOf(before) - DAY_MS / 24 && e.atMs <= atMsOf(s));
    const because = between[between.length - 1]?.text ?? null;
    return [{ atMs: atMsOf(s), fromMs: was.midMs, toMs: is.midMs, because }];
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
    .filter((s) => atMsOf(s) < readyMs)
    .map((s) => {
      const { lowMs, midMs, highMs } = bandOf(s);
      return {
        atMs: atMsOf(s),
        offDays: (midMs - readyMs) / DAY_MS,
        inside: readyMs >= lowMs - DAY_MS / 2 && readyMs <= highMs + DAY_MS / 2,
      };
    });
