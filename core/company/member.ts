/** Who is to live together, and where: what the rules of company are asked about. */
import { crewPlan, leftoversOf } from '../after';
import { aimOf, isIn, placeOf, type Animal, type Display, type Document, type Water } from '../document';
import { lastOf, trusted, type WaterEvidence } from '../evidence';
import { remembered } from '../remembered';
import { speciesOf, type Species, type WithKinds } from '../species';
import { provedCapacity } from '../stocking';
import { daysBetween } from '../time';
import { glassOf, type Glass } from '../volume';

export interface Member {
  id: string;
  species: Species;
  count: number;
  /** In the display, bought and on its way in, or only wished for. */
  stage: 'here' | 'coming' | 'wish';
}

export interface Tank extends Glass {
  hasLid: boolean;
  /** Null where it is not said. */
  sandKg: number | null;
  rockKg: number | null;
  /** Since it was first filled; null where nobody says. */
  ageDays: number | null;
  /** Newest trusted temperature, else the middle of the aim. */
  tempC: number | null;
  /** What the filter carries near zero, mg N a day; null where nothing is proved. */
  carriesMgN: number | null;
  /** What cleaners find to live on; null where nothing was looked at. */
  food: Food | null;
}

/** What there is for cleaners: film, what falls past the fish, open sand. */
export interface Food {
  /** Grazers of snail size that find enough at once; none where no film stands, or too little for those at home. */
  grazersAtOnce: number;
  fallsMgN: number;
  /** Null where the sides of the glass are not said. */
  sandCm2: number | null;
}

/** A tank by what is written of it, not by what was read in it. */
export const standingTank = (water: Water, today: string): Tank => ({
  ...glassOf(water),
  hasLid: water.hasLid,
  sandKg: water.sandKg,
  rockKg: water.rockKg,
  ageDays: water.startDay === null ? null : daysBetween(water.startDay, today),
  tempC: null,
  carriesMgN: null,
  food: null,
});

/** @param dayOfMs calendar day of a moment where the person is */
export function tankOf(e: WaterEvidence, dayOfMs: (ms: number) => string): Tank {
  const read = lastOf(trusted(e.series.temperature));
  const aim = aimOf(e.targets, 'temperature');
  return {
    ...standingTank(e.water, dayOfMs(e.nowMs)),
    tempC: read?.interval.mid ?? (aim ? (aim.low + aim.high) / 2 : null),
    carriesMgN: provedCapacity(e)?.nearZeroNowMgN ?? null,
    food: foodOf(e),
  };
}

const foodOf = remembered((e: WaterEvidence): Food => {
  const { next, portion } = crewPlan(e, true);
  const { fallsMgN, sandCm2 } = leftoversOf(e);
  const filmFeeds = next !== 'enough' && next !== 'starving';
  return { grazersAtOnce: filmFeeds ? portion : 0, fallsMgN, sandCm2 };
});

/** Everybody whose home a display is or will be, and whoever else is in it. */
export const membersOf = (doc: Document, display: Pick<Display, 'id'>): Member[] =>
  Object.values(doc.animals)
    .filter((a) => isIn(a, display.id) || (a.homeId === display.id && placeOf(a).kind !== 'gone'))
    .sort((a, b) => (a.id < b.id ? -1 : 1))
    .map((a) => memberOf(doc, a, display.id));

function memberOf(kinds: WithKinds, a: Animal, displayId: string): Member {
  const stage = isIn(a, displayId) ? 'here' : placeOf(a).kind === 'wish' ? 'wish' : 'coming';
  return { id: a.id, species: speciesOf(kinds, a.speciesId), count: a.count, stage };
}
