/** What instruments are judged by. Each number with its unit and where it comes from; docs/limits.md is written from here. */
import { limit, valuesOf, type LimitTable } from '../limits';

export const INSTRUMENTS_LIMITS = {
  sessionHours: limit(
    2,
    'hours',
    'readings of two standards within this time belong to one calibration',
    'common practice',
  ),
  comparedHours: limit(
    24,
    'hours',
    'two sources read within this time are held against each other',
    'common practice',
  ),
  temperature: limit(0.5, '°C', 'a thermometer off by more is doubted', 'common practice'),
  salinity: limit(0.5, 'ppt', 'a salinity instrument off by more is doubted', 'common practice'),
  ph: limit(0.1, 'pH', 'a pH meter off by more is doubted', 'common practice'),
  alkalinity: limit(0.5, 'dKH', 'an alkalinity kit off by more is doubted', 'common practice'),
  orp: limit(20, 'mV', 'a redox probe off by more is doubted', 'common practice'),
  oxygen: limit(0.5, 'mg/L', 'an oxygen probe off by more is doubted', 'common practice'),
  tdsResin: limit(1, 'mg/L', 'a TDS meter after the resin off by more is doubted', 'common practice'),
  tdsMembrane: limit(2, 'mg/L', 'a TDS meter after the membrane off by more is doubted', 'common practice'),
  elsewhereShare: limit(
    0.05,
    'share of the standard',
    'any other instrument off by more is doubted',
    'common practice',
  ),
} as const satisfies LimitTable;

export const INSTRUMENTS = valuesOf(INSTRUMENTS_LIMITS);
