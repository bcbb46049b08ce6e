import type { Course } from '../../../core/forecast';
import { inUnits } from '../../../core/words';
import { COURSE_NAMES, courseCost, dateWords, plannedWords, planWords } from '../../../core/words/forecast';
import { shortDay } from '../../store';
import { Section, Table, Txt } from '../../ui';
import { useWords } from '../shell';
import type { Ok } from './ok';

/** What else could be done: when the proof would pass then, and what it costs. Comes by itself, while nobody waits. */
export function Courses({
  answer: a,
  courses,
  litres,
  animalsIn,
}: {
  answer: Ok;
  courses: Course[];
  litres: number;
  animalsIn: boolean;
}) {
  const { units } = useWords();
  const when = (q: Parameters<typeof dateWords>[0]) => dateWords(q, a.atMs, a.forecast.horizonDays, shortDay);
  if (a.proved) return null;
  return (
    <Section title="Other courses">
      <Txt kind="small" tone="second">
        {`The dates above hold for what you have been doing: ${planWords(a.plan)} ${plannedWords(a.plan, units)}`}
      </Txt>
      {animalsIn ? (
        <Txt kind="small" tone="second">
          With animals in, ammonia is not dosed any more: the forecast follows what they are fed.
        </Txt>
      ) : null}
      {courses.length === 0 ? (
        <Txt kind="small" tone="second" live>
          Working through the other courses …
        </Txt>
      ) : (
        <Table
          caption="Other courses against the present one"
          columns={[
            { title: 'course, and what it costs', flex: 1.7 },
            { title: animalsIn ? 'could clear 2 mg/L' : 'proof passes', flex: 1.4 },
            { title: 'days won', flex: 1 },
          ]}
          rows={courses.map((c) => [
            `${inUnits(COURSE_NAMES[c.id], units)}. ${courseCost(c.id, c.plan, litres, units)}.`,
            when(c.ready),
            gainWords(c),
          ])}
        />
      )}
    </Section>
  );
}

/** "4 won (1 to 9)", "40 lost (13 to 65)", "no change", "12 more in 100 get there". */
function gainWords(w: Course): string {
  const more = Math.round(w.reachesMore * 100);
  const share =
    Math.abs(more) >= 5 ? `${Math.abs(more)} ${more > 0 ? 'more' : 'fewer'} in 100 get there` : '';
  const { p10, p50, p90 } = w.gain;
  if (p10 === null || p50 === null || p90 === null) return share || 'cannot compare';
  const gain =
    Math.abs(p50) < 0.5 && Math.abs(p10) < 1 && Math.abs(p90) < 1
      ? 'no change'
      : p50 < 0 && p90 <= 0
        ? `${(-p50).toFixed(0)} lost (${(-p90).toFixed(0)} to ${(-p10).toFixed(0)})`
        : `${p50.toFixed(0)} (${signed(p10)} to ${signed(p90)})`;
  return [gain, share].filter(Boolean).join(', ');
}

const signed = (days: number): string => (days < -0.5 ? `−${(-days).toFixed(0)}` : Math.abs(days).toFixed(0));
