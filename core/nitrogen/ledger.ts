/** Nitrogen in against nitrogen found, and what explains a gap best. mg N in the whole tank; alkalinity belongs to the account. */
import { compoundGrams, dailyUse, DOSING, movesOf, USUAL_IN_NEW_WATER, withoutMoves } from '../dosing';
import { EVIDENCE, lastOf, trusted, type WaterEvidence } from '../evidence';
import type { CauseCode, StatementOf } from '../statements';
import { DAY_MS } from '../time';
import { PRINTED_PER_N } from '../units';
import { NITROGEN } from './limits';
import { FOOD_MG_N_PER_G } from './food';
import { nitrogenStrata, type Strata } from './strata';

export interface Cause {
  says: StatementOf<CauseCode>;
  /** 0 to 1: how well it alone would close the gap, times how common it is. */
  score: number;
}

export interface Ledger {
  /** By source, mg N as given; before changes took their share. */
  given: { ammonia: number; food: number; seafood: number };
  takenByChanges: number;
  putIn: number;
  found: { ammonia: number; nitrite: number; nitrate: number; total: number };
  gap: number;
  gapSd: number;
  verdict: 'nothingYet' | 'fits' | 'missing' | 'tooMuch';
  causes: Cause[];
  alkalinity: AlkalinityAccount;
}

export interface AlkalinityAccount {
  /** dKH that the nitrogen oxidised between the first and the last alkalinity reading should have used; of all of it before there are two. */
  expectedFall: number;
  /** What it fell by between them, doses and changes taken out. */
  measuredFall: number | null;
  /** dKH a day over the last two weeks, doses and changes taken out; null with fewer than two readings. */
  fallPerDay: number | null;
  now: number | null;
  daysTo7: number | null;
  daysTo5: number | null;
  /** Grams of sodium bicarbonate to bring it to 8.5 dKH; null when not needed or not known. */
  bicarbonateG: number | null;
}

const bell = (x: number, sd: number): number => Math.exp(-0.5 * (x / sd) ** 2);

/** @param volumeSdShare standard deviation of the net volume as a share */
export function nitrogenLedger(e: WaterEvidence, volumeSdShare: number): Ledger {
  const strata = nitrogenStrata(e, volumeSdShare);
  const last = strata.points[strata.points.length - 1];
  const given = { ammonia: 0, food: 0, seafood: 0 };
  for (const x of e.events) {
    if (x.kind === 'ammoniaDose') given.ammonia += x.mgN;
    if (x.kind === 'food')
      given[x.food === 'seafood' ? 'seafood' : 'food'] += x.grams * FOOD_MG_N_PER_G[x.food];
  }
  const found = last
    ? {
        ammonia: last.ammoniaMgN,
        nitrite: last.nitriteMgN,
        nitrate: last.nitrateMgN,
        total: last.ammoniaMgN + last.nitriteMgN + last.nitrateMgN,
      }
    : { ammonia: 0, nitrite: 0, nitrate: 0, total: 0 };
  const putIn = last?.putInMgN ?? 0;
  const gap = putIn - found.total;
  const sure = Math.max(strata.gapSdMgN, 0.05 * putIn);
  const verdict =
    !last || (putIn < 1 && found.total < 1)
      ? 'nothingYet'
      : Math.abs(gap) <= 2 * sure
        ? 'fits'
        : gap > 0
          ? 'missing'
          : 'tooMuch';
  return {
    given,
    takenByChanges: Math.max(0, given.ammonia + given.food + given.seafood - putIn),
    putIn,
    found,
    gap,
    gapSd: sure,
    verdict,
    causes: verdict === 'missing' || verdict === 'tooMuch' ? causesOf(e, strata, putIn, found, verdict) : [],
    alkalinity: alkalinityOf(e, strata),
  };
}

/** The likely causes, best first. Each is asked: if this were so, how far would it be from closing the gap? The scores are stated
 *  guesses of how common each is; only their order is shown. */
function causesOf(
  e: WaterEvidence,
  strata: Strata,
  putIn: number,
  found: Ledger['found'],
  verdict: 'missing' | 'tooMuch',
): Cause[] {
  const ratio = found.total / Math.max(1e-6, putIn);
  const own = verdict === 'tooMuch' ? causesOfSurplus(e, strata) : causesOfLack(e, strata, ratio);
  return [...instrumentCauses(e, putIn, found, ratio), ...own]
    .filter((c) => c.score > 0.02)
    .map((c) => ({ ...c, score: Math.min(1, c.score) }))
    .sort((a, b) => b.score - a.score);
}

/** A wrong volume, a mixed-up basis or an old kit bends every figure, whichever way the gap lies. */
function instrumentCauses(e: WaterEvidence, putIn: number, found: Ledger['found'], ratio: number): Cause[] {
  const log = Math.log(Math.max(1e-3, ratio));
  const ammoniaFactor = Math.log(PRINTED_PER_N.ammonia.ion);
  const mostlyAmmonia = found.ammonia / Math.max(1e-6, found.total) > 0.3;
  const nitrateScaled = (factor: number) =>
    Math.log(
      Math.max(1e-3, (found.ammonia + found.nitrite + found.nitrate * factor) / Math.max(1e-6, putIn)),
    );
  const no3 = PRINTED_PER_N.nitrate.ion;
  const causes: Cause[] = [
    { says: { code: 'volumeWrong', fitsL: e.netL / ratio, netL: e.netL }, score: bell(log, 0.18) },
    {
      says: { code: 'ammoniaBasis' },
      score:
        0.8 * bell(log - ammoniaFactor, 0.1) +
        0.8 * bell(log + ammoniaFactor, 0.1) * (mostlyAmmonia ? 1 : 0.4),
    },
    {
      says: { code: 'nitrateBasis' },
      score: 0.9 * (bell(nitrateScaled(no3), 0.2) + bell(nitrateScaled(1 / no3), 0.2)),
    },
  ];
  const lately = [...e.series.ammonia, ...e.series.nitrite, ...e.series.nitrate].slice(-9);
  if (lately.some((p) => p.doubts.includes('expired'))) causes.push({ says: { code: 'oldKit' }, score: 0.6 });
  return causes;
}

