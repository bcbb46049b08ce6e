import { DAY_MS } from '../../../core/time';
import { useRouter, type Href } from 'expo-router';
import { View } from 'react-native';
import { PARAMETER_NAMES, type Kit, type Parameter, type Water } from '../../../core/document';
import { lastOf, type WaterEvidence } from '../../../core/evidence';
import type { Assessment } from '../../../core/readiness';
import { teachesWords } from '../../../core/words/teaching';
import { weekdayShort } from '../../store';
import { Button, Row, Txt, styleSheet } from '../../ui';
import type { LikelyState } from './likely';
import { testWords } from './model';

const AFTER_ACTING = {
  title: 'Test again an hour after',
  text: 'Then in the evening, and in the morning.',
};

/** What is watched is read again before the day is over, due or not. */
const againWords = (watched: readonly Parameter[]) => ({
  title: `Test ${watched.map((p) => PARAMETER_NAMES[p]).join(' and ')} again today`,
  text: 'With another instrument, where you have one.',
});

/** What to test next, within reach of the thumb: the due ones, or the day on which a test tells most. */
export function NextTest({
  water,
  assessment,
  evidence,
  likely = { kind: 'off' },
}: {
  water: Water;
  assessment: Assessment;
  evidence: WaterEvidence;
  likely?: LikelyState;
}) {
  const router = useRouter();
  const kitOf = (p: Parameter): Kit | undefined => lastOf(evidence.series[p])?.kit;
  const due = testWords(
    assessment.due,
    kitOf,
    likely.kind === 'said' && likely.likely.nextTest
      ? {
          parameters: likely.likely.nextTest.parameters,
          atMs: likely.likely.atMs + likely.likely.nextTest.day * DAY_MS,
          why: teachesWords(likely.likely.nextTest, evidence.isInhabited),
        }
      : null,
    evidence.nowMs,
    weekdayShort,
  );
  // First the steps, then the test that shows whether they helped.
  const { living } = assessment;
  const acting = living?.word === 'actNow' && !living.again.some((t) => assessment.due.includes(t.parameter));
  const watched = living?.again.map((t) => t.parameter) ?? [];
  const again = living?.word === 'watch' && assessment.due.length === 0 && watched.length > 0;
  const { title, text } = acting ? AFTER_ACTING : again ? againWords(watched) : due;
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
        onPress={() => router.push(`/water/${water.id}/log` as Href)}
      />
    </Row>
  );
}

const styles = styleSheet({
  next: { justifyContent: 'space-between' },
  nextWords: { flexShrink: 1, flexGrow: 1 },
});
