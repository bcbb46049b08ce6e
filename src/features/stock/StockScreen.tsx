import { compared, MINUTE_MS } from '../../../core/time';
import { Link, useRouter, type Href } from 'expo-router';
import { useMemo } from 'react';
import { View } from 'react-native';
import {
  isIn,
  isOpen,
  placeOf,
  quarantinesOf,
  waterOf,
  type Animal,
  type Display,
  type Water,
} from '../../../core/document';
import { plannedAnimals } from '../../../core/planner';
import { waterHolds } from '../../../core/readiness';
import { NEAR_ZERO_MG_N, type Capacity } from '../../../core/stocking';
import { speciesOf } from '../../../core/species';
import { showQuantity } from '../../../core/units';
import { netVolume } from '../../../core/volume';
import { animalWords, placeWords } from '../../../core/words';
import {
  localDay,
  localMidnight,
  newestPlan,
  selectAssessment,
  selectDocument,
  selectEvidence,
  shortDay,
  useAppSelector,
  useNow,
  useKinds,
} from '../../store';
import {
  Button,
  Empty,
  Go,
  Line,
  Row,
  Screen,
  Section,
  space,
  Table,
  Txt,
  useTheme,
  useWide,
  styleSheet,
} from '../../ui';
import { LoadStair } from '../../ui/charts/LoadStair';
import { useUnits, WithWater } from '../shell';
import { QuietPlan } from '../shell/quietPlan';
import { WaterFirst } from '../shell/WaterFirst';
import { QuarantineLane } from '../shell/quarantine/QuarantineLane';
import { Treatments } from '../shell/treatments/Treatments';
import { quarantineView } from '../shell/quarantine/view';
import { dayWords } from './dayWords';
import { byName, loadWords, stairView, type StairView, mgNADay } from './model';
import { CompanyLine, Fed, LoadToCome, Unnamed } from './StockParts';

export function StockScreen() {
  return (
    <WithWater>
      {(water) => (water.kind === 'display' ? <Stock water={water} /> : <Passing water={water} />)}
    </WithWater>
  );
}

