/** The gates of a start, by school: the rule of each, and what would open it. */
import { aimOf, type Parameter, type School } from '../document';
import {
  bothClear,
  EVIDENCE,
  firstClear,
  firstAmmoniaMs,
  firstFall,
  firstSourceMs,
  lastOf,
  nothingLeft,
  printed,
  proofState,
  riseOf,
  trusted,
  zerosSince,
  type DisplayEvidence,
  type Point,
  type WaterEvidence,
} from '../evidence';
import { ask, inRange, isFresh, LIVING } from '../living';
import { speciesById } from '../species';
import type { GateId, Statement } from '../statements';
import { DAY_MS, HOUR_MS } from '../time';
import { open, shut, type Verdict } from './judgement';
import { RULES } from './limits';

const CYCLE: GateId[] = ['seaWater', 'ammoniaFalling', 'nitriteFalling', 'bothClear'];
const END: GateId[] = ['reset', 'firstAnimals', 'nextStep'];

/** The gates each school asks for, bottom to top. Sources: the schools as practised; see docs/architecture.md. */
export const SCHOOL_GATES: Record<School, readonly GateId[]> = {
  proof24: [...CYCLE, 'proof', ...END],
  zeroZero: [...CYCLE, ...END],
  patient: [...CYCLE, 'settle', ...END],
  watchGlass: [...CYCLE, 'film', ...END],
  matureTransfer: ['seaWater', 'transfer', 'dailyClear', ...END],
  firstFish: ['seaWater', 'bacteria', 'firstAnimals', 'bothClear', 'nextStep'],
  coralsFirst: [...CYCLE, 'proof', ...END],
};

/** Schools that let a rise nobody saw pass, because what follows shows the filter: a proof, or a long hold. */
const TAKES_UNSEEN: readonly School[] = ['proof24', 'coralsFirst', 'patient', 'firstFish', 'matureTransfer'];

/** Additions that a filter has to carry: a coral opens no gate for a fish. */
export const loadJoined = (e: WaterEvidence): WaterEvidence['joined'] =>
  e.joined.filter(({ animal }) => speciesById(animal.speciesId).group !== 'coral');

/** What speaks against the water as sea water: outside its aim by more than is let pass. Null when nothing does. */
export function offAim(e: WaterEvidence): { finding: Statement; opens: Statement } | null {
  const off = (parameter: Parameter, slack: number): number | null => {
    const found = lastOf(trusted(e.series[parameter]))?.interval.mid;
    const aim = aimOf(e.targets, parameter);
    if (found === undefined || !aim) return null;
    return inRange(found, [aim.low - slack - 1e-9, aim.high + slack + 1e-9]) ? null : found;
  };
  const salinity = off('salinity', RULES.salinitySlack);
  if (salinity !== null) {
    const aim = aimOf(e.targets, 'salinity') ?? { low: 33, high: 36 };
    return {
      finding: { code: 'salinityOff', salinity, low: aim.low, high: aim.high },
      opens: { code: 'bringSalinity' },
    };
  }
  const tempC = e.water.kind === 'mixing' ? null : off('temperature', RULES.tempSlackC);
  if (tempC === null) return null;
  const aim = aimOf(e.targets, 'temperature') ?? { low: 24, high: 26 };
  return {
    finding: { code: 'temperatureOff', tempC, low: aim.low, high: aim.high },
    opens: { code: 'bringTemperature' },
  };
}

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
  const water = { salinity: salinity.interval.mid, tempC: temperature.interval.mid };
  // A list begun is finished before the water counts as ready; animals already in say that it was.
  const [first] = e.setupOpen;
  if (first !== undefined && e.joined.length === 0) {
    return shut('wait', { code: 'setupOpen', left: e.setupOpen.length, first }, { code: 'finishSetup' });
  }
  return open(Math.max(salinity.atMs, temperature.atMs), { code: 'waterReady', ...water });
}

function ammoniaFalling(e: WaterEvidence): Verdict {
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
    ? shut('wait', { code: 'zeroMeansNothing' }, { code: 'addAmmonia' })
    : shut(
        'wait',
        { code: 'ammoniaNotFalling', ammonia: printed(last, 'ammonia') },
        { code: 'ammoniaFalls' },
      );
}

function nitriteFalling(e: WaterEvidence): Verdict {
  const fall = firstFall(e, e.series.nitrite);
  if (fall) return open(fall.atMs, { code: 'nitriteFell' });
  const clear = bothClear(e);
  if (clear.status === 'passed') return open(clear.passedMs, { code: 'nitriteNeverRose' });
  const last = lastOf(trusted(e.series.nitrite));
  if (!last) return shut('test', { code: 'nitriteUnmeasured' }, ask('nitrite'));
  return last.zero
    ? shut('wait', { code: 'nitriteNotSeen' }, { code: 'nitriteRisesOrTwoZeros' })
    : shut(
        'wait',
        { code: 'nitriteNotFalling', nitrite: printed(last, 'nitrite') },
        { code: 'nitriteFalls' },
      );
}

