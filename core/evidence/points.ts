/** Readings as points in time: nitrogen as mg N/L, each doubt named, corrections of the instruments laid over them. */
import {
  freeAmmoniaInterval,
  isNitrogen,
  kitExpired,
  nitrogenInterval,
  readingInterval,
  readingText,
  readsZero,
  type Interval,
  type Kit,
  type Parameter,
  type Reading,
  type Sample,
} from '../document';
import { corrected, correctionAt, insideDrift, type CalibrationSession } from '../instruments';
import { remembered } from '../remembered';
import { DAY_MS } from '../time';
import { EVIDENCE } from './limits';

/** Why a reading is kept but not trusted. */
export type Doubt = 'expired' | 'nitriteInterferes' | 'drift' | 'byPerson';

export interface Point {
  atMs: number;
  sampleId: string;
  /** mg N/L for nitrogen, stored units otherwise. */
  interval: Interval;
  /** Found nothing, by a kit fine enough to say so. */
  zero: boolean;
  /** The kit shows its lowest step, and that hides too much to be called nothing. */
  coarse?: true;
  /** As printed by the kit, without unit. */
  text: string;
  kit: Kit;
  doubts: readonly Doubt[];
  /** True when a calibration's correction has been applied to the interval. */
  corrected?: true;
}

export type Series = Record<Parameter, readonly Point[]>;

export const timeOf = (entry: { at: string }): number => Date.parse(entry.at);

/** The points without a doubt; must be asked only of a finished series. */
export const trusted = remembered((points: readonly Point[]): readonly Point[] =>
  points.filter((p) => p.doubts.length === 0),
);
export const lastOf = <T>(list: readonly T[]): T | undefined => list[list.length - 1];

/** The points of one sample. Not remembered by it: tens of thousands of such answers, each held as long as its sample, take the browser hundreds of
 *  milliseconds at a time to look after. What is laid out keeps them. */
export const pointsOf = (
  sample: Sample,
  kits: Record<string, Kit>,
): { parameter: Parameter; point: Point }[] =>
  sample.readings.flatMap((reading) => {
    const kit = kits[reading.kitId];
    return kit ? [{ parameter: reading.parameter, point: pointOf(sample, reading, kit) }] : [];
  });

function pointOf(sample: Sample, reading: Reading, kit: Kit): Point {
  const p = reading.parameter;
  const doubts: Doubt[] = [];
  if (kitExpired(kit, sample.at)) doubts.push('expired');
  if (reading.doubted) doubts.push('byPerson');
  const interval = intervalOf(reading, kit);
  const lowest = readsZero(reading.value, kit);
  const coarse = lowest && interval.high > (MOST_HIDDEN[p] ?? Infinity);
  return {
    atMs: timeOf(sample),
    sampleId: sample.id,
    interval,
    zero: lowest && !coarse,
    ...(coarse ? { coarse } : {}),
    text: readingText(reading.value),
    kit,
    doubts: doubts.length > 0 ? doubts : NO_DOUBT,
  };
}

/** One for all of them: most points of a long history have none. */
const NO_DOUBT: readonly Doubt[] = [];

/** What the zero of a kit may hide at most, mg N/L. */
const MOST_HIDDEN: Partial<Record<Parameter, number>> = {
  ammonia: EVIDENCE.zeroHidesMgN,
  nitrite: EVIDENCE.zeroHidesMgN,
  freeAmmonia: EVIDENCE.freeZeroHidesMgN,
};

function intervalOf({ parameter, value }: Reading, kit: Kit): Interval {
  if (parameter === 'freeAmmonia') return freeAmmoniaInterval(value, kit);
  return isNitrogen(parameter) ? nitrogenInterval(value, kit, parameter) : readingInterval(value, kit);
}

/** A reading as its instrument's calibrations see it: corrected by the one before, doubted when the one after found a drift. */
export function asCalibrated(p: Point, sessions: readonly CalibrationSession[]): Point {
  const doubts = insideDrift(sessions, p.atMs) ? [...p.doubts, 'drift' as const] : p.doubts;
  const correction = correctionAt(sessions, p.atMs);
  if (correction.from === 'none') return doubts === p.doubts ? p : { ...p, doubts };
  const fix = (x: number) => corrected(x, correction);
  const { low, mid, high } = p.interval;
  return { ...p, doubts, interval: { low: fix(low), mid: fix(mid), high: fix(high) }, corrected: true };
}

/** A nitrate reading is doubted when the nitrite nearest to it, within two days, is present. One pass over both series. */
export function withInterference(nitrates: readonly Point[], nitrites: readonly Point[]): readonly Point[] {
  const nearMs = EVIDENCE.interferenceNearDays * DAY_MS;
  let i = 0;
  return nitrates.map((nitrate) => {
    while (i + 1 < nitrites.length && distance(nitrites[i + 1], nitrate) <= distance(nitrites[i], nitrate))
      i++;
    const nearest = nitrites[i];
    const interferes =
      nearest !== undefined &&
      distance(nearest, nitrate) <= nearMs &&
      nearest.interval.mid > EVIDENCE.nitriteInterferesMgN;
    return interferes ? { ...nitrate, doubts: [...nitrate.doubts, 'nitriteInterferes' as const] } : nitrate;
  });
}

const distance = (a: Point | undefined, b: Point): number => (a ? Math.abs(a.atMs - b.atMs) : Infinity);
