/** What the newest readings say of water with animals in it, each parameter by itself: a reading of today is never hidden by an older pair. */
import type { Parameter } from '../document';
import { lastOf, trusted, type Point, type WaterEvidence } from '../evidence';
import { FREE_AMMONIA } from '../seawater';
import { speciesById } from '../species';
import type { Statement } from '../statements';
import { inRange, isFresh } from './fresh';
import { printed } from './gates';
import type { Alarm, FreeAmmonia } from './judgement';
import { LIVING } from './limits';

/** Alarms of living water, none for water nobody lives in. What to act on comes before what to watch; where free ammonia alarms already, the
 *  total of the same reading adds nothing unless it is worse. */
export function livingAlarms(e: WaterEvidence, free: FreeAmmonia | null): Alarm[] {
  if (e.residents.length === 0) return [];
  const alarms = [
    ammonia(e, free),
    oxygen(e),
    temperature(e),
    salinity(e),
    ph(e),
    nitrite(e),
    alkalinity(e),
  ].flatMap((alarm) => (alarm === null ? [] : [alarm]));
  return [...alarms.filter((a) => a.word === 'actNow'), ...alarms.filter((a) => a.word !== 'actNow')];
}

const act = (finding: Statement, opens: Statement): Alarm => ({ finding, word: 'actNow', opens });
const watch = (finding: Statement, opens: Statement): Alarm => ({ finding, word: 'wait', opens });

/** The newest trusted reading, while it still speaks for the water. */
function newest(e: WaterEvidence, parameter: Parameter): Point | null {
  const last = lastOf(trusted(e.series[parameter]));
  return isFresh(last, e.nowMs) ? last : null;
}

function ammonia(e: WaterEvidence, free: FreeAmmonia | null): Alarm | null {
  const last = newest(e, 'ammonia');
  if (!last || last.zero) return null;
  const toxic = free?.atMs === last.atMs ? free.mgNPerL : 0;
  const acts = last.interval.mid >= LIVING.totalActMgN;
  if (toxic >= FREE_AMMONIA.act || (toxic >= FREE_AMMONIA.longTerm && !acts)) return null;
  const finding: Statement = { code: 'ammoniaWithAnimals', ammonia: printed(last, 'ammonia') };
  return acts ? act(finding, { code: 'changeNow' }) : watch(finding, { code: 'confirmAmmonia' });
}

function nitrite(e: WaterEvidence): Alarm | null {
  const last = newest(e, 'nitrite');
  if (!last) return null;
  const finding: Statement = { code: 'nitriteWithAnimals', nitrite: printed(last, 'nitrite') };
  if (last.interval.mid >= LIVING.nitriteActMgN) return act(finding, { code: 'changeNow' });
  const before = trusted(e.series.nitrite).slice(-2)[0];
  const twice =
    before !== last && [before, last].every((p) => (p?.interval.mid ?? 0) > LIVING.nitriteWatchMgN);
  return twice ? watch(finding, { code: 'filterLags' }) : null;
}

function temperature(e: WaterEvidence): Alarm | null {
  const tempC = newest(e, 'temperature')?.interval.mid;
  if (tempC === undefined || inRange(tempC, LIVING.tempWatchC)) return null;
  const hot = tempC > LIVING.tempWatchC[1];
  const finding: Statement = { code: hot ? 'tooWarm' : 'tooCold', tempC };
  const opens: Statement = { code: hot ? 'coolSlowly' : 'warmSlowly' };
  return inRange(tempC, LIVING.tempActC) ? watch(finding, opens) : act(finding, opens);
}

function salinity(e: WaterEvidence): Alarm | null {
  const found = newest(e, 'salinity')?.interval.mid;
  if (found === undefined || inRange(found, LIVING.salinityWatch)) return null;
  const delicate = e.residents.some((a) => speciesById(a.speciesId).group !== 'fish');
  const edge = delicate ? LIVING.salinityActDelicate : LIVING.salinityAct;
  const finding: Statement = { code: 'salinityWithAnimals', salinity: found };
  return inRange(found, edge)
    ? watch(finding, { code: 'salinitySlowly' })
    : act(finding, { code: 'salinitySlowly' });
}

function ph(e: WaterEvidence): Alarm | null {
  const found = newest(e, 'ph')?.interval.mid;
  if (found === undefined || inRange(found, LIVING.phWatch)) return null;
  const low = found < LIVING.phWatch[0];
  const finding: Statement = { code: low ? 'phLow' : 'phHigh', ph: found };
  const opens: Statement = { code: low ? 'freshAir' : 'stopDosing' };
  return inRange(found, LIVING.phAct) ? watch(finding, opens) : act(finding, opens);
}

function oxygen(e: WaterEvidence): Alarm | null {
  const mgL = newest(e, 'oxygen')?.interval.mid;
  if (mgL === undefined || mgL >= LIVING.oxygenWatch) return null;
  const finding: Statement = { code: 'oxygenLow', mgL };
  return mgL < LIVING.oxygenAct ? act(finding, { code: 'airNow' }) : watch(finding, { code: 'airNow' });
}

function alkalinity(e: WaterEvidence): Alarm | null {
  const found = newest(e, 'alkalinity')?.interval.mid;
  const corals = e.residents.some((a) => speciesById(a.speciesId).group === 'coral');
  return found !== undefined && corals && found < LIVING.alkalinityActCorals
    ? act({ code: 'alkalinityLow', alkalinity: found }, { code: 'raiseAlkalinity' })
    : null;
}
