/** The gates of a start, by school: the rule of each, and what would open it. */
import type { Parameter, School } from '../document';
import {
  bothClear,
  firstAmmoniaMs,
  firstFall,
  lastOf,
  proofState,
  trusted,
  type DisplayEvidence,
  type Point,
  type WaterEvidence,
} from '../evidence';
import type { GateId, Statement } from '../statements';
import { DAY_MS, HOUR_MS } from '../time';
import { basisLabel, type NitrogenSpecies } from '../units/nitrogen';
import { inRange, isFresh } from './fresh';
import { ask, open, shut, type Verdict } from './judgement';
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

/** A nitrogen reading as its kit printed it. */
export const printed = (p: Point, species: NitrogenSpecies): string =>
  `${p.text} mg/L ${basisLabel(species, p.kit.basis ?? 'ion')}`;

export function seaWater(e: WaterEvidence): Verdict {
  const salinity = lastOf(trusted(e.series.salinity));
  const temperature = lastOf(trusted(e.series.temperature));
  if (!salinity || !temperature) {
    const missing: Parameter[] = [];
    if (!temperature) missing.push('temperature');
    if (!salinity) missing.push('salinity');
    return shut('test', { code: 'waterUnmeasured', parameters: missing }, ask(...missing));
  }
  const water = { salinity: salinity.interval.mid, tempC: temperature.interval.mid };
  if (!inRange(water.salinity, RULES.salinity)) {
    return shut('wait', { code: 'salinityOff', salinity: water.salinity }, { code: 'bringSalinity' });
  }
  if (!inRange(water.tempC, RULES.tempC)) {
    return shut('wait', { code: 'temperatureOff', tempC: water.tempC }, { code: 'bringTemperature' });
  }
  // A list begun is finished before the water counts as ready; animals already in say that it was.
  const [first] = e.setupOpen;
  if (first !== undefined && e.joined.length === 0) {
    return shut('wait', { code: 'setupOpen', left: e.setupOpen.length, first }, { code: 'finishSetup' });
  }
  return open(Math.max(salinity.atMs, temperature.atMs), { code: 'waterReady', ...water });
}

function ammoniaFalling(e: WaterEvidence): Verdict {
  if (firstAmmoniaMs(e) === null) {
    const said = lastOf(e.series.ammonia);
    return shut('wait', { code: said?.zero ? 'zeroMeansNothing' : 'nothingFed' }, { code: 'addAmmonia' });
  }
  const fall = firstFall(e, e.series.ammonia);
  if (fall) return open(fall.atMs, { code: 'ammoniaFell' });
  const last = lastOf(trusted(e.series.ammonia));
  if (!last) return shut('test', { code: 'ammoniaUnmeasured' }, ask('ammonia'));
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
  if (clear.status === 'passed') return open(clear.second.atMs, { code: 'nitriteNeverRose' });
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
  const a = ammonia && !ammonia.zero ? printed(ammonia, 'ammonia') : null;
  const n = nitrite && !nitrite.zero ? printed(nitrite, 'nitrite') : null;
  if (a !== null && n !== null) return { code: 'bothLeft', ammonia: a, nitrite: n };
  if (a !== null) return { code: 'ammoniaLeft', ammonia: a };
  return { code: 'nitriteLeft', nitrite: n ?? 'unknown' };
}

function clear(e: WaterEvidence): Verdict {
  const state = bothClear(e);
  switch (state.status) {
    case 'passed':
      return open(state.second.atMs, { code: 'bothClear', sinceMs: state.since.atMs });
    case 'noPair':
      return shut('test', { code: 'noPairedTest' }, ask('ammonia', 'nitrite'));
    case 'noRise':
      return shut('wait', { code: 'zeroMeansNothing' }, { code: 'addAmmonia' });
    case 'oneOfTwo': {
      const { atMs } = state.first;
      return shut('wait', { code: 'oneZeroOfTwo', atMs }, { code: 'secondZero', atMs: atMs + DAY_MS });
    }
    case 'noNitrate':
      return shut('test', { code: 'noNitrateYet' }, ask('nitrate'));
    case 'notZero':
      return shut('wait', leftover(state.last.ammonia, state.last.nitrite), { code: 'twoZeros' });
  }
}

