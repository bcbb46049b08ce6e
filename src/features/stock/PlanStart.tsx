/** Before there is a date for anybody: the start of the tank, and what was bought by no log. */
import type { Href } from 'expo-router';
import type { Animal, Display, Quarantine } from '../../../core/document';
import { unfedFilter } from '../../../core/readiness';
import { sentence } from '../../../core/words';
import { unfedText, type PlanSaying } from '../../../core/words/plan';
import { localDay, selectAssessment, selectEvidence, useAppSelector } from '../../store';
import { Go, Txt } from '../../ui';
import { useWords } from '../shell';
import type { QuietForecast } from '../shell/quietForecast';

/** @param forStart the start has to be dated first */
export function Planning({ forStart }: { forStart: boolean }) {
  return (
    <>
      <Txt kind="title" heading={1} live>
        Planning
      </Txt>
      {forStart ? <Txt tone="second">When the start is over is worked out first.</Txt> : null}
    </>
  );
}

/** Why nobody has a date: the start has none. */
export function NoStart({ water, start }: { water: Display; start: QuietForecast }) {
  return (
    <>
      <Txt tone="nitrite">
        {start.kind === 'said'
          ? 'The forecast sees no day on which the start is over: nobody has a date before it.'
          : 'The log does not say yet when the start is over: nobody has a date before it.'}
      </Txt>
      <Go href={`/water/${water.id}/cycle/forecast` as Href}>What the forecast says</Go>
    </>
  );
}

/** The start is over on a likely day only: who is bought before it may wait. @param late the cautious day; null where none can be said */
export function LikelyStart({ day, late, saying }: { day: string; late: string | null; saying: PlanSaying }) {
  const cautiously =
    late === day ? '' : late === null ? ', perhaps much later' : `, cautiously on ${saying.day(late)}`;
  return (
    <Txt tone="nitrite">
      {`The start is likely over on ${saying.day(day)}${cautiously}. Whoever is bought before it is over may have to stay in quarantine longer.`}
    </Txt>
  );
}

/** The first come after the filter, with nobody to live on, has starved for too long. @param first their day */
export function Starving({
  water,
  first,
  now,
  saying,
}: {
  water: Display;
  first: string;
  now: number;
  saying: PlanSaying;
}) {
  const evidence = useAppSelector((s) => selectEvidence(s, water.id, now));
  const { gates } = useAppSelector((s) => selectAssessment(s, water.id, now));
  const unfed = unfedFilter(evidence, gates);
  if (!unfed || first < localDay(unfed.holdsUntilMs)) return null;
  const by = unfed.dueMs > now ? localDay(unfed.dueMs) : null;
  return <Txt tone="nitrite">{unfedText(first, by, unfed.fadesMs !== null, saying)}</Txt>;
}

/** Days of purchase that were set and have passed: nothing in the log says that anybody was bought. */
export function Missed({ animals, saying }: { animals: readonly Animal[]; saying: PlanSaying }) {
  return animals.map((a) => (
    <Txt key={a.id} tone="nitrite">
      {`${saying.nameOf(a.id)} was to be bought on ${saying.day(a.wish?.held?.buyDay ?? '')}, and the log holds no purchase. ` +
        'Note it under Stock, or choose a new day; it is planned as if no day were set.'}
    </Txt>
  ));
}

/** What is wrong with the water of a quarantine, or not known of an empty one: whoever is bought for it would go into that. */
export function QuarantineFirst({ water, now }: { water: Quarantine; now: number }) {
  const words = useWords();
  const { living, fish } = useAppSelector((s) => selectAssessment(s, water.id, now));
  if (!living && fish.word !== 'go')
    return <Txt tone="nitrite">{`${water.name}: ${sentence(fish.reason, words)}`}</Txt>;
  if (living?.word !== 'actNow') return null;
  return (
    <Txt tone="ammonia">
      {`${water.name}: ${sentence(living.reason, words)} Nobody is bought for it before its water is right.`}
    </Txt>
  );
}

/** A display that stands without fish after an outbreak, or should. @param until the day before which none comes; null while some are in */
export function Fallow({ until, saying }: { until: string | null; saying: PlanSaying }) {
  return (
    <Txt tone="ammonia">
      {until === null
        ? 'An outbreak is logged, and fish are still in the display: none is planned before all are out and the days without fish are over.'
        : `After the outbreak that is logged the display stands without fish until ${saying.day(until)}: none is planned before.`}
    </Txt>
  );
}
