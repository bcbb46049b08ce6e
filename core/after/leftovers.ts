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

/** Scavengers by what they excrete, which is a share of what they eat; the load of the others says what is fed, and a share of that falls.
 *  Check by hand: one nassarius makes 0.2 mg N a day and eats 0.2 / 0.575 = 0.35; animals that make 10 are fed 17.4, of which 2.6 falls.
 *  @param joined by whom those at home would be joined */
export function leftoversOf(e: WaterEvidence, joined: readonly Joining[] = []): Leftovers {
  const home = e.residents.map(({ speciesId, count }) => ({ species: speciesOf(e, speciesId), count }));
  const all = [...home, ...joined];
  const scavengers = madeBy(all, 'scavenges');
  const others = (['scavenges', 'sifts', 'grazes'] as const).reduce(
    (sum, work) => sum + madeBy(home, work),
    0,
  );
  const fed = Math.max(0, loadAt(e, e.nowMs) - others);
  const sandWantedCm2 = all.reduce(
    (sum, { species, count }) =>
      species.work === 'sifts' ? sum + count * species.adultCm * AFTER.sandCm2PerCm : sum,
    0,
  );
  const { size } = e.water;
  return {
    wantedMgN: scavengers / EXCRETED_SHARE,
    fallsMgN: (fed / EXCRETED_SHARE) * AFTER.fallsShare,
    sandWantedCm2,
    sandCm2: size.kind === 'volume' ? null : size.lengthCm * size.widthCm * AFTER.openSandShare,
  };
}

/** Of a kind so many. */
interface Joining {
  species: Species;
  count: number;
}

/** What those of one work excrete, mg N a day. */
const madeBy = (animals: readonly Joining[], work: NonNullable<Species['work']>): number =>
  animals.reduce(
    (sum, { species, count }) =>
      species.work === work && species.load.kind === 'fixed' ? sum + count * species.load.mgNPerDay : sum,
    0,
  );
