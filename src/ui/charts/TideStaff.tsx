import type { ReactNode } from 'react';
import { Pressable, View } from 'react-native';
import Svg, { Path } from 'react-native-svg';
import { useTheme } from '../theme';
import { space } from '../tokens';
import { Txt } from '../Txt';
import { useWidth } from '../useWidth';
import { Staff, StaffPointer } from './Staff';
import { wavePath } from './wave';
import { styleSheet } from '../styleSheet';

export interface StaffMark {
  id: string;
  title: string;
  note: string;
  /** `skipped` lies behind without having been shown. */
  status: 'passed' | 'skipped' | 'here' | 'ahead';
  open: boolean;
  /** Shown under the mark when open. */
  evidence: ReactNode;
}

function MarkRow({ mark, onToggle }: { mark: StaffMark; onToggle: (id: string) => void }) {
  const here = mark.status === 'here';
  return (
    <View>
      <Pressable
        role="button"
        aria-expanded={mark.open}
        aria-current={here ? 'step' : undefined}
        onPress={() => onToggle(mark.id)}
        style={styles.mark}
      >
        {here ? <StaffPointer /> : null}
        <View style={styles.words}>
          <Txt kind={here ? 'title' : 'row'}>
            {mark.title}
            {mark.status === 'passed' ? ' ✓' : ''}
          </Txt>
          <Txt kind={here ? 'body' : 'small'} tone={here ? 'ink' : 'second'}>
            {here ? `${mark.note}  ` : mark.note}
            {here ? <Txt style={styles.why}>why</Txt> : null}
          </Txt>
        </View>
      </Pressable>
      {mark.open && mark.evidence ? <View style={styles.evidence}>{mark.evidence}</View> : null}
    </View>
  );
}

/** The tide staff: what is passed lies under water, the gate you stand at is just above it, what comes is higher up.
 *  Marks come bottom to top; the next `aheadShown` ahead have a mark each, what lies beyond them is named in one line.
 *  `bleed` is how far the water reaches beyond the column, px. */
export function TideStaff({
  marks,
  onToggle,
  bleed,
  aheadShown = 2,
}: {
  marks: StaffMark[];
  onToggle: (id: string) => void;
  bleed: number;
  aheadShown?: number;
}) {
  const { roles } = useTheme();
  const [width, onLayout] = useWidth();
  const ahead = marks.filter((m) => m.status === 'ahead');
  const beyond = ahead
    .slice(aheadShown)
    .map((m) => m.title.toLowerCase())
    .reverse();
  const above = [...marks.filter((m) => m.status === 'here'), ...ahead.slice(0, aheadShown)].reverse();
  const below = marks.filter((m) => m.status === 'passed' || m.status === 'skipped').reverse();
  return (
    <View onLayout={onLayout} role="list" aria-label="Gates, the furthest first">
      <View style={styles.part}>
        <Staff left={4} />
        {beyond.length > 0 ? (
          <Txt kind="small" tone="second" style={styles.beyond}>{`higher up: ${beyond.join(', ')}`}</Txt>
        ) : null}
        {above.map((m) => (
          <View role="listitem" key={m.id}>
            <MarkRow mark={m} onToggle={onToggle} />
          </View>
        ))}
      </View>
      <View
        style={[
          styles.part,
          styles.water,
          { backgroundColor: roles.wash, marginHorizontal: -bleed, paddingHorizontal: bleed },
        ]}
      >
        <Staff left={bleed + 4} />
        <Svg width={width + 2 * bleed} height={16} style={styles.wave} aria-hidden>
          <Path
            d={`${wavePath(width + 2 * bleed, 8, 5, 80)}`}
            fill="none"
            stroke={roles.go}
            strokeWidth={2.5}
          />
        </Svg>
        {below.length === 0 ? (
          <Txt kind="small" tone="second" style={styles.dry}>
            nothing passed yet
          </Txt>
        ) : null}
        {below.map((m) => (
          <View role="listitem" key={m.id}>
            <MarkRow mark={m} onToggle={onToggle} />
          </View>
        ))}
      </View>
    </View>
  );
}

const styles = styleSheet({
  part: { position: 'relative', paddingVertical: space(2) },
  water: { paddingTop: space(5), paddingBottom: space(6) },
  wave: { position: 'absolute', left: 0, top: -8 },
  mark: { minHeight: 56, paddingLeft: 62, paddingVertical: space(2), justifyContent: 'center' },
  words: { gap: 2 },
  why: { textDecorationLine: 'underline' },
  evidence: { paddingLeft: 62, paddingBottom: space(3), gap: space(2) },
  beyond: { paddingLeft: 62, paddingBottom: space(1) },
  dry: { paddingLeft: 62, paddingVertical: space(2) },
});
