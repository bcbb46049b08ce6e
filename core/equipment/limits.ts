/** What sizes are reckoned with. Each number with its unit and where it comes from; docs/limits.md is written from here. */
import { limit, valuesOf, type LimitTable } from '../limits';

export const EQUIPMENT_LIMITS = {
  glassLoss: limit(8, 'W/m²K', 'heat lost through glass with still air on all outer faces', 'our estimate'),
  underShare: limit(0.5, 'share', 'of that through the surface that stands on its base', 'our estimate'),
  openLoss: limit(15, 'W/m²K', 'heat lost from open water with its evaporation', 'our estimate'),
  lidShare: limit(0.5, 'share', 'of that under a lid', 'our estimate'),
  heaterReserve: limit(1.5, 'times', 'heater suggested for what holds the coldest day', 'common practice'),
  heaterStep: limit(25, 'W', 'heaters are suggested in steps of this', 'our choice'),
  aragoniteKgPerL: limit(2.93, 'kg/L', 'solid aragonite, the rock without its pores', 'mineral density'),
  glassKgPerL: limit(2.5, 'kg/L', 'float glass', 'material density'),
} as const satisfies LimitTable;

export const EQUIPMENT = valuesOf(EQUIPMENT_LIMITS);
