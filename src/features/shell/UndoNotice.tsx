import { useEffect } from 'react';
import { StyleSheet, View } from 'react-native';
import { noticeDismissed, undo, useAppDispatch, useAppSelector } from '../../store';
import { Button, RADIUS, space, Txt, useTheme } from '../../ui';

/** Says what was done and offers to take it back; also says when saving failed. */
export function UndoNotice() {
  const { roles } = useTheme();
  const dispatch = useAppDispatch();
  const { lastLabel, revision, saveError } = useAppSelector((s) => s.document);
  const canUndo = useAppSelector((s) => s.document.undo.length > 0);
  useEffect(() => {
    if (!lastLabel) return;
    const timer = setTimeout(() => dispatch(noticeDismissed()), 8000);
    return () => clearTimeout(timer);
  }, [dispatch, lastLabel, revision]);
  if (saveError) {
    return (
      <View role="alert" style={[styles.notice, { backgroundColor: roles.paper, borderColor: roles.ammonia }]}>
        <Txt style={styles.text}>{`Not saved: ${saveError}. What you see is kept while this page is open; export it under Files before closing.`}</Txt>
      </View>
    );
  }
  if (!lastLabel) return null;
  return (
    <View role="status" style={[styles.notice, { backgroundColor: roles.ink, borderColor: roles.ink }]}>
      <Txt tone="ground" style={styles.text} live>{lastLabel}</Txt>
      {canUndo && !lastLabel.startsWith('Undone') ? (
        <View style={[styles.undo, { backgroundColor: roles.ground }]}>
          <Button label="Undo" kind="quiet" name={`Undo: ${lastLabel}`} onPress={() => dispatch(undo())} />
        </View>
      ) : null}
    </View>
  );
}

const styles = StyleSheet.create({
  notice: {
    position: 'absolute', left: space(3), right: space(3), bottom: space(3), borderRadius: RADIUS, borderWidth: 1.5, paddingLeft: space(4), paddingRight: space(2),
    minHeight: 60, flexDirection: 'row', alignItems: 'center', justifyContent: 'space-between', gap: space(3), maxWidth: 560,
  },
  text: { flexShrink: 1, paddingVertical: space(2) },
  undo: { borderRadius: RADIUS },
});
