/** What a water uses a day by its own log: the readings, with changes and doses taken out by the real profile of what went in. */
import type { Document, Dosed, Mix, WaterEvent } from '../document';
import { movesOf, USUAL_IN_NEW_WATER } from '../dosing';
import { trusted, type WaterEvidence } from '../evidence';
import { DAY_MS } from '../time';
import { fromMgNPerL } from '../units';
import { SUPPLY } from './limits';
import { uptake, type Move, type Uptake } from './uptake';

export const SUPPLIED = ['alkalinity', 'calcium', 'magnesium', 'nitrate', 'phosphate'] as const;
export type Supplied = (typeof SUPPLIED)[number];

/** The salt a water is kept with; null where none was said. */
export function mixOf(doc: Pick<Document, 'mixes' | 'waters'>, waterId: string): Mix | null {
  const water = doc.waters[waterId];
  const id = water?.kind === 'display' ? water.mixId : undefined;
  return (id !== undefined && doc.mixes[id]) || null;
}

/** Of what new water holds when nothing was noted with a change. Nutrients: none. */
export const usualIn = (mix: Mix | null, what: Supplied): number =>
  what === 'nitrate' || what === 'phosphate' ? 0 : (mix?.[what] ?? USUAL_IN_NEW_WATER[what]);

function moves(events: readonly WaterEvent[], what: Supplied, netL: number, mix: Mix | null): Move[] {
  if (what === 'nitrate' || what === 'phosphate')
    return events.flatMap((e): Move[] =>
      e.kind === 'waterChange'
        ? [{ atMs: Date.parse(e.at), keep: 1 - Math.min(1, e.litres / netL), incoming: 0 }]
        : [],
    );
  const usual = usualIn(mix, what);
  // A mix that was measured is known better than one off its bag.
  const sd = usual * SUPPLY.profileSd * (mix?.from === 'measured' ? 0.5 : 1);
  return movesOf(events, what as Dosed, netL, usual).map((m) => ('rise' in m ? m : { ...m, incomingSd: sd }));
}

/** Use a day over the last days, nitrate as NO3. Null where the log says too little. */
export function usedADay(e: WaterEvidence, what: Supplied, mix: Mix | null, lastDays = 30): Uptake | null {
  const from = e.nowMs - lastDays * DAY_MS;
  const points = trusted(e.series[what])
    .filter((p) => p.atMs >= from && Number.isFinite(p.interval.high))
    .map((p) => ({
      atMs: p.atMs,
      value: what === 'nitrate' ? fromMgNPerL('nitrate', 'ion', p.interval.mid) : p.interval.mid,
    }));
  return uptake(points, moves(e.events, what, e.netL, mix));
}
