/** What speaks against a place, in words. */
import type { Board, Light, Misplaced } from '../placement';
import type { Species } from '../species';
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
      return `${name} ${stings(m, nameOf(m.other))}: ${gapWords(m.gapCm, length)}, and ${reachWords(m, length)}.`;
    case 'growsInto':
      return `${name} and ${nameOf(m.other)} grow into each other.`;
    case 'shades':
      return `${name} stands over ${nameOf(m.other)} and takes its light when grown up.`;
    case 'inRock':
      return `${name} would stand in the rock, or under it without light: put it on top or before it.`;
    case 'onSand':
      return `${name} belongs on rock: on the sand it is buried or toppled.`;
    case 'hangs':
      return `${name} hangs in open water: the nearest rock that is drawn is ${length(m.rockCm)} away. Put it on rock, or draw what carries it.`;
  }
}

const stings = (m: Misplaced & { code: 'stings' }, other: string): string =>
  m.back ? `and ${other} sting each other` : `stings ${other}`;

const reachWords = (
  { back, reachCm }: Misplaced & { code: 'stings' },
  length: (cm: number) => string,
): string => `${back ? 'the further reaches' : 'it reaches'} ${length(reachCm)} beyond its edge`;

const gapWords = (gapCm: number, length: (cm: number) => string): string =>
  gapCm > 0 ? `grown up there are ${length(gapCm)} between them` : 'grown up they touch';

/** What a coral gets at a place beside what it wants. */
export function placeFacts(
  light: Light | null,
  flow: string | null,
  wants: NonNullable<Species['coral']>,
): { light: string; flow: string } {
  const [low, high] = wants.light;
  return {
    light: `${light ? `${light.par.toFixed(0)} PAR, ${BY_WORDS[light.by]}` : 'not known'}; ${low} to ${high} suits it`,
    flow: `${flow ?? 'not known'}; ${wants.flow} suits it`,
  };
}

/** What the places were judged without; null where light was measured and flow said. */
export function notKnown(board: Board): string | null {
  const light =
    board.par.length > 0
      ? null
      : board.surfacePar === null
        ? 'No light is said, so no place is judged by it: measure it, or say what the fixture is meant to give.'
        : 'Light is only reckoned from the surface: measure it before a coral that wants much.';
  const flow = board.flow.length > 0 ? null : 'No flow is said, so no place is judged by it.';
  return light === null && flow === null ? null : [light, flow].filter((text) => text !== null).join(' ');
}
