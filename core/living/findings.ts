/** What the newest readings say of water with animals in it, each parameter by itself: a reading of today is never hidden by an older pair. */
import { aimOf, type Parameter, type TargetRange } from '../document';
import {
  ammoniaAtMost,
  dosesUntested,
  expectedNow,
  keptShare,
  lastOf,
  printed,
  spanOf,
  trusted,
  type Expected,
  type WaterEvidence,
} from '../evidence';
import { straightLine } from '../dosing';
import { FREE_AMMONIA } from '../seawater';
import { speciesOf } from '../species';
import type { Statement } from '../statements';
import { DAY_MS, HOUR_MS, type LocalTime } from '../time';
import { act, ask, note, test, watch, type Finding, type Trouble } from './finding';
import { freeAmmonia, sharesAt, type FreeAmmonia } from './freeAmmonia';
import { inRange, isFresh } from './fresh';
import { LIVING } from './limits';
import { movementOf } from './rates';

/** All that the readings say, in the order in which it kills. */
export function readingFindings(e: WaterEvidence, local: LocalTime): Finding[] {
  return [
    ...dosed(e),
    ...ammonia(e),
    ...oxygen(e),
    ...temperature(e),
    ...salinity(e),
    ...ph(e, local),
    ...nitrite(e),
    ...alkalinity(e),
  ];
}

/** Ammonia dosed and not looked at since: with animals in, what may be there is acted on before a test has said it. Dosed before they came,
 *  bacteria may have had it: a test is the quicker answer. */
function dosed(e: WaterEvidence): Finding[] {
  const last = lastOf(dosesUntested(e));
  if (!last || e.nowMs - last.atMs > LIVING.riskDays * DAY_MS) return [];
  const leftMgN = ammoniaAtMost(e);
  const finding: Statement = { code: 'dosedWithAnimals', atMs: last.atMs, leftMgN };
  const ontoAnimals = last.atMs >= Math.min(...e.joined.map((j) => j.atMs));
  const tooMuch = freeOf(e, leftMgN) >= FREE_AMMONIA.act || leftMgN >= LIVING.totalActMgN;
  return ontoAnimals && tooMuch
    ? [act('ammonia', 'ammonia', finding, { code: 'changeNow' })]
    : [test(finding, 'ammonia')];
}

/** What is expected of a parameter now, while its newest trusted reading still speaks for the water. */
function fresh(e: WaterEvidence, parameter: Parameter): Expected | null {
  const expected = expectedNow(e, parameter);
  return expected && isFresh(expected.point, e.nowMs) ? expected : null;
}

function ammonia(e: WaterEvidence): Finding[] {
  const free = freeAmmonia(e);
  const total = fresh(e, 'ammonia');
  const stands = free && e.nowMs - free.atMs <= LIVING.staleDays * DAY_MS ? free : null;
  if (stands?.measured && stands.atMs >= (total?.point.atMs ?? 0)) return byMonitor(e, stands);
  if (total?.point.coarse) return [coarse('ammonia')];
  if (!total || total.point.zero) return [];
  if (total.changed > 0) return afterChange(e, total);
  return byTotal(e, total, stands);
}

const coarse = (parameter: Parameter): Finding => ({
  word: 'test',
  finding: { code: 'coarseZero', parameter },
  opens: { code: 'finerKit', parameter },
});

/** A monitor of free ammonia was read last. */
function byMonitor(e: WaterEvidence, free: FreeAmmonia): Finding[] {
  const { atMs } = free;
  const kept = keptShare(e, atMs, e.nowMs);
  const nh3MgN = free.mgNPerL * kept;
  if (nh3MgN >= FREE_AMMONIA.act) {
    return [
      act(
        'freeAmmonia',
        'ammonia',
        { code: 'freeMeasuredAct', nh3MgN: free.mgNPerL, atMs },
        { code: 'changeNow' },
      ),
    ];
  }
  if (free.mgNPerL >= FREE_AMMONIA.longTerm) {
    return kept < 1
      ? [test({ code: 'freeMeasuredWatch', nh3MgN: free.mgNPerL, atMs }, 'ammonia')]
      : [
          watch(
            'freeAmmonia',
            { code: 'freeMeasuredWatch', nh3MgN: free.mgNPerL, atMs },
            { code: 'confirmAmmonia' },
          ),
        ];
  }
  return [];
}

/** What is free of so much total, by what the water is now. */
const freeOf = (e: WaterEvidence, totalMgN: number): number =>
  totalMgN * (sharesAt(e, e.nowMs)?.fraction ?? 0);

