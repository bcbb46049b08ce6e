import { useMemo, useState, type ReactNode } from 'react';
import { View } from 'react-native';
import { PARAMETER_NAMES, type Parameter, type Water } from '../../../core/document';
import { lastOf, trusted, type WaterEvidence } from '../../../core/evidence';
import { freeCourse, type Living } from '../../../core/living';
import { FREE_AMMONIA } from '../../../core/seawater';
import { DAY_MS } from '../../../core/time';
import { isStep, sentence, stepWords, WORDS } from '../../../core/words';
import { agoWords, shortDay, stepDone, useAppDispatch, useAppSelector } from '../../store';
import { Button, Later, space, TREND_HEIGHT, Txt, useWide, type Role, styleSheet } from '../../ui';
import { StepStaff } from '../../ui/charts/StepStaff';
import { readingWords } from './model';
import { part, useUnits, useWords } from '../shell';

const TONES: Record<Living['word'], Role> = {
  steady: 'go',
  watch: 'nitrite',
  test: 'ink',
  actNow: 'ammonia',
};

/** How the water is for those who live in it: one word, one reason, one next step; in an emergency the steps in their order, and nothing
 *  above them. */
export function WaterNow({
  water,
  living,
  evidence,
}: {
  water: Water;
  living: Living;
  evidence: WaterEvidence;
}) {
  const wide = useWide();
  const words = useWords();
  const said = [sentence(living.reason, words)];
  if (!living.plan) said.push(sentence(living.opens, words));
  const also = living.also.map((f) => sentence(f.finding, words)).filter((text) => !said.includes(text));
  return (
    <>
      <Txt kind={wide ? 'wordWide' : 'word'} heading={1} tone={TONES[living.word]} style={styles.word}>
        {WORDS[living.word]}
      </Txt>
      <Txt style={styles.big}>{said.join(' ')}</Txt>
      <Trend living={living} evidence={evidence} />
      {living.plan ? <Acting water={water} living={living} nowMs={evidence.nowMs} /> : null}
      {[...new Set(also)].map((text) => (
        <Txt key={text} kind="small" tone="nitrite">
          {text}
        </Txt>
      ))}
      {living.plan ? null : <Newest evidence={evidence} />}
      <Later>
        <Causes living={living} />
      </Later>
    </>
  );
}

/** Where one stands in the steps: kept through a reload, begun anew with the next reading. */
function useSteps(water: Water, living: Living | null, nowMs: number) {
  const words = useWords();
  const dispatch = useAppDispatch();
  const kept = useAppSelector((s) => s.drafts.steps[water.id]);
  if (!living?.plan) return null;
  const { reason } = living;
  const plan = `${reason.code} ${'atMs' in reason ? reason.atMs : Math.floor(nowMs / DAY_MS)}`;
  return {
    steps: living.plan.steps.filter(isStep).map((s) => stepWords(s, words)),
    done: kept?.plan === plan ? kept.done : 0,
    tick: (done: number) => void dispatch(stepDone({ waterId: water.id, steps: { plan, done } })),
  };
}

interface Ticked {
  water: Water;
  living: Living;
  nowMs: number;
}

/** The steps in their order, what would make it worse, and the way without water at hand. */
function Acting({ water, living, nowMs }: Ticked) {
  const wide = useWide();
  const words = useWords();
  const at = useSteps(water, living, nowMs);
  const [without, setWithout] = useState(false);
  if (!at || !living.plan) return null;
  return (
    <View style={styles.acting}>
      <StepStaff steps={at.steps} done={at.done} />
      {wide ? <StepTick water={water} living={living} nowMs={nowMs} /> : null}
      {living.plan.avoid.map((s) => (
        <Txt key={s.code} kind="strong">
          {sentence(s, words)}
        </Txt>
      ))}
      {living.plan.without ? (
        <Button
          kind="quiet"
          label="No water ready?"
          expanded={without}
          onPress={() => setWithout(!without)}
        />
      ) : null}
      {without && living.plan.without ? <Txt>{sentence(living.plan.without, words)}</Txt> : null}
    </View>
  );
}

