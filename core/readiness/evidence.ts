/** The readings of one tank laid out for judging: times in ms, nitrogen as mg N/L, each doubt named. */
import {
  kitExpired, nitrogenInterval, PARAMETERS, readingInterval, readingText, readsZero,
  type Animal, type Calibration, type Document, type Interval, type Kit, type Parameter, type Sample, type SetupItem, type Tank, type TankEvent,
} from '../document';
import { isNitrogen } from '../document/readings';
import { calibrationSessions, corrected, correctionAt, insideDrift, type CalibrationSession } from '../instruments';
import { remembered } from '../remembered';
import { openEssentials } from '../setup';
import { netVolume } from '../volume';

/** Why a reading is kept but not trusted. */
export type Doubt = 'expired' | 'nitriteInterferes' | 'drift' | 'byPerson';

export interface Point {
  atMs: number;
  sampleId: string;
  /** mg N/L for nitrogen, stored units otherwise. */
  interval: Interval;
  zero: boolean;
  /** As printed by the kit, without unit. */
  text: string;
  kit: Kit;
  doubts: readonly Doubt[];
  /** True when a calibration's correction has been applied to the interval. */
  corrected?: true;
}

export interface TankEvidence {
  tank: Tank;
  netL: number;
  nowMs: number;
  series: Record<Parameter, readonly Point[]>;
  doses: { atMs: number; mgNPerL: number }[];
  changes: { atMs: number; fraction: number }[];
  events: TankEvent[];
  /** Animals that are or were in the display, with the time they joined. */
  joined: { atMs: number; animal: Animal }[];
  inDisplay: Animal[];
  /** Essential points of the setting-up lists still open, once the lists are in use. */
  setupOpen: SetupItem[];
}

/** Nitrite above this, mg N/L, makes nitrate kits over-read (about 0.15 mg N/L is 0.5 mg/L as NO2). */
export const NITRITE_INTERFERES_MG_N = 0.15;

export const HOUR_MS = 3_600_000;
export const DAY_MS = 24 * HOUR_MS;

export const currentPlace = (animal: Animal): Animal['moves'][number] => {
  const last = animal.moves[animal.moves.length - 1];
  if (!last) throw new RangeError(`"moves" of animal ${animal.id} must not be empty`);
  return last;
};

// Entries are replaced, never changed, so what was read of one holds as long as it does.
const timeOf = remembered((entry: { at: string }) => Date.parse(entry.at));

/** Lays out what is known of a tank at nowMs. Later entries are left out, so a past judgement can be repeated. */
export function gatherEvidence(doc: Document, tankId: string, nowMs: number): TankEvidence {
  const tank = doc.tanks[tankId];
  if (!tank) throw new RangeError(`"tankId" must be a tank of the document, got "${tankId}"`);
  const netL = netVolume(tank).netL;
  const byTime = <T extends { atMs: number }>(a: T, b: T) => a.atMs - b.atMs;
  const timed = Object.values(doc.events)
    .filter((e) => e.tankId === tankId)
    .map((event) => ({ event, atMs: timeOf(event) }))
    .filter((e) => e.atMs <= nowMs)
    .sort(byTime);
  const animals = Object.values(doc.animals).filter((a) => a.tankId === tankId);
  return {
    tank,
    netL,
    nowMs,
    series: seriesAt(doc, tankId, nowMs),
    doses: timed.flatMap(({ event, atMs }) => (event.kind === 'ammoniaDose' ? [{ atMs, mgNPerL: event.mgN / netL }] : [])),
    changes: timed.flatMap(({ event, atMs }) =>
      event.kind === 'waterChange' ? [{ atMs, fraction: Math.min(1, event.litres / netL) }] : []),
    events: timed.map((e) => e.event),
    joined: animals
      .flatMap((animal) => {
        const move = animal.moves.find((m) => m.to === 'display');
        return move ? [{ atMs: Date.parse(move.at), animal }] : [];
      })
      .filter((j) => j.atMs <= nowMs)
      .sort(byTime),
    inDisplay: animals.filter((a) => currentPlace(a).to === 'display'),
    setupOpen: openEssentials(
      { school: tank.school, sand: 'before', hasSump: tank.sumpL > 0, hasSand: tank.sandKg > 0 },
      new Set(Object.values(doc.setup).filter((s) => s.tankId === tankId).map((s) => s.item)),
    ),
  };
}

/** The series as known at a moment. Worked out once for a tank as long as samples, kits and calibrations stand: an event, an animal, a
 *  later minute lay nothing out again. Collections are replaced, never changed, by every act. */
