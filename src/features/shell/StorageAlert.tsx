import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { selectDocument, useAppSelector } from '../../store';
import { Button, Row, space, Txt, useTheme, styleSheet } from '../../ui';
import { started } from './started';

/** Stands above everything while the browser keeps nothing of what is entered: said at once, with the way out. */
export function StorageAlert() {
  const { roles } = useTheme();
  const router = useRouter();
  const storage = useAppSelector((s) => s.document.storage);
  const document = useAppSelector(selectDocument);
  const [refused, setRefused] = useState<string | null>(null);
  if (storage === 'kept' || storage === 'evicted') return null;
  const storeAgain = () =>
    void started.keeping.storeAgain(document).then(
      () => setRefused(null),
      (error: unknown) => setRefused(error instanceof Error ? error.message : String(error)),
    );
  return (
    <View role="alert" style={[styles.alert, { backgroundColor: roles.paper, borderColor: roles.ammonia }]}>
      <Txt kind="row">
        {storage === 'refused'
          ? 'This browser keeps nothing.'
          : 'This browser has just removed what was stored.'}
      </Txt>
      <Txt kind="small">
        {storage === 'refused'
          ? 'What you enter lasts until this page closes. Export it before, or allow storage for this page and reload.'
          : 'What you see is still here while this page is open. Store it again, or export it now.'}
      </Txt>
      {refused ? (
        <Txt kind="small" tone="ammonia" live>{`It was refused: ${refused}. Export it now.`}</Txt>
      ) : null}
      <Row wrap>
        {storage === 'emptied' ? <Button kind="quiet" label="Store it again" onPress={storeAgain} /> : null}
        <Button kind="quiet" icon="exported" label="Export now" onPress={() => router.push('/files')} />
      </Row>
    </View>
  );
}

const styles = styleSheet({
  alert: {
    borderBottomWidth: 1.5,
    borderTopWidth: 1.5,
    paddingHorizontal: space(5),
    paddingVertical: space(2),
    gap: space(1),
  },
});
