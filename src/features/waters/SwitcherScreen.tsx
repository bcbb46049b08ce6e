import { MINUTE_MS } from '../../../core/time';
import { Link, useRouter, type Href } from 'expo-router';
import { View } from 'react-native';
import { isOpen, type Water } from '../../../core/document';
import { wordOf } from '../../../core/readiness';
import { KIND_WORDS, WORDS } from '../../../core/words';
import { demoShown, selectAssessment, selectWaters, showDemo, useAppSelector, useNow } from '../../store';
import { Button, Empty, Go, Row, Screen, Section, space, Txt, useTheme, styleSheet } from '../../ui';
import { ageWords } from '../shell';

/** Waters to switch between, each with its word, and what lies behind the name above: settings, kits, files. */
export function SwitcherScreen() {
  const waters = useAppSelector(selectWaters);
  const router = useRouter();
  const displays = waters.filter((w) => w.kind === 'display');
  const serving = waters.filter((w) => w.kind !== 'display');
  const add = (kind: string) => router.push(`/water/new?kind=${kind}` as Href);
  return (
    <Screen title="Your waters">
      <Txt kind="title" heading={1}>
        Your waters
      </Txt>
      {waters.length === 0 ? (
        <Empty title="No water yet" text="A tank takes under a minute to describe." />
      ) : null}
      <View>
        {displays.map((w) => (
          <WaterLink key={w.id} water={w} />
        ))}
      </View>
      <Row wrap>
        <Button icon="add" label="New display" kind="primary" onPress={() => router.push('/water/new')} />
      </Row>
      {waters.length > 0 ? (
        <Go kind="row" href="/agenda">
          Agenda: all that is due
        </Go>
      ) : null}
      <Section title="What serves them">
        {serving.map((w) => (
          <WaterLink key={w.id} water={w} />
        ))}
        <Row wrap>
          <Button icon="add" label="Quarantine" onPress={() => add('quarantine')} />
          <Button icon="add" label="Holding container" onPress={() => add('holding')} />
          <Button icon="add" label="Mixing container" onPress={() => add('mixing')} />
        </Row>
      </Section>
      <Section title="Behind the waters">
        <Go kind="row" href="/kits">
          Kits and instruments
        </Go>
        <Go kind="row" href="/settings">
          Units and theme
        </Go>
        <Go kind="row" href="/files">
          Files: export, import
        </Go>
        {demoShown() ? null : (
          <Row>
            <Button kind="quiet" label="Look around in a demo" onPress={() => void showDemo(true)} />
          </Row>
        )}
        <Go kind="row" href={'/monitor' as Href}>
          Monitor: a device beside the kits
        </Go>
        <Go kind="row" href={'/practice' as Href}>
          Practice: a tank to learn on
        </Go>
        <Go kind="row" href="/keys">
          Keys on a keyboard
        </Go>
      </Section>
    </Screen>
  );
}

function WaterLink({ water }: { water: Water }) {
  const { roles } = useTheme();
  const now = useNow(MINUTE_MS);
  const word = useAppSelector((s) => wordOf(selectAssessment(s, water.id, now)));
  const kind = water.kind === 'display' ? '' : KIND_WORDS[water.kind].toLowerCase();
  const lives = water.kind === 'display' || water.kind === 'quarantine';
  const told = [kind, lives ? ageWords(water.startDay, now) : ''].filter(Boolean).join(' · ');
  return (
    <Link href={`/water/${water.id}` as Href} style={[styles.water, { borderColor: roles.hairline }]}>
      <View style={styles.row}>
        <View style={styles.shrink}>
          <Txt kind="section">{water.name}</Txt>
          {told ? (
            <Txt kind="small" tone="second">
              {told}
            </Txt>
          ) : null}
        </View>
        <Txt kind="row" tone={word === 'actNow' ? 'ammonia' : 'ink'}>
          {isOpen(water) ? WORDS[word] : 'Out of use'}
        </Txt>
      </View>
    </Link>
  );
}

const styles = styleSheet({
  water: { display: 'flex', borderBottomWidth: 1 },
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
