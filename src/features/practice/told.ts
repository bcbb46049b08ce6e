/** What happened between two decisions, in one line; and readings as the kits show them. */
import { type Kit, type Reading, readingText } from '../../../core/document';
import type { Scenario } from '../../../core/practice';
import { DAY_MS } from '../../../core/time';
import { showQuantity, type UnitPreferences } from '../../../core/units';

/** @returns what somebody standing before the tank would have noticed; a quiet line where that was nothing */
export function between(scenario: Scenario, startMs: number, fromMs: number, toMs: number): string {
  const [from, to] = [(fromMs - startMs) / DAY_MS, (toMs - startMs) / DAY_MS];
  const seen = scenario.mishaps.filter((m) => m.day > from && m.day <= to);
  const words = seen.map((m) => {
    switch (m.kind) {
      case 'heater':
        return 'The water feels warm.';
      case 'spill':
        return 'A lot of food lies on the sand.';
      case 'powerCut':
        return 'The power was gone for some hours.';
      case 'away':
        return `You leave for ${m.days} days.`;
      case 'signs':
        return 'Whoever is in quarantine looks different.';
    }
  });
  return words.length > 0 ? words.join(' ') : 'Nothing was to be seen.';
}

/** "0.5", "over 5", "25.1 °C". */
export function readingLine(reading: Reading, kits: Record<string, Kit>, units: UnitPreferences): string {
  const kit = kits[reading.kitId];
  const { value } = reading;
  if (value.kind === 'exact' && (reading.parameter === 'temperature' || reading.parameter === 'salinity'))
    return showQuantity(reading.parameter, value.value, units);
  return `${readingText(value)}${kit ? `, by ${kit.name}` : ''}`;
}
