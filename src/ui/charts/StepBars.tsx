import { View } from 'react-native';
import Svg, { G, Line, Rect } from 'react-native-svg';
import { useTheme } from '../theme';
import { useWidth } from '../useWidth';
import { ChartText } from './ChartText';
import { linear, niceTop } from './geometry';

interface Props {
  bars: { label: string; value: number; shown: string; planned?: boolean }[];
  unit: string;
  goal?: { value: number; label: string };
  summary: string;
}

const HEIGHT = 190;
const TOP = 26;
const BOTTOM = 26;

/** Steps of a plan as bars, each with its number; what is planned is outlined with dashes. Bars that hardly differ start above zero, and say so. */
export function StepBars({ bars, unit, goal, summary }: Props) {
  const { roles } = useTheme();
  const [width, onLayout] = useWidth();
  const values = [...bars.map((b) => b.value), ...(goal ? [goal.value] : [])];
  const high = Math.max(...values);
  const low = Math.min(...values);
  const cut = low > 0 && (high - low) / high < 0.25;
  const base = cut ? low - (high - low || high * 0.05) * 0.6 : 0;
  const top = cut ? high + (high - base) * 0.08 : niceTop(high);
  const y = linear([base, top], [HEIGHT - BOTTOM, TOP]);
  const slot = Math.max(1, (width - 8) / Math.max(1, bars.length));
  const bar = Math.min(64, slot * 0.62);
  // Narrow slots: every second or third label is enough.
  const every = Math.ceil(46 / slot);
  return (
    <View onLayout={onLayout} role="img" aria-label={summary} style={{ minHeight: HEIGHT }}>
      {width > 0 ? (
        <Svg width={width} height={HEIGHT} aria-hidden>
          {goal ? (
            <>
              <Line
                x1={4}
                x2={width - 4}
                y1={y(goal.value)}
                y2={y(goal.value)}
                stroke={roles.go}
                strokeWidth={2.5}
                strokeDasharray="8 5"
              />
              <ChartText
                x={width - 6}
                y={y(goal.value) - 6 < TOP ? y(goal.value) + 16 : y(goal.value) - 6}
                anchor="end"
                tone="go"
                bold
              >
                {goal.label}
              </ChartText>
            </>
          ) : null}
          <ChartText x={4} y={13}>
            {cut ? `${unit}, from ${base.toFixed(1)}` : unit}
          </ChartText>
          {bars.map((b, i) => {
            const x = 4 + slot * i + (slot - bar) / 2;
            const h = Math.max(2, y(base) - y(b.value));
            return (
              <G key={i}>
                <Rect
                  x={x}
                  y={y(b.value)}
                  width={bar}
                  height={h}
                  fill={b.planned ? roles.wash : roles.nitrate}
                  stroke={roles.nitrate}
                  strokeWidth={2}
                  strokeDasharray={b.planned ? '6 4' : undefined}
                />
                {i % every === 0 || i === bars.length - 1 ? (
                  <ChartText x={x + bar / 2} y={y(b.value) - 5} anchor="middle" tone="ink" bold>
                    {b.shown}
                  </ChartText>
                ) : null}
                {i % every === 0 ? (
                  <ChartText x={x + bar / 2} y={HEIGHT - 7} anchor="middle">
                    {b.label}
                  </ChartText>
                ) : null}
              </G>
            );
          })}
          <Line x1={4} x2={width - 4} y1={y(base)} y2={y(base)} stroke={roles.edge} />
        </Svg>
      ) : null}
    </View>
  );
}
