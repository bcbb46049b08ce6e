import type { Href } from 'expo-router';
import { usualOf } from '../../../core/arrivals';
import { assumedOf, speciesById, type Species } from '../../../core/species';
import { DOUBT_SHARE, FAMILY_WORDS, FIELDS, type SourceClass } from '../../../core/species/fields';
import { guideOf } from '../../../core/species/guide';
import { dailyLoadMgN } from '../../../core/stocking';
import { showQuantity, showRange } from '../../../core/units';
import { inUnits } from '../../../core/words';
import { DIET_WORDS, PREY_WORDS } from '../../../core/words/company';
import { errorReport } from '../../../core/words/glossary';
import { useKinds } from '../../store';
import { Button, Caution, Go, Line, Section, Txt } from '../../ui';
import { useParam, useUnits } from '../shell';
import { download } from '../shell/download';
import { ASSUMED_WORDS } from './kindWords';
import { mgNADay } from './model';

const CORALS_WORDS: Record<Species['reefSafe'], string> = {
  yes: 'safe',
  caution: 'with caution',
  no: 'not safe',
};
const TERRITORY_WORDS: Record<Species['territory'], string> = {
  none: '',
  cave: ', defends its cave',
  patch: ', defends a patch',
  tank: ', defends the whole tank',
};
const BRED_WORDS: Record<Species['bred'], string> = {
  usual: 'to be had, ask for them',
  some: 'now and then',
  wild: 'hardly: from the sea',
};
const DANGERS: Record<Species['danger'], string | null> = {
  none: null,
  spines: 'Sharp spines or blades: a net and gloves, never a bare hand.',
  venom:
    'Venomous spines: never a bare hand. After a sting hand-hot water, at most {temperature:45:0}, then a doctor.',
  sting: 'It stings: gloves. After contact with eyes, or with a rash that spreads, a doctor.',
  toxin: 'It carries a toxin: gloves and goggles, never boil, scrub dry or eat; after contact, a doctor.',
};
const SOURCE_WORDS: Record<SourceClass, string> = {
  fieldGuide: 'field guides and public databases',
  tradePractice: 'what traders and keepers agree on',
  measured: 'published measurements',
};

/** "one only", "2 at most", "groups of 3 or more" */
function groupRule({ maxPerTank, leastGroup }: Species): string {
  if (maxPerTank === 1) return 'one only';
  if (leastGroup > 1) return `groups of ${leastGroup} or more`;
  return maxPerTank === null
    ? 'one or several'
    : maxPerTank === 2
      ? 'one or a pair'
      : `${maxPerTank} at most`;
}