/** Water was changed since the reading: what is left is reckoned, and said to be. */
function afterChange(e: WaterEvidence, { point, value, changed }: Expected): Finding[] {
  const ammonia = printed(point, 'ammonia');
  const { atMs } = point;
  if (freeOf(e, value) >= FREE_AMMONIA.act || value >= LIVING.totalActMgN) {
    return [
      act(
        'ammonia',
        'ammonia',
        { code: 'stillTooMuch', ammonia, atMs, leftMgN: value },
        { code: 'changeNow' },
      ),
    ];
  }
  const changedMs = lastOf(e.changes)?.atMs ?? e.nowMs;
  const testMs = changedMs + LIVING.testAfterHours * HOUR_MS;
  const finding: Statement = { code: 'ammoniaChanged', ammonia, atMs, share: changed, leftMgN: value };
  return [
    {
      word: 'test',
      finding,
      opens: e.nowMs >= testMs ? ask('ammonia') : { code: 'testAmmoniaAt', atMs: testMs },
    },
  ];
}

function byTotal(e: WaterEvidence, { point }: Expected, free: FreeAmmonia | null): Finding[] {
  const ammonia = printed(point, 'ammonia');
  const { atMs } = point;
  const nh3MgN = free?.atMs === atMs ? free.mgNPerL : 0;
  if (free && nh3MgN >= FREE_AMMONIA.longTerm) {
    const { ph, phAssumed, tempC } = free;
    const told = { ammonia, atMs, nh3MgN, ph, phAssumed, tempC };
    if (nh3MgN >= FREE_AMMONIA.act || point.interval.mid >= LIVING.totalActMgN)
      return [act('ammonia', 'ammonia', { code: 'freeAmmoniaAct', ...told }, { code: 'changeNow' })];
    return [watch('ammonia', { code: 'freeAmmoniaWatch', ...told }, { code: 'changeSome' })];
  }
  if (point.interval.mid >= LIVING.totalActMgN)
    return [act('ammonia', 'ammonia', { code: 'ammoniaWithAnimals', ammonia, atMs }, { code: 'changeNow' })];
  const before = trusted(e.series.ammonia).slice(-2)[0];
  const twice =
    before !== undefined &&
    before !== point &&
    !before.zero &&
    atMs - before.atMs <= LIVING.staleDays * DAY_MS;
  return twice
    ? [watch('ammonia', { code: 'ammoniaWithAnimals', ammonia, atMs }, { code: 'filterLags' })]
    : [{ word: 'test', finding: { code: 'ammoniaTrace', ammonia, atMs }, opens: { code: 'confirmAmmonia' } }];
}

function nitrite(e: WaterEvidence): Finding[] {
  const newest = fresh(e, 'nitrite');
  if (!newest || newest.point.zero) return [];
  const { point, value } = newest;
  const finding: Statement = {
    code: 'nitriteWithAnimals',
    nitrite: printed(point, 'nitrite'),
    atMs: point.atMs,
  };
  if (value >= LIVING.nitriteActMgN) return [act('nitrite', 'nitrite', finding, { code: 'changeNow' })];
  const before = trusted(e.series.nitrite).slice(-2)[0];
  const twice =
    before !== point && [before, point].every((p) => (p?.interval.mid ?? 0) > LIVING.nitriteWatchMgN);
  if (twice) return [watch('nitrite', finding, { code: 'filterLags' })];
  return value > LIVING.nitriteWatchMgN ? [test(finding, 'ammonia', 'nitrite')] : [];
}

/** Where watching and acting begin: our limits, or for a water of treatment the person's own where they lie further out. In a display
 *  nobody's own range can silence the limits. */
function limitsOf(
  e: WaterEvidence,
  parameter: Parameter,
  ours: readonly [number, number],
): { watched: readonly [number, number]; acted: readonly [number, number]; aim: TargetRange } {
  const aim = aimOf(e.targets, parameter) ?? {
    low: -Infinity,
    high: Infinity,
    alarmLow: -Infinity,
    alarmHigh: Infinity,
  };
  const treated = e.water.kind === 'quarantine' && e.targets.some((t) => t.parameter === parameter);
  const beyond = LIVING.beyondOwnLimit;
  const acted: [number, number] = treated
    ? [Math.min(ours[0], aim.alarmLow - beyond), Math.max(ours[1], aim.alarmHigh + beyond)]
    : [ours[0], ours[1]];
  return {
    watched: [Math.max(aim.alarmLow, acted[0]), Math.min(aim.alarmHigh, acted[1])],
    acted,
    aim,
  };
}

