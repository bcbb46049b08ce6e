import { useState } from 'react';
import type { Href } from 'expo-router';
import { isOpen, livingIn, type Display } from '../../../core/document';
import { lastOf, trusted } from '../../../core/evidence';
import { loadAt, provedCapacity } from '../../../core/stocking';
import { addDays, MINUTE_MS } from '../../../core/time';
import { fromMgNPerL, readEntry, showQuantity, unitLabel } from '../../../core/units';
import { inUnits } from '../../../core/words';
import { netVolume } from '../../../core/volume';
import { movePlan } from '../../../core/upgrade';
import {
  commit,
  localDay,
  newId,
  selectAssessment,
  selectDocument,
  selectEvidence,
  selectWaters,
  shortWrittenDay,
  useAppDispatch,
  useAppSelector,
  useNow,
} from '../../store';
import { Button, Caution, Choice, FieldRow, Go, Line, Row, Screen, Section, TextField, Txt } from '../../ui';
import { useWords, WithDisplay } from '../shell';
import { WaterFirst } from '../shell/WaterFirst';

export function UpgradeScreen() {
  return <WithDisplay>{(water) => <Upgrade water={water} />}</WithDisplay>;
}

/** Everything of one tank into another in a day: what water, what filter, in what order, and what the ammonia would do. */
function Upgrade({ water }: { water: Display }) {
  const now = useNow(10 * MINUTE_MS);
  const words = useWords();
  const { units } = words;
  const dispatch = useAppDispatch();
  const doc = useAppSelector(selectDocument);
  const evidence = useAppSelector((s) => selectEvidence(s, water.id, now));
  const others = useAppSelector(selectWaters).filter(
    (w) => w.kind === 'display' && w.id !== water.id && isOpen(w),
  );
  const living = useAppSelector((s) => selectAssessment(s, water.id, now).living);
  const troubled = living?.word === 'actNow' || living?.word === 'watch';
  const [toId, setTo] = useState('');
  const [litres, setLitres] = useState('');
  const [kept, setKept] = useState('100');
  const [reused, setReused] = useState('50');
  const to = doc.waters[toId];
  const typed = readEntry(litres, { name: 'The new tank', unit: units.volume, min: 5, max: 20000 });
  const newNetL = to ? netVolume(to).netL : typed.ok ? typed.value : null;
  const share = (text: string, name: string) => readEntry(text, { name, unit: null, min: 0, max: 100 });
  const keptShare = share(kept, 'Rock and media');
  const reusedShare = share(reused, 'Old water');
  const nitrate = lastOf(trusted(evidence.series.nitrate))?.interval.mid ?? null;
  const plan =
    newNetL !== null && keptShare.ok && reusedShare.ok
      ? movePlan({
          oldNetL: evidence.netL,
          newNetL,
          keptShare: keptShare.value / 100,
          reusedShare: reusedShare.value / 100,
          loadMgN: loadAt(evidence, now),
          carriesMgN: provedCapacity(evidence)?.nearZeroNowMgN ?? null,
          nitrate,
        })
      : null;
  const volume = (l: number) => showQuantity('volume', l, units, 0);
  const planTests = () => {
    if (!plan) return;
    const today = localDay(now);
    void dispatch(
      commit(
        'Tests after the move planned',
        plan.testDays.map((after) => ({
          put: 'tasks' as const,
          entity: {
            id: newId(),
            waterId: to?.id ?? water.id,
            day: addDays(today, after),
            title:
              after === 0
                ? 'Move: test ammonia an hour after'
                : `Day ${after} after the move: ammonia, nitrite`,
            note: 'No feeding while ammonia shows; a change with matched water if it does.',
            doneAt: null,
          },
        })),
      ),
    );
  };
  return (
    <Screen
      title="Move"
      aside={
        <>
          <Txt kind="section" heading={2}>
            What moves
          </Txt>
          {others.length > 0 ? (
            <Choice
              label="Into"
              stacked
              options={[
                { value: '', label: 'A tank not entered yet' },
                ...others.map((w) => ({ value: w.id, label: w.name })),
              ]}
              value={toId}
              onChange={setTo}
            />
          ) : null}
          {to ? null : (
            <TextField
              numeric
              label="The new tank holds, net"
              unit={unitLabel(units.volume)}
              value={litres}
              onChange={setLitres}
              error={litres === '' || typed.ok ? undefined : typed.message}
            />
          )}
          <FieldRow>
            <TextField
              numeric
              label="Rock and media that move"
              unit="%"
              value={kept}
              onChange={setKept}
              error={keptShare.ok ? undefined : keptShare.message}
            />
            <TextField
              numeric
              label="Old water used again"
              unit="%"
              value={reused}
              onChange={setReused}
              error={reusedShare.ok ? undefined : reusedShare.message}
            />
          </FieldRow>
        </>
      }
    >
      <Txt kind="title" heading={1}>
        {troubled
          ? 'Not today: the water needs you first'
          : plan === null
            ? 'Into which tank?'
            : plan.bearable === false
              ? 'Not so: ammonia would rise'
              : plan.bearable === null
                ? 'Nothing proved: move it all'
                : 'It may be done in a day'}
      </Txt>
      {troubled && living ? <WaterFirst waterId={water.id} held={living.reason} /> : null}
      {plan ? (
        <>
          <Line
            name="Animals that move"
            value={String(livingIn(doc, water.id).reduce((n, a) => n + a.count, 0))}
          />
          <Line name="Old water into the new tank" value={volume(plan.reusedL)} />
          <Line name="New salt water, made before" value={volume(plan.newWaterL)} />
          {plan.carriesMgN === null ? null : (
            <Line
              name="The filter carries after it"
              value={`${plan.carriesMgN.toFixed(0)} mg N a day; ${loadAt(evidence, now).toFixed(0)} are needed`}
            />
          )}
          {plan.freeMgN === null || plan.totalMgN === null ? (
            <Txt kind="small" tone="second">
              Without a proof no ammonia is predicted: take all rock and media, and test from the first hour.
            </Txt>
          ) : (
            <Line
              name="Ammonia in two weeks, predicted"
              value={`at most ${plan.totalMgN.toFixed(2)} mg/L N, ${plan.freeMgN.toFixed(3)} free`}
              tone={plan.bearable ? 'go' : 'ammonia'}
            />
          )}
          {plan.nitrate === null ? null : (
            <Line
              name="Nitrate after it"
              value={`${fromMgNPerL('nitrate', 'ion', plan.nitrate).toFixed(0)} mg/L NO₃`}
            />
          )}
          {plan.bearable === false ? (
            <Txt tone="ammonia">
              More of the rock and media, or fewer animals on the day: the rest in steps, weeks apart.
            </Txt>
          ) : null}
          <Section title="Order of the day">
            {ORDER.map((step, i) => (
              <Txt key={step}>{`${i + 1}. ${inUnits(step, units)}`}</Txt>
            ))}
          </Section>
          <Caution>
            Plugs out at the wall with dry hands before the level falls. A full tank weighs a kilogram a litre
            and more: floor and stand first. Never start a siphon by mouth.
          </Caution>
          <Section title="Tests after it">
            <Txt>{plan.testDays.map((d) => (d === 0 ? 'after an hour' : `day ${d}`)).join(', ')}</Txt>
            <Row wrap>
              <Button
                icon="keep"
                label={`Plan them from ${shortWrittenDay(localDay(now))}`}
                onPress={planTests}
              />
              <Go href={`/water/${water.id}/stock` as Href}>Back to the stock</Go>
            </Row>
          </Section>
        </>
      ) : (
        <Txt tone="second">Choose the tank, or say how much it holds: the day is reckoned from it.</Txt>
      )}
    </Screen>
  );
}

const ORDER = [
  'A day before: new water made, at the same salinity and temperature, ammonia tested zero; the new tank stands level, leak-tested and empty of animals.',
  'Lights off, pumps and heater of the old tank off at the wall. Some old water aside for rock, media and animals, warm and with air.',
  'Media and rock under water in tubs, never dry for more than minutes. Corals and crew with them, fish last: they are easy to catch in little water.',
  'Old sand stays behind, or is rinsed in old water until clear: stirred up it is the ammonia of the day.',
  'Rock in the new tank first, on the glass, then sand, then old and new water. Media where the flow is. Heater under water before it is plugged in.',
  'When both waters agree within {Δtemperature:1:0} and have the same salinity: animals over, by a drip where they do not. Lights off until the next day.',
  'Ammonia after an hour. No food on the day; a little on the next if it reads zero.',
] as const;
