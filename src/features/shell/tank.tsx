import { useLocalSearchParams } from 'expo-router';
import type { ReactNode } from 'react';
import type { Tank } from '../../../core/document';
import { daysBetween } from '../../../core/time';
import type { WordsContext } from '../../../core/words';
import type { UnitPreferences } from '../../../core/units';
import { localDay, selectLastTank, selectSettings, shortDay, useAppSelector, weekdayHour } from '../../store';
import { Empty, Go, Screen } from '../../ui';

export const tankAgeDays = (startDay: string, nowMs: number): number =>
  daysBetween(startDay, localDay(nowMs));

/** A route parameter as one string; an absent or repeated one is empty. */
export function useParam(name: string): string {
  const value = useLocalSearchParams()[name];
  return typeof value === 'string' ? value : '';
}

/** Shows its children for the tank in the address, at "/" for the one last looked at, or says that there is none. */
export function WithTank({ children }: { children: (tank: Tank) => ReactNode }) {
  const inPath = useParam('tankId');
  const last = useAppSelector(selectLastTank);
  const named = useAppSelector((s) =>
    Object.hasOwn(s.document.entities.tanks, inPath) ? s.document.entities.tanks[inPath] : undefined,
  );
  const tank = inPath === '' ? last : named;
  if (!tank) return <NotHere what="tank" />;
  return <>{children(tank)}</>;
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
        <Go href="/tanks">To your tanks</Go>
      </Empty>
    </Screen>
  );
}

/** What sentences need to know of the person. */
export function useWords(): WordsContext {
  const units = useAppSelector(selectSettings).units;
  return { units, day: shortDay, hour: weekdayHour };
}

export const useUnits = (): UnitPreferences => useAppSelector(selectSettings).units;
