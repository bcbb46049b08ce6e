import { StyleSheet, View } from 'react-native';
import type { Assessment, Judgement } from '../../../core/readiness';
import { sentence, WORDS } from '../../../core/words';
import { space, Txt, useTheme, type Role } from '../../ui';
import { useWords } from '../shell';

export const toneOf = (word: Judgement['word']): Role =>
  word === 'actNow' ? 'ammonia' : word === 'go' || word === 'goSmall' ? 'go' : 'ink';

/** The second answer: may something be added, and what kind. Crew and corals are named where they differ from fish. */
export function MayBeAdded({ assessment }: { assessment: Assessment }) {
  const { roles } = useTheme();
  const words = useWords();
  const { fish, crew, coral } = assessment;
  return (
    <View style={[styles.part, { borderColor: roles.hairline }]}>
      <Txt kind="section" heading={2}>
        May something be added?
      </Txt>
      <Txt kind="title" tone={toneOf(fish.word)}>
        {WORDS[fish.word]}
      </Txt>
      <Txt>{`${sentence(fish.reason, words)} ${sentence(fish.opens, words)}`}</Txt>
      <OtherKind name="Cleaners" judgement={crew} fish={fish} />
      <OtherKind name="Corals" judgement={coral} fish={fish} />
    </View>
  );
}

/** A kind that is judged otherwise than fish. */
export function OtherKind({
  name,
  judgement,
  fish,
}: {
  name: string;
  judgement: Judgement;
  fish: Judgement;
}) {
  const words = useWords();
  const said = sentence(judgement.reason, words);
  if (judgement.word === fish.word && said === sentence(fish.reason, words)) return null;
  const go = judgement.word === 'goSmall' || judgement.word === 'go';
  return (
    <Txt kind={go ? 'strong' : 'body'} tone={go ? 'go' : 'second'}>
      {`${name}: ${WORDS[judgement.word].toLowerCase()}. ${said}`}
    </Txt>
  );
}

const styles = StyleSheet.create({
  part: { borderTopWidth: 1, marginTop: space(4), paddingTop: space(4), gap: space(1) },
});
