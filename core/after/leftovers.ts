/** What scavengers and sand sifters live on: food that falls, and a bed of sand to turn over. */
import type { WaterEvidence } from '../evidence';
import { speciesOf, type Species } from '../species';
import { EXCRETED_SHARE, loadAt } from '../stocking/load';
import { AFTER } from './limits';

export interface Leftovers {
  /** Nitrogen in the food that scavengers want, and in what falls, mg N a day. */
  wantedMgN: number;
  fallsMgN: number;
  /** Sand that sifters want and sand there is, cm²; null where the sides of the glass are not said. */
  sandWantedCm2: number;
  sandCm2: number | null;
}

/** Of a kind so many. */
export interface SoMany {
  species: Species;
  count: number;
}

/** Scavengers by what they excrete, which is a share of what they eat; the load of the others says what is fed, and a share of that falls.
 *  Check by hand: one nassarius makes 0.2 mg N a day and eats 0.2 / 0.575 = 0.35; animals that make 10 are fed 17.4, of which 2.6 falls. */
export function leftoversOf(e: WaterEvidence): Leftovers {
  const home = e.residents.map(({ speciesId, count }) => ({ species: speciesOf(e, speciesId), count }));
  const others = (['scavenges', 'sifts', 'grazes'] as const).reduce(
    (sum, work) => sum + madeBy(home, work),
    0,
  );
  const fed = Math.max(0, loadAt(e, e.nowMs) - others);
  const { size } = e.water;
  return {
    wantedMgN: scavengersWantMgN(home),
    fallsMgN: (fed / EXCRETED_SHARE) * AFTER.fallsShare,
    sandWantedCm2: siftersWantCm2(home),
    sandCm2: size.kind === 'volume' ? null : size.lengthCm * size.widthCm * AFTER.openSandShare,
  };
}

/** Nitrogen in the food that the scavengers among them want, mg N a day. */
export const scavengersWantMgN = (animals: readonly SoMany[]): number =>
  madeBy(animals, 'scavenges') / EXCRETED_SHARE;

/** Open sand that the sifters among them want, cm². */
export const siftersWantCm2 = (animals: readonly SoMany[]): number =>
  animals.reduce(
    (sum, { species, count }) =>
      species.work === 'sifts' ? sum + count * species.adultCm * AFTER.sandCm2PerCm : sum,
    0,
  );

/** What those of one work excrete, mg N a day. */
const madeBy = (animals: readonly SoMany[], work: NonNullable<Species['work']>): number =>
  animals.reduce(
    (sum, { species, count }) =>
      species.work === work && species.load.kind === 'fixed' ? sum + count * species.load.mgNPerDay : sum,
    0,
  );
