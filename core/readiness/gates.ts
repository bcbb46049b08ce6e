/** The gates of a start, by school: which are passed, at which one the tank stands, and what would open it. */
import type { Parameter, School } from '../document';
import { basisLabel, type NitrogenSpecies } from '../units/nitrogen';
import { DAY_MS, HOUR_MS, lastOf, trusted, type Point, type TankEvidence } from './evidence';
import { setupTitle } from '../setup';
import { bothClear, firstAmmoniaMs, firstFall, inRange, isFresh, proofState, RULES } from './rules';

export type GateId =
  | 'seaWater' | 'ammoniaFalling' | 'nitriteFalling' | 'bothClear' | 'settle' | 'film' | 'transfer' | 'dailyClear'
  | 'bacteria' | 'proof' | 'reset' | 'firstAnimals' | 'nextStep';

export type Word = 'wait' | 'test' | 'goSmall' | 'go' | 'actNow';

/** A statement with its numbers; words.ts puts it into a sentence in the person's units. */
export interface Finding {
  code: string;
  n?: Record<string, number>;
  /** What a kit printed, with unit and basis: "0.5–1 mg/L NO₂". */
  t?: Record<string, string>;
  p?: Parameter[];
}

export interface Gate {
  id: GateId;
  status: 'passed' | 'here' | 'ahead';
  /** When it opened, if it did. */
  passedMs: number | null;
  /** Why it is open, or what is missing. */
  finding: Finding;
}

export interface Judgement {
  word: Word;
  reason: Finding;
  /** What would open the gate. */
  opens: Finding;
}

export interface Assessment {
  school: School;
  gates: Gate[];
  fish: Judgement;
  coral: Judgement;
  /** Findings that hold besides the judgement, most urgent first. */
  alarms: Finding[];
  /** Tests worth doing now. */
  due: Parameter[];
  freeAmmonia: FreeAmmonia | null;
}

export interface FreeAmmonia {
  atMs: number;
  mgNPerL: number;
  fraction: number;
  ph: number;
  phAssumed: boolean;
  tempC: number;
  salinity: number;
}

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

export type Verdict = { passedMs: number; finding: Finding } | { passedMs: null; word: Word; finding: Finding; opens: Finding };

const open = (passedMs: number, code: string, n?: Record<string, number>): Verdict => ({ passedMs, finding: { code, n } });
const shut = (word: Word, finding: Finding, opens: Finding): Verdict => ({ passedMs: null, word, finding, opens });
/** A nitrogen reading as its kit printed it. */
export const printed = (p: Point | undefined, species: NitrogenSpecies): string =>
  p ? `${p.text} mg/L ${basisLabel(species, p.kit.basis ?? 'ion')}` : 'unknown';
export const ask = (...p: Parameter[]): Finding => ({ code: 'testThese', p });

export function seaWater(e: TankEvidence): Verdict {
  const salinity = lastOf(trusted(e.series.salinity));
  const temperature = lastOf(trusted(e.series.temperature));
  if (!salinity || !temperature) {
    const missing: Parameter[] = [...(temperature ? [] : (['temperature'] as const)), ...(salinity ? [] : (['salinity'] as const))];
    return shut('test', { code: 'waterUnmeasured', p: missing }, ask(...missing));
  }
  const n = { salinity: salinity.interval.mid, tempC: temperature.interval.mid };
  if (!inRange(n.salinity, RULES.salinity)) return shut('wait', { code: 'salinityOff', n }, { code: 'bringSalinity' });
  if (!inRange(n.tempC, RULES.tempC)) return shut('wait', { code: 'temperatureOff', n }, { code: 'bringTemperature' });
  // A list begun is finished before the water counts as ready; animals already in say that it was.
  if (e.setupOpen.length > 0 && e.joined.length === 0) return shut('wait', { code: 'setupOpen', n: { left: e.setupOpen.length }, t: { first: setupTitle(e.setupOpen[0] ?? 'leakTest').toLowerCase() } }, { code: 'finishSetup' });
  return open(Math.max(salinity.atMs, temperature.atMs), 'waterReady', n);
}

function ammoniaFalling(e: TankEvidence): Verdict {
  if (firstAmmoniaMs(e) === null) {
    const said = lastOf(e.series.ammonia);
    return shut('wait', { code: said?.zero ? 'zeroMeansNothing' : 'nothingFed' }, { code: 'addAmmonia' });
  }
  const fall = firstFall(e, e.series.ammonia);
  if (fall) return open(fall.atMs, 'ammoniaFell');
  const last = lastOf(trusted(e.series.ammonia));
  if (!last) return shut('test', { code: 'ammoniaUnmeasured' }, ask('ammonia'));
  return last.zero
    ? shut('wait', { code: 'zeroMeansNothing' }, { code: 'addAmmonia' })
    : shut('wait', { code: 'ammoniaNotFalling', t: { ammonia: printed(last, 'ammonia') } }, { code: 'ammoniaFalls' });
}

