/** A display without fish after an outbreak: most parasites of fish die out where they find none for long enough. 76 days from the last fish out at
 *  24 to 26 C; fewer only where it is 27 C or more all the time, and for a reason that is kept (science notes 8). */
import {
  isIn,
  livingIn,
  readingInterval,
  waterOf,
  type Animal,
  type Display,
  type Document,
  type Quarantine,
} from '../document';
import { speciesOf } from '../species';
import { addDays, compared, DAY_MS, daysBetween } from '../time';
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
  /** Fewer days were chosen: they hold only while the log shows it warm. */
  shorter: { days: number; why: string; warm: boolean } | null;
}

/** The fallow time of a display; null where no outbreak was logged, or it is long over. @param dayOfMs calendar day of a moment where the person is */
export function fallowOf(
  doc: Document,
  display: Display,
  nowMs: number,
  dayOfMs: (ms: number) => string,
): Fallow | null {
  const outbreaks = outbreaksOf(doc, display.id, nowMs);
  const latest = outbreaks[outbreaks.length - 1];
  if (!latest) return null;
  const fish = Object.values(doc.animals).filter((a) => speciesOf(doc, a.speciesId).group === 'fish');
  const fishIn = fish.filter((a) => isIn(a, display.id));
  const { fallow: chosen } = latest;
  const whole = QUARANTINE.fallowDays;
  if (fishIn.length > 0)
    return {
      fishIn,
      sinceDay: null,
      day: 0,
      of: whole,
      overDay: null,
      over: false,
      shorter: chosen ? { ...chosen, warm: false } : null,
    };
  const left = fish.flatMap((a) =>
    a.moves.flatMap((m, i) =>
      waterOf(a.moves[i - 1]?.to) === display.id && waterOf(m.to) !== display.id ? [Date.parse(m.at)] : [],
    ),
  );
  const sinceMs = Math.max(Date.parse(latest.at), ...left);
  const sinceDay = dayOfMs(sinceMs);
  const shorter = chosen
    ? {
        ...chosen,
        warm: stayedWarm(doc, display.id, sinceMs, Math.min(nowMs, sinceMs + chosen.days * DAY_MS)),
      }
    : null;
  const of = shorter?.warm ? shorter.days : whole;
  const overDay = addDays(sinceDay, of);
  const today = dayOfMs(nowMs);
  const over = today >= overDay;
  if (over && daysBetween(overDay, today) > QUARANTINE.fallowToldDays) return null;
  return { fishIn, sinceDay, day: daysBetween(sinceDay, today), of, overDay, over, shorter };
}

/** The fallow time of the display that fish in a quarantine come from, or are meant for, while it lasts; of several the longest. Null for other lines. */
export function homeFallowOf(
  doc: Document,
  quarantine: Quarantine,
  nowMs: number,
  dayOfMs: (ms: number) => string,
): Fallow | null {
  if (quarantine.line !== 'fish') return null;
  const homes = new Set(livingIn(doc, quarantine.id).map((a) => a.homeId));
  const lying = [...homes].flatMap((id) => {
    const home = doc.waters[id];
    const fallow = home?.kind === 'display' ? fallowOf(doc, home, nowMs, dayOfMs) : null;
    return fallow && !fallow.over ? [fallow] : [];
  });
  return lying.sort((a, b) => compared(b.overDay ?? '9999', a.overDay ?? '9999'))[0] ?? null;
}

/** The outbreaks logged in a display up to a moment, oldest first. */
export const outbreaksOf = (doc: Document, waterId: string, nowMs: number) =>
  Object.values(doc.events)
    .flatMap((e) =>
      e.waterId === waterId && e.kind === 'incident' && e.what === 'outbreak' && Date.parse(e.at) <= nowMs
        ? [e]
        : [],
    )
    .sort((a, b) => compared(a.at, b.at));

/** Every temperature read in a span was warm enough, and none of its weeks went without one. */
function stayedWarm(doc: Document, waterId: string, fromMs: number, untilMs: number): boolean {
  const read = Object.values(doc.samples).flatMap((sample) => {
    const atMs = Date.parse(sample.at);
    if (sample.waterId !== waterId || atMs < fromMs || atMs > untilMs) return [];
    return sample.readings.flatMap((r) => {
      const kit = doc.kits[r.kitId];
      return r.parameter === 'temperature' && kit && !r.doubted
        ? [{ atMs, tempC: readingInterval(r.value, kit).mid }]
        : [];
    });
  });
  const times = [fromMs, ...read.map((r) => r.atMs).sort((a, b) => a - b), untilMs];
  const gap = Math.max(...times.slice(1).map((t, i) => t - (times[i] as number)));
  return read.every((r) => r.tempC >= QUARANTINE.fallowWarmC) && gap <= QUARANTINE.fallowTestedDays * DAY_MS;
}