/** What is still found, as printed. An absent reading counts as nothing found; at least one of the two reads something. */
function leftover(ammonia: Point | undefined, nitrite: Point | undefined): Statement {
  if (ammonia?.coarse) return { code: 'coarseZero', parameter: 'ammonia' };
  if (nitrite?.coarse && (!ammonia || ammonia.zero)) return { code: 'coarseZero', parameter: 'nitrite' };
  const a = ammonia && !ammonia.zero ? printed(ammonia, 'ammonia') : null;
  const n = nitrite && !nitrite.zero ? printed(nitrite, 'nitrite') : null;
  if (a !== null && n !== null) return { code: 'bothLeft', ammonia: a, nitrite: n };
  if (a !== null) return { code: 'ammoniaLeft', ammonia: a };
  return { code: 'nitriteLeft', nitrite: n ?? 'unknown' };
}

function clear(e: DisplayEvidence): Verdict {
  const state = bothClear(e);
  // With animals in, what was passed once is not taken back: what is found since is judged as living water.
  const once = e.residents.length > 0 ? firstClear(e) : null;
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
    case 'oneOfTwo': {
      const { atMs } = state.first;
      return shut('wait', { code: 'oneZeroOfTwo', atMs }, { code: 'secondZero', atMs: atMs + DAY_MS });
    }
    case 'noNitrate':
      return shownByLiving(e) ?? shut('test', { code: 'noNitrateYet' }, ask('nitrate'));
    case 'trace':
      return shut('test', leftover(state.ammonia, state.nitrite), {
        code: 'traceAgain',
        parameters: ['ammonia', 'nitrite'],
      });
    case 'notZero':
      return shut('wait', leftover(state.ammonia, state.nitrite), { code: 'twoZeros' });
  }
}

/** What weeks of zeros with fed animals in show, whatever was seen before. Null while they do not. */
function shownByLiving(e: WaterEvidence): Verdict | null {
  const [first] = loadJoined(e);
  if (!first) return null;
  const { zeros, days, sinceMs } = zerosSince(e, first.atMs);
  return zeros >= RULES.livingZeros && days >= RULES.livingZeroDays && sinceMs !== null
    ? open(sinceMs + RULES.livingZeroDays * DAY_MS, { code: 'fedAndClear', zeros, days })
    : null;
}

/** With corals in no dose is given: what is fed and gone on the following days stands for it. */
function proofByFeeding(e: WaterEvidence): Verdict {
  const [food] = e.events.filter(
    (x) => x.kind === 'food' && e.nowMs - Date.parse(x.at) <= RULES.livingZeroDays * DAY_MS,
  );
  const { zeros, days, sinceMs } = food
    ? zerosSince(e, Date.parse(food.at))
    : { zeros: 0, days: 0, sinceMs: null };
  if (zeros >= RULES.fedZeros && days >= RULES.fedZeroDays && sinceMs !== null)
    return open(sinceMs + RULES.fedZeroDays * DAY_MS, { code: 'fedAndClear', zeros, days });
  const wants = { wantsZeros: RULES.fedZeros, wantsDays: RULES.fedZeroDays };
  return shut('wait', { code: 'provenByFeeding', zeros, days, ...wants }, { code: 'feedAndTest' });
}

function proof(e: WaterEvidence): Verdict {
  const state = proofState(e);
  if (e.residents.length > 0 && state.status !== 'passed') return proofByFeeding(e);
  switch (state.status) {
    case 'passed': {
      const { testAtMs, hours, doseMgNPerL } = state.proof;
      return open(testAtMs, { code: 'proofPassed', hours, mgNPerL: doseMgNPerL });
    }
    case 'running': {
      const due = e.nowMs >= state.dueMs - RULES.proofTestEarlyHours * HOUR_MS;
      const running: Statement = { code: 'proofRunning', doseMs: state.doseAtMs };
      return due
        ? shut('test', running, ask('ammonia', 'nitrite'))
        : shut('wait', running, { code: 'proofTestAt', atMs: state.dueMs });
    }
    case 'lenient':
      return shut('wait', { code: 'proofIn48', hours: state.proof.hours }, { code: 'doseAgain' });
    case 'failed':
      return shut(
        'wait',
        { code: 'proofFailed' },
        { code: clearSince(e, state.doseAtMs) ? 'doseAgain' : 'clearThenDose' },
      );
    case 'faded':
      return shut('wait', { code: 'proofFaded', atMs: state.proof.testAtMs }, { code: 'doseAgain' });
    case 'missedTest':
      return clearSince(e, state.doseAtMs)
        ? shut('wait', { code: 'proofMissed' }, { code: 'doseAgain' })
        : shut('test', { code: 'proofMissed' }, ask('ammonia', 'nitrite'));
    case 'none':
      return mayDose(e)
        ? shut('wait', { code: 'proofToCome' }, { code: 'doseForProof' })
        : shut('wait', { code: 'proofToCome' }, { code: 'clearThenDose' });
  }
}

