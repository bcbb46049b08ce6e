/** A kind the list does not hold: what the person knows of it, the rest taken from its nearest relative there. */
import type { Species } from './schema';

/** What can be said of an own kind; what is left out is the relative's. */
export interface OwnFields {
  scientific?: string | undefined;
  adultCm: number;
  arrivalCm?: number | undefined;
  minTankL?: number | undefined;
  minTankCm?: number | undefined;
  temperament?: Species['temperament'] | undefined;
  reefSafe?: Species['reefSafe'] | undefined;
  jumps?: boolean | undefined;
  maxPerTank?: number | undefined;
  minTankAgeDays?: number | undefined;
}

export interface OwnSpecies extends OwnFields {
  id: string;
  common: string;
  /** Nearest relative in the list. */
  likeId: string;
}

/** Whoever knows the person's own kinds: the document, the evidence of a water. */
export interface WithKinds {
  readonly species: Readonly<Record<string, OwnSpecies>>;
}

export const NO_OWN_KINDS: WithKinds = { species: {} };

const ASSUMED = [
  'scientific',
  'arrivalCm',
  'minTankL',
  'minTankCm',
  'temperament',
  'reefSafe',
  'jumps',
  'maxPerTank',
  'minTankAgeDays',
] as const satisfies readonly (keyof OwnFields)[];
export type AssumedField = (typeof ASSUMED)[number];

/** What of an own kind was not said, and is its relative's. */
export const assumedOf = (own: OwnSpecies): AssumedField[] => ASSUMED.filter((f) => own[f] === undefined);

/** Of its relative’s genus, and compared with it: it is not that species. */
const near = (scientific: string): string => scientific.replace(' ', ' cf. ');

/** Of two fish of our list the one twice as long wants about 2.4 times the water: over its 72 fish volume goes with length to the power of
 *  1.28. */
const ROOM_POWER = 1.28;

/** An own kind as one of the list. What is not said of room, of the length it is bought at and of what it makes grows with its adult size,
 *  and is never below its relative's: when in doubt, the careful figure. */
export function resolved(own: OwnSpecies, like: Species): Species {
  const longer = Math.max(1, own.adultCm / like.adultCm);
  const said = Object.fromEntries(ASSUMED.flatMap((f) => (own[f] === undefined ? [] : [[f, own[f]]])));
  return {
    ...like,
    scientific: near(like.scientific),
    arrivalCm: Math.min(like.arrivalCm * Math.sqrt(longer), own.adultCm),
    minTankL: like.minTankL * longer ** ROOM_POWER,
    minTankCm: like.minTankCm * longer,
    // Of a fish it follows from its length.
    ...(like.load.kind === 'fixed'
      ? { load: { ...like.load, mgNPerDay: like.load.mgNPerDay * longer } }
      : {}),
    ...said,
    id: own.id,
    common: own.common,
    adultCm: own.adultCm,
    doubt: 'high',
  };
}
