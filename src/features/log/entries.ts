/** The log of a water as one list: samples, events, the ways of its animals and the looks into it. */
import {
  MAX_NOTE,
  type Animal,
  type Document,
  type Look,
  type Sample,
  type WaterEvent,
} from '../../../core/document';
import { remembered } from '../../../core/remembered';
import { compared } from '../../../core/time';

export type Entry =
  | { kind: 'sample'; at: string; sample: Sample }
  | { kind: 'event'; at: string; event: WaterEvent }
  | { kind: 'move'; at: string; animal: Animal; move: number }
  /** Known to the day. */
  | { kind: 'look'; at: string; look: Look };

/** What tells an entry from all others. */
export const keyOf = (e: Entry): string =>
  e.kind === 'sample'
    ? e.sample.id
    : e.kind === 'event'
      ? e.event.id
      : e.kind === 'look'
        ? `look ${e.look.id}`
        : `move ${e.animal.id} ${e.move}`;

const byNewest = (a: Entry, b: Entry): number => compared(b.at, a.at);
/** Entries of a collection by water, sorted once as long as the collection stands. */
const perWater = <T>(entries: (e: T, waterId: string) => Entry[]) =>
  remembered((list: Record<string, T>) => {
    const sorted = new Map<string, readonly Entry[]>();
    return (waterId: string): readonly Entry[] => {
      let mine = sorted.get(waterId);
      if (!mine)
        sorted.set(
          waterId,
          (mine = Object.values(list)
            .flatMap((e) => entries(e, waterId))
            .sort(byNewest)),
        );
      return mine;
    };
  });
const samplesBy = perWater((sample: Sample, id): Entry[] =>
  sample.waterId === id ? [{ kind: 'sample', at: sample.at, sample }] : [],
);
const eventsBy = perWater((event: WaterEvent, id): Entry[] =>
  event.waterId === id ? [{ kind: 'event', at: event.at, event }] : [],
);
const movesBy = perWater((animal: Animal, id): Entry[] => {
  const itsWay =
    animal.homeId === id || animal.moves.some((m) => m.to.kind === 'water' && m.to.waterId === id);
  return itsWay ? animal.moves.map((m, move): Entry => ({ kind: 'move', at: m.at, animal, move })) : [];
});
const looksBy = perWater((look: Look, id): Entry[] =>
  look.waterId === id ? [{ kind: 'look', at: `${look.day}T12:00:00.000Z`, look }] : [],
);

/** Everything logged of a water, newest first. Each collection is sorted once as long as it stands; here they are merged. */
export const entriesOf = (
  doc: Pick<Document, 'samples' | 'events' | 'animals' | 'looks'>,
  waterId: string,
): Entry[] =>
  [eventsBy(doc.events)(waterId), movesBy(doc.animals)(waterId), looksBy(doc.looks)(waterId)].reduce<Entry[]>(
    merged,
    [...samplesBy(doc.samples)(waterId)],
  );

/** Two lists, newest first, as one. */
function merged(a: readonly Entry[], b: readonly Entry[]): Entry[] {
  const out: Entry[] = [];
  let j = 0;
  for (const entry of a) {
    for (let other = b[j]; other && other.at > entry.at; other = b[++j]) out.push(other);
    out.push(entry);
  }
  return out.concat(b.slice(j));
}

/** So many earlier forms are kept. */
const KEPT = 20;

/** What an entry said before it is corrected, added to what it said before that. @param said in words, as it was shown */
export const corrected = (
  before: Pick<Sample, 'corrections'>,
  said: string,
  untilIso: string,
): NonNullable<Sample['corrections']> =>
  [...(before.corrections ?? []), { until: untilIso, said: said.slice(0, MAX_NOTE) }].slice(-KEPT);
