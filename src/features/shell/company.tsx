/** Verdicts on an animal, the same at every door: how grave, in words, and what would lift it. */
import type { Warning } from '../../../core/company';
import { inUnits, sentence } from '../../../core/words';
import { liftWords, severityWord } from '../../../core/words/company';
import { Txt } from '../../ui';
import { useWords } from './water';

export const toneOfGravity = ({ severity }: Pick<Warning, 'severity'>): 'ammonia' | 'nitrite' | 'second' =>
  severity === 'no' ? 'ammonia' : severity === 'onlyIf' ? 'nitrite' : 'second';

/** @param brief without what would lift it; @param graded where how grave it is stands above them */
export function Verdicts({
  of,
  brief = false,
  graded = false,
}: {
  of: readonly Warning[];
  brief?: boolean;
  graded?: boolean;
}) {
  const words = useWords();
  const all = of.map((w) => ({ ...w, text: sentence(w.says, words) }));
  // What is said of several in the same words is said once, as grave as it is for any.
  const said = all.filter(({ text }, i) => all.findIndex((w) => w.text === text) === i);
  return (
    <>
      {said.map(({ text, ...w }) => {
        const lift = brief ? null : liftWords(w.says);
        return (
          <Txt key={text}>
            {graded ? null : <Txt kind="strong" tone={toneOfGravity(w)}>{`${severityWord(w)}. `}</Txt>}
            {text}
            {lift ? <Txt tone="second">{` ${inUnits(lift, words.units)}`}</Txt> : null}
          </Txt>
        );
      })}
    </>
  );
}
