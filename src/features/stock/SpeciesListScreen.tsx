import { Link, type Href } from 'expo-router';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import type { Display } from '../../../core/document';
import { matching, SPECIES, type Species } from '../../../core/species';
import { showQuantity } from '../../../core/units';
import { selectVolume, useAppSelector } from '../../store';
import { Choice, Empty, Screen, space, Steadily, TextField, Txt, useTheme } from '../../ui';
import { useUnits, WithDisplay } from '../shell';

/** Kinds drawn at a time. */
const ROWS = 12;

type Group = Species['group'] | 'crew';

/** Species that match a search and a group (any group for null), those that fit the tank first. */
function findSpecies(all: readonly Species[], query: string, group: Group | null, netL: number): Species[] {
  return matching(all, query)
    .filter((s) => group === null || (group === 'crew' ? s.crew : s.group === group))
    .sort((a, b) => Number(a.minTankL > netL) - Number(b.minTankL > netL) || (a.common < b.common ? -1 : 1));
}

export function SpeciesListScreen() {
  return <WithDisplay>{(water) => <SpeciesList water={water} />}</WithDisplay>;
}

function SpeciesList({ water }: { water: Display }) {
  const { roles } = useTheme();
  const units = useUnits();
  const netL = useAppSelector((s) => selectVolume(s, water.id).netL);
  const [query, setQuery] = useState('');
  const [group, setGroup] = useState<Group>('crew');
  const here = findSpecies(SPECIES, query, group, netL);
  // A name typed is looked for everywhere: nobody knows the kind of what they cannot spell.
  const found = here.length > 0 || query.trim() === '' ? here : findSpecies(SPECIES, query, null, netL);
  return (
    <Screen title="Find an animal">
      <Txt kind="title" heading={1}>
        Find an animal
      </Txt>
      <Choice
        label="Kind"
        options={[
          { value: 'crew', label: 'Clean-up crew' },
          { value: 'fish', label: 'Fish' },
          { value: 'invertebrate', label: 'Invertebrates' },
          { value: 'coral', label: 'Corals' },
        ]}
        value={group}
        onChange={setGroup}
      />
      <TextField label="Search" value={query} onChange={setQuery} placeholder="Common or scientific name" />
      {here.length === 0 && found.length > 0 ? (
        <Txt kind="small" tone="second">
          None of this kind; of another:
        </Txt>
      ) : null}
      {found.length === 0 ? (
        <Empty
          title="None by that name"
          text="Try part of the scientific name. The list holds common, traceable species."
        />
      ) : null}
      <View>
        <Steadily
          step={ROWS}
          rows={found.map((s) => (
            <Link
              key={s.id}
              href={`/water/${water.id}/stock/add?species=${s.id}` as Href}
              style={[styles.item, { borderColor: roles.hairline }]}
            >
              <View style={styles.inside}>
                <View style={styles.shrink}>
                  <Txt kind="row">{s.common}</Txt>
                  <Txt kind="small" tone="second" style={styles.italic}>
                    {s.scientific}
                  </Txt>
                </View>
                <Txt kind="small" tone={s.minTankL > netL ? 'ammonia' : 'second'} style={styles.right}>
                  {s.minTankL > netL
                    ? `wants ${showQuantity('volume', s.minTankL, units, 0)}`
                    : `to ${showQuantity('length', s.adultCm, units, 0)}`}
                </Txt>
              </View>
            </Link>
          ))}
        />
      </View>
    </Screen>
  );
}

const styles = StyleSheet.create({
  item: { display: 'flex', borderBottomWidth: 1 },
  inside: {
    flex: 1,
    flexDirection: 'row',
    justifyContent: 'space-between',
    alignItems: 'center',
    gap: space(3),
    paddingVertical: space(3),
  },
  shrink: { flexShrink: 1 },
  italic: { fontStyle: 'italic' },
  right: { flexShrink: 0, textAlign: 'right' },
});
