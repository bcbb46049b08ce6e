import { createElement } from 'react';
import { StyleSheet, View } from 'react-native';
import type { Water } from '../../../core/document';
import { MINUTE_MS } from '../../../core/time';
import {
  selectAssessment,
  selectDocument,
  selectEvidence,
  selectVolume,
  useAppSelector,
  useNow,
} from '../../store';
import { Button, Row, Screen, space, Txt, useTheme } from '../../ui';
import { useWords, WithWater } from '../shell';
import { download } from '../shell/download';
import { sheetHtml } from '../shell/sheetHtml';
import { reportLead, reportParts, reportTitle } from './model';

export function ReportScreen() {
  return <WithWater>{(water) => <Report key={water.id} water={water} />}</WithWater>;
}

/** What someone who helps has to know, on a page, on paper and as a file. */
function Report({ water }: { water: Water }) {
  const { roles } = useTheme();
  const words = useWords();
  const nowMs = useNow(10 * MINUTE_MS);
  const doc = useAppSelector(selectDocument);
  const evidence = useAppSelector((s) => selectEvidence(s, water.id, nowMs));
  const assessment = useAppSelector((s) => selectAssessment(s, water.id, nowMs));
  const { netL } = useAppSelector((s) => selectVolume(s, water.id));
  const facts = { doc, water, evidence, assessment, netL, nowMs, words };
  const [title, lead, parts] = [reportTitle(facts), reportLead(facts), reportParts(facts)];
  return (
    <Screen title="Report">
      <Row wrap>
        <Button kind="primary" icon="print" label="Print the report" onPress={() => window.print()} />
        <Button
          icon="exported"
          label="Report as a file"
          onPress={() =>
            download(
              `${water.name.replace(/[^\w-]+/g, '-').toLowerCase() || 'water'}-report.html`,
              'text/html',
              sheetHtml(title, lead, parts),
            )
          }
        />
      </Row>
      <Txt kind="title" heading={1}>
        {title}
      </Txt>
      <Txt kind="strong">{lead}</Txt>
      {parts.map((p) => (
        <View key={p.title} style={styles.part}>
          <Txt kind="section" heading={2}>
            {p.title}
          </Txt>
          {p.svg === undefined
            ? null
            : createElement('div', {
                style: { background: '#fbf9f3', borderRadius: 10, border: `1px solid ${roles.hairline}` },
                // Made by trendSvg of numbers, days and escaped names.
                dangerouslySetInnerHTML: { __html: p.svg.replace('width="640"', 'width="100%"') },
              })}
          {p.lines.map((l) => (
            <Txt key={l}>{l}</Txt>
          ))}
        </View>
      ))}
    </Screen>
  );
}

const styles = StyleSheet.create({ part: { gap: space(1), marginTop: space(3) } });
