/** What a person did and read, laid on one line of time for the kernel: steps, acts exactly at their moment, readings to compare with. */
import { isNitrogen, readerShare, type Kit } from '../document';
import { FOOD_MG_N_PER_G } from '../nitrogen/food';
import type { Point, WaterEvidence } from '../evidence';
import { DAY_MS } from '../time';
import { PRINTED_PER_N } from '../units';
import { ACT, type Act } from './acts';
import { feedingActs } from './feeding';
import { TAKEN } from './limits';

/** Longest step of the model, fitted or run on. */
export const STEP_DAYS = 0.25;

/** Species a reading speaks of, in the order of the kernel's outputs. */
export const READ = { ammonia: 0, nitrite: 1, nitrate: 2, alkalinity: 3 } as const;

export interface Observation {
  day: number;
  what: 0 | 1 | 2 | 3;
  /** mg N/L or dKH; high may be Infinity. */
  low: number;
  mid: number;
  high: number;
  /** The reader's error: share and floor, same unit. */
  share: number;
  floor: number;
}

/** What a kit can show: from one edge to the next, the last open above; and the reader's error. */
export interface KitCells {
  edges: number[];
  share: number;
  floor: number;
}

export interface Timeline {
  /** Time of day 0. */
  startMs: number;
  nowDay: number;
  acts: Act[];
  observations: Observation[];
  believedL: number;
  volumeSdShare: number;
  tempC: number;
  /** Smallest ammonia and nitrite that the person's kits tell from zero, mg N/L. */
  zeroAmmonia: number;
  zeroNitrite: number;
  /** Animals live in the display: ammonia is not dosed any more; since which day the latest, null without. */
  animalsIn: boolean;
  joinedDay: number | null;
  /** The kits last read with, and what those would show: edges of their steps, mg N/L or dKH. Nitrate and alkalinity null for who never reads them. */
  cells: { ammonia: KitCells; nitrite: KitCells; nitrate: KitCells | null; alkalinity: KitCells | null };
}

/** Lays the evidence out. Day 0 is the start day, or the first entry when that is earlier. */
export function timelineOf(e: WaterEvidence, volumeSdShare: number): Timeline {
  const series = [...e.series.ammonia, ...e.series.nitrite, ...e.series.nitrate, ...e.series.alkalinity];
  const firstMs = Math.min(
    ...(e.water.startDay === null ? [] : [Date.parse(`${e.water.startDay}T00:00:00.000Z`)]),
    ...series.map((p) => p.atMs),
    ...e.events.map((x) => Date.parse(x.at)),
  );
  const startMs = Number.isFinite(firstMs)
    ? Math.max(firstMs, e.nowMs - TAKEN.historyDays * DAY_MS)
    : e.nowMs;
  const dayOf = (ms: number) => (ms - startMs) / DAY_MS;
  const acts: Act[] = [];
  for (const x of e.events) {
    const day = dayOf(Date.parse(x.at));
    if (day < 0) continue;
    switch (x.kind) {
      case 'ammoniaDose':
        acts.push({ day, code: ACT.ammonia, amount: x.mgN });
        break;
      case 'food':
        if (x.food === 'seafood')
          acts.push({ day, code: ACT.slow, amount: x.grams * FOOD_MG_N_PER_G.seafood });
        break;
      case 'seafoodOut':
        acts.push({ day, code: ACT.seafoodOut, amount: 1 });
        break;
      case 'bacteria':
        acts.push({
          day,
          code: x.seed === 'bottle' || x.seed === 'liveSand' ? ACT.bottle : ACT.mature,
          amount:
            (x.seed === 'liveSand' || x.seed === 'oldTank' ? TAKEN.oldMediaTimes : 1) *
            (x.keptWet === false ? TAKEN.driedMediaShare : 1) *
            (x.expires !== undefined && x.expires < x.at.slice(0, 10) ? TAKEN.expiredBottleShare : 1),
        });
        break;
      case 'waterChange':
        acts.push({ day, code: ACT.change, amount: Math.min(1, x.litres / e.netL) });
        break;
      case 'dose':
        if (x.what === 'alkalinity') acts.push({ day, code: ACT.alkalinity, amount: x.rise });
        break;
    }
  }
  // What stands for a meal after now lies ahead, not in the log.
  acts.push(...feedingActs(e, dayOf).filter((a) => a.day <= dayOf(e.nowMs)));
  acts.sort((a, b) => a.day - b.day);
  const observations: Observation[] = [];
  const take = (points: readonly Point[], what: Observation['what']) => {
    for (const p of points) {
      const day = dayOf(p.atMs);
      if (day < 0 || p.doubts.length > 0) continue;
      observations.push({ day, what, ...intervalOf(p), ...errorOf(p.kit) });
    }
  };
  take(e.series.ammonia, READ.ammonia);
  take(e.series.nitrite, READ.nitrite);
  take(e.series.nitrate, READ.nitrate);
  take(e.series.alkalinity, READ.alkalinity);
  observations.sort((a, b) => a.day - b.day);
  const [coldest, warmest] = TAKEN.believableTempC;
  const temps = e.series.temperature
    .slice(-10)
    .map((p) => p.interval.mid)
    .filter((t) => t > coldest && t < warmest);
  return {
    startMs,
    animalsIn: e.isInhabited,
    joinedDay: e.joined.length > 0 ? Math.max(...e.joined.map((j) => dayOf(j.atMs))) : null,
    cells: {
      ammonia: cellsOf(e.series.ammonia),
      nitrite: cellsOf(e.series.nitrite),
      nitrate: e.series.nitrate.length > 0 ? cellsOf(e.series.nitrate) : null,
      alkalinity: e.series.alkalinity.length > 0 ? cellsOf(e.series.alkalinity) : null,
    },
    nowDay: dayOf(e.nowMs),
    acts,
    observations,
    believedL: e.netL,
    volumeSdShare,
    tempC: temps.length > 0 ? temps.reduce((a, b) => a + b, 0) / temps.length : TAKEN.usualTempC,
    zeroAmmonia: zeroLimit(e.series.ammonia, TAKEN.usualStep / PRINTED_PER_N.ammonia.ion),
    zeroNitrite: zeroLimit(e.series.nitrite, TAKEN.usualStep / PRINTED_PER_N.nitrite.ion),
  };
}