function nitriteFalling(e: TankEvidence): Verdict {
  const fall = firstFall(e, e.series.nitrite);
  if (fall) return open(fall.atMs, 'nitriteFell');
  const clear = bothClear(e);
  if (clear.status === 'passed') return open(clear.second.atMs, 'nitriteNeverRose');
  const last = lastOf(trusted(e.series.nitrite));
  if (!last) return shut('test', { code: 'nitriteUnmeasured' }, ask('nitrite'));
  return last.zero
    ? shut('wait', { code: 'nitriteNotSeen' }, { code: 'nitriteRisesOrTwoZeros' })
    : shut('wait', { code: 'nitriteNotFalling', t: { nitrite: printed(last, 'nitrite') } }, { code: 'nitriteFalls' });
}

/** What is still found, as printed. An absent reading counts as nothing found. */
function leftover(ammonia: Point | undefined, nitrite: Point | undefined): Finding {
  const t = { ammonia: printed(ammonia, 'ammonia'), nitrite: printed(nitrite, 'nitrite') };
  const code = !ammonia || ammonia.zero ? 'nitriteLeft' : !nitrite || nitrite.zero ? 'ammoniaLeft' : 'bothLeft';
  return { code, t };
}

function clear(e: TankEvidence): Verdict {
  const state = bothClear(e);
  switch (state.status) {
    case 'passed':
      return open(state.second.atMs, 'bothClear', { sinceMs: state.since.atMs });
    case 'noPair':
      return shut('test', { code: 'noPairedTest' }, ask('ammonia', 'nitrite'));
    case 'noRise':
      return shut('wait', { code: 'zeroMeansNothing' }, { code: 'addAmmonia' });
    case 'oneOfTwo':
      return shut('wait', { code: 'oneZeroOfTwo', n: { atMs: state.first.atMs } }, { code: 'secondZero', n: { atMs: state.first.atMs + DAY_MS } });
    case 'noNitrate':
      return shut('test', { code: 'noNitrateYet' }, ask('nitrate'));
    case 'notZero': {
      const { ammonia, nitrite } = state.last;
      return shut('wait', leftover(ammonia, nitrite), { code: 'twoZeros' });
    }
  }
}

function proof(e: TankEvidence): Verdict {
  const state = proofState(e);
  switch (state.status) {
    case 'passed':
      return open(state.proof.testAtMs, 'proofPassed', { hours: state.proof.hours, mgN: state.proof.doseMgNPerL });
    case 'running': {
      const due = e.nowMs >= state.dueMs - 2 * HOUR_MS;
      return shut(due ? 'test' : 'wait', { code: 'proofRunning', n: { doseMs: state.doseAtMs } }, { code: 'proofTestAt', n: { atMs: state.dueMs } });
    }
    case 'lenient':
      return shut('wait', { code: 'proofIn48', n: { hours: state.proof.hours } }, { code: 'doseAgain' });
    case 'failed':
      return shut('wait', { code: 'proofFailed' }, { code: 'clearThenDose' });
    case 'faded':
      return shut('wait', { code: 'proofFaded', n: { atMs: state.proof.testAtMs } }, { code: 'doseAgain' });
    case 'missedTest':
      return shut('wait', { code: 'proofMissed' }, { code: 'doseAgain' });
    case 'none':
      return shut('wait', { code: 'proofToCome' }, { code: 'doseForProof' });
  }
}

function settle(e: TankEvidence): Verdict {
  const state = bothClear(e);
  if (state.status !== 'passed') return shut('wait', { code: 'settleAfterClear' }, { code: 'twoZeros' });
  const untilMs = state.since.atMs + RULES.settleDays * DAY_MS;
  return e.nowMs >= untilMs ? open(untilMs, 'settled') : shut('wait', { code: 'settling', n: { untilMs } }, { code: 'waitUntil', n: { atMs: untilMs } });
}

function film(e: TankEvidence): Verdict {
  const green = e.events.find((x) => x.kind === 'film' && (x.film === 'green' || x.film === 'hair') && x.extent > 0);
  return green ? open(Date.parse(green.at), 'greenSeen') : shut('wait', { code: 'noGreenYet' }, { code: 'watchForGreen' });
}

export const isTransfer = (x: TankEvidence['events'][number]): boolean => x.kind === 'bacteria' && (x.seed === 'media' || x.seed === 'rock' || x.seed === 'oldTank');

function transfer(e: TankEvidence): Verdict {
  const moved = e.events.find(isTransfer);
  return moved ? open(Date.parse(moved.at), 'transferred') : shut('wait', { code: 'noTransfer' }, { code: 'logTransfer' });
}

function dailyClear(e: TankEvidence): Verdict {
  const moved = e.events.find(isTransfer);
  const fedMs = moved ? e.events.filter((x) => (x.kind === 'food' || x.kind === 'ammoniaDose') && x.at >= moved.at).map((x) => Date.parse(x.at))[0] : undefined;
  if (fedMs === undefined) return shut('wait', { code: 'transferUnfed' }, { code: 'feedTransfer' });
  let days: number[] = [];
  for (const p of trusted(e.series.ammonia).filter((q) => q.atMs > fedMs)) {
    const day = Math.floor(p.atMs / DAY_MS);
    if (!p.zero) days = [];
    else if (lastOf(days) !== day) days.push(day);
  }
  return days.length >= RULES.dailyTests
    ? open((lastOf(days) ?? 0) * DAY_MS, 'dailyZeros', { days: days.length })
    : shut('test', { code: 'dailySoFar', n: { days: days.length } }, { code: 'dailyTests', n: { left: RULES.dailyTests - days.length } });
}

