import { MINUTE_MS } from '../../../core/time';
import { useRouter, type Href } from 'expo-router';
import { useState } from 'react';

import {
  closedOn,
  isOpen,
  livingIn,
  openedOn,
  type Quarantine,
  type RunWater,
  type Water,
} from '../../../core/document';
import { showQuantity } from '../../../core/units';
import { animalWords, KIND_WORDS, LINE_WORDS, sentence, WORDS } from '../../../core/words';
import {
  commit,
  localDay,
  selectAssessment,
  selectDocument,
  selectEvidence,
  selectVolume,
  useAppDispatch,
  useAppSelector,
  useNow,
  shortWrittenDay,
} from '../../store';
import { Button, Go, Line, Row, Screen, Section, space, Txt, useWide, styleSheet } from '../../ui';
import { useParam, useUnits, useWords, WithWater } from '../shell';
import { QuarantineLane } from '../shell/quarantine/QuarantineLane';
import { fallowWords, quarantineView, SIGN_WORDS, SIGNS_OF } from '../shell/quarantine/view';
import { BareAmmonia } from './BareAmmonia';
import { ClockBehind } from './ClockBehind';
import { LookSheet } from './LookSheet';
import { NextTest } from './NextTest';
import { toneOf } from './OtherKind';
import { Treatments } from '../shell/treatments/Treatments';
import { QuarantineKit } from './QuarantineKit';
import { Reminders } from './Reminders';
import { ActFooter, WaterNow } from './WaterNow';

/** The page of a water that serves a display: one word, why, and for a quarantine its clock and its look. */
export function ServingTodayScreen() {
  return <WithWater>{(water) => <ServingToday key={water.id} water={water} />}</WithWater>;
}

function ServingToday({ water }: { water: Water }) {
  const now = useNow(MINUTE_MS);
  const wide = useWide();
  const words = useWords();
  const router = useRouter();
  const assessment = useAppSelector((s) => selectAssessment(s, water.id, now));
  const evidence = useAppSelector((s) => selectEvidence(s, water.id, now));
  const { living, fish: said, alarms } = assessment;
  const above = living ? [living.reason, ...living.also.map((f) => f.finding)] : [said.reason];
  const extra = alarms.filter((a) => !above.some((already) => already.code === a.code));
  const next = <NextTest water={water} assessment={assessment} evidence={evidence} />;
  return (
    <Screen
      title="Today"
      aside={
        <>
          <AboutWater water={water} />
          {wide ? next : null}
        </>
      }
      footer={
        wide ? undefined : (
          <ActFooter water={water} living={living} nowMs={now}>
            {next}
          </ActFooter>
        )
      }
    >
      <ClockBehind water={water} now={now} />
      {living ? (
        <>
          <WaterNow water={water} living={living} evidence={evidence} />
          <Txt kind="strong">{`${WORDS[said.word]}: ${sentence(said.reason, words)} ${sentence(said.opens, words)}`}</Txt>
        </>
      ) : (
        <>
          <Txt kind={wide ? 'wordWide' : 'word'} heading={1} tone={toneOf(said.word)} style={styles.word}>
            {WORDS[said.word]}
          </Txt>
          <Txt style={styles.big}>{`${sentence(said.reason, words)} ${sentence(said.opens, words)}`}</Txt>
        </>
      )}
      {extra.map((a) => (
        <Txt key={a.code} kind="small" tone="nitrite">
          {sentence(a, words)}
        </Txt>
      ))}
      <Reminders water={water} />
      {water.kind === 'quarantine' ? <Watch water={water} now={now} /> : null}
      {water.kind === 'holding' ? (
        <>
          <WhoIsIn water={water} />
          <Treatments water={water} now={now} />
        </>
      ) : null}
      <Row wrap>
        <Button
          icon="edit"
          label={`Edit ${water.name}`}
          onPress={() => router.push(`/water/${water.id}/edit` as Href)}
        />
      </Row>
    </Screen>
  );
}

