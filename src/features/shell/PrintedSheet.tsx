import { View } from 'react-native';
import { Button, Row, space, Txt, useTheme, styleSheet } from '../../ui';
import { download } from './download';
import { sheetHtml, type SheetPart } from './sheetHtml';

/** A page of paper: read here, printed, or taken away as one file. */
export function PrintedSheet({
  title,
  lead,
  parts,
  print,
  keep,
  fileName,
}: {
  title: string;
  lead: string;
  parts: readonly SheetPart[];
  /** What the two buttons are called. */
  print: string;
  keep: string;
  /** Without its ending; made fit for a disk. */
  fileName: string;
}) {
  const { roles } = useTheme();
  return (
    <>
      <View style={[styles.sheet, { backgroundColor: roles.paper, borderColor: roles.hairline }]}>
        <Txt kind="title" heading={1}>
          {title}
        </Txt>
        <Txt>{lead}</Txt>
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
        <Button kind="primary" icon="print" label={print} onPress={() => window.print()} />
        <Button
          icon="exported"
          label={keep}
          onPress={() =>
            download(
              `${fileName.replace(/[^\w-]+/g, '-').toLowerCase() || 'tank'}.html`,
              'text/html',
              sheetHtml(title, lead, parts),
            )
          }
        />
      </Row>
    </>
  );
}

const styles = styleSheet({
  sheet: { borderWidth: 1, borderRadius: 10, padding: space(4), gap: space(2) },
  part: { gap: space(1), marginTop: space(2) },
});