/** What a kind is like: size, room, company, food, what it needs; where that is from and how sure it is. */
export function SpeciesFacts({ species, adultOnly = false }: { species: Species; adultOnly?: boolean }) {
  const units = useUnits();
  const kinds = useKinds();
  const waterId = useParam('waterId');
  const own = kinds.species[species.id];
  const like = own ? speciesById(own.likeId) : species;
  const guide = guideOf(like);
  const care = guide?.care ?? '';
  const usual = usualOf(species);
  const danger = DANGERS[species.danger];
  const doubt = Math.round(DOUBT_SHARE[species.doubt] * 100);
  return (
    <>
      <Txt kind="section" heading={2}>
        {species.common}
      </Txt>
      <Txt tone="second" style={{ fontStyle: 'italic' }}>
        {species.scientific}
      </Txt>
      {!own && guide && guide.names.length > 0 ? (
        <Txt kind="small" tone="second">{`Also called ${guide.names.join(', ')}.`}</Txt>
      ) : null}
      <Txt>{own ? `Of ${like.common}: ${inUnits(care, units)}` : inUnits(care, units)}</Txt>
      {usual ? <Txt kind="small" tone="second">{`At first: ${usual}`}</Txt> : null}
      {danger ? <Caution>{inUnits(danger, units)}</Caution> : null}
      <Line name="Family" value={FAMILY_WORDS[species.family] ?? species.family} />
      <Line name="Grows to" value={`${showQuantity('length', species.adultCm, units, 0)}, ±${doubt} %`} />
      <Line name="Smallest tank" value={showQuantity('volume', species.minTankL, units, 0)} />
      <Line name="Least length" value={showQuantity('length', species.minTankCm, units, 0)} />
      <Line name="Temperament" value={`${species.temperament}${TERRITORY_WORDS[species.territory]}`} />
      <Line name="Kept as" value={groupRule(species)} />
      <Line name="With corals" value={CORALS_WORDS[species.reefSafe]} />
      <Line name="Lives on" value={species.diet.map((d) => DIET_WORDS[d]).join(', ')} />
      {species.eats.length > 0 ? (
        <Line name="May eat" value={species.eats.map((p) => PREY_WORDS[p]).join(', ')} />
      ) : null}
      <Line name="Water" value={showRange('temperature', species.tempC, units)} />
      <Line name="Hardiness" value={species.hardiness} />
      <Line name="Jumps" value={species.jumps ? 'yes: lid' : 'rarely'} />
      {species.minTankAgeDays > 0 ? (
        <Line name="Tank at least" value={`${species.minTankAgeDays} days old`} />
      ) : null}
      <Line name="Out again" value={species.exit === 'hard' ? 'hard to catch or take out' : 'easy'} />
      <Line name="Captive-bred" value={BRED_WORDS[species.bred]} />
      {adultOnly ? null : <Line name="One makes" value={mgNADay(dailyLoadMgN(species, species.arrivalCm))} />}
      {species.load.kind === 'fish' ? (
        <Line name="Grown up" value={mgNADay(dailyLoadMgN(species, species.adultCm))} />
      ) : null}
      {species.sensitivities.length > 0 ? (
        <Line name="Minds" value={species.sensitivities.join(', ')} />
      ) : null}
      {species.coral ? <CoralFacts coral={species.coral} /> : null}
      {own ? (
        <Txt kind="small" tone="nitrite">
          {`A kind of your own. Assumed as of ${like.common}: ${assumedOf(own)
            .map((f) => ASSUMED_WORDS[f])
            .join(', ')}, and all its habits.`}
        </Txt>
      ) : null}
      {own ? (
        <Go href={`/water/${waterId}/stock/kind?kind=${own.id}` as Href}>What you know of it, corrected</Go>
      ) : null}
      <Txt kind="small" tone="second">
        {`Sizes from ${SOURCE_WORDS[FIELDS.adultCm.source]}; room, company and habits from ${SOURCE_WORDS[FIELDS.minTankL.source]}. Guides differ. Buy from legal, traceable sources; never release animals to the wild.`}
      </Txt>
      <Button
        kind="quiet"
        label="Report an error in this"
        onPress={() =>
          download(
            'zoarium-error.txt',
            'text/plain',
            errorReport(
              species.common,
              `${species.scientific}: grows to ${species.adultCm} cm, smallest tank ${species.minTankL} L, ` +
                `${species.temperament}, lives on ${species.diet.join(', ')}. ${care}`,
            ),
          )
        }
      />
    </>
  );
}

/** What a coral wants of its place, and what it does to its neighbours. */
function CoralFacts({ coral }: { coral: NonNullable<Species['coral']> }) {
  const units = useUnits();
  const [low, high] = coral.light;
  return (
    <Section title="Its place">
      <Line name="Light" value={`${low} to ${high} PAR`} />
      <Line name="Flow" value={coral.flow} />
      <Line
        name="Stings"
        value={
          coral.stingCm === 0
            ? 'not beyond its edge'
            : `${showQuantity('length', coral.stingCm, units, 0)} beyond its edge`
        }
      />
      <Line name="Grows" value={`about ${showQuantity('length', coral.growthCmYear, units, 0)} a year`} />
      <Line
        name="Nutrients"
        value={{ clean: 'low but not zero', some: 'a little', rich: 'fed, rich water' }[coral.nutrients]}
      />
      <Line
        name="Skeleton"
        value={{ no: 'none', slow: 'slow', fast: 'fast: uses alkalinity and calcium' }[coral.calcifies]}
      />
    </Section>
  );
}
