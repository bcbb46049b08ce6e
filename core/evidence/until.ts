/** The evidence as it was when something happened: nothing later is in it. For what was passed then and is not passed again. */
import { PARAMETERS, type Parameter } from '../document';
import { inhabitants, type WaterEvidence } from './gather';
import type { Point, Series } from './points';

/** @param atMs a moment before e.nowMs */
export function evidenceUntil<E extends WaterEvidence>(e: E, atMs: number): E {
  const before = (t: { atMs: number }) => t.atMs <= atMs;
  const series = Object.fromEntries(
    PARAMETERS.map((p): [Parameter, readonly Point[]] => [p, e.series[p].filter(before)]),
  ) as unknown as Series;
  const joined = e.joined.filter(before).map(({ atMs: joinedMs, animal }) => ({
    atMs: joinedMs,
    animal: { ...animal, moves: animal.moves.filter((m) => Date.parse(m.at) <= atMs) },
  }));
  return {
    ...e,
    nowMs: atMs,
    series,
    doses: e.doses.filter(before),
    changes: e.changes.filter(before),
    events: e.events.filter((x) => Date.parse(x.at) <= atMs),
    ...inhabitants(e.water, joined, atMs),
    emptied: e.emptied && e.emptied.atMs <= atMs ? e.emptied : null,
  };
}
