/** Nitrogen in against nitrogen found, and what explains a gap best. mg N in the whole tank; alkalinity belongs to the account. */
import { DAY_MS, trusted, type TankEvidence } from '../readiness/evidence';
import { compoundGrams, dailyUse, movesOf, USUAL_IN_NEW_WATER, withoutMoves } from '../dosing/minerals';
import { nitrogenStrata, type Strata } from './strata';

export type CauseCode = 'volume' | 'ammoniaBasis' | 'nitrateBasis' | 'expiredKit' | 'nitriteInterference' | 'sourceNitrate' | 'lossOrAlgae' | 'forgottenChange' | 'forgottenInput';

export interface Cause {
  code: CauseCode;
  /** 0 to 1: how well it alone would close the gap, times how common it is. */
  score: number;
  text: string;
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
export function nitrogenLedger(e: TankEvidence, volumeSdShare: number): Ledger {
  const strata = nitrogenStrata(e, volumeSdShare);
  const last = strata.points[strata.points.length - 1];
  const given = { ammonia: 0, food: 0, seafood: 0 };
  for (const x of e.events) {
    if (x.kind === 'ammoniaDose') given.ammonia += x.mgN;
    if (x.kind === 'food') given[x.food === 'seafood' ? 'seafood' : 'food'] += x.grams * { pellets: 75, frozen: 16, seafood: 27.5 }[x.food];
  }
  const found = last ? { ammonia: last.ammoniaMgN, nitrite: last.nitriteMgN, nitrate: last.nitrateMgN, total: last.ammoniaMgN + last.nitriteMgN + last.nitrateMgN } : { ammonia: 0, nitrite: 0, nitrate: 0, total: 0 };
  const putIn = last?.putInMgN ?? 0;
  const gap = putIn - found.total;
  const sure = Math.max(strata.gapSdMgN, 0.05 * putIn);
  const verdict = !last || (putIn < 1 && found.total < 1) ? 'nothingYet' : Math.abs(gap) <= 2 * sure ? 'fits' : gap > 0 ? 'missing' : 'tooMuch';
  return {
    given, takenByChanges: Math.max(0, given.ammonia + given.food + given.seafood - putIn), putIn, found, gap, gapSd: sure, verdict,
    causes: verdict === 'missing' || verdict === 'tooMuch' ? causesOf(e, strata, putIn, found, verdict) : [],
    alkalinity: alkalinityOf(e, strata),
  };
}

/** The likely causes, best first. Each is asked: if this were so, how far would it be from closing the gap? */
function causesOf(e: TankEvidence, strata: Strata, putIn: number, found: Ledger['found'], verdict: 'missing' | 'tooMuch'): Cause[] {
  const ratio = found.total / Math.max(1e-6, putIn);
  const log = Math.log(Math.max(1e-3, ratio));
  const causes: Cause[] = [];
  const add = (code: CauseCode, score: number, text: string) => {
    if (score > 0.02) causes.push({ code, score: Math.min(1, score), text });
  };
  add('volume', bell(log, 0.18), `The water volume may be wrong: ${(e.netL * (1 / ratio)).toFixed(0)} L instead of ${e.netL.toFixed(0)} L would make it fit.`);
  const sharesA = found.ammonia / Math.max(1e-6, found.total);
  add('ammoniaBasis', 0.8 * bell(log - Math.log(1.2878), 0.1) + 0.8 * bell(log + Math.log(1.2878), 0.1) * (sharesA > 0.3 ? 1 : 0.4), 'A kit’s basis may be mixed up: ammonia as N and as NH₄ differ by 1.29. Check the kit’s record.');
  const nitrateScaled = (k: number) => (found.ammonia + found.nitrite + found.nitrate * k) / Math.max(1e-6, putIn);
  add('nitrateBasis', 0.9 * (bell(Math.log(Math.max(1e-3, nitrateScaled(4.4266))), 0.2) + bell(Math.log(Math.max(1e-3, nitrateScaled(1 / 4.4266))), 0.2)), 'The nitrate kit’s basis may be mixed up: as N and as NO₃ differ by 4.4.');
  if ([...e.series.ammonia, ...e.series.nitrite, ...e.series.nitrate].slice(-9).some((p) => p.doubts.includes('expired'))) add('expiredKit', 0.6, 'A kit is past its date: its readings are kept, not trusted.');
  if (verdict === 'tooMuch') {
    const nitrite = trusted(e.series.nitrite)[e.series.nitrite.length - 1];
    if (strata.points.some((p) => p.nitrateEstimated) || (nitrite && nitrite.interval.mid > 0.15)) add('nitriteInterference', 0.5, 'Nitrate kits see nitrite as nitrate: wait for nitrite to clear and read again.');
    const firstInputMs = Math.min(...e.doses.map((d) => d.atMs), ...e.events.filter((x) => x.kind === 'food').map((x) => Date.parse(x.at)), Infinity);
    const early = trusted(e.series.nitrate).find((p) => p.atMs <= firstInputMs + DAY_MS && p.interval.mid > 0.5);
    add('sourceNitrate', early ? 0.85 : 0.15, early ? 'Nitrate was there before anything was put in: it came with the water.' : 'The source water may bring nitrate: test it.');
    add('forgottenInput', 0.35, 'A dose, food or something that died may not be logged: rock that rots does this too.');
  } else {
    const days = (e.nowMs - (strata.points[0]?.atMs ?? e.nowMs)) / DAY_MS;
    const film = e.events.some((x) => x.kind === 'film' && x.extent >= 2);
    add('lossOrAlgae', (film ? 0.6 : 0.25) * Math.min(1, days / 30), film ? 'Algae and film have taken some up: they are logged.' : 'Some may have gone to gas in rock and sand, or into algae.');
    add('forgottenChange', ratio > 0.35 && ratio < 0.92 ? 0.45 : 0.1, `A water change of about ${Math.round((1 - ratio) * 100)} % not logged would explain it.`);
  }
  return causes.sort((a, b) => b.score - a.score);
}

/** mg N turned into nitrite between two moments: what nitrite and nitrate gained from sitting to sitting, changes taken out. */
function oxidisedBetween(e: TankEvidence, strata: Strata, fromMs: number, toMs: number): number {
  let sum = 0;
  let before = 0;
  let beforeMs = -Infinity;
  for (const p of strata.points) {
    if (p.atMs > toMs) break;
    const kept = e.changes.reduce((k, c) => (c.atMs > beforeMs && c.atMs <= p.atMs ? k * (1 - c.fraction) : k), 1);
    const held = p.nitriteMgN + p.nitrateMgN;
    if (p.atMs > fromMs) sum += Math.max(0, held - before * kept);
    before = held;
    beforeMs = p.atMs;
  }
  return sum;
}

function alkalinityOf(e: TankEvidence, strata: Strata): AlkalinityAccount {
  const points = trusted(e.series.alkalinity).map((p) => ({ atMs: p.atMs, value: p.interval.mid }));
  const moves = movesOf(e.events, 'alkalinity', e.netL);
  const first = points[0];
  const last = points[points.length - 1];
  const two = first && last && first !== last;
  // 2 equivalents for each mole of N oxidised: 0.400 dKH for one mg N/L.
  const expectedFall = (0.4 * oxidisedBetween(e, strata, two ? first.atMs : -Infinity, two ? last.atMs : Infinity)) / e.netL;
  const recent = points.filter((p) => p.atMs >= e.nowMs - 14 * DAY_MS);
  const now = last?.value ?? null;
  const fallPerDay = fallOf(recent, moves);
  const daysTo = (level: number): number | null => (now === null || fallPerDay === null || fallPerDay < 0.02 ? null : now <= level ? 0 : (now - level) / fallPerDay);
  return {
    expectedFall, measuredFall: two ? first.value - (withoutMoves(points, moves).pop()?.value ?? NaN) : null, fallPerDay, now, daysTo7: daysTo(7), daysTo5: daysTo(5),
    bicarbonateG: now !== null && now < 7.5 ? compoundGrams('bicarbonate', USUAL_IN_NEW_WATER.alkalinity - now, e.netL) : null,
  };
}

/** The fall a day: a line through three readings or more, else the difference of two over a day apart; never below zero. */
function fallOf(points: readonly { atMs: number; value: number }[], moves: Parameters<typeof dailyUse>[1]): number | null {
  const line = dailyUse(points, moves);
  if (line) return Math.max(0, line.perDay);
  const bare = withoutMoves(points, moves);
  const [a, b] = [bare[0], bare[bare.length - 1]];
  return a && b && b.day - a.day > 1 ? Math.max(0, (a.value - b.value) / (b.day - a.day)) : null;
}
