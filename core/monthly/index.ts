/** A water's month: what was used, spent, made and lost, and what drifts. Derived from the log. */
import { waterOf, type Display, type Document, type Parameter } from '../document';
import { trusted, type WaterEvidence } from '../evidence';
import { rejection } from '../rodi';
import { mixOf, SUPPLIED, usedADay, type Supplied, type Uptake } from '../supply';
import { DAY_MS } from '../time';
import { stability } from '../water';

/** Days looked at. */
export const MONTH_DAYS = 30;

export interface MonthLook {
  fromMs: number;
  toMs: number;
  used: {
    changedL: number;
    toppedL: number;
    madeL: number;
    saltGrams: number;
    foodGrams: number;
    tests: number;
    samples: number;
  };
  /** In the person's currency; what has no price is not in it. */
  spent: { equipment: number; animals: number };
  joined: number;
  lost: number;
  born: { parameter: Supplied; use: Uptake }[];
  /** What wanders by more than its usual share in a week. */
  drifts: { parameter: Parameter; perWeek: number; last: number }[];
  /** Share the membrane holds back, first and last of the month. */
  membrane: { first: number; last: number } | null;
  /** Fell out in the month: tests that were due were not done for so many days at most. */
  longestGapDays: number;
}

/** A drift that is worth a word, in stored units a week: common practice. */
const DRIFTS: Partial<Record<Parameter, number>> = {
  temperature: 0.4,
  salinity: 0.3,
  alkalinity: 0.4,
  ph: 0.1,
};

export function monthLook(doc: Document, water: Display, e: WaterEvidence, days = MONTH_DAYS): MonthLook {
  const fromMs = e.nowMs - days * DAY_MS;
  const within = (ms: number): boolean => ms >= fromMs && ms <= e.nowMs;
  const events = e.events.filter((x) => within(Date.parse(x.at)));
  const sum = <T>(list: readonly T[], of: (x: T) => number): number => list.reduce((s, x) => s + of(x), 0);
  const samples = Object.values(doc.samples).filter(
    (s) => s.waterId === water.id && within(Date.parse(s.at)),
  );
  const times = samples.map((s) => Date.parse(s.at)).sort((a, b) => a - b);
  const mix = mixOf(doc, water.id);
  const moves = Object.values(doc.animals).flatMap((a) =>
    a.moves.flatMap((m, i) => (within(Date.parse(m.at)) ? [{ a, m, before: a.moves[i - 1] }] : [])),
  );
  return {
    fromMs,
    toMs: e.nowMs,
    used: {
      changedL: sum(events, (x) => (x.kind === 'waterChange' ? x.litres : 0)),
      toppedL: sum(events, (x) => (x.kind === 'topOff' ? x.litres : 0)),
      madeL: sum(events, (x) => (x.kind === 'waterMade' ? x.litres : 0)),
      saltGrams: sum(events, (x) => (x.kind === 'saltMixed' ? x.grams : 0)),
      foodGrams: sum(events, (x) => (x.kind === 'food' ? x.grams : 0)),
      tests: sum(samples, (s) => s.readings.length),
      samples: samples.length,
    },
    spent: {
      equipment: sum(
        Object.values(doc.equipment).filter((p) => p.waterId === water.id && within(Date.parse(p.sinceDay))),
        (p) => p.price ?? 0,
      ),
      animals: sum(
        Object.values(doc.purchases).filter((p) => p.waterId === water.id && within(Date.parse(p.at))),
        (p) => p.price ?? 0,
      ),
    },
    joined: sum(
      moves.filter(({ m }) => waterOf(m.to) === water.id),
      ({ a }) => a.count,
    ),
    lost: sum(
      moves.filter(
        ({ a, m }) =>
          a.homeId === water.id &&
          m.to.kind === 'gone' &&
          (m.to.reason === 'died' || m.to.reason === 'eaten' || m.to.reason === 'missing'),
      ),
      ({ a }) => a.count,
    ),
    born: SUPPLIED.flatMap((parameter) => {
      const use = usedADay(e, parameter, mix, days);
      return use ? [{ parameter, use }] : [];
    }),
    drifts: (Object.keys(DRIFTS) as Parameter[]).flatMap((parameter) => {
      const s = stability(
        trusted(e.series[parameter])
          .filter((p) => within(p.atMs))
          .map((p) => ({ atMs: p.atMs, value: p.interval.mid })),
      );
      return s && Math.abs(s.driftPerWeek) >= (DRIFTS[parameter] ?? Infinity)
        ? [{ parameter, perWeek: s.driftPerWeek, last: s.last }]
        : [];
    }),
    membrane: membraneOf(e, within),
    longestGapDays:
      times.length < 2
        ? days
        : Math.max(...times.map((t, i) => (i === 0 ? t - fromMs : t - times[i - 1]!))) / DAY_MS,
  };
}

function membraneOf(e: WaterEvidence, within: (ms: number) => boolean): MonthLook['membrane'] {
  const shares = trusted(e.series.tdsMembrane).flatMap((p) => {
    const source = trusted(e.series.tdsSource)
      .filter((s) => s.atMs <= p.atMs + DAY_MS)
      .pop();
    return within(p.atMs) && source && source.interval.mid > 0 && p.interval.mid <= source.interval.mid
      ? [rejection(source.interval.mid, p.interval.mid)]
      : [];
  });
  return shares.length === 0 ? null : { first: shares[0]!, last: shares[shares.length - 1]! };
}
