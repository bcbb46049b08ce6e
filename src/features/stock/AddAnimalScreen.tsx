import { inUnits, sentence } from '../../../core/words';
import { MINUTE_MS } from '../../../core/time';
import { useRouter, type Href } from 'expo-router';
import { useMemo, useState } from 'react';
import type { Animal, Place, Tank } from '../../../core/document';
import { FREE_AMMONIA } from '../../../core/seawater';
import { additionWarnings, dailyLoadMgN, type Warning } from '../../../core/stocking';
import { SPECIES, type Species } from '../../../core/species';
import { readEntry, showQuantity } from '../../../core/units';
import {
  commit,
  isoOf,
  newId,
  selectAssessment,
  selectEvidence,
  selectTanks,
  useAppDispatch,
  useAppSelector,
  useNow,
} from '../../store';
import { Button, Caution, Line, Row, Screen, Section, TextField, Txt } from '../../ui';
import { NotHere, useParam, useWords, WithTank } from '../shell';

export function AddAnimalScreen() {
  return <WithTank>{(tank) => <AddAnimal tank={tank} />}</WithTank>;
}

function AddAnimal({ tank }: { tank: Tank }) {
  const id = useParam('species');
  const species = SPECIES.find((s) => s.id === id);
  return species ? <SpeciesSheet key={id} tank={tank} species={species} /> : <NotHere what="species" />;
}

const SEVERITY: Record<Warning['severity'], { word: string; tone: 'ammonia' | 'nitrite' | 'second' }> = {
  stop: { word: 'Not yet. ', tone: 'ammonia' },
  caution: { word: 'Think first. ', tone: 'nitrite' },
  note: { word: 'Note. ', tone: 'second' },
};

