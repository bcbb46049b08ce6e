import type { Drip, Water } from '../../../core/document';
import { heatAfter, nearEnough } from '../../../core/acclimation';
import { showQuantity } from '../../../core/units';
import { isoOf } from '../../store';
import { Button, Row, Screen, Section, Txt, useChime } from '../../ui';
import { useUnits } from '../shell';
import { Before } from './Before';
import { LetIn } from './LetIn';
import { MeasureHeat } from './OnTheWay';
import { PutBack } from './PutBack';
import { useSession } from './session';
import { SessionTitle } from './SessionTitle';

/** A closed bag that floats until it is as warm as the water: opened last, then they move. Into clean water of the bag's own salinity where the
 *  drip is to follow in that. */
export function Float({ water, drip, now }: { water: Water; drip: Drip; now: number }) {
  const units = useUnits();
  const startMs = drip.startedAt === null ? null : Date.parse(drip.startedAt);
  const endMs = drip.finishedAt === null ? now : Date.parse(drip.finishedAt);
  const session = useSession(drip, startMs, endMs);
  const { who, least, float, minutes, clockAt, put } = session;
  const left = Math.max(0, Math.ceil(float - minutes));
  const near = startMs !== null && left === 0;
  useChime(near ? 1 : 0);
  const heat = (tempC: number) => showQuantity('temperature', tempC, units);
  const reckoned = heatAfter(drip.bag.tempC, drip.water.tempC, true, drip.bag.litres, minutes);
  const last = drip.measured?.[drip.measured.length - 1];
  const warm = last ? nearEnough(last, drip.water).tempC : false;
  const clean = drip.way === 'cleanWater';
  if (drip.finishedAt !== null)
    return (
      <Screen title="Moved">
        <SessionTitle what="Moved" who={who} water={water} />
        <PutBack water={water} drip={drip} usedL={0} session={session} />
      </Screen>
    );
  return (
    <Screen title="Float">
      <SessionTitle what="Float" who={who} water={water} />
      {startMs === null ? (
        <>
          <Txt kind="title">{float === 0 ? 'As warm as the tank already' : `About ${float} min, closed`}</Txt>
          <Before water={water} drip={drip} now={now} session={session} />
        </>
      ) : (
        <>
          <Row>
            <Txt kind="word" live={near}>
              {near ? 'Warm' : String(left)}
            </Txt>
            <Txt kind="title">{near ? `since ${clockAt(float)}` : `min, until ${clockAt(float)}`}</Txt>
          </Row>
          <Txt>{`Bag about ${heat(reckoned)}, tank ${heat(drip.water.tempC)}. Leave it closed: while it is, its ammonia stays harmless.`}</Txt>
          <MeasureHeat drip={drip} onMeasured={(entity) => put('Measured', entity)} />
          <Section title="Then">
            <Txt>
              {clean
                ? `Open it last, move them at once into the clean water, and drip the tank's water into that: ${least} minutes at the least.`
                : 'Open it last, and move them at once, in a cup or by hand under water; none of the bag water goes in.'}
            </Txt>
            {warm ? null : (
              <Txt kind="small" tone="nitrite">
                The end is told by what is measured, not by the clock alone.
              </Txt>
            )}
            {clean ? (
              <Button
                kind="primary"
                label="They are in the clean water"
                onPress={() =>
                  void put('Moved into clean water', { ...drip, intoCleanAt: isoOf(Date.now()) })
                }
              />
            ) : (
              <LetIn
                water={water}
                drip={drip}
                now={now}
                label={warm ? 'They are in' : 'They are in already'}
                onIn={(finishedAt, edits) =>
                  void put(
                    `${who} moved in`,
                    { ...drip, checks: { ...drip.checks, bagWaterAway: null }, finishedAt },
                    edits,
                  )
                }
              />
            )}
          </Section>
        </>
      )}
    </Screen>
  );
}
