import { MINUTE_MS } from '../../../core/time';
import { Link, useRouter, type Href } from 'expo-router';
import { useMemo } from 'react';
import { StyleSheet, View } from 'react-native';
import type { Animal, Tank } from '../../../core/document';
import { NEAR_ZERO_MG_N } from '../../../core/stocking';
import { speciesById } from '../../../core/species';
import { showQuantity } from '../../../core/units';
import {
  localDay,
  localMidnight,
  selectDocument,
  selectEvidence,
  shortDay,
  shortWrittenDay,
  useAppSelector,
  useNow,
} from '../../store';
import { Button, Empty, Line, Row, Screen, Section, space, Table, Txt, useTheme, useWide } from '../../ui';
import { LoadStair } from '../../ui/charts/LoadStair';
import { useUnits, WithTank } from '../shell';
import { animalWords, byPlace, loadWords, PLACE_WORDS, quarantineView, stairView } from './model';
import { QuarantineLane } from './QuarantineLane';

export function StockScreen() {
  return <WithTank>{(tank) => <Stock tank={tank} />}</WithTank>;
}

/** The stair of load under the ceiling, who is in quarantine, who lives here, who is wished for. */
function Stock({ tank }: { tank: Tank }) {
  const now = useNow(MINUTE_MS);
  const router = useRouter();
  const wide = useWide();
  const units = useUnits();
  const doc = useAppSelector(selectDocument);
  const evidence = useAppSelector((s) => selectEvidence(s, tank.id, now));
  const today = localDay(now);
  const animals = useMemo(
    () => Object.values(doc.animals).filter((a) => a.tankId === tank.id),
    [doc.animals, tank.id],
  );
  const stair = useMemo(() => stairView(evidence, animals, today), [evidence, animals, today]);
  const quarantines = Object.values(doc.quarantines).filter(
    (q) => q.tankId === tank.id && q.closedDay === null,
  );
  const room = stair.roomMgN;
  const title =
    room === null
      ? 'Nothing proved yet'
      : room > 0.5
        ? `Room for ${Math.floor(room)} mg a day`
        : 'No room yet';
  const list = (place: 'display' | 'wish' | 'gone') => byPlace(animals, place);

  const quarantine = (
    <Section>
      <Row style={styles.between}>
        <Txt kind="section" heading={2}>
          In quarantine
        </Txt>
        <Button
          kind="quiet"
          icon="add"
          label="New system"
          onPress={() => router.push(`/tank/${tank.id}/quarantine/new` as Href)}
        />
      </Row>
      {quarantines.length === 0 ? (
        <Txt tone="second">Every animal waits here first: one unquarantined fish has ended many tanks.</Txt>
      ) : null}
      {quarantines.map((q) => (
        <QuarantineLane
          key={q.id}
          view={quarantineView(doc, q, today, localDay)}
          tankId={tank.id}
          right={showQuantity('volume', q.volumeL, units, 0)}
        />
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
              <Line name="Cleared at the dose" value={`${stair.capacity.atDoseMgN.toFixed(0)} mg N a day`} />
              <Line
                name="The same near zero, when proved"
                value={`${stair.capacity.nearZeroProvedMgN.toFixed(0)} mg N a day`}
              />
              <Line
                name="Near zero, today"
                value={`${stair.capacity.nearZeroNowMgN.toFixed(0)} mg N a day`}
              />
              <Line name="Animals make" value={`${stair.loadMgN.toFixed(1)} mg N a day`} />
              <Txt
                kind="small"
                tone="second"
              >{`Animals should live in ammonia no kit can see (${NEAR_ZERO_MG_N} mg N/L), where bacteria take up far less than at 2 mg/L: X·A/(Ka + A), Ka 0.5 mg N/L. Unfed, it fades by 5 % a day towards what the present load keeps alive. Proved on ${shortDay(stair.capacity.provedMs)}. Estimates, not promises.`}</Txt>
            </Section>
          ) : null}
        </>
      }
    >
      <Txt kind="title" heading={1}>
        {title}
      </Txt>
      <Txt kind="small" tone="second">
        nitrogen from feeding, mg N a day
      </Txt>
      {stair.steps.length > 0 || stair.capacity ? (
        <LoadStair
          steps={stair.steps}
          ceiling={stair.ceiling}
          nowMs={now}
          fromMs={stair.fromMs}
          toMs={stair.toMs}
          midnight={localMidnight}
          dayLabel={shortDay}
          summary={`Animals make ${stair.loadMgN.toFixed(1)} milligrams of nitrogen a day${stair.capacity ? `; the filter carries about ${stair.capacity.nearZeroNowMgN.toFixed(0)}` : '; no capacity is proved'}. Planned steps are in the table.`}
        />
      ) : (
        <Empty
          title="An empty stair"
          text="It grows with the first animals; the ceiling appears when a proof is logged."
        />
      )}
      {wide ? null : quarantine}
      <Row wrap>
        <Button
          kind="primary"
          icon="find"
          label="Find an animal"
          onPress={() => router.push(`/tank/${tank.id}/stock/species` as Href)}
        />
        <Button
          icon="drip"
          label="Plan a drip"
          onPress={() => router.push(`/tank/${tank.id}/drip/new` as Href)}
        />
      </Row>
      {(['display', 'wish', 'gone'] as const).map((place) => {
        const here = list(place);
        if (here.length === 0 && place === 'gone') return null;
        return (
          <Section key={place} title={PLACE_WORDS[place]}>
            {here.length === 0 ? (
              <Txt tone="second">{place === 'display' ? 'No animal yet.' : 'Nothing wished for yet.'}</Txt>
            ) : null}
            {here.map((a) => (
              <AnimalRow key={a.id} animal={a} tankId={tank.id} />
            ))}
          </Section>
        );
      })}
      {stair.steps.length > 0 ? (
        <Section title="The stair in figures">
          <Table
            caption="Load by step, mg N a day"
            columns={[
              { title: 'from', flex: 0.8 },
              { title: 'step', flex: 1.8 },
              { title: 'mg N a day', numeric: true },
            ]}
            rows={stair.steps
              .filter((s) => s.label)
              .map((s) => [
                shortDay(s.fromMs),
                `${s.label}${s.planned ? ' (planned)' : ''}`,
                s.mgN.toFixed(1),
              ])}
          />
        </Section>
      ) : null}
    </Screen>
  );
}

function AnimalRow({ animal, tankId }: { animal: Animal; tankId: string }) {
  const { roles } = useTheme();
  return (
    <Link
      href={`/tank/${tankId}/stock/${animal.id}` as Href}
      style={[styles.animal, { borderColor: roles.hairline }]}
    >
      <View style={styles.animalInside}>
        <View style={styles.shrink}>
          <Txt kind="row">{animalWords(animal)}</Txt>
          <Txt kind="small" tone="second" style={styles.italic}>
            {speciesById(animal.speciesId).scientific}
          </Txt>
        </View>
        <Txt kind="small" tone="second" style={styles.right}>
          {animal.plannedDay ? `planned ${shortWrittenDay(animal.plannedDay)}` : loadWords(animal)}
        </Txt>
      </View>
    </Link>
  );
}

const styles = StyleSheet.create({
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
