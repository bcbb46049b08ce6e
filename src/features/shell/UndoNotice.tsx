import { usePathname, useRouter } from 'expo-router';
import { useEffect, useState } from 'react';
import { View } from 'react-native';
import { noticeDismissed, undo, useAppDispatch, useAppSelector } from '../../store';
import { Button, RADIUS, space, Txt, useTheme, styleSheet } from '../../ui';
import { useNewVersion } from './offline';
import { started } from './started';

/** Says what was done and offers to take it back; also says when saving failed. */
export function UndoNotice() {
  const { roles } = useTheme();
  const dispatch = useAppDispatch();
  const router = useRouter();
  const lastLabel = useAppSelector((s) => s.document.lastLabel);
  const revision = useAppSelector((s) => s.document.revision);
  const saveError = useAppSelector((s) => s.document.saveError);
  const slow = useAppSelector((s) => s.document.slow);
  const canUndo = useAppSelector((s) => s.document.undo.length > 0);
  useEffect(() => {
    if (!lastLabel) return;
    const timer = setTimeout(() => dispatch(noticeDismissed()), 8000);
    return () => clearTimeout(timer);
  }, [dispatch, lastLabel, revision]);
  if (saveError) {
    return (
      <View
        role="alert"
        style={[styles.notice, styles.stacked, { backgroundColor: roles.paper, borderColor: roles.ammonia }]}
      >
        <View style={styles.text}>
          <Txt kind="row">Not stored yet</Txt>
          <Txt kind="small">{whyUnsaved(saveError)}</Txt>
        </View>
        <View style={styles.ways}>
          <Button label="Try again" kind="quiet" onPress={() => started.keeping.retry()} />
          <Button label="Export" kind="quiet" onPress={() => router.push('/files')} />
        </View>
      </View>
    );
  }
  if (slow) {
    return (
      <View role="status" style={[styles.notice, { backgroundColor: roles.paper, borderColor: roles.edge }]}>
        <Txt style={styles.text} live>
          Still storing. Keep this page open.
        </Txt>
      </View>
    );
  }
  if (!lastLabel) return <NewVersion />;
  return (
    <View role="status" style={[styles.notice, { backgroundColor: roles.ink, borderColor: roles.ink }]}>
      <Txt tone="ground" style={styles.text} live>
        {lastLabel}
      </Txt>
      {canUndo && !/^(Undone|Not )/.test(lastLabel) ? (
        <View style={[styles.undo, { backgroundColor: roles.ground }]}>
          <Button
            icon="undo"
            label="Undo"
            kind="quiet"
            name={`Undo: ${lastLabel}`}
            onPress={() => void dispatch(undo())}
          />
        </View>
      ) : null}
    </View>
  );
}

/** What the browser said, as something to act on. Tried again by itself until it is stored. */
function whyUnsaved(error: string): string {
  const kept = 'What you see is kept while this page is open, and tried again by itself.';
  if (/quota|full|space/i.test(error))
    return `This browser has no room left for it. Free some space on the device, or export everything now. ${kept}`;
  return `The browser refused it (${error}). Export everything now to be safe. ${kept}`;
}

/** Offers a newer version where nothing is being typed; taking it waits until everything is stored. */
function NewVersion() {
  const { roles } = useTheme();
  const path = usePathname();
  const take = useNewVersion();
  const [later, setLater] = useState(false);
  if (!take || later || !nothingTyped(path)) return null;
  return (
    <View role="status" style={[styles.notice, { backgroundColor: roles.paper, borderColor: roles.edge }]}>
      <Txt style={styles.text}>A newer Zoarium is here.</Txt>
      <View style={styles.ways}>
        <Button label="Later" kind="quiet" onPress={() => setLater(true)} />
        <Button
          label="Take it"
          name="Take the newer Zoarium"
          onPress={() => void started.settled().then(take)}
        />
      </View>
    </View>
  );
}

/** The places that only show: a reload there loses no half-typed form. */
const nothingTyped = (path: string): boolean =>
  /^\/(waters|files|water\/[^/]+(\/(cycle|stock|bench))?)?$/.test(path) && path !== '/water/new';

const styles = styleSheet({
  ways: { flexDirection: 'row', gap: space(1) },
  notice: {
    margin: space(3),
    borderRadius: RADIUS,
    borderWidth: 1.5,
    paddingLeft: space(4),
    paddingRight: space(2),
    minHeight: 60,
    flexDirection: 'row',
    alignItems: 'center',
    justifyContent: 'space-between',
    gap: space(3),
    maxWidth: 560,
  },
  stacked: { flexDirection: 'column', alignItems: 'stretch', gap: 0 },
  text: { flexShrink: 1, paddingVertical: space(2) },
  undo: { borderRadius: RADIUS, paddingLeft: space(1) },
});
