import { createElement, useMemo } from 'react';
import { View } from 'react-native';
import type { Parameter, Water } from '../../../core/document';
import { MINUTE_MS } from '../../../core/time';
import {
  selectAssessment,
  selectDocument,
  selectEvidence,
  selectVolume,
  useAppSelector,
  useNow,
} from '../../store';
import { Button, Row, Screen, space, Txt, useTheme, useWide, styleSheet } from '../../ui';
import { useWords, WithWater } from '../shell';
import { download } from '../shell/download';
import { sheetHtml, type SheetPart } from '../shell/sheetHtml';
import {
  drawn,
  DRAWN,
  lastDays,
  partsAfter,
  partsBefore,
  reportLead,
  reportParts,
  type ReportFacts,
  reportTitle,
} from './model';
import { PAPER_WIDTH, SCREEN_WIDTH } from './trendSvg';

export function ReportScreen() {
  return <WithWater>{(water) => <Report key={water.id} water={water} />}</WithWater>;
}

/** What someone who helps has to know, on a page, on paper and as a file. */
function Report({ water }: { water: Water }) {
  const { printing } = useTheme();
  // On paper one column: in a second the letters would shrink.
  const wide = useWide() && !printing;
  const words = useWords();
  const nowMs = useNow(10 * MINUTE_MS);
  const doc = useAppSelector(selectDocument);
  const evidence = useAppSelector((s) => selectEvidence(s, water.id, nowMs));
  const assessment = useAppSelector((s) => selectAssessment(s, water.id, nowMs));
  const { netL } = useAppSelector((s) => selectVolume(s, water.id));
  const device = useMemo(
    () => lastDays(doc.monitorDays, water.id, nowMs),
    [doc.monitorDays, water.id, nowMs],
  );
  const facts: ReportFacts = { doc, water, evidence, assessment, netL, nowMs, words, device };
  const [title, lead] = [reportTitle(facts), reportLead(facts)];
  const courses = DRAWN.map((p) => <Course key={p} facts={facts} parameter={p} />);
  const written = (parts: readonly SheetPart[]) => parts.map((p) => <Part key={p.title} part={p} />);
  return (
    <Screen title="Report" aside={wide ? courses : undefined}>
      <Txt kind="title" heading={1}>
        {title}
      </Txt>
      <Txt kind="strong">{lead}</Txt>
      <Row wrap>
        <Button kind="primary" icon="print" label="Print the report" onPress={() => window.print()} />
        <Button
          icon="exported"
          label="Report as a file"
          onPress={() =>
            download(
              `${water.name.replace(/[^\w-]+/g, '-').toLowerCase() || 'water'}-report.html`,
              'text/html',
              sheetHtml(title, lead, reportParts(facts)),
            )
          }
        />
      </Row>
      {written(partsBefore(facts))}
      {wide ? null : courses}
      {written(partsAfter(facts))}
    </Screen>
  );
}

/** A part of its own, so that each is worked out in a slice of its own. */
function Course({ facts, parameter }: { facts: ReportFacts; parameter: Parameter }) {
  const { printing } = useTheme();
  const part = drawn(facts, parameter, printing ? PAPER_WIDTH : SCREEN_WIDTH);
  return part ? <Part part={part} /> : null;
}

function Part({ part: { title, lines, svg } }: { part: SheetPart }) {
  const { roles, printing } = useTheme();
  return (
    <View style={styles.part}>
      <Txt kind="section" heading={2}>
        {title}
      </Txt>
      {svg === undefined
        ? null
        : createElement('div', {
            style: {
              background: '#fbf9f3',
              maxWidth: printing ? PAPER_WIDTH : MOST_WIDE,
              breakInside: 'avoid',
              borderRadius: 10,
              border: `1px solid ${roles.hairline}`,
            },
            // Made by trendSvg of numbers, days and escaped names.
            dangerouslySetInnerHTML: {
              __html: svg.replace(/ width="\d+" height="\d+"/, ' width="100%" style="display: block"'),
            },
          })}
      {lines.map((l) => (
        <Txt key={l}>{l}</Txt>
      ))}
    </View>
  );
}

/** Where a second column has room for more, px. */
const MOST_WIDE = 420;

const styles = styleSheet({ part: { gap: space(1), marginTop: space(3) } });