function proof(e: WaterEvidence): Verdict {
  const state = proofState(e);
  switch (state.status) {
    case 'passed': {
      const { testAtMs, hours, doseMgNPerL } = state.proof;
      return open(testAtMs, { code: 'proofPassed', hours, mgNPerL: doseMgNPerL });
    }
    case 'running': {
      const due = e.nowMs >= state.dueMs - RULES.proofTestEarlyHours * HOUR_MS;
      const running: Statement = { code: 'proofRunning', doseMs: state.doseAtMs };
      return shut(due ? 'test' : 'wait', running, { code: 'proofTestAt', atMs: state.dueMs });
    }
    case 'lenient':
      return shut('wait', { code: 'proofIn48', hours: state.proof.hours }, { code: 'doseAgain' });
    case 'failed':
      return shut('wait', { code: 'proofFailed' }, { code: 'clearThenDose' });
    case 'faded':
      return shut('wait', { code: 'proofFaded', atMs: state.proof.testAtMs }, { code: 'doseAgain' });
    case 'missedTest':
      return shut('wait', { code: 'proofMissed' }, { code: 'doseAgain' });
    case 'none':
      return shut('wait', { code: 'proofToCome' }, { code: 'doseForProof' });
  }
}

function settle(e: WaterEvidence): Verdict {
  const state = bothClear(e);
  if (state.status !== 'passed') return shut('wait', { code: 'settleAfterClear' }, { code: 'twoZeros' });
  const untilMs = state.since.atMs + RULES.settleDays * DAY_MS;
  return e.nowMs >= untilMs
    ? open(untilMs, { code: 'settled' })
    : shut('wait', { code: 'settling', untilMs }, { code: 'waitUntil', atMs: untilMs });
}

function film(e: WaterEvidence): Verdict {
  const green = e.events.find(
    (x) => x.kind === 'film' && (x.film === 'green' || x.film === 'hair') && x.extent > 0,
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
  if (!fed) return shut('wait', { code: 'transferUnfed' }, { code: 'feedTransfer' });
  const fedMs = Date.parse(fed.at);
  let days: number[] = [];
  for (const p of trusted(e.series.ammonia).filter((q) => q.atMs > fedMs)) {
    const day = Math.floor(p.atMs / DAY_MS);
    if (!p.zero) days = [];
    else if (lastOf(days) !== day) days.push(day);
  }
  if (days.length >= RULES.dailyTests) {
    return open((lastOf(days) ?? 0) * DAY_MS, { code: 'dailyZeros', days: days.length });
  }
  return shut(
    'test',
    { code: 'dailySoFar', days: days.length },
    { code: 'dailyTests', left: RULES.dailyTests - days.length },
  );
}

function bacteria(e: WaterEvidence): Verdict {
  const added = e.events.find((x) => x.kind === 'bacteria');
  return added
    ? open(Date.parse(added.at), { code: 'bacteriaIn' })
    : shut('wait', { code: 'noBacteria' }, { code: 'addBacteria' });
}

function reset(e: WaterEvidence): Verdict {
  const first = e.joined[0];
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
  if (!inRange(water.salinity, RULES.salinity)) {
    return shut('wait', { code: 'salinityOff', salinity: water.salinity }, { code: 'bringSalinity' });
  }
  const passedMs = Math.max(nitrate.atMs, alkalinity.atMs, salinity.atMs);
  return open(passedMs, { code: 'resetDone', ...water });
}

/** The share of water to change so that half of the nitrate to begin with is left. */
const changeForNitrate = (nitrateMgN: number): number =>
  Math.min(RULES.largestChange, 1 - RULES.nitrateStartMgN / 2 / nitrateMgN);

function firstAnimals(e: DisplayEvidence): Verdict {
  const first = e.joined[0];
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

function nextStep(e: WaterEvidence): Verdict {
  const last = lastOf(e.joined);
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
  const untilMs = last.atMs + RULES.betweenAdditionsDays * DAY_MS;
  if (e.nowMs < untilMs) {
    return shut('wait', { code: 'stepSettling', since }, { code: 'waitUntil', atMs: untilMs });
  }
  return shut('go', { code: 'stepCarried', since }, { code: 'addNext' });
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
