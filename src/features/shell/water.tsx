import { useLocalSearchParams, type Href } from 'expo-router';
import type { ReactNode } from 'react';
import type { Display, Water } from '../../../core/document';
import { daysBetween } from '../../../core/time';
import type { WordsContext } from '../../../core/words';
import type { UnitPreferences } from '../../../core/units';
import {
  localDay,
  selectLastWater,
  selectSettings,
  shortDay,
  shortWrittenDay,
  useAppSelector,
  weekdayHour,
} from '../../store';
import { Empty, Go, Screen } from '../../ui';

/** "day 12"; empty for a water that is not filled yet, or where nobody knows. */
export const ageWords = (startDay: string | null, nowMs: number): string =>
  startDay === null ? '' : `day ${daysBetween(startDay, localDay(nowMs))}`;

/** A route parameter as one string; an absent or repeated one is empty. */
export function useParam(name: string): string {
  const value = useLocalSearchParams()[name];
  return typeof value === 'string' ? value : '';
}

/** Shows its children for the water in the address, at "/" for the one last looked at, or says that there is none. */
export function WithWater({ children }: { children: (water: Water) => ReactNode }) {
  const inPath = useParam('waterId');
  const last = useAppSelector(selectLastWater);
  const named = useAppSelector((s) =>
    Object.hasOwn(s.document.entities.waters, inPath) ? s.document.entities.waters[inPath] : undefined,
  );
  const water = inPath === '' ? last : named;
  if (!water) return <NotHere what="water" />;
  return <>{children(water)}</>;
}

/** The same for what only a display has: gates, a cycle, a stock. */
export function WithDisplay({ children }: { children: (water: Display) => ReactNode }) {
  return (
    <WithWater>
      {(water) => (water.kind === 'display' ? children(water) : <OnlyForDisplays water={water} />)}
    </WithWater>
  );
}

function OnlyForDisplays({ water }: { water: Water }) {
  return (
    <Screen title={water.name}>
      <Empty
        alone
        title="This is for a display"
        text={`${water.name} serves one: it has readings, changes and animals, and no gates of its own.`}
      >
        <Go href={`/water/${water.id}` as Href}>{`To ${water.name}`}</Go>
      </Empty>
    </Screen>
  );
}

/** For an address that leads to something gone or never there. */
export function NotHere({ what }: { what: string }) {
  return (
    <Screen title={`No such ${what}`}>
      <Empty
        alone
        title={`There is no such ${what} here`}
        text="It may have been removed, or the address belongs to another browser: what you enter stays in the browser you entered it in."
      >
        <Go href="/waters">To your waters</Go>
      </Empty>
    </Screen>
  );
}

/** What sentences need to know of the person. */
export function useWords(): WordsContext {
  const units = useAppSelector(selectSettings).units;
  return { units, day: shortDay, written: shortWrittenDay, hour: weekdayHour };
}

export const useUnits = (): UnitPreferences => useAppSelector(selectSettings).units;