/** Ticks off the step one stands at. */
function StepTick({ water, living, nowMs }: Ticked) {
  const at = useSteps(water, living, nowMs);
  if (!at) return null;
  const { steps, done, tick } = at;
  return (
    <View style={styles.ticks}>
      {done > 0 ? <Button kind="quiet" label="One step back" onPress={() => tick(done - 1)} /> : null}
      {done < steps.length ? (
        <Button kind="primary" label={`Step ${done + 1} is done`} onPress={() => tick(done + 1)} />
      ) : null}
    </View>
  );
}

/** What stands above the places on a phone: the step one is at, and after the last of them, or where there are none, `children`. */
export function ActFooter({
  water,
  living,
  nowMs,
  children,
}: Omit<Ticked, 'living'> & { living: Living | null; children: ReactNode }) {
  const at = useSteps(water, living, nowMs);
  if (!at || !living || at.done >= at.steps.length) return children;
  return <StepTick water={water} living={living} nowMs={nowMs} />;
}

/** Drawings come after the page; its height is kept until it is there. */
const LimitTrend = part(
  () => import('../../ui/charts/LimitTrend').then((m) => m.LimitTrend),
  () => <View style={styles.trend} />,
);

/** How ammonia came to where it is, against the limits; only where it is what is wrong. */
function Trend({ living, evidence }: { living: Living; evidence: WaterEvidence }) {
  const drawn = ABOUT_FREE.includes(living.reason.code);
  const course = useMemo(
    () => (drawn ? freeCourse(evidence, evidence.nowMs - TREND_DAYS * DAY_MS).slice(-TREND_POINTS) : []),
    [drawn, evidence],
  );
  const last = lastOf(course);
  if (course.length < 2 || !last) return null;
  return (
    <LimitTrend
      points={course.map((p) => ({ atMs: p.atMs, value: p.mgNPerL }))}
      watch={FREE_AMMONIA.longTerm}
      act={FREE_AMMONIA.act}
      unit="mg/L NH₃-N"
      dayLabel={shortDay}
      summary={`Free ammonia of the last ${course.length} tests, the newest ${last.mgNPerL.toFixed(3)} mg/L NH₃-N; act at ${FREE_AMMONIA.act}.`}
    />
  );
}

const TREND_DAYS = 10;
const TREND_POINTS = 8;
const ABOUT_FREE: readonly Living['reason']['code'][] = [
  'freeAmmoniaAct',
  'freeAmmoniaWatch',
  'freeMeasuredAct',
  'freeMeasuredWatch',
  'ammoniaWithAnimals',
];

const SHOWN: readonly Parameter[] = ['ammonia', 'temperature', 'salinity', 'alkalinity'];

/** The newest trusted values, each with its age. */
function Newest({ evidence }: { evidence: WaterEvidence }) {
  const units = useUnits();
  const values = SHOWN.flatMap((parameter) => {
    const point = lastOf(trusted(evidence.series[parameter]));
    return point ? [{ parameter, point }] : [];
  });
  if (values.length === 0) return null;
  return (
    <View style={styles.values}>
      {values.map(({ parameter, point }) => (
        <View key={parameter}>
          <Txt kind="small" tone="second">
            {PARAMETER_NAMES[parameter]}
          </Txt>
          <Txt kind="row">{readingWords(parameter, point, units)}</Txt>
          <Txt kind="small" tone="second">
            {agoWords(point.atMs, evidence.nowMs)}
          </Txt>
        </View>
      ))}
    </View>
  );
}

/** What may be behind ammonia that nothing in the log explains: the filter first. */
function Causes({ living }: { living: Living }) {
  const words = useWords();
  if (living.causes.length === 0) return null;
  return (
    <View style={styles.causes}>
      <Txt kind="section" heading={2}>
        What could it be
      </Txt>
      {living.causes.map((c) => (
        <Txt key={c.code}>{sentence(c, words)}</Txt>
      ))}
    </View>
  );
}

const styles = styleSheet({
  word: { marginTop: space(2), marginLeft: -3 },
  big: { fontSize: 19, lineHeight: 27 },
  acting: { gap: space(3), marginTop: space(3) },
  trend: { height: TREND_HEIGHT },
  ticks: { flexDirection: 'row', flexWrap: 'wrap', justifyContent: 'flex-end', gap: space(2) },
  values: {
    flexDirection: 'row',
    flexWrap: 'wrap',
    columnGap: space(6),
    rowGap: space(2),
    marginTop: space(3),
  },
  causes: { gap: space(1), marginTop: space(4) },
});
