/** A bare quarantine against the person's absences, wherever one is opened or filled. */
import { absencesAhead, leftAlone, type Absence } from '../../../core/arrivals';
import type { Quarantine } from '../../../core/document';
import { DAY_MS } from '../../../core/time';
import { dayAndHour, selectDocument, useAppSelector } from '../../store';
import { Txt } from '../../ui';

/** Absences so many days ahead are told, days. */
export const AHEAD_DAYS = 60;

const span = (a: Absence): string => `Away from ${dayAndHour(a.fromMs)} to ${dayAndHour(a.untilMs)}`;

export const aloneWords = (name: string, away: Absence & { days: number }, everyDays: number): string =>
  [
    `${span(away)}: ${away.days.toFixed(1)} days,`,
    `and ${name} may go ${everyDays === 1 ? 'a day' : `${everyDays} days`} without a change.`,
    'Somebody must make it, or the animals go elsewhere before.',
  ].join(' ');

/** Said before animals go into a bare tank: within its clock nobody is there for a day or more. */
export function BareAbsence({ water, now }: { water: Quarantine; now: number }) {
  const doc = useAppSelector(selectDocument);
  if (water.filter !== 'uncycled') return null;
  const alone = leftAlone(absencesAhead(doc, now, now + water.clockDays * DAY_MS), 1);
  return alone ? (
    <Txt tone="ammonia">
      {[
        `${span(alone)}, within its ${water.clockDays} days: a bare quarantine is not left alone.`,
        'Begin after it, bring cycled media, or have somebody change its water.',
      ].join(' ')}
    </Txt>
  ) : null;
}