/** What a species is like, what speaks against it in this tank now, and the ways to take it on. */
function SpeciesSheet({ tank, species }: { tank: Tank; species: Species }) {
  const words = useWords();
  const { units } = words;
  const now = useNow(MINUTE_MS);
  const router = useRouter();
  const dispatch = useAppDispatch();
  const evidence = useAppSelector((s) => selectEvidence(s, tank.id, now));
  const assessment = useAppSelector((s) => selectAssessment(s, tank.id, now));
  const [countText, setCountText] = useState('1');
  const entry = readEntry(countText, { name: 'How many', unit: null, min: 1, max: 200, whole: true });
  const count = entry.ok ? entry.value : 1;
  const others = useAppSelector(selectTanks).filter((t) => t.id !== tank.id);
  const [split, setSplit] = useState<Record<string, string>>({});
  const shares = others.map((t) => ({
    tank: t,
    entry: readEntry(count > 1 ? (split[t.id] ?? '') : '', {
      name: `What goes to ${t.name}`,
      unit: null,
      min: 0,
      max: 200,
      whole: true,
      whenEmpty: 0,
    }),
  }));
  const given = shares.flatMap(({ tank: to, entry: e }) =>
    e.ok && e.value > 0 ? [{ tankId: to.id, count: e.value }] : [],
  );
  const left = count - given.reduce((sum, g) => sum + g.count, 0);
  const { warnings, forecast } = useMemo(
    () => additionWarnings(evidence, assessment, species, count),
    [evidence, assessment, species, count],
  );
  const stops = warnings.filter((w) => w.severity === 'stop');
  const take = (to: Place) => {
    if (!entry.ok || left < 1 || shares.some((x) => !x.entry.ok)) return;
    const animal: Animal = {
      id: newId(),
      tankId: tank.id,
      speciesId: species.id,
      count: left,
      moves: [{ to, at: isoOf(Date.now()), why: '' }],
      quarantineId: null,
      plannedDay: null,
    };
    dispatch(
      commit(`${species.common} ${to === 'wish' ? 'wished for' : 'in the display'}`, [
        { put: 'animals', entity: animal },
        ...given.map((g) => ({ put: 'animals' as const, entity: { ...animal, ...g, id: newId() } })),
      ]),
    );
    router.push(`/tank/${tank.id}/stock/${animal.id}` as Href);
  };
  return (
    <Screen
      title={species.common}
      aside={
        <>
          <Txt kind="section" heading={2}>
            {species.common}
          </Txt>
          <Txt tone="second" style={{ fontStyle: 'italic' }}>
            {species.scientific}
          </Txt>
          <Txt>{inUnits(species.care, words.units)}</Txt>
          <Line name="Grows to" value={showQuantity('length', species.adultCm, units, 0)} />
          <Line name="Smallest tank" value={showQuantity('volume', species.minTankL, units, 0)} />
          <Line name="Temperament" value={species.temperament} />
          <Line
            name="With corals"
            value={{ yes: 'safe', caution: 'with caution', no: 'not safe' }[species.reefSafe]}
          />
          <Line name="Jumps" value={species.jumps ? 'yes: lid' : 'rarely'} />
          <Line
            name="One makes"
            value={`${dailyLoadMgN(species, species.arrivalCm).toFixed(1)} mg N a day`}
          />
          {species.load.kind === 'fish' ? (
            <Line name="Grown up" value={`${dailyLoadMgN(species, species.adultCm).toFixed(1)} mg N a day`} />
          ) : null}
          {species.sensitivities.length > 0 ? (
            <Line name="Sensitive about" value={species.sensitivities.join(', ')} />
          ) : null}
          <Txt
            kind="small"
            tone="second"
          >{`${species.source} Buy from legal, traceable sources; never release animals to the wild.`}</Txt>
        </>
      }
    >
      <Txt kind="title" heading={1}>
        {species.common}
      </Txt>
      <TextField
        numeric
        label="How many"
        value={countText}
        onChange={setCountText}
        error={entry.ok ? null : entry.message}
      />
      {others.length > 0 && count > 1 ? (
        <Section title="One purchase for several tanks">
          {shares.map(({ tank: t, entry: e }) => (
            <TextField
              key={t.id}
              numeric
              label={`Of these to ${t.name}`}
              value={split[t.id] ?? ''}
              onChange={(text) => setSplit((s) => ({ ...s, [t.id]: text }))}
              error={e.ok ? null : e.message}
            />
          ))}
          <Txt kind="small" tone={left < 1 ? 'ammonia' : 'second'}>
            {left < 1 ? 'At least one must stay for this tank.' : `${left} stay for ${tank.name}.`}
          </Txt>
        </Section>
      ) : null}
      {warnings.length === 0 ? (
        <Txt kind="section" tone="go">
          Nothing speaks against it today.
        </Txt>
      ) : null}
      {warnings.map((w) => (
        <Txt key={sentence(w.says, words)}>
          <Txt kind="strong" tone={SEVERITY[w.severity].tone}>
            {SEVERITY[w.severity].word}
          </Txt>
          {sentence(w.says, words)}
        </Txt>
      ))}
      <Section title="What it would do to the load">
        <Line name="Now" value={`${forecast.presentMgN.toFixed(1)} mg N a day`} />
        <Line name="After" value={`${(forecast.presentMgN + forecast.addedMgN).toFixed(1)} mg N a day`} />
        {forecast.peakNh3MgN === null ? (
          <Txt kind="small" tone="second">
            Without a logged proof no peak of free ammonia can be predicted.
          </Txt>
        ) : (
          <Line
            name="Predicted peak of free ammonia"
            value={`${forecast.peakNh3MgN.toFixed(3)} mg/L NH₃-N`}
            tone={forecast.peakNh3MgN > FREE_AMMONIA.longTerm ? 'ammonia' : 'go'}
          />
        )}
      </Section>
      {species.group === 'coral' ? (
        <Caution>
          Some soft corals and their rock carry palytoxin: gloves and goggles, never boil or scrub dry, and
          seek medical help after contact.
        </Caution>
      ) : null}
      <Row wrap>
        <Button kind="primary" label="Wish for it" onPress={() => take('wish')} />
        <Button
          label={stops.length > 0 ? 'It is in the display all the same' : 'It is in the display'}
          onPress={() => take('display')}
        />
      </Row>
      <Txt kind="small" tone="second">
        A wished animal can be booked into quarantine, dripped and let in from its own page.
      </Txt>
    </Screen>
  );
}
