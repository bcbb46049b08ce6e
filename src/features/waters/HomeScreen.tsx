import { useRouter } from 'expo-router';
import type { ReactNode } from 'react';
import { View } from 'react-native';
import {
  localDay,
  replaceDocument,
  selectLastWater,
  showDemo,
  useAppDispatch,
  useAppSelector,
} from '../../store';
import { Button, Screen, space, Txt, useWide, styleSheet } from '../../ui';
import { part } from '../shell';

/** Drawings come after the page. */
const OpeningPicture = part(
  () => import('./OpeningPicture').then((m) => m.OpeningPicture),
  () => <View style={styles.picture} />,
);

/** "/": the water last looked at, as `today` shows it; with none, the first step. In place: a redirect would draw twice. */
export function HomeScreen({ today }: { today: ReactNode }) {
  const water = useAppSelector(selectLastWater);
  return water ? today : <Welcome />;
}

function Welcome() {
  const router = useRouter();
  const wide = useWide();
  const dispatch = useAppDispatch();
  const evicted = useAppSelector((s) => s.document.storage === 'evicted');
  const unkept = useAppSelector((s) => s.document.storage === 'refused');
  const picture = <OpeningPicture />;
  // Where nothing is kept there is nothing of one's own to keep apart, and a new page would forget the choice.
  const enterDemo = async () => {
    if (!unkept) return showDemo(true);
    const { makeDemo } = await import('../../store/demo');
    await dispatch(replaceDocument(makeDemo(Date.now(), localDay), 'Demo opened'));
  };
  return (
    <Screen title="Welcome" aside={wide ? picture : undefined}>
      <Txt kind={wide ? 'wordWide' : 'word'} heading={1}>
        Begin
      </Txt>
      <Txt style={styles.lead}>
        A reef tank starts with weeks of waiting and one question: may I go on yet, and why? Log what you
        test, and Zoarium answers from your own readings.
      </Txt>
      {wide ? null : picture}
      {evicted ? (
        <Txt tone="ammonia" style={styles.lead}>
          Something was stored here before, and this browser has removed it; browsers do so when space is
          short or when site data is cleared. If you have an exported file, open it below.
        </Txt>
      ) : null}
      <View style={styles.actions}>
        <Button
          kind="primary"
          icon="add"
          label="Describe your tank"
          onPress={() => router.push('/water/new')}
        />
        <Button label="Look around in a demo" onPress={() => void enterDemo()} />
        <Button
          kind="quiet"
          label="Only the bench: calculators without a tank"
          onPress={() => router.push('/bench')}
        />
        <Button kind="quiet" icon="opened" label="Open a file" onPress={() => router.push('/files')} />
      </View>
      <Txt kind="small" tone="second">
        What you enter stays in this browser. Export it under Files to keep a copy.
      </Txt>
    </Screen>
  );
}

const styles = styleSheet({
  picture: { minHeight: 250 },
  lead: { fontSize: 19, lineHeight: 28 },
  actions: { gap: space(3), marginTop: space(4), alignItems: 'flex-start' },
});
