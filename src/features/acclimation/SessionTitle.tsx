import type { Water } from '../../../core/document';
import { Row, Txt, styleSheet } from '../../ui';

/** What goes on, for whom, into which water. */
export function SessionTitle({ what, who, water }: { what: string; who: string; water: Water }) {
  return (
    <Row style={styles.between} wrap>
      <Txt kind="section" heading={1} style={styles.shrink}>{`${what} · ${who}`}</Txt>
      <Txt kind="small" tone="second">
        {water.name}
      </Txt>
    </Row>
  );
}

const styles = styleSheet({
  between: { justifyContent: 'space-between' },
  shrink: { flexShrink: 1 },
});
