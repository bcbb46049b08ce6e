/** What several gates ask of the evidence, and how it is said. */
import { aimOf, type Parameter } from '../document';
import { lastOf, printed, trusted, type Point, type WaterEvidence } from '../evidence';
import { inRange, LIVING } from '../living';
import { speciesOf } from '../species';
import type { Statement } from '../statements';
import { RULES } from './limits';

/** Additions that a filter has to carry: a coral opens no gate for a fish. */
export const loadJoined = (e: WaterEvidence): WaterEvidence['joined'] =>
  e.joined.filter(({ animal }) => speciesOf(e, animal.speciesId).group !== 'coral');

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

/** What is still found, as printed. An absent reading counts as nothing found; at least one of the two reads something. */
export function leftover(ammonia: Point | undefined, nitrite: Point | undefined): Statement {
  if (ammonia?.coarse) return { code: 'coarseZero', parameter: 'ammonia' };
  if (nitrite?.coarse && (!ammonia || ammonia.zero)) return { code: 'coarseZero', parameter: 'nitrite' };
  const a = ammonia && !ammonia.zero ? printed(ammonia, 'ammonia') : null;
  const n = nitrite && !nitrite.zero ? printed(nitrite, 'nitrite') : null;
  if (a !== null && n !== null) return { code: 'bothLeft', ammonia: a, nitrite: n };
  if (a !== null) return { code: 'ammoniaLeft', ammonia: a };
  return { code: 'nitriteLeft', nitrite: n ?? 'unknown' };
}

export const isTransfer = (x: WaterEvidence['events'][number]): boolean =>
  x.kind === 'bacteria' && (x.seed === 'media' || x.seed === 'rock' || x.seed === 'oldTank');

/** The share of water to change so that half of the nitrate to begin with is left. */
export const changeForNitrate = (nitrateMgN: number): number =>
  Math.min(LIVING.largestChange, 1 - RULES.nitrateStartMgN / 2 / nitrateMgN);

/** Alkalinity as last read with what was dosed since, dKH: who has raised it waits for the next test, not for a second dose,
 *  also where both stand at one minute. */
export function alkalinityWithDoses(e: WaterEvidence): number | undefined {
  const last = lastOf(trusted(e.series.alkalinity));
  if (!last) return undefined;
  return e.events.reduce(
    (sum, x) =>
      x.kind === 'dose' && x.what === 'alkalinity' && Date.parse(x.at) >= last.atMs ? sum + x.rise : sum,
    last.interval.mid,
  );
}
