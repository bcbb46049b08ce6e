import { DAY_MS } from '../../../core/time';
import { useRouter, type Href } from 'expo-router';
import { useMemo, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { type Kit, type Parameter, type Tank } from '../../../core/document';
import { besides, type Assessment } from '../../../core/readiness';
import { lastOf, type TankEvidence } from '../../../core/evidence';
import { SCHOOL_WORDS, sentence, WORDS } from '../../../core/words';
import { selectAssessment, selectEvidence, useAppSelector, useNow, weekdayShort } from '../../store';
import { Button, Go, Later, Row, Screen, space, Txt, useWide } from '../../ui';
import { TideStaff } from '../../ui/charts/TideStaff';
import { Boundary, part, useWords, WithTank } from '../shell';
import { GateEvidence } from './GateEvidence';
import { isDated, type LikelyState } from './likely';
import { WorkingOut } from './WorkingOut';
import { besidesWords, staffRows, testWords } from './model';
import { Reminders } from './Reminders';

/** The forecast's part of the page comes after the page. */
const LikelyDates = part(
  () => import('./Likely').then((m) => m.LikelyDates),
  () => <WorkingOut />,
);

export function TodayScreen() {
  return (
    <Boundary>
      <WithTank>{(tank) => <Today tank={tank} />}</WithTank>
    </Boundary>
  );
}

/** The gate the tank stands at: one word, one sentence why, what opens it; every statement opens its evidence. */
function Today({ tank }: { tank: Tank }) {
  const now = useNow();
  const wide = useWide();
  const words = useWords();
  const router = useRouter();
  const assessment = useAppSelector((s) => selectAssessment(s, tank.id, now));
  const evidence = useAppSelector((s) => selectEvidence(s, tank.id, now));
  const here = assessment.gates.find((g) => g.status === 'here')?.id ?? null;
  const [said, setSaid] = useState<LikelyState>({ kind: 'working' });
  const likely: LikelyState = isDated(here) ? said : { kind: 'off' };
  const [opened, setOpened] = useState<string | null>(null);
  const shownGate = opened ?? here;
  const { fish, coral, alarms } = assessment;
  const panel = (id: string | null) => (
    <GateEvidence tank={tank} gateId={id} assessment={assessment} evidence={evidence} />
  );
  const also = besidesWords(
    useMemo(() => besides(evidence), [evidence]),
    words,
  );
  const extra = alarms.filter((a) => a.code !== fish.reason.code);

  return (
    <Screen
      title="Today"
      aside={
        wide ? (
          <>
            {panel(shownGate)}
            <NextTest tank={tank} assessment={assessment} evidence={evidence} likely={likely} />
          </>
        ) : undefined
      }
      footer={
        wide ? undefined : (
          <NextTest tank={tank} assessment={assessment} evidence={evidence} likely={likely} />
        )
      }
    >
      <Txt
        kind={wide ? 'wordWide' : 'word'}
        heading={1}
        tone={
          fish.word === 'actNow' ? 'ammonia' : fish.word === 'go' || fish.word === 'goSmall' ? 'go' : 'ink'
        }
        style={styles.word}
      >
        {WORDS[fish.word]}
      </Txt>
      <View style={styles.reasons}>
        <Txt style={styles.big}>{`${sentence(fish.reason, words)} ${sentence(fish.opens, words)}`}</Txt>
        <Txt
          kind={coral.word === 'goSmall' ? 'strong' : 'body'}
          tone={coral.word === 'goSmall' ? 'go' : 'second'}
          style={coral.word === 'goSmall' && styles.big}
        >
          {coral.word === 'goSmall'
            ? sentence(coral.reason, words)
            : `Corals: ${WORDS[coral.word].toLowerCase()}. ${sentence(coral.reason, words)}`}
        </Txt>
        {extra.map((a) => (
          <Txt key={sentence(a, words)} kind="small" tone="nitrite">
            {sentence(a, words)}
          </Txt>
        ))}
      </View>
      {isDated(here) ? (
        <LikelyDates key={tank.id} tank={tank} gate={here} now={now} onState={setSaid} />
      ) : null}
      <Later>
        <Reminders tank={tank} />
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
          {`Judged by ${SCHOOL_WORDS[tank.school].title.toLowerCase()}: ${SCHOOL_WORDS[tank.school].rule}`}
        </Txt>
        {also ? (
          <Txt kind="small" tone="second">
            {also}
          </Txt>
        ) : null}
        <Row wrap>
          <Go href={`/tank/${tank.id}/school` as Href}>Seven schools side by side</Go>
          <Button
            kind="quiet"
            icon="edit"
            label="Edit tank"
            onPress={() => router.push(`/tank/${tank.id}/edit` as Href)}
          />
        </Row>
      </Later>
    </Screen>
  );
}

/** What to test next, within reach of the thumb: the due ones, or the day on which a test tells most. */
function NextTest({
  tank,
  assessment,
  evidence,
  likely,
}: {
  tank: Tank;
  assessment: Assessment;
  evidence: TankEvidence;
  likely: LikelyState;
}) {
  const router = useRouter();
  const kitOf = (p: Parameter): Kit | undefined => lastOf(evidence.series[p])?.kit;
  const { title, text } = testWords(
    assessment.due,
    kitOf,
    likely.kind === 'said' && likely.likely.nextTest
      ? {
          what: likely.likely.nextTest.what,
          atMs: likely.likely.atMs + likely.likely.nextTest.day * DAY_MS,
        }
      : null,
    evidence.nowMs,
    weekdayShort,
  );
  return (
    <Row style={styles.next}>
      <View style={styles.nextWords}>
        <Txt kind="row">{title}</Txt>
        <Txt kind="small" tone="second">
          {text}
        </Txt>
      </View>
      <Button
        kind="primary"
        label="Log"
        name="Log a sample"
        onPress={() => router.push(`/tank/${tank.id}/log` as Href)}
      />
    </Row>
  );
}

const styles = StyleSheet.create({
  word: { marginTop: space(2), marginLeft: -3 },
  reasons: { gap: space(1), marginBottom: space(2) },
  big: { fontSize: 19, lineHeight: 27 },
  next: { justifyContent: 'space-between' },
  nextWords: { flexShrink: 1, flexGrow: 1 },
});
