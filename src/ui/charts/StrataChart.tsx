import { useId } from 'react';
import { View } from 'react-native';
import Svg, { Line, Path, Rect } from 'react-native-svg';
import { useTheme } from '../theme';
import { useWidth } from '../useWidth';
import { ChartText } from './ChartText';
import {
  areaPath,
  dayTicks,
  linear,
  linePath,
  niceTicks,
  niceTop,
  spreadLabels,
  type TimeAxis,
} from './geometry';
import { NitrogenPatterns } from './patterns';
import { apart, thinnedBy } from './thinning';

export interface StrataChartProps extends TimeAxis {
  points: { atMs: number; ammonia: number; nitrite: number; nitrate: number }[];
  putIn: { atMs: number; mgN: number }[];
  events: { atMs: number; label: string }[];
}

const HEIGHT = 300;
const TOP = 40;
const BOTTOM = 30;
const LEFT = 44;
/** Arrows that stand closer than this cover one another. */
const ARROW_PX = 4;

/** Milligrams of nitrogen in the tank stacked like sediment, with a line for what was put in. */
export function StrataChart(props: StrataChartProps) {
  const { roles } = useTheme();
  const id = useId();
  const [width, onLayout] = useWidth();
  const right = 118;
  return (
    <View onLayout={onLayout} role="img" aria-label={props.summary} style={{ minHeight: HEIGHT }}>
      {width > 0 ? draw() : null}
    </View>
  );

  function draw() {
    const across = [props.fromMs, props.toMs, Math.max(60, width - right - LEFT)] as const;
    const points = thinnedBy(props.points, ...across, (p) => p.ammonia + p.nitrite + p.nitrate);
    const putIn = thinnedBy(props.putIn, ...across, (p) => p.mgN);
    const events = apart(props.events, props.fromMs, props.toMs, across[2] / ARROW_PX);
    const highest = Math.max(
      1,
      ...points.map((p) => p.ammonia + p.nitrite + p.nitrate),
      ...putIn.map((p) => p.mgN),
    );
    const top = niceTop(highest);
    const x = linear([props.fromMs, props.toMs], [LEFT, width - right]);
    const y = linear([0, top], [HEIGHT - BOTTOM, TOP]);
    const layer = (
      low: (p: (typeof points)[number]) => number,
      high: (p: (typeof points)[number]) => number,
    ) => areaPath(points.map((p) => ({ x: x(p.atMs), y0: y(low(p)), y1: y(high(p)) })));
    const last = props.points[props.points.length - 1];
    const lastPut = props.putIn[props.putIn.length - 1];
    const end = last ? { ammonia: last.ammonia, nitrite: last.nitrite, nitrate: last.nitrate } : null;
    const labels = [
      ...(lastPut
        ? [{ text: `put in ${lastPut.mgN.toFixed(0)}`, y: y(lastPut.mgN), tone: 'ink' as const }]
        : []),
      ...(end
        ? [
            {
              text: `ammonia ${end.ammonia.toFixed(0)}`,
              y: y(end.nitrate + end.nitrite + end.ammonia / 2),
              tone: 'ammonia' as const,
            },
            {
              text: `nitrite ${end.nitrite.toFixed(0)}`,
              y: y(end.nitrate + end.nitrite / 2),
              tone: 'nitrite' as const,
            },
            { text: `nitrate ${end.nitrate.toFixed(0)}`, y: y(end.nitrate / 2), tone: 'nitrate' as const },
          ]
        : []),
    ];
    const ys = spreadLabels(
      labels.map((l) => l.y + 5),
      20,
      TOP,
      HEIGHT - BOTTOM - 2,
    );
    const gapTop = lastPut && end ? [y(lastPut.mgN), y(end.ammonia + end.nitrite + end.nitrate)] : null;
    return (
      <Svg width={width} height={HEIGHT} aria-hidden>
        <NitrogenPatterns prefix={id} />
        {niceTicks(0, top, 3).map((t) => (
          <Line key={t} x1={LEFT} x2={width - right} y1={y(t)} y2={y(t)} stroke={roles.hairline} />
        ))}
        <Path
          d={layer(
            () => 0,
            (p) => p.nitrate,
          )}
          fill={`url(#${id}-dots)`}
          stroke={roles.nitrate}
          strokeWidth={1.5}
        />
        <Path
          d={layer(
            (p) => p.nitrate,
            (p) => p.nitrate + p.nitrite,
          )}
          fill={`url(#${id}-hatch)`}
          stroke={roles.nitrite}
          strokeWidth={1.5}
        />
        <Path
          d={layer(
            (p) => p.nitrate + p.nitrite,
            (p) => p.nitrate + p.nitrite + p.ammonia,
          )}
          fill={roles.ammonia}
          fillOpacity={0.85}
          stroke={roles.ammonia}
        />
        <Path
          d={linePath(putIn.map((p) => ({ x: x(p.atMs), y: y(p.mgN) })))}
          fill="none"
          stroke={roles.ink}
          strokeWidth={3}
        />
        {gapTop && Math.abs((gapTop[0] ?? 0) - (gapTop[1] ?? 0)) > 6 ? (
          <Rect
            x={width - right + 3}
            y={Math.min(...gapTop)}
            width={4}
            height={Math.abs((gapTop[0] ?? 0) - (gapTop[1] ?? 0))}
            fill={roles.action}
          />
        ) : null}
        {niceTicks(0, top, 3).map((t) => (
          <ChartText key={t} x={LEFT - 6} y={y(t) + 5} anchor="end">
            {t.toFixed(0)}
          </ChartText>
        ))}
        <ChartText x={4} y={16}>
          mg N
        </ChartText>
        {events.map((e, i) => (
          <Path
            key={i}
            d={`M${x(e.atMs)} ${TOP - 8}v-12m-4 5l4-5 4 5`}
            stroke={roles.ink}
            strokeWidth={1.5}
            fill="none"
          />
        ))}
        {eventLabels(events, x).map((e) => (
          <ChartText key={e.x} x={e.x} y={16} anchor="middle">
            {e.label}
          </ChartText>
        ))}
        {axisDays(props, width - right - LEFT).map((t) => (
          <ChartText key={t} x={x(t)} y={HEIGHT - 8} anchor="middle">
            {props.dayLabel(t)}
          </ChartText>
        ))}
        {labels.map((l, i) => (
          <ChartText key={l.text} x={width - right + 12} y={ys[i] ?? l.y} tone={l.tone} bold size={15}>
            {l.text}
          </ChartText>
        ))}
      </Svg>
    );
  }
}

const axisDays = (
  p: { fromMs: number; toMs: number; midnight: (ms: number) => number },
  pixels: number,
): number[] => dayTicks(p.fromMs, p.toMs, Math.max(2, Math.floor(pixels / 62)), p.midnight);

/** Labels for events that have room: one that would touch the one before is left to its arrow. */
function eventLabels(
  events: readonly { atMs: number; label: string }[],
  x: (ms: number) => number,
): { x: number; label: string }[] {
  const out: { x: number; label: string }[] = [];
  let free = 44;
  for (const e of events) {
    const at = x(e.atMs);
    const half = e.label.length * 3.8;
    if (at - half < free) continue;
    out.push({ x: at, label: e.label });
    free = at + half + 6;
  }
  return out;
}
