/** What a calibration says of the readings around it: a correction for those that follow, a doubt for those before. */
import type { Calibration, Parameter } from '../document';
import { DAY_MS, HOUR_MS } from '../time';
import { INSTRUMENTS } from './limits';

/** Readings of two standards within this time belong to one calibration. */
const SESSION_MS = INSTRUMENTS.sessionHours * HOUR_MS;

/** Straight line from what is shown to what is true: true = offset + slope * shown. */
export interface Correction {
  offset: number;
  slope: number;
  /** What it rests on. */
  from: 'none' | 'offset' | 'slope';
}

export const NO_CORRECTION: Correction = { offset: 0, slope: 1, from: 'none' };

export interface CalibrationSession {
  atMs: number;
  /** Largest departure from a standard, stored units, signed: shown minus true. */
  error: number;
  good: boolean;
  adjusted: boolean;
  correction: Correction;
}

/** How far an instrument may be off before its readings are doubted, stored units; elsewhere 5 % of the standard. */
const TOLERANCE: Partial<Record<Parameter, number>> = {
  temperature: INSTRUMENTS.temperature,
  salinity: INSTRUMENTS.salinity,
  ph: INSTRUMENTS.ph,
  alkalinity: INSTRUMENTS.alkalinity,
  orp: INSTRUMENTS.orp,
  oxygen: INSTRUMENTS.oxygen,
  tdsResin: INSTRUMENTS.tdsResin,
  tdsMembrane: INSTRUMENTS.tdsMembrane,
};

export const toleranceOf = (parameter: Parameter, value: number): number =>
  TOLERANCE[parameter] ?? Math.abs(value) * INSTRUMENTS.elsewhereShare;

/** Calibrations of one instrument, grouped into sessions, oldest first. One standard allows an offset, two different ones a slope as
 *  well; an instrument set to its standard needs neither from then on. */
export function calibrationSessions(
  calibrations: readonly Calibration[],
  parameter: Parameter,
): CalibrationSession[] {
  const sorted = calibrations.map((c) => ({ c, atMs: Date.parse(c.at) })).sort((a, b) => a.atMs - b.atMs);
  const groups: { atMs: number; list: Calibration[] }[] = [];
  for (const { c, atMs } of sorted) {
    const open = groups[groups.length - 1];
    if (open && atMs - open.atMs <= SESSION_MS) open.list.push(c);
    else groups.push({ atMs, list: [c] });
  }
  return groups.map(({ atMs, list }) => {
    const worst = list.reduce((w, c) =>
      Math.abs(c.reading - c.standard) > Math.abs(w.reading - w.standard) ? c : w,
    );
    const good = list.every(
      (c) => Math.abs(c.reading - c.standard) <= toleranceOf(parameter, c.standard) + 1e-9,
    );
    const adjusted = list.some((c) => c.adjusted);
    return {
      atMs,
      error: worst.reading - worst.standard,
      good,
      adjusted,
      correction: adjusted ? NO_CORRECTION : correctionFrom(list),
    };
  });
}

function correctionFrom(list: readonly Calibration[]): Correction {
  const low = list.reduce((a, b) => (b.standard < a.standard ? b : a));
  const high = list.reduce((a, b) => (b.standard > a.standard ? b : a));
  if (high.standard > low.standard && high.reading > low.reading) {
    const slope = (high.standard - low.standard) / (high.reading - low.reading);
    return { offset: low.standard - slope * low.reading, slope, from: 'slope' };
  }
  const offset = list.reduce((s, c) => s + c.standard - c.reading, 0) / list.length;
  return { offset, slope: 1, from: 'offset' };
}

/** True value of a shown one. */
export const corrected = (shown: number, c: Correction): number => c.offset + c.slope * shown;

/** The correction in force at a moment: that of the last session at or before it. */
export function correctionAt(sessions: readonly CalibrationSession[], atMs: number): Correction {
  let found = NO_CORRECTION;
  for (const s of sessions) {
    if (s.atMs > atMs) break;
    found = s.correction;
  }
  return found;
}

/** True when a reading lies between the last good calibration and one that found a drift: the instrument may already have been off. */
export function insideDrift(sessions: readonly CalibrationSession[], atMs: number): boolean {
  const next = sessions.find((s) => s.atMs > atMs);
  return next !== undefined && !next.good;
}

/** Days since an instrument was last held against a standard; null when never. */
export function daysSinceCalibration(sessions: readonly CalibrationSession[], nowMs: number): number | null {
  const last = sessions[sessions.length - 1];
  return last ? Math.floor((nowMs - last.atMs) / DAY_MS) : null;
}
