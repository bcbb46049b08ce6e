import type { Judgement } from '../../../core/readiness';
import { sentence, WORDS } from '../../../core/words';
import { Txt, type Role } from '../../ui';
import { useWords } from '../shell';

export const toneOf = (word: Judgement['word']): Role =>
  word === 'actNow' ? 'ammonia' : word === 'go' || word === 'goSmall' ? 'go' : 'ink';

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
