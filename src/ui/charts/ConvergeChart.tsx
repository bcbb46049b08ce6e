import { View } from 'react-native';
import Svg, { Circle, Line, Path, Rect } from 'react-native-svg';
import { useTheme } from '../theme';
import { useWidth } from '../useWidth';
import { ChartText } from './ChartText';
import { linear, linePath, niceTicks } from './geometry';

interface Props {
  /** Container's course, value by minute. */
  course: { minutes: number; value: number }[];
  /** Where the container is now; null before the start. */
  now: { minutes: number; value: number } | null;
  water: number;
  /** Half-width of "near enough" around the tank's value. */
  near: number;
  readyMinutes: number | null;
  endMinutes: number;
  format: (value: number) => string;
  unit: string;
  timeLabel: (minutes: number) => string;
  containerWord: string;
  summary: string;
  height?: number;
}

const LEFT = 52;
const TOP = 22;
const BOTTOM = 28;

/** Container against tank, closing together: done part solid, what comes dotted, the near-enough band washed. */
export function ConvergeChart({
  course,
  now,
  water,
  near,
  readyMinutes,
  endMinutes,
  format,
  unit,
  timeLabel,
  containerWord,
  summary,
  height = 240,
}: Props) {
  const { roles } = useTheme();
  const [width, onLayout] = useWidth();
  const values = course.filter((p) => p.minutes <= endMinutes).map((p) => p.value);
  const low = Math.min(water - near * 1.4, ...values);
  const high = Math.max(water + near * 1.4, ...values);
  const x = linear([0, endMinutes], [LEFT, Math.max(LEFT + 1, width - 14)]);
  const y = linear([low, high], [height - BOTTOM, TOP]);
  const path = (from: number, to: number) =>
    linePath(
      course
        .filter((p) => p.minutes >= from && p.minutes <= to)
        .map((p) => ({ x: x(p.minutes), y: y(p.value) })),
    );
  const at = now ? Math.min(now.minutes, endMinutes) : 0;
  const rising = (values[0] ?? water) < water;
  return (
    <View onLayout={onLayout} role="img" aria-label={summary} style={{ minHeight: height }}>
      {width > 0 ? (
        <Svg width={width} height={height} aria-hidden>
          <Rect
            x={LEFT}
            y={y(water + near)}
            width={width - LEFT - 14}
            height={Math.max(1, y(water - near) - y(water + near))}
            fill={roles.wash}
          />
          {niceTicks(low, high, 3).map((t) => (
            <Line key={t} x1={LEFT} x2={width - 14} y1={y(t)} y2={y(t)} stroke={roles.hairline} />
          ))}
          {niceTicks(low, high, 3).map((t) => (
            <ChartText key={t} x={LEFT - 6} y={y(t) + 5} anchor="end">
              {format(t)}
            </ChartText>
          ))}
          <ChartText x={4} y={14}>
            {unit}
          </ChartText>
          <Line x1={LEFT} x2={width - 14} y1={y(water)} y2={y(water)} stroke={roles.go} strokeWidth={3} />
          <ChartText
            x={LEFT + 8}
            y={rising ? y(water) - 8 : y(water) + 20}
            tone="go"
            bold
            size={15}
          >{`tank ${format(water)} ${unit}`}</ChartText>
          <Path d={path(0, at)} fill="none" stroke={roles.ink} strokeWidth={4} strokeLinecap="round" />
          <Path
            d={path(Math.floor(at), endMinutes)}
            fill="none"
            stroke={roles.ink}
            strokeWidth={2.5}
            strokeDasharray="3 6"
            strokeLinecap="round"
          />
          {readyMinutes !== null && readyMinutes <= endMinutes ? (
            <>
              <Line
                x1={x(readyMinutes)}
                x2={x(readyMinutes)}
                y1={TOP}
                y2={height - BOTTOM}
                stroke={roles.action}
                strokeWidth={2}
                strokeDasharray="6 4"
              />
              <ChartText
                x={x(readyMinutes) - 6}
                y={rising ? TOP + 12 : height - BOTTOM - 8}
                tone="action"
                bold
                anchor="end"
              >
                near enough
              </ChartText>
            </>
          ) : null}
          {now ? (
            <>
              <Circle
                cx={x(at)}
                cy={y(now.value)}
                r={8}
                fill={roles.ground}
                stroke={roles.ink}
                strokeWidth={3}
              />
              <ChartText
                x={Math.min(x(at) + 14, width - 150)}
                y={rising ? y(now.value) + 22 : y(now.value) - 14}
                tone="ink"
                bold
                size={15}
              >{`${containerWord} ${format(now.value)} ${unit}`}</ChartText>
            </>
          ) : null}
          <ChartText x={LEFT} y={height - 8}>
            {timeLabel(0)}
          </ChartText>
          <ChartText x={width - 14} y={height - 8} anchor="end">
            {timeLabel(endMinutes)}
          </ChartText>
        </Svg>
      ) : null}
    </View>
  );
}
