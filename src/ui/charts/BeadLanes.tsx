import { View } from 'react-native';
import Svg, { Circle, G, Line, Path } from 'react-native-svg';
import { useTheme } from '../theme';
import { useWidth } from '../useWidth';
import { ChartText } from './ChartText';

export interface BeadLane {
  beads: { kind: 'clear' | 'missed' | 'sign' | 'pending' | 'masked'; today: boolean }[];
  /** Words after a broken string: "sign, 6th day". */
  brokenBy: string | null;
}

interface Props {
  lanes: BeadLane[];
  /** Days still to come on the present string. */
  toCome: number;
  clockDays: number;
  summary: string;
}

const PITCH = 34;
const ROW = 48;
const R = 12;

interface Placed {
  x: number;
  y: number;
  lane: number;
  kind: BeadLane['beads'][number]['kind'] | 'toCome';
  today: boolean;
}

/** Lays beads out in rows of `perRow`, a new row for each string. */
export function placeBeads(
  lanes: readonly BeadLane[],
  toCome: number,
  perRow: number,
): { beads: Placed[]; rows: number; ends: { lane: number; x: number; y: number }[] } {
  const beads: Placed[] = [];
  const ends: { lane: number; x: number; y: number }[] = [];
  let row = 0;
  lanes.forEach((lane, i) => {
    const kinds: { kind: Placed['kind']; today: boolean }[] = [...lane.beads];
    if (i === lanes.length - 1) for (let d = 0; d < toCome; d++) kinds.push({ kind: 'toCome', today: false });
    kinds.forEach((bead, j) => {
      beads.push({
        x: (j % perRow) * PITCH + R + 5,
        y: (row + Math.floor(j / perRow)) * ROW + ROW / 2,
        lane: i,
        kind: bead.kind,
        today: bead.today,
      });
    });
    const used = Math.max(1, Math.ceil(kinds.length / perRow));
    const last = Math.max(0, kinds.length - 1);
    ends.push({ lane: i, x: (last % perRow) * PITCH + R + 5, y: (row + used - 1) * ROW + ROW / 2 });
    row += used;
  });
  return { beads, rows: row, ends };
}

/** Quarantine as strings of day beads: clear filled, missed hollow, one that does not count dotted, sign crossed; a reset breaks the string. */
export function BeadLanes({ lanes, toCome, clockDays, summary }: Props) {
  const { roles } = useTheme();
  const [width, onLayout] = useWidth();
  const perRow = Math.max(7, Math.min(14, Math.floor((width - 10) / PITCH)));
  const { beads, rows, ends } = placeBeads(lanes, toCome, perRow);
  return (
    <View onLayout={onLayout} role="img" aria-label={summary} style={{ minHeight: Math.max(1, rows) * ROW }}>
      {width > 0 ? (
        <Svg width={width} height={rows * ROW} aria-hidden>
          {beads.map((b, i) => {
            const next = beads[i + 1];
            const joined =
              next &&
              next.lane === b.lane &&
              next.y === b.y &&
              next.kind !== 'toCome' &&
              next.kind !== 'sign' &&
              b.kind !== 'sign';
            return joined ? (
              <Line
                key={i}
                x1={b.x + R}
                x2={next.x - R}
                y1={b.y}
                y2={b.y}
                stroke={roles.go}
                strokeWidth={2.5}
              />
            ) : null;
          })}
          {beads.map((b, i) => (
            <G key={i}>
              {b.today ? (
                <Circle cx={b.x} cy={b.y} r={R + 4} fill="none" stroke={roles.ink} strokeWidth={2} />
              ) : null}
              {b.kind === 'clear' ? <Circle cx={b.x} cy={b.y} r={R} fill={roles.go} /> : null}
              {b.kind === 'missed' ? (
                <Circle cx={b.x} cy={b.y} r={R - 1} fill={roles.ground} stroke={roles.go} strokeWidth={2.5} />
              ) : null}
              {b.kind === 'masked' ? (
                <>
                  <Circle
                    cx={b.x}
                    cy={b.y}
                    r={R - 1}
                    fill={roles.ground}
                    stroke={roles.go}
                    strokeWidth={2.5}
                  />
                  <Circle cx={b.x} cy={b.y} r={4} fill={roles.go} />
                </>
              ) : null}
              {b.kind === 'pending' ? (
                <Circle
                  cx={b.x}
                  cy={b.y}
                  r={R - 5}
                  fill="none"
                  stroke={roles.go}
                  strokeWidth={2}
                  strokeDasharray="3 3"
                />
              ) : null}
              {b.kind === 'toCome' ? <Circle cx={b.x} cy={b.y} r={5} fill={roles.hairline} /> : null}
              {b.kind === 'sign' ? (
                <Path
                  d={`M${b.x - 10} ${b.y - 10}l20 20m0-20l-20 20`}
                  stroke={roles.ammonia}
                  strokeWidth={4}
                />
              ) : null}
            </G>
          ))}
          {ends.map((e) => {
            const words = lanes[e.lane]?.brokenBy;
            if (words) {
              const fits = e.x + R + 10 + words.length * 8 < width;
              return (
                <ChartText
                  key={e.lane}
                  x={fits ? e.x + R + 10 : width - 4}
                  y={fits ? e.y + 5 : e.y + ROW / 2}
                  anchor={fits ? 'start' : 'end'}
                  tone="ammonia"
                  bold
                >
                  {words}
                </ChartText>
              );
            }
            // Beads to come are small; the last day itself is not, and wears a ring.
            const last = beads[beads.length - 1];
            return e.lane === lanes.length - 1 ? (
              <ChartText key={e.lane} x={e.x + (last?.kind === 'toCome' ? 10 : R + 10)} y={e.y + 6}>
                {String(clockDays)}
              </ChartText>
            ) : null;
          })}
        </Svg>
      ) : null}
    </View>
  );
}
