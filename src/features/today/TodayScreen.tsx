import { useRouter, type Href } from 'expo-router';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import type { Display } from '../../../core/document';
import { besides } from '../../../core/readiness';
import { isOfDisplay } from '../../../core/evidence';
import { SCHOOL_WORDS, sentence, WORDS } from '../../../core/words';
import { localDay, selectAssessment, selectEvidence, useAppSelector, useNow } from '../../store';
import { Button, Go, Later, Row, Screen, space, Txt, useWide, styleSheet } from '../../ui';
import { TideStaff } from '../../ui/charts/TideStaff';
import { Boundary, inSlices, part, screen, useWords, WithWater } from '../shell';
import { ClockBehind } from './ClockBehind';
import { GateEvidence } from './GateEvidence';
import { isDated, type LikelyState } from './likely';
import { NextTest } from './NextTest';
import { OtherKind, toneOf } from './OtherKind';
import { WorkingOut } from './WorkingOut';
import { besidesWords, staffRows } from './model';
import { Reminders } from './Reminders';
import { ActFooter, WaterNow } from './WaterNow';

/** The forecast's part of the page comes after the page. */
const LikelyDates = part(
  () => import('./Likely').then((m) => m.LikelyDates),
  () => <WorkingOut />,
);

/** So does what may be added: it asks what every wish would do. */
const MayBeAdded = part(
  () => import('./MayBeAdded').then((m) => m.MayBeAdded),
  () => null,
);

/** So does what a device asks for. */
const DeviceAlarms = part(
  () => import('../shell/monitor/DeviceAlarms').then((m) => m.DeviceAlarms),
  () => null,
);

/** So does the page of a water that serves a display. */
const ServingToday = screen(() => import('./ServingToday').then((m) => m.ServingTodayScreen));

export const TodayScreen = inSlices(() => (
  <Boundary>
    <WithWater>
      {(water) => (water.kind === 'display' ? <Today water={water} /> : <ServingToday />)}
    </WithWater>
  </Boundary>
));

/** The gate the tank stands at: one word, one sentence why, what opens it; every statement opens its evidence. */
function Today({ water }: { water: Display }) {
  const now = useNow();
  const wide = useWide();
  const words = useWords();
  const router = useRouter();
  const assessment = useAppSelector((s) => selectAssessment(s, water.id, now));
  const evidence = useAppSelector((s) => selectEvidence(s, water.id, now));
  const device = useAppSelector((s) =>
    Object.values(s.document.entities.monitors).some((m) => m.waterId === water.id),
  );
  const here = assessment.gates.find((g) => g.status === 'here')?.id ?? null;
  const [said, setSaid] = useState<LikelyState>({ kind: 'working' });
  const likely: LikelyState = isDated(here) ? said : { kind: 'off' };
  const [opened, setOpened] = useState<string | null>(null);
  const { living, fish, coral, alarms } = assessment;
  // In trouble the readings are the evidence; the gates can wait.
  const troubled = living?.word === 'actNow' || living?.word === 'watch';
  const shownGate = opened ?? (troubled ? null : here);
  const panel = (id: string | null) => (
    <GateEvidence water={water} gateId={id} assessment={assessment} evidence={evidence} />
  );
  const also = besidesWords(
    useMemo(() => (isOfDisplay(evidence) ? besides(evidence, localDay) : []), [evidence]),
    words,
  );
  // A sentence stands once on a page: what the water's own part says is not said again.
  const above = living ? [living.reason, ...living.also.map((f) => f.finding)] : [fish.reason];
  const extra = alarms.filter((a) => !above.some((said) => said.code === a.code));

  return (
    <Screen
      title="Today"
      aside={
        wide ? (
          <>
            {panel(shownGate)}
            <NextTest water={water} assessment={assessment} evidence={evidence} likely={likely} />
          </>
        ) : undefined
      }
      footer={
        wide ? undefined : (
          <ActFooter water={water} living={living} nowMs={now}>
            <NextTest water={water} assessment={assessment} evidence={evidence} likely={likely} />
          </ActFooter>
        )
      }
    >
      <ClockBehind water={water} now={now} />
      {device ? <DeviceAlarms water={water} /> : null}
      {living ? (
        <>
          <WaterNow water={water} living={living} evidence={evidence} />
          <Later>
            <MayBeAdded assessment={assessment} evidence={evidence} />
          </Later>
        </>
      ) : (
        <>
          <Txt kind={wide ? 'wordWide' : 'word'} heading={1} tone={toneOf(fish.word)} style={styles.word}>
            {WORDS[fish.word]}
          </Txt>
          <View style={styles.reasons}>
            <Txt style={styles.big}>{`${sentence(fish.reason, words)} ${sentence(fish.opens, words)}`}</Txt>
            <OtherKind name="Corals" judgement={coral} fish={fish} />
          </View>
        </>
      )}
      <View style={styles.reasons}>
        {extra.map((a) => (
          <Txt key={sentence(a, words)} kind="small" tone="nitrite">
            {sentence(a, words)}
          </Txt>
        ))}
      </View>
      {isDated(here) ? (
        <LikelyDates key={water.id} water={water} gate={here} now={now} onState={setSaid} />
      ) : null}
      <Later>
        <Reminders water={water} />
        <TideStaff
          bleed={space(wide ? 9 : 5)}
          // A phone with dates above it shows one mark less, so that the gate itself stays in sight.
          aheadShown={!wide && likely.kind !== 'off' ? 1 : 2}
          marks={staffRows(assessment, words).map((m) => ({
            ...m,
            open: wide ? m.id === shownGate : m.id === opened,
            evidence: wide ? null : panel(m.id),
          }))}
          onToggle={(id) => setOpened((was) => (was === id ? null : id))}
        />
        <Txt kind="small" tone="second">
          {`Judged by ${SCHOOL_WORDS[water.school].title.toLowerCase()}: ${SCHOOL_WORDS[water.school].rule}`}
        </Txt>
        {also ? (
          <Txt kind="small" tone="second">
            {also}
          </Txt>
        ) : null}
        <Row wrap>
          <Go href={`/water/${water.id}/school` as Href}>Seven schools side by side</Go>
          <Button
            kind="quiet"
            icon="edit"
            label="Edit tank"
            onPress={() => router.push(`/water/${water.id}/edit` as Href)}
          />
        </Row>
      </Later>
    </Screen>
  );
}

const styles = styleSheet({
  word: { marginTop: space(2), marginLeft: -3 },
  reasons: { gap: space(1), marginBottom: space(2) },
  big: { fontSize: 19, lineHeight: 27 },
});
