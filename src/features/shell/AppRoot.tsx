import { AtkinsonHyperlegibleNext_400Regular } from '@expo-google-fonts/atkinson-hyperlegible-next/400Regular';
import { AtkinsonHyperlegibleNext_700Bold } from '@expo-google-fonts/atkinson-hyperlegible-next/700Bold';
import { BricolageGrotesque_600SemiBold } from '@expo-google-fonts/bricolage-grotesque/600SemiBold';
import { BricolageGrotesque_800ExtraBold } from '@expo-google-fonts/bricolage-grotesque/800ExtraBold';
import { FontDisplay, loadAsync } from 'expo-font';
import { Slot } from 'expo-router';
import { startTransition, useEffect, useLayoutEffect, useState, type ComponentType } from 'react';
import { View } from 'react-native';
import { Provider } from 'react-redux';
import { goOnUnstored, selectSettings, useAppDispatch, useAppSelector } from '../../store';
import { Button, ThemeProvider, Txt, useTheme, styleSheet } from '../../ui';
import { Frame } from './Frame';
import { Boundary } from './Boundary';
import { LastResort } from './LastResort';
import { keepOffline } from './offline';
import { keepStorage } from './keepStorage';
import { isOpened, opened, pictureStands, started, whole } from './started';

const FACES = {
  BricolageGrotesque_600SemiBold,
  BricolageGrotesque_800ExtraBold,
  AtkinsonHyperlegibleNext_400Regular,
  AtkinsonHyperlegibleNext_700Bold,
};

interface Props {
  /** Runs once the page stands and everything stored is read. */
  whenIdle: () => void;
  /** What the person has asked to be reminded by; draws nothing. */
  Reminder: ComponentType;
  /** Takes what a paired device sends; draws nothing. */
  MonitorLink: ComponentType;
}

/** The router draws its own part while the browser fetches what is stored; the first picture follows with the data. */
export function AppRoot(props: Props) {
  const [there, setThere] = useState(isOpened);
  useLayoutEffect(() => {
    if (!there) void opened.then(() => startTransition(() => setThere(true)));
  }, [there]);
  return there ? <Whole {...props} /> : null;
}

/** Store, theme, fonts and the frame around every route. */
function Whole({ whenIdle, Reminder, MonitorLink }: Props) {
  useEffect(() => {
    pictureStands();
    void whole.then(() => {
      whenIdle();
      keepOffline();
      keepStorage();
    });
  }, [whenIdle]);
  useEffect(() => {
    // The server asks for the faces with the page. Where another one does not, they are fetched here, after the first picture.
    const there = new Set(
      Array.from(document.fonts as unknown as Iterable<FontFace>, (face) => face.family.replace(/["']/g, '')),
    );
    const missing = Object.entries(FACES).filter(([name]) => !there.has(name));
    if (missing.length === 0) return;
    const frame = requestAnimationFrame(
      () =>
        void loadAsync(
          Object.fromEntries(missing.map(([name, uri]) => [name, { uri, display: FontDisplay.SWAP }])),
        ).catch(() => undefined),
    );
    return () => cancelAnimationFrame(frame);
  }, []);
  return (
    <LastResort>
      <Provider store={started.store}>
        <Themed />
        <Asked Reminder={Reminder} MonitorLink={MonitorLink} />
      </Provider>
    </LastResort>
  );
}

function Asked({ Reminder, MonitorLink }: Pick<Props, 'Reminder' | 'MonitorLink'>) {
  const { remind } = useAppSelector(selectSettings);
  const paired = useAppSelector((s) =>
    Object.values(s.document.entities.monitors).some((m) => m.revokedAt === null),
  );
  return (
    <>
      {remind === true ? <Reminder /> : null}
      {paired ? <MonitorLink /> : null}
    </>
  );
}

function Themed() {
  const theme = useAppSelector((s) => selectSettings(s).theme);
  return (
    <ThemeProvider theme={theme}>
      <Opened />
    </ThemeProvider>
  );
}

function Opened() {
  const { roles } = useTheme();
  const dispatch = useAppDispatch();
  const status = useAppSelector((s) => s.document.status);
  if (status.kind === 'failed') {
    return (
      <View role="main" style={[styles.fill, styles.failed, { backgroundColor: roles.ground }]}>
        <Txt kind="title" heading={1}>
          Zoarium could not open
        </Txt>
        <Txt>{status.message}</Txt>
        <Button label="Reload" kind="primary" onPress={() => window.location.reload()} />
        {status.canGoOn ? (
          <>
            <Txt>Or look around without it: what you enter is then lost when this page closes.</Txt>
            <Button label="Go on, nothing is kept" onPress={() => dispatch(goOnUnstored())} />
          </>
        ) : null}
      </View>
    );
  }
  return (
    <Boundary>
      <Frame>
        <Slot />
      </Frame>
    </Boundary>
  );
}

const styles = styleSheet({
  fill: { flex: 1, minHeight: '100%' },
  failed: { padding: 24, gap: 16, maxWidth: 640 },
});