/** The stair of load under the ceiling, who is in quarantine, who lives here, who is wished for. */
function Stock({ water }: { water: Display }) {
  const now = useNow(MINUTE_MS);
  const router = useRouter();
  const wide = useWide();
  const units = useUnits();
  const doc = useAppSelector(selectDocument);
  const evidence = useAppSelector((s) => selectEvidence(s, water.id, now));
  const today = localDay(now);
  const assessment = useAppSelector((s) => selectAssessment(s, water.id, now));
  const freeShare = assessment.freeAmmonia?.fraction ?? null;
  const held = waterHolds(assessment);
  const animals = useMemo(
    () => Object.values(doc.animals).filter((a) => a.homeId === water.id),
    [doc.animals, water.id],
  );
  const stair = useMemo(
    () => stairView(evidence, animals, today, freeShare, localDay),
    [evidence, animals, today, freeShare],
  );
  const serving = quarantinesOf(doc, water.id);
  const quarantines = serving.filter(isOpen);
  const closed = serving.filter((q) => !isOpen(q));
  const room = stair.roomMgN;
  const title = held
    ? 'No room now'
    : room === null
      ? 'Nothing proved yet'
      : room > 0.5
        ? `Room for ${Math.floor(room)} mg a day`
        : 'No room yet';
  const purchases = Object.values(doc.purchases)
    .filter((p) => p.waterId === water.id)
    .sort((a, b) => compared(b.at, a.at));
  const watched = new Set(serving.map((q) => q.id));
  const elsewhere = (a: Animal): boolean => {
    const at = waterOf(placeOf(a));
    return at !== null && at !== water.id && !watched.has(at);
  };
  const { unnamedSince } = evidence;
  const lists: readonly { title: string; animals: Animal[]; none: string | null; unnamed?: string | null }[] =
    [
      {
        title: 'In the display',
        animals: animals.filter((a) => isIn(a, water.id)),
        none: unnamedSince === null ? 'No animal yet.' : '',
        unnamed: unnamedSince,
      },
      { title: 'Elsewhere', animals: animals.filter(elsewhere), none: null },
      {
        title: 'Wished for',
        animals: animals.filter((a) => placeOf(a).kind === 'wish'),
        none: 'Nothing wished for yet.',
      },
      { title: 'Gone', animals: animals.filter((a) => placeOf(a).kind === 'gone'), none: null },
    ];

  const plan = newestPlan(doc.plans, water.id);
  const hopeless = useMemo(
    () => new Set(plannedAnimals(doc, water, evidence, localDay).never.map(({ animal }) => animal.id)),
    [doc, water, evidence],
  );
  const quarantine = (
    <Section>
      <Row style={styles.between}>
        <Txt kind="section" heading={2}>
          In quarantine
        </Txt>
        <Button
          kind="quiet"
          icon="add"
          label="New quarantine"
          onPress={() => router.push(`/water/new?kind=quarantine&serves=${water.id}` as Href)}
        />
      </Row>
      {quarantines.length === 0 ? (
        <Txt tone="second">Every animal waits here first: one unquarantined fish has ended many tanks.</Txt>
      ) : null}
      {quarantines.map((q) => (
        <QuarantineLane
          key={q.id}
          view={quarantineView(doc, q, now, localDay)}
          right={showQuantity('volume', netVolume(q).netL, units, 0)}
        />
      ))}
      {closed.map((q) => (
        <Go key={q.id} href={`/water/${q.id}` as Href}>{`${q.name}, out of use`}</Go>
      ))}
    </Section>
  );

  return (
    <Screen
      title="Stock"
      aside={
        <>
          {wide ? quarantine : null}
          {stair.capacity ? (
            <Section title="What the ceiling says">
              {stair.capacity.by === 'proof' ? (
                <Line
                  name="Cleared at the dose"
                  value={`${stair.capacity.atDoseMgN.toFixed(0)} mg N a day`}
                />
              ) : null}
              <Line
                name="The same near zero, when proved"
                value={`${stair.capacity.nearZeroProvedMgN.toFixed(0)} mg N a day`}
              />
              <Line
                name="Near zero, today"
                value={`${stair.capacity.nearZeroNowMgN.toFixed(0)} mg N a day`}
              />
              <Line name={makesWords(stair)} value={mgNADay(stair.loadMgN)} />
              <Txt
                kind="small"
                tone="second"
              >{`Animals should live in ammonia no kit can see (${NEAR_ZERO_MG_N} mg N/L), where bacteria take up far less than at 2 mg/L: X·A/(Ka + A), Ka 0.5 mg N/L. Unfed, it fades by 5 % a day towards what the present load keeps alive. ${stair.capacity.by === 'proof' ? 'Proved on' : 'Shown by what lives here, fed and at zero for two weeks up to'} ${shortDay(stair.capacity.provedMs)}. Estimates, not promises.`}</Txt>
            </Section>
          ) : null}
          <LoadToCome doc={doc} water={water} evidence={evidence} stair={stair} />
          <Treatments water={water} now={now} />
        </>
      }
    >
      <QuietPlan water={water} isNear />
      <Txt kind="title" heading={1}>
        {title}
      </Txt>
      {held ? <WaterFirst waterId={water.id} held={held} /> : null}
      <Txt kind="small" tone="second">
        nitrogen from feeding, mg N a day
      </Txt>
      {stair.capacity && stair.isPaced && !held ? (
        <Txt kind="small" tone="second">
          {paceWords(stair.capacity)}
        </Txt>
      ) : null}
      {stair.steps.length > 0 || stair.capacity ? (
        <LoadStair
          steps={stair.steps}
          ceiling={stair.ceiling}
          nowMs={now}
          fromMs={stair.fromMs}
          toMs={stair.toMs}
          midnight={localMidnight}
          dayLabel={shortDay}
          summary={stairWords(stair)}
        />
      ) : (
        <Empty
          title="An empty stair"
          text={
            evidence.isInhabited
              ? 'It grows with the animals as they are named; the ceiling appears after two weeks of zeros with them fed.'
              : 'It grows with the first animals; the ceiling appears when a proof is logged.'
          }
        />
      )}
      {wide ? null : quarantine}
      <CompanyLine doc={doc} water={water} evidence={evidence} />
      <Row wrap>
        <Button
          kind="primary"
          icon="find"
          label="Find an animal"
          onPress={() => router.push(`/water/${water.id}/stock/species` as Href)}
        />
        <Button
          icon="add"
          label="Something came home"
          onPress={() => router.push(`/water/${water.id}/stock/buy` as Href)}
        />
        <Button
          icon="forecast"
          label="Who comes when"
          onPress={() => router.push(`/water/${water.id}/stock/plan` as Href)}
        />
        <Button
          icon="drip"
          label="Plan a drip"
          onPress={() => router.push(`/water/${water.id}/drip/new` as Href)}
        />
      </Row>
      {lists.map(({ title, animals: here, none, unnamed }) =>
        here.length === 0 && none === null ? null : (
          <Section key={title} title={title}>
            {unnamed ? <Unnamed water={water} day={unnamed} /> : null}
            {here.length === 0 && none ? <Txt tone="second">{none}</Txt> : null}
            {byName(doc, here).map((a) => (
              <AnimalRow
                key={a.id}
                animal={a}
                waterId={water.id}
                right={dayWords(a, plan, today, hopeless.has(a.id)) ?? undefined}
              />
            ))}
          </Section>
        ),
      )}
      {purchases.length > 0 ? (
        <Section title="Came home">
          {purchases.map((p) => (
            <Go key={p.id} kind="row" href={`/water/${water.id}/stock/arrival?id=${p.id}` as Href}>
              {`${shortDay(Date.parse(p.at))}: ${p.animalIds.flatMap((id) => (doc.animals[id] ? [animalWords(doc, doc.animals[id])] : [])).join(', ') || 'none of them is left'}`}
            </Go>
          ))}
        </Section>
      ) : null}
      <Fed evidence={evidence} living={assessment.living} />
      <Row wrap>
        <Go href={`/water/${water.id}/stock/board` as Href}>The place of each thing</Go>
        <Go href={`/water/${water.id}/photos` as Href}>Photos</Go>
        <Go href={`/water/${water.id}/stock/money` as Href}>What it costs</Go>
        <Go href={`/water/${water.id}/stock/upgrade` as Href}>All into another tank</Go>
      </Row>
      {stair.steps.length > 0 ? (
        <Section title="The stair in figures">
          <Table
            caption="Load by step, mg N a day"
            columns={[
              { title: 'from', flex: 0.8 },
              { title: 'step', flex: 1.8 },
              { title: 'mg N a day', numeric: true },
              { title: 'ammonia after, total and free', numeric: true },
            ]}
            rows={stair.steps
              .filter((s) => s.label)
              .map((s) => [
                shortDay(s.fromMs),
                `${s.label}${s.planned ? ' (meant)' : ''}`,
                s.mgN.toFixed(1),
                peakWords(stair.peaks.get(s.fromMs)),
              ])}
          />
        </Section>
      ) : null}
    </Screen>
  );
}

