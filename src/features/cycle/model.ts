/** The cycle screen as plain data. */
import {
  basisLabel,
  fromMgNPerL,
  type NitrogenSpecies,
  showQuantity,
  type UnitPreferences,
} from '../../../core/units';
import type { Strata } from '../../../core/nitrogen';
import type { WaterEvidence } from '../../../core/evidence';
import { type StripSeries } from '../../ui/charts/NitrogenStrips';
import { thinnedBy } from '../../ui/charts/thinning';

const SPECIES: readonly NitrogenSpecies[] = ['ammonia', 'nitrite', 'nitrate'];

/** More points than a drawing has room for. */
const MOST_POINTS = 2000;

/** The three lines, each in the unit of the kit last used; of a long history what can be told apart. */
export function stripSeries(e: WaterEvidence): StripSeries[] {
  return SPECIES.map((species) => {
    const all = e.series[species];
    const points = thinnedBy(all, all[0]?.atMs ?? 0, e.nowMs, MOST_POINTS, (p) => p.interval.mid);
    const basis = all[all.length - 1]?.kit.basis ?? 'ion';
    const shown = (mgN: number) => fromMgNPerL(species, basis, mgN);
    return {
      species,
      unit: `mg/L ${basisLabel(species, basis)}`,
      points: points.map((p) => ({
        atMs: p.atMs,
        low: shown(p.interval.low),
        mid: shown(p.interval.mid),
        high: shown(p.interval.high),
        doubted: p.doubts.length > 0,
      })),
    };
  });
}

/** What was done, as marks above the drawings: only what moves nitrogen. */
export function nitrogenEvents(e: WaterEvidence): { atMs: number; label: string }[] {
  return e.events.flatMap((x) => {
    const atMs = Date.parse(x.at);
    switch (x.kind) {
      case 'ammoniaDose':
        return [{ atMs, label: 'dose' }];
      case 'waterChange':
        return [{ atMs, label: 'change' }];
      case 'food':
        return [{ atMs, label: x.food === 'seafood' ? 'seafood' : 'food' }];
      default:
        return [];
    }
  });
}

/** Whether nitrogen put in and found add up, in words; null with nothing put in. */
export function gapWords(
  strata: Strata,
  netL: number,
  units: UnitPreferences,
): { title: string; text: string } | null {
  const last = strata.points[strata.points.length - 1];
  if (!last || last.putInMgN <= 0) return null;
  const { gapMgN, gapSdMgN } = strata;
  if (last.nitrateEstimated) {
    return {
      title: 'Not to be weighed yet.',
      text: `${last.putInMgN.toFixed(0)} mg N were put in. While nitrite is present nitrate cannot be read, so it stands here as what is left over.`,
    };
  }
  if (Math.abs(gapMgN) <= 2 * gapSdMgN) {
    return {
      title: 'It adds up, as far as kits can tell.',
      text: `${last.putInMgN.toFixed(0)} mg N put in, ${(last.putInMgN - gapMgN).toFixed(0)} found. The kits’ steps and the volume leave ${(2 * gapSdMgN).toFixed(0)} mg open either way.`,
    };
  }
  const found = last.putInMgN - gapMgN;
  if (gapMgN > 0) {
    return {
      title: `${gapMgN.toFixed(0)} mg are missing.`,
      text: 'Most likely first: a kit past its best, loss to gas and algae, a change that was not logged, or a dose weaker than its label.',
    };
  }
  return {
    title: `${(-gapMgN).toFixed(0)} mg more than was put in.`,
    text: `Most likely first: the real volume is nearer ${showQuantity('volume', (netL * last.putInMgN) / found, units, 0)}, something rots that was not logged, or a kit prints another basis than noted.`,
  };
}

/** The newest rows of the strata for the table, newest first. */
export function strataRows(strata: Strata, day: (ms: number) => string, count: number): string[][] {
  return strata.points
    .slice(-count)
    .reverse()
    .map((p) => [
      day(p.atMs),
      p.ammoniaMgN.toFixed(0),
      p.nitriteMgN.toFixed(0),
      `${p.nitrateMgN.toFixed(0)}${p.nitrateEstimated ? ' ?' : ''}`,
      p.putInMgN.toFixed(0),
    ]);
}
