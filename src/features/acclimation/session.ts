/** What a running session is asked for again and again: who, how it stands, and the acts on it. */
import { useMemo } from 'react';
import type { Drip, DripCheck, Edit } from '../../../core/document';
import { dripPlan, floatMinutes, leastMinutes } from '../../../core/acclimation';
import { speciesOf } from '../../../core/species';
import { MINUTE_MS } from '../../../core/time';
import { animalWords } from '../../../core/words';
import {
  clockTime,
  commit,
  isoOf,
  selectDocument,
  useAppDispatch,
  useAppSelector,
  useKinds,
} from '../../store';

export const isOpenCheck = (drip: Drip, id: DripCheck): boolean => (drip.checks[id] ?? null) === null;

/** When the container was floated or taken out, minutes from the start. */
const changesOf = ({ startedAt, floats = [] }: Drip) =>
  startedAt === null
    ? []
    : floats.map((f) => ({ minutes: (Date.parse(f.at) - Date.parse(startedAt)) / MINUTE_MS, on: f.on }));

/** The container's course. In clean water it begins as warm as the tank: the closed bag floated before. */
export const useCourse = (drip: Drip) =>
  useMemo(
    () =>
      dripPlan({
        ...drip,
        bag: drip.way === 'cleanWater' ? { ...drip.bag, tempC: drip.water.tempC } : drip.bag,
        changes: changesOf(drip),
      }),
    [drip],
  );

/** When the course of the container began: with the valve, or with the move into clean water. */
export const courseFrom = (drip: Drip): number | null => {
  const at = drip.way === 'cleanWater' ? (drip.intoCleanAt ?? null) : drip.startedAt;
  return at === null ? null : Date.parse(at);
};

/** What was last measured in the container; what was read of the closed bag before is none of it. */
export const lastMeasuredIn = (drip: Drip) =>
  drip.measured?.filter((m) => Date.parse(m.at) >= (courseFrom(drip) ?? Infinity)).pop();

/** @param endMs the moment up to which it ran */
export function useSession(drip: Drip, startMs: number | null, endMs: number) {
  const dispatch = useAppDispatch();
  const animals = useAppSelector((s) => selectDocument(s).animals);
  const kinds = useKinds();
  const here = drip.animalIds.flatMap((id) => (animals[id] ? [animals[id]] : []));
  const species = here.map((a) => speciesOf(kinds, a.speciesId));
  const put = (label: string, entity: Drip, more: Edit[] = []) =>
    dispatch(commit(label, [{ put: 'drips', entity }, ...more]));
  const check = (id: DripCheck, label: string, on: boolean) =>
    put(on ? `${label} ✓` : `${label}: taken back`, {
      ...drip,
      checks: { ...drip.checks, [id]: on ? isoOf(Date.now()) : null },
    });
  return {
    who: here.map((a) => animalWords(kinds, a)).join(', '),
    species,
    least: leastMinutes(species),
    float: Math.ceil(floatMinutes(drip.bag.tempC, drip.water.tempC)),
    minutes: startMs === null ? 0 : Math.max(0, (endMs - startMs) / MINUTE_MS),
    clockAt: (m: number) => (startMs === null ? `${Math.round(m)} min` : clockTime(startMs + m * MINUTE_MS)),
    put,
    check,
  };
}
