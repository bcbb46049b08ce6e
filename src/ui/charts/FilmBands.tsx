import { View } from 'react-native';
import Svg, { G, Line, Rect } from 'react-native-svg';
import { useTheme } from '../theme';
import { useWidth } from '../useWidth';
import { ChartText } from './ChartText';
import { dayTicks, linear, type TimeAxis } from './geometry';

interface Props extends TimeAxis {
  rows: { label: string; steps: { fromMs: number; toMs: number; extent: number }[] }[];
  /** Light settings as they changed: "20 %". */
  light: { atMs: number; label: string }[];
}

const ROW = 46;
const TOP = 34;
const LEFT = 96;
const RIGHT = 10;

/** Films through time under the light they grew in: the thicker the band, the more of the glass it covered (0 to 4). */
export function FilmBands({ rows, light, fromMs, toMs, midnight, dayLabel, summary }: Props) {
  const { roles } = useTheme();
  const [width, onLayout] = useWidth();
  const height = TOP + ROW * rows.length + 28;
  const x = linear([fromMs, toMs], [LEFT, Math.max(LEFT + 1, width - RIGHT)]);
  return (
    <View onLayout={onLayout} role="img" aria-label={summary} style={{ minHeight: height }}>
      {width > 0 ? (
        <Svg width={width} height={height} aria-hidden>
          <ChartText x={0} y={18}>
            light
          </ChartText>
          {light
            .filter((l) => l.atMs >= fromMs && l.atMs <= toMs)
            .map((l, i) => (
              <G key={i}>
                <Line
                  x1={x(l.atMs)}
                  x2={x(l.atMs)}
                  y1={6}
                  y2={height - 26}
                  stroke={roles.edge}
                  strokeDasharray="2 5"
                />
                <ChartText x={x(l.atMs) + 4} y={18} tone="ink" bold>
                  {l.label}
                </ChartText>
              </G>
            ))}
          {rows.map((r, i) => {
            const middle = TOP + ROW * i + ROW / 2;
            return (
              <G key={r.label}>
                <ChartText x={0} y={middle + 5} tone="ink">
                  {r.label}
                </ChartText>
                <Line x1={LEFT} x2={width - RIGHT} y1={middle} y2={middle} stroke={roles.hairline} />
                {r.steps.map((s, j) => {
                  const h = s.extent * 8;
                  const w = Math.max(3, x(Math.min(s.toMs, toMs)) - x(Math.max(s.fromMs, fromMs)));
                  return s.extent > 0 ? (
                    <G key={j}>
                      <Rect
                        x={x(Math.max(s.fromMs, fromMs))}
                        y={middle - h / 2}
                        width={w}
                        height={h}
                        fill={roles.nitrite}
                        fillOpacity={0.35}
                        stroke={roles.nitrite}
                        strokeWidth={1.5}
                      />
                      {w > 16 ? (
                        <ChartText
                          x={x(Math.max(s.fromMs, fromMs)) + w / 2}
                          y={middle + 5}
                          anchor="middle"
                          tone="ink"
                          bold
                        >
                          {String(s.extent)}
                        </ChartText>
                      ) : null}
                    </G>
                  ) : null;
                })}
              </G>
            );
          })}
          {dayTicks(fromMs, toMs, Math.max(2, Math.floor((width - LEFT - RIGHT) / 66)), midnight)
            .filter((t) => x(t) < width - 24)
            .map((t) => (
              <ChartText key={t} x={x(t)} y={height - 6} anchor="middle">
                {dayLabel(t)}
              </ChartText>
            ))}
        </Svg>
      ) : null}
    </View>
  );
}
