/** What to do at once, in order: safest and fastest first, with amounts for this water, then what not to do and when to look again.
 *  Source of the order and of the speeds: science notes 10. Amounts come from the functions the calculators use. */
import { aimOf } from '../document';
import { compoundGrams } from '../dosing';
import { expectedNow, lastOf, trusted, type WaterEvidence } from '../evidence';
import { FREE_AMMONIA } from '../seawater';
import type { Statement } from '../statements';
import { HOUR_MS } from '../time';
import { changesFor, waterNow, type PlannedChange } from './change';
import type { Trouble } from './finding';
import { LIVING } from './limits';

export interface ActPlan {
  steps: Statement[];
  /** What would make it worse. */
  avoid: Statement[];
  /** What to do when no water is ready; null where none is needed. */
  without: Statement | null;
}

/** The plan for everything that is to be acted on, as one list. Troubles that ask for the same step name it once. */
export function actPlan(e: WaterEvidence, troubles: ReadonlySet<Trouble>): ActPlan {
  const has = (...list: Trouble[]) => list.some((t) => troubles.has(t));
  const byWater = has('ammonia', 'nitrite');
  const changes = byWater ? changesFor(e, troubles.has('ammonia')) : [];
  const moveOut = byWater && changes.length === 0;
  const steps: Statement[] = [];
  if (byWater && !moveOut) steps.push({ code: 'stepPowerOff' });
  if (has('hot')) steps.push({ code: 'stepHeaterOff' });
  if (has('phHigh')) steps.push({ code: 'stepStopDoser' });
  if (byWater || has('oxygen', 'hot', 'phLow')) steps.push({ code: 'stepAir' });
  if (has('ammonia', 'oxygen')) steps.push({ code: 'stepDeadOut' });
  if (moveOut) steps.push(moveOutStep(e));
  const [first, ...next] = changes;
  if (first) steps.push(changeStep(first));
  if (byWater && !moveOut) steps.push({ code: 'stepBackOn' });
  steps.push(
    ...next.map((c, i): Statement => ({ code: 'stepChangeNext', ...amounts(c), hours: 12 * (i + 1) })),
  );
  steps.push(...heat(e, troubles), ...salt(e, troubles), ...acid(troubles), ...minerals(e, troubles));
  if (has('ammonia', 'nitrite', 'oxygen')) steps.push({ code: 'stepNoFood' });
  steps.push(lookAgain(e, troubles));
  return { steps, avoid: avoided(troubles, e), without: byWater ? { code: 'noWaterReady' } : null };
}

const amounts = (c: PlannedChange) => ({
  litres: c.litres,
  netL: c.netL,
  fromMgN: c.fromMgN,
  toMgN: c.toMgN,
  fromFreeMgN: c.fromFreeMgN,
  toFreeMgN: c.toFreeMgN,
});

const changeStep = (c: PlannedChange): Statement => ({
  code: c.species === 'ammonia' ? 'stepChange' : 'stepChangeNitrite',
  ...amounts(c),
  salinity: c.salinity,
  tempC: c.tempC,
});

function moveOutStep(e: WaterEvidence): Statement {
  const { salinity, tempC } = waterNow(e);
  return { code: 'stepMoveOut', salinity, tempC };
}

function heat(e: WaterEvidence, troubles: ReadonlySet<Trouble>): Statement[] {
  const tempC = lastOf(trusted(e.series.temperature))?.interval.mid;
  if (tempC === undefined) return [];
  const aim = aimOf(e.targets, 'temperature') ?? { low: 24, high: 26 };
  if (troubles.has('hot')) {
    const perHour = LIVING.perHourC * (tempC > LIVING.fasterAboveC ? 2 : 1);
    return [{ code: 'stepCool', tempC, toC: aim.high, perHour, hours: hoursFor(tempC - aim.high, perHour) }];
  }
  if (troubles.has('cold')) {
    const perHour = LIVING.perHourC;
    return [
      { code: 'stepHeaterCheck' },
      { code: 'stepWarm', tempC, toC: aim.low, perHour, hours: hoursFor(aim.low - tempC, perHour) },
    ];
  }
  return troubles.has('heatMoved') ? [{ code: 'stepHeaterCheck' }, { code: 'stepHoldHeat', tempC }] : [];
}

const hoursFor = (by: number, perHour: number): number => Math.max(1, Math.ceil(by / perHour - 1e-9));

