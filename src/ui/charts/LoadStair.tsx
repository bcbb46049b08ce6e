import { View } from 'react-native';
import Svg, { Line, Path, Rect } from 'react-native-svg';
import { useTheme } from '../theme';
import { useWidth } from '../useWidth';
import { ChartText } from './ChartText';
import { areaPath, dayTicks, linear, linePath, niceTicks, niceTop, type TimeAxis } from './geometry';

interface Props extends TimeAxis {
  steps: { fromMs: number; toMs: number; mgN: number; label: string; planned: boolean }[];
  /** What the filter can carry through time, mg N a day; empty when nothing is proved. */
  ceiling: { atMs: number; mgN: number }[];
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
  const last = ceiling[ceiling.length - 1];
  const load = Math.max(4, ...steps.map((s) => s.mgN));
  // Today's ceiling is always inside; where it once stood higher it runs along the top.
  const top = niceTop(Math.max(load * 1.5, (last?.mgN ?? 0) * 1.15));
  const x = linear([fromMs, toMs], [LEFT, Math.max(LEFT + 1, width - 12)]);
  const y = linear([0, top], [HEIGHT - BOTTOM, TOP]);
  const roof = ceiling.map((c) => ({ x: x(c.atMs), y0: TOP, y1: Math.max(TOP, y(c.mgN)) }));
  return (
    <View onLayout={onLayout} role="img" aria-label={summary} style={{ minHeight: HEIGHT }}>
      {width > 0 ? (
        <Svg width={width} height={HEIGHT} aria-hidden>
          {niceTicks(0, top, 3).map((t) => (
            <Line key={t} x1={LEFT} x2={width} y1={y(t)} y2={y(t)} stroke={roles.hairline} />
          ))}
          <Path d={areaPath(roof)} fill={roles.sand} />
          <Path
            d={linePath(roof.map((p) => ({ x: p.x, y: p.y1 })))}
            fill="none"
            stroke={roles.ink}
            strokeWidth={3}
          />
          {steps.map((s, i) => (
            <Rect
              key={i}
              x={x(s.fromMs)}
              y={y(s.mgN)}
              width={Math.max(0, x(s.toMs) - x(s.fromMs))}
              height={HEIGHT - BOTTOM - y(s.mgN)}
              fill={roles.go}
              fillOpacity={s.planned ? 0.22 : 0.8}
            />
          ))}
          <Path
            d={linePath(
              steps
                .filter((s) => s.planned)
                .flatMap((s) => [
                  { x: x(s.fromMs), y: y(s.mgN) },
                  { x: x(s.toMs), y: y(s.mgN) },
                ]),
            )}
            fill="none"
            stroke={roles.go}
            strokeWidth={2.5}
            strokeDasharray="7 5"
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
          {last ? (
            <ChartText
              x={width - 14}
              y={y(last.mgN) - 10}
              tone="ink"
              bold
              anchor="end"
              size={15}
            >{`the filter can carry ${last.mgN.toFixed(0)}`}</ChartText>
          ) : null}
          {stairLabels(steps, x, width).map((l) => (
            <ChartText key={l.x} x={l.x} y={y(l.mgN) - 7} tone="go" bold>
              {l.text}
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

/** Labels for the steps that have room, the biggest rises first; the last word of a name, as the lists give it whole. */
export function stairLabels(
  steps: Props['steps'],
  x: (ms: number) => number,
  width: number,
): { x: number; mgN: number; text: string }[] {
  const taken: { from: number; to: number }[] = [];
  const wanted = steps
    .map((s, i) => ({ s, rise: s.mgN - (steps[i - 1]?.mgN ?? 0) }))
    .filter(({ s }) => s.label !== '')
    .sort((a, b) => b.rise - a.rise);
  return wanted.flatMap(({ s }) => {
    const text = s.label.split(' ').slice(-1)[0] ?? s.label;
    const wide = text.length * 8;
    const from = Math.min(x(s.fromMs) + 2, width - wide);
    if (taken.some((t) => from < t.to + 6 && from + wide + 6 > t.from)) return [];
    taken.push({ from, to: from + wide });
    return [{ x: from, mgN: s.mgN, text }];
  });
}
