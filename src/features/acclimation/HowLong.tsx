import type { Drip } from '../../../core/document';
import { drips, floatMinutes, NEAR_C, type DripPlan } from '../../../core/acclimation';
import { showDifference, showQuantity } from '../../../core/units';
import { Line, Txt } from '../../ui';
import { useUnits } from '../shell';

/** How long a session takes by its way, how fast it drips, and what is needed for it. */
export function HowLong({ drip, plan, least }: { drip: Drip; plan: DripPlan; least: number }) {
  const units = useUnits();
  const { readyMinutes } = plan;
  const float = Math.ceil(floatMinutes(drip.bag.tempC, drip.water.tempC));
  if (!drips(drip))
    return (
      <>
        <Txt kind="number">{`${float} min`}</Txt>
        <Txt kind="small" tone="second">
          Floating closed, then out of the bag at once: nothing drips.
        </Txt>
      </>
    );
  const aim = readyMinutes === null ? null : Math.max(readyMinutes, least);
  const minutes = (m: number | null) => (m === null ? 'not in 4 h' : `${Math.ceil(m)} min`);
  return (
    <>
      <Txt kind="number">{aim === null ? 'over 4 h' : `${Math.ceil(aim)} min`}</Txt>
      {drip.way === 'cleanWater' ? (
        <Txt kind="small" tone="second">{`After about ${float} minutes of floating closed.`}</Txt>
      ) : null}
      {aim !== null && readyMinutes !== null && aim > readyMinutes ? (
        <Txt
          kind="small"
          tone="second"
        >{`Not less than ${least} minutes for them, however small the gap.`}</Txt>
      ) : null}
      <Line name="Salinity within 0.001 SG" value={minutes(plan.salinityReadyMinutes)} />
      <Line
        name={`Temperature within ${showDifference('temperature', NEAR_C, units)}`}
        value={minutes(plan.temperatureReadyMinutes)}
      />
      <Line
        name="Drip"
        value={`${drip.dropsPerSecond.toFixed(1)} drops a second, ${showQuantity('volume', plan.litresPerHour, units, 2)} an hour`}
      />
      <Line
        name="Salt water to have ready"
        value={showQuantity('volume', (plan.litresPerHour * (aim ?? 90)) / 60, units, 1)}
      />
      <Line
        name="Pour off"
        value={
          plan.pourOffMinutes.length === 0
            ? 'not needed'
            : `at ${plan.pourOffMinutes
                .slice(0, 3)
                .map((m) => `${Math.round(m)}`)
                .join(', ')} min`
        }
      />
      {plan.temperatureReadyMinutes === null ? (
        <Txt tone="nitrite">An open container follows the room: it cools as it drips. Float it.</Txt>
      ) : null}
    </>
  );
}
