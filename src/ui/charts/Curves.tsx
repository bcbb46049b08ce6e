import { View } from 'react-native';
import Svg, { Line, Path } from 'react-native-svg';
import { useTheme } from '../theme';
import { useWidth } from '../useWidth';
import { ChartText } from './ChartText';
import { linear, linePath, niceTicks, niceTop, spreadLabels } from './geometry';

interface Props {
  curves: { label: string; points: { x: number; y: number }[] }[];
  xLabel: string;
  yLabel: string;
  mark?: { x: number; label: string };
  height?: number;
  /** How far the axis reaches where that is further than the curves. */
  until?: number;
  summary: string;
}

const HEIGHT = 240;
const LEFT = 44;
/** Room for the names of the curves, and a letter's width of them. */
const RIGHT = 64;
const LETTER = 8.4;
const TOP = 24;
const BOTTOM = 34;
const DASHES = [undefined, '10 5', '2 5'];

/** Curves over one axis, each labelled where it ends, each with its own stroke. */
export function Curves({ curves, xLabel, yLabel, mark, height = HEIGHT, until, summary }: Props) {
  const { roles } = useTheme();
  const [width, onLayout] = useWidth();
  const xs = curves.flatMap((c) => c.points.map((p) => p.x));
  const top = niceTop(Math.max(...curves.flatMap((c) => c.points.map((p) => p.y)), 0));
  const [x0, x1] = [Math.min(...xs), Math.max(...xs, until ?? -Infinity)];
  const right = Math.max(RIGHT, 8 + LETTER * Math.max(0, ...curves.map((c) => c.label.length)));
  const x = linear([x0, x1], [LEFT, Math.max(LEFT + 1, width - right)]);
  const y = linear([0, top], [height - BOTTOM, TOP]);
  const ends = spreadLabels(
    curves.map((c) => y(c.points[c.points.length - 1]?.y ?? 0) + 5),
    17,
    TOP + 6,
    height - BOTTOM,
  );
  return (
    <View onLayout={onLayout} role="img" aria-label={summary} style={{ minHeight: height }}>
      {width > 0 ? (
        <Svg width={width} height={height} aria-hidden>
          {niceTicks(0, top, 4).map((t) => (
            <Line key={t} x1={LEFT} x2={width - right} y1={y(t)} y2={y(t)} stroke={roles.hairline} />
          ))}
          {niceTicks(0, top, 4).map((t) => (
            <ChartText key={t} x={LEFT - 6} y={y(t) + 5} anchor="end">
              {String(Number(t.toPrecision(3)))}
            </ChartText>
          ))}
          <ChartText x={4} y={13}>
            {yLabel}
          </ChartText>
          {niceTicks(x0, x1, width < 420 ? 4 : 7).map((t) => (
            <ChartText key={t} x={x(t)} y={height - 14} anchor="middle">
              {String(Number(t.toFixed(2)))}
            </ChartText>
          ))}
          <ChartText x={width - right + 8} y={height - 14}>
            {xLabel}
          </ChartText>
          {mark && mark.x >= x0 && mark.x <= x1 ? (
            <>
              <Line
                x1={x(mark.x)}
                x2={x(mark.x)}
                y1={TOP}
                y2={height - BOTTOM}
                stroke={roles.action}
                strokeWidth={2}
                strokeDasharray="6 4"
              />
              <ChartText
                x={x(mark.x) + (x(mark.x) < width / 2 ? 6 : -6)}
                y={TOP + 10}
                anchor={x(mark.x) < width / 2 ? 'start' : 'end'}
                tone="action"
                bold
              >
                {mark.label}
              </ChartText>
            </>
          ) : null}
          {curves.map((c, i) => (
            <Path
              key={c.label}
              d={linePath(c.points.map((p) => ({ x: x(p.x), y: y(p.y) })))}
              fill="none"
              stroke={roles.ink}
              strokeWidth={2.5}
              strokeDasharray={DASHES[i % DASHES.length]}
            />
          ))}
          {curves.map((c, i) => (
            <ChartText key={c.label} x={width - right + 8} y={ends[i] ?? 0} tone="ink" bold>
              {c.label}
            </ChartText>
          ))}
        </Svg>
      ) : null}
    </View>
  );
}
