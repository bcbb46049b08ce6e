/** The gates of the cycle: sea water, the rise and fall of ammonia and nitrite, both clear, and what some schools ask besides. */
import type { Parameter, School } from '../document';
import {
  bothClear,
  dosesUntested,
  EVIDENCE,
  firstAmmoniaMs,
  firstClear,
  firstFall,
  firstSourceMs,
  lastOf,
  printed,
  riseOf,
  trusted,
  zerosSince,
  type DisplayEvidence,
  type WaterEvidence,
} from '../evidence';
import { ask } from '../living';
import type { Statement } from '../statements';
import { DAY_MS, HOUR_MS } from '../time';
import { nextDoseOr } from './feeding';
import { isTransfer, leftover, loadJoined, offAim } from './found';
import { open, shut, type Verdict } from './judgement';
import { RULES } from './limits';

/** Schools that let a rise nobody saw pass, because what follows shows the filter: a proof, or a long hold. */
const TAKES_UNSEEN: readonly School[] = ['proof24', 'coralsFirst', 'patient', 'firstFish', 'matureTransfer'];

export function seaWater(e: WaterEvidence): Verdict {
  const salinity = lastOf(trusted(e.series.salinity));
  const temperature = lastOf(trusted(e.series.temperature));
  if (!salinity || !temperature) {
    const missing: Parameter[] = [];
    if (!temperature) missing.push('temperature');
    if (!salinity) missing.push('salinity');
    return shut('test', { code: 'waterUnmeasured', parameters: missing }, ask(...missing));
  }
  const off = offAim(e);
  if (off) return shut('wait', off.finding, off.opens);
  const tap = e.water.kind === 'display' ? e.water.tap : undefined;
  if (tap && !tap.conditioned && e.joined.length === 0)
    return shut('wait', { code: 'tapNotConditioned', holds: tap.holds }, { code: 'conditionFirst' });
  const water = { salinity: salinity.interval.mid, tempC: temperature.interval.mid };
  // A list begun is finished before the water counts as ready; animals already in say that it was.
  const [first] = e.setupOpen;
  if (first !== undefined && e.joined.length === 0) {
    return shut('wait', { code: 'setupOpen', left: e.setupOpen.length, first }, { code: 'finishSetup' });
  }
  return open(Math.max(salinity.atMs, temperature.atMs), { code: 'waterReady', ...water });
}

export function ammoniaFalling(e: WaterEvidence): Verdict {
  if (firstAmmoniaMs(e) === null && riseOf(e) === null) {
    const said = lastOf(e.series.ammonia);
    if (said && !said.zero) {
      const ammonia = printed(said, 'ammonia');
      return shut('test', { code: 'traceOnly', ammonia }, { code: 'traceAgain', parameters: ['ammonia'] });
    }
    return shut('wait', { code: said?.zero ? 'zeroMeansNothing' : 'nothingFed' }, { code: 'addAmmonia' });
  }
  const fall = firstFall(e, e.series.ammonia);
  if (fall && (riseOf(e) !== null || firstSourceMs(e) < fall.atMs))
    return open(fall.atMs, { code: 'ammoniaFell' });
  const last = lastOf(trusted(e.series.ammonia));
  if (!last) return shut('test', { code: 'ammoniaUnmeasured' }, ask('ammonia'));
  const rise = riseOf(e);
  // Nitrite is ammonia oxidised; nitrate after a known source is, too.
  const zero = rise && trusted(e.series.ammonia).find((p) => p.zero && p.atMs >= rise.atMs);
  if (zero && (rise.by === 'nitrite' || rise.by === 'nitrate')) {
    return open(zero.atMs, { code: rise.by === 'nitrite' ? 'ammoniaOxidised' : 'unseenRise' });
  }
  return last.zero
    ? (notSeenYet(e) ?? shut('wait', { code: 'zeroMeansNothing' }, { code: 'addAmmonia' }))
    : shut(
        'wait',
        { code: 'ammoniaNotFalling', ammonia: printed(last, 'ammonia') },
        { code: 'ammoniaFalls' },
      );
}

