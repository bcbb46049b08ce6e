import { useDeferredValue, useMemo } from 'react';
import type { Drip, Water } from '../../../core/document';
import { lastOf, trusted } from '../../../core/evidence';
import {
  ACCLIMATION_LIMITS,
  adviceFor,
  bagCourse,
  bagInputOf,
  dripLitresPerHour,
  floatMinutes,
  proposedWay,
  type BagPoint,
  type Sensitive,
} from '../../../core/acclimation';
import { speciesOf } from '../../../core/species';
import { becauseWords } from '../../../core/words/arrivals';
import { MINUTE_MS } from '../../../core/time';
import { selectDocument, selectEvidence, useAppSelector, useNow } from '../../store';
import { Txt } from '../../ui';
import { Curves } from '../../ui/charts/Curves';

export const WAY_WORDS: Record<NonNullable<Drip['way']>, string> = {
  slowDrip: 'A slow drip',
  quickDrip: 'A quick drip',
  temperatureOnly: 'Temperature only, then move',
  cleanWater: 'Temperature, then a drip in clean water',
};
/** A long journey, hours in the bag: without a test of it a drip is not trusted. */
const LONG_HOURS = 6;
const MINUTES = 90;
const [STILL, USUAL, SPLASHING] = ACCLIMATION_LIMITS.co2PerHour.value;
const LIMIT = ACCLIMATION_LIMITS.cleanFreeMgN.value;

const everyThird = (series: readonly BagPoint[]) =>
  series.filter((p) => p.minute % 3 === 0).map((p) => ({ x: p.minute, y: p.freeMgNPerL }));

/** What is worked out for a bag; null where its pH or ammonia is not known. */
export function useBagAdvice(water: Water, latest: Drip | null) {
  const drip = useDeferredValue(latest);
  const now = useNow(MINUTE_MS);
  const doc = useAppSelector(selectDocument);
  const series = useAppSelector((s) => selectEvidence(s, water.id, now).series);
  const ph = lastOf(trusted(series.ph))?.interval.mid ?? null;
  const alkalinityDkh = lastOf(trusted(series.alkalinity))?.interval.mid ?? null;
  const groups = (drip?.animalIds ?? []).flatMap((id) => {
    const animal = doc.animals[id];
    return animal ? [speciesOf(doc, animal.speciesId).group] : [];
  });
  const animal: Sensitive = groups.find((g) => g !== 'fish') ?? 'fish';
  return useMemo(() => {
    if (!drip) return null;
    const input = bagInputOf(
      drip,
      { ph, alkalinityDkh },
      {
        litresPerHour: dripLitresPerHour(drip.dropsPerSecond, drip.dropsPerMl),
        co2PerHour: USUAL,
        minutes: MINUTES,
      },
    );
    if (!input) return null;
    const advice = adviceFor(input, animal);
    const peak = (co2PerHour: number) => bagCourse({ ...input, co2PerHour }).peakFreeMgNPerL;
    return {
      advice,
      way: proposedWay(advice, animal),
      opened: bagCourse({ ...input, dripLPerHour: 0 }),
      band: [peak(STILL), peak(SPLASHING)] as const,
      closed: advice.slow.series[0]?.freeMgNPerL ?? 0,
      alkalinityDkh,
    };
  }, [drip, ph, alkalinityDkh, animal]);
}

/** Which way out of this bag, and free ammonia through time each way. */
export function BagAdvice({ drip, found }: { drip: Drip; found: ReturnType<typeof useBagAdvice> }) {
  if (!found) {
    const { hours = 0 } = drip.bag;
    return hours >= LONG_HOURS ? (
      <Txt tone="nitrite">
        {`${hours} hours in the bag: its pH has sunk and its ammonia risen. Test both before it is opened for a drip; until then match the temperature with the bag closed, open it last, and move.`}
      </Txt>
    ) : (
      <Txt kind="small" tone="second">
        With pH and ammonia of the bag it is worked out whether a drip or a quick move is the kinder way.
      </Txt>
    );
  }
  const { advice, way, opened, band, closed, alkalinityDkh } = found;
  const float = Math.ceil(floatMinutes(drip.bag.tempC, drip.water.tempC));
  return (
    <>
      <Txt kind="strong">{WAY_WORDS[way]}</Txt>
      <Txt>{becauseWords(advice.because)}</Txt>
      {way === 'cleanWater' ? (
        <Txt>
          They bear no haste: into clean water of the bag’s own salinity, and the tank’s water dripped into
          that.
        </Txt>
      ) : null}
      {advice.way === 'temperatureOnly' && float > 0 ? (
        <Txt>{`Float it closed for about ${float} minutes.`}</Txt>
      ) : null}
      <Curves
        curves={[
          { label: 'slow', points: everyThird(advice.slow.series) },
          { label: 'quick', points: everyThird(advice.quick.series) },
          { label: 'opened', points: everyThird(opened.series) },
        ]}
        xLabel="min"
        yLabel="free ammonia, mg/L NH₃-N"
        summary={`Free ammonia after opening: slow drip up to ${advice.slow.peakFreeMgNPerL.toFixed(3)}, quick drip up to ${advice.quick.peakFreeMgNPerL.toFixed(3)}, in the closed bag ${closed.toFixed(3)} mg/L NH₃-N.`}
      />
      <Txt kind="small" tone="second">
        {`In the closed bag ${closed.toFixed(3)}; a drip is trusted under ${LIMIT}. It hangs on how fast CO₂ escapes: the slow drip peaks at ${band[0].toFixed(3)} in still water, ${band[1].toFixed(3)} when it splashes. Alkalinities nobody measured are taken as usual (bag 7, water ${(alkalinityDkh ?? 8).toFixed(1)} dKH).`}
      </Txt>
    </>
  );
}
