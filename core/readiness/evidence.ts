/** The readings of one tank laid out for judging: times in ms, nitrogen as mg N/L, each doubt named. */
import {
  kitExpired, nitrogenInterval, readingInterval, readingText, readsZero,
  type Animal, type Document, type Interval, type Kit, type Parameter, type Sample, type Tank, type TankEvent,
} from '../document';
import { isNitrogen } from '../document/readings';
import { netVolume } from '../volume';

/** Why a reading is kept but not trusted. */
export type Doubt = 'expired' | 'nitriteInterferes';

export interface Point {
  atMs: number;
  sampleId: string;
  /** mg N/L for nitrogen, stored units otherwise. */
  interval: Interval;
  zero: boolean;
  /** As printed by the kit, without unit. */
  text: string;
  kit: Kit;
  doubts: Doubt[];
}

export interface TankEvidence {
  tank: Tank;
  netL: number;
  nowMs: number;
  series: Record<Parameter, Point[]>;
  doses: { atMs: number; mgNPerL: number }[];
  changes: { atMs: number; fraction: number }[];
  events: TankEvent[];
  /** Animals that are or were in the display, with the time they joined. */
  joined: { atMs: number; animal: Animal }[];
  inDisplay: Animal[];
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

/** Lays out what is known of a tank at nowMs. Later entries are left out, so a past judgement can be repeated. */
export function gatherEvidence(doc: Document, tankId: string, nowMs: number): TankEvidence {
  const tank = doc.tanks[tankId];
  if (!tank) throw new RangeError(`"tankId" must be a tank of the document, got "${tankId}"`);
  const netL = netVolume(tank).netL;
  const byTime = <T extends { atMs: number }>(a: T, b: T) => a.atMs - b.atMs;
  const samples = Object.values(doc.samples)
    .filter((s) => s.tankId === tankId)
    .map((sample) => ({ sample, atMs: Date.parse(sample.at) }))
    .filter((s) => s.atMs <= nowMs)
    .sort(byTime);
  const timed = Object.values(doc.events)
    .filter((e) => e.tankId === tankId)
    .map((event) => ({ event, atMs: Date.parse(event.at) }))
    .filter((e) => e.atMs <= nowMs)
    .sort(byTime);
  const animals = Object.values(doc.animals).filter((a) => a.tankId === tankId);
  return {
    tank,
    netL,
    nowMs,
    series: seriesOf(samples, doc.kits),
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
  };
}

function seriesOf(samples: { sample: Sample; atMs: number }[], kits: Record<string, Kit>): Record<Parameter, Point[]> {
  const series: Record<Parameter, Point[]> = {
    temperature: [], salinity: [], ph: [], alkalinity: [], ammonia: [], nitrite: [], nitrate: [], phosphate: [],
  };
  for (const { sample, atMs } of samples) {
    for (const reading of sample.readings) {
      const kit = kits[reading.kitId];
      if (!kit) continue;
      const p = reading.parameter;
      series[p].push({
        atMs,
        sampleId: sample.id,
        interval: isNitrogen(p) ? nitrogenInterval(reading.value, kit, p) : readingInterval(reading.value, kit),
        zero: readsZero(reading.value, kit),
        text: readingText(reading.value),
        kit,
        doubts: kitExpired(kit, sample.at) ? ['expired'] : [],
      });
    }
  }
  markInterference(series);
  return series;
}

/** A nitrate reading is doubted when the nitrite nearest to it, within two days, is present. One pass over both series. */
function markInterference(series: Record<Parameter, Point[]>): void {
  const nitrites = series.nitrite;
  let i = 0;
  for (const nitrate of series.nitrate) {
    while (i + 1 < nitrites.length && distance(nitrites[i + 1], nitrate) <= distance(nitrites[i], nitrate)) i++;
    const nearest = nitrites[i];
    if (nearest && distance(nearest, nitrate) <= 2 * DAY_MS && nearest.interval.mid > NITRITE_INTERFERES_MG_N) {
      nitrate.doubts.push('nitriteInterferes');
    }
  }
}

const distance = (a: Point | undefined, b: Point): number => (a ? Math.abs(a.atMs - b.atMs) : Infinity);

export const trusted = (points: readonly Point[]): Point[] => points.filter((p) => p.doubts.length === 0);
export const lastOf = <T>(list: readonly T[]): T | undefined => list[list.length - 1];