function seriesAt(doc: Document, tankId: string, nowMs: number): Record<Parameter, readonly Point[]> {
  const known = layouts(doc.samples)(doc.kits)(doc.calibrations);
  let whole = known.get(tankId);
  if (!whole) {
    const samples = Object.values(doc.samples).filter((s) => s.tankId === tankId).map((sample) => ({ sample, atMs: timeOf(sample) })).sort((a, b) => a.atMs - b.atMs);
    whole = { samples, series: seriesOf(samples, doc.kits, doc.calibrations) };
    known.set(tankId, whole);
  }
  const last = lastOf(whole.samples);
  return last === undefined || last.atMs <= nowMs ? whole.series : seriesOf(whole.samples.filter((s) => s.atMs <= nowMs), doc.kits, doc.calibrations);
}

interface Layout {
  samples: { sample: Sample; atMs: number }[];
  series: Record<Parameter, readonly Point[]>;
}
const layouts = remembered((_samples: Document['samples']) => remembered((_kits: Document['kits']) => remembered((_calibrations: Document['calibrations']) => new Map<string, Layout>())));

function seriesOf(samples: { sample: Sample; atMs: number }[], kits: Record<string, Kit>, calibrations: Record<string, Calibration>): Record<Parameter, readonly Point[]> {
  const series = Object.fromEntries(PARAMETERS.map((p) => [p, []])) as unknown as Record<Parameter, Point[]>;
  const pointsOf = pointsBy(kits);
  for (const { sample } of samples) {
    for (const { parameter, point } of pointsOf(sample)) series[parameter].push(point);
  }
  for (const kitId of new Set(Object.values(calibrations).map((c) => c.kitId))) {
    const kit = kits[kitId];
    if (!kit) continue;
    const sessions = calibrationSessions(Object.values(calibrations).filter((c) => c.kitId === kitId), kit.parameter);
    series[kit.parameter] = series[kit.parameter].map((p) => (p.kit.id === kitId ? asCalibrated(p, sessions) : p));
  }
  return { ...series, nitrate: withInterference(series.nitrate, series.nitrite) };
}

/** The points of one sample, read once as long as neither it nor the kits change: a long history is not read again at each new entry. */
const pointsBy = remembered((kits: Record<string, Kit>) =>
  remembered((sample: Sample): readonly { parameter: Parameter; point: Point }[] =>
    sample.readings.flatMap((reading) => {
      const kit = kits[reading.kitId];
      if (!kit) return [];
      const p = reading.parameter;
      return [{
        parameter: p,
        point: {
          atMs: timeOf(sample),
          sampleId: sample.id,
          interval: isNitrogen(p) ? nitrogenInterval(reading.value, kit, p) : readingInterval(reading.value, kit),
          zero: readsZero(reading.value, kit),
          text: readingText(reading.value),
          kit,
          doubts: [...(kitExpired(kit, sample.at) ? (['expired'] as const) : []), ...(reading.doubted ? (['byPerson'] as const) : [])],
        },
      }];
    })));

/** A reading as its instrument's calibrations see it: corrected by the one before, doubted when the one after found a drift. */
function asCalibrated(p: Point, sessions: readonly CalibrationSession[]): Point {
  const doubts = insideDrift(sessions, p.atMs) ? [...p.doubts, 'drift' as const] : p.doubts;
  const correction = correctionAt(sessions, p.atMs);
  if (correction.from === 'none') return doubts === p.doubts ? p : { ...p, doubts };
  const fix = (x: number) => corrected(x, correction);
  return { ...p, doubts, interval: { low: fix(p.interval.low), mid: fix(p.interval.mid), high: fix(p.interval.high) }, corrected: true };
}

/** A nitrate reading is doubted when the nitrite nearest to it, within two days, is present. One pass over both series. */
function withInterference(nitrates: readonly Point[], nitrites: readonly Point[]): readonly Point[] {
  let i = 0;
  return nitrates.map((nitrate) => {
    while (i + 1 < nitrites.length && distance(nitrites[i + 1], nitrate) <= distance(nitrites[i], nitrate)) i++;
    const nearest = nitrites[i];
    return nearest && distance(nearest, nitrate) <= 2 * DAY_MS && nearest.interval.mid > NITRITE_INTERFERES_MG_N
      ? { ...nitrate, doubts: [...nitrate.doubts, 'nitriteInterferes' as const] }
      : nitrate;
  });
}

const distance = (a: Point | undefined, b: Point): number => (a ? Math.abs(a.atMs - b.atMs) : Infinity);

/** The points without a doubt; must be asked only of a finished series. */
export const trusted = remembered((points: readonly Point[]): readonly Point[] => points.filter((p) => p.doubts.length === 0));
export const lastOf = <T>(list: readonly T[]): T | undefined => list[list.length - 1];