function temperature(e: WaterEvidence): Finding[] {
  const newest = fresh(e, 'temperature');
  if (!newest) return [];
  const tempC = newest.point.interval.mid;
  const { atMs } = newest.point;
  const { watched, acted } = limitsOf(e, 'temperature', LIVING.tempActC);
  const hot = tempC > (watched[0] + watched[1]) / 2;
  const opens: Statement = { code: hot ? 'coolSlowly' : 'warmSlowly' };
  const finding: Statement = { code: hot ? 'tooWarm' : 'tooCold', tempC, atMs };
  if (!inRange(tempC, acted)) return [act('temperature', hot ? 'hot' : 'cold', finding, opens)];
  const moved = heatMoved(e, acted);
  if (moved?.word === 'actNow') return [moved];
  if (!inRange(tempC, watched)) return [watch('temperature', finding, opens)];
  return moved ? [moved] : [];
}

/** A change of temperature by the same thermometer: too much in three hours, or heading for a limit within six. */
function heatMoved(e: WaterEvidence, acted: readonly [number, number]): Finding | null {
  const moved = movementOf(e, 'temperature', LIVING.tempHours, e.nowMs - LIVING.tempAheadHours * HOUR_MS);
  if (!moved) return null;
  const { by, hours } = moved;
  const tempC = moved.to.interval.mid;
  const perHour = by / Math.max(hours, 0.5);
  const finding: Statement = { code: 'heatMoved', tempC, by, hours };
  const opens: Statement = { code: by > 0 ? 'coolSlowly' : 'warmSlowly' };
  if (Math.abs(by) > LIVING.tempActRise) return act('temperature', 'heatMoved', finding, opens);
  const ahead = tempC + perHour * LIVING.tempAheadHours;
  const heading = Math.abs(by) >= LIVING.tempWatchRise / 2 && hours >= 1 && !inRange(ahead, acted);
  if (heading) return watch('temperature', { code: 'heatHeading', tempC, perHour }, opens);
  return Math.abs(by) > LIVING.tempWatchRise ? watch('temperature', finding, opens) : null;
}

function salinity(e: WaterEvidence): Finding[] {
  const newest = fresh(e, 'salinity') ?? salinityExpected(e);
  if (!newest) return [];
  const { point, value, changed } = newest;
  const delicate = e.residents.some((a) => speciesOf(e, a.speciesId).group !== 'fish');
  const edge = delicate ? LIVING.salinityActDelicate : LIVING.salinityAct;
  const { watched, acted, aim } = limitsOf(e, 'salinity', edge);
  const found = point.interval.mid;
  // A change that said what it brought: what is expected is tested, unless it cannot have helped enough.
  const stillBad = !inRange(found, acted) && !inRange(value, acted);
  const off = !inRange(found, watched) || !inRange(value, watched);
  if (changed > 0 && newest.known && off && !stillBad)
    return [test({ code: 'salinityMixed', salinity: value, measured: found }, 'salinity')];
  const finding: Statement = { code: 'salinityWithAnimals', salinity: found, atMs: point.atMs };
  const trouble: Trouble = found > aim.high ? 'salty' : 'fresh';
  if (!inRange(found, acted)) return [act('salinity', trouble, finding, { code: 'salinitySlowly' })];
  const moved = saltMoved(e);
  if (moved?.word === 'actNow') return [moved];
  if (!inRange(found, watched)) return [watch('salinity', finding, { code: 'salinitySlowly' })];
  if (moved) return [moved];
  const drift = saltDrift(e, found, watched);
  return drift ? [drift] : [];
}

/** An old reading still speaks where a change since says what it brought. */
function salinityExpected(e: WaterEvidence): Expected | null {
  const expected = expectedNow(e, 'salinity');
  return expected && expected.changed > 0 && expected.known ? expected : null;
}

function saltMoved(e: WaterEvidence): Finding | null {
  const moved = movementOf(e, 'salinity', 24, e.nowMs - DAY_MS);
  if (!moved || Math.abs(moved.by) <= LIVING.salinityWatchPerDay) return null;
  const finding: Statement = {
    code: 'saltMoved',
    salinity: moved.to.interval.mid,
    by: moved.by,
    hours: moved.hours,
  };
  const opens: Statement = { code: 'salinitySlowly' };
  return Math.abs(moved.by) > LIVING.salinityActPerDay
    ? act('salinity', 'saltMoved', finding, opens)
    : watch('salinity', finding, opens);
}

/** A steady drift by the same instrument, and when it reaches the end of the watched range; null for none, or for one further off than
 *  a week. Salinity and alkalinity only: of pH the hour of the day moves more than the week does. */