/** Why there is less room than the filter carries. */
const paceWords = ({ nearZeroNowMgN }: Capacity): string =>
  `The filter carries about ${nearZeroNowMgN.toFixed(0)} now; ` +
  'it keeps in step with a load that at most doubles within a month, or with a first step.';

const makesWords = ({ isFed }: Pick<StairView, 'isFed'>): string =>
  isFed ? 'Food of the last day makes' : 'Animals make';

/** The drawing of the stair, for whoever listens. */
function stairWords({ loadMgN, isFed, capacity }: StairView): string {
  const carries = capacity
    ? `the filter carries about ${capacity.nearZeroNowMgN.toFixed(0)}`
    : 'no capacity is proved';
  return `${makesWords({ isFed })} ${loadMgN.toFixed(1)} milligrams of nitrogen a day; ${carries}. What is meant to come is in the table.`;
}

/** "0.04, 0.002 mg/L N" of a step to come. */
const peakWords = (peak: { totalMgN: number; freeMgN: number } | undefined): string =>
  peak ? `${peak.totalMgN.toFixed(2)}, ${peak.freeMgN.toFixed(3)}` : '–';

/** Who is in a water that serves a display, and who passed through it. */
function Passing({ water }: { water: Water }) {
  const doc = useAppSelector(selectDocument);
  const through = Object.values(doc.animals).filter((a) => a.moves.some((m) => waterOf(m.to) === water.id));
  const here = through.filter((a) => isIn(a, water.id));
  const past = through.filter((a) => !isIn(a, water.id));
  return (
    <Screen title="Stock">
      <Txt kind="title" heading={1}>
        {here.length === 0 ? 'Nobody is in it' : `In ${water.name}`}
      </Txt>
      {byName(doc, here).map((a) => (
        <AnimalRow key={a.id} animal={a} waterId={water.id} />
      ))}
      <Section title="Passed through">
        {past.length === 0 ? <Txt tone="second">Nobody yet.</Txt> : null}
        {byName(doc, past).map((a) => (
          <AnimalRow key={a.id} animal={a} waterId={water.id} right={placeWords(placeOf(a), doc.waters)} />
        ))}
      </Section>
      <Txt kind="small" tone="second">
        Animals are wished for under the display they are meant for, and moved here from their own page.
      </Txt>
    </Screen>
  );
}

function AnimalRow({ animal, waterId, right }: { animal: Animal; waterId: string; right?: string }) {
  const { roles } = useTheme();
  const kinds = useKinds();
  return (
    <Link
      href={`/water/${waterId}/stock/${animal.id}` as Href}
      style={[styles.animal, { borderColor: roles.hairline }]}
    >
      <View style={styles.animalInside}>
        <View style={styles.shrink}>
          <Txt kind="row">{animalWords(kinds, animal)}</Txt>
          <Txt kind="small" tone="second" style={styles.italic}>
            {speciesOf(kinds, animal.speciesId).scientific}
            {animal.provisional ? <Txt kind="small">{' · kind not sure'}</Txt> : null}
          </Txt>
        </View>
        <Txt kind="small" tone="second" style={styles.right}>
          {right ?? loadWords(kinds, animal, Date.now())}
        </Txt>
      </View>
    </Link>
  );
}

const styles = styleSheet({
  between: { justifyContent: 'space-between' },
  animal: { display: 'flex', borderBottomWidth: 1 },
  animalInside: {
    flex: 1,
    flexDirection: 'row',
    justifyContent: 'space-between',
    alignItems: 'center',
    gap: space(3),
    paddingVertical: space(3),
  },
  shrink: { flexShrink: 1 },
  italic: { fontStyle: 'italic' },
  right: { textAlign: 'right', flexShrink: 0 },
});
