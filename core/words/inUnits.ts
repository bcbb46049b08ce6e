/** Fixed texts with quantities in them, shown in the person's units. A quantity stands in braces with its stored value and, if not the
 *  usual, its decimals: "{temperature:25:0}"; a range as "{length:2.5-5}". */
import { showDifference, showQuantity, showRange, type Quantity, type UnitPreferences } from '../units';

const MARK =
  /\{(volume|temperature|salinity|length|mass|Δtemperature|Δsalinity):(\d+(?:\.\d+)?)(?:-(\d+(?:\.\d+)?))?(?::(\d))?\}/g;

/** The text with each quantity as the person reads it. */
export function inUnits(text: string, units: UnitPreferences): string {
  return text.replace(MARK, (_all, name: string, low: string, high?: string, places?: string) => {
    const decimals = places === undefined ? undefined : Number(places);
    if (name.startsWith('Δ')) return showDifference(name.slice(1) as Quantity, Number(low), units, decimals);
    const quantity = name as Quantity;
    return high === undefined
      ? showQuantity(quantity, Number(low), units, decimals)
      : showRange(quantity, [Number(low), Number(high)], units, decimals);
  });
}