/** Salinity goes by one part a day: how much to swap today, and for how many days. */
function salt(e: WaterEvidence, troubles: ReadonlySet<Trouble>): Statement[] {
  const found = lastOf(trusted(e.series.salinity))?.interval.mid;
  if (found === undefined) return [];
  const again: Statement = { code: 'stepMeasureAgain', parameter: 'salinity' };
  const aim = aimOf(e.targets, 'salinity') ?? { low: 33, high: 36 };
  if (troubles.has('salty')) {
    const days = Math.ceil(found - aim.high);
    const toToday = Math.max(aim.high, found - LIVING.salinityPerDay);
    // Swapping against fresh water: f = 1 - St/S.
    const litres = (1 - toToday / found) * e.netL;
    return [again, { code: 'stepSaltDown', litres, toToday, salinity: aim.high, days }];
  }
  if (troubles.has('fresh')) {
    const days = Math.ceil(aim.low - found);
    const toToday = Math.min(aim.low, found + LIVING.salinityPerDay);
    // Swapping against water of the top of the aim: f = (St - S) / (Snew - S).
    const litres = ((toToday - found) / (aim.high - found)) * e.netL;
    return [again, { code: 'stepSaltUp', litres, incoming: aim.high, toToday, salinity: aim.low, days }];
  }
  return troubles.has('saltMoved') ? [again, { code: 'stepHoldSalt' }] : [];
}

function acid(troubles: ReadonlySet<Trouble>): Statement[] {
  const steps: Statement[] = [];
  if (troubles.has('phLow') || troubles.has('phHigh'))
    steps.push({ code: 'stepMeasureAgain', parameter: 'ph' });
  if (troubles.has('phLow')) steps.push({ code: 'stepFreshAir' });
  return steps;
}

function minerals(e: WaterEvidence, troubles: ReadonlySet<Trouble>): Statement[] {
  const found = lastOf(trusted(e.series.alkalinity))?.interval.mid;
  if (!troubles.has('alkalinity') || found === undefined) return [];
  const rise = LIVING.alkalinityPerDay;
  const aim = aimOf(e.targets, 'alkalinity')?.low ?? 7;
  return [
    { code: 'stepMeasureAgain', parameter: 'alkalinity' },
    {
      code: 'stepBicarbonate',
      grams: compoundGrams('bicarbonate', rise, e.netL),
      rise,
      days: Math.ceil((aim - found) / rise),
    },
  ];
}

/** After an hour and half a day later; temperature sooner. */
function lookAgain(e: WaterEvidence, troubles: ReadonlySet<Trouble>): Statement {
  const parameters = [
    ...(['ammonia', 'nitrite'] as const).filter((t) => troubles.has(t)),
    ...(['hot', 'cold', 'heatMoved'].some((t) => troubles.has(t as Trouble))
      ? (['temperature'] as const)
      : []),
    ...(['salty', 'fresh', 'saltMoved'].some((t) => troubles.has(t as Trouble))
      ? (['salinity'] as const)
      : []),
    ...(['phLow', 'phHigh'].some((t) => troubles.has(t as Trouble)) ? (['ph'] as const) : []),
    ...(troubles.has('oxygen') ? (['oxygen'] as const) : []),
    ...(troubles.has('alkalinity') ? (['alkalinity'] as const) : []),
  ];
  const atMs = e.nowMs + LIVING.testAfterHours * HOUR_MS;
  return { code: 'stepTestAt', parameters, atMs, laterMs: atMs + LIVING.testLaterHours * HOUR_MS };
}

function avoided(troubles: ReadonlySet<Trouble>, e: WaterEvidence): Statement[] {
  const has = (...list: Trouble[]) => list.some((t) => troubles.has(t));
  const avoid: Statement[] = [];
  // Whatever the trouble is: where ammonia is found at all, its free share must not be raised.
  const ammonia = expectedNow(e, 'ammonia');
  if (
    has('ammonia') ||
    (has('phLow', 'cold', 'alkalinity') && ammonia !== null && ammonia.value > FREE_AMMONIA.longTerm)
  )
    avoid.push({ code: 'avoidRaising' });
  if (has('hot')) avoid.push({ code: 'avoidIce' });
  if (has('phHigh')) avoid.push({ code: 'avoidAcid' });
  if (has('phLow')) avoid.push({ code: 'avoidBuffer' });
  if (has('salty', 'fresh', 'saltMoved')) avoid.push({ code: 'avoidSaltIn' });
  return avoid;
}
