import { StyleSheet, View } from 'react-native';
import type { Display } from '../../../core/document';
import { monthLook } from '../../../core/monthly';
import { MINUTE_MS } from '../../../core/time';
import { monthWords } from '../../../core/words/monthly';
import { selectDocument, selectEvidence, shortDay, useAppSelector, useNow } from '../../store';
import { Button, Row, Screen, space, Txt, useTheme } from '../../ui';
import { useWords, WithDisplay } from '../shell';
import { download } from '../shell/download';
import { sheetHtml } from '../shell/sheetHtml';

export function MonthScreen() {
  return <WithDisplay>{(water) => <Month key={water.id} water={water} />}</WithDisplay>;
}

/** The last thirty days of a water on a page: used, spent, made, lost, and what drifts. */
function Month({ water }: { water: Display }) {
  const { roles } = useTheme();
  const words = useWords();
  const now = useNow(MINUTE_MS);
  const doc = useAppSelector(selectDocument);
  const evidence = useAppSelector((s) => selectEvidence(s, water.id, now));
  const look = monthLook(doc, water, evidence);
  const parts = monthWords(look, words);
  const title = `A month of ${water.name}`;
  const lead = `${shortDay(look.fromMs)} to ${shortDay(look.toMs)}`;
  return (
    <Screen title="A month">
      <View style={[styles.sheet, { backgroundColor: roles.paper, borderColor: roles.hairline }]}>
        <Txt kind="title" heading={1}>
          {title}
        </Txt>
        <Txt tone="second">{lead}</Txt>
        {parts.map((p) => (
          <View key={p.title} style={styles.part}>
            <Txt kind="section" heading={2}>
              {p.title}
            </Txt>
            {p.lines.map((l) => (
              <Txt key={l}>{l}</Txt>
            ))}
          </View>
        ))}
      </View>
      <Row wrap>
        <Button kind="primary" icon="print" label="Print it" onPress={() => window.print()} />
        <Button
          icon="exported"
          label="As a file"
          onPress={() =>
            download(
              `${water.name.replace(/[^\w-]+/g, '-').toLowerCase() || 'tank'}-month.html`,
              'text/html',
              sheetHtml(title, lead, parts),
            )
          }
        />
      </Row>
    </Screen>
  );
}

const styles = StyleSheet.create({
  sheet: { padding: space(5), gap: space(3), borderWidth: 1, borderRadius: 14 },
  part: { gap: space(1) },
});