/** What was dosed after the last test is looked at the day after, not asked for again. Null where every dose was. */
function notSeenYet(e: WaterEvidence): Verdict | null {
  const dose = lastOf(dosesUntested(e));
  if (!dose) return null;
  const atMs = dose.atMs + DAY_MS;
  return e.nowMs >= atMs - RULES.dueEarlyDays * DAY_MS
    ? shut('test', { code: 'dosedSinceTest' }, ask('ammonia', 'nitrite'))
    : shut('wait', { code: 'dosedSinceTest' }, { code: 'testDoseFrom', atMs });
}

export function nitriteFalling(e: WaterEvidence): Verdict {
  const fall = firstFall(e, e.series.nitrite);
  if (fall) return open(fall.atMs, { code: 'nitriteFell' });
  const clear = bothClear(e);
  if (clear.status === 'passed') return open(clear.passedMs, { code: 'nitriteNeverRose' });
  const last = lastOf(trusted(e.series.nitrite));
  if (!last) return shut('test', { code: 'nitriteUnmeasured' }, ask('nitrite'));
  // Each read zero, on evenings of its own: nobody would ever see that both are clear.
  if (clear.status === 'noPair' && lastOf(trusted(e.series.ammonia))?.zero && last.zero)
    return shut('test', { code: 'noPairedTest' }, ask('ammonia', 'nitrite'));
  if (clear.status === 'oneOfTwo') return onceClear(e, clear.first.atMs);
  return last.zero
    ? shut('wait', { code: 'nitriteNotSeen' }, { code: 'nitriteRisesOrTwoZeros' })
    : shut(
        'wait',
        { code: 'nitriteNotFalling', nitrite: printed(last, 'nitrite') },
        nextDoseOr(e, { code: 'nitriteFalls' }),
      );
}

export function clear(e: DisplayEvidence): Verdict {
  const state = bothClear(e);
  // With animals in, what was passed once is not taken back: what is found since is judged as living water.
  const once = e.isInhabited ? firstClear(e) : null;
  if (once && state.status !== 'passed')
    return open(once.passedMs, { code: 'bothClear', sinceMs: once.sinceMs });
  switch (state.status) {
    case 'passed': {
      const sinceMs = state.since.atMs;
      if (state.by !== 'nitrate') return open(state.passedMs, { code: 'bothClear', sinceMs });
      return TAKES_UNSEEN.includes(e.water.school)
        ? open(state.passedMs, { code: 'clearUnseen', sinceMs })
        : shut('wait', { code: 'unseenRise' }, { code: 'unseenNeedsProof' });
    }
    case 'noPair':
      return shut('test', { code: 'noPairedTest' }, ask('ammonia', 'nitrite'));
    case 'noRise':
      return shownByLiving(e) ?? shut('wait', { code: 'zeroMeansNothing' }, { code: 'addAmmonia' });
    case 'oneOfTwo':
      return onceClear(e, state.first.atMs);
    case 'noNitrate':
      return shownByLiving(e) ?? shut('test', { code: 'noNitrateYet' }, ask('nitrate'));
    case 'trace':
      return shut('test', leftover(state.ammonia, state.nitrite), {
        code: 'traceAgain',
        parameters: ['ammonia', 'nitrite'],
      });
    case 'notZero':
      return shut('wait', leftover(state.ammonia, state.nitrite), nextDoseOr(e, { code: 'twoZeros' }));
  }
}

/** Both were clear once: the second time is a day later, by some schools after the dose that is to prove the filter. */
const onceClear = (e: WaterEvidence, atMs: number): Verdict =>
  shut('wait', { code: 'oneZeroOfTwo', atMs }, nextDoseOr(e, { code: 'secondZero', atMs: atMs + DAY_MS }));

/** What weeks of zeros with fed animals in show, whatever was seen before. Null while they do not. */
function shownByLiving(e: WaterEvidence): Verdict | null {
  const [first] = loadJoined(e);
  if (!first) return null;
  const { zeros, days, sinceMs } = zerosSince(e, first.atMs);
  return zeros >= RULES.livingZeros && days >= RULES.livingZeroDays && sinceMs !== null
    ? open(sinceMs + RULES.livingZeroDays * DAY_MS, { code: 'fedAndClear', zeros, days })
    : null;
}

