import { View } from 'react-native';
import Svg, { Circle, Line, Path, Rect } from 'react-native-svg';
import { useTheme } from '../theme';
import { TREND_HEIGHT as HEIGHT } from '../tokens';
import { useWidth } from '../useWidth';
import { ChartText } from './ChartText';
import { linear } from './geometry';

interface Props {
  /** Oldest first; the last is the newest reading. */
  points: readonly { atMs: number; value: number }[];
  watch: number;
  act: number;
  unit: string;
  dayLabel: (ms: number) => string;
  /** The drawing in a sentence. */
  summary: string;
}

const FOOT = 24;
const EDGE = 8;

/** The last readings against where one watches and where one acts: what is beyond lies in the shaded field. */
export function LimitTrend({ points, watch, act, unit, dayLabel, summary }: Props) {
  const { roles } = useTheme();
  const [width, onLayout] = useWidth();
  const first = points[0];
  const last = points[points.length - 1];
  if (!first || !last) return null;
  const top = Math.max(act * 1.3, ...points.map((p) => p.value * 1.1));
  const span = Math.max(1, last.atMs - first.atMs);
  const x = linear([first.atMs, first.atMs + span], [EDGE, Math.max(EDGE + 1, width - 3 * EDGE)]);
  const y = linear([0, top], [HEIGHT - FOOT, EDGE]);
  const path = points.map((p, i) => `${i === 0 ? 'M' : 'L'}${x(p.atMs)} ${y(p.value)}`).join('');
  return (
    <View onLayout={onLayout} role="img" aria-label={summary} style={{ height: HEIGHT }}>
      {width > 0 ? (
        <Svg width={width} height={HEIGHT} aria-hidden>
          <Rect x={0} y={0} width={width} height={y(act)} fill={roles.sand} />
          <Line x1={0} x2={width} y1={y(act)} y2={y(act)} stroke={roles.ink} strokeWidth={2.5} />
          <Line
            x1={0}
            x2={width}
            y1={y(watch)}
            y2={y(watch)}
            stroke={roles.second}
            strokeWidth={1.5}
            strokeDasharray="5 5"
          />
          <ChartText x={0} y={y(act) - 6} bold tone="ink">{`act at ${act} ${unit}`}</ChartText>
          <ChartText x={0} y={y(watch) - 5}>{`watch from ${watch}`}</ChartText>
          <Path d={path} stroke={roles.ammonia} strokeWidth={3.5} fill="none" />
          {points.map((p) => (
            <Circle key={p.atMs} cx={x(p.atMs)} cy={y(p.value)} r={p === last ? 8 : 5} fill={roles.ammonia} />
          ))}
          <ChartText x={EDGE} y={HEIGHT - 6}>
            {dayLabel(first.atMs)}
          </ChartText>
          <ChartText x={width} y={HEIGHT - 6} anchor="end" bold tone="ink">
            now
          </ChartText>
        </Svg>
      ) : null}
    </View>
  );
}
