import { View } from 'react-native';
import Svg, { Circle, G, Line, Path, Rect } from 'react-native-svg';
import { useTheme } from '../theme';
import type { Role } from '../tokens';
import { useWidth } from '../useWidth';
import { ChartText } from './ChartText';
import { areaPath, dayTicks, linear, linePath, niceTicks, niceTop, type TimeAxis } from './geometry';

export interface BandSeries {
  name: string;
  unit: string;
  tone: Role;
  bands: { atMs: number; low: number; mid: number; high: number }[];
  points: { atMs: number; low: number; mid: number; high: number }[];
}

interface Props extends TimeAxis {
  series: BandSeries[];
  nowMs: number;
}

const STRIP = 118;
const PAD = 28;
const LEFT = 40;
const RIGHT = 14;

/** What the model makes of past and future as bands on one time axis, the readings over them; the future is dashed and begins at "now". */
export function BandStrips({ series, nowMs, fromMs, toMs, midnight, dayLabel, summary }: Props) {
  const { roles } = useTheme();
  const [width, onLayout] = useWidth();
  const height = STRIP * series.length + 30;
  const x = linear([fromMs, toMs], [LEFT, Math.max(LEFT + 1, width - RIGHT)]);
  return (
    <View onLayout={onLayout} role="img" aria-label={summary} style={{ minHeight: height }}>
      {width > 0 ? (
        <Svg width={width} height={height} aria-hidden>
          <Rect
            x={x(nowMs)}
            y={6}
            width={Math.max(0, width - RIGHT - x(nowMs))}
            height={height - 32}
            fill={roles.sand}
            fillOpacity={0.55}
          />
          {series.map((s, i) => {
            const bottom = (i + 1) * STRIP;
            const top = niceTop(
              Math.max(
                0.2,
                ...s.bands.map((b) => b.high),
                ...s.points.map((p) => (Number.isFinite(p.high) ? Math.min(p.high, p.mid * 2) : p.mid)),
              ),
              2,
            );
            const y = linear([0, top], [bottom, i * STRIP + PAD + 6]);
            const past = s.bands.filter((b) => b.atMs <= nowMs);
            const future = s.bands.filter((b) => b.atMs >= nowMs);
            return (
              <G key={s.name}>
                {niceTicks(0, top, 2).map((t) => (
                  <G key={t}>
                    <Line x1={LEFT} x2={width - RIGHT} y1={y(t)} y2={y(t)} stroke={roles.hairline} />
                    <ChartText x={LEFT - 6} y={y(t) + 5} anchor="end">
                      {String(Number(t.toFixed(2)))}
                    </ChartText>
                  </G>
                ))}
                <Path
                  d={areaPath(
                    s.bands.map((b) => ({ x: x(b.atMs), y0: y(b.low), y1: y(Math.min(b.high, top)) })),
                  )}
                  fill={roles[s.tone]}
                  fillOpacity={0.22}
                />
                <Path
                  d={linePath(past.map((b) => ({ x: x(b.atMs), y: y(b.mid) })))}
                  fill="none"
                  stroke={roles[s.tone]}
                  strokeWidth={2.5}
                />
                <Path
                  d={linePath(future.map((b) => ({ x: x(b.atMs), y: y(b.mid) })))}
                  fill="none"
                  stroke={roles[s.tone]}
                  strokeWidth={2.5}
                  strokeDasharray="7 5"
                />
                {s.points.map((p, j) => (
                  <G key={j}>
                    <Line
                      x1={x(p.atMs)}
                      x2={x(p.atMs)}
                      y1={y(Math.max(0, p.low))}
                      y2={Math.max(i * STRIP + PAD, y(Number.isFinite(p.high) ? p.high : top))}
                      stroke={roles.ink}
                      strokeOpacity={0.5}
                      strokeWidth={1.5}
                    />
                    <Circle
                      cx={x(p.atMs)}
                      cy={Math.max(i * STRIP + PAD, y(p.mid))}
                      r={3.5}
                      fill={roles.ink}
                    />
                  </G>
                ))}
                <ChartText
                  x={width - RIGHT - 4}
                  y={i * STRIP + 22}
                  anchor="end"
                  tone={s.tone}
                  bold
                  size={15}
                >{`${s.name}, ${s.unit}`}</ChartText>
              </G>
            );
          })}
          <Line x1={x(nowMs)} x2={x(nowMs)} y1={6} y2={height - 26} stroke={roles.action} strokeWidth={2} />
          <ChartText x={x(nowMs) - 5} y={22} anchor="end" tone="action" bold>
            now
          </ChartText>
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
