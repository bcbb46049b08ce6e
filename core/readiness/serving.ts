/** The judgement of a water that serves a display: a quarantine by its clock, a holding or mixing container by what was measured in it. */
import { isOpen, lastRun, type Parameter } from '../document';
import { lastOf, printed, trusted, type WaterEvidence } from '../evidence';
import type { QuarantineClock } from '../quarantine';
import { ask, isFresh } from '../living';
import { offAim } from './found';
import type { Judgement } from './judgement';

/** @param clock of a quarantine; null for any other water */
export function servingJudgement(e: WaterEvidence, clock: QuarantineClock | null): Judgement {
  // Whatever a date says, a water with animals in it is in use.
  if ('runs' in e.water && !isOpen(e.water) && !e.isInhabited) {
    const day = lastRun(e.water).closedDay ?? '';
    return { word: 'wait', reason: { code: 'outOfUse', day }, opens: { code: 'openAgain' } };
  }
  if (e.water.kind === 'mixing') return mixing(e);
  if (!e.isInhabited) return empty(e);
  return clock ? byClock(clock) : held(e);
}

function byClock(clock: QuarantineClock): Judgement {
  switch (clock.status) {
    case 'signPresent':
      return { word: 'wait', reason: { code: 'quarantineSign' }, opens: { code: 'quarantineHealed' } };
    case 'complete':
      return {
        word: 'go',
        reason: { code: 'quarantineFree', days: clock.clockDays },
        opens: { code: 'quarantineLetIn' },
      };
    case 'running':
    case 'empty':
      return {
        word: 'wait',
        reason: {
          code: 'quarantineRunning',
          day: clock.clockDay,
          of: clock.clockDays,
        },
        opens:
          clock.releaseDay === null
            ? { code: 'quarantineHealed' }
            : { code: 'quarantineFreeOn', day: clock.releaseDay },
      };
  }
}

/** What must be known of little water before anyone goes in. */
const BEFORE_ANYONE: readonly Parameter[] = ['ammonia', 'salinity', 'temperature'];

function empty(e: WaterEvidence): Judgement {
  if (e.water.kind === 'holding') {
    return { word: 'steady', reason: { code: 'holdingEmpty' }, opens: { code: 'holdingWatch' } };
  }
  const parameters = BEFORE_ANYONE.filter((p) => !isFresh(lastOf(trusted(e.series[p])), e.nowMs));
  if (parameters.length > 0) {
    return {
      word: 'test',
      reason: { code: 'quarantineUntested', parameters },
      opens: ask(...parameters),
    };
  }
  return unfit(e) ?? { word: 'go', reason: { code: 'quarantineReady' }, opens: { code: 'quarantineTakes' } };
}

function held(e: WaterEvidence): Judgement {
  return unfit(e) ?? { word: 'steady', reason: { code: 'holdingSteady' }, opens: { code: 'holdingWatch' } };
}

function mixing(e: WaterEvidence): Judgement {
  const salinity = lastOf(trusted(e.series.salinity));
  if (!isFresh(salinity, e.nowMs)) {
    return {
      word: 'test',
      reason: { code: 'waterUnmeasured', parameters: ['salinity'] },
      opens: ask('salinity'),
    };
  }
  return (
    unfit(e) ?? {
      word: 'go',
      reason: { code: 'mixingReady', salinity: salinity.interval.mid },
      opens: { code: 'mixingFit' },
    }
  );
}

/** What the last readings say against this water; null when nothing does. */
function unfit(e: WaterEvidence): Judgement | null {
  const ammonia = lastOf(trusted(e.series.ammonia));
  if (ammonia && !ammonia.zero) {
    return {
      word: 'wait',
      reason: { code: 'ammoniaLeft', ammonia: printed(ammonia, 'ammonia') },
      opens: { code: 'twoZeros' },
    };
  }
  const off = offAim(e);
  return off && { word: 'wait', reason: off.finding, opens: off.opens };
}
