/** What the grazers of a tank eat, by size and not by head: grazing goes with mass to the power 3/4 (Kleiber), and mass with length cubed.
 *  The strip test: dried seaweed they would finish in half a day if nothing else fed them. */
import type { STRIP_LEFT } from '../document';
import { lastOf, type WaterEvidence } from '../evidence';
import { speciesOf, type Species } from '../species';
import { dailyLoadMgN, fishMassG } from '../stocking/load';
import { DAY_MS } from '../time';
import { AFTER } from './limits';

type StripLeft = (typeof STRIP_LEFT)[number];

export interface Grazing {
  /** All grazers as snails of 4 cm. */
  snails: number;
  /** A strip for half a day, cm². */
  stripCm2: number;
  /** What was left of the last strip of a week. */
  last: { atMs: number; left: StripLeft } | null;
}

/** One grazer as snails of 4 cm. Check by hand: 2.5 cm -> 0.625^2.25 = 0.347; a fish by its ration, 7 cm² of seaweed for each snail. */
export function asSnails(species: Species): number {
  if (species.load.kind === 'fish')
    return species.diet[0] === 'algae' && dailyLoadMgN(species, species.arrivalCm) > 0
      ? (fishMassG(species.load.massA, species.arrivalCm) * species.load.rationPercent) /
          100 /
          AFTER.seaweedGPerCm2 /
          AFTER.snailStripCm2
      : 0;
  return species.work === 'grazes' ? (species.adultCm / AFTER.snailCm) ** AFTER.appetitePower : 0;
}

export function grazingOf(e: WaterEvidence): Grazing {
  const snails = e.residents.reduce((sum, a) => sum + a.count * asSnails(speciesOf(e, a.speciesId)), 0);
  const strips = e.events.flatMap((x) => {
    const atMs = Date.parse(x.at);
    return x.kind === 'seaweed' && e.nowMs - atMs <= AFTER.stripLastsDays * DAY_MS
      ? [{ atMs, left: x.left }]
      : [];
  });
  return { snails, stripCm2: (snails * AFTER.snailStripCm2) / 2, last: lastOf(strips) ?? null };
}
