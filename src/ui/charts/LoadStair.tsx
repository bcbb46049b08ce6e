import { View } from 'react-native';
import Svg, { Line } from 'react-native-svg';
import { useTheme } from '../theme';
import { useWidth } from '../useWidth';
import { ChartText } from './ChartText';
import { dayTicks, linear, niceTicks, type TimeAxis } from './geometry';
import { StairLayer, stairTop, type CeilingAt, type StairStep } from './StairLayer';

interface Props extends TimeAxis {
  steps: readonly StairStep[];
  /** Empty when nothing is proved. */
  ceiling: readonly CeilingAt[];
  nowMs: number;
}

const HEIGHT = 280;
const LEFT = 40;
const TOP = 24;
const BOTTOM = 30;

/** Stocking as a stair of daily load under the ceiling of proved capacity; planned steps dashed. */
export function LoadStair({ steps, ceiling, nowMs, fromMs, toMs, midnight, dayLabel, summary }: Props) {
  const { roles } = useTheme();
  const [width, onLayout] = useWidth();
  const top = stairTop(steps, ceiling, nowMs);
  const x = linear([fromMs, toMs], [LEFT, Math.max(LEFT + 1, width - 12)]);
  const y = linear([0, top], [HEIGHT - BOTTOM, TOP]);
  return (
    <View onLayout={onLayout} role="img" aria-label={summary} style={{ minHeight: HEIGHT }}>
      {width > 0 ? (
        <Svg width={width} height={HEIGHT} aria-hidden>
          {niceTicks(0, top, 3).map((t) => (
            <Line key={t} x1={LEFT} x2={width} y1={y(t)} y2={y(t)} stroke={roles.hairline} />
          ))}
          <StairLayer
            steps={steps}
            ceiling={ceiling}
            x={x}
            y={y}
            top={TOP}
            bottom={HEIGHT - BOTTOM}
            width={width}
          />
          <Line
            x1={x(nowMs)}
            x2={x(nowMs)}
            y1={TOP - 4}
            y2={HEIGHT - BOTTOM}
            stroke={roles.ink}
            strokeWidth={1.5}
            strokeDasharray="2 4"
          />
          <ChartText x={x(nowMs) + 6} y={16}>
            today
          </ChartText>
          {niceTicks(0, top, 3).map((t) => (
            <ChartText key={t} x={LEFT - 6} y={y(t) + 5} anchor="end">
              {String(t)}
            </ChartText>
          ))}
          {dayTicks(fromMs, toMs, Math.max(2, Math.floor((width - LEFT) / 70)), midnight).map((t) => (
            <ChartText key={t} x={x(t)} y={HEIGHT - 8} anchor="middle">
              {dayLabel(t)}
            </ChartText>
          ))}
        </Svg>
      ) : null}
    </View>
  );
}