/** Both have read zero again since a dose. */
const clearSince = (e: WaterEvidence, doseMs: number): boolean =>
  nothingLeft(e) &&
  [e.series.ammonia, e.series.nitrite].every((s) => (lastOf(trusted(s))?.atMs ?? 0) > doseMs);

/** Nothing is left, as far as it was tested since the last dose: another may go in. */
const mayDose = (e: WaterEvidence): boolean => {
  const last = lastOf(e.doses);
  return nothingLeft(e) && (!last || clearSince(e, last.atMs));
};

/** The hold of the patient school: the person's days, or until nitrate no longer rises. */
function settle(e: DisplayEvidence): Verdict {
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
function film(e: WaterEvidence): Verdict {
  const clear = bothClear(e);
  const fromMs =
    (clear.status === 'passed' ? clear.since.atMs : e.nowMs) - RULES.filmBeforeClearDays * DAY_MS;
  const green = e.events.find(
    (x) =>
      x.kind === 'film' &&
      (x.film === 'green' || x.film === 'hair') &&
      x.extent > 0 &&
      Date.parse(x.at) >= fromMs,
  );
  return green
    ? open(Date.parse(green.at), { code: 'greenSeen' })
    : shut('wait', { code: 'noGreenYet' }, { code: 'watchForGreen' });
}

export const isTransfer = (x: WaterEvidence['events'][number]): boolean =>
  x.kind === 'bacteria' && (x.seed === 'media' || x.seed === 'rock' || x.seed === 'oldTank');

function transfer(e: WaterEvidence): Verdict {
  const moved = e.events.find(isTransfer);
  return moved
    ? open(Date.parse(moved.at), { code: 'transferred' })
    : shut('wait', { code: 'noTransfer' }, { code: 'logTransfer' });
}

function dailyClear(e: WaterEvidence): Verdict {
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

function bacteria(e: WaterEvidence): Verdict {
  const added = e.events.find((x) => x.kind === 'bacteria');
  return added
    ? open(Date.parse(added.at), { code: 'bacteriaIn' })
    : shut('wait', { code: 'noBacteria' }, { code: 'addBacteria' });
}

function reset(e: WaterEvidence): Verdict {
  const [first] = loadJoined(e);
  if (first) return open(first.atMs, { code: 'resetBeforeAnimals' });
  const nitrate = lastOf(trusted(e.series.nitrate));
  const alkalinity = lastOf(trusted(e.series.alkalinity));
  const salinity = lastOf(trusted(e.series.salinity));
  const missing: Parameter[] = [];
  if (!isFresh(nitrate, e.nowMs)) missing.push('nitrate');
  if (!isFresh(alkalinity, e.nowMs)) missing.push('alkalinity');
  if (!isFresh(salinity, e.nowMs)) missing.push('salinity');
  if (!nitrate || !alkalinity || !salinity || missing.length > 0) {
    return shut('test', { code: 'resetUnmeasured', parameters: missing }, ask(...missing));
  }
  const water = {
    nitrateMgN: nitrate.interval.mid,
    alkalinity: alkalinity.interval.mid,
    salinity: salinity.interval.mid,
  };
  if (water.nitrateMgN > RULES.nitrateStartMgN) {
    return shut(
      'wait',
      { code: 'nitrateHigh', nitrateMgN: water.nitrateMgN },
      { code: 'changeWater', fraction: changeForNitrate(water.nitrateMgN) },
    );
  }
  if (water.alkalinity < RULES.alkalinityMin) {
    return shut('wait', { code: 'alkalinityLow', alkalinity: water.alkalinity }, { code: 'raiseAlkalinity' });
  }
  const off = offAim(e);
  if (off?.finding.code === 'salinityOff') return shut('wait', off.finding, off.opens);
  const passedMs = Math.max(nitrate.atMs, alkalinity.atMs, salinity.atMs);
  return open(passedMs, { code: 'resetDone', ...water });
}

/** The share of water to change so that half of the nitrate to begin with is left. */
const changeForNitrate = (nitrateMgN: number): number =>
  Math.min(LIVING.largestChange, 1 - RULES.nitrateStartMgN / 2 / nitrateMgN);

function firstAnimals(e: DisplayEvidence): Verdict {
  const [first] = loadJoined(e);
  if (first) return open(first.atMs, { code: 'animalsIn', atMs: first.atMs });
  const ammonia = lastOf(trusted(e.series.ammonia));
  if (e.water.school === 'firstFish') {
    if (!isFresh(ammonia, e.nowMs)) return shut('test', { code: 'ammoniaUnmeasured' }, ask('ammonia'));
    if (!ammonia.zero) return shut('wait', leftover(ammonia, undefined), { code: 'twoZeros' });
    return shut('goSmall', { code: 'oneSmallFishDaily' }, { code: 'addFirstFish' });
  }
  const nitrite = lastOf(trusted(e.series.nitrite));
  const testedMs = Math.min(ammonia?.atMs ?? 0, nitrite?.atMs ?? 0);
  if (e.doses.some((d) => d.atMs > testedMs)) {
    return shut('test', { code: 'dosedSinceTest' }, ask('ammonia', 'nitrite'));
  }
  if ((ammonia && !ammonia.zero) || (nitrite && !nitrite.zero)) {
    return shut('wait', leftover(ammonia, nitrite), { code: 'twoZeros' });
  }
  return shut('goSmall', { code: 'firstStep' }, { code: 'addFirst' });
}

function nextStep(e: DisplayEvidence): Verdict {
  const joined = loadJoined(e);
  const last = lastOf(joined);
  if (!last) return shut('wait', { code: 'afterFirst' }, { code: 'addFirst' });
  const daysSince = (e.nowMs - last.atMs) / DAY_MS;
  const since = Math.floor(daysSince);
  const after = trusted(e.series.ammonia).filter((p) => p.atMs > last.atMs);
  const latest = lastOf(after);
  if (latest && !latest.zero) {
    const ammonia = printed(latest, 'ammonia');
    return shut('wait', { code: 'ammoniaAfterStep', ammonia }, { code: 'ammoniaZeroAgain' });
  }
  const tested = (day: number) =>
    after.some((p) => (p.atMs - last.atMs) / DAY_MS >= day - RULES.testEarlyDays);
  const next = RULES.testsAfterAdditionDays.find((day) => !tested(day));
  if (next !== undefined && daysSince >= next - RULES.testEarlyDays) {
    return shut('test', { code: 'stepTestDue', day: next, since }, ask('ammonia'));
  }
  const pause = joined.every((j) => j.atMs === joined[0]?.atMs)
    ? RULES.afterFirstDays
    : RULES.betweenAdditionsDays;
  const untilMs = last.atMs + pause * DAY_MS;
  if (e.nowMs < untilMs) {
    return shut('wait', { code: 'stepSettling', since }, { code: 'waitUntil', atMs: untilMs });
  }
  return (
    nitriteFirst(e) ?? unfitForMore(e) ?? shut('go', { code: 'stepCarried', since }, { code: 'addNext' })
  );
}

/** Nitrite still there says that the second bacteria lag behind what lives in the tank already. */
function nitriteFirst(e: DisplayEvidence): Verdict | null {
  const last = lastOf(trusted(e.series.nitrite));
  if (!last || e.nowMs - last.atMs > RULES.nitriteKnownDays * DAY_MS)
    return shut('test', { code: last ? 'nitriteOld' : 'nitriteUnmeasured' }, ask('nitrite'));
  const passes = e.water.nitriteWeight === 'seaWater' && last.interval.mid <= EVIDENCE.nitriteSeaMgN;
  return last.zero || passes ? null : shut('wait', leftover(undefined, last), { code: 'filterLags' });
}

/** Nitrate and alkalinity speak against a fish whoever is in already. */
function unfitForMore(e: WaterEvidence): Verdict | null {
  const nitrateMgN = lastOf(trusted(e.series.nitrate))?.interval.mid;
  if (nitrateMgN !== undefined && nitrateMgN > RULES.nitrateStopMgN) {
    return shut(
      'wait',
      { code: 'nitrateHigh', nitrateMgN },
      { code: 'changeWater', fraction: Math.min(0.5, changeForNitrate(nitrateMgN)) },
    );
  }
  const alkalinity = lastOf(trusted(e.series.alkalinity))?.interval.mid;
  return alkalinity !== undefined && alkalinity < RULES.alkalinityMin
    ? shut('wait', { code: 'alkalinityLow', alkalinity }, { code: 'raiseAlkalinity' })
    : null;
}

export const RULE_OF_GATE: Record<GateId, (e: DisplayEvidence) => Verdict> = {
  seaWater,
  ammoniaFalling,
  nitriteFalling,
  bothClear: clear,
  settle,
  film,
  transfer,
  dailyClear,
  bacteria,
  proof,
  reset,
  firstAnimals,
  nextStep,
};
