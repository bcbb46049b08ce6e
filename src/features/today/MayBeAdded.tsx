import type { Href } from 'expo-router';
import { useMemo } from 'react';
import { View } from 'react-native';
import { isOfDisplay, type WaterEvidence } from '../../../core/evidence';
import type { Assessment } from '../../../core/readiness';
import { hopelessWishes, nextWish, type NextWish } from '../../../core/company';
import type { WithKinds } from '../../../core/species';
import { animalWords, sentence, WORDS } from '../../../core/words';
import { localDay, selectDocument, useAppSelector } from '../../store';
import { Go, space, Txt, useTheme, styleSheet } from '../../ui';
import { useWords } from '../shell';
import { Verdicts } from '../shell/company';
import { useAdditionPeaks } from '../shell/quietForecast';
import { FallowPanel } from './FallowPanel';
import { OtherKind, toneOf } from './OtherKind';

/** The second answer: may something be added, and what kind. Crew and corals are named where they differ from fish. */
export function MayBeAdded({ assessment, evidence }: { assessment: Assessment; evidence: WaterEvidence }) {
  const { roles } = useTheme();
  const words = useWords();
  const doc = useAppSelector(selectDocument);
  const { fish, crew, coral } = assessment;
  const open = fish.word === 'go' || fish.word === 'goSmall';
  const wished = open && nextWish(doc, evidence, assessment, localDay) !== null;
  // The forecast is asked only where there is a wish that may come next.
  const peaks = useAdditionPeaks(evidence.water.id, evidence.nowMs, wished);
  const wish = wished ? nextWish(doc, evidence, assessment, localDay, peaks) : null;
  // The gravest of each alone: Today is no list of everything.
  const seenTo = wish?.warnings.filter((w) => w.severity === 'onlyIf').slice(0, 1) ?? [];
  const hopeless = useMemo(() => hopelessWishes(doc, evidence, localDay).slice(0, 1), [doc, evidence]);
  return (
    <>
      {isOfDisplay(evidence) ? <FallowPanel water={evidence.water} now={evidence.nowMs} /> : null}
      <View style={[styles.part, { borderColor: roles.hairline }]}>
        <Txt kind="section" heading={2}>
          May something be added?
        </Txt>
        <Txt kind="title" tone={toneOf(fish.word)}>
          {WORDS[fish.word]}
        </Txt>
        <Txt>{`${sentence(fish.reason, words)} ${sentence(fish.opens, words)}`}</Txt>
        {wish ? (
          <Go href={`/water/${evidence.water.id}/stock/${wish.animal.id}` as Href}>
            {wishWords(evidence, wish)}
          </Go>
        ) : null}
        <Verdicts of={seenTo} brief />
        {hopeless.map((f) => (
          <Txt key={sentence(f.says, words)} kind="small" tone="second">
            {`A wish no day is right for: ${sentence(f.says, words)}`}
          </Txt>
        ))}
        <OtherKind name="Cleaners" judgement={crew} fish={fish} />
        <OtherKind name="Corals" judgement={coral} fish={fish} />
      </View>
    </>
  );
}

/** "Next of your wishes: neon goby. 11 of 40 mg N a day are in use; it brings 2.1." */
function wishWords(kinds: WithKinds, { animal, count, forecast, carriesMgN }: NextWish): string {
  const brings = `it brings ${forecast.addedMgN.toFixed(1)}`;
  const used =
    carriesMgN === null
      ? `${forecast.presentMgN.toFixed(1)} mg N a day are in use; ${brings}`
      : `${forecast.presentMgN.toFixed(1)} of ${carriesMgN.toFixed(0)} mg N a day are in use; ${brings}`;
  const ofThem = count < animal.count ? `, ${count} of ${animal.count}` : '';
  return `Next of your wishes: ${animalWords(kinds, { ...animal, count })}${ofThem}. ${used}.`;
}

const styles = styleSheet({
  part: { borderTopWidth: 1, marginTop: space(4), paddingTop: space(4), gap: space(1) },
});
