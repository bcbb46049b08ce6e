import { useMemo } from 'react';
import type { Href } from 'expo-router';
import { feedingOf } from '../../../core/arrivals';
import { companyOf, fewestToGo, grownMgN, membersOf, tankOf } from '../../../core/company';
import type { Display, Document } from '../../../core/document';
import type { WaterEvidence } from '../../../core/evidence';
import { foodLimit, type FoodLimit, type Living } from '../../../core/living';
import { dailyLoadMgN, skeletonUse } from '../../../core/stocking';
import { foodGrams, LEAST_G, sentence } from '../../../core/words';
import { commit, localDay, shortWrittenDay, useAppDispatch } from '../../store';
import { Button, Go, Line, Row, Section, Txt } from '../../ui';
import { useWords } from '../shell';
import { type StairView, mgNADay } from './model';

/** How much is fed now: less for those who just came, and no more than Today lets. */
export function Fed({ evidence, living }: { evidence: WaterEvidence; living: Living | null }) {
  const feeding = feedingOf(evidence);
  if (!feeding) return null;
  const limit = foodLimit(living);
  const { nowG, fullG, fullInDays } = feeding;
  return (
    <Section title="Food">
      <Line name="Dry food a day, for all fish" value={foodWords(limit, nowG)} />
      {limit !== null ? (
        <Txt kind="small" tone="second">
          {LIMITED[limit]}
        </Txt>
      ) : null}
      {limit === null && fullInDays > 0 ? (
        <Txt kind="small" tone="second">
          Those who just came get a part: the bacteria follow in days.{' '}
          {`All of it, ${foodGrams(fullG)} a day, in ${fullInDays} ${fullInDays === 1 ? 'day' : 'days'}, if ammonia reads zero until then.`}{' '}
          Frozen food weighs five times as much.
        </Txt>
      ) : null}
    </Section>
  );
}

function foodWords(limit: FoodLimit | null, nowG: number): string {
  const grams = limit === 'half' ? nowG / 2 : nowG;
  if (limit === 'none' || grams < LEAST_G) return 'none today';
  return limit === 'little' ? `less than ${grams.toFixed(2)} g` : `about ${grams.toFixed(2)} g`;
}

const LIMITED: Record<FoodLimit, string> = {
  none: 'The water is not safe: Today says what to do. A day or two without food does no harm.',
  half: 'Half of the usual, until ammonia and nitrite read zero again.',
  little: 'Little, until the test is repeated.',
};

/** The load of today, with all that are wished for, and grown up; and what skeletons take. */
export function LoadToCome({
  doc,
  water,
  evidence,
  stair: { loadMgN, isFed },
}: {
  doc: Document;
  water: Display;
  evidence: WaterEvidence;
  stair: Pick<StairView, 'loadMgN' | 'isFed'>;
}) {
  const members = membersOf(doc, water);
  const coming = members.filter((m) => m.stage !== 'here');
  const brought = coming.reduce((sum, m) => sum + m.count * dailyLoadMgN(m.species, m.species.arrivalCm), 0);
  const grown = members.map((m) => skeletonUse(m.species, m.species.adultCm, m.count, evidence.netL));
  const dkh = grown.reduce((sum, g) => sum + g.alkalinityDkh, 0);
  const calcium = grown.reduce((sum, g) => sum + g.calciumMgL, 0);
  if (members.length === 0) return null;
  return (
    <Section title="Load to come">
      <Line name={isFed ? 'Today, by the food logged' : 'Today'} value={mgNADay(loadMgN)} />
      {coming.length > 0 ? (
        <Line name="With all wishes, as bought" value={mgNADay(loadMgN + brought)} />
      ) : null}
      <Line name="All of them grown up" value={mgNADay(grownMgN(members))} />
      {dkh > 0.005 ? (
        <Line
          name="Skeletons, grown up"
          value={`${dkh.toFixed(2)} dKH and ${calcium.toFixed(1)} mg/L Ca a day`}
        />
      ) : null}
    </Section>
  );
}

/** Animals that were told of when the tank was described, and were never named. */
export function Unnamed({ water, day }: { water: Display; day: string }) {
  const dispatch = useAppDispatch();
  const { told } = water;
  if (!told) return null;
  const all: Display = { ...water, told: { ...told, allNamed: true } };
  return (
    <>
      <Txt tone="ammonia">
        {`Animals are in it, as told on ${shortWrittenDay(day)}, and none of them is named. ` +
          'Find each, and say since when it is in: no load is reckoned before.'}
      </Txt>
      <Row>
        <Button
          kind="quiet"
          label="No other animal is in it"
          onPress={() =>
            dispatch(commit('No animal is in it but those named', [{ put: 'waters', entity: all }]))
          }
        />
      </Row>
    </>
  );
}

/** Whether all of them may live together, in a line. */
export function CompanyLine({
  doc,
  water,
  evidence,
}: {
  doc: Document;
  water: Display;
  evidence: WaterEvidence;
}) {
  const words = useWords();
  const { gravest, many } = useMemo(() => {
    const tank = tankOf(evidence, localDay);
    const members = membersOf(doc, water);
    const clash = companyOf(tank, members).find((f) => f.severity === 'no' && f.lasting);
    return { gravest: clash, many: clash ? (fewestToGo(tank, members)?.length ?? 0) : 0 };
  }, [doc, water, evidence]);
  return (
    <>
      {gravest ? <Txt tone="ammonia">{sentence(gravest.says, words)}</Txt> : null}
      <Go href={`/water/${water.id}/stock/company` as Href}>
        {many > 1 ? `Who lives with whom: ${many} would have to go` : 'Who lives with whom'}
      </Go>
    </>
  );
}
