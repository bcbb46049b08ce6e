/** A tank with a log, for tests of the tools: a feature may not reach into the demo. */
import type { Document } from '../document';
import { provedHistory } from '../testing/history';

export function makeDemoForTests(nowMs: number): Document {
  const { doc } = provedHistory();
  const shift = nowMs - Date.UTC(2026, 0, 31, 20);
  const moved = <T extends { at: string }>(list: Record<string, T>): Record<string, T> =>
    Object.fromEntries(
      Object.entries(list).map(([id, e]) => [
        id,
        { ...e, at: new Date(Date.parse(e.at) + shift).toISOString() },
      ]),
    );
  const water = doc.waters.t;
  if (!water) throw new Error('no tank');
  return {
    ...doc,
    samples: moved(doc.samples),
    events: moved(doc.events),
    waters: {
      t: {
        ...water,
        size: { kind: 'dimensions', lengthCm: 100, widthCm: 50, waterHeightCm: 48 },
        rockKg: 20,
        sandKg: 20,
        sumpL: 30,
      },
    },
  };
}
