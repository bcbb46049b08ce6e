/** A device's quantities and alarms in words. */
import type { MonitorAlarm, Monitored } from '../monitor';
import { formatDecimal, showDifference, showQuantity, type UnitPreferences } from '../units';
import { shownScale, type ShownScale } from './scale';

export const MONITORED_WORDS: Record<Monitored, string> = {
  freeAmmonia: 'Free ammonia',
  totalAmmonia: 'Total ammonia',
  ph: 'pH, by the device',
  temperature: 'Temperature',
  level: 'Level of the reservoir',
  salinity: 'Salinity',
};

/** "0.012 mg/L NH₃-N". */
export function monitorValue(what: Monitored, value: number, units: UnitPreferences): string {
  switch (what) {
    case 'freeAmmonia':
      return `${value.toFixed(3)} mg/L NH₃-N`;
    case 'totalAmmonia':
      return `${formatDecimal(value, 2)} mg/L N`;
    case 'temperature':
    case 'salinity':
      return showQuantity(what, value, units);
    case 'level':
      return `${formatDecimal(value, 0)} %`;
    case 'ph':
      return value.toFixed(2);
  }
}

/** The same for a drawing. */
export function monitorScale(what: Monitored, units: UnitPreferences): ShownScale {
  switch (what) {
    case 'temperature':
    case 'salinity':
      return shownScale(what, units);
    case 'freeAmmonia':
      return { label: 'mg/L NH₃-N', show: asStored, decimals: 3 };
    case 'totalAmmonia':
      return { label: 'mg/L N', show: asStored, decimals: 2 };
    case 'level':
      return { label: '%', show: asStored, decimals: 0 };
    case 'ph':
      return { label: '', show: asStored, decimals: 2 };
  }
}
const asStored = (x: number): number => x;

const by = (what: Monitored, x: number, units: UnitPreferences): string =>
  what === 'temperature' || what === 'salinity'
    ? showDifference(what, x, units)
    : monitorValue(what, x, units);

export function alarmWords(a: MonitorAlarm, units: UnitPreferences, hour: (ms: number) => string): string {
  switch (a.kind) {
    case 'silent':
      return `Nothing has come since ${hour(a.sinceMs)}: what happens is not seen. Test by hand until it is back.`;
    case 'missing':
      return (
        `${MONITORED_WORDS[a.what]} has not come since ${hour(a.sinceMs)}, the rest has: ` +
        `${a.what === 'level' ? 'look at it yourself' : 'test it by hand'} until it is back. ` +
        'If the probe was taken off, pair the device anew.'
      );
    case 'high':
      return `${MONITORED_WORDS[a.what]} shows ${monitorValue(a.what, a.value, units)}, over ${a.limit}. Test ammonia and pH by hand now.`;
    case 'rise':
      return `${MONITORED_WORDS[a.what]} rose by ${by(a.what, a.by, units)} within ${a.hours} hours. Test by hand.`;
    case 'stuck':
      return `${MONITORED_WORDS[a.what]} has shown ${monitorValue(a.what, a.value, units)} for ${a.hours} hours: a probe that is stuck, dry or unplugged.`;
    case 'disagrees':
      return (
        `${MONITORED_WORDS[a.what]}: the device showed ${monitorValue(a.what, a.device, units)}, ` +
        `your hand test ${monitorValue(a.what, a.hand, units)}. ` +
        'Clean and calibrate the probe; until then believe the hand test.'
      );
  }
}
