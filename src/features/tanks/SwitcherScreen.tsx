import { MINUTE_MS } from '../../../core/time';
import { Link, useRouter, type Href } from 'expo-router';
import { StyleSheet, View } from 'react-native';
import { WORDS } from '../../../core/words';
import { selectAssessment, selectTanks, useAppSelector, useNow } from '../../store';
import { Button, Empty, Go, Screen, Section, space, Txt, useTheme } from '../../ui';
import { tankAgeDays } from '../shell';

/** Tanks to switch between, and what lies behind the tank's name: settings, kits, files. */
export function SwitcherScreen() {
  const tanks = useAppSelector(selectTanks);
  const router = useRouter();
  return (
    <Screen title="Your tanks">
      <Txt kind="title" heading={1}>
        Your tanks
      </Txt>
      {tanks.length === 0 ? (
        <Empty title="No tank yet" text="A tank takes under a minute to describe." />
      ) : null}
      <View>
        {tanks.map((t) => (
          <TankLink key={t.id} tankId={t.id} name={t.name} startDay={t.startDay} />
        ))}
      </View>
      <Button icon="add" label="New tank" kind="primary" onPress={() => router.push('/tank/new')} />
      <Section title="Behind the tanks">
        <Go kind="row" href="/kits">
          Kits and instruments
        </Go>
        <Go kind="row" href="/settings">
          Units and theme
        </Go>
        <Go kind="row" href="/files">
          Files: export, import
        </Go>
        <Go kind="row" href="/keys">
          Keys on a keyboard
        </Go>
      </Section>
    </Screen>
  );
}

function TankLink({ tankId, name, startDay }: { tankId: string; name: string; startDay: string }) {
  const { roles } = useTheme();
  const now = useNow(MINUTE_MS);
  const word = useAppSelector((s) => selectAssessment(s, tankId, now).fish.word);
  return (
    <Link href={`/tank/${tankId}` as Href} style={[styles.tank, { borderColor: roles.hairline }]}>
      <View style={styles.row}>
        <Txt kind="section" style={styles.shrink}>
          {name}
        </Txt>
        <Txt tone="second">{`day ${tankAgeDays(startDay, now)} · ${WORDS[word].toLowerCase()}`}</Txt>
      </View>
    </Link>
  );
}

const styles = StyleSheet.create({
  tank: { display: 'flex', borderBottomWidth: 1 },
  row: {
    flexDirection: 'row',
    justifyContent: 'space-between',
    alignItems: 'baseline',
    gap: space(3),
    paddingVertical: space(4),
    flex: 1,
  },
  shrink: { flexShrink: 1 },
});
