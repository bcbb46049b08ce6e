/** The last gates: the reset before animals, the first of them, and each further step. */
import type { Parameter } from '../document';
import {
  EVIDENCE,
  keptShare,
  lastOf,
  printed,
  spanOf,
  trusted,
  type DisplayEvidence,
  type WaterEvidence,
} from '../evidence';
import { ask, isFresh } from '../living';
import { groupLoadMgN, STOCKING } from '../stocking';
import { speciesOf } from '../species';
import { DAY_MS, daysBetween } from '../time';
import { alkalinityWithDoses, changeForNitrate, leftover, loadJoined, offAim } from './found';
import { open, shut, type Verdict } from './judgement';
import { RULES } from './limits';

export function reset(e: WaterEvidence): Verdict {
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
    // A change made since is not asked for again: it is looked at, and what is left is reckoned with.
    const leftMgN = water.nitrateMgN * keptShare(e, nitrate.atMs, e.nowMs);
    if (leftMgN <= RULES.nitrateStartMgN) {
      const parameters: Parameter[] = ['nitrate', 'salinity', 'alkalinity'];
      return shut('test', { code: 'changedSinceTest', parameters }, ask(...parameters));
    }
    return shut(
      'wait',
      { code: 'nitrateHigh', nitrateMgN: water.nitrateMgN },
      { code: 'changeWater', fraction: changeForNitrate(leftMgN) },
    );
  }
  if (water.alkalinity < RULES.alkalinityMin) {
    if ((alkalinityWithDoses(e) ?? 0) >= RULES.alkalinityMin)
      return shut('test', { code: 'alkalinityRaised' }, ask('alkalinity'));
    return shut('wait', { code: 'alkalinityLow', alkalinity: water.alkalinity }, { code: 'raiseAlkalinity' });
  }
  const off = offAim(e);
  if (off?.finding.code === 'salinityOff') return shut('wait', off.finding, off.opens);
  const passedMs = Math.max(nitrate.atMs, alkalinity.atMs, salinity.atMs);
  return open(passedMs, { code: 'resetDone', ...water });
}

export function firstAnimals(e: DisplayEvidence): Verdict {
  const [first] = loadJoined(e);
  if (first) return open(first.atMs, { code: 'animalsIn', atMs: first.atMs });
  if (e.unnamedSince !== null) return shut('wait', { code: 'nobodyNamed' }, { code: 'nameThem' });
  const ammonia = lastOf(trusted(e.series.ammonia));
  if (e.water.school === 'firstFish') {
    if (!isFresh(ammonia, e.nowMs)) return shut('test', { code: 'ammoniaUnmeasured' }, ask('ammonia'));
    if (!ammonia.zero) return shut('wait', leftover(ammonia, undefined), { code: 'twoZeros' });
    return shut('goSmall', { code: 'oneSmallFishDaily' }, { code: 'addFirstFish' });
  }
  const nitrite = lastOf(trusted(e.series.nitrite));
  const testedMs = Math.min(ammonia?.atMs ?? 0, nitrite?.atMs ?? 0);
  if (e.doses.some((d) => d.atMs >= testedMs)) {
    return shut('test', { code: 'dosedSinceTest' }, ask('ammonia', 'nitrite'));
  }
  if ((ammonia && !ammonia.zero) || (nitrite && !nitrite.zero)) {
    return shut('wait', leftover(ammonia, nitrite), { code: 'twoZeros' });
  }
  return shut('goSmall', { code: 'firstStep' }, { code: 'addFirst' });
}

/** Days are those of the person's calendar, as the plan counts them: what may come on its day may come that morning.
 *  @param dayOfMs calendar day of a moment where the person is */
export function nextStep(e: DisplayEvidence, dayOfMs: (ms: number) => string): Verdict {
  const joined = loadJoined(e);
  const last = lastOf(joined);
  if (!last) return shut('wait', { code: 'afterFirst' }, { code: 'addFirst' });
  const daysUntil = (ms: number) => daysBetween(dayOfMs(last.atMs), dayOfMs(ms));
  const since = daysUntil(e.nowMs);
  const pauses = pausesOf(e, joined);
  const isSettled = (ms: number) =>
    pauses.every(({ atMs, days }) => daysBetween(dayOfMs(atMs), dayOfMs(ms)) >= days);
  const after = spanOf(trusted(e.series.ammonia), last.atMs + 1);
  const latest = lastOf(after);
  if (latest && !latest.zero) {
    const ammonia = printed(latest, 'ammonia');
    return shut('wait', { code: 'ammoniaAfterStep', ammonia }, { code: 'ammoniaZeroAgain' });
  }
  // A test counts from some hours before its day on; on the day something may come again, in the morning, too.
  const counts = (ms: number, day: number) =>
    (ms - last.atMs) / DAY_MS >= day - RULES.testEarlyDays || (isSettled(ms) && daysUntil(ms) >= day);
  const next = RULES.testsAfterAdditionDays.find((day) => !after.some((p) => counts(p.atMs, day)));
  if (next !== undefined && counts(e.nowMs, next)) {
    return shut('test', { code: 'stepTestDue', day: next, since }, ask('ammonia'));
  }
  if (!isSettled(e.nowMs)) {
    const atMs = Math.max(...pauses.map((p) => p.atMs + p.days * DAY_MS));
    return shut(
      'wait',
      { code: 'stepSettling', since, isClear: latest !== undefined },
      { code: 'waitUntil', atMs },
    );
  }
  const carried = { code: 'stepCarried', since } as const;
  const step = e.residents.some((a) => speciesOf(e, a.speciesId).group === 'fish')
    ? shut('go', carried, { code: 'addNext' })
    : shut('goSmall', carried, { code: 'addFishAfterCrew' });
  return nitriteFirst(e) ?? unfitForMore(e) ?? step;
}

/** What the next load waits for (R4 of the plan): a week after the last one, two after the first. What brings hardly any makes nobody wait but till
 *  the next day. */
function pausesOf(e: WaterEvidence, joined: WaterEvidence['joined']): { atMs: number; days: number }[] {
  const loads = joined.filter((j) => groupLoadMgN(e, j.animal, j.atMs) > STOCKING.heavyMgN);
  const after = (j: WaterEvidence['joined'][number] | undefined, days: number) =>
    j ? [{ atMs: j.atMs, days }] : [];
  return [
    ...after(lastOf(joined), 1),
    ...after(lastOf(loads), RULES.betweenAdditionsDays),
    ...after(loads[0], RULES.afterFirstDays),
  ];
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