/** The clock of a quarantine, who is in it, and the daily look. */
function Watch({ water, now }: { water: Quarantine; now: number }) {
  const look = useParam('look');
  const router = useRouter();
  const doc = useAppSelector(selectDocument);
  const view = quarantineView(doc, water, now, localDay);
  const [first] = water.serves;
  const home = view.animals[0]?.homeId ?? first;
  return (
    <>
      {look !== '' ? (
        <LookSheet
          key={look}
          water={water}
          clock={view.clock}
          animals={view.animals}
          start={look === 'sign' ? 'sign' : ''}
          onDone={() => router.replace(`/water/${water.id}` as Href)}
        />
      ) : null}
      <BareAmmonia water={water} now={now} />
      <Section title="The watch">
        <QuarantineLane view={view} onPage />
      </Section>
      <Treatments water={water} now={now} />
      {view.clock.status === 'complete' && view.fallow ? (
        <Section title="Not back yet">
          <Txt tone="ammonia">{fallowWords(view.fallow, shortWrittenDay)}</Txt>
        </Section>
      ) : view.clock.status === 'complete' && home !== undefined ? (
        <Section title="Free">
          <Txt>The group has done its days. Match the water, and let them in together.</Txt>
          <Button
            kind="primary"
            icon="drip"
            label="Plan the drip"
            onPress={() =>
              router.push(
                `/water/${home}/drip/new?animals=${view.animals.map((a) => a.id).join(',')}` as Href,
              )
            }
          />
        </Section>
      ) : null}
      <QuarantineKit water={water} />
      <Section title="What to look for, daily">
        <Txt>{`${SIGNS_OF[water.line].map((s) => SIGN_WORDS[s].toLowerCase()).join(', ')}. And: does everyone eat?`}</Txt>
        <Txt kind="small" tone="second">
          The clock belongs to the whole system and counts only days on which you saw all of them clear. One
          sign, a death or a missing animal stops it for all; it starts again at day 1 once all are healed, or
          when an animal joins. A day nobody looked stays hollow and does not count; the last week before
          release must be without one.
        </Txt>
      </Section>
    </>
  );
}

function WhoIsIn({ water }: { water: Water }) {
  const doc = useAppSelector(selectDocument);
  const here = livingIn(doc, water.id);
  return (
    <Section title="Who is in it">
      {here.length === 0 ? <Txt tone="second">No animal.</Txt> : null}
      {here.map((a) => (
        <Go key={a.id} kind="row" href={`/water/${water.id}/stock/${a.id}` as Href}>
          {animalWords(doc, a)}
        </Go>
      ))}
    </Section>
  );
}

/** What it is, whom it serves, and out of use or in use again. */
function AboutWater({ water }: { water: Water }) {
  const units = useUnits();
  const dispatch = useAppDispatch();
  const doc = useAppSelector(selectDocument);
  const volume = useAppSelector((s) => selectVolume(s, water.id));
  const [refused, setRefused] = useState(false);
  const turn = (next: RunWater, label: string) =>
    void dispatch(commit(label, [{ put: 'waters', entity: next }]));
  const close = () => {
    if (!('runs' in water)) return;
    if (livingIn(doc, water.id).length > 0) setRefused(true);
    else turn(closedOn(water, localDay(Date.now())), `${water.name} closed`);
  };
  return (
    <>
      <Txt kind="section" heading={2}>
        {KIND_WORDS[water.kind]}
      </Txt>
      <Line name="Volume" value={showQuantity('volume', volume.netL, units, 0)} />
      {water.kind === 'quarantine' ? (
        <>
          <Line name="For" value={LINE_WORDS[water.line].toLowerCase()} />
          <Line
            name="Filter"
            value={water.filter === 'cycled' ? 'cycled media' : 'uncycled: hold ammonia by changes'}
          />
          <Line name="Clock" value={`${water.clockDays} days seen clear`} />
          <Line
            name="Serves"
            value={water.serves.map((id) => doc.waters[id]?.name ?? '').join(', ') || 'no display yet'}
          />
        </>
      ) : null}
      {'runs' in water && isOpen(water) ? (
        <Button kind="quiet" label="Take it out of use" onPress={close} />
      ) : null}
      {'runs' in water && !isOpen(water) ? (
        <Button
          label="Open it again"
          onPress={() => turn(openedOn(water, localDay(Date.now())), `${water.name} in use again`)}
        />
      ) : null}
      {refused ? (
        <Txt tone="ammonia" live>
          Animals are in it. Move them to another water first, or note that they are gone.
        </Txt>
      ) : null}
    </>
  );
}

const styles = styleSheet({
  word: { marginTop: space(2), marginLeft: -3 },
  big: { fontSize: 19, lineHeight: 27 },
});