function bacteria(e: TankEvidence): Verdict {
  const added = e.events.find((x) => x.kind === 'bacteria');
  return added ? open(Date.parse(added.at), 'bacteriaIn') : shut('wait', { code: 'noBacteria' }, { code: 'addBacteria' });
}

function reset(e: TankEvidence): Verdict {
  const first = e.joined[0];
  if (first) return open(first.atMs, 'resetBeforeAnimals');
  const nitrate = lastOf(trusted(e.series.nitrate));
  const alkalinity = lastOf(trusted(e.series.alkalinity));
  const salinity = lastOf(trusted(e.series.salinity));
  const missing: Parameter[] = [];
  if (!isFresh(nitrate, e.nowMs)) missing.push('nitrate');
  if (!isFresh(alkalinity, e.nowMs)) missing.push('alkalinity');
  if (!isFresh(salinity, e.nowMs)) missing.push('salinity');
  if (!nitrate || !alkalinity || !salinity || missing.length > 0) return shut('test', { code: 'resetUnmeasured', p: missing }, ask(...missing));
  const n = { nitrateMgN: nitrate.interval.mid, alkalinity: alkalinity.interval.mid, salinity: salinity.interval.mid };
  if (n.nitrateMgN > RULES.nitrateStartMgN) return shut('wait', { code: 'nitrateHigh', n }, { code: 'changeWater', n: { fraction: Math.min(0.9, 1 - (RULES.nitrateStartMgN / 2) / n.nitrateMgN) } });
  if (n.alkalinity < RULES.alkalinityMin) return shut('wait', { code: 'alkalinityLow', n }, { code: 'raiseAlkalinity' });
  if (!inRange(n.salinity, RULES.salinity)) return shut('wait', { code: 'salinityOff', n }, { code: 'bringSalinity' });
  return open(Math.max(nitrate.atMs, alkalinity.atMs, salinity.atMs), 'resetDone', n);
}

function firstAnimals(e: TankEvidence): Verdict {
  const first = e.joined[0];
  if (first) return open(first.atMs, 'animalsIn', { atMs: first.atMs });
  if (e.tank.school === 'firstFish') {
    const ammonia = lastOf(trusted(e.series.ammonia));
    if (!isFresh(ammonia, e.nowMs)) return shut('test', { code: 'ammoniaUnmeasured' }, ask('ammonia'));
    if (!ammonia.zero) return shut('wait', leftover(ammonia, undefined), { code: 'twoZeros' });
    return shut('goSmall', { code: 'oneSmallFishDaily' }, { code: 'addFirstFish' });
  }
  const ammonia = lastOf(trusted(e.series.ammonia));
  const nitrite = lastOf(trusted(e.series.nitrite));
  const testedMs = Math.min(ammonia?.atMs ?? 0, nitrite?.atMs ?? 0);
  if (e.doses.some((d) => d.atMs > testedMs)) return shut('test', { code: 'dosedSinceTest' }, ask('ammonia', 'nitrite'));
  if ((ammonia && !ammonia.zero) || (nitrite && !nitrite.zero)) {
    return shut('wait', leftover(ammonia, nitrite), { code: 'twoZeros' });
  }
  return shut('goSmall', { code: 'firstStep' }, { code: 'addFirst' });
}

function nextStep(e: TankEvidence): Verdict {
  const last = lastOf(e.joined);
  if (!last) return shut('wait', { code: 'afterFirst' }, { code: 'addFirst' });
  const since = (e.nowMs - last.atMs) / DAY_MS;
  const after = trusted(e.series.ammonia).filter((p) => p.atMs > last.atMs);
  const latest = lastOf(after);
  if (latest && !latest.zero) return shut('wait', { code: 'ammoniaAfterStep', t: { ammonia: printed(latest, 'ammonia') } }, { code: 'ammoniaZeroAgain' });
  const next = RULES.testsAfterAdditionDays.find((day) => !after.some((p) => (p.atMs - last.atMs) / DAY_MS >= day - 0.6));
  if (next !== undefined && since >= next - 0.6) return shut('test', { code: 'stepTestDue', n: { day: next, since: Math.floor(since) } }, ask('ammonia'));
  const untilMs = last.atMs + RULES.betweenAdditionsDays * DAY_MS;
  if (e.nowMs < untilMs) return shut('wait', { code: 'stepSettling', n: { since: Math.floor(since), untilMs } }, { code: 'waitUntil', n: { atMs: untilMs } });
  return shut('go', { code: 'stepCarried', n: { since: Math.floor(since) } }, { code: 'addNext' });
}

export const RULE_OF_GATE: Record<GateId, (e: TankEvidence) => Verdict> = {
  seaWater, ammoniaFalling, nitriteFalling, bothClear: clear, settle, film, transfer, dailyClear, bacteria, proof, reset, firstAnimals, nextStep,
};