/** A reading at the open top of a chart may be anything above. */
function intervalOf(p: Point): { low: number; mid: number; high: number } {
  const { scale } = p.kit;
  const top = scale.kind === 'steps' && scale.topOpen ? scale.steps[scale.steps.length - 1] : undefined;
  const atTop = top !== undefined && p.text === String(top);
  return { ...p.interval, high: atTop ? Infinity : p.interval.high };
}

/** Reader's error: 20 % + 0.1 mg/L as printed for a chart of colours, half of that once as a standard deviation; 5 % for a meter. */
function errorOf(kit: Kit): { share: number; floor: number } {
  const toN = isNitrogen(kit.parameter) ? PRINTED_PER_N[kit.parameter].ion : 1;
  if (kit.scale.kind === 'number')
    return {
      share: readerShare(kit),
      floor:
        Math.max(
          kit.scale.resolution,
          kit.parameter === 'alkalinity' ? TAKEN.titrationFloorDkh : TAKEN.meterFloor,
        ) / toN,
    };
  const first = kit.scale.steps.find((s) => s > 0) ?? TAKEN.usualStep;
  return { share: TAKEN.chartShare, floor: Math.max(TAKEN.chartFloor, TAKEN.chartStepShare * first) / toN };
}

/** Edges between what the kit last read with can show: half way between the steps of a chart, a few errors apart for a meter. */
function cellsOf(points: readonly Point[]): KitCells {
  const kit = points[points.length - 1]?.kit;
  if (!kit) return { edges: [0.1, 0.3, 0.6, 1.2, 2.5], share: TAKEN.chartShare, floor: TAKEN.chartFloor };
  const { share, floor } = errorOf(kit);
  const toN = isNitrogen(kit.parameter) ? PRINTED_PER_N[kit.parameter].ion : 1;
  if (kit.scale.kind === 'steps') {
    const steps = [...new Set([0, ...kit.scale.steps])].sort((a, b) => a - b);
    return { edges: steps.slice(1).map((s, i) => (s + (steps[i] as number)) / 2 / toN), share, floor };
  }
  const edges: number[] = [];
  const [from, to] =
    kit.parameter === 'alkalinity'
      ? TAKEN.toldAlkalinityDkh
      : [
          Math.max(kit.scale.resolution, 0.05) / toN,
          kit.parameter === 'nitrate' ? TAKEN.toldNitrateMgN : TAKEN.toldMgN,
        ];
  for (let at = from; at < to; at += 2 * Math.hypot(share * at, floor)) edges.push(at);
  return { edges, share, floor };
}

/** Half of the lowest step above zero, mg N/L. */
function zeroLimit(points: readonly Point[], usualStep: number): number {
  const kit = points[points.length - 1]?.kit;
  if (!kit) return usualStep / 2;
  const toN = isNitrogen(kit.parameter) ? PRINTED_PER_N[kit.parameter].ion : 1;
  if (kit.scale.kind === 'steps') return (kit.scale.steps.find((s) => s > 0) ?? TAKEN.usualStep) / 2 / toN;
  return Math.max(kit.scale.resolution, 0.05) / toN;
}
