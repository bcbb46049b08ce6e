/** What speaks against a place, in words. */
import type { Misplaced } from '../placement';
import { showQuantity, type UnitPreferences } from '../units';

const BY_WORDS = {
  measured: 'measured near it',
  between: 'reckoned between measured points',
  guess: 'reckoned from the surface',
} as const;

/** @param nameOf an animal by its id */
export function misplacedText(m: Misplaced, nameOf: (id: string) => string, units: UnitPreferences): string {
  const length = (cm: number) => showQuantity('length', Math.max(0, cm), units, 0);
  const name = nameOf(m.id);
  switch (m.code) {
    case 'outside':
      return `${name} would stand outside the glass.`;
    case 'tooBright':
      return `${name} gets ${m.light.par.toFixed(0)} PAR, ${BY_WORDS[m.light.by]}; up to ${m.high} suits it. Lower, or dimmer and then slowly up.`;
    case 'tooDim':
      return `${name} gets ${m.light.par.toFixed(0)} PAR, ${BY_WORDS[m.light.by]}; it wants ${m.low} or more. Higher, in steps over weeks.`;
    case 'wrongFlow':
      return `${name} stands in ${m.flow} flow and wants ${m.wants}.`;
    case 'stings':
      return `${name} stings ${nameOf(m.other)}: grown up there are ${length(m.gapCm)} between them, and it reaches ${length(m.reachCm)}.`;
    case 'growsInto':
      return `${name} and ${nameOf(m.other)} grow into each other.`;
    case 'shades':
      return `${name} stands over ${nameOf(m.other)} and takes its light when grown up.`;
    case 'inRock':
      return `${name} would stand in the rock, or under it without light: put it on top or before it.`;
    case 'onSand':
      return `${name} belongs on rock: on the sand it is buried or toppled.`;
  }
}
