/** What of the bench a water needs now: by what it is and what its log says, the most pressing first. */
import type { Water } from '../document';
import { lastOf, trusted, type WaterEvidence } from '../evidence';
import { DAY_MS } from '../time';
import { fromMgNPerL } from '../units';

export interface Need {
  tool: string;
  why: string;
}

/** Most that stand on top. */
const MOST = 4;

export function needsOf(water: Water, e: WaterEvidence): Need[] {
  const last = (p: keyof typeof e.series): number | null =>
    lastOf(trusted(e.series[p]))?.interval.mid ?? null;
  const needs: Need[] = [];
  const add = (tool: string, why: string) => needs.push({ tool, why });
  const salinity = last('salinity');
  const aim = e.targets.find((t) => t.parameter === 'salinity');
  if (salinity !== null && (salinity < (aim?.low ?? 33) || salinity > (aim?.high ?? 36)))
    add('salinity', `Salinity reads ${salinity.toFixed(1)}.`);
  const alkalinity = last('alkalinity');
  if (alkalinity !== null && alkalinity < 7)
    add('minerals', `Alkalinity reads ${alkalinity.toFixed(1)} dKH.`);
  const resin = last('tdsResin');
  if (resin !== null && resin >= 1) add('stages', `${resin.toFixed(0)} mg/L come through the resin.`);
  const nitrate = last('nitrate');
  if (nitrate !== null && fromMgNPerL('nitrate', 'ion', nitrate) > 25)
    add('change', `Nitrate reads ${fromMgNPerL('nitrate', 'ion', nitrate).toFixed(0)} mg/L.`);
  if (water.kind === 'display' && !e.isInhabited && (water.startDay === null || e.events.length === 0)) {
    add('start', 'It is not begun yet.');
    add('sources', 'It has to be filled.');
    add('weight', 'Before it stands full.');
  }
  if (!water.volumeInUse) add('volume', 'Its real volume was never measured.');
  const changes = e.changes.filter((c) => e.nowMs - c.atMs < 30 * DAY_MS).length;
  if (e.isInhabited && e.series.alkalinity.length >= 3)
    add('supply', 'Three readings tell what is used a day.');
  if (e.isInhabited && changes === 0) add('nutrients', 'No change in a month: what has food made?');
  return needs.slice(0, MOST);
}
