/** The log of a tank as one list. */
import type { Sample, WaterEvent } from '../../../core/document';
import { remembered } from '../../../core/remembered';

export type Entry =
  { kind: 'sample'; at: string; sample: Sample } | { kind: 'event'; at: string; event: WaterEvent };

const byNewest = (a: Entry, b: Entry): number => (a.at < b.at ? 1 : a.at > b.at ? -1 : 0);
const perTank = <T extends { waterId: string }>(entry: (e: T) => Entry) =>
  remembered((list: Record<string, T>) => {
    const sorted = new Map<string, readonly Entry[]>();
    return (waterId: string): readonly Entry[] => {
      let mine = sorted.get(waterId);
      if (!mine)
        sorted.set(
          waterId,
          (mine = Object.values(list)
            .filter((e) => e.waterId === waterId)
            .map(entry)
            .sort(byNewest)),
        );
      return mine;
    };
  });
const samplesBy = perTank((sample: Sample): Entry => ({ kind: 'sample', at: sample.at, sample }));
const eventsBy = perTank((event: WaterEvent): Entry => ({ kind: 'event', at: event.at, event }));

/** Samples and events of a tank, newest first. Each collection is sorted once as long as it stands; here the two are merged. */
export function entriesOf(
  samples: Record<string, Sample>,
  events: Record<string, WaterEvent>,
  waterId: string,
): Entry[] {
  const [a, b] = [samplesBy(samples)(waterId), eventsBy(events)(waterId)];
  const out: Entry[] = [];
  let j = 0;
  for (const sample of a) {
    for (let event = b[j]; event && event.at > sample.at; event = b[++j]) out.push(event);
    out.push(sample);
  }
  return out.concat(b.slice(j));
}