/** The hold of the patient school: the person's days, or until nitrate no longer rises. */
export function settle(e: DisplayEvidence): Verdict {
  const state = bothClear(e);
  if (state.status !== 'passed') return shut('wait', { code: 'settleAfterClear' }, { code: 'twoZeros' });
  const hold = e.water.hold ?? { kind: 'days', days: RULES.settleDays };
  if (hold.kind === 'nitrateLevel') return levelled(e, state.since.atMs);
  const untilMs = state.since.atMs + hold.days * DAY_MS;
  return e.nowMs >= untilMs
    ? open(Math.max(untilMs, state.passedMs), { code: 'settled', days: hold.days })
    : shut('wait', { code: 'settling', untilMs }, { code: 'waitUntil', atMs: untilMs });
}

/** Two nitrate readings some days apart, the later no higher by more than the kit leaves open. */
function levelled(e: WaterEvidence, sinceMs: number): Verdict {
  const nitrates = trusted(e.series.nitrate).filter((p) => p.atMs >= sinceMs);
  for (const later of nitrates) {
    const earlier = nitrates.find((p) => later.atMs - p.atMs >= RULES.levelDays * DAY_MS);
    if (earlier && later.interval.mid <= earlier.interval.high)
      return open(later.atMs, { code: 'nitrateLevel' });
  }
  return shut('wait', { code: 'nitrateRising' }, ask('nitrate'));
}

/** Green on the glass while both were clear, and seen lately: an old film, or one that fed on ammonia, is no sign. */
export function film(e: WaterEvidence): Verdict {
  const clear = bothClear(e);
  const fromMs =
    (clear.status === 'passed' ? clear.since.atMs : e.nowMs) - RULES.filmBeforeClearDays * DAY_MS;
  const greens = e.events
    .filter((x) => x.kind === 'film' && (x.film === 'green' || x.film === 'hair') && x.extent > 0)
    .map((x) => Date.parse(x.at));
  const counts = greens.find((atMs) => atMs >= fromMs);
  if (counts !== undefined) return open(counts, { code: 'greenSeen' });
  const reason: Statement =
    greens.length === 0 ? { code: 'noGreenYet' } : { code: 'greenOld', atMs: Math.max(...greens) };
  return shut('wait', reason, { code: 'watchForGreen' });
}

export function transfer(e: WaterEvidence): Verdict {
  const moved = e.events.find(isTransfer);
  return moved
    ? open(Date.parse(moved.at), { code: 'transferred' })
    : shut('wait', { code: 'noTransfer' }, { code: 'logTransfer' });
}

export function dailyClear(e: WaterEvidence): Verdict {
  const moved = e.events.find(isTransfer);
  const fed =
    moved && e.events.find((x) => (x.kind === 'food' || x.kind === 'ammoniaDose') && x.at >= moved.at);
  // Animals that moved along feed it.
  const [living] = loadJoined(e);
  const fedMs = Math.min(fed ? Date.parse(fed.at) : Infinity, living?.atMs ?? Infinity);
  if (!moved || !Number.isFinite(fedMs))
    return shut('wait', { code: 'transferUnfed' }, { code: 'feedTransfer' });
  const days = dailyZeros(e, fedMs);
  const last = lastOf(days);
  if (days.length >= RULES.dailyTests && last !== undefined)
    return open(last, { code: 'dailyZeros', days: days.length });
  return shut(
    'test',
    { code: 'dailySoFar', days: days.length },
    { code: 'dailyTests', left: RULES.dailyTests - days.length },
  );
}

/** The latest run of ammonia zeros a day apart: a gap of more than a day, or a finding, begins it anew. Two tests of one day are one. */
function dailyZeros(e: WaterEvidence, fromMs: number): number[] {
  const [least, most] = EVIDENCE.dailyGapHours;
  let run: number[] = [];
  for (const p of trusted(e.series.ammonia)) {
    if (p.atMs <= fromMs) continue;
    const last = lastOf(run);
    if (!p.zero) run = [];
    else if (last === undefined || p.atMs - last > most * HOUR_MS) {
      if (run.length < RULES.dailyTests) run = [p.atMs];
    } else if (p.atMs - last >= least * HOUR_MS) run.push(p.atMs);
  }
  return run;
}

export function bacteria(e: WaterEvidence): Verdict {
  const added = e.events.find((x) => x.kind === 'bacteria');
  return added
    ? open(Date.parse(added.at), { code: 'bacteriaIn' })
    : shut('wait', { code: 'noBacteria' }, { code: 'addBacteria' });
}
