import { Link, useRouter, type Href } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import type { Display } from '../../../core/document';
import { glassOf, hasRoom, type Glass } from '../../../core/volume';
import type { Species } from '../../../core/species';
import { showQuantity } from '../../../core/units';
import { useKinds } from '../../store';
import {
  Button,
  Choice,
  Empty,
  Row,
  Screen,
  space,
  Steadily,
  TextField,
  Txt,
  useTheme,
  styleSheet,
} from '../../ui';
import { useUnits, WithDisplay } from '../shell';
import { findKinds, noneWords, type Finds, type Found } from '../shell/kinds';

/** Kinds drawn at a time. */
const ROWS = 12;

type Group = Species['group'] | 'crew';

/** Does a glass hold a kind, in its water and its length? */
const fits = ({ glassL, lengthCm }: Glass, s: Species): boolean =>
  hasRoom(glassL, s) && (lengthCm === null || lengthCm >= s.minTankCm);

/** Of those found the ones of a group (any for null), those that fit the glass first; as found where only spellings are near. */
function ofGroup({ found, near }: Finds, group: Group | null, glass: Glass): Found[] {
  const these = found.filter(
    ({ species: s }) => group === null || (group === 'crew' ? s.crew : s.group === group),
  );
  if (near) return these;
  return these.sort((a, b) => Number(fits(glass, b.species)) - Number(fits(glass, a.species)));
}

export function SpeciesListScreen() {
  return <WithDisplay>{(water) => <SpeciesList water={water} />}</WithDisplay>;
}

function SpeciesList({ water }: { water: Display }) {
  const units = useUnits();
  const router = useRouter();
  const glass = glassOf(water);
  const kinds = useKinds();
  const [query, setQuery] = useState('');
  const [group, setGroup] = useState<Group>('crew');
  const finds = findKinds(kinds, query);
  const here = ofGroup(finds, group, glass);
  // A name typed is looked for everywhere: nobody knows the kind of what they cannot spell.
  const elsewhere =
    query.trim() === '' ? [] : ofGroup(finds, null, glass).filter((found) => !here.includes(found));
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
      <TextField
        label="Search"
        value={query}
        onChange={setQuery}
        placeholder="A name, “eats algae”, “for 60 L”"
      />
      {finds.near ? (
        <Txt kind="small" tone="second" live>
          None by that name. The nearest:
        </Txt>
      ) : null}
      {here.length === 0 && elsewhere.length === 0 ? <Empty {...noneWords(finds, units)} /> : null}
      <Kinds of={here} waterId={water.id} glass={glass} />
      {elsewhere.length > 0 ? (
        <Txt kind="small" tone="second">
          {here.length === 0 ? 'None of this kind; of another:' : 'Of another kind:'}
        </Txt>
      ) : null}
      <Kinds of={elsewhere} waterId={water.id} glass={glass} />
      <Row wrap>
        <Button
          icon="add"
          label="Not here: add it"
          onPress={() =>
            router.push(`/water/${water.id}/stock/kind?name=${encodeURIComponent(query.trim())}` as Href)
          }
        />
      </Row>
    </Screen>
  );
}

/** Kinds one below the other, each with how large it grows or what it lacks in this glass. */
function Kinds({ of: found, waterId, glass }: { of: readonly Found[]; waterId: string; glass: Glass }) {
  const { roles } = useTheme();
  const units = useUnits();
  const litres = (volume: number) => showQuantity('volume', volume, units, 0);
  const length = (cm: number) => showQuantity('length', cm, units, 0);
  return (
    <View>
      <Steadily
        step={ROWS}
        rows={found.map(({ species: s, as }) => (
          <Link
            key={s.id}
            href={`/water/${waterId}/stock/add?species=${s.id}` as Href}
            style={[styles.item, { borderColor: roles.hairline }]}
          >
            <View style={styles.inside}>
              <View style={styles.shrink}>
                <Txt kind="row">{s.common}</Txt>
                <Txt kind="small" tone="second" style={styles.italic}>
                  {s.scientific}
                </Txt>
                {as === null ? null : (
                  <Txt kind="small" tone="second">
                    {as}
                  </Txt>
                )}
              </View>
              <Txt kind="small" tone={fits(glass, s) ? 'second' : 'ammonia'} style={styles.right}>
                {fits(glass, s)
                  ? `to ${length(s.adultCm)}`
                  : `wants ${hasRoom(glass.glassL, s) ? length(s.minTankCm) : litres(s.minTankL)}`}
              </Txt>
            </View>
          </Link>
        ))}
      />
    </View>
  );
}

const styles = styleSheet({
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
