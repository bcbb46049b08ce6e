/** When a stage of an RO/DI unit is due. Each number with its unit and where it comes from; docs/limits.md is written from here. */
import { limit, valuesOf, type LimitTable } from '../limits';

export const RODI_LIMITS = {
  sedimentDays: limit(180, 'days', 'a sediment filter', 'common practice; labels go first'),
  carbonDays: limit(180, 'days', 'a carbon block', 'common practice; labels go first'),
  carbonLitres: limit(
    5700,
    'L',
    'through a carbon block, waste counted',
    'makers’ figures for free chlorine, 1500 gal',
  ),
  membraneDays: limit(1095, 'days', 'a membrane', 'common practice'),
  resinDays: limit(730, 'days', 'a resin that is hardly used', 'our choice'),
  rejectionDue: limit(0.9, 'share', 'a membrane that holds back less', 'common practice'),
  rejectionSoon: limit(0.95, 'share', 'a membrane that holds back less is watched', 'common practice'),
  resinDueTds: limit(1, 'mg/L', 'behind the resin', 'common practice'),
  chlorineDue: limit(0.02, 'mg/L', 'total chlorine behind the carbon', 'the least a strip tells'),
  pressureFallBar: limit(0.7, 'bar', 'lost across the sediment filter', 'makers’ data sheets, 10 psi'),
  fouledShare: limit(0.75, 'share', 'of the output the conditions promise', 'our choice'),
  boosterBar: limit(2.8, 'bar', 'pressure below which a booster pays', 'makers’ data sheets, 40 psi'),
  usableTds: limit(5, 'mg/L', 'source water for a tank', 'our choice: above it nobody knows of what it is'),
} as const satisfies LimitTable;

export const RODI = valuesOf(RODI_LIMITS);