function driftOf(
  e: WaterEvidence,
  parameter: 'salinity' | 'alkalinity',
  found: number,
  watched: readonly [number, number],
): { perDay: number; days: number; limit: number } | null {
  const points = trusted(e.series[parameter]);
  const kit = lastOf(points)?.kit.id;
  const sinceMs = e.nowMs - LIVING.driftDays * DAY_MS;
  const lately = spanOf(points, sinceMs).filter((p) => p.kit.id === kit);
  const [first] = lately;
  const span = first ? ((lastOf(lately)?.atMs ?? 0) - first.atMs) / DAY_MS : 0;
  if (!first || lately.length < LIVING.driftReadings || span < LIVING.driftDays / 2) return null;
  const { slope: perDay, se } = straightLine(
    lately.map((p) => (p.atMs - first.atMs) / DAY_MS),
    lately.map((p) => p.interval.mid),
  );
  // No drift is made out of an instrument's noise.
  if (Math.abs(perDay) < LIVING.driftPerDay || Math.abs(perDay) < 3 * se) return null;
  const limit = perDay > 0 ? watched[1] : watched[0];
  const days = (limit - found) / perDay;
  return days > LIVING.driftDays ? null : { perDay, days, limit };
}

/** Within two days of its limit a drift is watched; before that it is only said. */
function saltDrift(e: WaterEvidence, found: number, watched: readonly [number, number]): Finding | null {
  const drift = driftOf(e, 'salinity', found, watched);
  if (!drift) return null;
  const finding: Statement = { code: 'saltDrifts', ...drift };
  return drift.days <= LIVING.driftWatchDays
    ? watch('salinity', finding, { code: 'salinitySlowly' })
    : note(finding);
}

function alkalinityDrift(
  e: WaterEvidence,
  found: number,
  watched: readonly [number, number],
): Finding | null {
  const drift = driftOf(e, 'alkalinity', found, watched);
  if (!drift) return null;
  const finding: Statement = { code: 'alkalinityDrifts', ...drift };
  const opens: Statement = { code: drift.perDay < 0 ? 'raiseAlkalinity' : 'letAlkalinityFall' };
  return drift.days <= LIVING.driftWatchDays ? watch('alkalinity', finding, opens) : note(finding);
}

function ph(e: WaterEvidence, local: LocalTime): Finding[] {
  const newest = fresh(e, 'ph');
  if (!newest) return [];
  const found = newest.point.interval.mid;
  const { atMs } = newest.point;
  const { watched, acted } = limitsOf(e, 'ph', LIVING.phAct);
  const afternoon = inRange(local.hourOf(atMs), LIVING.afternoon);
  const low = Math.max(watched[0], afternoon && watched[0] > 7 ? LIVING.phAfternoon : -Infinity);
  if (inRange(found, [low, watched[1]])) return [];
  const isLow = found < low;
  const finding: Statement = { code: isLow ? 'phLow' : 'phHigh', ph: found, atMs };
  const opens: Statement = { code: isLow ? 'freshAir' : 'stopDosing' };
  return inRange(found, acted)
    ? [watch('ph', finding, opens)]
    : [act('ph', isLow ? 'phLow' : 'phHigh', finding, opens)];
}

function oxygen(e: WaterEvidence): Finding[] {
  const newest = fresh(e, 'oxygen');
  if (!newest || newest.point.interval.mid >= LIVING.oxygenWatch) return [];
  const { atMs } = newest.point;
  const mgL = newest.point.interval.mid;
  const finding: Statement = { code: 'oxygenLow', mgL, atMs };
  return mgL < LIVING.oxygenAct
    ? [act('oxygen', 'oxygen', finding, { code: 'airNow' })]
    : [watch('oxygen', finding, { code: 'airNow' })];
}

function alkalinity(e: WaterEvidence): Finding[] {
  const newest = fresh(e, 'alkalinity');
  if (!newest) return [];
  const found = newest.point.interval.mid;
  const { atMs } = newest.point;
  const corals = e.residents.some((a) => speciesOf(e, a.speciesId).group === 'coral');
  const low: Statement = { code: 'alkalinityWithAnimals', alkalinity: found, atMs };
  if (corals && found < LIVING.alkalinityActCorals)
    return [act('alkalinity', 'alkalinity', low, { code: 'raiseAlkalinity' })];
  const { watched } = limitsOf(e, 'alkalinity', [0, 40]);
  if (found < watched[0]) return [watch('alkalinity', low, { code: 'raiseAlkalinity' })];
  if (found > watched[1]) return [watch('alkalinity', low, { code: 'letAlkalinityFall' })];
  const moved = movementOf(e, 'alkalinity', 24, e.nowMs - DAY_MS);
  if (moved && Math.abs(moved.by) > LIVING.alkalinityWatchPerDay) {
    const finding: Statement = { code: 'alkalinityMoved', alkalinity: found, by: moved.by };
    return [watch('alkalinity', finding, { code: 'steadyDoses' })];
  }
  const drift = alkalinityDrift(e, found, watched);
  return drift ? [drift] : [];
}
