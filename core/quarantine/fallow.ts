/** A display without fish after an outbreak: most parasites of fish die out where they find none for long enough. 76 days from the last fish out at
 *  24 to 26 C (science notes 8). */
import { isIn, waterOf, type Animal, type Display, type Document } from '../document';
import { speciesById } from '../species';
import { addDays, daysBetween } from '../time';
import { QUARANTINE } from './limits';

export interface Fallow {
  /** Fish that are still in: while any is, no day counts. */
  fishIn: Animal[];
  /** Since the day the last fish left; null while one is in. */
  sinceDay: string | null;
  /** Days so far, of how many. */
  day: number;
  of: number;
  /** The first day on which fish may come again; null while one is in. */
  overDay: string | null;
  over: boolean;
}

/** The fallow time of a display; null where no outbreak was logged, or it is long over. @param dayOfMs calendar day of a moment where the person is */
export function fallowOf(
  doc: Document,
  display: Display,
  nowMs: number,
  dayOfMs: (ms: number) => string,
): Fallow | null {
  const outbreaks = Object.values(doc.events).flatMap((e) =>
    e.waterId === display.id && e.kind === 'incident' && e.what === 'outbreak' && Date.parse(e.at) <= nowMs
      ? [Date.parse(e.at)]
      : [],
  );
  if (outbreaks.length === 0) return null;
  const fish = Object.values(doc.animals).filter((a) => speciesById(a.speciesId).group === 'fish');
  const fishIn = fish.filter((a) => isIn(a, display.id));
  const of = QUARANTINE.fallowDays;
  if (fishIn.length > 0) return { fishIn, sinceDay: null, day: 0, of, overDay: null, over: false };
  const left = fish.flatMap((a) =>
    a.moves.flatMap((m, i) =>
      waterOf(a.moves[i - 1]?.to) === display.id && waterOf(m.to) !== display.id ? [Date.parse(m.at)] : [],
    ),
  );
  const sinceDay = dayOfMs(Math.max(...outbreaks, ...left));
  const overDay = addDays(sinceDay, of);
  const today = dayOfMs(nowMs);
  const over = today >= overDay;
  if (over && daysBetween(overDay, today) > QUARANTINE.fallowToldDays) return null;
  return { fishIn, sinceDay, day: daysBetween(sinceDay, today), of, overDay, over };
}