/** Why more is found than was put in. */
function causesOfSurplus(e: WaterEvidence, strata: Strata): Cause[] {
  const causes: Cause[] = [];
  const nitrite = lastOf(trusted(e.series.nitrite));
  const nitriteThere = nitrite !== undefined && nitrite.interval.mid > EVIDENCE.nitriteInterferesMgN;
  if (nitriteThere || strata.points.some((p) => p.nitrateEstimated)) {
    causes.push({ says: { code: 'nitriteInterference' }, score: 0.5 });
  }
  const firstInputMs = Math.min(
    ...e.doses.map((d) => d.atMs),
    ...e.events.filter((x) => x.kind === 'food').map((x) => Date.parse(x.at)),
    Infinity,
  );
  const fromStart = trusted(e.series.nitrate).some(
    (p) => p.atMs <= firstInputMs + DAY_MS && p.interval.mid > 0.5,
  );
  causes.push(
    fromStart
      ? { says: { code: 'nitrateFromStart' }, score: 0.85 }
      : { says: { code: 'nitrateFromSource' }, score: 0.15 },
    { says: { code: 'forgottenInput' }, score: 0.35 },
  );
  return causes;
}

/** Why less is found than was put in. */
function causesOfLack(e: WaterEvidence, strata: Strata, ratio: number): Cause[] {
  const days = (e.nowMs - (strata.points[0]?.atMs ?? e.nowMs)) / DAY_MS;
  const film = e.events.some((x) => x.kind === 'film' && x.extent >= 2);
  const monthly = Math.min(1, days / 30);
  return [
    film
      ? { says: { code: 'takenByAlgae' }, score: 0.6 * monthly }
      : { says: { code: 'lostToGas' }, score: 0.25 * monthly },
    {
      says: { code: 'forgottenChange', fraction: 1 - ratio },
      score: ratio > 0.35 && ratio < 0.92 ? 0.45 : 0.1,
    },
  ];
}

/** mg N turned into nitrite between two moments: what nitrite and nitrate gained from sitting to sitting, changes taken out. */
function oxidisedBetween(e: WaterEvidence, strata: Strata, fromMs: number, toMs: number): number {
  let sum = 0;
  let before = 0;
  let beforeMs = -Infinity;
  for (const p of strata.points) {
    if (p.atMs > toMs) break;
    const kept = e.changes.reduce(
      (k, c) => (c.atMs > beforeMs && c.atMs <= p.atMs ? k * (1 - c.fraction) : k),
      1,
    );
    const held = p.nitriteMgN + p.nitrateMgN;
    if (p.atMs > fromMs) sum += Math.max(0, held - before * kept);
    before = held;
    beforeMs = p.atMs;
  }
  return sum;
}

function alkalinityOf(e: WaterEvidence, strata: Strata): AlkalinityAccount {
  const points = trusted(e.series.alkalinity).map((p) => ({ atMs: p.atMs, value: p.interval.mid }));
  const moves = movesOf(e.events, 'alkalinity', e.netL);
  const first = points[0];
  const last = points[points.length - 1];
  const two = first && last && first !== last;
  const expectedFall =
    (NITROGEN.dkhPerMgN *
      oxidisedBetween(e, strata, two ? first.atMs : -Infinity, two ? last.atMs : Infinity)) /
    e.netL;
  const recent = points.filter((p) => p.atMs >= e.nowMs - 14 * DAY_MS);
  const now = last?.value ?? null;
  const fallPerDay = fallOf(recent, moves);
  const daysTo = (level: number): number | null =>
    now === null || fallPerDay === null || fallPerDay < DOSING.noUseBelowDkh
      ? null
      : now <= level
        ? 0
        : (now - level) / fallPerDay;
  return {
    expectedFall,
    measuredFall: two ? first.value - (withoutMoves(points, moves).pop()?.value ?? NaN) : null,
    fallPerDay,
    now,
    daysTo7: daysTo(7),
    daysTo5: daysTo(5),
    bicarbonateG:
      now !== null && now < NITROGEN.bufferBelowDkh
        ? compoundGrams('bicarbonate', USUAL_IN_NEW_WATER.alkalinity - now, e.netL)
        : null,
  };
}

/** The fall a day: a line through three readings or more, else the difference of two over a day apart; never below zero. */
function fallOf(
  points: readonly { atMs: number; value: number }[],
  moves: Parameters<typeof dailyUse>[1],
): number | null {
  const line = dailyUse(points, moves);
  if (line) return Math.max(0, line.perDay);
  const bare = withoutMoves(points, moves);
  const [a, b] = [bare[0], bare[bare.length - 1]];
  return a && b && b.day - a.day > 1 ? Math.max(0, (a.value - b.value) / (b.day - a.day)) : null;
}
